import { mainAsks } from "../asks/ask.ts";
import { brings } from "../chances/brings.ts";
import type { UpAndDown } from "../contract/contract.ts";
import { LINE_FIELD } from "../contract/standing.ts";
import type { Play } from "../referee/play.ts";
import { USUAL_TURNS } from "./ladder.ts";

/** How often a player's lines have changed direction: from harder to easier, or from easier to harder. */
function turnsOf(play: Play, player: number): number {
  let [at, way, turns] = [0, 0, 0];
  for (const { event } of play.standing) {
    if (event.kind !== "set" || event.field !== LINE_FIELD || (event.by ?? 0) !== player) continue;
    const goes = Math.sign(Number(event.value) - at);
    at = Number(event.value);
    if (goes === 0) continue;
    if (way !== 0 && goes !== way) turns++;
    way = goes;
  }
  return turns;
}

/**
 * What the rules of a ladder suggest to the player whose turn it is: a harder line after this many of their own hits
 * in a row, an easier one after this many misses; that the level is found, once the direction has changed often
 * enough; null: nothing. A change of line, whatever the reason, restarts both counts. Events that were undone or
 * corrected count as they stand.
 */
export function levelPromptOf(
  play: Play,
  { up, down, stop = USUAL_TURNS }: UpAndDown,
): { to: "harder" | "easier" | "found"; row: number } | null {
  const state = play.standing[play.standing.length - 1]?.after ?? play.begin;
  if (play.game.ending(state)) return null;
  const { player } = play.game.turn(state);
  if (stop !== null && turnsOf(play, player) >= stop) return { to: "found", row: 0 };
  let row = 0;
  let hit: boolean | null = null;
  for (let i = play.standing.length - 1; i >= 0; i--) {
    const { event } = play.standing[i]!;
    if (event.kind === "set" && event.field === LINE_FIELD && (event.by ?? 0) === player) break;
    if (event.kind !== "send" || event.foot) continue;
    const before = play.standing[i - 1]?.after ?? play.begin;
    if (play.game.turn(before).player !== player) continue;
    const ask = mainAsks(play.game.asks(before)).find(
      (mainAsk) => mainAsk.kind === "send" && mainAsk.player === player,
    );
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
