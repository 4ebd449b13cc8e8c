import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { boardGround } from "./ground.ts";
import { type BoardGo, boardGo, capOf } from "./rules.ts";
import type { BoardParams } from "./schema.ts";

/** The playable half of the pattern. */
export const play: PlayPattern<BoardParams, MatchState<BoardParams, BoardGo>> = {
  name: "board",
  rulesVersion: 1,
  rules: matched(boardGo),
  match: { fields: ["seconds", "goes", "swap", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  ground: boardGround,
  matchApart: () => false,
  needs: (params) => ({
    pieces: params.fetch === "end" && params.choice !== "thing" ? params.sends! : 1,
    blocker: false,
    apart: false,
    sends: capOf(params),
  }),
};
