import { randomUUID } from "node:crypto";
import { and, asc, count, desc, eq, inArray, sql } from "drizzle-orm";
import { z } from "zod";
import { quantile } from "#core/forecast/distribution.ts";
import { forecastActivity } from "#core/forecast/for-activity.ts";
import { Graph } from "#core/forecast/forecast.ts";
import { type Activity, problemsOf } from "#core/formats/activity.ts";
import { patternOf } from "#core/patterns/registry.ts";
import { MARKS, type PlayScore } from "#core/records/play.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { bestOf } from "../cards/family.ts";
import { inSchool, schema, type Tx } from "../db/client.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { classesOf } from "../school/classes.ts";
import { type Go, goesOf } from "./goes.ts";
import { contentHash } from "./send.ts";

const { assignment, card, child, criterionMark, play, playConflict, result, revision, schoolClass } = schema;

export interface AssignmentRow {
  id: string;
  title: string;
  className: string;
  pattern: string;
  opensAt: Date;
  closesAt: Date;
  cards: number;
  opened: number;
  played: number;
  /** Children who handed a go in, by day (YYYY-MM-DD in the school's zone). */
  byDay: Record<string, number>;
}

/** Everything sent to the teacher's classes, what closes latest first. */
export function assignmentsFor(who: SignedIn, zone: string): Promise<AssignmentRow[]> {
  return inSchool(who.schoolId, async (tx) => {
    const classes = (await classesOf(tx, who.teacherId)).map((c) => c.id);
    if (classes.length === 0) return [];
    const rows = await tx
      .select({
        assignment,
        className: schoolClass.name,
        document: revision.document,
        cards: count(card.id),
        opened: count(card.openedAt),
      })
      .from(assignment)
      .innerJoin(schoolClass, eq(schoolClass.id, assignment.classId))
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .leftJoin(card, eq(card.assignmentId, assignment.id))
      .where(inArray(assignment.classId, classes))
      .groupBy(assignment.id, schoolClass.name, revision.document)
      .orderBy(desc(assignment.closesAt));
    const days = await tx
      .select({
        assignmentId: card.assignmentId,
        day: sql<string>`to_char(${result.handedAt} at time zone ${zone}, 'YYYY-MM-DD')`,
        children: sql<number>`count(distinct ${card.childId})::int`,
      })
      .from(result)
      .innerJoin(card, eq(card.id, result.cardId))
      .groupBy(card.assignmentId, sql`2`);
    const played = await tx
      .select({ assignmentId: card.assignmentId, children: sql<number>`count(distinct ${card.childId})::int` })
      .from(result)
      .innerJoin(card, eq(card.id, result.cardId))
      .groupBy(card.assignmentId);
    return rows.map(({ assignment: a, className, document, cards, opened }) => ({
      id: a.id,
      title: document.title,
      className,
      pattern: document.pattern.name,
      opensAt: a.opensAt,
      closesAt: a.closesAt,
      cards,
      opened,
      played: played.find((p) => p.assignmentId === a.id)?.children ?? 0,
      byDay: Object.fromEntries(days.filter((d) => d.assignmentId === a.id).map((d) => [d.day, d.children])),
    }));
  });
}

export interface ResultRow {
  cardId: string;
  child: string;
  age: number;
  openedAt: Date | null;
  goes: Go[];
  best: Go | null;
  marks: Record<string, "notYet" | "nearly" | "yes">;
  /** Goes begun but never handed in: they are kept, and count for accuracy, not for boards. */
  begun: number;
  conflicts: number;
}
/** Where eight of ten children of an age should land, and the middle. */
export interface Expected {
  low: number;
  middle: number;
  high: number;
}
export interface Results {
  id: string;
  activityId: string;
  className: string;
  activity: Activity;
  opensAt: Date;
  closesAt: Date;
  tries: number;
  mark: number | null;
  unit: PlayScore["unit"];
  rows: ResultRow[];
  expected: Record<number, Expected>;
}

async function ownAssignment(tx: Tx, who: SignedIn, id: string) {
  const classes = (await classesOf(tx, who.teacherId)).map((c) => c.id);
  const [row] = await tx
    .select({ assignment, className: schoolClass.name, revision })
    .from(assignment)
    .innerJoin(schoolClass, eq(schoolClass.id, assignment.classId))
    .innerJoin(revision, eq(revision.id, assignment.revisionId))
    .where(eq(assignment.id, id));
  if (!row || !classes.includes(row.assignment.classId)) throw new NotFound("assignment");
  return row;
}

/** Unit of the scores of an activity: the pattern says it, at the start of a game. */
export function unitOf(a: Activity): PlayScore["unit"] {
  const p = patternOf(a.pattern.name);
  return p.score(p.start(a.pattern.params, { players: 1, mode: "alone", seed: 1 }))[0]!.unit;
}

