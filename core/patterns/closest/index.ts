import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { distanceKnob } from "../../targets/knobs.ts";
import { closestGround } from "./ground.ts";
import { type ClosestParams, closestParams } from "./params.ts";
import { type ClosestState, closestRules, closestRules1, possible } from "./rules.ts";

function knobs(p: ClosestParams): Knob[] {
  const f = fieldsOf(closestParams, p);
  return [
    f.number("score", ["finish", "points"], "knob.firstTo", {
      ...(p.finish.rounds !== null && { off: { label: "knob.noTotal", initial: 7 } }),
      family: { key: "set.total" },
    }),
    f.number("score", ["finish", "rounds"], "knob.roundsMost", {
      ...(p.finish.points !== null && { off: { label: "knob.noCap", initial: 6 } }),
      family: { key: "set.rounds" },
    }),
    f.number("players", ["pieces"], "knob.pieces"),
    f.choice("players", ["order"], "knob.sendOrder", [
      ["turn", "knob.orderTurn"],
      ["farther", "knob.orderFarther"],
    ]),
    f.choice("players", ["leads"], "knob.leads", [
      ["winner", "knob.leadsWinner"],
      ["loser", "knob.leadsLoser"],
      ["alternate", "knob.leadsAlternate"],
    ]),
    f.number("players", ["mark"], "knob.aloneMark", { unit: "m", step: 0.05, hint: "knob.aloneMarkHint" }),
    f.choice("yard", ["jack"], "knob.jack", [
      ["sent", "knob.jackSent"],
      ["placed", "knob.jackPlaced"],
    ]),
    f.toggle("yard", ["dead"], "knob.dead"),
    f.choice("yard", ["struck"], "knob.struck", [
      ["stays", "knob.struckStays"],
      ["back", "knob.struckBack"],
    ]),
    f.number("yard", ["width"], "knob.laneWidth", { unit: "m", step: 0.05 }),
  ];
}

/** A jack is sent first; then whoever lies nearest to it scores, round after round. */
export const closest: Pattern<ClosestParams, ClosestState> = {
  name: "closest",
  rulesVersion: 2,
  params: closestParams,
  rules: closestRules,
  earlier: { 1: closestRules1 },
  match: { fields: ["foot", "carry"], initial: USUAL_MATCH },
  modes: ["alone", "against", "relay"],
  actions: isSend,
  ground: closestGround,
  problems: (_, m) =>
    m.goes.count > 1 || m.seconds !== null
      ? [{ path: ["match", "goes"], message: "rounds with a jack are one go, without a time limit" }]
      : [],
  possible,
  matchApart: () => false,
  needs: (p) => ({ pieces: p.pieces, blocker: false, apart: true, sends: null }),
  setUp: (p) => [{ key: p.jack === "sent" ? "closest.setUp.sent" : "closest.setUp.placed" }],
  knobs,
  pegKnobs: (p, id) => [distanceKnob(fieldsOf(closestParams, p), [id])],
  summary: (p) => ({
    key: p.finish.points !== null ? "closest.summary.points" : "closest.summary.rounds",
    params: { points: p.finish.points ?? 0, rounds: p.finish.rounds ?? 0, pieces: p.pieces },
  }),
  phrases: [
    "closest.jack",
    "closest.place",
    "closest.send",
    "closest.count",
    "closest.end.points",
    "closest.end.mark",
    "closest.end.rounds",
    "closest.summary.points",
    "closest.summary.rounds",
    "closest.setUp.sent",
    "closest.setUp.placed",
    "refused.jackLies",
    "refused.jackFirst",
    "refused.jackBack",
    "refused.noDead",
    "refused.saysWhere",
    "refused.measureFirst",
    "refused.roundFull",
    "refused.roundOpen",
    "refused.noSuchPiece",
    "refused.unknownZone",
    "refused.nothingFell",
  ],
  bare: ["lunge", "sideBend"],
  example: {
    title: "Nearest to the button",
    action: "underarmRoll",
    send: "sockBall",
    space: { length: 4.5, width: 2, floor: "carpet", indoors: true },
    params: {
      near: 1.6,
      far: 3.2,
      width: 1.6,
      jack: "sent",
      pieces: 3,
      order: "turn",
      leads: "winner",
      dead: false,
      struck: "stays",
      mark: 0.4,
      finish: { points: 7, rounds: 8 },
    },
    match: USUAL_MATCH,
  },
};
