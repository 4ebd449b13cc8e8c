import { ANSWERED, type NotTaken } from "#core/records/answer.ts";
import { handIn } from "#core/records/play.ts";
import { openLink } from "#server/links/open-link.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";
import { acceptSubmission, TooManyGoes } from "#server/submissions/accept.ts";
import { jsonOf } from "../read.server.ts";
import type { Route } from "./+types/hand-in";

/** The longest message about a submission as a whole, letters. */
const LONGEST = 300;
const notTaken = (
  status: number,
  field: string,
  { message, final, headers = {} }: { message: string; final: boolean; headers?: HeadersInit | undefined },
) =>
  Response.json({ answer: ANSWERED, field, message: message.slice(0, LONGEST), final } satisfies NotTaken, {
    status,
    headers,
  });

/**
 * Takes what a device sends of a go, and answers with receipts or with the reason for a refusal. A repeated request
 * has the same result. Every answer carries our header, so that the device never mistakes a network's own page for
 * it.
 */
export async function action({ request, params }: Route.ActionArgs) {
  const link = await openLink(params.token);
  if ("trouble" in link)
    return link.trouble === "withdrawn"
      ? notTaken(410, "link", { message: "This link is off.", final: false })
      : notTaken(404, "link", { message: "This link is not known.", final: false });
  const json = await jsonOf(request);
  if (json === undefined) return notTaken(400, "body", { message: "This is not JSON.", final: true });
  const read = handIn.safeParse(json);
  if (!read.success) {
    const [first] = read.error.issues;
    return notTaken(422, first!.path.join("."), {
      message: `${first!.path.join(".")}: ${first!.message}`,
      final: true,
    });
  }
  try {
    return Response.json({ answer: ANSWERED, ...(await acceptSubmission(link, read.data)) });
  } catch (error) {
    if (error instanceof NotAllowed)
      return notTaken(422, error.problems[0]?.field ?? "body", {
        message: error.message,
        final: error.problems[0]?.field !== "send",
      });
    if (error instanceof TooManyGoes)
      return notTaken(429, "play", {
        message: error.message,
        final: false,
        headers: { "Retry-After": String(error.seconds) },
      });
    if (error instanceof NotFound)
      return notTaken(404, "card", {
        message: "This card belongs to another child, or no longer exists.",
        final: false,
      });
    throw error;
  }
}

/** Answers a visit with a browser: there is nothing to see here. */
export const loader = () => notTaken(405, "method", { message: "This address only takes goes in.", final: true });
