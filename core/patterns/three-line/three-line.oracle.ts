import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.oracle.ts";
import type { ThreeLineParams } from "./params.ts";

/** A second, plain telling of Three-line alone: a board of rows, looked through for a line after every piece. It shares no code with the rules. */
function story(p: ThreeLineParams): Story {
  const n = p.size;
  /** Who lies where: the number of the piece, in the order they were sent. */
  let lying: [row: number, column: number][] = [];
  let sends = 0;
  const square = (id: string): [number, number] | null => {
    const m = /^c([1-9])([1-9])$/.exec(id);
    if (!m || Number(m[1]) > n || Number(m[2]) > n) return null;
    return [Number(m[1]), Number(m[2])];
  };
  const at = (r: number, c: number) => lying.findIndex(([x, y]) => x === r && y === c);
  const inLine = () => {
    const counts = new Map<string, number>();
    for (const [r, c] of lying)
      for (const line of [`r${r}`, `c${c}`, ...(r === c ? ["up"] : []), ...(r + c === n + 1 ? ["down"] : [])])
        counts.set(line, (counts.get(line) ?? 0) + 1);
    return Math.max(0, ...counts.values());
  };
  const after = (how: "hit" | "miss" | "on") => (inLine() === n || sends === p.sends ? "end" : how);
  return {
    clock: () => undefined,
    rings: () => "no",
    value: () => sends,
    rank: () => (inLine() === n ? 1e6 - sends : inLine()),
    take(e) {
      if (e.kind === "send" && e.rest !== undefined) {
        const to = square(e.rest);
        if (!to && e.rest !== "out") return "no";
        sends++;
        if (!to || at(...to) >= 0) return after("miss");
        lying.push(to);
        return after("hit");
      }
      if (e.kind === "move") {
        const piece = lying[e.piece];
        const to = square(e.place);
        if (!piece || (!to && e.place !== "out")) return "no";
        const taken = to ? at(...to) : -1;
        if (to && (taken < 0 || taken === e.piece)) lying[e.piece] = to;
        else lying = lying.filter((_, i) => i !== e.piece);
        return after("on");
      }
      return "no";
    },
  };
}

export const tellThreeLine = (p: ThreeLineParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told =>
  tellMatch(() => story(p), { match, each: false }, setup, events);
