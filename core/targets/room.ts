import type { Aim, Manner } from "../asks/ask.ts";
import type { Ground, Probe } from "../contract/contract.ts";
import { roomParts } from "./list.ts";

/** A clear square without targets. Each way of doing a task shows its chance, and nothing can be moved. */
export const roomGround = <P>(
  tasksOf: (params: P) => readonly { id: string; aim: Aim; manner: Manner }[],
): Ground<P> => ({
  parts: (_, space) => roomParts(space),
  pegs: () => [],
  probes: (p) => {
    const seen = new Map<string, Probe>();
    for (const { id, aim, manner } of tasksOf(p)) {
      const key = JSON.stringify([aim, manner]);
      if (seen.has(key)) continue;
      seen.set(key, {
        id,
        peg: null,
        ask: { kind: "count", player: 0, from: "start", manner, aim, soFar: 0, drops: true },
        counts: (event) => (event.kind === "count" && event.n > 0 ? 1 : 0),
      });
    }
    return [...seen.values()];
  },
  moves: "each",
  move: (p) => p,
  add: () => null,
  remove: () => null,
  squeeze: (p) => p,
  swap: (p) => p,
  touchCounts: (p) => p,
});
