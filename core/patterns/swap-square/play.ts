import type { PlayPattern } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { squareGround } from "./ground.ts";
import { type SquareGo, squareGo, squareGo1 } from "./rules.ts";
import type { SwapSquareParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<SwapSquareParams, MatchState<SwapSquareParams, SquareGo>> = {
  name: "swapSquare",
  rulesVersion: 2,
  rules: matched(squareGo),
  earlier: { 1: matched(squareGo1) },
  match: {
    fields: ["goes", "swap", "carry"],
    swaps: [
      ["send", "knob.swapTrip"],
      ["go", "knob.swapGo"],
      ["once", "knob.swapOnce"],
    ],
    initial: USUAL_MATCH,
  },
  modes: ["alone", "turns", "against", "relay"],
  ground: squareGround,
  matchApart: (params, setup) => params.squares === "one" && setup.mode === "against",
  needs: (params) => ({
    pieces: 0,
    blocker: false,
    apart: false,
    sends: null,
    kinds: params.kinds.slice(0, params.n).map((item) => ({ item, count: params.n })),
  }),
};
