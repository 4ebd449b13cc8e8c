import { and, asc, eq, inArray, sql } from "drizzle-orm";
import { problemsOf } from "#core/formats/activity.ts";
import { className, type SchoolSettings, schoolSettings } from "#core/records/school.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { NotAllowed, NotFound } from "../problem.ts";

const { child, classTeacher, school, schoolClass } = schema;

export interface ClassSetting {
  id: string;
  name: string;
  archived: boolean;
  children: { id: string; name: string; age: number }[];
}

/** The school's settings, and the teacher's own classes with their children, archived ones last. */
export function settingsFor(who: SignedIn): Promise<{ school: SchoolSettings; classes: ClassSetting[] }> {
  return withTenant(who.schoolId, async (tx) => {
    const [row] = await tx.select().from(school).where(eq(school.id, who.schoolId));
    if (!row) throw new NotFound("school");
    const classes = await tx
      .select({ id: schoolClass.id, name: schoolClass.name, archivedAt: schoolClass.archivedAt })
      .from(schoolClass)
      .innerJoin(classTeacher, eq(classTeacher.classId, schoolClass.id))
      .where(eq(classTeacher.teacherId, who.teacherId))
      .orderBy(asc(schoolClass.name));
    const children =
      classes.length === 0
        ? []
        : await tx
            .select({ id: child.id, name: child.name, age: child.age, classId: child.classId })
            .from(child)
            .where(
              inArray(
                child.classId,
                classes.map(({ id }) => id),
              ),
            )
            .orderBy(asc(child.name));
    return {
      school: schoolSettings.strip().parse(row),
      classes: classes
        .map(({ id, name, archivedAt }) => ({
          id,
          name,
          archived: archivedAt !== null,
          children: children
            .filter(({ classId }) => classId === id)
            .map(({ id: childId, name: childName, age }) => ({ id: childId, name: childName, age })),
        }))
        .sort((a, b) => Number(a.archived) - Number(b.archived)),
    };
  });
}

/** Saves the school's settings. Throws NotAllowed with the fields that are wrong. */
export function saveSchool(who: SignedIn, given: unknown): Promise<void> {
  const read = schoolSettings.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  return withTenant(who.schoolId, async (tx) => {
    await tx.update(school).set(read.data).where(eq(school.id, who.schoolId));
  });
}

/** Class names are changed one at a time, so that two classes never get the same name. */
const oneByOne = (tx: Tx, schoolId: string) =>
  tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`classes ${schoolId}`}, 0))`);

/** Throws if another class of the school has this name. Import tells classes apart by their names. */
async function freeName(tx: Tx, name: string, but: string | null): Promise<void> {
  const rows = await tx.select({ id: schoolClass.id, name: schoolClass.name }).from(schoolClass);
  if (rows.some((row) => row.id !== but && row.name.toLowerCase() === name.toLowerCase()))
    throw NotAllowed.of("name", `There is already a class called ${name}. Choose another name.`);
}
function nameIn(given: unknown): string {
  const read = className.safeParse(given);
  if (!read.success) throw NotAllowed.of("name", read.error.issues[0]!.message);
  return read.data;
}

/**
 * Makes a class whose teacher is the one who makes it. The same order sent again is the same class. Returns its id.
 */
export function makeClass(who: SignedIn, given: unknown, orderId: string): Promise<string> {
  const name = nameIn(given);
  return withTenant(who.schoolId, async (tx) => {
    await oneByOne(tx, who.schoolId);
    const [before] = await tx.select({ id: schoolClass.id }).from(schoolClass).where(eq(schoolClass.id, orderId));
    if (before) return before.id;
    await freeName(tx, name, null);
    await tx.insert(schoolClass).values({ id: orderId, schoolId: who.schoolId, name });
    await tx.insert(classTeacher).values({ schoolId: who.schoolId, classId: orderId, teacherId: who.teacherId });
    return orderId;
  });
}

/** A class of this teacher, archived or not. Throws NotFound otherwise. */
async function anyOwnClass(tx: Tx, who: SignedIn, classId: string) {
  const [row] = await tx
    .select({ id: schoolClass.id, name: schoolClass.name })
    .from(schoolClass)
    .innerJoin(classTeacher, eq(classTeacher.classId, schoolClass.id))
    .where(and(eq(classTeacher.teacherId, who.teacherId), eq(schoolClass.id, classId)));
  if (!row) throw new NotFound("class");
  return row;
}

/** Renames a class. Returns the name before. */
export function renameClass(who: SignedIn, classId: string, given: unknown): Promise<string> {
  const name = nameIn(given);
  return withTenant(who.schoolId, async (tx) => {
    await oneByOne(tx, who.schoolId);
    const own = await anyOwnClass(tx, who, classId);
    await freeName(tx, name, classId);
    await tx.update(schoolClass).set({ name }).where(eq(schoolClass.id, classId));
    return own.name;
  });
}

/** Archives a class, or brings it back. Nothing of it is deleted. Returns its name. */
export function archiveClass(who: SignedIn, classId: string, archived: boolean, now = new Date()): Promise<string> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await anyOwnClass(tx, who, classId);
    await tx
      .update(schoolClass)
      .set({ archivedAt: archived ? now : null })
      .where(eq(schoolClass.id, classId));
    return own.name;
  });
}

/**
 * Moves children to another class of the same teacher. They keep their cards and results, and get what is out for the
 * whole of the new class. Returns how many were moved.
 */
export function moveChildren(who: SignedIn, childIds: readonly string[], to: string): Promise<number> {
  if (childIds.length === 0) throw NotAllowed.of("chosen", "Tick the children to move.");
  return withTenant(who.schoolId, async (tx) => {
    const group = await anyOwnClass(tx, who, to);
    const mine = tx
      .select({ id: classTeacher.classId })
      .from(classTeacher)
      .where(eq(classTeacher.teacherId, who.teacherId));
    const moving = await tx
      .select({ id: child.id, name: child.name, classId: child.classId })
      .from(child)
      .where(and(inArray(child.id, [...childIds]), inArray(child.classId, mine)));
    if (moving.length !== new Set(childIds).size) throw new NotFound("child");
    const there = await tx.select({ name: child.name }).from(child).where(eq(child.classId, to));
    const taken = new Set(there.map(({ name }) => name.toLowerCase()));
    const away = moving.filter(({ classId }) => classId !== to);
    const twice = away.find(({ name }) => taken.has(name.toLowerCase()));
    if (twice)
      throw NotAllowed.of(
        "chosen",
        `${group.name} already has a child called ${twice.name}. Change one of the names first, then move them.`,
      );
    const ids = away.map(({ id }) => id);
    if (ids.length === 0) return 0;
    await tx.update(child).set({ classId: to }).where(inArray(child.id, ids));
    await enqueue(tx, who.schoolId, "cards", ids);
    return ids.length;
  }).then((moved) => {
    wakeJobRunner();
    return moved;
  });
}
