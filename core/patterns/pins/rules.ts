import type { Ask, Spot } from "../../asks/ask.ts";
import { isRefusal, type Phrase, type Possible, type Refusal, refuse } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { note, sumOf } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { allStanding, felled, type Standing, standingKey } from "../../targets/standing.ts";
import { amiss, inMetres } from "../../yard/set-out.ts";
import { depthOf, idsOf, spotsOf } from "./formation.ts";
import type { PinsParams } from "./schema.ts";

/** One go: a number of frames, each of a number of rolls. */
export interface PinsGo {
  /** Where the pins stand, once that is known. Null: the child's own formation is still to be laid out. */
  spots: readonly Spot[] | null;
  /** The frames that are finished, and the rolls of the current one. */
  frame: number;
  roll: number;
  standing: Standing;
  /** Pins that fell have to be stood up before play goes on. */
  owes: boolean;
  sends: number;
  /** The pins that fell in each frame and the bonus they brought. The current frame is last. */
  each: readonly { fell: number; bonus: number }[];
}

/** The time to stand up one pin, or to lay out one of a formation, seconds. */
const STAND = 1.5;
const LAY = 4;

const NOTHING = { fell: 0, bonus: 0 };
const begin = (params: PinsParams): PinsGo => ({
  spots: params.formation.kind === "own" ? null : spotsOf(params),
  frame: 0,
  roll: 0,
  standing: allStanding(idsOf(params)),
  owes: false,
  sends: 0,
  each: [NOTHING],
});
const points = (params: PinsParams, go: PinsGo) =>
  go.each.reduce((eachSum, f) => eachSum + f.fell * params.points + f.bonus, 0);

/** If pins that fall untouched count, pins may knock each other over. */
export const knocksIn = (params: PinsParams): { knocks?: true } =>
  params.pinOnPin && params.untouched === "counts" ? { knocks: true } : {};

function asks(params: PinsParams, go: PinsGo, player: number): Ask[] {
  const walk = params.distance + depthOf(params) / 2;
  if (!go.spots) {
    const takes = { by: [player], seconds: LAY * params.formation.count, walk, moving: true };
    return [{ kind: "arrange", player, field: "field", spots: spotsOf(params), size: params.pin.width, takes }];
  }
  if (go.owes) {
    const seconds = 1 + STAND * (params.formation.count - go.standing.left);
    return [{ kind: "stand", player, what: "pins", takes: { by: [player], seconds, walk, moving: true } }];
  }
  const all = go.roll === 0 ? params.bonus : 0;
  // If nobody knows which pins stand, those that stood before are assumed.
  const standing = go.spots.filter((spot) => go.standing.ids.includes(spot.id)).slice(0, go.standing.left);
  const aim = {
    kind: "fall",
    standing,
    each: params.points,
    all,
    ...(!go.standing.known && { known: false as const }),
    ...knocksIn(params),
  } as const;
  return [{ kind: "send", player, from: "start", manner: {}, aim, fetch: params.pieces === null }];
}

function step(params: PinsParams, go: PinsGo, event: GameEvent): StepResult<PinsGo> | Refusal {
  switch (event.kind) {
    case "arrange":
      return laid(params, go, event);
    case "stand":
      if (!go.owes) return refuse("refused.allStand");
      return {
        go: { ...go, owes: false, standing: allStanding(idsOf(params)) },
        after: go.roll === 0 ? "spent" : "on",
      };
    case "send": {
      if (!go.spots) return refuse("refused.layFirst");
      if (go.owes) return refuse("refused.standFirst");
      if (event.fell === undefined) return refuse("refused.notInGame", { kind: event.kind });
      const fell = felled(go.standing, event.fell);
      return isRefusal(fell) ? fell : rolled(params, go, fell);
    }
    default:
      return refuse("refused.notInGame", { kind: event.kind });
  }
}

