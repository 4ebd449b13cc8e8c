import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { play, type State } from "./play.ts";
import { possible } from "./rules.ts";
import type { ThreeLineParams } from "./schema.ts";
import { threeLineParams } from "./schema.ts";

function knobs(params: ThreeLineParams): Knob[] {
  const fields = fieldsOf(threeLineParams, params);
  return [
    fields.number("score/length", ["sends"], "knob.lineSends", {
      hint: "knob.lineSendsHint",
      family: { key: "set.sends" },
    }),
    fields.number("players", ["pieces"], "knob.linePieces", {
      off: { label: "knob.asALine", initial: params.size + 1 },
    }),
    fields.choice("players/fine", ["stuck"], "knob.stuck", [
      ["takeUp", "knob.stuckTakeUp"],
      ["draw", "knob.stuckDraw"],
    ]),
    fields.choice("yard", ["size"], "knob.gridSize", [
      [3, "knob.grid3"],
      [4, "knob.grid4"],
    ]),
    fields.number("yard", ["cell"], "knob.cellSize", { unit: "m", step: 0.05 }),
    fields.choice("yard/fine", ["marked"], "knob.marked", [
      ["corners", "knob.markedCorners"],
      ["sheets", "knob.markedSheets"],
    ]),
  ];
}

/** A grid of squares with one piece in each: a line of pieces in as few sends as possible. */
export const threeLine: Pattern<ThreeLineParams, State> = {
  ...play,
  rank: 4,
  params: threeLineParams,
  actions: isSend,
  problems: () => [],
  possible,
  setUp: (params) => [
    {
      key: `threeLine.setUp.${params.marked}`,
      params: { size: params.size, cm: Math.round(params.cell * 100) },
    },
    { key: "threeLine.setUp.slips" },
  ],
  knobs,
  pegKnobs: (params) => [
    fieldsOf(threeLineParams, params).number("yard", ["distance"], "knob.distance", { unit: "m", step: 0.05 }),
  ],
  summary: (params) => ({ key: "threeLine.summary", params: { size: params.size, sends: params.sends } }),
  phrases: [
    "threeLine.send",
    "threeLine.end.line",
    "threeLine.end.spent",
    "threeLine.end.draw",
    "threeLine.lift",
    "threeLine.bumped",
    "refused.sayAllLie",
    "refused.liftFirst",
    "refused.notYours",
    "threeLine.setUp.corners",
    "threeLine.setUp.sheets",
    "threeLine.setUp.slips",
    "threeLine.summary",
    "refused.unknownCell",
    "refused.noSuchPiece",
  ],
  seldom: (_, modes) => (modes.includes("against") ? ["bump"] : []),
  bare: ["sideStep", "wallThrowless"],
  example: {
    title: "Three in a row of socks",
    action: "underarmThrow",
    send: "sockBall",
    space: { length: 3.4, width: 1.8, floor: "carpet", indoors: true },
    params: { size: 3, cell: 0.45, distance: 1.1, sends: 15, stuck: "takeUp", pieces: null, marked: "corners" },
    match: USUAL_MATCH,
  },
};
