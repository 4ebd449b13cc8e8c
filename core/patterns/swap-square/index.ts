import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { type MatchState, matched } from "../../match/matched.ts";
import { squareGround } from "./ground.ts";
import { type SwapSquareParams, swapSquareParams } from "./params.ts";
import { possible, type SquareGo, squareGo, squareGo1 } from "./rules.ts";

function knobs(p: SwapSquareParams): Knob[] {
  const f = fieldsOf(swapSquareParams, p);
  const exercise = p.exercise ?? { name: "star jumps", dose: 3 };
  return [
    f.number("yard", ["n"], "knob.squareN"),
    f.number("yard", ["cell"], "knob.squareCell", { unit: "m", step: 0.05 }),
    f.choice("score", ["reach"], "knob.swapReach", [
      ["line", "reach.line"],
      ["next", "reach.next"],
    ]),
    f.choice("score", ["mix"], "knob.mixedBy", [
      ["app", "mix.app"],
      ["hand", "mix.hand"],
      ["opponent", "mix.opponent"],
    ]),
    f.number("score", ["least"], "knob.leastTrips"),
    f.number("score", ["most"], "knob.mostTrips"),
    f.choice("score", ["score"], "knob.tripsOrTime", [
      ["trips", "scored.trips"],
      ["time", "scored.time"],
    ]),
    f.choice("score", ["exercise"], "knob.squareExercise", [
      [null, "knob.squareNothing"],
      [exercise, "knob.exercise"],
    ]),
    ...(p.exercise
      ? [
          f.text("score", ["exercise", "name"], "knob.exerciseName"),
          f.number("score", ["exercise", "dose"], "knob.dose"),
        ]
      : []),
    f.choice("players", ["squares"], "knob.squares", [
      ["own", "squares.own"],
      ["one", "squares.one"],
    ]),
  ];
}

/** Things of n kinds lie in a square: a trip each to swap two of them, until every row is of one kind. */
/** The fewest trips that a mix of three kinds may take: to any place in line 6, to the next one 8; of more kinds about as many a kind. */
const farthest = ({ n, reach }: SwapSquareParams): number => Math.min(20, reach === "line" ? 2 * n : 2 * n + 2);
export const swapSquare: Pattern<SwapSquareParams, MatchState<SwapSquareParams, SquareGo>> = {
  name: "swapSquare",
  rulesVersion: 2,
  params: swapSquareParams,
  rules: matched(squareGo),
  earlier: { 1: matched(squareGo1) },
  match: {
    fields: ["goes", "swap", "carry"],
    swaps: [
      ["send", "knob.swapTrip"],
      ["go", "knob.swapGo"],
      ["once", "knob.swapOnce"],
    ],
    initial: USUAL_MATCH,
  },
  modes: ["alone", "turns", "against", "relay"],
  together: (p) => ({ key: p.squares === "own" ? "together.squares" : "together.square" }),
  actions: (a) => a === "carry" || a === "balance",
  ground: squareGround,
  problems: (p, m) => [
    ...(p.squares === "one" && p.score === "time"
      ? [{ path: ["params", "score"], message: "on one grid, sides score the rows they complete, not time" }]
      : []),
    ...(p.squares === "one" && (m.goes.count > 1 || m.swap !== "send")
      ? [{ path: ["match", "goes"], message: "on one grid there is one go, and sides take trips in turn" }]
      : []),
    ...(m.seconds !== null ? [{ path: ["match", "seconds"], message: "Swap square has no time limit" }] : []),
  ],
  possible,
  matchApart: (p, setup) => p.squares === "one" && setup.mode === "against",
  needs: (p) => ({
    pieces: 0,
    blocker: false,
    apart: false,
    sends: null,
    kinds: p.kinds.slice(0, p.n).map((item) => ({ item, count: p.n })),
  }),
  setUp: (p) => [{ key: "square.setUp", params: { n: p.n } }, { key: "square.slips" }],
  knobs,
  pegKnobs: (p) => [
    fieldsOf(swapSquareParams, p).number("yard", ["distance"], "knob.distance", { unit: "m", step: 0.1 }),
  ],
  graded: (p) =>
    Array.from({ length: farthest(p) }, (_, i) => [
      { field: "params.least", value: i + 1 },
      { field: "params.most", value: i + 1 },
    ]),
  summary: (p) => ({ key: "square.summary", params: { n: p.n, least: p.least, most: p.most } }),
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
