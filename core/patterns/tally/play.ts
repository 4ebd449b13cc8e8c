import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { tallyGround } from "./ground.ts";
import { bare, kept } from "./params.ts";
import { type TallyGo, tallyGo } from "./rules.ts";
import type { TallyParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<TallyParams, MatchState<TallyParams, TallyGo>> = {
  name: "tally",
  rulesVersion: 1,
  rules: matched(tallyGo),
  match: {
    fields: ["goes", "swap", "carry"],
    swaps: [
      ["go", "knob.swapGo"],
      ["once", "knob.swapOnce"],
    ],
    initial: { ...USUAL_MATCH, swap: "go" },
  },
  modes: MODES,
  ground: tallyGround,
  matchApart: () => false,
  needs: (params) => ({
    pieces: bare(params) ? 0 : 1,
    blocker: false,
    apart: false,
    sends: null,
    ...(kept(params) && { implement: true }),
  }),
};
