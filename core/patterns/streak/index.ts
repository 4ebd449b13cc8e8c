import { isSend } from "../../actions/actions.ts";
import { leastToss } from "../../aim/performer.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { OBJECT_ROLES } from "../../kit/extra-objects.ts";
import type { MatchState } from "../../match/match-state.ts";
import { MAX_STAGES } from "./limits.ts";
import { isTossed } from "./params.ts";
import { play } from "./play.ts";
import { possible, type StreakGo } from "./rules.ts";
import { type Stage, type StreakParams, streakParams } from "./schema.ts";

/** This many stages: those that there are, then the last one again, each time a little longer. */
function staged(params: StreakParams, count: number): Stage[] {
  const last = params.stages[params.stages.length - 1]!;
  return Array.from({ length: count }, (_, i) => {
    const task = params.stages[i] ?? last;
    return { ...task, count: task.count ?? (i < count - 1 ? 5 : null) };
  });
}

/** Another task, with a toss that is high enough for it. */
const withTask = (givenTask: Stage, task: Stage["task"]): Stage =>
  task === givenTask.task
    ? givenTask
    : {
        ...givenTask,
        task,
        height: isTossed(task) ? Math.max(givenTask.height, leastToss(task as "clap")) : givenTask.height,
      };

function knobs(params: StreakParams): Knob[] {
  const fields = fieldsOf(streakParams, params);
  const each = (i: number): Knob[] => {
    const at = (name: string) => ["stages", i, name];
    const s = params.stages[i]!;
    return [
      fields.choice(
        "score",
        ["stages", i],
        "knob.task",
        (
          [
            ["touch", "knob.taskKeepUp"],
            ["catch", "doing.catch"],
            ["clap", "doing.clap"],
            ["touchFloor", "doing.touchFloor"],
            ["turn", "doing.turn"],
            ["balance", "knob.taskSeconds"],
            ["carry", "knob.taskSteps"],
          ] as const
        ).map(([task, name]) => [withTask(s, task), name]),
      ),
      fields.number(
        "score",
        at("count"),
        "knob.inRow",
        i === params.stages.length - 1 ? { off: { label: "knob.toTheEnd", initial: 8 } } : {},
      ),
      ...(s.count !== null ? [fields.toggle("score", at("inAll"), "knob.inAll", { hint: "knob.inAllHint" })] : []),
      fields.choice("score", at("hand"), "knob.hand", [
        ["usual", "knob.handUsual"],
        ["other", "knob.handOther"],
        ["alternate", "knob.handAlternate"],
        ["both", "knob.handBoth"],
      ]),
      fields.choice("score", at("posture"), "knob.posture", [
        ["standing", "knob.standing"],
        ["kneeling", "knob.kneeling"],
        ["sitting", "knob.sitting"],
      ]),
      fields.choice(
        "score",
        at("thing"),
        "knob.thing",
        OBJECT_ROLES.map((role) => [role, `thing.${role}`]),
      ),
      ...(s.task === "touch"
        ? [fields.toggle("score", at("bounce"), "knob.bounce"), fields.toggle("score", at("moving"), "knob.moving")]
        : isTossed(s.task)
          ? [fields.number("score", at("height"), "knob.tossHeight", { unit: "m", step: 0.1 })]
          : []),
    ];
  };
  return [
    fields.choice(
      "score",
      ["stages"],
      "knob.stages",
      Array.from({ length: MAX_STAGES }, (_, i) => [
        i + 1 === params.stages.length ? params.stages : staged(params, i + 1),
        `knob.stages.${i + 1}`,
      ]),
    ),
    ...params.stages.flatMap((_, i) => each(i)),
    fields.choice("score", ["drop"], "knob.drop", [
      ["resets", "knob.dropResets"],
      ["costsOne", "knob.dropCosts"],
      ["ends", "knob.dropEnds"],
    ]),
    fields.number("score/length", ["tries"], "knob.dropsAllowed", {
      off: { label: "knob.noCap", initial: 5 },
      family: { key: "set.tries" },
    }),
    ...(params.stages.length > 1 ? [fields.toggle("score", ["stays"], "knob.stays", { hint: "knob.staysHint" })] : []),
    fields.choice("score", ["score"], "knob.scoring", [
      ["run", "knob.byRun"],
      ["stage", "knob.byStage"],
      ["sum", "knob.byRuns"],
    ]),
  ];
}

/** The longest run without a drop; or a number in a row opens the next stage. */
export const streak: Pattern<StreakParams, MatchState<StreakParams, StreakGo>> = {
  ...play,
  rank: 9,
  params: streakParams,
  together: () => ({ key: "together.space" }),
  actions: (action) => action === "keepUp" || action === "tossCatch" || isSend(action),
  problems: (params, match) =>
    params.tries === null &&
    match.seconds === null &&
    params.drop !== "ends" &&
    params.stages[params.stages.length - 1]!.count === null
      ? [
          {
            path: ["params", "tries"],
            message: "a run that goes on needs a number of drops (1 to 60), or a time limit",
          },
        ]
      : [],
  possible,
  setUp: () => [{ key: "tally.setUp.room" }],
  knobs,
  pegKnobs: () => [],
  summary: (params) => ({
    key: params.stages.length > 1 ? "streak.summary.stages" : "streak.summary.run",
    params: { stages: params.stages.length, count: params.stages[0]!.count ?? 0, tries: params.tries ?? 0 },
  }),
  phrases: [
    "streak.touch",
    "streak.catch",
    "streak.clap",
    "streak.touchFloor",
    "streak.turn",
    "streak.balance",
    "streak.carry",
    "streak.total",
    "streak.end",
    "streak.end.all",
    "streak.summary.run",
    "streak.summary.stages",
    "tally.setUp.room",
    "refused.runMost",
    "refused.oneEach",
    "refused.afterBell",
  ],
  seldom: (_, modes) => (modes.includes("relay") ? ["team"] : []),
  bare: ["skipSpot", "marchKnees"],
  example: {
    title: "Never on the floor",
    action: "keepUp",
    send: "balloon",
    space: { length: 2, width: 2, floor: "carpet", indoors: true },
    params: {
      stages: [
        {
          task: "touch",
          count: 5,
          inAll: false,
          hand: "usual",
          posture: "standing",
          moving: false,
          bounce: false,
          thing: "send",
          height: 1,
        },
        {
          task: "touch",
          count: 5,
          inAll: false,
          hand: "other",
          posture: "standing",
          moving: false,
          bounce: false,
          thing: "send",
          height: 1,
        },
        {
          task: "touch",
          count: 8,
          inAll: false,
          hand: "alternate",
          posture: "kneeling",
          moving: false,
          bounce: false,
          thing: "send",
          height: 1,
        },
      ],
      drop: "resets",
      tries: 3,
      stays: true,
      score: "stage",
    },
    match: { ...USUAL_MATCH, swap: "miss" },
  },
};
