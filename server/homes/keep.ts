import { eq } from "drizzle-orm";
import { z } from "zod";
import { problemsOf } from "#core/formats/activity.ts";
import { homeAnswers, LONGEST_SUPPORT } from "#core/records/home.ts";
import { schema, type Tx } from "../db/client.ts";
import { askFor } from "../jobs/jobs.ts";
import { NotAllowed } from "../problem.ts";
import { childrenOf } from "./homes-of.ts";

const { child, childHome, home } = schema;

export const support = z
  .string()
  .trim()
  .max(LONGEST_SUPPORT, `anything to know must be ${LONGEST_SUPPORT} letters or fewer`);
/** Answers, whole or in part; what is not named stays as it is. */
export const someAnswers = homeAnswers.partial().extend({ support: support.optional() }).strict();
export type SomeAnswers = z.infer<typeof someAnswers>;

export function checked(given: unknown): SomeAnswers {
  const read = someAnswers.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  return read.data;
}

/** A family is taken to have paused when it said nothing for so long, seconds. */
export const PAUSE = 10;

/** Its children's open cards that nobody began are made anew, once nothing more was said for a while. */
export async function makeAnew(tx: Tx, schoolId: string, homeId: string, inSeconds: number): Promise<void> {
  await askFor(tx, schoolId, "cards", await childrenOf(tx, homeId), inSeconds);
}

export async function keep(
  tx: Tx,
  schoolId: string,
  homeId: string,
  childId: string,
  given: SomeAnswers,
  byFamily: Date | null,
): Promise<void> {
  const { support: told, ...rest } = given;
  const changes = { ...rest, ...(byFamily && { answeredAt: byFamily }) };
  if (told !== undefined) await tx.update(child).set({ support: told }).where(eq(child.id, childId));
  if (Object.keys(changes).length > 0) await tx.update(home).set(changes).where(eq(home.id, homeId));
  // A note for the teacher changes no card.
  if (Object.keys(rest).length > 0) await makeAnew(tx, schoolId, homeId, PAUSE);
}

/** A new home for a child, which so far said nothing. Its id comes from whoever asks, so that asking twice is asking once. */
export async function addHome(tx: Tx, schoolId: string, childId: string, label: string, id: string): Promise<string> {
  await tx.insert(home).values({ id, schoolId, label }).onConflictDoNothing();
  const [made] = await tx.select({ id: home.id }).from(home).where(eq(home.id, id));
  if (!made) throw NotAllowed.of("home", "home: load this page again, then add it");
  await tx.insert(childHome).values({ schoolId, childId, homeId: id }).onConflictDoNothing();
  return id;
}
/** One home after the other: whoever asks for the same child waits for whoever came first. */
export async function oneByOne(tx: Tx, childId: string): Promise<void> {
  await tx.select({ id: child.id }).from(child).where(eq(child.id, childId)).for("update");
}
/** Refuses another home beyond the most; the same one asked for again is known by its id. */
export function room(homes: readonly { id: string }[], id: string | null): "known" | "room" {
  if (homes.some((h) => h.id === id)) return "known";
  if (homes.length >= MOST_HOMES) throw NotAllowed.of("home", `home: at most ${MOST_HOMES} homes for one child`);
  return "room";
}
/** A child lives in so many homes at most. */
export const MOST_HOMES = 4;
export const homeLabel = (name: string, n: number) => `${name.split(" ")[0]}'s ${n === 0 ? "home" : `home ${n + 1}`}`;
