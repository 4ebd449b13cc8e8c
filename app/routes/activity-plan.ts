import { layoutOf } from "#core/forecast/for-activity.ts";
import { own } from "#core/own.ts";
import { planSvg } from "#core/yard/svg.ts";
import { activityFor } from "#server/activities/activities.ts";
import { namesOf, targetName } from "#words/say.ts";
import { found, idOf } from "../answer.server.ts";
import { paths } from "../drawings/paths.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/activity-plan";

/** The plan of an activity as an SVG file, 1 : 10. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const { document: activity } = await found(activityFor(who, idOf(params.id, "activity")));
  const names = namesOf(activity.kit.own);
  const drawings = Object.fromEntries(activity.kit.own.map((item) => [item.id, item.drawing]));
  const svg = planSvg(layoutOf(activity), activity.space, {
    title: activity.title,
    drawing: (item) => own(paths, item) ?? paths[own(drawings, item) ?? ""] ?? paths.line!,
    name: (target) => targetName(target, names),
  });
  return new Response(svg, {
    headers: { "Content-Type": "image/svg+xml", "Content-Disposition": 'attachment; filename="plan.svg"' },
  });
}
