import { mainAsks } from "../asks/ask.ts";
import type { Play } from "./play.ts";

/**
 * The sends at each target and how many hit it, by the target's id or the line's; or, by place, all sends and how
 * many came to rest there.
 */
export type Aimed = Readonly<Record<string, readonly [sends: number, hits: number]>>;

/**
 * The result of one player's own sends in a go, after undos and corrections: at each target called for (or from each
 * line, if the line moves), or in each place where objects come to rest, or at each target if any of several would
 * do. Sends without such a target (pins) are left out.
 */
export function aimedBy(play: Play, player: number): Aimed {
  // A map, because ids may be names typed by a teacher, and an object already has properties with some names.
  const out = new Map<string, [number, number]>();
  const add = (id: string, sends: number, hits: number) => {
    const [s, height] = out.get(id) ?? [0, 0];
    out.set(id, [s + sends, height + hits]);
  };
  const places = new Set<string>();
  let rested = 0;
  for (const [i, { event }] of play.standing.entries()) {
    if (event.kind !== "send") continue;
    const before = play.standing[i - 1]?.after ?? play.begin;
    const ask = mainAsks(play.game.asks(before)).find(
      (mainAsk) => mainAsk.kind === "send" && mainAsk.player === player,
    );
    if (ask?.kind !== "send" || play.game.turn(before).player !== player) continue;
    const { aim } = ask;
    if (aim.kind === "any" && event.hit !== undefined && aim.want.length > 1) {
      // It is not known which target it was meant for.
      rested++;
      if (event.hit !== null) places.add(event.hit);
      if (event.hit !== null) add(event.hit, 0, 1);
    } else if (aim.kind === "any" && event.hit !== undefined) {
      const id = ask.from === "start" ? aim.want[0]! : ask.from;
      add(id, 1, event.hit !== null && aim.want.includes(event.hit) ? 1 : 0);
    } else if (aim.kind === "chase" || aim.kind === "receive") {
      add(aim.mark, 1, event.rest === aim.mark ? 1 : 0);
    } else if (event.rest !== undefined && aim.kind !== "near" && aim.kind !== "jack") {
      rested++;
      places.add(event.rest);
      add(event.rest, 0, 1);
    }
  }
  for (const id of places) add(id, rested, 0);
  return Object.fromEntries(out);
}
