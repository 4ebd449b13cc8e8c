import type { PlayPattern } from "../../contract/contract.ts";
import { MODES, type Rules, type Setup } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { type DuelState, duelRules, duelRules1 } from "./duel.ts";
import { threeLineGround } from "./ground.ts";
import { piecesOf } from "./params.ts";
import { type Grid, threeLineGo } from "./rules.ts";
import type { ThreeLineParams } from "./schema.ts";

export type Alone = MatchState<ThreeLineParams, Grid>;
export type State = Alone | DuelState;
const alone = matched(threeLineGo);
const isDuel = (state: State): state is DuelState => "duel" in state;
/** Head to head, players share one grid, which has rules of its own. */
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

/** The playable half of the pattern. */
export const play: PlayPattern<ThreeLineParams, State> = {
  name: "threeLine",
  rulesVersion: 2,
  rules: threeLineRules,
  earlier: { 1: either(duelRules1) },
  match: { fields: ["goes", "swap", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  ground: threeLineGround,
  matchApart: (_, setup) => setup.mode === "against",
  // A line needs at least this many. With fewer pieces than squares, a slip of paper marks the place of a piece that
  // was picked up.
  needs: (params) => ({ pieces: piecesOf(params), blocker: false, apart: true, sends: params.sends }),
};
