import { eq } from "drizzle-orm";
import type { z } from "zod";
import { problemsOf } from "#core/formats/activity.ts";
import { note } from "#core/records/child.ts";
import { homeAnswers } from "#core/records/home.ts";
import { idFrom } from "../content-hash.ts";
import { schema, type Tx } from "../db/client.ts";
import { enqueue } from "../jobs/jobs.ts";
import { NotAllowed } from "../problem.ts";
import { childrenOf } from "./homes-of.ts";

const { child, childHome, home } = schema;

/** Some or all of the answers. Fields that are left out stay as they are. */
export const someAnswers = homeAnswers.partial().extend({ familyNote: note.optional() }).strict();
export type SomeAnswers = z.infer<typeof someAnswers>;

export function checked(given: unknown): SomeAnswers {
  const read = someAnswers.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  return read.data;
}

/** A family has paused if nothing was saved for this long, seconds. */
export const PAUSE = 10;

/** Asks to compile the children's open cards again, unless they were begun, after the family has paused. */
export async function makeAnew(tx: Tx, schoolId: string, homeId: string, inSeconds: number): Promise<void> {
  await enqueue(tx, schoolId, "cards", await childrenOf(tx, homeId), inSeconds);
}

export async function keep(
  tx: Tx,
  schoolId: string,
  { homeId, childId, given, byFamily }: { homeId: string; childId: string; given: SomeAnswers; byFamily: Date | null },
): Promise<void> {
  const { familyNote, ...rest } = given;
  const changes = { ...rest, ...(byFamily && { answeredAt: byFamily }) };
  if (familyNote !== undefined && byFamily) await tx.update(child).set({ familyNote }).where(eq(child.id, childId));
  if (Object.keys(changes).length > 0) await tx.update(home).set(changes).where(eq(home.id, homeId));
  // A note for the teacher changes no card.
  if (Object.keys(rest).length > 0) await makeAnew(tx, schoolId, homeId, PAUSE);
}

/**
 * The id of a home that a child's page adds under an order. It is derived from the child and the order, so that a
 * repeated call adds nothing, and so that no id sent by a client can be that of an existing home.
 */
export const homeIdFor = (childId: string, order: string): string => idFrom(`home of ${childId} ordered as ${order}`);

/**
 * Adds a home for a child, about which nothing is known yet. Throws NotAllowed if the id is taken, because an
 * existing home can only be joined by invitation.
 */
export async function addHome(
  tx: Tx,
  schoolId: string,
  { childId, label, id }: { childId: string; label: string; id: string },
): Promise<string> {
  const made = await tx.insert(home).values({ id, schoolId, label }).onConflictDoNothing().returning({ id: home.id });
  if (made.length === 0) throw NotAllowed.of("home", "The home could not be added. Load the page again, then add it.");
  await tx.insert(childHome).values({ schoolId, childId, homeId: id }).onConflictDoNothing();
  return id;
}
/** Adds one home at a time for each child. */
export async function oneByOne(tx: Tx, childId: string): Promise<void> {
  await tx.select({ id: child.id }).from(child).where(eq(child.id, childId)).for("update");
}
/**
 * Throws if the child already has the most homes allowed. A repeated call for the same home is recognised by its id.
 */
export function room(homes: readonly { id: string }[], id: string | null): "known" | "room" {
  if (homes.some((eachHome) => eachHome.id === id)) return "known";
  if (homes.length >= MAX_HOMES) throw NotAllowed.of("home", `A child can have at most ${MAX_HOMES} homes.`);
  return "room";
}
/** The most homes of one child. */
export const MAX_HOMES = 4;
export const homeLabel = (name: string, count: number) =>
  `${name.split(" ")[0]}'s ${count === 0 ? "home" : `home ${count + 1}`}`;
