import { asc, eq, inArray } from "drizzle-orm";
import type { PlayScore } from "#core/records/play.ts";
import { schema, type Tx } from "../db/client.ts";

const { play, result, resultCorrection, teacher } = schema;

/** The last word on a result typed from paper. */
export interface Corrected {
  id: string;
  by: string;
  reason: string;
  at: Date;
  /** Null: taken back. */
  score: PlayScore | null;
  /** What it stands in place of. */
  before: PlayScore;
}

/** The last correction of each play of some cards that has any. */
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
  // Each names the one before it, so that their order is theirs and not the clock's.
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
