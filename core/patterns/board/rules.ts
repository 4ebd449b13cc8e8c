import { type AimOf, type Ask, type AskOf, PLAIN } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { ObjectRole } from "../../kit/extra-objects.ts";
import { sumOfMany } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import type { Bare } from "../../targets/bare-ways.ts";
import { lineIndex } from "../../targets/lines.ts";
import { mannerBy, mannerWith } from "../../targets/ways.ts";
import { placesOf } from "./params.ts";
import type { BoardParams } from "./schema.ts";

/** One go at a board. */
export interface BoardGo {
  sends: number;
  /** What each counting send brought, in order, with the bonus where it was earned. For the working. */
  each: readonly number[];
  /** The places that have counted, in order. */
  counted: readonly string[];
  /** What was called, or the spot that was chosen. */
  called: string | null;
  /** The spot at which the player stands. Null before the first, and if there are none. */
  at: string | null;
  /** The objects that lie out there until the end. */
  sent: readonly string[];
  /** The bell has rung, and only what was in the air may still be told. */
  rang: boolean;
  closing: boolean;
}

/** The time to call a target, seconds. */
const CALL = 2;
/** The time to say that nothing was in the air, seconds. */
const TELL = 2;
const placesIn = memoizeByIdentity(placesOf);
const left = (params: BoardParams, go: BoardGo) =>
  placesIn(params).filter((points) => !params.once || !go.counted.includes(points.id));
/** What is called or chosen before each send. Null: nothing. */
const callOf = (params: BoardParams): "spot" | "target" | "action" | "thing" | null => {
  if (params.layout.kind === "spots") return "spot";
  return params.choice === "free" ? null : params.choice === "called" ? "target" : params.choice;
};
/** Everything that can be called, and what of it may be called now. */
const namesOf = (params: BoardParams): readonly string[] =>
  ({ action: params.ways, thing: params.things ?? [] })[callOf(params) as "action" | "thing"] ??
  placesIn(params).map((points) => points.id);
const callsOf = (params: BoardParams, go: BoardGo): readonly string[] => {
  const of = callOf(params);
  if (of === "thing") return namesOf(params).filter((text) => !go.sent.includes(text));
  return of === "action" ? params.ways : left(params, go).map((points) => points.id);
};
/** Objects that are fetched only at the end are sent once each. */
const onceEach = (params: BoardParams) => callOf(params) === "thing" && params.fetch === "end";
const total = (go: BoardGo) => go.each.reduce((eachSum, b) => eachSum + b, 0);
/** What hitting a place brings now, including the bonus if it is the last one left. */
function brings(params: BoardParams, go: BoardGo, id: string): number {
  const { points } = placesIn(params).find((eachPoints) => eachPoints.id === id)!;
  const last = !go.counted.includes(id) && go.counted.length === placesIn(params).length - 1;
  return points + (last ? params.bonus : 0);
}

/** A send stays the same object for as long as it does not change. */
const sendsOf = memoizeByIdentity((_: BoardParams) => new Map<string, AskOf<"send">>());
function sendAsk(params: BoardParams, go: BoardGo, at: string | null, player: number): AskOf<"send"> {
  const { layout } = params;
  const spots = layout.kind === "spots";
  const of = callOf(params);
  const by = of === "action" || of === "thing" ? at : null;
  const open = left(params, go).map((points) => points.id);
  const want = spots ? [layout.target.id] : at === null || by ? open : [at];
  const worth = spots
    ? { [layout.target.id]: brings(params, go, at!) }
    : Object.fromEntries(want.map((id) => [id, brings(params, go, id)]));
  const key = JSON.stringify([at, want, worth, player]);
  const kept = sendsOf(params);
  let ask = kept.get(key);
  if (!ask) {
    const among = spots ? [layout.target.id] : layout.targets.map((target) => target.id);
    const aim: AimOf<"any"> = { kind: "any", want, among, worth };
    const from = spots ? at! : "start";
    const manner = !by ? PLAIN : of === "action" ? mannerBy(by as Bare) : mannerWith(by as ObjectRole);
    ask = { kind: "send", player, from, manner, aim, fetch: params.fetch === "each" };
    kept.set(key, ask);
  }
  return ask;
}
/** The distance from one spot to another, metres. */
const between = ({ layout }: BoardParams, action: string | null, text: string): number =>
  layout.kind === "spots" && action !== null
    ? Math.abs(layout.spots[lineIndex(action)]!.distance - layout.spots[lineIndex(text)]!.distance)
    : 0;

