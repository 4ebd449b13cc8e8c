import type { PlayerModel } from "../aim/player.ts";
import type { NextSend, NextSure } from "../patterns/contract.ts";
import { pathTo, purposeOf } from "../physics/send.ts";
import { endOfRunOn, type Part, partsOf } from "../yard/parts.ts";

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
  const targets = partsOf(parts, "target");
  const target = targets.find((t) => t.id === ref);
  const aimed = send.shot.kind === "target" ? send.shot.target : null;
  const at = targets.find((t) => t.id === aimed);
  const { sending } = player;
  const up = at && sending.travel === "air" ? at.height / 2 : 0;
  const path = pathTo(sending, aimDistance, up, at ? purposeOf(at.rule) : "stop");
  const distance = target ? target.along - from : aimDistance;
  // What meets nothing lies where it came to rest, short or beyond, or where something stopped it.
  const lies = target || !at ? distance : Math.min(path.ends, Math.max(distance, endOfRunOn(parts) - from));
  const under = path.seconds(Math.min(distance, path.ends));
  return {
    acting: quanta(player.windUp),
    fetching: send.fetch ? quanta((2 * lies) / player.walking) : 0,
    waiting: quanta(under) + (send.fetch ? quanta(RESET) : 0),
  };
}

/** One sure event: each who does it in its own time, and the last one done counts. */
export function sureTime(sure: NextSure, players: readonly PlayerModel[]): Spent {
  const inPlace = sure.moving && sure.walk === 0;
  const times = sure.by.map((n): Spent => {
    const player = players[n]!;
    const still = quanta(sure.seconds * player.tempo);
    return {
      acting: inPlace ? still : 0,
      fetching: quanta((2 * sure.walk) / player.walking),
      waiting: inPlace ? 0 : still,
    };
  });
  return times.reduce((slowest, t) => (total(t) > total(slowest) ? t : slowest));
}
