import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { FOULS } from "./limits.ts";
import { play } from "./play.ts";
import { type GoalsState, possible } from "./rules.ts";
import { type GoalsParams, goalsParams } from "./schema.ts";

function knobs(params: GoalsParams): Knob[] {
  const fields = fieldsOf(goalsParams, params);
  const fouls = (list: GoalsParams["fouls"], label: string) => [list, label] as const;
  const same = (a: readonly string[], b: readonly string[]) =>
    a.length === b.length && a.every((text) => b.includes(text));
  const sets = [
    fouls([], "fouls.none"),
    fouls(["high"], "fouls.high"),
    fouls(["hands"], "fouls.hands"),
    fouls(["feet"], "fouls.feet"),
    fouls(["high", "feet"], "fouls.stick"),
    fouls([...FOULS], "fouls.all"),
  ];
  const known = sets.map(([list, label]) => [same(list, params.fouls) ? params.fouls : list, label] as const);
  return [
    fields.number("yard", ["width"], "knob.goalsWidth", { unit: "m", step: 0.1 }),
    fields.number("yard", ["farGoal"], "knob.farGoal", { unit: "m", step: 0.05 }),
    fields.number("yard", ["nearGoal"], "knob.nearGoal", { unit: "m", step: 0.05 }),
    fields.number("score/length", ["points"], "knob.firstTo", {
      off: { label: "knob.noTotal", initial: 7 },
      family: { key: "set.total" },
    }),
    fields.choice("score/length", ["halves"], "knob.halves", [
      [1, "halves.1"],
      [2, "halves.2"],
    ]),
    fields.choice("score", ["after"], "knob.afterGoal", [
      ["middle", "afterGoal.middle"],
      ["conceded", "afterGoal.conceded"],
    ]),
    fields.choice("score/fine", ["out"], "knob.outOfPlay", [
      ["other", "outOfPlay.other"],
      ["middle", "outOfPlay.middle"],
      ["again", "outOfPlay.again"],
    ]),
    fields.choice("score", ["fouls"], "knob.fouls", known),
    fields.choice("score/fine", ["penalty"], "knob.penalty", [
      ["there", "penalty.there"],
      ["middle", "penalty.middle"],
      ["shot", "penalty.shot"],
    ]),
    fields.toggle("players", ["riding"], "knob.riding"),
    fields.choice("players", ["alone", "by"], "knob.aloneBy", [
      ["bell", "aloneBy.bell"],
      ["count", "aloneBy.count"],
    ]),
    params.alone.by === "bell"
      ? fields.number("players", ["alone", "seconds"], "knob.aloneSeconds", {
          unit: "s",
          step: 5,
          family: { key: "set.seconds" },
        })
      : fields.number("players", ["alone", "goals"], "knob.aloneGoals", { family: { key: "set.aloneGoals" } }),
  ];
}

/** Two goals and two sides: to a number of goals, or until the bell. Or a child alone, goal by goal. */
export const goals: Pattern<GoalsParams, GoalsState> = {
  ...play,
  rank: 15,
  params: goalsParams,
  together: () => ({ key: "together.goals" }),
  actions: (action) => isSend(action) || action === "dribbleFoot" || action === "dribbleStick",
  problems: (params, match) => [
    ...(match.goes.count > 1 ? [{ path: ["match", "goes"], message: "a game with goals is one go" }] : []),
    ...(params.points === null && match.seconds === null
      ? [{ path: ["params", "points"], message: "the game must end by a number of goals or a time limit" }]
      : []),
    ...(params.halves === 2 && match.seconds === null
      ? [{ path: ["params", "halves"], message: "two halves need a time limit for each" }]
      : []),
    ...(Math.max(params.nearGoal, params.farGoal) > params.width
      ? [
          {
            path: ["params", "farGoal"],
            message: `the goals cannot be wider than the field, which is ${params.width} m wide`,
          },
        ]
      : []),
  ],
  possible,
  setUp: (params) => [
    { key: "goals.setUp", params: { near: Math.round(params.nearGoal * 100), far: Math.round(params.farGoal * 100) } },
    ...(params.riding ? [{ key: "goals.setUp.riding" }] : []),
    ...params.fouls.map((foul) => ({ key: `goals.foul.${foul}` })),
  ],
  knobs,
  pegKnobs: (params) => [
    fieldsOf(goalsParams, params).number("yard", ["length"], "knob.fieldLength", { unit: "m", step: 0.1 }),
  ],
  summary: (params, match) => ({
    key: params.points === null ? "goals.summary.bell" : "goals.summary",
    params: { points: params.points ?? 0, minutes: Math.round((match.seconds ?? 0) / 60), halves: params.halves },
  }),
  phrases: [
    ...["middle", "bringIn", "there", "again"].flatMap((how) => [`goals.${how}`, `goals.${how}.any`]),
    "goals.shot",
    "goals.half",
    "goals.alone",
    "goals.end.reached",
    "goals.end.bell",
    "goals.summary",
    "goals.summary.bell",
    "goals.setUp",
    "goals.setUp.riding",
    ...FOULS.map((foul) => `goals.foul.${foul}`),
    "refused.noSide",
    "refused.shotFirst",
    "refused.noShot",
    "refused.whoseOut",
    "refused.noFoul",
    "refused.runMost",
  ],
  bare: ["sideStep", "marchKnees"],
  example: {
    title: "Two gates",
    action: "dribbleFoot",
    send: "sockBall",
    space: { length: 5, width: 3, floor: "carpet", indoors: true },
    params: {
      length: 4,
      width: 2.5,
      nearGoal: 0.7,
      farGoal: 0.7,
      item: "bottle",
      points: 7,
      halves: 1,
      after: "conceded",
      out: "other",
      fouls: ["hands"],
      penalty: "there",
      riding: false,
      alone: { by: "bell", seconds: 60, goals: 5 },
    },
    match: USUAL_MATCH,
  },
};
