import { patternNames } from "#core/patterns/registry.ts";
import { findableFor } from "#server/school/find.ts";
import { label } from "#words/teacher.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/find";

/** What quick find looks through, and the games that an activity can be begun from. It is fetched when a teacher opens it. */
export const loader = async ({ request }: Route.LoaderArgs) => ({
  ...(await findableFor(await teacherOf(request))),
  games: patternNames.map((pattern) => ({
    pattern,
    name: label(`pattern.${pattern}`),
    how: label(`pattern.${pattern}.how`),
  })),
});
