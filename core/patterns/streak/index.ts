import { isSend } from "../../actions/actions.ts";
import { leastToss } from "../../aim/performer.ts";
import { type Knob, MODES, type Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { THING_ROLES } from "../../kit/extra-objects.ts";
import { type MatchState, matched } from "../../match/matched.ts";
import { roomGround } from "../../targets/room.ts";
import { aimOf, isTossed, MAX_STAGES, mannerOf, type Stage, type StreakParams, streakParams } from "./params.ts";
import { possible, type StreakGo, streakGo, streakGo1 } from "./rules.ts";

const ground = roomGround((p: StreakParams) =>
  p.stages.map((s, i) => ({ id: `stage${i + 1}`, aim: aimOf(s), manner: mannerOf(s) })),
);

/** So many stages: those there are, and the last one again a little longer. */
function staged(p: StreakParams, n: number): Stage[] {
  const last = p.stages[p.stages.length - 1]!;
  return Array.from({ length: n }, (_, i) => {
    const s = p.stages[i] ?? last;
    return { ...s, count: s.count ?? (i < n - 1 ? 5 : null) };
  });
}

/** Another task, tossed high enough for it. */
const withTask = (s: Stage, task: Stage["task"]): Stage =>
  task === s.task
    ? s
    : { ...s, task, height: isTossed(task) ? Math.max(s.height, leastToss(task as "clap")) : s.height };

function knobs(p: StreakParams): Knob[] {
  const f = fieldsOf(streakParams, p);
  const each = (i: number): Knob[] => {
    const at = (name: string) => ["stages", i, name];
    const s = p.stages[i]!;
    return [
      f.choice(
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
      f.number(
        "score",
        at("count"),
        "knob.inRow",
        i === p.stages.length - 1 ? { off: { label: "knob.toTheEnd", initial: 8 } } : {},
      ),
      ...(s.count !== null ? [f.toggle("score", at("inAll"), "knob.inAll", { hint: "knob.inAllHint" })] : []),
      f.choice("score", at("hand"), "knob.hand", [
        ["usual", "knob.handUsual"],
        ["other", "knob.handOther"],
        ["alternate", "knob.handAlternate"],
        ["both", "knob.handBoth"],
      ]),
      f.choice("score", at("posture"), "knob.posture", [
        ["standing", "knob.standing"],
        ["kneeling", "knob.kneeling"],
        ["sitting", "knob.sitting"],
      ]),
      f.choice(
        "score",
        at("thing"),
        "knob.thing",
        THING_ROLES.map((role) => [role, `thing.${role}`]),
      ),
      ...(s.task === "touch"
        ? [f.toggle("score", at("bounce"), "knob.bounce"), f.toggle("score", at("moving"), "knob.moving")]
        : isTossed(s.task)
          ? [f.number("score", at("height"), "knob.tossHeight", { unit: "m", step: 0.1 })]
          : []),
    ];
  };
  return [
    f.choice(
      "score",
      ["stages"],
      "knob.stages",
      Array.from({ length: MAX_STAGES }, (_, i) => [
        i + 1 === p.stages.length ? p.stages : staged(p, i + 1),
        `knob.stages.${i + 1}`,
      ]),
    ),
    ...p.stages.flatMap((_, i) => each(i)),
    f.choice("score", ["drop"], "knob.drop", [
      ["resets", "knob.dropResets"],
      ["costsOne", "knob.dropCosts"],
      ["ends", "knob.dropEnds"],
    ]),
    f.number("score", ["tries"], "knob.dropsAllowed", {
      off: { label: "knob.noCap", initial: 5 },
      family: { key: "set.tries" },
    }),
    ...(p.stages.length > 1 ? [f.toggle("score", ["stays"], "knob.stays", { hint: "knob.staysHint" })] : []),
    f.choice("score", ["score"], "knob.scoring", [
      ["run", "knob.byRun"],
      ["stage", "knob.byStage"],
      ["sum", "knob.byRuns"],
    ]),
  ];
}

/** The longest run without a drop; or so many in a row open the next stage. */
export const streak: Pattern<StreakParams, MatchState<StreakParams, StreakGo>> = {
  name: "streak",
  rulesVersion: 2,
  params: streakParams,
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
  together: () => ({ key: "together.space" }),
  actions: (a) => a === "keepUp" || a === "tossCatch" || isSend(a),
  ground,
  problems: (p, m) =>
    p.tries === null && m.seconds === null && p.drop !== "ends" && p.stages[p.stages.length - 1]!.count === null
      ? [
          {
            path: ["params", "tries"],
            message: "a run that goes on needs a number of drops (1 to 60), or a time limit",
          },
        ]
      : [],
  possible,
  matchApart: () => false,
  needs: (p) => ({
    pieces: 1,
    blocker: false,
    apart: false,
    sends: null,
    ...(p.stages.some((s) => s.task === "touch") && { implement: true }),
  }),
  setUp: () => [{ key: "tally.setUp.room" }],
  knobs,
  pegKnobs: () => [],
  summary: (p) => ({
    key: p.stages.length > 1 ? "streak.summary.stages" : "streak.summary.run",
    params: { stages: p.stages.length, count: p.stages[0]!.count ?? 0, tries: p.tries ?? 0 },
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
