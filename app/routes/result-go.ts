import { recordedGo } from "#server/assignments/recorded.ts";
import { found, idOf } from "../answer.server.ts";
import { replayOf } from "../results/replay.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/result-go";

/** A go of a child, moment by moment. It is fetched when a teacher opens it. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  return replayOf(await found(recordedGo(who, idOf(params.id, "assignment"), idOf(params.play, "go"))));
}
