import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { distanceKnob, targetKnobs } from "../../targets/knobs.ts";
import { lineIndex } from "../../targets/lines.ts";
import { objectsKnob, waysKnob } from "../../targets/ways-knobs.ts";
import { play } from "./play.ts";
import { type PassGo, possible } from "./rules.ts";
import type { PassParams } from "./schema.ts";
import { passParams } from "./schema.ts";

const BUCKET = {
  id: "container",
  item: "bucket",
  label: "",
  across: 0,
  width: 0.28,
  height: 0.28,
  counts: ["into"],
} as const;

function knobs(params: PassParams): Knob[] {
  const fields = fieldsOf(passParams, params);
  const { way } = params;
  const or = <T>(kind: string, other: T) => (way.kind === kind ? way : other);
  return [
    fields.choice("players", ["way"], "knob.passWay", [
      [or("chase", { kind: "chase", turn: 1 }), "knob.passChase"],
      [or("pair", { kind: "pair", bounce: false }), "knob.passPair"],
      [or("container", { kind: "container", target: { ...BUCKET, counts: ["into"] } }), "knob.passContainer"],
    ]),
    ...(way.kind === "chase"
      ? [fields.number("score", ["way", "turn"], "knob.passTurn", { unit: "s", step: 0.5, hint: "knob.passTurnHint" })]
      : []),
    ...(way.kind === "pair" ? [fields.toggle("score", ["way", "bounce"], "knob.bounceCatch")] : []),
    waysKnob("knob.waysMark"),
    objectsKnob("knob.thingsMark"),
    fields.number("score", ["passes"], "knob.passes"),
    fields.choice("score", ["drop"], "knob.drop", [
      ["repeat", "knob.passRepeat"],
      ["stay", "knob.passStay"],
      ["back", "knob.passBack"],
    ]),
    fields.number("score/length", ["sends"], "knob.sendsAll", {
      off: { label: "knob.noCap", initial: 24 },
      family: { key: "set.sends" },
    }),
    fields.choice("score", ["score"], "knob.scoring", [
      ["marks", "knob.byMarks"],
      ["passes", "knob.byPasses"],
      ["time", "knob.byTime"],
    ]),
  ];
}

/** Marks at growing distances. A number of clean passes at one mark opens the next. */
export const passLadder: Pattern<PassParams, MatchState<PassParams, PassGo>> = {
  ...play,
  rank: 11,
  params: passParams,
  together: () => ({ key: "together.ladder" }),
  // A child who should learn to catch has a way of receiving of their own.
  actions: (action) => action === "catch" || isSend(action),
  problems: (params, match) => {
    if (params.sends === null && match.seconds === null)
      return [
        { path: ["params", "sends"], message: "the ladder needs a number of attempts (1 to 200), or a time limit" },
      ];
    return [];
  },
  possible,
  setUp: (params) => [{ key: `passLadder.setUp.${params.way.kind}` }],
  knobs,
  pegKnobs: (params, id) => {
    const fields = fieldsOf(passParams, params);
    return [
      distanceKnob(fields, ["marks", lineIndex(id)]),
      ...(params.way.kind === "container" ? targetKnobs(fields, ["way", "target"], params.way.target) : []),
    ];
  },
  summary: (params) => ({
    key: `passLadder.summary.${params.way.kind}`,
    params: { marks: params.marks.length, passes: params.passes, sends: params.sends ?? 0 },
  }),
  phrases: ["chase", "pair", "container"]
    .flatMap((word) => [`passLadder.${word}`, `passLadder.summary.${word}`, `passLadder.setUp.${word}`])
    .concat("passLadder.end", "passLadder.end.top"),
  seldom: (_, modes) => (modes.includes("relay") ? ["team"] : []),
  bare: ["sideStep", "shadowThrow"],
  example: {
    title: "Roll, turn, run",
    action: "underarmRoll",
    send: "softBall",
    space: { length: 7, width: 2, floor: "boards", indoors: true },
    params: {
      marks: [2, 3, 4, 5],
      way: { kind: "chase", turn: 1 },
      ways: [],
      things: [],
      passes: 3,
      drop: "repeat",
      sends: 16,
      score: "marks",
    },
    match: { ...USUAL_MATCH, swap: "go" },
  },
};
