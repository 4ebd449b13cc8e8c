import { createCookie, redirect } from "react-router";
import { SESSION_HOURS, type SignedIn, sessionOf } from "#server/auth/sign-in.ts";
import { perRequestCache } from "#server/web/request-context.ts";

const ROOT = "/";
function cookieFor(request: Request) {
  const secure = new URL(request.url).protocol === "https:";
  return createCookie(secure ? "__Host-yard" : "yard", {
    httpOnly: true,
    sameSite: "lax",
    secure,
    path: ROOT,
    maxAge: SESSION_HOURS * 3600,
  });
}

/** How long a device is remembered, days. */
const DEVICE_DAYS = 180;
function deviceCookie(request: Request) {
  const secure = new URL(request.url).protocol === "https:";
  return createCookie(secure ? "__Host-yard-device" : "yard-device", {
    httpOnly: true,
    sameSite: "lax",
    secure,
    path: ROOT,
    maxAge: DEVICE_DAYS * 86_400,
  });
}
/** The mark of a device on which a teacher has signed in before. Null if it has none. */
export async function deviceOf(request: Request): Promise<string | null> {
  const value: unknown = await deviceCookie(request).parse(request.headers.get("Cookie"));
  return typeof value === "string" ? value.slice(0, 200) : null;
}
export const rememberDevice = (request: Request, mark: string): Promise<string> =>
  deviceCookie(request).serialize(mark);

export async function tokenOf(request: Request): Promise<string | null> {
  const value: unknown = await cookieFor(request).parse(request.headers.get("Cookie"));
  return typeof value === "string" && value !== "" ? value : null;
}

export const rememberToken = (request: Request, token: string): Promise<string> => cookieFor(request).serialize(token);
export const forgetToken = (request: Request): Promise<string> => cookieFor(request).serialize("", { maxAge: 0 });

export async function signedIn(request: Request): Promise<SignedIn | null> {
  const token = await tokenOf(request);
  return token ? perRequestCache(`session ${token}`, () => sessionOf(token)) : null;
}

/** The signed-in teacher. If there is none, redirects to the sign-in page, which leads back here. */
export async function teacherOf(request: Request): Promise<SignedIn> {
  const who = await signedIn(request);
  if (who) return who;
  const { pathname, search } = new URL(request.url);
  throw redirect(
    `/sign-in?to=${encodeURIComponent(pathname.replace(/\.data$/, "") + search.replace(/[?&]_routes=[^&]*/, ""))}`,
  );
}
