import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern, Phrase } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { OVERS } from "./limits.ts";
import { play } from "./play.ts";
import { possible, type RallyState } from "./rules.ts";
import { type RallyParams, rallyParams } from "./schema.ts";

function knobs(params: RallyParams): Knob[] {
  const fields = fieldsOf(rallyParams, params);
  return [
    fields.choice(
      "yard",
      ["over"],
      "knob.over",
      OVERS.map((over) => [over, `over.${over}`] as const),
    ),
    ...(params.over === "net" || params.over === "rope"
      ? [fields.number("yard", ["height"], "knob.netHeight", { unit: "m", step: 0.05 })]
      : []),
    fields.number("yard", ["near", "width"], "knob.courtNear", { unit: "m", step: 0.1 }),
    fields.number("yard", ["far", "width"], "knob.courtFar", { unit: "m", step: 0.1 }),
    fields.number("score/length", ["points"], "knob.firstTo", { family: { key: "set.total" } }),
    fields.toggle("score/length", ["lead"], "knob.leadTwo"),
    fields.choice("score/length", ["games"], "knob.bestOf", [
      [1, "bestOf.1"],
      [3, "bestOf.3"],
      [5, "bestOf.5"],
    ]),
    fields.number("score", ["bounces"], "knob.bounces"),
    fields.choice("score/fine", ["lines"], "knob.lines", [
      ["in", "knob.linesIn"],
      ["out", "knob.linesOut"],
    ]),
    fields.choice("players", ["serve", "by"], "knob.servedBy", [
      ["alternate", "serve.alternate"],
      ["winner", "serve.winner"],
      ["loser", "serve.loser"],
      ["fixed", "serve.fixed"],
    ]),
    ...(params.serve.by === "alternate" ? [fields.number("players", ["serve", "every"], "knob.serveEvery")] : []),
    fields.choice("players/fine", ["serve", "how"], "knob.serveHow", [
      ["hand", "serve.hand"],
      ["bounce", "serve.bounce"],
    ]),
    fields.toggle("players/fine", ["serve", "second"], "knob.second"),
    fields.number("players", ["rallies"], "knob.rallies", { family: { key: "set.rallies" } }),
    fields.choice("players/fine", ["told"], "knob.told", [
      ["points", "told.points"],
      ["why", "told.why"],
      ["touches", "told.touches"],
    ]),
  ];
}

/** Over a line, a net, a rope or off a wall: two sides for points, or the longest rally together or alone. */
export const rally: Pattern<RallyParams, RallyState> = {
  ...play,
  rank: 14,
  params: rallyParams,
  together: (params) => ({ key: params.over === "wall" ? "together.wall" : "together.halves" }),
  actions: (action) => isSend(action) || action === "keepUp" || action === "catch",
  problems: (params, match) => [
    ...(match.goes.count > 1
      ? [{ path: ["match", "goes"], message: "a rally is one go; to play several, set the match length" }]
      : []),
    ...(params.games > 1 && match.seconds !== null
      ? [{ path: ["match", "seconds"], message: "a match of several games is played to points, without a time limit" }]
      : []),
  ],
  possible,
  setUp: (params): Phrase[] => [
    { key: `rally.setUp.${params.over}`, params: { cm: Math.round(params.height * 100) } },
    { key: `rally.counts.${params.lines}`, params: { bounces: params.bounces } },
  ],
  knobs,
  pegKnobs: (params, id) => {
    const fields = fieldsOf(rallyParams, params);
    const of = id === "net" ? "near" : "far";
    return [fields.number("yard", [of, "length"], "knob.courtLength", { unit: "m", step: 0.1 })];
  },
  summary: (params) => ({
    key: "rally.summary",
    params: { points: params.points, games: params.games, over: params.over },
  }),
  phrases: [
    "rally.serve",
    "rally.second",
    "rally.begin",
    "rally.keep",
    "rally.end.won",
    "rally.end.bell",
    "rally.end.longest",
    "rally.summary",
    ...OVERS.map((over) => `rally.setUp.${over}`),
    "rally.counts.in",
    "rally.counts.out",
    "refused.noSecond",
    "refused.noSide",
    "refused.runMost",
    "refused.afterBell",
    "refused.notStarted",
  ],
  bare: ["sideStep", "shadowSwing"],
  example: {
    title: "Over the rope",
    action: "handStrike",
    send: "balloon",
    space: { length: 4, width: 2.5, floor: "carpet", indoors: true },
    params: {
      over: "rope",
      height: 0.9,
      near: { length: 1.6, width: 2 },
      far: { length: 1.6, width: 2 },
      serve: { by: "alternate", every: 1, how: "hand", second: false },
      bounces: 0,
      lines: "in",
      points: 7,
      lead: false,
      games: 1,
      rallies: 10,
      told: "points",
    },
    match: USUAL_MATCH,
  },
};
