import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { distanceKnob, targetKnobs } from "../../targets/knobs.ts";
import { play } from "./play.ts";
import { possible, type Sweeper } from "./rules.ts";
import type { SweepParams } from "./schema.ts";
import { sweepParams } from "./schema.ts";

function knobs(params: SweepParams): Knob[] {
  const fields = fieldsOf(sweepParams, params);
  return [
    fields.choice("score", ["score"], "knob.scoring", [
      ["sends", "knob.byTries"],
      ["points", "knob.byPoints"],
      ["time", "knob.byTime"],
    ]),
    fields.number("score/length", ["sends"], "knob.tries", {
      off: { label: "knob.noCap", initial: 18 },
      family: { key: "set.sends" },
    }),
    ...(params.score === "points" || params.heap === "shared"
      ? [fields.number("score", ["bonus"], "knob.lastBonus", { hint: "knob.lastBonusHint" })]
      : []),
    fields.choice("yard", ["collect"], "knob.whenHit", [
      [true, "knob.carryBack"],
      [false, "knob.crossOut"],
    ]),
    ...(params.collect
      ? [
          fields.choice("score/fine", ["touching"], "knob.touching", [
            ["first", "knob.touchingFirst"],
            ["all", "knob.touchingAll"],
          ]),
        ]
      : []),
    fields.choice("players", ["heap"], "knob.heap", [
      ["own", "knob.heapOwn"],
      ["shared", "knob.heapShared"],
    ]),
  ];
}

/** Targets in any order. Whatever is hit is carried back or crossed out, until nothing stands. */
export const sweep: Pattern<SweepParams, MatchState<SweepParams, Sweeper>> = {
  ...play,
  rank: 6,
  params: sweepParams,
  actions: isSend,
  problems: (params, match) => {
    const shared = (message: string) => [{ path: ["params", "heap"], message }];
    if (params.heap === "shared" && (match.seconds !== null || params.score === "time"))
      return shared("shared targets cannot have a time limit: each side would play them alone");
    if (params.heap === "shared" && match.goes.count > 1) return shared("shared targets are one go each");
    if (params.heap === "shared" && match.swap !== "send" && match.swap !== "miss")
      return shared("shared targets need turns: the next player after each attempt, or after a miss");
    if (params.score === "points" && params.sends === null && match.seconds === null && match.goes.count > 1)
      return [
        {
          path: ["params", "sends"],
          message: "several goes for points need a limit: a number of attempts, or a time limit",
        },
      ];
    return [];
  },
  possible,
  setUp: (params) => [{ key: params.collect ? "sweep.setUp.collect" : "sweep.setUp.cross" }],
  knobs,
  pegKnobs: (params, id) => {
    const fields = fieldsOf(sweepParams, params);
    const at = params.targets.findIndex((target) => target.id === id);
    return [
      distanceKnob(fields, ["targets", at, "distance"]),
      ...(params.score === "points" || params.heap === "shared"
        ? [fields.number("yard", ["targets", at, "points"], "knob.targetPoints")]
        : []),
      ...targetKnobs(fields, ["targets", at], params.targets[at]),
    ];
  },
  summary: (params) => ({
    key: `sweep.summary.${params.score}`,
    params: { targets: params.targets.length, sends: params.sends ?? 0 },
  }),
  phrases: [
    "sweep.send",
    "sweep.last",
    "sweep.end.all",
    "sweep.end.spent",
    "sweep.setUp.collect",
    "sweep.setUp.cross",
    "sweep.summary.sends",
    "sweep.summary.points",
    "sweep.summary.time",
    "refused.carriedAway",
    "refused.whichTouched",
    "refused.unknownTarget",
  ],
  bare: ["sideStep", "squat"],
  example: {
    title: "Clear the kitchen",
    action: "underarmRoll",
    send: "sockBall",
    space: { length: 5, width: 2.4, floor: "carpet", indoors: true },
    params: {
      targets: [
        {
          id: "t1",
          item: "box",
          label: "box",
          distance: 1.5,
          across: -0.7,
          width: 0.3,
          height: 0.22,
          counts: ["touch"],
          points: 1,
        },
        {
          id: "t2",
          item: "saucepan",
          label: "saucepan",
          distance: 2.2,
          across: 0.2,
          width: 0.2,
          height: 0.12,
          counts: ["touch"],
          points: 2,
        },
        {
          id: "t3",
          item: "book",
          label: "book",
          distance: 2.8,
          across: -0.25,
          width: 0.2,
          height: 0.27,
          counts: ["touch"],
          points: 2,
        },
        {
          id: "t4",
          item: "bottle",
          label: "bottle",
          distance: 1.7,
          across: 0.75,
          width: 0.08,
          height: 0.28,
          counts: ["touch"],
          points: 4,
        },
      ],
      collect: true,
      touching: "first",
      sends: 18,
      score: "sends",
      bonus: 2,
      heap: "own",
    },
    match: USUAL_MATCH,
  },
};