function asks(params: BoardParams, go: BoardGo, player: number): Ask[] {
  const of = callOf(params);
  if (go.closing) {
    const takes = { by: [player], seconds: TELL, walk: 0, moving: false };
    const ask: Ask = { kind: "ready", player, takes };
    return of !== null && go.called === null
      ? [ask]
      : [ask, { ...sendAsk(params, go, go.called, player), optional: true }];
  }
  if (of === null) return [sendAsk(params, go, null, player)];
  const options = callsOf(params, go);
  const choose: AskOf<"choose"> = {
    kind: "choose",
    player,
    of,
    options,
    must: true,
    leads: options.map((id) => sendAsk(params, go, id, player)),
    // There and not back, so half of it each way.
    ...(of === "spot" && { walks: options.map((id) => between(params, go.at, id) / 2) }),
    takes: { by: [player], seconds: CALL, walk: 0, moving: false },
  };
  return go.called === null ? [choose] : [sendAsk(params, go, go.called, player), { ...choose, optional: true }];
}

function step(params: BoardParams, go: BoardGo, event: GameEvent): StepResult<BoardGo> | Refusal {
  if (go.closing) {
    if (event.kind === "ready") return { go: go, after: "end" };
    if (event.kind !== "send") return refuse("refused.afterBell");
  }
  if (event.kind === "choose") {
    const of = callOf(params);
    if (of === null || event.of !== of || event.pick === null) return refuse("refused.notInGame", { kind: event.kind });
    if (!namesOf(params).includes(event.pick)) return refuse("refused.unknownTarget", { target: event.pick });
    if (!callsOf(params, go).includes(event.pick)) return refuse("refused.usedUp");
    return { go: { ...go, called: event.pick, at: of === "spot" ? event.pick : null }, after: "on" };
  }
  if (event.kind !== "send" || event.hit === undefined) return refuse("refused.notInGame", { kind: event.kind });
  const { layout } = params;
  const known = layout.kind === "spots" ? [layout.target.id] : layout.targets.map((target) => target.id);
  if (event.hit !== null && !known.includes(event.hit)) return refuse("refused.unknownTarget", { target: event.hit });
  const of = callOf(params);
  if (of !== null && go.called === null) return refuse(of === "spot" ? "refused.spotFirst" : "refused.callFirst");
  return sent(params, go, event.hit);
}

function sent(params: BoardParams, givenGo: BoardGo, hit: string | null): StepResult<BoardGo> {
  const spots = params.layout.kind === "spots";
  // From a spot, the single target is hit. After a call only what was called counts. Hitting a place that is used up
  // is a spent send.
  const place =
    hit === null ? null : spots ? givenGo.called : params.choice === "called" && hit !== givenGo.called ? null : hit;
  const counts = place !== null && left(params, givenGo).some((eachPoints) => eachPoints.id === place);
  const counted = counts && !givenGo.counted.includes(place) ? [...givenGo.counted, place] : givenGo.counted;
  const full = counted.length === placesIn(params).length;
  const bonus = full && counted !== givenGo.counted && params.bonus > 0 ? [params.bonus] : [];
  const points = counts ? [placesIn(params).find((eachPoints) => eachPoints.id === place)!.points, ...bonus] : [];
  const sends = givenGo.sends + 1;
  // A call is for one send.
  const out = onceEach(params) ? [...givenGo.sent, givenGo.called!] : givenGo.sent;
  const go: BoardGo = { ...givenGo, sends, counted, each: [...givenGo.each, ...points], called: null, sent: out };
  const none = onceEach(params) && out.length === namesOf(params).length;
  const over = givenGo.closing || (params.sends !== null && sends >= params.sends) || (params.once && full) || none;
  return { go, after: over ? "end" : counts ? "hit" : "miss" };
}

