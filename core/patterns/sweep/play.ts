import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { sweepGround } from "./ground.ts";
import { type Sweeper, sweepGo } from "./rules.ts";
import type { SweepParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<SweepParams, MatchState<SweepParams, Sweeper>> = {
  name: "sweep",
  rulesVersion: 1,
  rules: matched(sweepGo),
  match: { fields: ["seconds", "goes", "swap", "end", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  ground: sweepGround,
  matchApart: (params, setup) => params.heap === "shared" && setup.mode === "against" && params.score !== "points",
  needs: (params) => ({ pieces: 1, blocker: false, apart: false, sends: params.sends }),
};
