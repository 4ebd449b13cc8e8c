import { isSend } from "../../actions/actions.ts";
import type { Pattern, Phrase } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { knobs, pegKnobs } from "./knobs.ts";
import { play } from "./play.ts";
import { type Climber, possible } from "./rules.ts";
import type { ClimbParams } from "./schema.ts";
import { climbParams } from "./schema.ts";

function summary(params: ClimbParams): Phrase {
  const tries = params.tries ?? 0;
  if (params.scoring.by === "points")
    return {
      key: "climb.summary.points",
      params: { tries, first: params.scoring.first, growth: params.scoring.growth },
    };
  return { key: `climb.summary.${params.scoring.by}`, params: { tries } };
}

/** Targets in a fixed order: a hit moves on, a miss repeats. Or one target, and the line moves back. */
export const climb: Pattern<ClimbParams, MatchState<ClimbParams, Climber>> = {
  ...play,
  rank: 1,
  params: climbParams,
  actions: isSend,
  problems: (params, match) =>
    params.tries === null && match.seconds === null && params.scoring.by === "points" && match.goes.count > 1
      ? [
          {
            path: ["params", "tries"],
            message: "several goes for points need a limit: a number of attempts, or a time limit",
          },
        ]
      : [],
  possible,
  setUp: () => [],
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
    "refused.noForfeit",
    "refused.forfeitFirst",
    "refused.unknownTarget",
  ],
  bare: ["shadowThrow", "marchKnees"],
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
      scoring: { by: "points", first: 2, growth: 1 },
      forfeit: null,
    },
    match: USUAL_MATCH,
  },
};
