import { and, asc, count, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import { z } from "zod";
import type { Possible } from "#core/contract/contract.ts";
import type { Unlikely } from "#core/estimate/unlikely.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { MODEL_VERSION } from "#core/model.ts";
import { MARKS, type PlayScore } from "#core/records/play.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import type { Expected } from "../compute/work.ts";
import { schema, withTenant } from "../db/client.ts";
import { enqueue, isQueued } from "../jobs/jobs.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { checkedAmong } from "./checked.ts";
import { bestOf, type Go, goesOf } from "./goes.ts";
import { ownAssignment } from "./own.ts";
import { unitOf } from "./send.ts";

const {
  assignment,
  card,
  child,
  childForecast,
  classTeacher,
  criterionMark,
  expectedBand,
  play,
  playConflict,
  result,
  revision,
  schoolClass,
} = schema;

export interface AssignmentRow {
  id: string;
  activityId: string;
  classId: string;
  title: string;
  className: string;
  pattern: string;
  opensAt: Date;
  closesAt: Date;
  withdrawnAt: Date | null;
  cards: number;
  opened: number;
  played: number;
  /** How many children handed a go in, by day (YYYY-MM-DD in the school's zone). */
  byDay: Record<string, number>;
}

/** Everything sent to the teacher's classes, ordered by closing time, latest first. */
export function assignmentsFor(who: SignedIn, zone: string): Promise<AssignmentRow[]> {
  return withTenant(who.schoolId, async (tx) => {
    const mine = tx
      .select({ id: classTeacher.classId })
      .from(classTeacher)
      .innerJoin(schoolClass, eq(schoolClass.id, classTeacher.classId))
      .where(and(eq(classTeacher.teacherId, who.teacherId), isNull(schoolClass.archivedAt)));
    const ofMine = inArray(assignment.classId, mine);
    const rows = await tx
      .select({
        assignment,
        className: schoolClass.name,
        activityId: revision.activityId,
        title: sql<string>`${revision.document}->>'title'`,
        pattern: sql<string>`${revision.document}->'pattern'->>'name'`,
        cards: count(card.id),
        opened: count(card.openedAt),
      })
      .from(assignment)
      .innerJoin(schoolClass, eq(schoolClass.id, assignment.classId))
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .leftJoin(card, eq(card.assignmentId, assignment.id))
      .where(ofMine)
      .groupBy(assignment.id, schoolClass.name, revision.id)
      .orderBy(desc(assignment.closesAt), asc(assignment.id));
    // The number of children who played, on each day and on any day, in one pass.
    const day = sql<string>`to_char(${result.handedAt} at time zone ${zone}, 'YYYY-MM-DD')`;
    const played = await tx
      .select({
        assignmentId: card.assignmentId,
        day: sql<string | null>`${day}`,
        children: sql<number>`count(distinct ${card.childId})::int`,
      })
      .from(assignment)
      .innerJoin(card, eq(card.assignmentId, assignment.id))
      .innerJoin(result, eq(result.cardId, card.id))
      .where(ofMine)
      .groupBy(sql`grouping sets ((1, 2), (1))`);
    const byId = new Map<string, { all: number; byDay: Record<string, number> }>();
    for (const p of played) {
      const counts = byId.get(p.assignmentId) ?? { all: 0, byDay: {} };
      if (p.day === null) counts.all = p.children;
      else counts.byDay[p.day] = p.children;
      byId.set(p.assignmentId, counts);
    }
    return rows.map(({ assignment: row, ...r }) => ({
      id: row.id,
      activityId: r.activityId,
      classId: row.classId,
      title: r.title,
      className: r.className,
      pattern: r.pattern,
      opensAt: row.opensAt,
      closesAt: row.closesAt,
      withdrawnAt: row.withdrawnAt,
      cards: r.cards,
      opened: r.opened,
      played: byId.get(row.id)?.all ?? 0,
      byDay: byId.get(row.id)?.byDay ?? {},
    }));
  });
}

export interface ResultRow {
  cardId: string;
  childId: string;
  child: string;
  age: number;
  openedAt: Date | null;
  goes: Go[];
  best: Go | null;
  /** Goes with more hits than the child's earlier ones suggest, by play. */
  unlikely: ReadonlyMap<string, Unlikely>;
  /** Goes that a teacher has checked, by play. */
  checked: ReadonlySet<string>;
  marks: ReadonlyMap<string, "notYet" | "nearly" | "yes">;
  /** Goes that were begun but never handed in. They are stored and count for accuracy, but not for boards. */
  begun: number;
  conflicts: number;
  /** The child's level, from 0. Null: the activity has no levels. */
  level: number | null;
}
export interface Results {
  id: string;
  activityId: string;
  classId: string;
  className: string;
  activity: Activity;
  opensAt: Date;
  closesAt: Date;
  withdrawnAt: Date | null;
  tries: number;
  mark: number | null;
  unit: PlayScore["unit"];
  /** The scores that may be typed from paper. */
  possible: Possible;
  rows: ResultRow[];
  /** Children of the class who have no card of this assignment. */
  without: { id: string; name: string }[];
  /** The expected range by age. An age is missing until it has been worked out. */
  expected: Record<number, Expected>;
  /** How many ages are done while expected ranges are being worked out, and of how many. Null: they all are. */
  working: { done: number; of: number } | null;
  /** True if there are goes, but the score from which one is worth a look has not been worked out yet. */
  unlooked: boolean;
}

export function resultsFor(who: SignedIn, id: string): Promise<Results> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const cards = await tx
      .select({
        card: { id: card.id, openedAt: card.openedAt },
        childId: card.childId,
        name: child.name,
        age: child.age,
      })
      .from(card)
      .innerJoin(child, eq(child.id, card.childId))
      .where(eq(card.assignmentId, id))
      .orderBy(asc(child.age), asc(child.name));
    const ids = cards.map((eachCard) => eachCard.card.id);
    const goes = await goesOf(tx, ids);
    const checked = await checkedAmong(
      tx,
      goes.map((go) => go.playId),
    );
    const marks = await tx.select().from(criterionMark).where(inArray(criterionMark.cardId, ids));
    const begun = await tx
      .select({ cardId: play.cardId, playId: play.id })
      .from(play)
      .leftJoin(result, eq(result.playId, play.id))
      .where(and(inArray(play.cardId, ids), sql`${result.playId} is null`));
    const conflicts = await tx
      .selectDistinct({ cardId: play.cardId, playId: play.id })
      .from(playConflict)
      .innerJoin(play, eq(play.id, playConflict.playId))
      .where(inArray(play.cardId, ids));
    const activity = own.revision.document;
    const bands = await tx.select().from(expectedBand).where(eq(expectedBand.assignmentId, id));
    const ages = [...new Set(cards.map(({ age }) => age))];
    const childIds = cards.map((eachCard) => eachCard.childId);
    const kept = await tx
      .select({ unlikely: childForecast.unlikely })
      .from(childForecast)
      .where(inArray(childForecast.childId, childIds));
    const unlikely = new Map(
      kept.flatMap((k) => k.unlikely.map((eachUnlikely) => [eachUnlikely.play, eachUnlikely] as const)),
    );
    const inClass = await tx
      .select({ id: child.id, name: child.name })
      .from(child)
      .where(eq(child.classId, own.assignment.classId))
      .orderBy(asc(child.name));
    return {
      id,
      activityId: own.revision.activityId,
      classId: own.assignment.classId,
      className: own.className,
      activity: activity,
      opensAt: own.assignment.opensAt,
      closesAt: own.assignment.closesAt,
      tries: own.assignment.tries,
      mark: own.assignment.mark,
      unit: unitOf(activity),
      withdrawnAt: own.assignment.withdrawnAt,
      possible: opened(activity).possible,
      without: inClass.filter((eachChild) => !cards.some((eachCard) => eachCard.childId === eachChild.id)),
      expected: Object.fromEntries(
        bands.map(({ age, low, middle, high, holds, rare }) => [
          age,
          { low, middle, high, holds, rare: rare?.from ?? null },
        ]),
      ),
      working: (await isQueued(tx, "expected", id))
        ? {
            done: ages.filter((age) => bands.some((band) => band.age === age && band.model === MODEL_VERSION)).length,
            of: ages.length,
          }
        : null,
      unlooked: goes.length > 0 && bands.some((band) => band.rare === null),
      rows: cards.map(({ card: c, childId, name, age }) => {
        const mine = goes.filter((go) => go.cardId === c.id);
        return {
          cardId: c.id,
          childId,
          child: name,
          age,
          openedAt: c.openedAt,
          goes: mine,
          best: bestOf(mine),
          unlikely: new Map(
            mine.flatMap(({ playId }) => (unlikely.has(playId) ? [[playId, unlikely.get(playId)!]] : [])),
          ),
          checked: new Set(mine.map(({ playId }) => playId).filter((playId) => checked.has(playId))),
          marks: new Map(marks.filter((mark) => mark.cardId === c.id).map((mark) => [mark.criterion, mark.mark])),
          level: own.revision.document.levels ? (own.assignment.levels?.[childId] ?? null) : null,
          begun: begun.filter((b) => b.cardId === c.id).length,
          conflicts: conflicts.filter((conflict) => conflict.cardId === c.id).length,
        };
      }),
    };
  });
}

