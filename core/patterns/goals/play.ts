import type { PlayPattern } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { goalsGround } from "./ground.ts";
import { type GoalsState, goalsRules } from "./rules.ts";
import type { GoalsParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<GoalsParams, GoalsState> = {
  name: "goals",
  rulesVersion: 1,
  rules: goalsRules,
  match: { fields: ["seconds", "carry"], initial: USUAL_MATCH },
  modes: ["alone", "against"],
  ground: goalsGround,
  matchApart: (_, setup) => setup.mode === "against",
  needs: () => ({ pieces: 1, blocker: false, apart: false, sends: null, implement: true }),
};