function expectedFor(a: Activity, ages: Iterable<number>): Record<number, Expected> {
  const graph = new Graph();
  const out: Record<number, Expected> = {};
  for (const age of new Set(ages)) {
    const d = forecastActivity(a, [{ age }], { players: 1, mode: "alone", seed: 1 }, "middle", { graph }).sides[0]!
      .points;
    out[age] = { low: quantile(d, 0.1), middle: quantile(d, 0.5), high: quantile(d, 0.9) };
  }
  return out;
}

export function resultsFor(who: SignedIn, id: string): Promise<Results> {
  return inSchool(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const cards = await tx
      .select({ card: { id: card.id, openedAt: card.openedAt }, name: child.name, age: child.age })
      .from(card)
      .innerJoin(child, eq(child.id, card.childId))
      .where(eq(card.assignmentId, id))
      .orderBy(asc(child.age), asc(child.name));
    const ids = cards.map((c) => c.card.id);
    const goes = await goesOf(tx, ids);
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
    const a = own.revision.document;
    return {
      id,
      activityId: own.revision.activityId,
      className: own.className,
      activity: a,
      opensAt: own.assignment.opensAt,
      closesAt: own.assignment.closesAt,
      tries: own.assignment.tries,
      mark: own.assignment.mark,
      unit: unitOf(a),
      expected: expectedFor(
        a,
        cards.map((c) => c.age),
      ),
      rows: cards.map(({ card: c, name, age }) => {
        const mine = goes.filter((g) => g.cardId === c.id);
        return {
          cardId: c.id,
          child: name,
          age,
          openedAt: c.openedAt,
          goes: mine,
          best: bestOf(mine),
          marks: Object.fromEntries(marks.filter((m) => m.cardId === c.id).map((m) => [m.criterion, m.mark])),
          begun: begun.filter((b) => b.cardId === c.id).length,
          conflicts: conflicts.filter((b) => b.cardId === c.id).length,
        };
      }),
    };
  });
}

export const criterionOrder = z.strictObject({
  cardId: z.uuid(),
  criterion: z.string().min(1).max(40),
  /** Null takes the mark away. */
  mark: z.enum(MARKS).nullable(),
});

export function markCriterion(who: SignedIn, id: string, order: z.infer<typeof criterionOrder>): Promise<void> {
  return inSchool(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const [mine] = await tx
      .select({ id: card.id })
      .from(card)
      .where(and(eq(card.id, order.cardId), eq(card.assignmentId, id)));
    if (!mine) throw new NotFound("card");
    if (!own.revision.document.criteria.some((c) => c.id === order.criterion))
      throw NotAllowed.of("criterion", "criterion: not one of this activity");
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

export const paperOrder = z.strictObject({
  cardId: z.uuid("child: choose a child"),
  value: z
    .number({ error: "score must be a number" })
    .min(0, "score must be 0 or more")
    .max(100_000, "score must be 100000 or less"),
  reachedTop: z.boolean(),
});

/** A score from paper, typed by the teacher. There is nothing to replay. */
export async function paperResult(
  who: SignedIn,
  id: string,
  order: z.infer<typeof paperOrder>,
  now = new Date(),
): Promise<void> {
  const checked = paperOrder.safeParse(order);
  if (!checked.success) throw new NotAllowed(problemsOf(checked.error));
  const { cardId, value, reachedTop } = checked.data;
  await inSchool(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const [mine] = await tx
      .select({ id: card.id })
      .from(card)
      .where(and(eq(card.id, cardId), eq(card.assignmentId, id)));
    if (!mine) throw new NotFound("card");
    const a = own.revision.document;
    const unit = unitOf(a);
    const whole = Math.round(unit === "tenths" ? value * 10 : value);
    if (unit !== "tenths" && whole !== value) throw NotAllowed.of("value", "score must be a whole number");
    const playId = randomUUID();
    await tx.insert(play).values({
      id: playId,
      schoolId: who.schoolId,
      cardId,
      device: "paper",
      source: "paper",
      setup: { players: 1, mode: "alone", seed: 0 },
      rulesVersion: own.revision.rulesVersion,
      startedAt: now,
      receivedAt: now,
    });
    const reflection = { before: null, during: null, after: null, answers: [], criteria: [], grownUp: false };
    const score: PlayScore = {
      value: whole,
      match: null,
      unit,
      rank: unit === "points" ? whole : (reachedTop ? 1_000_000 : 0) - whole,
      working: "",
      sends: unit === "sends" ? whole : 0,
      stage: 0,
      stages: 0,
      finished: reachedTop,
      stopped: false,
      won: null,
      seconds: 0,
    };
    await tx.insert(result).values({
      playId,
      schoolId: who.schoolId,
      cardId,
      score,
      reflection,
      contentHash: contentHash({ score, reflection }),
      timing: "inTime",
      handedAt: now,
    });
  });
}
