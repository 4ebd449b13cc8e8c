import { isSend } from "../../actions/actions.ts";
import { type Knob, MODES, type Pattern, type Rules, type Setup } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { type DuelState, duelRules, duelRules1 } from "./duel.ts";
import { threeLineGround } from "./ground.ts";
import { piecesOf, type ThreeLineParams, threeLineParams } from "./params.ts";
import { type Grid, possible, threeLineGo } from "./rules.ts";

function knobs(params: ThreeLineParams): Knob[] {
  const fields = fieldsOf(threeLineParams, params);
  return [
    fields.number("score", ["sends"], "knob.lineSends", { hint: "knob.lineSendsHint", family: { key: "set.sends" } }),
    fields.number("players", ["pieces"], "knob.linePieces", {
      off: { label: "knob.asALine", initial: params.size + 1 },
    }),
    fields.choice("players", ["stuck"], "knob.stuck", [
      ["takeUp", "knob.stuckTakeUp"],
      ["draw", "knob.stuckDraw"],
    ]),
    fields.choice("yard", ["size"], "knob.gridSize", [
      [3, "knob.grid3"],
      [4, "knob.grid4"],
    ]),
    fields.number("yard", ["cell"], "knob.cellSize", { unit: "m", step: 0.05 }),
    fields.choice("yard", ["marked"], "knob.marked", [
      ["corners", "knob.markedCorners"],
      ["sheets", "knob.markedSheets"],
    ]),
  ];
}

type Alone = MatchState<ThreeLineParams, Grid>;
type State = Alone | DuelState;
const alone = matched(threeLineGo);
const isDuel = (state: State): state is DuelState => "duel" in state;
/** Against each other one grid is shared, and has rules of its own. */
function either(duel: Rules<ThreeLineParams, DuelState>): Rules<ThreeLineParams, State> {
  const of = (state: State) => (isDuel(state) ? duel : alone) as unknown as Rules<ThreeLineParams, State>;
  const by = (setup: Setup) => (setup.mode === "against" ? duel : alone) as unknown as Rules<ThreeLineParams, State>;
  return {
    start: (params, match, setup) => by(setup).start(params, match, setup),
    asks: (state) => of(state).asks(state),
    step: (state, event) => of(state).step(state, event),
    due: (state) => of(state).due(state),
    clock: (params, match, setup) => by(setup).clock(params, match, setup),
    sidesMeet: (params, match, setup) => by(setup).sidesMeet(params, match, setup),
    key: (state) => of(state).key(state),
    turn: (state) => of(state).turn(state),
    done: (state) => of(state).done(state),
    score: (state) => of(state).score(state),
    ending: (state) => of(state).ending(state),
    progress: (state) => of(state).progress(state),
    leave: (state, who) => of(state).leave(state, who),
    join: (state, who, side) => of(state).join(state, who, side),
  };
}
export const threeLineRules = either(duelRules);

/** A grid of squares, one piece a square: a line of them in as few sends as can be. */
export const threeLine: Pattern<ThreeLineParams, State> = {
  name: "threeLine",
  rank: 4,
  rulesVersion: 2,
  params: threeLineParams,
  rules: threeLineRules,
  earlier: { 1: either(duelRules1) },
  match: { fields: ["goes", "swap", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  actions: isSend,
  ground: threeLineGround,
  problems: () => [],
  possible,
  matchApart: (_, setup) => setup.mode === "against",
  // A line can be had with so many; with fewer than squares a slip of paper keeps the place of one that is taken up.
  needs: (params) => ({ pieces: piecesOf(params), blocker: false, apart: true, sends: params.sends }),
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
