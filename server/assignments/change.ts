import { and, eq, sql } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { invite } from "../cards/invite.ts";
import { makingFor } from "../cards/making.ts";
import { giveCards } from "../cards/versions.ts";
import { knownOf } from "../children/known.ts";
import { compute } from "../compute/compute.ts";
import { schema, withTenant } from "../db/client.ts";
import { homesOf } from "../homes/homes-of.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { schoolItemsOf } from "../kit/items.ts";
import { linksFor } from "../links/links.ts";
import { NotAllowed } from "../problem.ts";
import { ownAssignment } from "./own.ts";
import { LONGEST_OPEN } from "./send.ts";

const { assignment, card, child } = schema;
const DAY = 86_400_000;

/** Unsends an assignment, or sends it out again. What was played stays, but nobody can open it meanwhile. */
export function withdraw(who: SignedIn, id: string, back: boolean, now = new Date()): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    if ((own.assignment.withdrawnAt !== null) === !back) return;
    await tx
      .update(assignment)
      .set({ withdrawnAt: back ? null : now })
      .where(eq(assignment.id, id));
    if (back) await wake(tx, who.schoolId, id);
  });
}

/** Changes the closing time of an assignment: later, earlier, or now. Returns the time before. */
export function closeAt(who: SignedIn, id: string, at: Date, now = new Date()): Promise<Date> {
  return withTenant(who.schoolId, async (tx) => {
    const { assignment: row } = await ownAssignment(tx, who, id);
    if (Number.isNaN(at.getTime())) throw NotAllowed.of("closesAt", "The closing time needs a date and a time.");
    if (at <= row.opensAt)
      throw NotAllowed.of(
        "closesAt",
        row.opensAt > now
          ? "This activity has not opened yet, so it cannot be closed. Unsend it instead."
          : "The closing time must be later than the opening time.",
      );
    if (at.getTime() - row.opensAt.getTime() > LONGEST_OPEN * DAY)
      throw NotAllowed.of("closesAt", `An activity can stay open for at most ${LONGEST_OPEN} days.`);
    await tx.update(assignment).set({ closesAt: at }).where(eq(assignment.id, id));
    if (at > now) await wake(tx, who.schoolId, id);
    return row.closesAt;
  });
}

/** Children who joined or whose home changed while it was unsent get the cards they would have got. */
async function wake(tx: Parameters<typeof enqueue>[0], schoolId: string, id: string): Promise<void> {
  const [row] = await tx.select().from(assignment).where(eq(assignment.id, id));
  const children = await tx.select({ id: child.id }).from(child).where(eq(child.classId, row!.classId));
  await enqueue(
    tx,
    schoolId,
    "cards",
    children.map((eachChild) => eachChild.id),
  );
}

/** Gives a child another level of an assignment, from 0. The card is compiled again unless it was begun. */
export async function setLevel(who: SignedIn, id: string, childId: string, level: number): Promise<void> {
  await withTenant(who.schoolId, async (tx) => {
    const { revision: row } = await ownAssignment(tx, who, id);
    const count = row.document.levels?.list.length ?? 0;
    if (!(Number.isInteger(level) && level >= 0 && level < count))
      throw NotAllowed.of("level", count === 0 ? "This game has no levels." : `level: 1 to ${count}`);
    const got = await tx
      .select({ id: card.id })
      .from(card)
      .where(and(eq(card.assignmentId, id), eq(card.childId, childId)));
    if (got.length === 0) throw NotAllowed.of("level", "This child has no card for this game.");
    // Changes only one key, because two teachers may change different children at the same time.
    await tx
      .update(assignment)
      .set({
        levels: sql`jsonb_set(coalesce(${assignment.levels}, '{}'::jsonb), array[${childId}::text], to_jsonb(${level}::int))`,
      })
      .where(eq(assignment.id, id));
    await enqueue(tx, who.schoolId, "cards", [childId]);
  });
  wakeJobRunner();
}

/**
 * Sends an assignment to one more child of its class. A child who has it already keeps the card. Returns true if the
 * child got one now.
 */
export async function sendToChild(who: SignedIn, id: string, childId: string): Promise<boolean> {
  const ready = await withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const [me] = await tx
      .select()
      .from(child)
      .where(and(eq(child.id, childId), eq(child.classId, own.assignment.classId)));
    if (!me) throw NotAllowed.of("childId", "Choose a child in this class.");
    const homes = (await homesOf(tx, [childId])).get(childId)!;
    return {
      me,
      document: own.revision.document,
      making: makingFor(own.revision.document, me, {
        homes,
        items: await schoolItemsOf(tx),
        known: (await knownOf(tx, [me])).get(childId),
        level: own.assignment.levels?.[childId],
      }),
    };
  });
  const [compiled] = await compute("cards", [ready.making]);
  const got = await withTenant(who.schoolId, async (tx) => {
    const given = await giveCards(tx, who.schoolId, id, [{ childId, compiled: compiled! }]);
    if (given.length === 0) return false;
    await linksFor(tx, who.schoolId, [ready.me]);
    await invite(tx, who.schoolId, { assignmentId: id, activity: ready.document, children: [ready.me] });
    await enqueue(tx, who.schoolId, "expected", [id]);
    return true;
  });
  wakeJobRunner();
  return got;
}
