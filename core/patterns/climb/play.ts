import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { climbGround } from "./ground.ts";
import { type Climber, climbGo } from "./rules.ts";
import type { ClimbParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<ClimbParams, MatchState<ClimbParams, Climber>> = {
  name: "climb",
  rulesVersion: 1,
  rules: matched(climbGo),
  match: { fields: ["seconds", "goes", "swap", "end", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  ground: climbGround,
  matchApart: () => false,
  needs: (params) => ({ pieces: 1, blocker: false, apart: false, sends: params.tries }),
};
