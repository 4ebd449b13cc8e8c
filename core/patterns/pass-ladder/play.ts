import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { passGround } from "./ground.ts";
import { type PassGo, passGo, passGo1 } from "./rules.ts";
import type { PassParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<PassParams, MatchState<PassParams, PassGo>> = {
  name: "passLadder",
  rulesVersion: 2,
  rules: matched(passGo),
  earlier: { 1: matched(passGo1) },
  match: {
    fields: ["seconds", "goes", "swap", "foot", "carry"],
    swaps: [
      ["go", "knob.swapGo"],
      ["miss", "knob.swapDrop"],
      ["send", "knob.swapSend"],
    ],
    initial: { ...USUAL_MATCH, swap: "go" },
  },
  modes: MODES,
  ground: passGround,
  matchApart: () => false,
  needs: (params) => ({ pieces: 1, blocker: false, apart: false, sends: params.sends }),
};
