import type { Ask, Spot } from "../../asks/ask.ts";
import { isRefusal, type Phrase, type Possible, type Refusal, refuse } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { note, sumOf } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { allStanding, felled, type Standing, standingKey } from "../../targets/standing.ts";
import { amiss, inMetres } from "../../yard/set-out.ts";
import { depthOf, idsOf, spotsOf } from "./formation.ts";
import type { PinsParams } from "./params.ts";

/** One go: so many frames of so many rolls. */
export interface PinsGo {
  /** Where the pins stand, once that is told; null: the child's own formation is still to be laid. */
  spots: readonly Spot[] | null;
  /** Frames that are done, and rolls of the one under way. */
  frame: number;
  roll: number;
  standing: Standing;
  /** Pins are to be stood up before play goes on; so many fell. */
  owes: boolean;
  sends: number;
  /** Pins that fell by frame, and the bonus it brought, the one under way last. */
  each: readonly { fell: number; bonus: number }[];
}

/** Standing up one pin, and laying out a formation of one's own, seconds. */
const STAND = 1.5;
const LAY = 4;

const NOTHING = { fell: 0, bonus: 0 };
const begin = (p: PinsParams): PinsGo => ({
  spots: p.formation.kind === "own" ? null : spotsOf(p),
  frame: 0,
  roll: 0,
  standing: allStanding(idsOf(p)),
  owes: false,
  sends: 0,
  each: [NOTHING],
});
const points = (p: PinsParams, g: PinsGo) => g.each.reduce((n, f) => n + f.fell * p.points + f.bonus, 0);

/** What falls untouched counts: then what pins knock over belongs to it. */
export const knocksIn = (p: PinsParams): { knocks?: true } =>
  p.pinOnPin && p.untouched === "counts" ? { knocks: true } : {};

function asks(p: PinsParams, g: PinsGo, player: number): Ask[] {
  const walk = p.distance + depthOf(p) / 2;
  if (!g.spots) {
    const takes = { by: [player], seconds: LAY * p.formation.count, walk, moving: true };
    return [{ kind: "arrange", player, field: "field", spots: spotsOf(p), size: p.pin.width, takes }];
  }
  if (g.owes) {
    const seconds = 1 + STAND * (p.formation.count - g.standing.left);
    return [{ kind: "stand", player, what: "pins", takes: { by: [player], seconds, walk, moving: true } }];
  }
  const all = g.roll === 0 ? p.bonus : 0;
  // Where nobody knows which of them stand, those that did are taken.
  const standing = g.spots.filter((s) => g.standing.ids.includes(s.id)).slice(0, g.standing.left);
  const aim = {
    kind: "fall",
    standing,
    each: p.points,
    all,
    ...(!g.standing.known && { known: false as const }),
    ...knocksIn(p),
  } as const;
  return [{ kind: "send", player, from: "start", manner: {}, aim, fetch: p.pieces === null }];
}

function step(p: PinsParams, g: PinsGo, e: GameEvent): StepResult<PinsGo> | Refusal {
  switch (e.kind) {
    case "arrange":
      return laid(p, g, e);
    case "stand":
      if (!g.owes) return refuse("refused.allStand");
      return {
        go: { ...g, owes: false, standing: allStanding(idsOf(p)) },
        after: g.roll === 0 ? "spent" : "on",
      };
    case "send": {
      if (!g.spots) return refuse("refused.layFirst");
      if (g.owes) return refuse("refused.standFirst");
      if (e.fell === undefined) return refuse("refused.notInGame", { kind: e.kind });
      const fell = felled(g.standing, e.fell);
      return isRefusal(fell) ? fell : rolled(p, g, fell);
    }
    default:
      return refuse("refused.notInGame", { kind: e.kind });
  }
}

