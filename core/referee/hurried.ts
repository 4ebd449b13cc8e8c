import { agePrior } from "../aim/priors.ts";
import { mainAsks } from "../asks/ask.ts";
import type { GameEvent } from "../events/events.ts";
import { type Part, partsOf } from "../yard/parts.ts";
import type { Play } from "./play.ts";
import { view } from "./play.ts";

/**
 * Nobody runs there and back faster than this multiple of the walking speed for that age, starting and stopping
 * included: an assumption.
 */
const FASTEST = 3;
const USUAL_AGE = 8;
/** The layout of a game by itself. The space does not affect where items stand. */
const ANY_SPACE = { length: 100, width: 100 };

/**
 * The least distance that a send went, metres from the line of the layout: to the item it hit, or to the near edge of
 * the place where it rests; 0 if nobody saw it.
 */
function wentAtLeast(event: GameEvent, parts: readonly Part[]): number {
  if (event.kind !== "send") return 0;
  const targetAt = (id: string) => partsOf(parts, "target").find((target) => target.id === id)?.along ?? 0;
  if (typeof event.hit === "string") return targetAt(event.hit);
  if (Array.isArray(event.fell) && event.fell.length > 0) return Math.min(...event.fell.map(targetAt));
  if (event.rest === undefined) return 0;
  const cell = partsOf(parts, "cell").find((eachCell) => eachCell.id === event.rest);
  return cell
    ? cell.along - cell.depth / 2
    : (partsOf(parts, "zone").find((zone) => zone.id === event.rest)?.near ?? 0);
}

/**
 * True if a go alone was faster than the object can be fetched: all the ways there and back, run as fast as anybody
 * of that age can, take longer than the time between the first send and the last. Nobody is to blame for it: somebody
 * else may have fetched, or it was typed in afterwards.
 */
export function hurried(play: Play, age = USUAL_AGE): boolean {
  if (play.setup.players > 1 || view(play).laid !== null) return false;
  const { pattern, params } = play.game;
  const parts = pattern.ground.parts(params, ANY_SPACE);
  const speed = FASTEST * agePrior(age).walking;
  const sends = play.standing.filter(({ event }) => event.kind === "send");
  const last = sends[sends.length - 1];
  if (!last) return false;
  let least = 0;
  for (const [i, { event }] of play.standing.entries()) {
    // The last one is not sent again, so nobody has to run for it.
    if (event.kind !== "send" || event === last.event) continue;
    const before = play.standing[i - 1]?.after ?? play.begin;
    const ask = mainAsks(play.game.asks(before)).find((mainAsk) => mainAsk.kind === "send");
    if (ask?.kind !== "send" || !ask.fetch) continue;
    const line = partsOf(parts, "line").find((eachLine) => eachLine.id === ask.from)?.along ?? 0;
    least += (2 * Math.max(0, wentAtLeast(event, parts) - line - (ask.manner.nearer ?? 0))) / speed;
  }
  return 1000 * least > last.event.at - sends[0]!.event.at;
}
