import { isSend } from "../../actions/actions.ts";
import type { Pattern, Phrase } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { knobs, pegKnobs } from "./knobs.ts";
import { play } from "./play.ts";
import { type BandsState, possible } from "./rules.ts";
import type { BandsParams } from "./schema.ts";
import { bandsParams } from "./schema.ts";

function summary(params: BandsParams): Phrase {
  const { rounds, total } = params.finish;
  if (total !== null)
    return {
      key: params.finish.exact ? "bands.summary.exact" : "bands.summary.total",
      params: { total, pieces: params.pieces },
    };
  return { key: "bands.summary.rounds", params: { rounds: rounds!, pieces: params.pieces } };
}

/** Slide or roll an object so that it stops in a scoring band. */
export const bands: Pattern<BandsParams, BandsState> = {
  ...play,
  rank: 2,
  params: bandsParams,
  actions: isSend,
  problems: () => [],
  possible,
  setUp: () => [],
  knobs,
  pegKnobs,
  summary,
  phrases: [
    "bands.end.total",
    "bands.end.rounds",
    "bands.settle",
    "bands.block",
    "bands.last",
    "bands.send",
    "bands.summary.exact",
    "bands.summary.total",
    "bands.summary.rounds",
    "refused.roundFull",
    "refused.blockerFirst",
    "refused.unknownZone",
    "refused.noSuchPiece",
    "refused.blockerNotNow",
    "refused.noBlocker",
    "refused.nothingFell",
    "refused.roundOpen",
  ],
  bare: ["lunge", "shadowThrow"],
  example: {
    title: "Stop on the step",
    action: "slide",
    send: "coaster",
    space: { length: 4.2, width: 1.8, floor: "boards", indoors: true },
    params: {
      lines: [1, 1.45, 1.85, 2.15, 2.45],
      points: [1, 2, 4, 6],
      width: 1,
      lineRule: "lower",
      lastLine: "out",
      overshoot: "nothing",
      pieces: 3,
      counting: "difference",
      finish: { rounds: 5, total: null, exact: false, dropTo: null },
      blocker: false,
      lead: "winner",
      order: "piece",
      tie: "shared",
    },
    match: { ...USUAL_MATCH, carry: true },
  },
};
