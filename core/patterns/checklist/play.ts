import type { PlayPattern } from "../../contract/contract.ts";
import { MODES } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { matched } from "../../match/matched.ts";
import { roomGround } from "../../targets/room.ts";
import { doingOf } from "./params.ts";
import { type ListGo, listGo } from "./rules.ts";
import type { ChecklistParams } from "./schema.ts";

const ground = roomGround((params: ChecklistParams) =>
  params.tasks.map((task, i) => ({
    id: `task${i + 1}`,
    aim: { kind: "skill" as const, task: doingOf(task) },
    manner: {},
  })),
);

/** The playable half of the pattern. */
export const play: PlayPattern<ChecklistParams, MatchState<ChecklistParams, ListGo>> = {
  name: "checklist",
  rulesVersion: 1,
  rules: matched(listGo),
  match: {
    fields: ["seconds", "goes", "swap", "carry"],
    swaps: [
      ["send", "knob.swapEach"],
      ["miss", "knob.swapMiss"],
      ["go", "knob.swapGo"],
    ],
    initial: { ...USUAL_MATCH, swap: "go" },
  },
  modes: MODES,
  ground,
  matchApart: () => false,
  needs: () => ({ pieces: 1, blocker: false, apart: false, sends: null }),
};
