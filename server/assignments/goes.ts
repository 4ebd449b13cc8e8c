import { asc, eq, inArray } from "drizzle-orm";
import type { PlayScore, PlaySetup, Reflection } from "#core/records/play.ts";
import { schema, type Tx } from "../db/client.ts";

const { assignment, card, play, result } = schema;

/** One go that came back. */
export interface Go {
  playId: string;
  cardId: string;
  score: PlayScore;
  reflection: Reflection;
  setup: PlaySetup;
  source: "device" | "paper";
  startedAt: Date;
  handedAt: Date;
  timing: "inTime" | "sentLater" | "tooLate";
  clockDoubt: boolean;
  /** Played after the tries allowed were used up. */
  beyond: boolean;
  /** On boards and for bests: within the tries, in time, not stopped halfway. */
  counts: boolean;
}

/** Every go handed in for some cards, in the order they were begun; goes beyond the tries allowed are marked. */
export async function goesOf(tx: Tx, cardIds: readonly string[]): Promise<Go[]> {
  if (cardIds.length === 0) return [];
  const rows = await tx
    .select({ result, play, tries: assignment.tries })
    .from(result)
    .innerJoin(play, eq(play.id, result.playId))
    .innerJoin(card, eq(card.id, result.cardId))
    .innerJoin(assignment, eq(assignment.id, card.assignmentId))
    .where(inArray(result.cardId, [...cardIds]))
    .orderBy(asc(play.startedAt), asc(play.id));
  const used = new Map<string, number>();
  return rows.map(({ result: r, play: p, tries }) => {
    const n = (used.get(r.cardId) ?? 0) + 1;
    used.set(r.cardId, n);
    const beyond = n > tries;
    return {
      playId: p.id,
      cardId: r.cardId,
      score: r.score,
      reflection: r.reflection,
      setup: p.setup,
      source: p.source,
      startedAt: p.startedAt,
      handedAt: r.handedAt,
      timing: r.timing,
      clockDoubt: p.clockDoubt,
      beyond,
      counts: !beyond && r.timing !== "tooLate" && !r.score.stopped,
    };
  });
}
