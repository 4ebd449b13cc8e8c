import { and, desc, eq, isNotNull, isNull, ne, sql } from "drizzle-orm";
import { type Activity, activity as activityDocument, problemsOf } from "#core/formats/activity.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { NotAllowed, NotFound } from "../problem.ts";

const { activity } = schema;

export interface Kept {
  id: string;
  version: number;
  updatedAt: Date;
  document: Activity;
}

const kept = ({ id, version, updatedAt, document }: typeof activity.$inferSelect): Kept => ({
  id,
  version,
  updatedAt,
  document,
});

export async function ownActivity(tx: Tx, who: SignedIn, id: string): Promise<Kept> {
  const [row] = await tx
    .select()
    .from(activity)
    .where(and(eq(activity.id, id), eq(activity.teacherId, who.teacherId), isNull(activity.deletedAt)));
  if (!row) throw new NotFound("activity");
  return kept(row);
}

export const activityFor = (who: SignedIn, id: string): Promise<Kept> =>
  withTenant(who.schoolId, (tx) => ownActivity(tx, who, id));

/** The activities in use, or those put away, newest first. */
export function activitiesFor(who: SignedIn, away = false): Promise<Kept[]> {
  return withTenant(who.schoolId, async (tx) => {
    const rows = await tx
      .select()
      .from(activity)
      .where(
        and(eq(activity.teacherId, who.teacherId), away ? isNotNull(activity.deletedAt) : isNull(activity.deletedAt)),
      )
      .orderBy(desc(activity.updatedAt));
    return rows.map(kept);
  });
}

export interface Titled {
  id: string;
  title: string;
  /** What children should learn from it. */
  outcome: string;
}
/** The other activities, by title, with those for the same outcome first. */
export function othersFor(who: SignedIn, { id, document }: Kept): Promise<Titled[]> {
  return withTenant(who.schoolId, async (tx) => {
    const rows = await tx
      .select({
        id: activity.id,
        title: sql<string>`${activity.document} ->> 'title'`,
        outcome: sql<string>`${activity.document} #>> '{aim,outcome}'`,
      })
      .from(activity)
      .where(and(eq(activity.teacherId, who.teacherId), isNull(activity.deletedAt), ne(activity.id, id)))
      .orderBy(sql`2`);
    const alike = (titled: Titled) => Number(titled.outcome === document.aim.outcome);
    return rows.sort((a, b) => alike(b) - alike(a));
  });
}

export function addActivity(who: SignedIn, document: Activity): Promise<string> {
  return withTenant(who.schoolId, async (tx) => {
    const [row] = await tx
      .insert(activity)
      .values({ schoolId: who.schoolId, teacherId: who.teacherId, document })
      .returning({ id: activity.id });
    return row!.id;
  });
}

/** Adds an activity under an id made by the caller. A repeated call, even at the same time elsewhere, adds nothing. */
export async function addOnce(who: SignedIn, id: string, document: Activity): Promise<void> {
  await withTenant(who.schoolId, (tx) =>
    tx
      .insert(activity)
      .values({ id, schoolId: who.schoolId, teacherId: who.teacherId, document })
      .onConflictDoNothing(),
  );
}

export async function copyActivity(who: SignedIn, id: string): Promise<string> {
  const { document } = await activityFor(who, id);
  return addActivity(who, { ...document, title: `${document.title.slice(0, 53)}, copy` });
}

/** Puts an activity away, or brings it back. */
export function shelveActivity(who: SignedIn, id: string, away: boolean): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    const rows = await tx
      .update(activity)
      .set({ deletedAt: away ? new Date() : null })
      .where(and(eq(activity.id, id), eq(activity.teacherId, who.teacherId)))
      .returning({ id: activity.id });
    if (rows.length === 0) throw new NotFound("activity");
  });
}

export type Saved = { saved: true; version: number; updatedAt: Date } | { saved: false; theirs: Kept };

/**
 * Saves a draft that started from `version`. If somebody has saved since, nothing is written and their version is
 * returned, so that a person can choose.
 */
export async function saveActivity(who: SignedIn, id: string, version: number, document: unknown): Promise<Saved> {
  const parsed = activityDocument.safeParse(document);
  if (!parsed.success) throw new NotAllowed(problemsOf(parsed.error));
  return withTenant(who.schoolId, async (tx) => {
    const [row] = await tx
      .update(activity)
      .set({ document: parsed.data, version: version + 1, updatedAt: new Date() })
      .where(
        and(
          eq(activity.id, id),
          eq(activity.teacherId, who.teacherId),
          eq(activity.version, version),
          isNull(activity.deletedAt),
        ),
      )
      .returning();
    if (row) return { saved: true, version: row.version, updatedAt: row.updatedAt };
    return { saved: false, theirs: await ownActivity(tx, who, id) };
  });
}
