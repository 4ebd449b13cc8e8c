import { z } from "zod";
import { saveActivity } from "#server/activities/activities.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";
import { idOf } from "../answer.server.ts";
import { jsonOf } from "../read.server.ts";
import { signedIn } from "../session.server.ts";
import type { Route } from "./+types/activity-save";

const body = z.strictObject({ version: z.number().int().min(1), document: z.unknown() });

/**
 * Saves a draft. Never redirects, because the workbench keeps what was typed and asks the teacher to sign in itself.
 */
export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request);
  if (!who) return Response.json({ signedOut: true }, { status: 401 });
  const read = body.safeParse(await jsonOf(request));
  if (!read.success)
    return Response.json(
      { ok: false, problems: [{ field: "document", message: "This is not a saved draft." }] },
      { status: 400 },
    );
  try {
    const saved = await saveActivity(who, idOf(params.id, "activity"), read.data.version, read.data.document);
    return Response.json(saved, { status: saved.saved ? 200 : 409 });
  } catch (error) {
    if (error instanceof NotAllowed) return Response.json({ ok: false, problems: error.problems }, { status: 422 });
    if (error instanceof NotFound)
      return Response.json(
        { ok: false, problems: [{ field: "document", message: "This activity is archived." }] },
        { status: 404 },
      );
    throw error;
  }
}
