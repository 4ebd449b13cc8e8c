import { isSend } from "../../actions/actions.ts";
import { type Knob, MODES, type Pattern, type Phrase } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { cm } from "../../contract/schema.ts";
import { type MatchState, matched } from "../../match/matched.ts";
import { distanceKnob, targetKnobs } from "../../targets/knobs.ts";
import { lineIndex, linesFrom } from "../../targets/lines.ts";
import { thingsKnob, waysKnob } from "../../targets/ways.ts";
import { boardGround } from "./ground.ts";
import { type BoardParams, boardParams } from "./params.ts";
import { type BoardGo, boardGo, capOf, possible } from "./rules.ts";

/** The same board told the other way: targets before one line, or one target and spots to send from. */
function layouts({ layout: l }: BoardParams) {
  if (l.kind === "targets") {
    const { distance: _, points: _p, ...first } = l.targets[0]!;
    const spots = linesFrom(l.targets.map((t) => t.distance)).map((distance) => ({
      distance,
      points: Math.max(...l.targets.filter((t) => t.distance === distance).map((t) => t.points)),
    }));
    return [l, { kind: "spots", target: { ...first, across: 0 }, spots }];
  }
  const aside = (i: number) => cm((i % 2 === 0 ? -1 : 1) * (0.25 + 0.1 * i));
  const targets = l.spots.map((s, i) => ({ ...l.target, id: `t${i + 1}`, across: aside(i), ...s }));
  return [{ kind: "targets", targets }, l];
}

function knobs(p: BoardParams): Knob[] {
  const f = fieldsOf(boardParams, p);
  const [targets, spots] = layouts(p);
  return [
    f.number("score", ["sends"], "knob.sendsAll", {
      off: { label: "knob.noCap", initial: 12 },
      family: { key: "set.sends" },
    }),
    f.toggle("score", ["inAir"], "knob.inAir"),
    f.toggle("score", ["once"], "knob.once", { hint: "knob.onceHint" }),
    f.number("score", ["bonus"], "knob.fullBonus", { hint: "knob.fullBonusHint" }),
    ...(p.layout.kind === "targets"
      ? [
          f.choice("score", ["choice"], "knob.choice", [
            ["free", "knob.choiceFree"],
            ["called", "knob.choiceCalled"],
            ["action", "knob.choiceAction"],
            ["thing", "knob.choiceThing"],
          ]),
          ...(p.choice === "action" ? [waysKnob("knob.waysCalled", { least: 2 })] : []),
          ...(p.choice === "thing" ? [thingsKnob("knob.thingsCalled", { least: 2 })] : []),
        ]
      : []),
    f.choice("yard", ["fetch"], "knob.fetched", [
      ["each", "knob.fetchedEach"],
      ["end", "knob.fetchedEnd"],
    ]),
    f.choice("yard", ["layout"], "knob.board", [
      [targets, "knob.boardTargets"],
      [spots, "knob.boardSpots"],
    ]),
  ];
}

function pegKnobs(p: BoardParams, id: string): Knob[] {
  const f = fieldsOf(boardParams, p);
  const { layout: l } = p;
  const i = l.kind === "targets" ? l.targets.findIndex((t) => t.id === id) : lineIndex(id);
  const base = l.kind === "targets" ? ["layout", "targets", i] : ["layout", "spots", i];
  const spots = l.kind === "spots";
  return [
    distanceKnob(f, [...base, "distance"], spots ? "knob.fromTarget" : "knob.distance"),
    f.number("yard", [...base, "points"], "knob.targetPoints"),
    ...targetKnobs(f, spots ? ["layout", "target"] : base, spots ? l.target : l.targets[i]),
  ];
}

function summary(p: BoardParams): Phrase {
  const params = {
    sends: p.sends ?? 0,
    count: p.layout.kind === "targets" ? p.layout.targets.length : p.layout.spots.length,
  };
  return { key: `board.summary.${p.layout.kind}`, params };
}

/** Things or spots with points each: the child weighs what is near against what brings more. */
export const board: Pattern<BoardParams, MatchState<BoardParams, BoardGo>> = {
  name: "board",
  rulesVersion: 1,
  params: boardParams,
  rules: matched(boardGo),
  match: { fields: ["seconds", "goes", "swap", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  actions: isSend,
  ground: boardGround,
  problems: (p, m) => {
    if (p.layout.kind === "targets" && p.choice === "action" && new Set(p.ways).size < Math.max(2, p.ways.length))
      return [{ path: ["params", "ways"], message: "to call an action, there must be at least 2, each listed once" }];
    const byThing = p.layout.kind === "targets" && p.choice === "thing";
    if (byThing && new Set(p.things).size < Math.max(2, p.things.length))
      return [{ path: ["params", "things"], message: "to call an object, there must be at least 2, each listed once" }];
    if (capOf(p) === null && p.fetch === "end")
      return [
        {
          path: ["params", "fetch"],
          message: "fetching at the end needs a set number of attempts, with one object for each",
        },
      ];
    if (capOf(p) === null && m.seconds === null && !p.once)
      return [
        {
          path: ["params", "sends"],
          message: "the board needs a way to end: a number of attempts, a time limit, or targets that count only once",
        },
      ];
    return [];
  },
  possible,
  matchApart: () => false,
  needs: (p) => ({
    pieces: p.fetch === "end" && p.choice !== "thing" ? p.sends! : 1,
    blocker: false,
    apart: false,
    sends: capOf(p),
  }),
  setUp: () => [],
  knobs,
  pegKnobs,
  summary,
  phrases: [
    "board.free",
    "board.call",
    "board.way",
    "board.thing",
    "board.closing",
    "board.at",
    "board.spot",
    "board.from",
    "board.end",
    "board.end.full",
    "board.summary.targets",
    "board.summary.spots",
    "refused.usedUp",
    "refused.callFirst",
    "refused.spotFirst",
    "refused.unknownTarget",
  ],
  bare: ["wallThrowless", "squat"],
  example: {
    title: "Kitchen prices",
    action: "underarmThrow",
    send: "sockBall",
    space: { length: 4, width: 2.6, floor: "carpet", indoors: true },
    params: {
      layout: {
        kind: "targets",
        targets: [
          {
            id: "t1",
            item: "basket",
            label: "",
            distance: 1.3,
            across: -0.7,
            width: 0.45,
            height: 0.28,
            counts: ["touch"],
            points: 2,
          },
          {
            id: "t2",
            item: "box",
            label: "",
            distance: 1.8,
            across: 0.6,
            width: 0.3,
            height: 0.22,
            counts: ["touch"],
            points: 3,
          },
          {
            id: "t3",
            item: "bucket",
            label: "",
            distance: 2.3,
            across: -0.1,
            width: 0.28,
            height: 0.28,
            counts: ["touch"],
            points: 5,
          },
        ],
      },
      choice: "free",
      ways: ["underarmThrow", "overarmThrow"],
      things: ["send", "other1"],
      sends: 12,
      fetch: "each",
      inAir: false,
      once: false,
      bonus: 4,
    },
    match: USUAL_MATCH,
  },
};
