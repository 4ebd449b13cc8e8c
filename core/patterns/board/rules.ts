import { type AimOf, type Ask, type AskOf, PLAIN } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { ThingRole } from "../../kit/extra-objects.ts";
import { sumOfMany } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { lineIndex } from "../../targets/lines.ts";
import { type Bare, mannerBy, mannerWith } from "../../targets/ways.ts";
import { type BoardParams, placesOf } from "./params.ts";

/** One go at a board. */
export interface BoardGo {
  sends: number;
  /** What each send brought that counted, in order, the bonus where it was earned: for the working. */
  each: readonly number[];
  /** Places that have counted, in that order. */
  counted: readonly string[];
  /** What was called, or the spot that was chosen. */
  called: string | null;
  /** The spot that somebody stands at; null before the first, and where there are none. */
  at: string | null;
  /** Things that lie out there until the end. */
  sent: readonly string[];
  /** The bell has gone; and only what was in the air may still be told. */
  rang: boolean;
  closing: boolean;
}

/** Saying which one it will be, seconds. */
const CALL = 2;
/** Saying that none was in the air, seconds. */
const TELL = 2;
const placesIn = memoizeByIdentity(placesOf);
const left = (p: BoardParams, g: BoardGo) => placesIn(p).filter((x) => !p.once || !g.counted.includes(x.id));
/** What is said, or gone to, before each send; null: nothing. */
const callOf = (p: BoardParams): "spot" | "target" | "action" | "thing" | null => {
  if (p.layout.kind === "spots") return "spot";
  return p.choice === "free" ? null : p.choice === "called" ? "target" : p.choice;
};
/** Everything that can be called, and what of it may be now. */
const namesOf = (p: BoardParams): readonly string[] =>
  ({ action: p.ways, thing: p.things ?? [] })[callOf(p) as "action" | "thing"] ?? placesIn(p).map((x) => x.id);
const callsOf = (p: BoardParams, g: BoardGo): readonly string[] => {
  const of = callOf(p);
  if (of === "thing") return namesOf(p).filter((x) => !g.sent.includes(x));
  return of === "action" ? p.ways : left(p, g).map((x) => x.id);
};
/** Things that are fetched only at the end are sent once each. */
const onceEach = (p: BoardParams) => callOf(p) === "thing" && p.fetch === "end";
const total = (g: BoardGo) => g.each.reduce((a, b) => a + b, 0);
/** What hitting a place brings now: with the bonus where it is the last that has not counted. */
function brings(p: BoardParams, g: BoardGo, id: string): number {
  const { points } = placesIn(p).find((x) => x.id === id)!;
  const last = !g.counted.includes(id) && g.counted.length === placesIn(p).length - 1;
  return points + (last ? p.bonus : 0);
}

/** Sends are the same object as long as they are the same. */
const sendsOf = memoizeByIdentity((_: BoardParams) => new Map<string, AskOf<"send">>());
function sendAsk(p: BoardParams, g: BoardGo, at: string | null, player: number): AskOf<"send"> {
  const { layout } = p;
  const spots = layout.kind === "spots";
  const of = callOf(p);
  const by = of === "action" || of === "thing" ? at : null;
  const open = left(p, g).map((x) => x.id);
  const want = spots ? [layout.target.id] : at === null || by ? open : [at];
  const worth = spots
    ? { [layout.target.id]: brings(p, g, at!) }
    : Object.fromEntries(want.map((id) => [id, brings(p, g, id)]));
  const key = JSON.stringify([at, want, worth, player]);
  const kept = sendsOf(p);
  let ask = kept.get(key);
  if (!ask) {
    const among = spots ? [layout.target.id] : layout.targets.map((t) => t.id);
    const aim: AimOf<"any"> = { kind: "any", want, among, worth };
    const from = spots ? at! : "start";
    const manner = !by ? PLAIN : of === "action" ? mannerBy(by as Bare) : mannerWith(by as ThingRole);
    ask = { kind: "send", player, from, manner, aim, fetch: p.fetch === "each" };
    kept.set(key, ask);
  }
  return ask;
}
/** From one spot to another, metres. */
const between = ({ layout }: BoardParams, a: string | null, b: string): number =>
  layout.kind === "spots" && a !== null
    ? Math.abs(layout.spots[lineIndex(a)]!.distance - layout.spots[lineIndex(b)]!.distance)
    : 0;

function asks(p: BoardParams, g: BoardGo, player: number): Ask[] {
  const of = callOf(p);
  if (g.closing) {
    const takes = { by: [player], seconds: TELL, walk: 0, moving: false };
    const ask: Ask = { kind: "ready", player, takes };
    return of !== null && g.called === null ? [ask] : [ask, { ...sendAsk(p, g, g.called, player), optional: true }];
  }
  if (of === null) return [sendAsk(p, g, null, player)];
  const options = callsOf(p, g);
  const choose: AskOf<"choose"> = {
    kind: "choose",
    player,
    of,
    options,
    must: true,
    leads: options.map((id) => sendAsk(p, g, id, player)),
    // There, and not back: half of it each way.
    ...(of === "spot" && { walks: options.map((id) => between(p, g.at, id) / 2) }),
    takes: { by: [player], seconds: CALL, walk: 0, moving: false },
  };
  return g.called === null ? [choose] : [sendAsk(p, g, g.called, player), { ...choose, optional: true }];
}

