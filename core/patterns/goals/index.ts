import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { goalsGround } from "./ground.ts";
import { FOULS, type GoalsParams, goalsParams } from "./params.ts";
import { type GoalsState, goalsRules, possible } from "./rules.ts";

function knobs(p: GoalsParams): Knob[] {
  const f = fieldsOf(goalsParams, p);
  const fouls = (list: GoalsParams["fouls"], label: string) => [list, label] as const;
  const same = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((x) => b.includes(x));
  const sets = [
    fouls([], "fouls.none"),
    fouls(["high"], "fouls.high"),
    fouls(["hands"], "fouls.hands"),
    fouls(["feet"], "fouls.feet"),
    fouls(["high", "feet"], "fouls.stick"),
    fouls([...FOULS], "fouls.all"),
  ];
  const known = sets.map(([list, label]) => [same(list, p.fouls) ? p.fouls : list, label] as const);
  return [
    f.number("yard", ["width"], "knob.goalsWidth", { unit: "m", step: 0.1 }),
    f.number("yard", ["farGoal"], "knob.farGoal", { unit: "m", step: 0.05 }),
    f.number("yard", ["nearGoal"], "knob.nearGoal", { unit: "m", step: 0.05 }),
    f.number("score", ["points"], "knob.firstTo", {
      off: { label: "knob.noTotal", initial: 7 },
      family: { key: "set.total" },
    }),
    f.choice("score", ["halves"], "knob.halves", [
      [1, "halves.1"],
      [2, "halves.2"],
    ]),
    f.choice("score", ["after"], "knob.afterGoal", [
      ["middle", "afterGoal.middle"],
      ["conceded", "afterGoal.conceded"],
    ]),
    f.choice("score", ["out"], "knob.outOfPlay", [
      ["other", "outOfPlay.other"],
      ["middle", "outOfPlay.middle"],
      ["again", "outOfPlay.again"],
    ]),
    f.choice("score", ["fouls"], "knob.fouls", known),
    f.choice("score", ["penalty"], "knob.penalty", [
      ["there", "penalty.there"],
      ["middle", "penalty.middle"],
      ["shot", "penalty.shot"],
    ]),
    f.toggle("players", ["riding"], "knob.riding"),
    f.choice("players", ["alone", "by"], "knob.aloneBy", [
      ["bell", "aloneBy.bell"],
      ["count", "aloneBy.count"],
    ]),
    p.alone.by === "bell"
      ? f.number("players", ["alone", "seconds"], "knob.aloneSeconds", {
          unit: "s",
          step: 5,
          family: { key: "set.seconds" },
        })
      : f.number("players", ["alone", "goals"], "knob.aloneGoals", { family: { key: "set.aloneGoals" } }),
  ];
}

/** Two goals and two sides: to so many, or until the bell; or a child alone, goal by goal. */
export const goals: Pattern<GoalsParams, GoalsState> = {
  name: "goals",
  rulesVersion: 1,
  params: goalsParams,
  rules: goalsRules,
  match: { fields: ["seconds", "carry"], initial: USUAL_MATCH },
  modes: ["alone", "against"],
  together: () => ({ key: "together.goals" }),
  actions: (a) => isSend(a) || a === "dribbleFoot" || a === "dribbleStick",
  ground: goalsGround,
  problems: (p, m) => [
    ...(m.goes.count > 1 ? [{ path: ["match", "goes"], message: "a game with goals is one go" }] : []),
    ...(p.points === null && m.seconds === null
      ? [{ path: ["params", "points"], message: "the game must end by a number of goals or a time limit" }]
      : []),
    ...(p.halves === 2 && m.seconds === null
      ? [{ path: ["params", "halves"], message: "two halves need a time limit for each" }]
      : []),
    ...(Math.max(p.nearGoal, p.farGoal) > p.width
      ? [
          {
            path: ["params", "farGoal"],
            message: `the goals cannot be wider than the field, which is ${p.width} m wide`,
          },
        ]
      : []),
  ],
  possible,
  matchApart: (_, setup) => setup.mode === "against",
  needs: () => ({ pieces: 1, blocker: false, apart: false, sends: null, implement: true }),
  setUp: (p) => [
    { key: "goals.setUp", params: { near: Math.round(p.nearGoal * 100), far: Math.round(p.farGoal * 100) } },
    ...(p.riding ? [{ key: "goals.setUp.riding" }] : []),
    ...p.fouls.map((foul) => ({ key: `goals.foul.${foul}` })),
  ],
  knobs,
  pegKnobs: (p) => [fieldsOf(goalsParams, p).number("yard", ["length"], "knob.fieldLength", { unit: "m", step: 0.1 })],
  summary: (p, m) => ({
    key: p.points === null ? "goals.summary.bell" : "goals.summary",
    params: { points: p.points ?? 0, minutes: Math.round((m.seconds ?? 0) / 60), halves: p.halves },
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
