import { z } from "zod";
import { type Problem, problemsOf } from "#core/formats/activity.ts";
import { deviceMark, signIn } from "#server/auth/sign-in.ts";
import { NotAllowed } from "#server/problem.ts";
import { currentContext } from "#server/web/request-context.ts";
import { fieldsOf } from "./read.server.ts";
import { deviceOf, rememberDevice, rememberToken } from "./session.server.ts";

const form = z.object({
  email: z
    .string()
    .trim()
    .min(1, "Type your e-mail address.")
    .max(200, "The e-mail address can have up to 200 characters."),
  password: z.string().min(1, "Type your password.").max(500, "The password can have up to 500 characters."),
});

/**
 * Reads the sign-in form and opens a session, or says what is wrong. The email address that was typed is returned for
 * the form.
 */
export async function signInFrom(
  request: Request,
): Promise<{ ok: true; cookies: [string, string][] } | { ok: false; problems: Problem[]; email: string }> {
  const fields = await fieldsOf(request);
  const email = fields.email ?? "";
  const read = form.safeParse(fields);
  if (!read.success) return { ok: false, problems: problemsOf(read.error), email };
  return signInWith(request, read.data.email, read.data.password);
}

/** Opens a session for an email address and a password. Returns the cookies for the answer, or what is wrong. */
export async function signInWith(
  request: Request,
  address: string,
  password: string,
): Promise<{ ok: true; cookies: [string, string][] } | { ok: false; problems: Problem[]; email: string }> {
  const machine = currentContext()?.caller ?? "direct";
  try {
    const token = await signIn(address, password, machine, await deviceOf(request));
    return {
      ok: true,
      cookies: [
        ["Set-Cookie", await rememberToken(request, token)],
        ["Set-Cookie", await rememberDevice(request, deviceMark(address))],
      ],
    };
  } catch (error) {
    if (error instanceof NotAllowed) return { ok: false, problems: error.problems, email: address };
    throw error;
  }
}
