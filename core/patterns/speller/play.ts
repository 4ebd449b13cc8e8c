import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { spellerGround } from "./ground.ts";
import { type SpellerGo, spellerGo } from "./rules.ts";
import type { SpellerParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<SpellerParams, MatchState<SpellerParams, SpellerGo>> = {
  name: "speller",
  rulesVersion: 1,
  rules: matched(spellerGo),
  match: { fields: ["seconds", "goes", "swap", "end", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  ground: spellerGround,
  matchApart: () => false,
  needs: (params) => ({ pieces: 1, blocker: false, apart: false, sends: params.sends }),
};
