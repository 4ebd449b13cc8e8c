import { and, eq, inArray } from "drizzle-orm";
import { z } from "zod";
import type { Card, Making } from "#core/compile/card.ts";
import { UNITS } from "#core/contract/contract.ts";
import { ACTIVITY_VERSION, type Activity, MAX_LEVELS, problemsOf } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { ScoreUnit } from "#core/records/score-text.ts";
import { otherGame, tries } from "#core/records/sending.ts";
import { ownActivity } from "../activities/activities.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { makingsFor } from "../cards/for-class.ts";
import { invite } from "../cards/invite.ts";
import { giveCards } from "../cards/versions.ts";
import { compute } from "../compute/compute.ts";
import { contentHash } from "../content-hash.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { linksFor } from "../links/links.ts";
import { NotAllowed } from "../problem.ts";
import { ownClass } from "../school/classes.ts";
import { secondOrder } from "./other-half.ts";

const { assignment, child, revision } = schema;
/** The longest that an assignment can stay open, days. */
export const LONGEST_OPEN = 120;
const DAY = 86_400_000;

/** It must open before it closes, and must not stay open for too long. */
const inTime = <T extends z.ZodType<{ opensAt: Date; closesAt: Date }>>(order: T) =>
  order
    .refine((o) => o.closesAt > o.opensAt, {
      error: "The closing time must be later than the opening time.",
      path: ["closesAt"],
    })
    .refine((o) => o.closesAt.getTime() - o.opensAt.getTime() <= LONGEST_OPEN * DAY, {
      error: `An activity can stay open for at most ${LONGEST_OPEN} days.`,
      path: ["closesAt"],
    });

const orderFields = z.strictObject({
  /** Made by the form. The same order sent again is the same assignment. */
  orderId: z.uuid("This page is out of date. Load it again, then send."),
  classId: z.uuid("Choose one of your classes."),
  /** Only these children of the class. Null: the whole class, including children who join later. */
  children: z
    .array(z.uuid("Choose children from this class."))
    .min(1, "Choose at least one child.")
    .max(400)
    .nullable()
    .default(null),
  opensAt: z.date({ error: "The opening time needs a date and a time." }),
  closesAt: z.date({ error: "The closing time needs a date and a time." }),
  tries,
  mark: z
    .number({ error: "The score to beat must be a score of this game." })
    .int("The score to beat must be a whole number.")
    .min(0, "The score to beat must be 0 or more.")
    .max(1_000_000, "The score to beat is too large.")
    .nullable(),
  /** The unit in which the score to beat was typed. After a change of scoring it is asked for again. */
  markUnit: z.enum(UNITS).nullable().default(null),
  /** Levels chosen by the teacher, by child, from 0. For the others, the level that suits each. */
  levels: z
    .record(
      z.uuid(),
      z
        .number()
        .int()
        .min(0)
        .max(MAX_LEVELS - 1),
    )
    .default({}),
  /** Another game for children of some ages in place of this one, with the same times and goes. */
  other: otherGame.nullable().default(null),
});
export const sendOrder = inTime(orderFields);
/** An order for a copy under a new title. */
export const copyOrder = inTime(
  orderFields.pick({ orderId: true, opensAt: true, closesAt: true, tries: true, levels: true }).extend({
    title: z.string().trim().min(1, "Give a title.").max(80, "The title can have up to 80 characters."),
  }),
);
export type SendOrder = z.input<typeof sendOrder>;

/** The unit of an activity's scores, which depends on its game. */
export const unitOf = (activity: Activity): ScoreUnit => opened(activity).possible.unit;

/** Throws if the score to beat is in another unit than the game now uses, or if nobody could reach it. */
function checkMark(activity: Activity, mark: number | null, unit: ScoreUnit | null): void {
  if (mark === null) return;
  const can = opened(activity).possible;
  if (unit !== null && unit !== can.unit)
    throw NotAllowed.of("mark", "This game is now scored differently. Type the score to beat again.");
  const { least, most } = can.better === "more" ? can : can.finished;
  if (mark < least || (most !== null && mark > most))
    throw NotAllowed.of(
      "mark",
      `This game gives ${most === null ? `${least} or more` : `${least}–${most}`}. Choose a score to beat that it can give.`,
    );
}

/** The assignment that an order has made before, if any. */
export const sentBefore = (who: SignedIn, orderId: string): Promise<string | undefined> =>
  withTenant(who.schoolId, async (tx) => (await byOrder(tx, orderId))[0]?.id);

const byOrder = (tx: Tx, orderId: string) =>
  tx.select({ id: assignment.id }).from(assignment).where(eq(assignment.orderId, orderId));

/** The data of an order, looked up and checked before anything is sent. */
interface Ready {
  activityId: string;
  document: Activity;
  children: (typeof child.$inferSelect)[];
  makings: Making[];
  levels: Record<string, number> | null;
  values: Omit<z.output<typeof sendOrder>, "children" | "markUnit" | "levels" | "other"> & { wholeClass: boolean };
}

/**
 * Sends an activity: stores a revision, compiles a card for each child, and puts a message with the private link in
 * the outbox. If children of some ages get another game, that becomes an assignment of its own. The same order sent
 * again, even at the same time elsewhere, returns what the first one made.
 */
