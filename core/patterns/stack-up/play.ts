import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { stackGround } from "./ground.ts";
import { type StackGo, stackGo, stackGo1 } from "./rules.ts";
import type { StackParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<StackParams, MatchState<StackParams, StackGo>> = {
  name: "stackUp",
  rulesVersion: 2,
  rules: matched(stackGo),
  earlier: { 1: matched(stackGo1) },
  match: { fields: ["seconds", "goes", "end", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  ground: stackGround,
  matchApart: (params, setup) => params.heap === "shared" && setup.mode === "against" && params.score !== "felled",
  needs: () => ({
    pieces: 1,
    blocker: false,
    apart: false,
    sends: null,
  }),
};
