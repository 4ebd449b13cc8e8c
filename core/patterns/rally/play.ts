import type { PlayPattern } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { rallyGround } from "./ground.ts";
import { type RallyState, rallyRules, rallyRules1 } from "./rules.ts";
import type { RallyParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<RallyParams, RallyState> = {
  name: "rally",
  rulesVersion: 2,
  rules: rallyRules,
  earlier: { 1: rallyRules1 },
  match: { fields: ["seconds", "carry"], initial: USUAL_MATCH },
  modes: ["alone", "against", "relay"],
  ground: rallyGround,
  matchApart: (_, setup) => setup.mode === "against",
  needs: () => ({ pieces: 1, blocker: false, apart: false, sends: null, implement: true }),
};
