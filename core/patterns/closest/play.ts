import type { PlayPattern } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { closestGround } from "./ground.ts";
import { type ClosestState, closestRules, closestRules1 } from "./rules.ts";
import type { ClosestParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<ClosestParams, ClosestState> = {
  name: "closest",
  rulesVersion: 2,
  rules: closestRules,
  earlier: { 1: closestRules1 },
  match: { fields: ["foot", "carry"], initial: USUAL_MATCH },
  modes: ["alone", "against", "relay"],
  ground: closestGround,
  matchApart: () => false,
  needs: (field) => ({ pieces: field.pieces, blocker: false, apart: true, sends: null }),
};
