import { isSend } from "../../actions/actions.ts";
import { leastToss } from "../../aim/performer.ts";
import { DOINGS } from "../../asks/ask.ts";
import { type Knob, MODES, type Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { type MatchState, matched } from "../../match/matched.ts";
import { roomGround } from "../../targets/room.ts";
import { type ChecklistParams, checklistParams, doingOf, MAX_TASKS } from "./params.ts";
import { type ListGo, listGo, possible } from "./rules.ts";

const ground = roomGround((p: ChecklistParams) =>
  p.tasks.map((t, i) => ({ id: `task${i + 1}`, aim: { kind: "skill" as const, task: doingOf(t) }, manner: {} })),
);

function knobs(p: ChecklistParams): Knob[] {
  const f = fieldsOf(checklistParams, p);
  const last = p.tasks[p.tasks.length - 1]!;
  const each = (i: number): Knob[] => {
    const at = (name: string) => ["tasks", i, name];
    const { task } = p.tasks[i]!;
    return [
      f.choice(
        "score",
        ["tasks", i],
        "knob.listTask",
        // Tossed high enough for it.
        DOINGS.map((d) => [
          d === task ? p.tasks[i] : { ...p.tasks[i]!, task: d, height: Math.max(p.tasks[i]!.height, leastToss(d)) },
          `doing.${d}`,
        ]),
      ),
      f.number("score", at("times"), "knob.times"),
      ...(task === "balance"
        ? [f.number("score", at("seconds"), "knob.held", { unit: "s", step: 1 })]
        : task === "carry"
          ? [f.number("score", at("metres"), "knob.carried", { unit: "m", step: 0.5 })]
          : [f.number("score", at("height"), "knob.tossHeight", { unit: "m", step: 0.1 })]),
    ];
  };
  return [
    f.choice(
      "score",
      ["tasks"],
      "knob.listLength",
      Array.from({ length: MAX_TASKS }, (_, i) => [
        i + 1 === p.tasks.length ? p.tasks : Array.from({ length: i + 1 }, (_x, k) => p.tasks[k] ?? last),
        `knob.listLength.${i + 1}`,
      ]),
    ),
    ...p.tasks.flatMap((_, i) => each(i)),
    f.choice("score", ["how"], "knob.listHow", [
      ["tick", "knob.listTick"],
      ["each", "knob.listEach"],
    ]),
    ...(p.how === "each"
      ? [
          f.choice("score", ["need"], "knob.listNeed", [
            ["done", "knob.listDone"],
            ["attempts", "knob.listAttempts"],
          ]),
        ]
      : []),
    f.choice("score", ["order"], "knob.order", [
      ["free", "knob.orderFree"],
      ["fixed", "knob.orderFixed"],
    ]),
    f.choice("score", ["score"], "knob.scoring", [
      ["times", "knob.byTimes"],
      ["stars", "knob.byStars"],
      ["sends", "knob.byAttempts"],
    ]),
    f.toggle("yard", ["square"], "knob.square", { hint: "knob.squareHint" }),
  ];
}

/** A list of tasks, so many times each: ticked, or every one told. */
export const checklist: Pattern<ChecklistParams, MatchState<ChecklistParams, ListGo>> = {
  name: "checklist",
  rulesVersion: 1,
  params: checklistParams,
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
  together: () => ({ key: "together.space" }),
  actions: (a) => a === "tossCatch" || a === "balance" || a === "carry" || isSend(a),
  ground,
  problems: (p) =>
    p.score === "sends" && (p.how === "tick" || p.need === "attempts")
      ? [
          {
            path: ["params", "score"],
            message: "“fewest attempts” needs every time recorded, and tasks that end after a number of successes",
          },
        ]
      : [],
  possible,
  matchApart: () => false,
  needs: () => ({ pieces: 1, blocker: false, apart: false, sends: null }),
  setUp: (p) => [
    { key: p.square ? "checklist.setUp.square" : "tally.setUp.room" },
    ...(p.tasks.some((t) => t.task === "turn") ? [{ key: "checklist.setUp.turn" }] : []),
  ],
  knobs,
  pegKnobs: () => [],
  summary: (p) => ({ key: "checklist.summary", params: { tasks: p.tasks.length, order: p.order } }),
  phrases: [
    "checklist.tick",
    "checklist.choose",
    ...DOINGS.map((d) => `checklist.${d}`),
    "checklist.end",
    "checklist.end.all",
    "checklist.summary",
    "checklist.setUp.square",
    "checklist.setUp.turn",
    "tally.setUp.room",
    "refused.taskFirst",
    "refused.taskDone",
    "refused.unknownTask",
    "refused.inOrder",
    "refused.oneEach",
    "refused.runMost",
  ],
  bare: ["hopLeg", "starJump"],
  example: {
    title: "Catch list",
    action: "tossCatch",
    send: "sockBall",
    space: { length: 2, width: 2, floor: "carpet", indoors: true },
    params: {
      tasks: [
        { task: "catch", times: 4, height: 0.6, seconds: 10, metres: 4 },
        { task: "clap", times: 4, height: 0.8, seconds: 10, metres: 4 },
        { task: "touchFloor", times: 4, height: 1.2, seconds: 10, metres: 4 },
        { task: "balance", times: 2, height: 1, seconds: 10, metres: 4 },
        { task: "carry", times: 2, height: 1, seconds: 10, metres: 4 },
      ],
      how: "each",
      need: "attempts",
      order: "free",
      square: true,
      score: "times",
    },
    match: { ...USUAL_MATCH, swap: "go" },
  },
};
