import { randomInt, randomUUID } from "node:crypto";
import { and, asc, eq, inArray, ne, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/pg-core";
import { z } from "zod";
import { inTwoHomes } from "#core/contract/two-homes.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { PlayScore } from "#core/records/play.ts";
import { CHOSEN_WORDS, type ChosenWord, type Joined, joinGoes } from "#core/records/two-homes.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { challenge, invite } from "../cards/invite.ts";
import { rowsIn, schema, type Tx, withTenant } from "../db/client.ts";
import type { OpenLink } from "../links/open-link.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { type Go, goesOf } from "./goes.ts";
import { ownAssignment } from "./own.ts";

const { assignment, card, child, matchSeat } = schema;
const other = alias(matchSeat, "other");

/** True if two homes can play a match of it, because their sides do not touch. */
export const canPair = (activity: Activity): boolean =>
  activity.players.modes.includes("alone") &&
  inTwoHomes(opened(activity).pattern, { params: activity.pattern.params, match: activity.match });

type Seat = typeof matchSeat.$inferSelect;
/** The data of one side of a match. */
interface Side {
  word: ChosenWord | null;
  yes: boolean;
  go: Go | null;
}
/** A match between two homes and its result so far. */
export interface HomeMatch {
  id: string;
  sides: readonly (Side & { child: string })[];
  joined: Joined;
}

/** The go that counts: the first complete one that a child began alone after both families had said yes. */
function goIn(seats: readonly Seat[], goes: readonly Go[], cardId: string): Go | null {
  const yes = seats.map((seat) => seat.yesAt?.getTime());
  if (yes.some((at) => at === undefined)) return null;
  const from = Math.max(...(yes as number[]));
  return (
    goes.find((go) => go.cardId === cardId && go.counts && go.setup.players === 1 && go.startedAt.getTime() >= from) ??
    null
  );
}
const sideOf = (seats: readonly Seat[], goes: readonly Go[], s: Seat): Side => ({
  word: s.word as ChosenWord | null,
  yes: s.yesAt !== null,
  go: goIn(seats, goes, s.cardId),
});

/** Every match between two homes in an assignment, and the children who are in none. */
export function matchesOf(
  who: SignedIn,
  id: string,
  now = new Date(),
): Promise<{ can: boolean; matches: HomeMatch[]; free: { id: string; name: string }[] }> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const can = canPair(own.revision.document);
    const rows = await tx
      .select({ cardId: card.id, childId: child.id, name: child.name, seat: matchSeat })
      .from(card)
      .innerJoin(child, eq(child.id, card.childId))
      .leftJoin(matchSeat, eq(matchSeat.cardId, card.id))
      .where(eq(card.assignmentId, id))
      .orderBy(asc(child.name), asc(child.id));
    const seated = rows.filter((row) => row.seat !== null);
    const goes = await goesOf(
      tx,
      seated.map((row) => row.cardId),
    );
    const closed = now > own.assignment.closesAt;
    const all = [...new Set(seated.map((row) => row.seat!.matchId))].map((matchId): HomeMatch => {
      const two = seated.filter((row) => row.seat!.matchId === matchId);
      const seats = two.map((row) => row.seat!);
      const sides = two.map((row) => ({ child: row.name, ...sideOf(seats, goes, row.seat!) }));
      const joined = joinGoes([sides[0]?.go?.score ?? null, sides[1]?.go?.score ?? null], closed);
      return { id: matchId, sides, joined };
    });
    // The other child of a match may have left the class.
    const matches = all.filter((homeMatch) => homeMatch.sides.length === 2);
    const whole = new Set(matches.map((match) => match.id));
    const free = rows
      .filter((row) => !row.seat || !whole.has(row.seat.matchId))
      .map((row) => ({ id: row.childId, name: row.name }));
    return { can, matches, free };
  });
}

