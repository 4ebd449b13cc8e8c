import { and, asc, eq, inArray } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { inSchool, schema, type Tx } from "../db/client.ts";
import { linkToken } from "../links/token.ts";
import { NotFound } from "../problem.ts";

const { schoolClass, classTeacher, child, childHome, home, link, school, teacher } = schema;

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
    .where(eq(classTeacher.teacherId, teacherId))
    .orderBy(asc(schoolClass.name));
  if (classes.length === 0) return [];
  const ids = classes.map((c) => c.id);
  const children = await tx
    .select()
    .from(child)
    .where(inArray(child.classId, ids))
    .orderBy(asc(child.age), asc(child.name));
  return classes.map((c) => ({
    ...c,
    children: children.filter((k) => k.classId === c.id).map(({ id, name, age }) => ({ id, name, age })),
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

export interface Shell {
  teacher: string;
  school: string;
  zone: string;
  classes: { id: string; name: string; size: number }[];
}

/** What the header of every teacher page shows. */
export function shellOf(who: SignedIn): Promise<Shell> {
  return inSchool(who.schoolId, async (tx) => {
    const [me] = await tx
      .select({ teacher: teacher.name, school: school.name, zone: school.zone })
      .from(teacher)
      .innerJoin(school, eq(school.id, teacher.schoolId))
      .where(eq(teacher.id, who.teacherId));
    if (!me) throw new NotFound("teacher");
    const classes = await classesOf(tx, who.teacherId);
    return { ...me, classes: classes.map((c) => ({ id: c.id, name: c.name, size: c.children.length })) };
  });
}

export const classesFor = (who: SignedIn): Promise<ClassRow[]> =>
  inSchool(who.schoolId, (tx) => classesOf(tx, who.teacherId));

export interface HomeRow {
  childId: string;
  child: string;
  age: number;
  className: string;
  homes: {
    id: string;
    label: string;
    space: (typeof home.$inferSelect)["space"];
    players: number | null;
    siblings: string[];
  }[];
  token: string | null;
}

/** A row a child: its homes, who else lives there, and its private link unless withdrawn. */
export function homesFor(who: SignedIn): Promise<HomeRow[]> {
  return inSchool(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const named = new Map(classes.flatMap((c) => c.children.map((k) => [k.id, { ...k, className: c.name }] as const)));
    if (named.size === 0) return [];
    const ids = [...named.keys()];
    const links = await tx.select().from(link).where(inArray(link.childId, ids));
    const places = await tx
      .select({ childId: childHome.childId, home })
      .from(childHome)
      .innerJoin(home, eq(home.id, childHome.homeId));
    return ids.map((childId) => {
      const me = named.get(childId)!;
      const own = links.find((l) => l.childId === childId);
      return {
        childId,
        child: me.name,
        age: me.age,
        className: me.className,
        homes: places
          .filter((p) => p.childId === childId)
          .map(({ home: h }) => ({
            id: h.id,
            label: h.label,
            space: h.space,
            players: h.players,
            siblings: places
              .flatMap((p) => (p.home.id === h.id && p.childId !== childId ? [named.get(p.childId)?.name ?? ""] : []))
              .filter(Boolean),
          })),
        token: own && !own.withdrawnAt ? linkToken(own.id, own.version) : null,
      };
    });
  });
}

/** Withdraws a child's link: every address given out stops working. `renew` makes a new one at once. */
export function withdrawLink(who: SignedIn, childId: string, renew: boolean): Promise<void> {
  return inSchool(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    if (!classes.some((c) => c.children.some((k) => k.id === childId))) throw new NotFound("child");
    const [own] = await tx.select().from(link).where(eq(link.childId, childId)).for("update");
    if (!own) throw new NotFound("link");
    await tx
      .update(link)
      .set({ version: own.version + 1, withdrawnAt: renew ? null : new Date() })
      .where(eq(link.id, own.id));
  });
}
