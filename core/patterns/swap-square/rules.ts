import type { Ask } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { raced } from "../../match/raced.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { random } from "../../random.ts";
import { type Cells, collected, greedySwap, isWhole, maySwap, rowsIn, swapped } from "../../sorting-grid/grid.ts";
import { beginsComplete, stirred } from "../../sorting-grid/mix.ts";
import { MAX_TRIPS } from "./limits.ts";
import type { SwapSquareParams } from "./schema.ts";

/** One grid of one side, or the single grid as seen by a side that takes turns on it. */
export interface SquareGo {
  /** What lies there now. Null: it is not shuffled yet. */
  cells: Cells | null;
  trips: number;
  /** The rows that this side's own swaps completed. */
  rows: number;
  /** The fewest swaps that would do, as far as they are known. */
  fewest: { lower: number; upper: number } | null;
  /** The exercise has to be done before running back. */
  owes: boolean;
  shared: boolean;
}

/** The time to swap two items, and to lay out a grid, seconds. */
const SWAP = 3;
const PER_DOSE = 1.5;
const shared = (params: SwapSquareParams, setup: Setup): boolean =>
  params.squares === "one" && setup.mode === "against";
/** From the line to the middle of the grid, metres. */
export const wayOf = (params: SwapSquareParams): number => params.distance + (params.n * params.cell) / 2;

/**
 * How many grids a forecast is made over, shuffled with the middle of the wanted number of swaps, and never with the
 * near row complete.
 */
const SAMPLES = 6;
export const samplesOf = memoizeByIdentity((params: SwapSquareParams): Cells[] => {
  const out: Cells[] = [];
  const draw = random(params.n * 31 + params.least);
  for (let i = 0; out.length < SAMPLES && i < 200; i++) {
    const cells = stirred(params.n, params.reach, Math.round((params.least + params.most) / 2), draw);
    if (!beginsComplete(cells, params.n)) out.push(cells);
  }
  return out;
});

function asks(params: SwapSquareParams, go: SquareGo, player: number): Ask[] {
  if (go.cells === null) {
    const takes = { by: [player], seconds: 0, walk: 0, moving: false };
    const { n: count, reach, mix: how, least, most } = params;
    return [
      {
        kind: "mix",
        player,
        n: count,
        reach,
        how,
        least,
        most,
        kinds: params.kinds.slice(0, params.n),
        samples: samplesOf(params),
        takes,
      },
    ];
  }
  if (go.owes) {
    const { name, dose } = params.exercise!;
    const takes = { by: [player], seconds: dose * PER_DOSE, walk: 0, moving: true };
    return [{ kind: "task", player, exercise: name, dose, takes }];
  }
  const takes = { by: [player], seconds: SWAP, walk: wayOf(params), moving: true };
  const { cells } = go;
  return [
    {
      kind: "swap",
      player,
      n: params.n,
      reach: params.reach,
      cells,
      kinds: params.kinds,
      get sensible() {
        return greedySwap(cells, params.n, params.reach);
      },
      takes,
    },
  ];
}