/** Only one order of pairing runs at a time, so that nobody is paired twice. */
const alone = (tx: Tx, id: string) =>
  tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`match ${id}`}, 0))`);

/** Pairs two children, or (null) draws pairs from all who are in no match. Returns the number of new matches. */
export function pairHomes(who: SignedIn, id: string, two: readonly [string, string] | null): Promise<number> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    if (!canPair(own.revision.document))
      throw NotAllowed.of("pair", "This game cannot be played between two homes, because both sides share its items.");
    await alone(tx, id);
    await tx.execute(sql`
      delete from match_seat where assignment_id = ${id} and match_id in (
        select match_id from match_seat where assignment_id = ${id} group by match_id having count(*) < 2)`);
    const free = await tx
      .select({ cardId: card.id, childId: card.childId, name: child.name })
      .from(card)
      .innerJoin(child, eq(child.id, card.childId))
      .leftJoin(matchSeat, eq(matchSeat.cardId, card.id))
      .where(and(eq(card.assignmentId, id), sql`${matchSeat.cardId} is null`))
      .orderBy(asc(card.id));
    const order = two
      ? two.map((childId) => {
          const found = free.find((row) => row.childId === childId);
          if (!found) throw NotAllowed.of("pair", "Choose two children who have no match yet.");
          return found;
        })
      : drawn(free);
    if (new Set(order.map((row) => row.cardId)).size !== order.length)
      throw NotAllowed.of("pair", "Choose two different children.");
    const pairs = Array.from({ length: Math.floor(order.length / 2) }, (_, i) => [order[2 * i]!, order[2 * i + 1]!]);
    if (pairs.length === 0) return 0;
    const seats = pairs.flatMap((pair) => {
      const matchId = randomUUID();
      return pair.map((row) => ({ schoolId: who.schoolId, assignmentId: id, matchId, cardId: row.cardId }));
    });
    await tx.insert(matchSeat).values(seats);
    const cards = pairs.flat().map((pair) => ({ id: pair.childId, name: pair.name }));
    await invite(tx, who.schoolId, {
      assignmentId: id,
      activity: own.revision.document,
      children: cards,
      letter: challenge,
    });
    return pairs.length;
  });
}
function drawn<T>(list: readonly T[]): T[] {
  const out = [...list];
  for (let i = out.length - 1; i > 0; i--) {
    const k = randomInt(i + 1);
    [out[i], out[k]] = [out[k]!, out[i]!];
  }
  return out;
}

/** Ends a match. What was played stays a go like any other. */
export function unpairHomes(who: SignedIn, id: string, matchId: string): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    await ownAssignment(tx, who, id);
    await tx.delete(matchSeat).where(and(eq(matchSeat.assignmentId, id), eq(matchSeat.matchId, matchId)));
  });
}

/** One side of a match as both families may see it: the word it plays under, and its score. */
export interface SideShown {
  word: ChosenWord | null;
  yes: boolean;
  score: { value: number; unit: PlayScore["unit"] } | null;
}
const shown = (side: Side, withScore: boolean): SideShown => ({
  word: side.word,
  yes: side.yes,
  score: withScore && side.go ? { value: side.go.score.value, unit: side.go.score.unit } : null,
});

/** A match as a family sees it: of the other home only its word and its score. */
export interface FamilyMatch {
  title: string;
  child: string;
  closed: boolean;
  mine: SideShown;
  other: SideShown;
  /** From this home's side: `winner` 0 is this home. */
  joined: Joined;
}
/**
 * The seats of a match whose children are still here. If a child is deleted, the card is hidden, and the seat with
 * it.
 */
const seatsOfMatch = async (tx: Tx, matchId: string): Promise<Seat[]> =>
  (
    await tx
      .select({ seat: matchSeat })
      .from(matchSeat)
      .innerJoin(card, eq(card.id, matchSeat.cardId))
      .where(eq(matchSeat.matchId, matchId))
  ).map((r) => r.seat);
const seatsFor = async (tx: Tx, link: OpenLink, cardId: string) => {
  const [own] = await tx
    .select({ seat: matchSeat, closesAt: assignment.closesAt, name: child.name, assignment })
    .from(matchSeat)
    .innerJoin(card, eq(card.id, matchSeat.cardId))
    .innerJoin(child, eq(child.id, card.childId))
    .innerJoin(assignment, eq(assignment.id, card.assignmentId))
    .where(and(eq(matchSeat.cardId, cardId), eq(card.childId, link.childId)));
  if (!own || own.assignment.withdrawnAt) throw new NotFound("match");
  const seats = await seatsOfMatch(tx, own.seat.matchId);
  const other = seats.find((seat) => seat.cardId !== cardId);
  // The other child of this match has left.
  if (!other) throw new NotFound("match");
  return { own, seats, other };
};

/** The match of a card, for the family with this link. Throws NotFound if there is none. */
export function familyMatch(link: OpenLink, cardId: string, now = new Date()): Promise<FamilyMatch> {
  return withTenant(link.schoolId, async (tx) => {
    const { own, seats, other } = await seatsFor(tx, link, cardId);
    const goes = await goesOf(
      tx,
      seats.map((seat) => seat.cardId),
    );
    const [mine, theirs] = [sideOf(seats, goes, own.seat), sideOf(seats, goes, other)];
    const closed = now > own.closesAt;
    const [named] = await rowsIn<{ title: string }>(
      tx,
      sql`select v.compiled->'activity'->>'title' as title from card c join card_version v on v.card_id = c.id and v.hash = c.hash
      where c.id = ${cardId}`,
    );
    return {
      title: named!.title,
      child: own.name,
      closed,
      mine: shown(mine, true),
      // Until both have played, the other home's score is not shown.
      other: shown(theirs, mine.go !== null),
      joined: joinGoes([mine.go?.score ?? null, theirs.go?.score ?? null], closed),
    };
  });
}

export const matchYes = z.strictObject({
  word: z.enum(CHOSEN_WORDS, { error: "Choose one of the words." }),
  yes: z.literal("on", { error: "yes: a grown-up says yes first" }),
});
/** Records a family's yes, under a word. It can be changed until both families have said yes. */
export function sayYes(link: OpenLink, cardId: string, word: ChosenWord, now = new Date()): Promise<void> {
  return withTenant(link.schoolId, async (tx) => {
    await alone(tx, (await seatsFor(tx, link, cardId)).own.seat.matchId);
    const { own, other } = await seatsFor(tx, link, cardId);
    if (now > own.closesAt) throw NotAllowed.of("yes", "This game is closed.");
    if (other.word === word) throw NotAllowed.of("word", "The other home has that word. Choose another.");
    await tx
      .update(matchSeat)
      .set({ word, yesAt: own.seat.yesAt ?? now })
      .where(eq(matchSeat.cardId, cardId));
  });
}
/** Records that a family does not want to play, or no longer wants to. */
export function sayNo(link: OpenLink, cardId: string): Promise<void> {
  return withTenant(link.schoolId, async (tx) => {
    await seatsFor(tx, link, cardId);
    await tx.update(matchSeat).set({ word: null, yesAt: null }).where(eq(matchSeat.cardId, cardId));
  });
}

/** Those of the given cards that have a match with another home. */
export async function matchedCards(tx: Tx, cardIds: readonly string[]): Promise<Set<string>> {
  if (cardIds.length === 0) return new Set();
  const rows = await tx
    .select({ id: matchSeat.cardId })
    .from(matchSeat)
    .innerJoin(other, and(eq(other.matchId, matchSeat.matchId), ne(other.cardId, matchSeat.cardId)))
    .innerJoin(card, eq(card.id, other.cardId))
    .where(inArray(matchSeat.cardId, [...cardIds]));
  return new Set(rows.map((row) => row.id));
}
