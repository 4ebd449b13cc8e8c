import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { OUTS, PUTS } from "./limits.ts";
import { play } from "./play.ts";
import { type BasesState, possible } from "./rules.ts";
import { type BasesParams, basesParams } from "./schema.ts";

function knobs(params: BasesParams): Knob[] {
  const fields = fieldsOf(basesParams, params);
  const same = (a: readonly string[], b: readonly string[]) =>
    a.length === b.length && a.every((text) => b.includes(text));
  const sets = [
    [[], "outsBy.none"],
    [["caught"], "outsBy.caught"],
    [["tagged", "first"], "outsBy.runners"],
    [["caught", "tagged", "first"], "outsBy.all"],
    [[...OUTS], "outsBy.swings"],
  ] as const;
  return [
    fields.number("yard", ["bases"], "knob.bases"),
    fields.toggle("yard", ["stop"], "knob.stopSpot"),
    fields.choice(
      "score",
      ["put"],
      "knob.put",
      PUTS.map((put) => [put, `put.${put}`] as const),
    ),
    fields.choice(
      "score",
      ["outs"],
      "knob.outsBy",
      sets.map(([list, label]) => [same(list, params.outs) ? params.outs : list, label] as const),
    ),
    fields.choice("score/length", ["turn", "by"], "knob.turnBy", [
      ["batters", "turnBy.batters"],
      ["outs", "turnBy.outs"],
    ]),
    params.turn.by === "outs"
      ? fields.number("score/length", ["turn", "outs"], "knob.turnOuts", { family: { key: "set.turnOuts" } })
      : fields.number("score/length", ["turn", "batters"], "knob.turnBatters", { family: { key: "set.turnBatters" } }),
    fields.number("score/length", ["innings"], "knob.innings", { family: { key: "set.innings" } }),
    fields.toggle("players/fine", ["waiting"], "knob.waitingRunner"),
    fields.toggle("score/fine", ["trips"], "knob.thereAndBack"),
  ];
}

/** A ball is hit, and a circuit is run before the ball is back: runs, outs, innings. */
export const bases: Pattern<BasesParams, BasesState> = {
  ...play,
  rank: 17,
  params: basesParams,
  together: () => ({ key: "together.bases" }),
  actions: isSend,
  problems: (params, match) => [
    ...(match.goes.count > 1
      ? [{ path: ["match", "goes"], message: "a game of bases is one go, with a set number of innings" }]
      : []),
    ...(params.trips && params.bases > 1
      ? [{ path: ["params", "bases"], message: `there and back is played with one base, not ${params.bases}` }]
      : []),
    ...(params.turn.by === "outs" && params.outs.length === 0
      ? [
          {
            path: ["params", "turn", "by"],
            message: "nobody can be out here, so a side must bat until a set number have batted",
          },
        ]
      : []),
  ],
  possible,
  setUp: (params) => [
    { key: "bases.setUp", params: { count: params.bases } },
    ...(params.stop ? [{ key: "bases.setUp.stop" }] : []),
    { key: "bases.care" },
    ...(params.outs.includes("tagged") ? [{ key: "bases.softTag" }] : []),
  ],
  knobs,
  pegKnobs: (params) => [
    fieldsOf(basesParams, params).number("yard", ["side"], "knob.baseSide", { unit: "m", step: 0.1 }),
  ],
  summary: (params) => ({ key: "bases.summary", params: { innings: params.innings, bases: params.bases } }),
  phrases: [
    ...PUTS.map((put) => `bases.${put}`),
    "bases.call",
    "bases.trips",
    "bases.end",
    "bases.summary",
    "bases.setUp",
    "bases.setUp.stop",
    "bases.care",
    "bases.softTag",
    "refused.callRunner",
    "refused.noRunner",
    "refused.noSuchOut",
    "refused.everyRunner",
    "refused.noSuchBase",
    "refused.notForced",
  ],
  seldom: (params) => (params.outs.includes("first") ? ["forced"] : []),
  bare: ["runSpot", "shadowSwing"],
  example: {
    title: "Round the yard",
    action: "shortStrike",
    send: "sockBall",
    implement: "platePaddle",
    space: { length: 9, width: 9, floor: "grass", indoors: false },
    params: {
      bases: 3,
      side: 4,
      put: "toss",
      turn: { by: "batters", outs: 3, batters: 4 },
      innings: 2,
      outs: [],
      stop: true,
      waiting: true,
      trips: false,
    },
    match: USUAL_MATCH,
  },
};
