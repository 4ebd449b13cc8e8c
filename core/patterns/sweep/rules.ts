import { type AimOf, type Ask, PLAIN } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { note, sumOfMany } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { raced } from "../../match/raced.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import type { SweepParams } from "./params.ts";

/** One sweep of one side. */
export interface Sweeper {
  /** Targets that are hit, by anybody who plays for them; and those that this side hit, in that order. */
  gone: readonly string[];
  mine: readonly string[];
  sends: number;
  /** This side hit the last one. */
  last: boolean;
  /** All sides play for one heap: points are what is kept of it. */
  shared: boolean;
}

const shared = (p: SweepParams, setup: Setup) => p.heap === "shared" && setup.mode === "against";
const byPoints = (p: SweepParams, g: Sweeper) => g.shared || p.score === "points";
const left = (p: SweepParams, g: Sweeper) => p.targets.filter((t) => !g.gone.includes(t.id)).map((t) => t.id);
const pointsOf = (p: SweepParams, id: string) => p.targets.find((t) => t.id === id)!.points;

/** What is aimed at while those are gone, the same object for the same heap. */
const aimsOf = memoizeByIdentity((_: SweepParams) => new Map<string, AimOf<"any">>());
function aimOf(p: SweepParams, g: Sweeper): AimOf<"any"> {
  const want = left(p, g);
  const pointed = byPoints(p, g);
  const key = `${pointed ? 1 : 0} ${want.join(" ")}`;
  const aims = aimsOf(p);
  let aim = aims.get(key);
  if (!aim) {
    const worth = (id: string) => (pointed ? pointsOf(p, id) + (want.length === 1 ? p.bonus : 0) : 1);
    aim = {
      kind: "any",
      want,
      among: p.collect ? want : p.targets.map((t) => t.id),
      worth: Object.fromEntries(want.map((id) => [id, worth(id)])),
    };
    aims.set(key, aim);
  }
  return aim;
}

/** All that a send touches counts: the same object for the same heap. */
const swept = memoizeByIdentity((_: SweepParams) => new Map<string, AimOf<"fall">>());
function sweptOf(p: SweepParams, g: Sweeper): AimOf<"fall"> {
  const key = g.gone.join(" ");
  let aim = swept(p).get(key);
  if (!aim) {
    const standing = p.targets
      .filter((t) => !g.gone.includes(t.id))
      .map(({ id, distance, across }) => ({ id, along: distance, across }));
    aim = { kind: "fall", standing, each: 1, all: 0, touched: true };
    swept(p).set(key, aim);
  }
  return aim;
}
const countsAll = (p: SweepParams) => p.touching === "all" && p.collect;

const asks = (p: SweepParams, g: Sweeper, player: number): Ask[] => {
  const aim = countsAll(p) ? sweptOf(p, g) : aimOf(p, g);
  return [{ kind: "send", player, from: "start", manner: PLAIN, aim, fetch: true }];
};

function step(p: SweepParams, g: Sweeper, e: GameEvent): StepResult<Sweeper> | Refusal {
  if (e.kind !== "send") return refuse("refused.notInGame", { kind: e.kind });
  if (countsAll(p)) return e.fell === undefined ? refuse("refused.notInGame", { kind: e.kind }) : took(p, g, e.fell);
  if (e.hit === undefined) return refuse("refused.notInGame", { kind: e.kind });
  const { hit } = e;
  const target = p.targets.find((t) => t.id === hit);
  if (hit !== null && !target) return refuse("refused.unknownTarget", { target: hit });
  const sent = { ...g, sends: g.sends + 1 };
  const spent = p.sends !== null && sent.sends >= p.sends;
  if (!target) return { go: sent, after: spent ? "end" : "miss" };
  if (g.gone.includes(target.id)) {
    // What was carried away cannot be hit; what is crossed out can, and the send is spent.
    if (p.collect) return refuse("refused.carriedAway", { label: target.label, item: target.item });
    return { go: sent, after: spent ? "end" : "miss" };
  }
  const gone = [...g.gone, target.id];
  const last = gone.length === p.targets.length;
  const go = { ...sent, gone, mine: [...g.mine, target.id], last };
  return { go, after: last || spent ? "end" : "hit" };
}

