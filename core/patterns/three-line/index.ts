import { isSend } from "../../actions/actions.ts";
import { type Knob, MODES, type Pattern, type Rules, type Setup } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { type MatchState, matched } from "../../match/matched.ts";
import { type DuelState, duelRules, duelRules1 } from "./duel.ts";
import { threeLineGround } from "./ground.ts";
import { piecesOf, type ThreeLineParams, threeLineParams } from "./params.ts";
import { type Grid, possible, threeLineGo } from "./rules.ts";

function knobs(p: ThreeLineParams): Knob[] {
  const f = fieldsOf(threeLineParams, p);
  return [
    f.number("score", ["sends"], "knob.lineSends", { hint: "knob.lineSendsHint", family: { key: "set.sends" } }),
    f.number("players", ["pieces"], "knob.linePieces", { off: { label: "knob.asALine", initial: p.size + 1 } }),
    f.choice("players", ["stuck"], "knob.stuck", [
      ["takeUp", "knob.stuckTakeUp"],
      ["draw", "knob.stuckDraw"],
    ]),
    f.choice("yard", ["size"], "knob.gridSize", [
      [3, "knob.grid3"],
      [4, "knob.grid4"],
    ]),
    f.number("yard", ["cell"], "knob.cellSize", { unit: "m", step: 0.05 }),
    f.choice("yard", ["marked"], "knob.marked", [
      ["corners", "knob.markedCorners"],
      ["sheets", "knob.markedSheets"],
    ]),
  ];
}

type Alone = MatchState<ThreeLineParams, Grid>;
type State = Alone | DuelState;
const alone = matched(threeLineGo);
const isDuel = (s: State): s is DuelState => "duel" in s;
/** Against each other one grid is shared, and has rules of its own. */
function either(duel: Rules<ThreeLineParams, DuelState>): Rules<ThreeLineParams, State> {
  const of = (s: State) => (isDuel(s) ? duel : alone) as unknown as Rules<ThreeLineParams, State>;
  const by = (setup: Setup) => (setup.mode === "against" ? duel : alone) as unknown as Rules<ThreeLineParams, State>;
  return {
    start: (p, m, setup) => by(setup).start(p, m, setup),
    asks: (s) => of(s).asks(s),
    step: (s, e) => of(s).step(s, e),
    due: (s) => of(s).due(s),
    clock: (p, m, setup) => by(setup).clock(p, m, setup),
    sidesMeet: (p, m, setup) => by(setup).sidesMeet(p, m, setup),
    key: (s) => of(s).key(s),
    turn: (s) => of(s).turn(s),
    done: (s) => of(s).done(s),
    score: (s) => of(s).score(s),
    ending: (s) => of(s).ending(s),
    progress: (s) => of(s).progress(s),
    leave: (s, who) => of(s).leave(s, who),
    join: (s, who, side) => of(s).join(s, who, side),
  };
}
export const threeLineRules = either(duelRules);

/** A grid of squares, one piece a square: a line of them in as few sends as can be. */
export const threeLine: Pattern<ThreeLineParams, State> = {
  name: "threeLine",
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
  needs: (p) => ({ pieces: piecesOf(p), blocker: false, apart: true, sends: p.sends }),
  setUp: (p) => [
    {
      key: `threeLine.setUp.${p.marked}`,
      params: { size: p.size, cm: Math.round(p.cell * 100) },
    },
    { key: "threeLine.setUp.slips" },
  ],
  knobs,
  pegKnobs: (p) => [
    fieldsOf(threeLineParams, p).number("yard", ["distance"], "knob.distance", { unit: "m", step: 0.05 }),
  ],
  summary: (p) => ({ key: "threeLine.summary", params: { size: p.size, sends: p.sends } }),
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
