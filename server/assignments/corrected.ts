import { asc, eq, inArray } from "drizzle-orm";
import type { PlayScore } from "#core/records/play.ts";
import { schema, type Tx } from "../db/client.ts";

const { play, result, resultCorrection, teacher } = schema;

/** The latest correction of a result typed from paper. */
export interface Corrected {
  id: string;
  by: string;
  reason: string;
  at: Date;
  /** Null: the result was taken back. */
  score: PlayScore | null;
  /** The score that it replaces. */
  before: PlayScore;
}

/** The latest correction of each play of these cards. Plays without corrections are left out. */
export async function correctionsOf(tx: Tx, cardIds: readonly string[]): Promise<Map<string, Corrected>> {
  const rows = await tx
    .select({ correction: resultCorrection, by: teacher.name, first: result.score })
    .from(resultCorrection)
    .innerJoin(play, eq(play.id, resultCorrection.playId))
    .innerJoin(result, eq(result.playId, play.id))
    .innerJoin(teacher, eq(teacher.id, resultCorrection.teacherId))
    .where(inArray(play.cardId, [...cardIds]))
    .orderBy(asc(resultCorrection.at), asc(resultCorrection.id));
  const out = new Map<string, Corrected>();
  // Each correction names the one before it, so their order does not depend on a clock.
  const byReplaced = new Map(rows.map((row) => [`${row.correction.playId} ${row.correction.replaces ?? ""}`, row]));
  for (const playId of new Set(rows.map((row) => row.correction.playId))) {
    let at = byReplaced.get(`${playId} `);
    let before = at!.first;
    while (at) {
      const { id, reason, at: when, score } = at.correction;
      out.set(playId, { id, by: at.by, reason, at: when, score, before });
      if (score) before = score;
      at = byReplaced.get(`${playId} ${id}`);
    }
  }
  return out;
}
