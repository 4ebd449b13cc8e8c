import { isSend } from "../../actions/actions.ts";
import { GATES } from "../../asks/ask.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { MAX_ROUNDS, USUAL_EXERCISE, WALL } from "./limits.ts";
import { courseOf, inPlace, tasksOf, walled } from "./params.ts";
import { play } from "./play.ts";
import { possible, type TallyGo } from "./rules.ts";
import { type TallyParams, tallyParams } from "./schema.ts";

function knobs(params: TallyParams): Knob[] {
  const fields = fieldsOf(tallyParams, params);
  const [first] = params.rounds;
  const many = (count: number) => Array.from({ length: count }, (_, i) => params.rounds[i] ?? params.rounds.at(-1)!);
  const each = (i: number): Knob[] => {
    const at = (name: string) => ["rounds", i, name];
    return [
      fields.choice("score", at("task"), "knob.task", [
        ["keepUp", "knob.taskKeepUp"],
        ["rebound", "knob.taskRebound"],
        ["shuttle", "knob.taskShuttle"],
        ["course", "knob.taskCourse"],
        ["catch", "knob.taskCatch"],
        ["exercise", "knob.taskExercise"],
      ]),
      ...(params.rounds[i]!.task === "exercise"
        ? [
            fields.text("score", at("exercise"), "knob.exerciseCounted"),
            fields.number("score", at("each"), "knob.exerciseEach", { unit: "s", step: 0.1 }),
          ]
        : []),
      fields.number("score", at("seconds"), "knob.roundSeconds", {
        unit: "s",
        step: 5,
        family: params.rounds.length === 1 ? { key: "set.seconds" } : { key: "set.roundSeconds", number: i + 1 },
      }),
      ...(params.rounds[i]!.task === "exercise"
        ? []
        : [
            fields.choice("score", at("hand"), "knob.hand", [
              ["usual", "knob.handUsual"],
              ["other", "knob.handOther"],
              ["alternate", "knob.handAlternate"],
            ]),
          ]),
      ...(params.rounds[i]!.task === "keepUp"
        ? [fields.toggle("score", at("bounce"), "knob.bounce"), fields.toggle("score", at("moving"), "knob.moving")]
        : []),
      ...(i < params.rounds.length - 1
        ? [fields.number("score", at("rest"), "knob.rest", { unit: "s", step: 5 })]
        : []),
    ];
  };
  return [
    fields.choice(
      "score",
      ["rounds"],
      "knob.tallyRounds",
      Array.from({ length: MAX_ROUNDS }, (_, i) => [
        i + 1 === params.rounds.length ? params.rounds : many(i + 1),
        `knob.tallyRounds.${i + 1}`,
      ]),
    ),
    ...(first ? params.rounds.flatMap((_, i) => each(i)) : []),
    ...(params.rounds.length > 1
      ? [
          fields.choice("score", ["keep"], "knob.keepRounds", [
            ["sum", "knob.keepSum"],
            ["best", "knob.keepBest"],
          ]),
        ]
      : []),
    fields.toggle("score/fine", ["inAir"], "knob.inAir"),
    ...(tasksOf(params).has("shuttle") && params.shuttle
      ? [
          fields.choice("yard", ["shuttle", "action"], "knob.shuttleAction", [
            ["underarmRoll", "action.underarmRoll"],
            ["underarmThrow", "action.underarmThrow"],
            ["overarmThrow", "action.overarmThrow"],
            ["kick", "action.kick"],
          ]),
        ]
      : []),
    ...(tasksOf(params).has("course") && params.course ? courseKnobs(params, fields) : []),
    ...(walled(params)
      ? [
          fields.choice("yard", ["wall", "action"], "knob.wallAction", [
            ["underarmThrow", "action.underarmThrow"],
            ["overarmThrow", "action.overarmThrow"],
            ["pushThrow", "action.pushThrow"],
          ]),
          fields.number("yard", ["wall", "landing"], "knob.landing", { unit: "m", step: 0.05 }),
          fields.number("yard", ["wall", "size"], "knob.markSize", { unit: "m", step: 0.05 }),
        ]
      : []),
  ];
}

/** The gates of a course, and what a miss repeats. */
function courseKnobs(params: TallyParams, fields: ReturnType<typeof fieldsOf>): Knob[] {
  const { gates } = params.course!;
  const last = gates[gates.length - 1]!;
  return [
    fields.choice("yard", ["course", "action"], "knob.courseAction", [
      ["dribbleFoot", "action.dribbleFoot"],
      ["dribbleStick", "action.dribbleStick"],
    ]),
    fields.choice(
      "yard",
      ["course", "gates"],
      "knob.gates",
      [1, 2, 3, 4, 5, 6].map((n) => [
        n === gates.length ? gates : Array.from({ length: n }, (_, i) => gates[i] ?? last),
        `knob.gates.${n}`,
      ]),
    ),
    ...gates.flatMap((_, i) => [
      fields.choice(
        "yard",
        ["course", "gates", i, "kind"],
        "knob.gate",
        GATES.map((gate) => [gate, `gate.${gate}`] as const),
      ),
      fields.number("yard", ["course", "gates", i, "metres"], "knob.gateMetres", { unit: "m", step: 0.5 }),
    ]),
    fields.choice("score", ["course", "miss"], "knob.courseMiss", [
      ["gate", "knob.missGate"],
      ["lap", "knob.missLap"],
    ]),
  ];
}

