import { isSend } from "../../actions/actions.ts";
import { type Knob, MODES, type Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { type MatchState, matched } from "../../match/matched.ts";
import { distanceKnob, targetKnobs } from "../../targets/knobs.ts";
import { lineIndex } from "../../targets/lines.ts";
import { thingsKnob, waysKnob } from "../../targets/ways.ts";
import { passGround } from "./ground.ts";
import { type PassParams, passParams } from "./params.ts";
import { type PassGo, passGo, passGo1, possible } from "./rules.ts";

const BUCKET = {
  id: "container",
  item: "bucket",
  label: "",
  across: 0,
  width: 0.28,
  height: 0.28,
  counts: ["into"],
} as const;

function knobs(p: PassParams): Knob[] {
  const f = fieldsOf(passParams, p);
  const { way } = p;
  const or = <T>(kind: string, other: T) => (way.kind === kind ? way : other);
  return [
    f.choice("players", ["way"], "knob.passWay", [
      [or("chase", { kind: "chase", turn: 1 }), "knob.passChase"],
      [or("pair", { kind: "pair", bounce: false }), "knob.passPair"],
      [or("container", { kind: "container", target: { ...BUCKET, counts: ["into"] } }), "knob.passContainer"],
    ]),
    ...(way.kind === "chase"
      ? [f.number("score", ["way", "turn"], "knob.passTurn", { unit: "s", step: 0.5, hint: "knob.passTurnHint" })]
      : []),
    ...(way.kind === "pair" ? [f.toggle("score", ["way", "bounce"], "knob.bounceCatch")] : []),
    waysKnob("knob.waysMark"),
    thingsKnob("knob.thingsMark"),
    f.number("score", ["passes"], "knob.passes"),
    f.choice("score", ["drop"], "knob.drop", [
      ["repeat", "knob.passRepeat"],
      ["stay", "knob.passStay"],
      ["back", "knob.passBack"],
    ]),
    f.number("score", ["sends"], "knob.sendsAll", {
      off: { label: "knob.noCap", initial: 24 },
      family: { key: "set.sends" },
    }),
    f.choice("score", ["score"], "knob.scoring", [
      ["marks", "knob.byMarks"],
      ["passes", "knob.byPasses"],
      ["time", "knob.byTime"],
    ]),
  ];
}

/** Marks at growing distance: so many clean passes at one open the next. */
export const passLadder: Pattern<PassParams, MatchState<PassParams, PassGo>> = {
  name: "passLadder",
  rulesVersion: 2,
  params: passParams,
  rules: matched(passGo),
  earlier: { 1: matched(passGo1) },
  match: {
    fields: ["seconds", "goes", "swap", "foot", "carry"],
    swaps: [
      ["go", "knob.swapGo"],
      ["miss", "knob.swapDrop"],
      ["send", "knob.swapSend"],
    ],
    initial: { ...USUAL_MATCH, swap: "go" },
  },
  modes: MODES,
  together: () => ({ key: "together.ladder" }),
  // Whoever is to learn to catch is sent to in a way of its own.
  actions: (a) => a === "catch" || isSend(a),
  ground: passGround,
  problems: (p, m) => {
    if (p.sends === null && m.seconds === null)
      return [
        { path: ["params", "sends"], message: "the ladder needs a number of attempts (1 to 200), or a time limit" },
      ];
    return [];
  },
  possible,
  matchApart: () => false,
  needs: (p) => ({ pieces: 1, blocker: false, apart: false, sends: p.sends }),
  setUp: (p) => [{ key: `passLadder.setUp.${p.way.kind}` }],
  knobs,
  pegKnobs: (p, id) => {
    const f = fieldsOf(passParams, p);
    return [
      distanceKnob(f, ["marks", lineIndex(id)]),
      ...(p.way.kind === "container" ? targetKnobs(f, ["way", "target"], p.way.target) : []),
    ];
  },
  summary: (p) => ({
    key: `passLadder.summary.${p.way.kind}`,
    params: { marks: p.marks.length, passes: p.passes, sends: p.sends ?? 0 },
  }),
  phrases: ["chase", "pair", "container"]
    .flatMap((w) => [`passLadder.${w}`, `passLadder.summary.${w}`, `passLadder.setUp.${w}`])
    .concat("passLadder.end", "passLadder.end.top"),
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