function step(p: BoardParams, g: BoardGo, e: GameEvent): StepResult<BoardGo> | Refusal {
  if (g.closing) {
    if (e.kind === "ready") return { go: g, after: "end" };
    if (e.kind !== "send") return refuse("refused.afterBell");
  }
  if (e.kind === "choose") {
    const of = callOf(p);
    if (of === null || e.of !== of || e.pick === null) return refuse("refused.notInGame", { kind: e.kind });
    if (!namesOf(p).includes(e.pick)) return refuse("refused.unknownTarget", { target: e.pick });
    if (!callsOf(p, g).includes(e.pick)) return refuse("refused.usedUp");
    return { go: { ...g, called: e.pick, at: of === "spot" ? e.pick : null }, after: "on" };
  }
  if (e.kind !== "send" || e.hit === undefined) return refuse("refused.notInGame", { kind: e.kind });
  const { layout } = p;
  const known = layout.kind === "spots" ? [layout.target.id] : layout.targets.map((t) => t.id);
  if (e.hit !== null && !known.includes(e.hit)) return refuse("refused.unknownTarget", { target: e.hit });
  const of = callOf(p);
  if (of !== null && g.called === null) return refuse(of === "spot" ? "refused.spotFirst" : "refused.callFirst");
  return sent(p, g, e.hit);
}

function sent(p: BoardParams, g: BoardGo, hit: string | null): StepResult<BoardGo> {
  const spots = p.layout.kind === "spots";
  // From a spot the one target is hit; what was called alone counts; what is used up is a spent send.
  const place = hit === null ? null : spots ? g.called : p.choice === "called" && hit !== g.called ? null : hit;
  const counts = place !== null && left(p, g).some((x) => x.id === place);
  const counted = counts && !g.counted.includes(place) ? [...g.counted, place] : g.counted;
  const full = counted.length === placesIn(p).length;
  const bonus = full && counted !== g.counted && p.bonus > 0 ? [p.bonus] : [];
  const points = counts ? [placesIn(p).find((x) => x.id === place)!.points, ...bonus] : [];
  const sends = g.sends + 1;
  // A call is for one send.
  const out = onceEach(p) ? [...g.sent, g.called!] : g.sent;
  const go: BoardGo = { ...g, sends, counted, each: [...g.each, ...points], called: null, sent: out };
  const none = onceEach(p) && out.length === namesOf(p).length;
  const over = g.closing || (p.sends !== null && sends >= p.sends) || (p.once && full) || none;
  return { go, after: over ? "end" : counts ? "hit" : "miss" };
}

/** Sends that a side has at most; null: no end but the bell, or all of them hit. */
export const capOf = (p: BoardParams): number | null =>
  onceEach(p) ? Math.min(p.sends ?? Number.POSITIVE_INFINITY, namesOf(p).length) : p.sends;

function sum(p: BoardParams, g: BoardGo): Sum {
  const value = total(g);
  const n = placesIn(p).length;
  const cap = capOf(p);
  return {
    value,
    unit: "points",
    better: "more",
    rank: value,
    get working() {
      return sumOfMany(g.each, value);
    },
    sends: g.sends,
    stage: g.counted.length,
    stages: n,
    finished: g.rang || (p.once && g.counted.length === n) || (cap !== null && g.sends >= cap),
  };
}

function now(p: BoardParams, g: BoardGo): Phrase {
  const { layout } = p;
  if (g.closing) return { key: "board.closing" };
  if (layout.kind === "spots") {
    const { label, item } = layout.target;
    if (g.called === null) return { key: "board.spot" };
    return { key: "board.from", params: { label, item, spot: lineIndex(g.called) + 1 } };
  }
  if (p.choice === "thing") return { key: g.called === null ? "board.thing" : "board.free" };
  if (p.choice === "action") return { key: g.called === null ? "board.way" : "board.free" };
  if (p.choice === "free") return { key: "board.free" };
  const t = layout.targets.find((x) => x.id === g.called);
  return t ? { key: "board.at", params: { label: t.label, item: t.item } } : { key: "board.call" };
}

/** One go: points by what is hit, from wherever it is sent, until the sends are used, the bell goes, or each has counted once. */
export const boardGo: GoRules<BoardParams, BoardGo> = {
  begin: () => ({ sends: 0, each: [], counted: [], called: null, at: null, sent: [], rang: false, closing: false }),
  asks,
  step,
  clock: (_, m, g) => (m.seconds !== null ? { limit: g.closing ? null : m.seconds, rest: 0 } : null),
  bell: (p, g) => ({ go: { ...g, rang: true, closing: p.inAir }, after: p.inAir ? "on" : "end" }),
  sum,
  key: (p, g) => {
    const which = p.once || p.bonus > 0 ? [...g.counted].sort().join(",") : g.counted.length;
    return `${which} ${[...g.sent].sort().join(",")} ${total(g)} ${g.sends} ${g.called ?? "-"} ${g.at ?? "-"} ${g.closing ? 1 : 0}`;
  },
  now,
  done: (p, g) => (p.once ? g.counted : []),
  ended: (p, { finished }) => ({ key: finished && p.once ? "board.end.full" : "board.end" }),
  together: "share",
};

/** Written on paper: see `Possible`. */
export function possible(p: BoardParams, m: Match): Possible {
  const worth = placesIn(p)
    .map((x) => x.points)
    .sort((a, b) => b - a);
  const n = worth.length;
  const all = worth.reduce((a, b) => a + b, 0) + p.bonus;
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const some = (k: number) => worth.slice(0, k).reduce((a, b) => a + b, 0);
  const top = worth[0]!;
  const most = (): number | null => {
    const sends = capOf(p);
    if (p.once) return sends !== null && sends < n ? some(sends) : all;
    if (sends === null) return null;
    return Math.max(sends * top, sends >= n ? all + (sends - n) * top : 0);
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
    stages: n,
  };
}
