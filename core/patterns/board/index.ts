import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern, Phrase } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { cm } from "../../contract/round.ts";
import type { MatchState } from "../../match/match-state.ts";
import { distanceKnob, targetKnobs } from "../../targets/knobs.ts";
import { lineIndex, linesFrom } from "../../targets/lines.ts";
import { objectsKnob, waysKnob } from "../../targets/ways-knobs.ts";
import { play } from "./play.ts";
import { type BoardGo, capOf, possible } from "./rules.ts";
import type { BoardParams } from "./schema.ts";
import { boardParams } from "./schema.ts";

/** The same board in the other form: targets in front of one line, or one target and spots to send from. */
function layouts({ layout }: BoardParams) {
  if (layout.kind === "targets") {
    const { distance: _, points: _p, ...first } = layout.targets[0]!;
    const spots = linesFrom(layout.targets.map((target) => target.distance)).map((distance) => ({
      distance,
      points: Math.max(
        ...layout.targets.filter((target) => target.distance === distance).map((target) => target.points),
      ),
    }));
    return [layout, { kind: "spots", target: { ...first, across: 0 }, spots }];
  }
  const aside = (i: number) => cm((i % 2 === 0 ? -1 : 1) * (0.25 + 0.1 * i));
  const targets = layout.spots.map((spot, i) => ({ ...layout.target, id: `t${i + 1}`, across: aside(i), ...spot }));
  return [{ kind: "targets", targets }, layout];
}

function knobs(params: BoardParams): Knob[] {
  const fields = fieldsOf(boardParams, params);
  const [targets, spots] = layouts(params);
  return [
    fields.number("score/length", ["sends"], "knob.sendsAll", {
      off: { label: "knob.noCap", initial: 12 },
      family: { key: "set.sends" },
    }),
    fields.toggle("score/fine", ["inAir"], "knob.inAir"),
    fields.toggle("score", ["once"], "knob.once", { hint: "knob.onceHint" }),
    fields.number("score", ["bonus"], "knob.fullBonus", { hint: "knob.fullBonusHint" }),
    ...(params.layout.kind === "targets"
      ? [
          fields.choice("score", ["choice"], "knob.choice", [
            ["free", "knob.choiceFree"],
            ["called", "knob.choiceCalled"],
            ["action", "knob.choiceAction"],
            ["thing", "knob.choiceThing"],
          ]),
          ...(params.choice === "action" ? [waysKnob("knob.waysCalled", { least: 2 })] : []),
          ...(params.choice === "thing" ? [objectsKnob("knob.thingsCalled", { least: 2 })] : []),
        ]
      : []),
    fields.choice("yard", ["fetch"], "knob.fetched", [
      ["each", "knob.fetchedEach"],
      ["end", "knob.fetchedEnd"],
    ]),
    fields.choice("yard", ["layout"], "knob.board", [
      [targets, "knob.boardTargets"],
      [spots, "knob.boardSpots"],
    ]),
  ];
}

function pegKnobs(params: BoardParams, id: string): Knob[] {
  const fields = fieldsOf(boardParams, params);
  const { layout } = params;
  const i = layout.kind === "targets" ? layout.targets.findIndex((target) => target.id === id) : lineIndex(id);
  const base = layout.kind === "targets" ? ["layout", "targets", i] : ["layout", "spots", i];
  const spots = layout.kind === "spots";
  return [
    distanceKnob(fields, [...base, "distance"], spots ? "knob.fromTarget" : "knob.distance"),
    fields.number("yard", [...base, "points"], "knob.targetPoints"),
    ...targetKnobs(fields, spots ? ["layout", "target"] : base, spots ? layout.target : layout.targets[i]),
  ];
}

function summary(givenParams: BoardParams): Phrase {
  const params = {
    sends: givenParams.sends ?? 0,
    count: givenParams.layout.kind === "targets" ? givenParams.layout.targets.length : givenParams.layout.spots.length,
  };
  return { key: `board.summary.${givenParams.layout.kind}`, params };
}

/** Targets or spots with points each. The child chooses between near ones and ones that are worth more. */
export const board: Pattern<BoardParams, MatchState<BoardParams, BoardGo>> = {
  ...play,
  rank: 7,
  params: boardParams,
  actions: isSend,
  problems: (params, match) => {
    if (
      params.layout.kind === "targets" &&
      params.choice === "action" &&
      new Set(params.ways).size < Math.max(2, params.ways.length)
    )
      return [{ path: ["params", "ways"], message: "to call an action, there must be at least 2, each listed once" }];
    const byThing = params.layout.kind === "targets" && params.choice === "thing";
    if (byThing && new Set(params.things).size < Math.max(2, params.things.length))
      return [{ path: ["params", "things"], message: "to call an object, there must be at least 2, each listed once" }];
    if (capOf(params) === null && params.fetch === "end")
      return [
        {
          path: ["params", "fetch"],
          message: "fetching at the end needs a set number of attempts, with one object for each",
        },
      ];
    if (capOf(params) === null && match.seconds === null && !params.once)
      return [
        {
          path: ["params", "sends"],
          message: "the board needs a way to end: a number of attempts, a time limit, or targets that count only once",
        },
      ];
    return [];
  },
  possible,
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
