import { activityFor } from "#server/activities/activities.ts";
import { found, idOf } from "../answer.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/activity-file";

/** The activity as a JSON document, to save or to give to a colleague. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const { document } = await found(activityFor(who, idOf(params.id, "activity")));
  const name =
    document.title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "") || "activity";
  return new Response(`${JSON.stringify(document, null, 2)}\n`, {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="${name}.activity.json"`,
    },
  });
}
