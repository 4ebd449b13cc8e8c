import { isSend } from "../../actions/actions.ts";
import { type Knob, MODES, type Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { type MatchState, matched } from "../../match/matched.ts";
import { downKnob, downPhrases, downSaid, pinKnobs } from "../../targets/pin.ts";
import { stackGround } from "./ground.ts";
import { GROWS, type StackParams, stackParams } from "./params.ts";
import { possible, type StackGo, stackGo, stackGo1 } from "./rules.ts";

function knobs(p: StackParams): Knob[] {
  const f = fieldsOf(stackParams, p);
  return [
    f.choice("score", ["score"], "knob.scoring", [
      ["rounds", "knob.byRounds"],
      ["row", "knob.byRow"],
      ["felled", "knob.byFelled"],
      ["time", "knob.byTime"],
    ]),
    f.number("score", ["rounds"], "knob.roundsCap", {
      off: { label: "knob.noCap", initial: 20 },
      family: { key: "set.rounds" },
    }),
    f.number("score", ["sends"], "knob.sendsRound"),
    downKnob(f),
    f.toggle("score", ["firstEnds"], "knob.firstEnds"),
    f.toggle("yard", ["pinOnPin"], "knob.pinOnPin", { hint: "knob.pinOnPinHint" }),
    f.choice("score", ["after"], "knob.fullRow", [
      ["stop", "knob.fullStop"],
      ["again", "knob.fullAgain"],
    ]),
    f.number("yard", ["full"], "knob.full"),
    f.choice(
      "yard",
      ["grow"],
      "knob.grow",
      GROWS.map((g) => [g, `knob.grow.${g}`] as const),
    ),
    f.number("yard", ["gap"], "knob.pinGap", { unit: "m", step: 0.01, hint: "knob.pinGapHint" }),
    ...(p.after === "again" ? [f.number("yard", ["back"], "knob.back", { unit: "m", step: 0.05 })] : []),
    f.choice("players", ["heap"], "knob.heap", [
      ["own", "knob.rowOwn"],
      ["shared", "knob.rowShared"],
    ]),
  ];
}

/** A pin more for each row that falls, one fewer for each that does not. */
export const stackUp: Pattern<StackParams, MatchState<StackParams, StackGo>> = {
  name: "stackUp",
  rulesVersion: 2,
  params: stackParams,
  rules: matched(stackGo),
  earlier: { 1: matched(stackGo1) },
  match: { fields: ["seconds", "goes", "end", "foot", "carry"], initial: USUAL_MATCH },
  modes: MODES,
  actions: isSend,
  ground: stackGround,
  problems: (p, m) => {
    const wrong = (field: string, message: string) => [{ path: ["params", field], message }];
    if (p.heap === "shared" && (m.seconds !== null || p.score === "time"))
      return wrong("heap", "one row for all sides cannot have a time limit: each side would play it alone");
    if (p.heap === "shared" && m.goes.count > 1) return wrong("heap", "one row for all sides is one go each");
    if (p.after === "again" && p.score !== "row" && p.score !== "felled")
      return wrong("after", "a game that starts again counts the longest row, or the pins knocked down");
    if (p.after === "again" && p.rounds === null && m.seconds === null)
      return wrong("rounds", "a game that starts again needs a number of rounds, or a time limit");
    return [];
  },
  possible,
  matchApart: (p, setup) => p.heap === "shared" && setup.mode === "against" && p.score !== "felled",
  needs: () => ({
    pieces: 1,
    blocker: false,
    apart: false,
    sends: null,
  }),
  setUp: (p) => [
    { key: `stackUp.setUp.${p.grow}`, params: { full: p.full, cm: Math.round(p.gap * 100) } },
    { key: "stackUp.setUp.one" },
    ...downSaid(p.pin),
  ],
  knobs,
  pegKnobs: (p) => pinKnobs(fieldsOf(stackParams, p), p.pin),
  summary: (p) => ({ key: "stackUp.summary", params: { full: p.full, sends: p.sends, rounds: p.rounds ?? 0 } }),
  phrases: [
    "stackUp.send",
    "stackUp.stand",
    "stackUp.end",
    "stackUp.end.full",
    "stackUp.summary",
    "stackUp.setUp.one",
    ...downPhrases,
    ...GROWS.map((g) => `stackUp.setUp.${g}`),
    "refused.allStand",
    "refused.standFirst",
    "refused.tooMany",
    "refused.numberNow",
    "refused.notStanding",
  ],
  bare: ["squat", "starJump"],
  example: {
    title: "One pin more",
    action: "underarmRoll",
    send: "sockBall",
    space: { length: 4, width: 2, floor: "carpet", indoors: true },
    params: {
      pin: { item: "bottle", width: 0.08, height: 0.28, down: "lying" },
      distance: 2,
      across: 0,
      grow: "beside",
      gap: 0.08,
      full: 6,
      sends: 2,
      rounds: 16,
      firstEnds: false,
      pinOnPin: true,
      after: "stop",
      back: 0.5,
      score: "row",
      heap: "own",
    },
    match: USUAL_MATCH,
  },
};
