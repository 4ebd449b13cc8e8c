import { isSend } from "../../actions/actions.ts";
import type { Pattern } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { MatchState } from "../../match/match-state.ts";
import { downPhrases, downSaid } from "../../targets/pin-knobs.ts";
import { widestGap } from "./formation.ts";
import { knobs, pegKnobs } from "./knobs.ts";
import { play } from "./play.ts";
import { type PinsGo, possible } from "./rules.ts";
import type { PinsParams } from "./schema.ts";
import { pinsParams } from "./schema.ts";

/**
 * A formation of pins that do not touch, a few rolls in a frame, points for each pin, and a bonus for all of them at
 * once.
 */
export const pins: Pattern<PinsParams, MatchState<PinsParams, PinsGo>> = {
  ...play,
  rank: 3,
  params: pinsParams,
  actions: isSend,
  problems: () => [],
  possible,
  setUp: (params) => {
    const { count } = params.formation;
    const untouched = params.untouched === "stood" ? [{ key: "pins.setUp.untouched" }] : [];
    if (params.formation.kind === "own") {
      const { depth, width } = params.formation;
      const size = { depth: Math.round(depth * 100), width: Math.round(width * 100) };
      return [{ key: "pins.setUp.own", params: { count, ...size } }, ...downSaid(params.pin), ...untouched];
    }
    const { shape, gap } = params.formation;
    return [
      { key: `pins.setUp.${shape}`, params: { count, cm: Math.round(gap * 100) } },
      ...downSaid(params.pin),
      ...untouched,
    ];
  },
  advice: (params, width) => {
    const gap = widestGap(params);
    return [{ key: gap > width ? "pins.gap.lets" : "pins.gap.none", params: { cm: Math.round(gap * 100) } }];
  },
  knobs,
  pegKnobs,
  summary: (params) => ({
    key: "pins.summary",
    params: { frames: params.frames, rolls: params.rolls, points: params.points },
  }),
  phrases: [
    "pins.lay",
    "pins.stand",
    "pins.send",
    "pins.end",
    "pins.summary",
    "pins.setUp.own",
    "pins.setUp.triangle",
    "pins.setUp.row",
    "pins.setUp.arc",
    "pins.setUp.diamond",
    "pins.setUp.untouched",
    ...downPhrases,
    "refused.allStand",
    "refused.layFirst",
    "refused.standFirst",
    "refused.tooMany",
    "refused.numberNow",
    "refused.notStanding",
    "refused.allPins",
    "refused.pinOutside",
    "refused.pinsTouch",
  ],
  bare: ["shadowThrow", "squat"],
  example: {
    title: "Six in the hall",
    action: "underarmRoll",
    send: "sockBall",
    space: { length: 4, width: 1.8, floor: "carpet", indoors: true },
    params: {
      formation: { kind: "given", shape: "triangle", count: 6, gap: 0.1 },
      pin: { item: "bottle", width: 0.08, height: 0.28, down: "lying" },
      distance: 2.2,
      across: 0,
      rolls: 2,
      frames: 5,
      points: 2,
      bonus: 3,
      standUp: false,
      untouched: "counts",
      pinOnPin: true,
      pieces: null,
    },
    match: { ...USUAL_MATCH, swap: "budget" },
  },
};
