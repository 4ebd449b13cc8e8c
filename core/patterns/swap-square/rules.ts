import type { Ask } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { raced } from "../../match/raced.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { random } from "../../random.ts";
import { type Cells, collected, greedySwap, isWhole, maySwap, rowsIn, swapped } from "../../sorting-grid/grid.ts";
import { beginsComplete, stirred } from "../../sorting-grid/mix.ts";
import { MAX_TRIPS, type SwapSquareParams } from "./params.ts";

/** One square of one side; or the one square, as a side sees it that takes turns on it. */
export interface SquareGo {
  /** What lies there now; null: it is not mixed yet. */
  cells: Cells | null;
  trips: number;
  /** Rows completed by own swaps. */
  rows: number;
  /** What it could be done in, as far as is known. */
  fewest: { lower: number; upper: number } | null;
  /** The exercise is still to be done before running back. */
  owes: boolean;
  shared: boolean;
}

/** Swapping two things, and laying a square out, seconds. */
const SWAP = 3;
const PER_DOSE = 1.5;
const shared = (p: SwapSquareParams, setup: Setup): boolean => p.squares === "one" && setup.mode === "against";
/** From the line to the middle of the square. */
export const wayOf = (p: SwapSquareParams): number => p.distance + (p.n * p.cell) / 2;

/** Squares that forecasts are made over: stirred by so many swaps as are wanted, in the middle; never with a complete near row. */
const SAMPLES = 6;
export const samplesOf = memoizeByIdentity((p: SwapSquareParams): Cells[] => {
  const out: Cells[] = [];
  const draw = random(p.n * 31 + p.least);
  for (let i = 0; out.length < SAMPLES && i < 200; i++) {
    const cells = stirred(p.n, p.reach, Math.round((p.least + p.most) / 2), draw);
    if (!beginsComplete(cells, p.n)) out.push(cells);
  }
  return out;
});

function asks(p: SwapSquareParams, g: SquareGo, player: number): Ask[] {
  if (g.cells === null) {
    const takes = { by: [player], seconds: 0, walk: 0, moving: false };
    const { n, reach, mix: how, least, most } = p;
    return [
      { kind: "mix", player, n, reach, how, least, most, kinds: p.kinds.slice(0, p.n), samples: samplesOf(p), takes },
    ];
  }
  if (g.owes) {
    const { name, dose } = p.exercise!;
    const takes = { by: [player], seconds: dose * PER_DOSE, walk: 0, moving: true };
    return [{ kind: "task", player, exercise: name, dose, takes }];
  }
  const takes = { by: [player], seconds: SWAP, walk: wayOf(p), moving: true };
  const { cells } = g;
  return [
    {
      kind: "swap",
      player,
      n: p.n,
      reach: p.reach,
      cells,
      kinds: p.kinds,
      get sensible() {
        return greedySwap(cells, p.n, p.reach);
      },
      takes,
    },
  ];
}

function step(p: SwapSquareParams, g: SquareGo, e: GameEvent): StepResult<SquareGo> | Refusal {
  if (e.kind === "mix") {
    if (g.cells !== null) return refuse("refused.mixed");
    if (!isWhole(e.cells, p.n)) return refuse("refused.notWhole", { n: p.n });
    // What is complete at the start is collected before the first trip, and scores nobody.
    const { cells } = collected(e.cells, p.n);
    if (cells.length === 0) return refuse("refused.notMixed");
    return { go: { ...g, cells, fewest: e.fewest ?? null }, after: "part" };
  }
  if (g.cells === null) return refuse("refused.mixFirst");
  if (e.kind === "task")
    return g.owes ? { go: { ...g, owes: false }, after: "miss" } : refuse("refused.notInGame", { kind: e.kind });
  if (e.kind !== "swap") return refuse("refused.notInGame", { kind: e.kind });
  if (g.owes) return refuse("refused.extraFirst", { exercise: p.exercise!.name });
  const { cells } = g;
  if (Math.max(e.a, e.b) >= cells.length || e.a === e.b) return refuse("refused.noSuchCell");
  if (!maySwap(e.a, e.b, p.n, "line")) return refuse("refused.notInLine");
  if (!maySwap(e.a, e.b, p.n, p.reach)) return refuse("refused.notNext");
  const { cells: left, rows } = collected(swapped(cells, e.a, e.b), p.n);
  const trips = g.trips + 1;
  const next = { ...g, cells: left, trips, rows: g.rows + rows };
  if (left.length === 0 || trips >= MAX_TRIPS) return { go: next, after: "end" };
  if (p.exercise) return { go: { ...next, owes: true }, after: "on" };
  return { go: next, after: "miss" };
}

function sum(p: SwapSquareParams, g: SquareGo, ms: number): Sum {
  const finished = g.cells !== null && g.cells.length === 0;
  const stage = g.cells === null ? 0 : p.n - rowsIn(g.cells, p.n);
  const at = { sends: g.trips, stages: p.n, finished, working: "" };
  if (g.shared) return { value: g.rows, unit: "rows", better: "more", rank: g.rows, stage, ...at };
  const value = p.score === "trips" ? g.trips : Math.round(ms / 100);
  return { value, ...raced(p.score === "trips" ? "trips" : "tenths", { value, finished, stage }), stage, ...at };
}

function now(p: SwapSquareParams, g: SquareGo): Phrase {
  if (g.cells === null) return { key: `square.mix.${p.mix}`, params: { n: p.n } };
  if (g.owes) return { key: "between.now", params: { exercise: p.exercise!.name, dose: p.exercise!.dose } };
  return { key: `square.swap.${p.reach}`, params: { trip: g.trips + 1 } };
}

/** A square of things: with each trip two are swapped, until row after row is of one kind. */
export const squareGo: GoRules<SwapSquareParams, SquareGo> = {
  begin: (p, { setup }) => ({ cells: null, trips: 0, rows: 0, fewest: null, owes: false, shared: shared(p, setup) }),
  asks,
  step,
  clock: (p, _, g) => (p.score === "time" && g.cells !== null && !g.shared ? { limit: null, rest: 0 } : null),
  sum,
  key: (_, g) => `${g.cells?.join("") ?? "-"} ${g.trips} ${g.rows} ${g.owes ? 1 : 0}`,
  now,
  done: () => [],
  // What it could be done in is said where it is known of the one square that was played.
  ended: (_, { finished }, goes) => {
    const [one, ...more] = goes.map((g) => g.fewest);
    const known = one && one.lower === one.upper && more.every((f) => f?.upper === one.upper) ? one.upper : 0;
    return finished ? { key: "square.end", params: { fewest: known } } : { key: "square.end.stopped" };
  },
  together: "share",
  race: (p) => p.score === "time",
  meet: {
    shared,
    tell: (_, other, mine) => ({
      go: { ...other, cells: mine.cells, fewest: mine.fewest },
      after: mine.cells !== null && mine.cells.length === 0 ? "end" : "on",
    }),
  },
};

/** Until version 2 a race by time went on until all were done. */
export const { race: _, ...squareGo1 } = squareGo;

/** Written on paper: see `Possible`. */
export function possible(p: SwapSquareParams, m: Match): Possible {
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  if (p.score === "time")
    return {
      unit: "tenths",
      better: "less",
      least: 0,
      most: null,
      values: null,
      finished: { least: 0, most: null },
      stages: p.n,
    };
  const most = MAX_TRIPS * kept;
  return { unit: "trips", better: "less", least: 0, most, values: null, finished: { least: kept, most }, stages: p.n };
}
