import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { distanceKnob } from "../../targets/knobs.ts";
import { play } from "./play.ts";
import { type ClosestState, possible } from "./rules.ts";
import type { ClosestParams } from "./schema.ts";
import { closestParams } from "./schema.ts";

function knobs(field: ClosestParams): Knob[] {
  const fields = fieldsOf(closestParams, field);
  return [
    fields.number("score/length", ["finish", "points"], "knob.firstTo", {
      ...(field.finish.rounds !== null && { off: { label: "knob.noTotal", initial: 7 } }),
      family: { key: "set.total" },
    }),
    fields.number("score/length", ["finish", "rounds"], "knob.roundsMost", {
      ...(field.finish.points !== null && { off: { label: "knob.noCap", initial: 6 } }),
      family: { key: "set.rounds" },
    }),
    fields.number("players", ["pieces"], "knob.pieces"),
    fields.choice("players", ["order"], "knob.sendOrder", [
      ["turn", "knob.orderTurn"],
      ["farther", "knob.orderFarther"],
    ]),
    fields.choice("players/fine", ["leads"], "knob.leads", [
      ["winner", "knob.leadsWinner"],
      ["loser", "knob.leadsLoser"],
      ["alternate", "knob.leadsAlternate"],
    ]),
    fields.number("players", ["mark"], "knob.aloneMark", { unit: "m", step: 0.05, hint: "knob.aloneMarkHint" }),
    fields.choice("yard", ["jack"], "knob.jack", [
      ["sent", "knob.jackSent"],
      ["placed", "knob.jackPlaced"],
    ]),
    fields.toggle("yard/fine", ["dead"], "knob.dead"),
    fields.choice("yard/fine", ["struck"], "knob.struck", [
      ["stays", "knob.struckStays"],
      ["back", "knob.struckBack"],
    ]),
    fields.number("yard", ["width"], "knob.laneWidth", { unit: "m", step: 0.05 }),
  ];
}

/** A jack is sent first. Then the side that lies nearest to it scores, round after round. */
export const closest: Pattern<ClosestParams, ClosestState> = {
  ...play,
  rank: 10,
  params: closestParams,
  actions: isSend,
  problems: (_, match) =>
    match.goes.count > 1 || match.seconds !== null
      ? [{ path: ["match", "goes"], message: "rounds with a jack are one go, without a time limit" }]
      : [],
  possible,
  setUp: (field) => [{ key: field.jack === "sent" ? "closest.setUp.sent" : "closest.setUp.placed" }],
  knobs,
  pegKnobs: (field, id) => [distanceKnob(fieldsOf(closestParams, field), [id])],
  summary: (field) => ({
    key: field.finish.points !== null ? "closest.summary.points" : "closest.summary.rounds",
    params: { points: field.finish.points ?? 0, rounds: field.finish.rounds ?? 0, pieces: field.pieces },
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
  seldom: (params, modes) => ["void", ...(modes.includes("against") && params.leads === "loser" ? ["farthest"] : [])],
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