/** The most sends of a side. Null: it ends with the bell, or when all are hit. */
export const capOf = (params: BoardParams): number | null =>
  onceEach(params) ? Math.min(params.sends ?? Number.POSITIVE_INFINITY, namesOf(params).length) : params.sends;

function sum(params: BoardParams, go: BoardGo): Sum {
  const value = total(go);
  const count = placesIn(params).length;
  const cap = capOf(params);
  return {
    value,
    unit: "points",
    better: "more",
    rank: value,
    get working() {
      return sumOfMany(go.each, value);
    },
    sends: go.sends,
    stage: go.counted.length,
    stages: count,
    finished: go.rang || (params.once && go.counted.length === count) || (cap !== null && go.sends >= cap),
  };
}

function now(params: BoardParams, go: BoardGo): Phrase {
  const { layout } = params;
  if (go.closing) return { key: "board.closing" };
  if (layout.kind === "spots") {
    const { label, item } = layout.target;
    if (go.called === null) return { key: "board.spot" };
    return { key: "board.from", params: { label, item, spot: lineIndex(go.called) + 1 } };
  }
  if (params.choice === "thing") return { key: go.called === null ? "board.thing" : "board.free" };
  if (params.choice === "action") return { key: go.called === null ? "board.way" : "board.free" };
  if (params.choice === "free") return { key: "board.free" };
  const target = layout.targets.find((eachTarget) => eachTarget.id === go.called);
  return target ? { key: "board.at", params: { label: target.label, item: target.item } } : { key: "board.call" };
}

/**
 * One go: points for what is hit, wherever it is sent from, until the sends are used up, the bell rings, or each
 * place has counted once.
 */
export const boardGo: GoRules<BoardParams, BoardGo> = {
  begin: () => ({ sends: 0, each: [], counted: [], called: null, at: null, sent: [], rang: false, closing: false }),
  asks,
  step,
  clock: (_, match, go) => (match.seconds !== null ? { limit: go.closing ? null : match.seconds, rest: 0 } : null),
  bell: (params, go) => ({ go: { ...go, rang: true, closing: params.inAir }, after: params.inAir ? "on" : "end" }),
  sum,
  key: (params, go) => {
    const which = params.once || params.bonus > 0 ? [...go.counted].sort().join(",") : go.counted.length;
    return `${which} ${[...go.sent].sort().join(",")} ${total(go)} ${go.sends} ${go.called ?? "-"} ${go.at ?? "-"} ${go.closing ? 1 : 0}`;
  },
  now,
  done: (params, go) => (params.once ? go.counted : []),
  ended: (params, { finished }) => ({ key: finished && params.once ? "board.end.full" : "board.end" }),
  together: "share",
};

/** The score range for manual entry, see `Possible`. */
export function possible(params: BoardParams, match: Match): Possible {
  const worth = placesIn(params)
    .map((points) => points.points)
    .sort((a, b) => b - a);
  const count = worth.length;
  const all = worth.reduce((eachSum, b) => eachSum + b, 0) + params.bonus;
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const some = (k: number) => worth.slice(0, k).reduce((eachSum, b) => eachSum + b, 0);
  const top = worth[0]!;
  const most = (): number | null => {
    const sends = capOf(params);
    if (params.once) return sends !== null && sends < count ? some(sends) : all;
    if (sends === null) return null;
    return Math.max(sends * top, sends >= count ? all + (sends - count) * top : 0);
  };
  const can = most();
  const times = can === null ? null : can * kept;
  return {
    unit: "points",
    better: "more",
    least: 0,
    most: times,
    values: null,
    finished: { least: 0, most: times },
    stages: count,
  };
}
