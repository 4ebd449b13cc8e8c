import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { NotFound } from "../problem.ts";
import { perRequestCache } from "../web/request-context.ts";

const { schoolClass, classTeacher, child, school, teacher } = schema;

export interface ClassRow {
  id: string;
  name: string;
  children: { id: string; name: string; age: number }[];
}

/** The teacher's own classes with their children, youngest first. */
export async function classesOf(tx: Tx, teacherId: string): Promise<ClassRow[]> {
  const classes = await tx
    .select({ id: schoolClass.id, name: schoolClass.name })
    .from(schoolClass)
    .innerJoin(classTeacher, eq(classTeacher.classId, schoolClass.id))
    .where(and(eq(classTeacher.teacherId, teacherId), isNull(schoolClass.archivedAt)))
    .orderBy(asc(schoolClass.name));
  if (classes.length === 0) return [];
  const ids = classes.map((eachChild) => eachChild.id);
  const children = await tx
    .select()
    .from(child)
    .where(inArray(child.classId, ids))
    .orderBy(asc(child.age), asc(child.name));
  return classes.map((c) => ({
    ...c,
    children: children
      .filter((eachChild) => eachChild.classId === c.id)
      .map(({ id, name, age }) => ({ id, name, age })),
  }));
}

/** Throws NotFound unless the class is the teacher's own. */
export async function ownClass(tx: Tx, teacherId: string, classId: string): Promise<{ id: string; name: string }> {
  const [row] = await tx
    .select({ id: schoolClass.id, name: schoolClass.name })
    .from(schoolClass)
    .innerJoin(classTeacher, eq(classTeacher.classId, schoolClass.id))
    .where(and(eq(classTeacher.teacherId, teacherId), eq(schoolClass.id, classId)));
  if (!row) throw new NotFound("class");
  return row;
}

/** A child of one of the teacher's own classes, with the class's name. Throws NotFound otherwise. */
export async function ownChild(tx: Tx, { teacherId }: { teacherId: string }, childId: string) {
  const [row] = await tx
    .select({ child, className: schoolClass.name })
    .from(child)
    .innerJoin(schoolClass, eq(schoolClass.id, child.classId))
    .innerJoin(classTeacher, eq(classTeacher.classId, child.classId))
    .where(and(eq(classTeacher.teacherId, teacherId), eq(child.id, childId)));
  if (!row) throw new NotFound("child");
  return { ...row.child, className: row.className };
}

export interface Shell {
  teacher: string;
  school: string;
  zone: string;
  /** How dates and times are written; see core/measures/locales.ts. */
  locale: string;
  units: "metres" | "feet";
  /** `ages`: of the youngest and the oldest child. Null in an empty class. */
  classes: { id: string; name: string; size: number; ages: { from: number; to: number } | null }[];
}

/** What the header of every teacher page shows. Looked up once for each request. */
export const shellOf = (who: SignedIn): Promise<Shell> =>
  perRequestCache(`shell ${who.teacherId}`, () => lookUpShell(who));

function lookUpShell(who: SignedIn): Promise<Shell> {
  return withTenant(who.schoolId, async (tx) => {
    const [me] = await tx
      .select({
        teacher: teacher.name,
        school: school.name,
        zone: school.zone,
        locale: school.locale,
        units: school.units,
      })
      .from(teacher)
      .innerJoin(school, eq(school.id, teacher.schoolId))
      .where(eq(teacher.id, who.teacherId));
    if (!me) throw new NotFound("teacher");
    const classes = await classesOf(tx, who.teacherId);
    const agesOf = ({ children: all }: ClassRow) =>
      all.length === 0 ? null : { from: all[0]!.age, to: all[all.length - 1]!.age };
    return {
      ...me,
      classes: classes.map((row) => ({ id: row.id, name: row.name, size: row.children.length, ages: agesOf(row) })),
    };
  });
}

export const classesFor = (who: SignedIn): Promise<ClassRow[]> =>
  withTenant(who.schoolId, (tx) => classesOf(tx, who.teacherId));
