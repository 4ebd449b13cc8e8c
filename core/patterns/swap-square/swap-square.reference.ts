import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { SwapSquareParams } from "./params.ts";

/** A second, plain telling of Swap square: rows of words on a table, the near one first. It shares no code with the rules. */
function story(p: SwapSquareParams, one: { table: string[][] | null } | null): Story {
  const own: { table: string[][] | null } = one ?? { table: null };
  let trips = 0;
  let rows = 0;
  let tired = false;
  const clear = () => {
    let gone = 0;
    while (own.table!.length > 0 && own.table![0]!.every((x) => x === own.table![0]![0])) {
      own.table!.shift();
      gone++;
    }
    return gone;
  };
  const at = (i: number) => [Math.floor(i / p.n), i % p.n] as const;
  const done = () => own.table !== null && own.table.length === 0;
  const cleared = () => (own.table === null ? 0 : p.n - own.table.length);
  return {
    clock: () => (p.score === "time" && own.table !== null && !one ? null : undefined),
    rings: () => "no",
    value: () => (one ? rows : trips),
    rank: () => (one ? rows : done() ? 1e9 - trips : cleared()),
    finished: done,
    over: done,
    take(e) {
      if (e.kind === "mix") {
        if (own.table) return "no";
        const kinds = new Map<number, number>();
        for (const c of e.cells) kinds.set(c, (kinds.get(c) ?? 0) + 1);
        if (e.cells.length !== p.n ** 2 || kinds.size !== p.n || [...kinds].some(([k, n]) => n !== p.n || k >= p.n))
          return "no";
        const before = Array.from({ length: p.n }, (_, r) => e.cells.slice(r * p.n, (r + 1) * p.n).map(String));
        if (before.every((r) => new Set(r).size === 1)) return "no";
        own.table = before;
        clear();
        return "part";
      }
      if (!own.table) return "no";
      if (e.kind === "task") {
        if (!tired) return "no";
        tired = false;
        return "miss";
      }
      if (e.kind !== "swap" || tired || e.a === e.b) return "no";
      const [[r, c], [q, d]] = [at(e.a), at(e.b)];
      if (r >= own.table.length || q >= own.table.length) return "no";
      if (r !== q && c !== d) return "no";
      if (p.reach === "next" && Math.abs(r - q) + Math.abs(c - d) > 1) return "no";
      const held = own.table[r]![c]!;
      own.table[r]![c] = own.table[q]![d]!;
      own.table[q]![d] = held;
      trips++;
      rows += clear();
      if (done() || trips >= 200) return "end";
      if (!p.exercise) return "miss";
      tired = true;
      return "on";
    },
  };
}

export function tellSwapSquare(p: SwapSquareParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told {
  const one = p.squares === "one" && setup.mode === "against" ? { table: null } : null;
  return tellMatch(() => story(p, one), { match, each: false }, setup, events);
}
