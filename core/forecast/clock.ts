import type { PlayerModel } from "../aim/player.ts";
import type { NextSend, NextSure } from "../patterns/contract.ts";
import { type Part, partsOf } from "../yard/parts.ts";

/** Time comes in tenths of a second. */
export const QUANTUM_MS = 100;
/** Putting a target straight and getting back to the line, seconds: an assumption. */
const RESET = 1.5;

/** Where the seconds of one step go, in quanta. */
export interface Spent {
  acting: number;
  fetching: number;
  waiting: number;
}
export const total = (s: Spent) => s.acting + s.fetching + s.waiting;
const quanta = (seconds: number) => Math.round((seconds * 1000) / QUANTUM_MS);

/** A send that ends at `ref`: action, flight or roll, and where it is fetched the walk there and back and the reset. */
export function sendTime(
  send: NextSend,
  ref: string,
  aimDistance: number,
  parts: readonly Part[],
  player: PlayerModel,
): Spent {
  const from = partsOf(parts, "line").find((l) => l.id === send.from)?.along ?? 0;
  const target = partsOf(parts, "target").find((t) => t.id === ref);
  const distance = target ? target.along - from : aimDistance;
  return {
    acting: quanta(player.windUp),
    fetching: send.fetch ? quanta((2 * (distance + player.runOn)) / player.walking) : 0,
    waiting: quanta(distance / player.speed) + (send.fetch ? quanta(RESET) : 0),
  };
}

export function sureTime(sure: NextSure, player: PlayerModel): Spent {
  const still = quanta(sure.seconds);
  return {
    acting: sure.moving && sure.walk === 0 ? still : 0,
    fetching: quanta((2 * (sure.walk + (sure.walk > 0 ? player.runOn : 0))) / player.walking),
    waiting: sure.moving && sure.walk === 0 ? 0 : still,
  };
}