/** The child's own formation: every pin wholly inside the field, and none touching another. */
function laid(
  params: PinsParams,
  go: PinsGo,
  e: Extract<GameEvent, { kind: "arrange" }>,
): StepResult<PinsGo> | Refusal {
  const formation = params.formation;
  if (formation.kind !== "own" || go.spots) return refuse("refused.notInGame", { kind: e.kind });
  const ids = idsOf(params);
  const spots = ids.map((id) => e.spots.find((spot) => spot.id === id));
  if (spots.some((spot) => !spot) || e.spots.length !== ids.length)
    return refuse("refused.allPins", { count: formation.count });
  const field = {
    near: params.distance,
    far: params.distance + formation.depth,
    across: params.across,
    width: formation.width,
  };
  const wrong = amiss(
    spots.map((spot) => ({ ...spot!, size: params.pin.width })),
    field,
  );
  if (wrong?.kind === "outside") return refuse("refused.pinOutside", { pin: wrong.id.slice(1), cm: wrong.cm });
  if (wrong) {
    const [one, other] = [wrong.one.slice(1), wrong.other.slice(1)];
    return refuse("refused.pinsTouch", { one, other, cm: wrong.cm });
  }
  return { go: { ...go, spots: inMetres(spots.map((spot) => spot!)) }, after: "on" };
}

function rolled(
  params: PinsParams,
  givenGo: PinsGo,
  { n: count, stand }: { n: number; stand: Standing },
): StepResult<PinsGo> {
  const all = stand.left === 0;
  const first = givenGo.roll === 0;
  const before = givenGo.each[givenGo.each.length - 1]!;
  const frame = { fell: before.fell + count, bonus: before.bonus + (all && first ? params.bonus : 0) };
  const each = [...givenGo.each.slice(0, -1), frame];
  const go: PinsGo = { ...givenGo, each, standing: stand, sends: givenGo.sends + 1, roll: givenGo.roll + 1 };
  const over = go.roll >= params.rolls || (all && (first || !params.standUp));
  if (!over) {
    const again = params.standUp && count > 0;
    return { go: again ? { ...go, owes: true } : go, after: "on" };
  }
  const next = { ...go, frame: givenGo.frame + 1, roll: 0 };
  if (next.frame >= params.frames) return { go: next, after: "end" };
  return { go: { ...next, each: [...each, NOTHING], owes: true }, after: "on" };
}

function sum(params: PinsParams, go: PinsGo): Sum {
  const value = points(params, go);
  return {
    value,
    unit: "points",
    better: "more",
    rank: value,
    get working() {
      const frames = go.each.slice(0, go.roll === 0 && go.each.length > 1 && go.frame < params.frames ? -1 : undefined);
      return sumOf(
        frames.flatMap(({ fell, bonus }): (number | string)[] => {
          const brought = fell * params.points;
          return bonus === 0 ? [brought] : [`${brought} ${note("pins", fell)}`, `${bonus} ${note("allAtOnce")}`];
        }),
        value,
      );
    },
    sends: go.sends,
    stage: go.frame,
    stages: params.frames,
    finished: go.frame >= params.frames,
  };
}

function now(params: PinsParams, go: PinsGo): Phrase {
  if (!go.spots) return { key: "pins.lay", params: { count: params.formation.count } };
  if (go.owes) return { key: "pins.stand" };
  const at = {
    frame: Math.min(params.frames, go.frame + 1),
    frames: params.frames,
    roll: go.roll + 1,
    rolls: params.rolls,
    left: go.standing.left,
  };
  return { key: "pins.send", params: at };
}

export const pinsGo: GoRules<PinsParams, PinsGo> = {
  begin,
  asks,
  step,
  clock: () => null,
  sum,
  key: (params, go) => {
    return `${go.frame} ${go.roll} ${standingKey(go.standing)} ${go.owes ? 1 : 0} ${points(params, go)} ${go.sends} ${go.spots ? 1 : 0}`;
  },
  // Nothing later depends on what fell before, or on how many rolls it took.
  counters: (params) => [
    {
      of: (go) => points(params, go),
      put: (go, count) => ({ ...go, each: [{ fell: 0, bonus: count }] }),
      feeds: ["points"],
    },
    { of: (go) => go.sends, put: (go, sends) => ({ ...go, sends }), feeds: ["sends"] },
  ],
  now,
  done: (params, go) =>
    go.owes || !go.standing.known ? [] : idsOf(params).filter((id) => !go.standing.ids.includes(id)),
  ended: (params) => ({ key: "pins.end", params: { frames: params.frames } }),
  together: "share",
};

export function possible(params: PinsParams, match: Match): Possible {
  const count = params.formation.count * params.points;
  // All at once with the bonus, or all but one, and then all of them each time they are stood up again.
  const again = params.standUp ? count - params.points + (params.rolls - 1) * count : count;
  const most =
    params.frames * Math.max(count + params.bonus, again) * (match.goes.keep === "total" ? match.goes.count : 1);
  return { unit: "points", better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages: 0 };
}
