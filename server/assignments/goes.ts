import { asc, eq, inArray } from "drizzle-orm";
import type { PlayScore, PlaySetup, Reflection } from "#core/records/play.ts";
import { bestAlike } from "#core/records/rank.ts";
import { schema, type Tx } from "../db/client.ts";
import { type Corrected, correctionsOf } from "./corrected.ts";

const { assignment, card, play, result } = schema;

/** One go that was handed in. */
export interface Go {
  playId: string;
  cardId: string;
  score: Omit<PlayScore, "aimed">;
  /** The child's own attempts and hits at each target. A map, because the ids may be names typed by a teacher. */
  aimed: ReadonlyMap<string, readonly [sends: number, hits: number]>;
  reflection: Reflection;
  setup: PlaySetup;
  source: "device" | "paper";
  startedAt: Date;
  handedAt: Date;
  timing: "inTime" | "sentLater" | "tooLate";
  clockDoubt: boolean;
  /** True if the device could not say which version of the card it had. */
  unversioned: boolean;
  /** The teacher's latest correction. */
  corrected: Corrected | null;
  /** True if it was played after the goes that count were used up. */
  beyond: boolean;
  /** True if it counts for boards and bests: among the goes that count, in time, not stopped early, not taken back. */
  counts: boolean;
}

/** How many cards' goes are read at once. Reading a child's whole year in one step would hold up other requests. */
const AT_ONCE = 40;
/** The stored goes of some cards, in the order in which they were begun. */
async function rowsOf(tx: Tx, cardIds: readonly string[]) {
  return await tx
    .select({
      result: {
        cardId: result.cardId,
        score: result.score,
        reflection: result.reflection,
        handedAt: result.handedAt,
        timing: result.timing,
      },
      play: {
        id: play.id,
        setup: play.setup,
        source: play.source,
        startedAt: play.startedAt,
        clockDoubt: play.clockDoubt,
        cardHash: play.cardHash,
      },
      tries: assignment.tries,
    })
    .from(result)
    .innerJoin(play, eq(play.id, result.playId))
    .innerJoin(card, eq(card.id, result.cardId))
    .innerJoin(assignment, eq(assignment.id, card.assignmentId))
    .where(inArray(result.cardId, [...cardIds]))
    .orderBy(asc(play.startedAt), asc(play.id));
}

/**
 * Every go handed in for some cards, in the order in which they were begun. Goes beyond those that count are marked.
 */
export async function goesOf(tx: Tx, cardIds: readonly string[]): Promise<Go[]> {
  const goes: Go[] = [];
  for (let from = 0; from < cardIds.length; from += AT_ONCE)
    goes.push(...(await goesAtOnce(tx, cardIds.slice(from, from + AT_ONCE))));
  const before = (go: Go, givenGo: Go) =>
    go.startedAt.getTime() - givenGo.startedAt.getTime() ||
    (go.playId < givenGo.playId ? -1 : go.playId > givenGo.playId ? 1 : 0);
  return cardIds.length > AT_ONCE ? goes.sort(before) : goes;
}

async function goesAtOnce(tx: Tx, cardIds: readonly string[]): Promise<Go[]> {
  const rows = await rowsOf(tx, cardIds);
  // Only results from paper are ever corrected.
  const paper = [...new Set(rows.filter((row) => row.play.source === "paper").map((row) => row.result.cardId))];
  const corrections = paper.length > 0 ? await correctionsOf(tx, paper) : new Map<string, Corrected>();
  const used = new Map<string, number>();
  return rows.map(({ result: r, play: p, tries }) => {
    const corrected = corrections.get(p.id) ?? null;
    const gone = corrected !== null && corrected.score === null;
    const count = (used.get(r.cardId) ?? 0) + (gone ? 0 : 1);
    used.set(r.cardId, count);
    const beyond = !gone && count > tries;
    // A result that was taken back is shown with its last score.
    const { aimed, ...score } = corrected?.score ?? corrected?.before ?? r.score;
    return {
      playId: p.id,
      cardId: r.cardId,
      score,
      aimed: new Map(Object.entries(aimed ?? {})),
      reflection: r.reflection,
      setup: p.setup,
      source: p.source,
      startedAt: p.startedAt,
      handedAt: r.handedAt,
      timing: r.timing,
      clockDoubt: p.clockDoubt,
      unversioned: p.source === "device" && p.cardHash === null,
      corrected,
      beyond,
      counts: !gone && !beyond && r.timing !== "tooLate" && !score.stopped,
    };
  });
}

/** The best go that counts, compared only with goes played with the same settings. Of equal ones the earliest. */
export const bestOf = (goes: readonly Go[]): Go | null =>
  bestAlike(
    goes.filter((go) => go.counts),
    (go) => go.score,
  );
/** A child's own attempts and hits in a go, over all targets. */
export const hitsOf = ({ aimed }: Pick<Go, "aimed">): { hits: number; sends: number } =>
  [...aimed.values()].reduce((sum, [sends, hits]) => ({ hits: sum.hits + hits, sends: sum.sends + sends }), {
    hits: 0,
    sends: 0,
  });
/** The goes that were not taken back. */
export const standing = (goes: readonly Go[]): Go[] =>
  goes.filter((go) => go.corrected === null || go.corrected.score !== null);
