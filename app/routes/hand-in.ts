import { handIn } from "#core/records/play.ts";
import { takeHandIn } from "#server/hand-in/take.ts";
import { openLink } from "#server/links/open-link.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";
import type { Route } from "./+types/hand-in";

/** A whole go fits many times over, bytes. */
const LARGEST = 1_000_000;
const answer = (body: unknown, status: number) =>
  Response.json(body, { status, headers: { "Cache-Control": "no-store" } });

/** Takes what a device sends of a go and answers with receipts. Everything about it may be repeated. */
export async function action({ request, params }: Route.ActionArgs) {
  const link = await openLink(params.token);
  if ("trouble" in link)
    return answer(
      { message: link.trouble === "withdrawn" ? "This link was withdrawn." : "This link is not known." },
      link.trouble === "withdrawn" ? 410 : 404,
    );
  const text = await request.text();
  if (text.length > LARGEST) return answer({ message: "This is too large." }, 413);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return answer({ message: "This is not JSON." }, 400);
  }
  const read = handIn.safeParse(json);
  if (!read.success)
    return answer({ message: read.error.issues.map((i) => `${i.path.join(".")}: ${i.message}`).join("; ") }, 422);
  try {
    return answer(await takeHandIn(link, read.data), 200);
  } catch (e) {
    if (e instanceof NotAllowed) return answer({ message: e.message }, 422);
    if (e instanceof NotFound) return answer({ message: "There is no such card." }, 404);
    throw e;
  }
}