function step(params: SwapSquareParams, go: SquareGo, event: GameEvent): StepResult<SquareGo> | Refusal {
  if (event.kind === "mix") {
    if (go.cells !== null) return refuse("refused.mixed");
    if (!isWhole(event.cells, params.n)) return refuse("refused.notWhole", { n: params.n });
    // A row that is complete at the start is collected before the first trip, and scores for nobody.
    const { cells } = collected(event.cells, params.n);
    if (cells.length === 0) return refuse("refused.notMixed");
    return { go: { ...go, cells, fewest: event.fewest ?? null }, after: "part" };
  }
  if (go.cells === null) return refuse("refused.mixFirst");
  if (event.kind === "task")
    return go.owes ? { go: { ...go, owes: false }, after: "miss" } : refuse("refused.notInGame", { kind: event.kind });
  if (event.kind !== "swap") return refuse("refused.notInGame", { kind: event.kind });
  if (go.owes) return refuse("refused.extraFirst", { exercise: params.exercise!.name });
  const { cells } = go;
  if (Math.max(event.a, event.b) >= cells.length || event.a === event.b) return refuse("refused.noSuchCell");
  if (!maySwap(event.a, event.b, params.n, "line")) return refuse("refused.notInLine");
  if (!maySwap(event.a, event.b, params.n, params.reach)) return refuse("refused.notNext");
  const { cells: left, rows } = collected(swapped(cells, event.a, event.b), params.n);
  const trips = go.trips + 1;
  const next = { ...go, cells: left, trips, rows: go.rows + rows };
  if (left.length === 0 || trips >= MAX_TRIPS) return { go: next, after: "end" };
  if (params.exercise) return { go: { ...next, owes: true }, after: "on" };
  return { go: next, after: "miss" };
}

function sum(params: SwapSquareParams, go: SquareGo, ms: number): Sum {
  const finished = go.cells !== null && go.cells.length === 0;
  const stage = go.cells === null ? 0 : params.n - rowsIn(go.cells, params.n);
  const at = { sends: go.trips, stages: params.n, finished, working: "" };
  if (go.shared) return { value: go.rows, unit: "rows", better: "more", rank: go.rows, stage, ...at };
  const value = params.score === "trips" ? go.trips : Math.round(ms / 100);
  return { value, ...raced(params.score === "trips" ? "trips" : "tenths", { value, finished, stage }), stage, ...at };
}

function now(params: SwapSquareParams, go: SquareGo): Phrase {
  if (go.cells === null) return { key: `square.mix.${params.mix}`, params: { n: params.n } };
  if (go.owes) return { key: "between.now", params: { exercise: params.exercise!.name, dose: params.exercise!.dose } };
  return { key: `square.swap.${params.reach}`, params: { trip: go.trips + 1 } };
}

/** A grid of items. On each trip two are swapped, until row after row is of one kind. */
export const squareGo: GoRules<SwapSquareParams, SquareGo> = {
  begin: (params, { setup }) => ({
    cells: null,
    trips: 0,
    rows: 0,
    fewest: null,
    owes: false,
    shared: shared(params, setup),
  }),
  asks,
  step,
  clock: (params, _, go) =>
    params.score === "time" && go.cells !== null && !go.shared ? { limit: null, rest: 0 } : null,
  sum,
  key: (_, go) => `${go.cells?.join("") ?? "-"} ${go.trips} ${go.rows} ${go.owes ? 1 : 0}`,
  now,
  done: () => [],
  // The fewest swaps are shown if they are known for the one grid that was played.
  ended: (_, { finished }, goes) => {
    const [one, ...more] = goes.map((go) => go.fewest);
    const known = one && one.lower === one.upper && more.every((f) => f?.upper === one.upper) ? one.upper : 0;
    return finished ? { key: "square.end", params: { fewest: known } } : { key: "square.end.stopped" };
  },
  together: "share",
  race: (params) => params.score === "time",
  meet: {
    shared,
    tell: (_, other, mine) => ({
      go: { ...other, cells: mine.cells, fewest: mine.fewest },
      after: mine.cells !== null && mine.cells.length === 0 ? "end" : "on",
    }),
  },
};

/** Until version 2 a race by time went on until everybody was done. */
export const { race: _, ...squareGo1 } = squareGo;

/** The score range for manual entry, see `Possible`. */
export function possible(params: SwapSquareParams, match: Match): Possible {
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  if (params.score === "time")
    return {
      unit: "tenths",
      better: "less",
      least: 0,
      most: null,
      values: null,
      finished: { least: 0, most: null },
      stages: params.n,
    };
  const most = MAX_TRIPS * kept;
  return {
    unit: "trips",
    better: "less",
    least: 0,
    most,
    values: null,
    finished: { least: kept, most },
    stages: params.n,
  };
}
