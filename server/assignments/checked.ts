import { and, eq, inArray } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { invite, askAgain as letterAgain, reminder } from "../cards/invite.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { linksFor } from "../links/links.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { ownAssignment } from "./own.ts";

const { card, checkedGo, child, play, result } = schema;

/** The goes that a teacher has checked, among these. */
export async function checkedAmong(tx: Tx, playIds: readonly string[]): Promise<Set<string>> {
  if (playIds.length === 0) return new Set();
  const rows = await tx
    .select({ id: checkedGo.playId })
    .from(checkedGo)
    .where(inArray(checkedGo.playId, [...playIds]));
  return new Set(rows.map((row) => row.id));
}

/** A go of an assignment with the child who played it. Throws NotFound otherwise. */
async function ownGo(tx: Tx, who: SignedIn, assignmentId: string, playId: string) {
  const own = await ownAssignment(tx, who, assignmentId);
  const [row] = await tx
    .select({ child })
    .from(play)
    .innerJoin(card, eq(card.id, play.cardId))
    .innerJoin(child, eq(child.id, card.childId))
    .where(and(eq(play.id, playId), eq(card.assignmentId, assignmentId)));
  if (!row) throw new NotFound("go");
  return { ...own, child: row.child };
}

/** Says that a go has been checked, or that it has not. Said twice, it is the same. Returns the child's name. */
export function checkGo(who: SignedIn, assignmentId: string, playId: string, checked: boolean): Promise<string> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await ownGo(tx, who, assignmentId, playId);
    if (checked)
      await tx
        .insert(checkedGo)
        .values({ schoolId: who.schoolId, playId, teacherId: who.teacherId })
        .onConflictDoNothing();
    else await tx.delete(checkedGo).where(eq(checkedGo.playId, playId));
    return own.child.name;
  });
}

/** Asks a family to play once more, because a go is in doubt, and counts the go as checked. Returns the child's name. */
export function askAgain(who: SignedIn, assignmentId: string, playId: string, now = new Date()): Promise<string> {
  return withTenant(who.schoolId, async (tx) => {
    const { child: one, assignment, revision } = await ownGo(tx, who, assignmentId, playId);
    if (assignment.withdrawnAt || assignment.closesAt <= now)
      throw NotAllowed.of("again", "This activity is closed. Let it stay open longer first.");
    const done = await tx
      .insert(checkedGo)
      .values({ schoolId: who.schoolId, playId, teacherId: who.teacherId })
      .onConflictDoNothing()
      .returning({ id: checkedGo.playId });
    if (done.length > 0) {
      await linksFor(tx, who.schoolId, [one]);
      await invite(tx, who.schoolId, {
        assignmentId,
        activity: revision.document,
        children: [one],
        letter: letterAgain,
      });
    }
    return one.name;
  });
}

/**
 * Reminds the families of these children, or with null of all, as far as they have not played yet. Returns how many
 * were reminded.
 */
export function remindToPlay(
  who: SignedIn,
  assignmentId: string,
  childIds: readonly string[] | null,
  now = new Date(),
): Promise<number> {
  return withTenant(who.schoolId, async (tx) => {
    const { assignment, revision } = await ownAssignment(tx, who, assignmentId);
    if (assignment.withdrawnAt || assignment.closesAt <= now)
      throw NotAllowed.of("remind", "This activity is closed. Let it stay open longer first.");
    if (childIds?.length === 0) throw NotAllowed.of("remind", "Choose the children to remind.");
    const played = tx
      .select({ id: card.childId })
      .from(result)
      .innerJoin(card, eq(card.id, result.cardId))
      .where(eq(card.assignmentId, assignmentId));
    const done = new Set((await played).map((row) => row.id));
    const children = await tx
      .select({ id: child.id, name: child.name })
      .from(card)
      .innerJoin(child, eq(child.id, card.childId))
      .where(and(eq(card.assignmentId, assignmentId), childIds ? inArray(child.id, [...childIds]) : undefined));
    const to = children.filter((one) => !done.has(one.id));
    await linksFor(tx, who.schoolId, to);
    await invite(tx, who.schoolId, { assignmentId, activity: revision.document, children: to, letter: reminder });
    return to.length;
  });
}
