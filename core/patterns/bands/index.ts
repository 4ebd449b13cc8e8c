import type { Pattern, Phrase } from "../contract.ts";
import { addPeg, knobs, pegKnobs, removePeg } from "./knobs.ts";
import { layout, movePeg, pegs } from "./layout.ts";
import { type BandsParams, bandsParams } from "./params.ts";
import * as rules from "./rules.ts";

function summary(p: BandsParams): Phrase {
  const { rounds, total } = p.finish;
  if (total !== null)
    return { key: p.finish.exact ? "bands.summary.exact" : "bands.summary.total", params: { total, pieces: p.pieces } };
  return { key: "bands.summary.rounds", params: { rounds: rounds!, pieces: p.pieces } };
}

/** Slide or roll so that it stops in a scoring band. */
export const bands: Pattern<BandsParams, rules.BandsState> = {
  name: "bands",
  rulesVersion: 1,
  params: bandsParams,
  start: rules.start,
  legal: rules.legal,
  step: rules.step,
  next: rules.next,
  due: () => null,
  timed: () => false,
  key: rules.key,
  turn: rules.turn,
  done: () => [],
  score: rules.score,
  ending: rules.ending,
  tally: rules.tally,
  possible: rules.possible,
  matchApart: rules.matchApart,
  layout,
  needs: (p) => ({ pieces: p.pieces, blocker: p.blocker, apart: true, sends: null }),
  swapTarget: (p) => p,
  touchCounts: (p) => p,
  moveAside: () => null,
  squeeze: (p, k) => ({ ...p, width: Math.max(0.3, Math.round(p.width * k * 100) / 100) }),
  pegs,
  movePeg,
  addPeg,
  removePeg,
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
    "refused.noCarry",
    "refused.carryBetween",
    "refused.roundOpen",
  ],
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
      carry: true,
      tie: "shared",
    },
  },
};