export const criterionOrder = z.strictObject({
  cardId: z.uuid(),
  criterion: z.string().min(1).max(40),
  /** Null removes the mark. */
  mark: z.enum(MARKS).nullable(),
});

export function markCriterion(who: SignedIn, id: string, order: z.infer<typeof criterionOrder>): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const [mine] = await tx
      .select({ id: card.id })
      .from(card)
      .where(and(eq(card.id, order.cardId), eq(card.assignmentId, id)));
    if (!mine) throw new NotFound("card");
    if (!own.revision.document.criteria.some((criterion) => criterion.id === order.criterion))
      throw NotAllowed.of("criterion", "This is not one of the activity's success criteria.");
    const key = and(eq(criterionMark.cardId, order.cardId), eq(criterionMark.criterion, order.criterion));
    if (order.mark === null) await tx.delete(criterionMark).where(key);
    else
      await tx
        .insert(criterionMark)
        .values({ schoolId: who.schoolId, cardId: order.cardId, criterion: order.criterion, mark: order.mark })
        .onConflictDoUpdate({
          target: [criterionMark.cardId, criterionMark.criterion],
          set: { mark: order.mark, at: new Date() },
        });
  });
}

/**
 * Asks to find the goes of an assignment that are worth a look. The work is done in pieces, after somebody opens
 * them.
 */
export function askForLooks(who: SignedIn, id: string): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    await ownAssignment(tx, who, id);
    await enqueue(tx, who.schoolId, "rare", [id]);
  });
}
