import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { pinsGround } from "./ground.ts";
import { type PinsGo, pinsGo } from "./rules.ts";
import type { PinsParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<PinsParams, MatchState<PinsParams, PinsGo>> = {
  name: "pins",
  rulesVersion: 1,
  rules: matched(pinsGo),
  match: {
    fields: ["swap", "foot", "carry"],
    swaps: [
      ["budget", "knob.swapFrame"],
      ["go", "knob.swapGo"],
    ],
    initial: { ...USUAL_MATCH, swap: "budget" },
  },
  modes: MODES,
  ground: pinsGround,
  matchApart: () => false,
  needs: (params) => ({
    pieces: params.pieces ?? 1,
    blocker: false,
    apart: false,
    sends: params.frames * params.rolls,
  }),
};
