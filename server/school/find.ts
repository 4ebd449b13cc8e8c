import { and, desc, eq, isNull, sql } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { classesOf } from "./classes.ts";

const { activity, assignment, classTeacher, revision, schoolClass } = schema;
/** The most recent assignments that can be found. */
const RECENT = 60;

/** Everything of a teacher that quick find looks through. */
export interface Findable {
  activities: { id: string; title: string }[];
  classes: { id: string; name: string }[];
  children: { id: string; name: string; className: string }[];
  results: { id: string; title: string; className: string }[];
}

/** What a teacher can find: activities, classes, children and results, by name. */
export function findableFor(who: SignedIn): Promise<Findable> {
  return withTenant(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const activities = await tx
      .select({ id: activity.id, title: sql<string>`${activity.document}->>'title'` })
      .from(activity)
      .where(and(eq(activity.teacherId, who.teacherId), isNull(activity.deletedAt)))
      .orderBy(desc(activity.updatedAt));
    const results = await tx
      .select({
        id: assignment.id,
        title: sql<string>`${revision.document}->>'title'`,
        className: schoolClass.name,
      })
      .from(assignment)
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .innerJoin(schoolClass, eq(schoolClass.id, assignment.classId))
      .innerJoin(classTeacher, eq(classTeacher.classId, assignment.classId))
      .where(and(eq(classTeacher.teacherId, who.teacherId), isNull(schoolClass.archivedAt)))
      .orderBy(desc(assignment.closesAt))
      .limit(RECENT);
    return {
      activities,
      classes: classes.map(({ id, name }) => ({ id, name })),
      children: classes.flatMap((group) => group.children.map(({ id, name }) => ({ id, name, className: group.name }))),
      results,
    };
  });
}
