import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { play } from "./play.ts";
import { possible, type SquareGo } from "./rules.ts";
import type { SwapSquareParams } from "./schema.ts";
import { swapSquareParams } from "./schema.ts";

function knobs(params: SwapSquareParams): Knob[] {
  const fields = fieldsOf(swapSquareParams, params);
  const exercise = params.exercise ?? { name: "star jumps", dose: 3 };
  return [
    fields.number("yard", ["n"], "knob.squareN"),
    fields.number("yard", ["cell"], "knob.squareCell", { unit: "m", step: 0.05 }),
    fields.choice("score", ["reach"], "knob.swapReach", [
      ["line", "reach.line"],
      ["next", "reach.next"],
    ]),
    fields.choice("score/fine", ["mix"], "knob.mixedBy", [
      ["app", "mix.app"],
      ["hand", "mix.hand"],
      ["opponent", "mix.opponent"],
    ]),
    fields.number("score/fine", ["least"], "knob.leastTrips"),
    fields.number("score/fine", ["most"], "knob.mostTrips"),
    fields.choice("score", ["score"], "knob.tripsOrTime", [
      ["trips", "scored.trips"],
      ["time", "scored.time"],
    ]),
    fields.choice("score", ["exercise"], "knob.squareExercise", [
      [null, "knob.squareNothing"],
      [exercise, "knob.exercise"],
    ]),
    ...(params.exercise
      ? [
          fields.text("score", ["exercise", "name"], "knob.exerciseName"),
          fields.number("score", ["exercise", "dose"], "knob.dose"),
        ]
      : []),
    fields.choice("players", ["squares"], "knob.squares", [
      ["own", "squares.own"],
      ["one", "squares.one"],
    ]),
  ];
}

/**
 * The most trips that a mix of three kinds may need, with `line` 6 and with `next` 8; for more kinds about as many
 * for each kind.
 */
const farthest = ({ n: count, reach }: SwapSquareParams): number =>
  Math.min(20, reach === "line" ? 2 * count : 2 * count + 2);

/** Items of n kinds lie in a square. Each trip swaps two of them, until every row is of one kind. */
export const swapSquare: Pattern<SwapSquareParams, MatchState<SwapSquareParams, SquareGo>> = {
  ...play,
  rank: 16,
  params: swapSquareParams,
  together: (params) => ({ key: params.squares === "own" ? "together.squares" : "together.square" }),
  actions: (action) => action === "carry" || action === "balance",
  problems: (params, match) => [
    ...(params.squares === "one" && params.score === "time"
      ? [{ path: ["params", "score"], message: "on one grid, sides score the rows they complete, not time" }]
      : []),
    ...(params.squares === "one" && (match.goes.count > 1 || match.swap !== "send")
      ? [{ path: ["match", "goes"], message: "on one grid there is one go, and sides take trips in turn" }]
      : []),
    ...(match.seconds !== null ? [{ path: ["match", "seconds"], message: "Swap square has no time limit" }] : []),
  ],
  possible,
  setUp: (params) => [{ key: "square.setUp", params: { n: params.n } }, { key: "square.slips" }],
  knobs,
  pegKnobs: (params) => [
    fieldsOf(swapSquareParams, params).number("yard", ["distance"], "knob.distance", { unit: "m", step: 0.1 }),
  ],
  graded: (params) =>
    Array.from({ length: farthest(params) }, (_, i) => [
      { field: "params.least", value: i + 1 },
      { field: "params.most", value: i + 1 },
    ]),
  summary: (params) => ({ key: "square.summary", params: { n: params.n, least: params.least, most: params.most } }),
  phrases: [
    "square.mix.app",
    "square.mix.hand",
    "square.mix.opponent",
    "square.swap.line",
    "square.swap.next",
    "between.now",
    "square.end",
    "square.end.stopped",
    "square.setUp",
    "square.slips",
    "square.summary",
    "refused.mixed",
    "refused.notWhole",
    "refused.notMixed",
    "refused.mixFirst",
    "refused.noSuchCell",
    "refused.notInLine",
    "refused.notNext",
  ],
  seldom: (params, modes) => (modes.includes("against") && params.score === "time" ? ["race"] : []),
  bare: ["marchKnees", "squat"],
  example: {
    title: "Rows that match",
    action: "carry",
    send: "sockBall",
    space: { length: 4, width: 2, floor: "carpet", indoors: true },
    params: {
      n: 3,
      reach: "line",
      kinds: ["sock", "peg", "teaspoon", "paperCup", "button"],
      cell: 0.4,
      distance: 2,
      mix: "app",
      least: 3,
      most: 4,
      score: "trips",
      squares: "own",
      exercise: null,
    },
    match: USUAL_MATCH,
  },
};
