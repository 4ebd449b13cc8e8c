import { and, asc, count, countDistinct, eq, isNotNull } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { ownChild } from "../school/classes.ts";
import { answersAbout, homesAround, showErased } from "./purge.ts";

const { card, child, classTeacher, criterionMark, job, message, play, playEvent } = schema;

/** A deleted child can be restored for this many days. After that, everything about them is purged. */
export const GRACE_DAYS = 30;

/** How much would be deleted with a child. */
export interface ErasePreview {
  name: string;
  className: string;
  cards: number;
  goes: number;
  events: number;
  marks: number;
  messages: number;
  /** The number of survey answers that came through the class link. */
  answers: number;
  /** Homes in which nobody else lives. They are deleted too. */
  homes: string[];
  /** Homes that stay, because another child lives there. */
  sharedHomes: string[];
  notes: boolean;
}

/** What deleting a child would delete. Throws NotFound if the child is not in a class of this teacher. */
export function erasePreview(who: SignedIn, childId: string): Promise<ErasePreview> {
  return withTenant(who.schoolId, async (tx) => {
    const me = await ownChild(tx, who, childId);
    const { alone, shared } = await homesAround(tx, childId);
    const mine = eq(card.childId, childId);
    const [n] = await tx
      .select({ cards: countDistinct(card.id), goes: countDistinct(play.id), events: count(playEvent.seq) })
      .from(card)
      .leftJoin(play, eq(play.cardId, card.id))
      .leftJoin(playEvent, eq(playEvent.playId, play.id))
      .where(mine);
    const [m] = await tx
      .select({ n: count() })
      .from(criterionMark)
      .innerJoin(card, eq(card.id, criterionMark.cardId))
      .where(mine);
    const [letters] = await tx.select({ n: count() }).from(message).where(eq(message.childId, childId));
    return {
      name: me.name,
      className: me.className,
      cards: n!.cards,
      goes: n!.goes,
      events: n!.events,
      marks: m!.n,
      messages: letters!.n,
      answers: (
        await answersAbout(
          tx,
          me,
          alone.map((home) => home.id),
        )
      ).length,
      homes: alone.map((home) => home.label),
      sharedHomes: shared.map((home) => home.label),
      notes: me.support !== "" || me.familyNote !== "",
    };
  });
}

/**
 * Deletes a child: hidden at once, the private link turned off, everything purged after GRACE_DAYS. A repeated call
 * changes nothing.
 */
export function eraseChild(
  who: SignedIn,
  childId: string,
  now = new Date(),
): Promise<{ eraseAt: Date; classId: string }> {
  return withTenant(who.schoolId, async (tx) => {
    await showErased(tx);
    const me = await ownChild(tx, who, childId);
    if (me.eraseAt) return { eraseAt: me.eraseAt, classId: me.classId };
    const eraseAt = new Date(now.getTime() + GRACE_DAYS * 86_400_000);
    await tx.update(child).set({ eraseAt }).where(eq(child.id, childId));
    await enqueue(tx, who.schoolId, "erase", [childId], GRACE_DAYS * 86_400);
    return { eraseAt, classId: me.classId };
  });
}

/** A child of the teacher's classes who is deleted but not purged yet. */
export interface ErasedChild {
  id: string;
  name: string;
  classId: string;
  eraseAt: Date;
}
export function erasedChildren(who: SignedIn): Promise<ErasedChild[]> {
  return withTenant(who.schoolId, async (tx) => {
    await showErased(tx);
    const rows = await tx
      .select({ id: child.id, name: child.name, classId: child.classId, eraseAt: child.eraseAt })
      .from(child)
      .innerJoin(classTeacher, eq(classTeacher.classId, child.classId))
      .where(and(eq(classTeacher.teacherId, who.teacherId), isNotNull(child.eraseAt)))
      .orderBy(asc(child.name));
    return rows.map((row) => ({ ...row, eraseAt: row.eraseAt! }));
  });
}

/** Restores a deleted child with everything about them, within GRACE_DAYS. */
export function restoreChild(who: SignedIn, childId: string): Promise<string> {
  return withTenant(who.schoolId, async (tx) => {
    await showErased(tx);
    const me = await ownChild(tx, who, childId);
    await tx.update(child).set({ eraseAt: null }).where(eq(child.id, childId));
    await tx.delete(job).where(and(eq(job.kind, "erase"), eq(job.about, childId)));
    // The child also gets what was sent to the class in the meantime.
    await enqueue(tx, who.schoolId, "cards", [childId]);
    return me.name;
  }).then((name) => {
    wakeJobRunner();
    return name;
  });
}
