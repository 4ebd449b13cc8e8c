import { and, eq, isNotNull, ne, sql } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";

const { activity, assignment, child, classTeacher, teacher } = schema;

/** What an address can lead to that belongs to a teacher. */
export type Owned = "activity" | "assignment" | "child";

/**
 * The names of the colleagues to whom something belongs, for an address that is not this teacher's own. Empty if there
 * is no such thing in this school.
 */
export function whoseIs(who: SignedIn, kind: Owned, id: string): Promise<string[]> {
  return withTenant(who.schoolId, async (tx) => {
    const others = ne(teacher.id, who.teacherId);
    const rows =
      kind === "activity"
        ? await tx
            .select({ name: teacher.name })
            .from(activity)
            .innerJoin(teacher, eq(teacher.id, activity.teacherId))
            .where(and(eq(activity.id, id), others))
        : kind === "assignment"
          ? await tx
              .selectDistinct({ name: teacher.name })
              .from(assignment)
              .innerJoin(classTeacher, eq(classTeacher.classId, assignment.classId))
              .innerJoin(teacher, eq(teacher.id, classTeacher.teacherId))
              .where(and(eq(assignment.id, id), others))
          : await tx
              .selectDistinct({ name: teacher.name })
              .from(child)
              .innerJoin(classTeacher, eq(classTeacher.classId, child.classId))
              .innerJoin(teacher, eq(teacher.id, classTeacher.teacherId))
              .where(and(eq(child.id, id), others));
    return rows.map(({ name }) => name);
  });
}

/** The title of an activity that this teacher has archived. Null if it is not archived, or not theirs. */
export function archivedTitle(who: SignedIn, id: string): Promise<string | null> {
  return withTenant(who.schoolId, async (tx) => {
    const [row] = await tx
      .select({ title: sql<string>`${activity.document}->>'title'` })
      .from(activity)
      .where(and(eq(activity.id, id), eq(activity.teacherId, who.teacherId), isNotNull(activity.deletedAt)));
    return row?.title ?? null;
  });
}
