import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { roomGround } from "../../targets/room.ts";
import { aimOf, mannerOf } from "./params.ts";
import { type StreakGo, streakGo, streakGo1 } from "./rules.ts";
import type { StreakParams } from "./schema.ts";

const ground = roomGround((params: StreakParams) =>
  params.stages.map((stage, i) => ({ id: `stage${i + 1}`, aim: aimOf(stage), manner: mannerOf(stage) })),
);

/** The playable half of the pattern. */
export const play: PlayPattern<StreakParams, MatchState<StreakParams, StreakGo>> = {
  name: "streak",
  rulesVersion: 2,
  rules: matched(streakGo),
  earlier: { 1: matched(streakGo1) },
  match: {
    fields: ["seconds", "goes", "swap", "carry"],
    swaps: [
      ["miss", "knob.swapDrop"],
      ["go", "knob.swapGo"],
    ],
    initial: { ...USUAL_MATCH, swap: "miss" },
  },
  modes: MODES,
  ground,
  matchApart: () => false,
  needs: (params) => ({
    pieces: 1,
    blocker: false,
    apart: false,
    sends: null,
    ...(params.stages.some((stage) => stage.task === "touch") && { implement: true }),
  }),
};
