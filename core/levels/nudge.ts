import { mainAsks } from "../asks/ask.ts";
import { brings } from "../chances/brings.ts";
import { LINE_FIELD } from "../contract/standing.ts";
import type { Play } from "../referee/play.ts";

/** Up after so many hits in a row, down after so many misses. */
export interface UpAndDown {
  up: number;
  down: number;
}

/**
 * What the rules of a ladder say now to whoever has the turn: harder after so many of its own sends in a row that counted, easier after so many
 * that did not; null: neither. A step, by itself or by the rules, begins both counts anew. What was taken back or corrected counts as it stands.
 */
export function nudgeOf(play: Play, { up, down }: UpAndDown): { to: "harder" | "easier"; row: number } | null {
  const state = play.standing[play.standing.length - 1]?.after ?? play.begin;
  if (play.game.ending(state)) return null;
  const { player } = play.game.turn(state);
  let row = 0;
  let hit: boolean | null = null;
  for (let i = play.standing.length - 1; i >= 0; i--) {
    const { event } = play.standing[i]!;
    if (event.kind === "set" && event.field === LINE_FIELD && (event.by ?? 0) === player) break;
    if (event.kind !== "send" || event.foot) continue;
    const before = play.standing[i - 1]?.after ?? play.begin;
    if (play.game.turn(before).player !== player) continue;
    const ask = mainAsks(play.game.asks(before)).find((a) => a.kind === "send" && a.player === player);
    if (ask?.kind !== "send") continue;
    const counted = brings(ask, event);
    if (hit !== null && counted !== hit) break;
    hit = counted;
    row++;
  }
  if (hit === true && row >= up) return { to: "harder", row };
  if (hit === false && row >= down) return { to: "easier", row };
  return null;
}
