import type { Pattern, Phrase } from "../contract.ts";
import { addPeg, knobs, pegKnobs, removePeg } from "./knobs.ts";
import { layout, moveAside, movePeg, pegs, squeeze, swapTarget, touchCounts } from "./layout.ts";
import { type ClimbParams, climbParams } from "./params.ts";
import * as rules from "./rules.ts";

function summary(p: ClimbParams): Phrase {
  const tries = p.tries ?? 0;
  if (p.scoring.by === "points")
    return { key: "climb.summary.points", params: { tries, first: p.scoring.first, growth: p.scoring.growth } };
  return { key: `climb.summary.${p.scoring.by}`, params: { tries } };
}

/** Targets in a fixed order: a hit moves on, a miss repeats; or one target, and the line moves back. */
export const climb: Pattern<ClimbParams, rules.ClimbState> = {
  name: "climb",
  rulesVersion: 1,
  params: climbParams,
  start: rules.start,
  legal: rules.legal,
  step: rules.step,
  next: rules.next,
  due: rules.due,
  timed: rules.timed,
  key: rules.key,
  turn: rules.turn,
  done: rules.done,
  score: rules.score,
  ending: rules.ending,
  tally: rules.tally,
  possible: rules.possible,
  matchApart: rules.matchApart,
  layout,
  needs: (p) => ({ pieces: 1, blocker: false, apart: false, sends: p.tries }),
  swapTarget,
  touchCounts,
  squeeze,
  moveAside,
  pegs,
  movePeg,
  addPeg,
  removePeg,
  knobs,
  pegKnobs,
  summary,
  phrases: [
    "climb.end.top",
    "climb.end.spent",
    "climb.forfeit",
    "climb.line",
    "climb.target",
    "climb.summary.points",
    "climb.summary.tries",
    "climb.summary.time",
    "refused.noBell",
    "refused.bellEarly",
    "refused.noForfeit",
    "refused.afterBell",
    "refused.forfeitFirst",
    "refused.unknownTarget",
  ],
  example: {
    title: "Hallway climb",
    action: "underarmRoll",
    send: "sockBall",
    space: { length: 5.6, width: 2.4, floor: "carpet", indoors: true },
    params: {
      ladder: {
        kind: "targets",
        order: "nearest",
        targets: [
          {
            id: "t1",
            item: "bucket",
            label: "bucket",
            distance: 1.4,
            across: -0.56,
            width: 0.28,
            height: 0.28,
            counts: ["touch"],
          },
          {
            id: "t2",
            item: "box",
            label: "box",
            distance: 2.1,
            across: 0.63,
            width: 0.3,
            height: 0.22,
            counts: ["touch"],
          },
          {
            id: "t3",
            item: "book",
            label: "book",
            distance: 2.8,
            across: 0.34,
            width: 0.2,
            height: 0.27,
            counts: ["touch"],
          },
          {
            id: "t4",
            item: "saucepan",
            label: "saucepan",
            distance: 3.5,
            across: -0.53,
            width: 0.2,
            height: 0.12,
            counts: ["touch"],
          },
          {
            id: "t5",
            item: "bottle",
            label: "bottle",
            distance: 3.9,
            across: -0.17,
            width: 0.08,
            height: 0.28,
            counts: ["touch"],
          },
        ],
      },
      tries: 16,
      timeLimit: null,
      scoring: { by: "points", first: 2, growth: 1 },
      forfeit: null,
      goes: { count: 1, keep: "best" },
      swap: "send",
      end: "all",
    },
  },
};