/** The child's own formation: every pin wholly inside the field, none touching another. */
function laid(p: PinsParams, g: PinsGo, e: Extract<GameEvent, { kind: "arrange" }>): StepResult<PinsGo> | Refusal {
  const f = p.formation;
  if (f.kind !== "own" || g.spots) return refuse("refused.notInGame", { kind: e.kind });
  const ids = idsOf(p);
  const spots = ids.map((id) => e.spots.find((s) => s.id === id));
  if (spots.some((s) => !s) || e.spots.length !== ids.length) return refuse("refused.allPins", { count: f.count });
  const field = { near: p.distance, far: p.distance + f.depth, across: p.across, width: f.width };
  const wrong = amiss(
    spots.map((s) => ({ ...s!, size: p.pin.width })),
    field,
  );
  if (wrong?.kind === "outside") return refuse("refused.pinOutside", { pin: wrong.id.slice(1), cm: wrong.cm });
  if (wrong) {
    const [one, other] = [wrong.one.slice(1), wrong.other.slice(1)];
    return refuse("refused.pinsTouch", { one, other, cm: wrong.cm });
  }
  return { go: { ...g, spots: inMetres(spots.map((s) => s!)) }, after: "on" };
}

function rolled(p: PinsParams, g: PinsGo, { n, stand }: { n: number; stand: Standing }): StepResult<PinsGo> {
  const all = stand.left === 0;
  const first = g.roll === 0;
  const before = g.each[g.each.length - 1]!;
  const frame = { fell: before.fell + n, bonus: before.bonus + (all && first ? p.bonus : 0) };
  const each = [...g.each.slice(0, -1), frame];
  const go: PinsGo = { ...g, each, standing: stand, sends: g.sends + 1, roll: g.roll + 1 };
  const over = go.roll >= p.rolls || (all && (first || !p.standUp));
  if (!over) {
    const again = p.standUp && n > 0;
    return { go: again ? { ...go, owes: true } : go, after: "on" };
  }
  const next = { ...go, frame: g.frame + 1, roll: 0 };
  if (next.frame >= p.frames) return { go: next, after: "end" };
  return { go: { ...next, each: [...each, NOTHING], owes: true }, after: "on" };
}

function sum(p: PinsParams, g: PinsGo): Sum {
  const value = points(p, g);
  return {
    value,
    unit: "points",
    better: "more",
    rank: value,
    get working() {
      const told = g.each.slice(0, g.roll === 0 && g.each.length > 1 && g.frame < p.frames ? -1 : undefined);
      return sumOf(
        told.flatMap(({ fell, bonus }): (number | string)[] => {
          const brought = fell * p.points;
          return bonus === 0 ? [brought] : [`${brought} ${note("pins", fell)}`, `${bonus} ${note("allAtOnce")}`];
        }),
        value,
      );
    },
    sends: g.sends,
    stage: g.frame,
    stages: p.frames,
    finished: g.frame >= p.frames,
  };
}

function now(p: PinsParams, g: PinsGo): Phrase {
  if (!g.spots) return { key: "pins.lay", params: { count: p.formation.count } };
  if (g.owes) return { key: "pins.stand" };
  const at = {
    frame: Math.min(p.frames, g.frame + 1),
    frames: p.frames,
    roll: g.roll + 1,
    rolls: p.rolls,
    left: g.standing.left,
  };
  return { key: "pins.send", params: at };
}

export const pinsGo: GoRules<PinsParams, PinsGo> = {
  begin,
  asks,
  step,
  clock: () => null,
  sum,
  key: (p, g) => {
    return `${g.frame} ${g.roll} ${standingKey(g.standing)} ${g.owes ? 1 : 0} ${points(p, g)} ${g.sends} ${g.spots ? 1 : 0}`;
  },
  // Nothing later depends on what fell before, nor on how many rolls it took.
  counters: (p) => [
    {
      of: (g) => points(p, g),
      put: (g, n) => ({ ...g, each: [{ fell: 0, bonus: n }] }),
      feeds: ["points"],
    },
    { of: (g) => g.sends, put: (g, sends) => ({ ...g, sends }), feeds: ["sends"] },
  ],
  now,
  done: (p, g) => (g.owes || !g.standing.known ? [] : idsOf(p).filter((id) => !g.standing.ids.includes(id))),
  ended: (p) => ({ key: "pins.end", params: { frames: p.frames } }),
  together: "share",
};

export function possible(p: PinsParams, m: Match): Possible {
  const n = p.formation.count * p.points;
  // All at once with the bonus; or all but one, and all of them each time they are stood up again.
  const again = p.standUp ? n - p.points + (p.rolls - 1) * n : n;
  const most = p.frames * Math.max(n + p.bonus, again) * (m.goes.keep === "total" ? m.goes.count : 1);
  return { unit: "points", better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages: 0 };
}
