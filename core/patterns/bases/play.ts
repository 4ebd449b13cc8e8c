import type { PlayPattern } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { basesGround } from "./ground.ts";
import { type BasesState, basesRules, basesRules1 } from "./rules.ts";
import type { BasesParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<BasesParams, BasesState> = {
  name: "bases",
  rulesVersion: 2,
  rules: basesRules,
  earlier: { 1: basesRules1 },
  match: { fields: ["seconds", "carry"], initial: USUAL_MATCH },
  modes: ["alone", "against", "relay"],
  ground: basesGround,
  matchApart: (_, setup) => setup.mode === "against",
  needs: () => ({ pieces: 1, blocker: false, apart: false, sends: null, implement: true }),
};
