import { isSend } from "../../actions/actions.ts";
import { leastToss } from "../../aim/performer.ts";
import { DOINGS } from "../../asks/ask.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { MAX_TASKS } from "./limits.ts";
import { play } from "./play.ts";
import { type ListGo, possible } from "./rules.ts";
import { type ChecklistParams, checklistParams } from "./schema.ts";

function knobs(params: ChecklistParams): Knob[] {
  const fields = fieldsOf(checklistParams, params);
  const last = params.tasks[params.tasks.length - 1]!;
  const each = (i: number): Knob[] => {
    const at = (name: string) => ["tasks", i, name];
    const { task } = params.tasks[i]!;
    return [
      fields.choice(
        "score",
        ["tasks", i],
        "knob.listTask",
        // Tossed high enough for the task.
        DOINGS.map((doing) => [
          doing === task
            ? params.tasks[i]
            : { ...params.tasks[i]!, task: doing, height: Math.max(params.tasks[i]!.height, leastToss(doing)) },
          `doing.${doing}`,
        ]),
      ),
      fields.number("score", at("times"), "knob.times"),
      ...(task === "balance"
        ? [fields.number("score", at("seconds"), "knob.held", { unit: "s", step: 1 })]
        : task === "carry"
          ? [fields.number("score", at("metres"), "knob.carried", { unit: "m", step: 0.5 })]
          : [fields.number("score", at("height"), "knob.tossHeight", { unit: "m", step: 0.1 })]),
    ];
  };
  return [
    fields.choice(
      "score",
      ["tasks"],
      "knob.listLength",
      Array.from({ length: MAX_TASKS }, (_, i) => [
        i + 1 === params.tasks.length
          ? params.tasks
          : Array.from({ length: i + 1 }, (_x, k) => params.tasks[k] ?? last),
        `knob.listLength.${i + 1}`,
      ]),
    ),
    ...params.tasks.flatMap((_, i) => each(i)),
    fields.choice("score", ["how"], "knob.listHow", [
      ["tick", "knob.listTick"],
      ["each", "knob.listEach"],
    ]),
    ...(params.how === "each"
      ? [
          fields.choice("score", ["need"], "knob.listNeed", [
            ["done", "knob.listDone"],
            ["attempts", "knob.listAttempts"],
          ]),
        ]
      : []),
    fields.choice("score", ["order"], "knob.order", [
      ["free", "knob.orderFree"],
      ["fixed", "knob.orderFixed"],
    ]),
    fields.choice("score", ["score"], "knob.scoring", [
      ["times", "knob.byTimes"],
      ["stars", "knob.byStars"],
      ["sends", "knob.byAttempts"],
    ]),
    fields.toggle("yard", ["square"], "knob.square", { hint: "knob.squareHint" }),
  ];
}

/** A list of tasks, each a number of times: ticked when done, or every attempt recorded. */
export const checklist: Pattern<ChecklistParams, MatchState<ChecklistParams, ListGo>> = {
  ...play,
  rank: 13,
  params: checklistParams,
  together: () => ({ key: "together.space" }),
  actions: (action) => action === "tossCatch" || action === "balance" || action === "carry" || isSend(action),
  problems: (params) =>
    params.score === "sends" && (params.how === "tick" || params.need === "attempts")
      ? [
          {
            path: ["params", "score"],
            message: "“fewest attempts” needs every time recorded, and tasks that end after a number of successes",
          },
        ]
      : [],
  possible,
  setUp: (params) => [
    { key: params.square ? "checklist.setUp.square" : "tally.setUp.room" },
    ...(params.tasks.some((task) => task.task === "turn") ? [{ key: "checklist.setUp.turn" }] : []),
  ],
  knobs,
  pegKnobs: () => [],
  summary: (params) => ({ key: "checklist.summary", params: { tasks: params.tasks.length, order: params.order } }),
  phrases: [
    "checklist.tick",
    "checklist.choose",
    ...DOINGS.map((doing) => `checklist.${doing}`),
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