/** Everything that one send touched: which, or all, or none. */
function took(p: SweepParams, g: Sweeper, fell: readonly string[] | number): StepResult<Sweeper> | Refusal {
  const stand = left(p, g);
  if (typeof fell === "number" && fell !== 0 && fell !== stand.length) return refuse("refused.whichTouched");
  const ids = typeof fell === "number" ? (fell === 0 ? [] : stand) : fell;
  const unknown = ids.find((id) => !p.targets.some((t) => t.id === id));
  if (unknown !== undefined) return refuse("refused.unknownTarget", { target: unknown });
  const away = p.targets.find((t) => ids.includes(t.id) && !stand.includes(t.id));
  if (away) return refuse("refused.carriedAway", { label: away.label, item: away.item });
  if (new Set(ids).size !== ids.length) return refuse("refused.unknownTarget", { target: ids[0]! });
  const gone = [...g.gone, ...ids];
  const last = gone.length === p.targets.length;
  const sends = g.sends + 1;
  const go = { ...g, sends, gone, mine: [...g.mine, ...ids], last };
  const spent = p.sends !== null && sends >= p.sends;
  return { go, after: last || spent ? "end" : ids.length > 0 ? "hit" : "miss" };
}

function sum(p: SweepParams, g: Sweeper, ms: number): Sum {
  const finished = g.gone.length === p.targets.length;
  const pointed = byPoints(p, g);
  const bonus = g.last && pointed ? p.bonus : 0;
  const each = g.mine.map((id) => pointsOf(p, id));
  const points = each.reduce((a, b) => a + b, bonus);
  const value = pointed ? points : p.score === "sends" ? g.sends : Math.round(ms / 100);
  const stage = g.mine.length;
  const unit = pointed ? "points" : p.score === "sends" ? "sends" : "tenths";
  return {
    value,
    ...raced(unit, { value, finished, stage }),
    get working() {
      return pointed ? sumOfMany([...each, ...(bonus > 0 ? [`${bonus} ${note("lastOne")}`] : [])], points) : "";
    },
    sends: g.sends,
    stage,
    stages: p.targets.length,
    finished,
  };
}

function now(p: SweepParams, g: Sweeper): Phrase {
  const rest = left(p, g);
  const one = rest.length === 1 ? p.targets.find((t) => t.id === rest[0]) : undefined;
  if (one) return { key: "sweep.last", params: { label: one.label, item: one.item } };
  return { key: "sweep.send", params: { left: rest.length } };
}

/** One sweep: any target that still stands, in any order, until all are hit, the sends are spent or the bell goes. */
export const sweepGo: GoRules<SweepParams, Sweeper> = {
  begin: (p, { setup }) => ({ gone: [], mine: [], sends: 0, last: false, shared: shared(p, setup) }),
  asks,
  step,
  clock: (p, m) => (m.seconds !== null || p.score === "time" ? { limit: m.seconds, rest: 0 } : null),
  sum,
  key: (p, g) => {
    const own = byPoints(p, g) || g.shared ? ` ${[...g.mine].sort().join(",")} ${g.last ? 1 : 0}` : "";
    return `${[...g.gone].sort().join(",")} ${g.sends}${own}`;
  },
  now,
  done: (_, g) => g.gone,
  ended: (_, { finished }) => ({ key: finished ? "sweep.end.all" : "sweep.end.spent" }),
  together: "share",
  meet: {
    shared,
    tell: (p, other, mine) => ({
      go: { ...other, gone: mine.gone },
      after: mine.gone.length === p.targets.length ? "end" : "on",
    }),
  },
};

/** Written on paper: see `Possible`. */
export function possible(p: SweepParams, m: Match): Possible {
  const n = p.targets.length;
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const times = (x: number | null) => (x === null ? null : x * kept);
  if (p.score === "points") {
    const worth = p.targets.map((t) => t.points).sort((a, b) => b - a);
    const can = p.sends === null ? n : Math.min(n, p.sends);
    const most = worth.slice(0, can).reduce((a, b) => a + b, 0) + (can === n ? p.bonus : 0);
    const all = worth.reduce((a, b) => a + b, 0) + p.bonus;
    return {
      unit: "points",
      better: "more",
      least: 0,
      most: most * kept,
      values: null,
      finished: { least: all * kept, most: all * kept },
      stages: n,
    };
  }
  if (p.score === "sends")
    return {
      unit: "sends",
      better: "less",
      least: 0,
      most: times(p.sends),
      values: null,
      finished: { least: n * kept, most: times(p.sends) },
      stages: n,
    };
  const most = times(m.seconds === null ? null : m.seconds * 10);
  return { unit: "tenths", better: "less", least: 0, most, values: null, finished: { least: 0, most }, stages: n };
}
