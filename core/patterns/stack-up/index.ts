import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { downKnob, downPhrases, downSaid, pinKnobs } from "../../targets/pin-knobs.ts";
import { GROWS } from "./limits.ts";
import { play } from "./play.ts";
import { possible, type StackGo } from "./rules.ts";
import { type StackParams, stackParams } from "./schema.ts";

function knobs(params: StackParams): Knob[] {
  const fields = fieldsOf(stackParams, params);
  return [
    fields.choice("score", ["score"], "knob.scoring", [
      ["rounds", "knob.byRounds"],
      ["row", "knob.byRow"],
      ["felled", "knob.byFelled"],
      ["time", "knob.byTime"],
    ]),
    fields.number("score/length", ["rounds"], "knob.roundsCap", {
      off: { label: "knob.noCap", initial: 20 },
      family: { key: "set.rounds" },
    }),
    fields.number("score/length", ["sends"], "knob.sendsRound"),
    downKnob(fields),
    fields.toggle("score", ["firstEnds"], "knob.firstEnds"),
    fields.toggle("yard/fine", ["pinOnPin"], "knob.pinOnPin", { hint: "knob.pinOnPinHint" }),
    fields.choice("score", ["after"], "knob.fullRow", [
      ["stop", "knob.fullStop"],
      ["again", "knob.fullAgain"],
    ]),
    fields.number("yard", ["full"], "knob.full"),
    fields.choice(
      "yard",
      ["grow"],
      "knob.grow",
      GROWS.map((grow) => [grow, `knob.grow.${grow}`] as const),
    ),
    fields.number("yard/fine", ["gap"], "knob.pinGap", { unit: "m", step: 0.01, hint: "knob.pinGapHint" }),
    ...(params.after === "again" ? [fields.number("yard", ["back"], "knob.back", { unit: "m", step: 0.05 })] : []),
    fields.choice("players", ["heap"], "knob.heap", [
      ["own", "knob.rowOwn"],
      ["shared", "knob.rowShared"],
    ]),
  ];
}

/** One more pin for each row that falls, one fewer for each that does not. */
export const stackUp: Pattern<StackParams, MatchState<StackParams, StackGo>> = {
  ...play,
  rank: 8,
  params: stackParams,
  actions: isSend,
  problems: (params, match) => {
    const wrong = (field: string, message: string) => [{ path: ["params", field], message }];
    if (params.heap === "shared" && (match.seconds !== null || params.score === "time"))
      return wrong("heap", "one row for all sides cannot have a time limit: each side would play it alone");
    if (params.heap === "shared" && match.goes.count > 1) return wrong("heap", "one row for all sides is one go each");
    if (params.after === "again" && params.score !== "row" && params.score !== "felled")
      return wrong("after", "a game that starts again counts the longest row, or the pins knocked down");
    if (params.after === "again" && params.rounds === null && match.seconds === null)
      return wrong("rounds", "a game that starts again needs a number of rounds, or a time limit");
    return [];
  },
  possible,
  setUp: (params) => [
    { key: `stackUp.setUp.${params.grow}`, params: { full: params.full, cm: Math.round(params.gap * 100) } },
    { key: "stackUp.setUp.one" },
    ...downSaid(params.pin),
  ],
  knobs,
  pegKnobs: (params) => pinKnobs(fieldsOf(stackParams, params), params.pin),
  summary: (params) => ({
    key: "stackUp.summary",
    params: { full: params.full, sends: params.sends, rounds: params.rounds ?? 0 },
  }),
  phrases: [
    "stackUp.send",
    "stackUp.stand",
    "stackUp.end",
    "stackUp.end.full",
    "stackUp.summary",
    "stackUp.setUp.one",
    ...downPhrases,
    ...GROWS.map((grow) => `stackUp.setUp.${grow}`),
    "refused.allStand",
    "refused.standFirst",
    "refused.tooMany",
    "refused.numberNow",
    "refused.notStanding",
  ],
  seldom: (params, modes) => (modes.includes("against") && params.heap === "shared" ? ["shared"] : []),
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
