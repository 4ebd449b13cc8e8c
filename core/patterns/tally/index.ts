import { isSend } from "../../actions/actions.ts";
import { GATES } from "../../asks/ask.ts";
import { type Knob, MODES, type Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { type MatchState, matched } from "../../match/matched.ts";
import { tallyGround } from "./ground.ts";
import {
  bare,
  courseOf,
  inPlace,
  kept,
  MAX_ROUNDS,
  type TallyParams,
  tallyParams,
  tasksOf,
  USUAL_EXERCISE,
  WALL,
  walled,
} from "./params.ts";
import { possible, type TallyGo, tallyGo } from "./rules.ts";

function knobs(p: TallyParams): Knob[] {
  const f = fieldsOf(tallyParams, p);
  const [first] = p.rounds;
  const many = (n: number) => Array.from({ length: n }, (_, i) => p.rounds[i] ?? p.rounds.at(-1)!);
  const each = (i: number): Knob[] => {
    const at = (name: string) => ["rounds", i, name];
    return [
      f.choice("score", at("task"), "knob.task", [
        ["keepUp", "knob.taskKeepUp"],
        ["rebound", "knob.taskRebound"],
        ["shuttle", "knob.taskShuttle"],
        ["course", "knob.taskCourse"],
        ["catch", "knob.taskCatch"],
        ["exercise", "knob.taskExercise"],
      ]),
      ...(p.rounds[i]!.task === "exercise"
        ? [
            f.text("score", at("exercise"), "knob.exerciseCounted"),
            f.number("score", at("each"), "knob.exerciseEach", { unit: "s", step: 0.1 }),
          ]
        : []),
      f.number("score", at("seconds"), "knob.roundSeconds", {
        unit: "s",
        step: 5,
        family: p.rounds.length === 1 ? { key: "set.seconds" } : { key: "set.roundSeconds", number: i + 1 },
      }),
      ...(p.rounds[i]!.task === "exercise"
        ? []
        : [
            f.choice("score", at("hand"), "knob.hand", [
              ["usual", "knob.handUsual"],
              ["other", "knob.handOther"],
              ["alternate", "knob.handAlternate"],
            ]),
          ]),
      ...(p.rounds[i]!.task === "keepUp"
        ? [f.toggle("score", at("bounce"), "knob.bounce"), f.toggle("score", at("moving"), "knob.moving")]
        : []),
      ...(i < p.rounds.length - 1 ? [f.number("score", at("rest"), "knob.rest", { unit: "s", step: 5 })] : []),
    ];
  };
  return [
    f.choice(
      "score",
      ["rounds"],
      "knob.tallyRounds",
      Array.from({ length: MAX_ROUNDS }, (_, i) => [
        i + 1 === p.rounds.length ? p.rounds : many(i + 1),
        `knob.tallyRounds.${i + 1}`,
      ]),
    ),
    ...(first ? p.rounds.flatMap((_, i) => each(i)) : []),
    ...(p.rounds.length > 1
      ? [
          f.choice("score", ["keep"], "knob.keepRounds", [
            ["sum", "knob.keepSum"],
            ["best", "knob.keepBest"],
          ]),
        ]
      : []),
    f.toggle("score", ["inAir"], "knob.inAir"),
    ...(tasksOf(p).has("shuttle") && p.shuttle
      ? [
          f.choice("yard", ["shuttle", "action"], "knob.shuttleAction", [
            ["underarmRoll", "action.underarmRoll"],
            ["underarmThrow", "action.underarmThrow"],
            ["overarmThrow", "action.overarmThrow"],
            ["kick", "action.kick"],
          ]),
        ]
      : []),
    ...(tasksOf(p).has("course") && p.course ? courseKnobs(p, f) : []),
    ...(walled(p)
      ? [
          f.choice("yard", ["wall", "action"], "knob.wallAction", [
            ["underarmThrow", "action.underarmThrow"],
            ["overarmThrow", "action.overarmThrow"],
            ["pushThrow", "action.pushThrow"],
          ]),
          f.number("yard", ["wall", "landing"], "knob.landing", { unit: "m", step: 0.05 }),
          f.number("yard", ["wall", "size"], "knob.markSize", { unit: "m", step: 0.05 }),
        ]
      : []),
  ];
}

/** The gates of a course, and what a miss repeats. */
function courseKnobs(p: TallyParams, f: ReturnType<typeof fieldsOf>): Knob[] {
  const { gates } = p.course!;
  const last = gates[gates.length - 1]!;
  return [
    f.choice("yard", ["course", "action"], "knob.courseAction", [
      ["dribbleFoot", "action.dribbleFoot"],
      ["dribbleStick", "action.dribbleStick"],
    ]),
    f.choice(
      "yard",
      ["course", "gates"],
      "knob.gates",
      [1, 2, 3, 4, 5, 6].map((n) => [
        n === gates.length ? gates : Array.from({ length: n }, (_, i) => gates[i] ?? last),
        `knob.gates.${n}`,
      ]),
    ),
    ...gates.flatMap((_, i) => [
      f.choice(
        "yard",
        ["course", "gates", i, "kind"],
        "knob.gate",
        GATES.map((g) => [g, `gate.${g}`] as const),
      ),
      f.number("yard", ["course", "gates", i, "metres"], "knob.gateMetres", { unit: "m", step: 0.5 }),
    ]),
    f.choice("score", ["course", "miss"], "knob.courseMiss", [
      ["gate", "knob.missGate"],
      ["lap", "knob.missLap"],
    ]),
  ];
}

/** How many in so many seconds: touches kept up, or sends off a wall onto a mark on the floor. */
export const tally: Pattern<TallyParams, MatchState<TallyParams, TallyGo>> = {
  name: "tally",
  rulesVersion: 1,
  params: tallyParams,
  rules: matched(tallyGo),
  match: {
    fields: ["goes", "swap", "carry"],
    swaps: [
      ["go", "knob.swapGo"],
      ["once", "knob.swapOnce"],
    ],
    initial: { ...USUAL_MATCH, swap: "go" },
  },
  modes: MODES,
  together: () => ({ key: "together.space" }),
  actions: (a) =>
    a === "keepUp" || a === "tossCatch" || a === "balance" || a === "dribbleFoot" || a === "dribbleStick" || isSend(a),
  ground: tallyGround,
  problems: (p) =>
    walled(p) && p.wall.distance - p.wall.landing < 0.3
      ? [
          {
            path: ["params", "wall", "landing"],
            message: `the landing spot is ${p.wall.landing} m from the wall, but the line is only ${p.wall.distance} m away`,
          },
        ]
      : [],
  possible,
  matchApart: () => false,
  needs: (p) => ({
    pieces: bare(p) ? 0 : 1,
    blocker: false,
    apart: false,
    sends: null,
    ...(kept(p) && { implement: true }),
  }),
  setUp: (p) => [
    ...(walled(p) ? [{ key: "tally.setUp.wall", params: { cm: Math.round(p.wall.landing * 100) } }] : []),
    ...(tasksOf(p).has("shuttle") ? [{ key: "tally.setUp.shuttle" }] : []),
    ...(tasksOf(p).has("course")
      ? courseOf(p).gates.map((g, i) => ({ key: `tally.setUp.${g.kind}`, params: { gate: i + 1 } }))
      : []),
    ...(inPlace(p) && !walled(p) ? [{ key: "tally.setUp.room" }] : []),
  ],
  knobs,
  pegKnobs: (p, id) => {
    const f = fieldsOf(tallyParams, p);
    if (id === WALL) return [f.number("yard", ["wall", "distance"], "knob.wallDistance", { unit: "m", step: 0.05 })];
    return p.shuttle
      ? [
          f.number("yard", ["shuttle", "distance"], "knob.distance", { unit: "m", step: 0.05 }),
          f.item(["shuttle"]),
          f.number("yard", ["shuttle", "width"], "knob.width", { unit: "m", step: 0.01 }),
          f.number("yard", ["shuttle", "height"], "knob.height", { unit: "m", step: 0.01 }),
        ]
      : [];
  },
  summary: (p) => ({
    key: `tally.summary.${tasksOf(p).size > 1 ? "both" : p.rounds[0]!.task}`,
    params: {
      rounds: p.rounds.length,
      seconds: p.rounds[0]!.seconds,
      exercise: p.rounds[0]!.exercise || USUAL_EXERCISE.exercise,
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
    ...GATES.map((g) => `tally.setUp.${g}`),
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
