import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { enqueue } from "../jobs/jobs.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { ownChild } from "../school/classes.ts";
import { homesOf, leave } from "./homes-of.ts";
import { addHome, checked, homeIdFor, homeLabel, keep, oneByOne, room } from "./keep.ts";

const { childHome } = schema;

/** Edits a home for its family. This does not count as the family's own answer. */
export function saveHome(who: SignedIn, childId: string, homeId: string, given: unknown): Promise<void> {
  const answers = checked(given);
  return withTenant(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    const homes = (await homesOf(tx, [childId])).get(childId)!;
    if (!homes.some((home) => home.id === homeId)) throw new NotFound("home");
    await keep(tx, who.schoolId, { homeId, childId, given: answers, byFamily: null });
  });
}

/** Adds another home for a child, or a home that the child shares with another one. */
export function addHomeFor(
  who: SignedIn,
  childId: string,
  of: { order: string } | { sharedWith: string },
): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    const me = await ownChild(tx, who, childId);
    await oneByOne(tx, childId);
    const mine = (await homesOf(tx, [childId])).get(childId)!;
    if ("order" in of) {
      const id = homeIdFor(childId, of.order);
      if (room(mine, id) === "room")
        await addHome(tx, who.schoolId, { childId, label: homeLabel(me.name, mine.length), id });
      return;
    }
    await ownChild(tx, who, of.sharedWith);
    const [first] = (await homesOf(tx, [of.sharedWith])).get(of.sharedWith)!;
    if (first && room(mine, first.id) === "known") return;
    if (!first) throw NotAllowed.of("sharedWith", "That child has no home yet. Add one first.");
    // A home of the child's own about which nothing was ever said is only a placeholder.
    for (const home of mine)
      if (home.kit === null && home.space === null && home.answeredAt === null) await leave(tx, childId, home.id);
    await tx.insert(childHome).values({ schoolId: who.schoolId, childId, homeId: first.id }).onConflictDoNothing();
    await enqueue(tx, who.schoolId, "cards", [childId]);
  });
}
export function leaveHome(who: SignedIn, childId: string, homeId: string): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    const mine = (await homesOf(tx, [childId])).get(childId)!;
    if (!mine.some((home) => home.id === homeId)) throw new NotFound("home");
    if (mine.length < 2) throw NotAllowed.of("home", "Each child keeps at least one home. Edit this one instead.");
    await leave(tx, childId, homeId);
    await enqueue(tx, who.schoolId, "cards", [childId]);
  });
}
