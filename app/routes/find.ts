import { findableFor } from "#server/school/find.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/find";

/** What quick find looks through. It is fetched when a teacher opens it. */
export const loader = async ({ request }: Route.LoaderArgs) => findableFor(await teacherOf(request));
