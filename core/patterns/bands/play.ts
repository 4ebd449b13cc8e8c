import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { bandsGround } from "./layout.ts";
import { type BandsState, bandsRules, matchApart } from "./rules.ts";
import type { BandsParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<BandsParams, BandsState> = {
  name: "bands",
  rulesVersion: 1,
  rules: bandsRules,
  match: { fields: ["foot", "carry"], initial: { ...USUAL_MATCH, carry: true } },
  modes: MODES,
  ground: bandsGround,
  matchApart,
  needs: (params) => ({ pieces: params.pieces, blocker: params.blocker, apart: true, sends: null }),
};
