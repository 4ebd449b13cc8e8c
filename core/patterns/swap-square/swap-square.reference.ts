import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { SwapSquareParams } from "./schema.ts";

/**
 * A second, simple implementation of Swap square: rows of words on a table, the near one first. It shares no code
 * with the rules.
 */
function story(params: SwapSquareParams, one: { table: string[][] | null } | null): Story {
  const own: { table: string[][] | null } = one ?? { table: null };
  let trips = 0;
  let rows = 0;
  let tired = false;
  const clear = () => {
    let gone = 0;
    while (own.table!.length > 0 && own.table![0]!.every((text) => text === own.table![0]![0])) {
      own.table!.shift();
      gone++;
    }
    return gone;
  };
  const at = (i: number) => [Math.floor(i / params.n), i % params.n] as const;
  const done = () => own.table !== null && own.table.length === 0;
  const cleared = () => (own.table === null ? 0 : params.n - own.table.length);
  return {
    clock: () => (params.score === "time" && own.table !== null && !one ? null : undefined),
    rings: () => "no",
    value: () => (one ? rows : trips),
    rank: () => (one ? rows : done() ? 1e9 - trips : cleared()),
    finished: done,
    over: done,
    take(event) {
      if (event.kind === "mix") {
        if (own.table) return "no";
        const kinds = new Map<number, number>();
        for (const cell of event.cells) kinds.set(cell, (kinds.get(cell) ?? 0) + 1);
        if (
          event.cells.length !== params.n ** 2 ||
          kinds.size !== params.n ||
          [...kinds].some(([k, count]) => count !== params.n || k >= params.n)
        )
          return "no";
        const before = Array.from({ length: params.n }, (_, r) =>
          event.cells.slice(r * params.n, (r + 1) * params.n).map(String),
        );
        if (before.every((r) => new Set(r).size === 1)) return "no";
        own.table = before;
        clear();
        return "part";
      }
      if (!own.table) return "no";
      if (event.kind === "task") {
        if (!tired) return "no";
        tired = false;
        return "miss";
      }
      if (event.kind !== "swap" || tired || event.a === event.b) return "no";
      const [[row, column], [otherRow, otherColumn]] = [at(event.a), at(event.b)];
      if (row >= own.table.length || otherRow >= own.table.length) return "no";
      if (row !== otherRow && column !== otherColumn) return "no";
      if (params.reach === "next" && Math.abs(row - otherRow) + Math.abs(column - otherColumn) > 1) return "no";
      const held = own.table[row]![column]!;
      own.table[row]![column] = own.table[otherRow]![otherColumn]!;
      own.table[otherRow]![otherColumn] = held;
      trips++;
      rows += clear();
      if (done() || trips >= 200) return "end";
      if (!params.exercise) return "miss";
      tired = true;
      return "on";
    },
  };
}

export function tellSwapSquare(
  params: SwapSquareParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult {
  const one = params.squares === "one" && setup.mode === "against" ? { table: null } : null;
  return tellMatch(() => story(params, one), { match, each: false }, setup, events);
}
