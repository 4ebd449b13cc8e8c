import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern, Phrase } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { rallyGround } from "./ground.ts";
import { OVERS, type RallyParams, rallyParams } from "./params.ts";
import { possible, type RallyState, rallyRules, rallyRules1 } from "./rules.ts";

function knobs(p: RallyParams): Knob[] {
  const f = fieldsOf(rallyParams, p);
  return [
    f.choice(
      "yard",
      ["over"],
      "knob.over",
      OVERS.map((o) => [o, `over.${o}`] as const),
    ),
    ...(p.over === "net" || p.over === "rope"
      ? [f.number("yard", ["height"], "knob.netHeight", { unit: "m", step: 0.05 })]
      : []),
    f.number("yard", ["near", "width"], "knob.courtNear", { unit: "m", step: 0.1 }),
    f.number("yard", ["far", "width"], "knob.courtFar", { unit: "m", step: 0.1 }),
    f.number("score", ["points"], "knob.firstTo", { family: { key: "set.total" } }),
    f.toggle("score", ["lead"], "knob.leadTwo"),
    f.choice("score", ["games"], "knob.bestOf", [
      [1, "bestOf.1"],
      [3, "bestOf.3"],
      [5, "bestOf.5"],
    ]),
    f.number("score", ["bounces"], "knob.bounces"),
    f.choice("score", ["lines"], "knob.lines", [
      ["in", "knob.linesIn"],
      ["out", "knob.linesOut"],
    ]),
    f.choice("players", ["serve", "by"], "knob.servedBy", [
      ["alternate", "serve.alternate"],
      ["winner", "serve.winner"],
      ["loser", "serve.loser"],
      ["fixed", "serve.fixed"],
    ]),
    ...(p.serve.by === "alternate" ? [f.number("players", ["serve", "every"], "knob.serveEvery")] : []),
    f.choice("players", ["serve", "how"], "knob.serveHow", [
      ["hand", "serve.hand"],
      ["bounce", "serve.bounce"],
    ]),
    f.toggle("players", ["serve", "second"], "knob.second"),
    f.number("players", ["rallies"], "knob.rallies", { family: { key: "set.rallies" } }),
    f.choice("players", ["told"], "knob.told", [
      ["points", "told.points"],
      ["why", "told.why"],
      ["touches", "told.touches"],
    ]),
  ];
}

/** Over a line, a net, a rope or off a wall: two sides for points, or the longest rally together or alone. */
export const rally: Pattern<RallyParams, RallyState> = {
  name: "rally",
  rulesVersion: 2,
  params: rallyParams,
  rules: rallyRules,
  earlier: { 1: rallyRules1 },
  match: { fields: ["seconds", "carry"], initial: USUAL_MATCH },
  modes: ["alone", "against", "relay"],
  together: (p) => ({ key: p.over === "wall" ? "together.wall" : "together.halves" }),
  actions: (a) => isSend(a) || a === "keepUp" || a === "catch",
  ground: rallyGround,
  problems: (p, m) => [
    ...(m.goes.count > 1
      ? [{ path: ["match", "goes"], message: "a rally is one go; to play several, set the match length" }]
      : []),
    ...(p.games > 1 && m.seconds !== null
      ? [{ path: ["match", "seconds"], message: "a match of several games is played to points, without a time limit" }]
      : []),
  ],
  possible,
  matchApart: (_, setup) => setup.mode === "against",
  needs: () => ({ pieces: 1, blocker: false, apart: false, sends: null, implement: true }),
  setUp: (p): Phrase[] => [
    { key: `rally.setUp.${p.over}`, params: { cm: Math.round(p.height * 100) } },
    { key: `rally.counts.${p.lines}`, params: { bounces: p.bounces } },
  ],
  knobs,
  pegKnobs: (p, id) => {
    const f = fieldsOf(rallyParams, p);
    const of = id === "net" ? "near" : "far";
    return [f.number("yard", [of, "length"], "knob.courtLength", { unit: "m", step: 0.1 })];
  },
  summary: (p) => ({ key: "rally.summary", params: { points: p.points, games: p.games, over: p.over } }),
  phrases: [
    "rally.serve",
    "rally.second",
    "rally.begin",
    "rally.keep",
    "rally.end.won",
    "rally.end.bell",
    "rally.end.longest",
    "rally.summary",
    ...OVERS.map((o) => `rally.setUp.${o}`),
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