export async function sendOut(
  who: SignedIn,
  activityId: string,
  order: SendOrder,
  now: Date | null = new Date(),
): Promise<{ id: string; other: string | null }> {
  const checked = sendOrder.safeParse(order);
  if (!checked.success) throw new NotAllowed(problemsOf(checked.error));
  // Null in the demo school, which sends assignments that closed long ago.
  if (now && checked.data.closesAt <= now)
    throw NotAllowed.of("closesAt", "The closing time has already passed, so no one could play. Choose a later one.");
  const { classId, children: only, markUnit, levels: chosen, other, ...rest } = checked.data;
  // The second half of an order always has the same id, however often it is sent.
  const otherId = secondOrder(rest.orderId);
  const ready = await withTenant(who.schoolId, async (tx) => {
    const [before] = await byOrder(tx, rest.orderId);
    if (before) return { id: before.id, other: (await byOrder(tx, otherId))[0]?.id ?? null };
    const { document } = await ownActivity(tx, who, activityId);
    checkMark(document, rest.mark, markUnit);
    const own = await ownClass(tx, who.teacherId, classId);
    const children = await tx
      .select()
      .from(child)
      .where(and(eq(child.classId, classId), only ? inArray(child.id, only) : undefined));
    if (children.length === 0) throw NotAllowed.of("classId", `${own.name} has no children yet.`);
    if (only && children.length < new Set(only).size)
      throw NotAllowed.of("children", `Not all of these children are in ${own.name}.`);
    const half = async (
      id: string,
      activity: Activity,
      list: typeof children,
      more: Partial<Ready["values"]> = {},
    ) => ({
      activityId: id,
      document: activity,
      children: list,
      ...(await makingsFor(tx, activity, list, chosen)),
      values: { ...rest, classId, wholeClass: only === null && other === null, ...more },
    });
    if (!other) return [await half(activityId, document, children)];
    if (other.activityId === activityId)
      throw NotAllowed.of("other.activityId", "The other game is the same as this one. Choose a different one.");
    const second = await ownActivity(tx, who, other.activityId);
    const [its, rests] = [true, false].map((is) =>
      children.filter((eachChild) => (eachChild.age >= other.from && eachChild.age <= other.to) === is),
    );
    if (its!.length === 0) throw NotAllowed.of("other.from", "No child you are sending to is of these ages.");
    if (rests!.length === 0)
      throw NotAllowed.of(
        "other.from",
        "Everyone you are sending to is of these ages. Send the other game by itself instead.",
      );
    return [
      await half(activityId, document, rests!),
      // The score to beat belongs to the first game.
      await half(other.activityId, second.document, its!, { orderId: otherId, mark: null }),
    ];
  });
  if (!Array.isArray(ready)) return ready;
  const compiled = await Promise.all(ready.map((half) => compute("cards", half.makings)));
  const made = await withTenant(who.schoolId, async (tx) => {
    const ids: string[] = [];
    for (const [i, half] of ready.entries()) ids.push(await place(tx, who, half, compiled[i]!));
    return ids;
  });
  wakeJobRunner();
  return { id: made[0]!, other: made[1] ?? null };
}
/** The same when nobody gets another game. */
export const sendActivity = async (
  who: SignedIn,
  activityId: string,
  order: SendOrder,
  now: Date | null = new Date(),
): Promise<string> => (await sendOut(who, activityId, order, now)).id;

/** Stores one assignment with its cards and messages. */
async function place(tx: Tx, who: SignedIn, half: Ready, compiled: readonly Card[]): Promise<string> {
  const { document, children, levels, values } = half;
  const revisionId = await freeze(tx, who, half.activityId, document);
  const [made] = await tx
    .insert(assignment)
    .values({ schoolId: who.schoolId, revisionId, levels, ...values })
    .onConflictDoNothing()
    .returning({ id: assignment.id });
  // The same order was pressed twice or on two copies, and the other one has made it.
  if (!made) return (await byOrder(tx, values.orderId))[0]!.id;
  await giveCards(
    tx,
    who.schoolId,
    made.id,
    children.map((eachChild, i) => ({ childId: eachChild.id, compiled: compiled[i]! })),
  );
  await linksFor(tx, who.schoolId, children);
  await invite(tx, who.schoolId, { assignmentId: made.id, activity: document, children });
  await enqueue(tx, who.schoolId, "expected", [made.id]);
  return made.id;
}

/** Stores the activity as it is now as a revision. The same content is the same revision. */
async function freeze(tx: Tx, who: SignedIn, activityId: string, document: Activity): Promise<string> {
  const hash = contentHash(document);
  await tx
    .insert(revision)
    .values({
      schoolId: who.schoolId,
      activityId,
      document,
      contentHash: hash,
      schemaVersion: ACTIVITY_VERSION,
      rulesVersion: opened(document).pattern.rulesVersion,
    })
    .onConflictDoNothing();
  const [rev] = await tx
    .select({ id: revision.id })
    .from(revision)
    .where(and(eq(revision.activityId, activityId), eq(revision.contentHash, hash)));
  return rev!.id;
}