/** A round of an exercise, and the rest after it, seconds. */
const ROUND = 45;
const REST = 20;

/** How many in a number of seconds: touches that keep something up, or sends off a wall onto a mark on the floor. */
export const tally: Pattern<TallyParams, MatchState<TallyParams, TallyGo>> = {
  ...play,
  rank: 5,
  params: tallyParams,
  together: () => ({ key: "together.space" }),
  actions: (action) =>
    action === "keepUp" ||
    action === "tossCatch" ||
    action === "balance" ||
    action === "dribbleFoot" ||
    action === "dribbleStick" ||
    isSend(action),
  problems: (params) =>
    walled(params) && params.wall.distance - params.wall.landing < 0.3
      ? [
          {
            path: ["params", "wall", "landing"],
            message: `the landing spot is ${params.wall.landing} m from the wall, but the line is only ${params.wall.distance} m away`,
          },
        ]
      : [],
  possible,
  setUp: (params) => [
    ...(walled(params) ? [{ key: "tally.setUp.wall", params: { cm: Math.round(params.wall.landing * 100) } }] : []),
    ...(tasksOf(params).has("shuttle") ? [{ key: "tally.setUp.shuttle" }] : []),
    ...(tasksOf(params).has("course")
      ? courseOf(params).gates.map((gate, i) => ({ key: `tally.setUp.${gate.kind}`, params: { gate: i + 1 } }))
      : []),
    ...(inPlace(params) && !walled(params) ? [{ key: "tally.setUp.room" }] : []),
  ],
  knobs,
  pegKnobs: (params, id) => {
    const fields = fieldsOf(tallyParams, params);
    if (id === WALL)
      return [fields.number("yard", ["wall", "distance"], "knob.wallDistance", { unit: "m", step: 0.05 })];
    return params.shuttle
      ? [
          fields.number("yard", ["shuttle", "distance"], "knob.distance", { unit: "m", step: 0.05 }),
          fields.item(["shuttle"]),
          fields.number("yard", ["shuttle", "width"], "knob.width", { unit: "m", step: 0.01 }),
          fields.number("yard", ["shuttle", "height"], "knob.height", { unit: "m", step: 0.01 }),
        ]
      : [];
  },
  summary: (params) => ({
    key: `tally.summary.${tasksOf(params).size > 1 ? "both" : params.rounds[0]!.task}`,
    params: {
      rounds: params.rounds.length,
      seconds: params.rounds[0]!.seconds,
      exercise: params.rounds[0]!.exercise || USUAL_EXERCISE.exercise,
    },
  }),
  phrases: [
    "tally.keepUp",
    "tally.rebound",
    "tally.shuttle",
    "tally.course",
    "tally.catch",
    "tally.exercise",
    "tally.summary.catch",
    "tally.summary.exercise",
    "tally.summary.shuttle",
    "tally.summary.course",
    "tally.setUp.shuttle",
    ...GATES.map((gate) => `tally.setUp.${gate}`),
    "tally.total",
    "tally.end",
    "tally.setUp.wall",
    "tally.setUp.room",
    "tally.summary.keepUp",
    "tally.summary.rebound",
    "tally.summary.both",
    "refused.tooQuick",
    "refused.bellFirst",
    "refused.afterBell",
  ],
  ofExercises: (exercises) => ({
    params: {
      ...tally.example.params,
      rounds: exercises.map(({ name, each }) => ({
        task: "exercise",
        seconds: ROUND,
        rest: REST,
        hand: "usual",
        moving: false,
        bounce: false,
        exercise: name,
        each,
      })),
      keep: "sum",
    },
    match: { ...USUAL_MATCH, swap: "go" },
  }),
  bare: ["starJump", "skipSpot"],
  example: {
    title: "Up and up",
    action: "keepUp",
    send: "balloon",
    space: { length: 2, width: 2, floor: "carpet", indoors: true },
    params: {
      rounds: [
        { task: "keepUp", seconds: 45, rest: 20, hand: "usual", moving: false, bounce: false },
        { task: "keepUp", seconds: 45, rest: 20, hand: "other", moving: false, bounce: false },
      ],
      keep: "sum",
      inAir: false,
      wall: { action: "underarmThrow", distance: 1.8, landing: 0.9, size: 0.5, item: "paperSheet" },
      shuttle: { action: "underarmThrow", distance: 2.5, item: "bucket", width: 0.28, height: 0.28 },
      course: {
        action: "dribbleFoot",
        gates: [
          { kind: "weave", metres: 3 },
          { kind: "circle", metres: 2 },
          { kind: "stop", metres: 1 },
        ],
        miss: "gate",
      },
    },
    match: { ...USUAL_MATCH, swap: "go" },
  },
};
