import { type AimOf, type Ask, PLAIN } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { note, sumOfMany } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { raced } from "../../match/raced.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import type { SweepParams } from "./schema.ts";

/** One sweep of one side. */
export interface Sweeper {
  /** The targets that are hit, by anybody who plays for them, and those that this side hit, in order. */
  gone: readonly string[];
  mine: readonly string[];
  sends: number;
  /** This side hit the last one. */
  last: boolean;
  /** All sides play for one heap, and score what they keep of it. */
  shared: boolean;
}

const shared = (params: SweepParams, setup: Setup) => params.heap === "shared" && setup.mode === "against";
const byPoints = (params: SweepParams, sweeper: Sweeper) => sweeper.shared || params.score === "points";
const left = (params: SweepParams, sweeper: Sweeper) =>
  params.targets.filter((target) => !sweeper.gone.includes(target.id)).map((target) => target.id);
const pointsOf = (params: SweepParams, id: string) => params.targets.find((target) => target.id === id)!.points;

/** What is aimed at while those are gone. Shared, because states are compared by identity. */
const aimsOf = memoizeByIdentity((_: SweepParams) => new Map<string, AimOf<"any">>());
function aimOf(params: SweepParams, sweeper: Sweeper): AimOf<"any"> {
  const want = left(params, sweeper);
  const pointed = byPoints(params, sweeper);
  const key = `${pointed ? 1 : 0} ${want.join(" ")}`;
  const aims = aimsOf(params);
  let aim = aims.get(key);
  if (!aim) {
    const worth = (id: string) => (pointed ? pointsOf(params, id) + (want.length === 1 ? params.bonus : 0) : 1);
    aim = {
      kind: "any",
      want,
      among: params.collect ? want : params.targets.map((target) => target.id),
      worth: Object.fromEntries(want.map((id) => [id, worth(id)])),
    };
    aims.set(key, aim);
  }
  return aim;
}

/** Everything that a send touches counts. Shared, because states are compared by identity. */
const swept = memoizeByIdentity((_: SweepParams) => new Map<string, AimOf<"fall">>());
function sweptOf(params: SweepParams, sweeper: Sweeper): AimOf<"fall"> {
  const key = sweeper.gone.join(" ");
  let aim = swept(params).get(key);
  if (!aim) {
    const standing = params.targets
      .filter((target) => !sweeper.gone.includes(target.id))
      .map(({ id, distance, across }) => ({ id, along: distance, across }));
    aim = { kind: "fall", standing, each: 1, all: 0, touched: true };
    swept(params).set(key, aim);
  }
  return aim;
}
const countsAll = (params: SweepParams) => params.touching === "all" && params.collect;

const asks = (params: SweepParams, sweeper: Sweeper, player: number): Ask[] => {
  const aim = countsAll(params) ? sweptOf(params, sweeper) : aimOf(params, sweeper);
  return [{ kind: "send", player, from: "start", manner: PLAIN, aim, fetch: true }];
};

function step(params: SweepParams, sweeper: Sweeper, event: GameEvent): StepResult<Sweeper> | Refusal {
  if (event.kind !== "send") return refuse("refused.notInGame", { kind: event.kind });
  if (countsAll(params))
    return event.fell === undefined
      ? refuse("refused.notInGame", { kind: event.kind })
      : took(params, sweeper, event.fell);
  if (event.hit === undefined) return refuse("refused.notInGame", { kind: event.kind });
  const { hit } = event;
  const target = params.targets.find((eachTarget) => eachTarget.id === hit);
  if (hit !== null && !target) return refuse("refused.unknownTarget", { target: hit });
  const sent = { ...sweeper, sends: sweeper.sends + 1 };
  const spent = params.sends !== null && sent.sends >= params.sends;
  if (!target) return { go: sent, after: spent ? "end" : "miss" };
  if (sweeper.gone.includes(target.id)) {
    // What was carried away cannot be hit. What is crossed out can, and the send is spent.
    if (params.collect) return refuse("refused.carriedAway", { label: target.label, item: target.item });
    return { go: sent, after: spent ? "end" : "miss" };
  }
  const gone = [...sweeper.gone, target.id];
  const last = gone.length === params.targets.length;
  const go = { ...sent, gone, mine: [...sweeper.mine, target.id], last };
  return { go, after: last || spent ? "end" : "hit" };
}

/** Everything that one send touched: which targets, all, or none. */
function took(params: SweepParams, sweeper: Sweeper, fell: readonly string[] | number): StepResult<Sweeper> | Refusal {
  const stand = left(params, sweeper);
  if (typeof fell === "number" && fell !== 0 && fell !== stand.length) return refuse("refused.whichTouched");
  const ids = typeof fell === "number" ? (fell === 0 ? [] : stand) : fell;
  const unknown = ids.find((id) => !params.targets.some((target) => target.id === id));
  if (unknown !== undefined) return refuse("refused.unknownTarget", { target: unknown });
  const away = params.targets.find((target) => ids.includes(target.id) && !stand.includes(target.id));
  if (away) return refuse("refused.carriedAway", { label: away.label, item: away.item });
  if (new Set(ids).size !== ids.length) return refuse("refused.unknownTarget", { target: ids[0]! });
  const gone = [...sweeper.gone, ...ids];
  const last = gone.length === params.targets.length;
  const sends = sweeper.sends + 1;
  const go = { ...sweeper, sends, gone, mine: [...sweeper.mine, ...ids], last };
  const spent = params.sends !== null && sends >= params.sends;
  return { go, after: last || spent ? "end" : ids.length > 0 ? "hit" : "miss" };
}

function sum(params: SweepParams, sweeper: Sweeper, ms: number): Sum {
  const finished = sweeper.gone.length === params.targets.length;
  const pointed = byPoints(params, sweeper);
  const bonus = sweeper.last && pointed ? params.bonus : 0;
  const each = sweeper.mine.map((id) => pointsOf(params, id));
  const points = each.reduce((eachSum, b) => eachSum + b, bonus);
  const value = pointed ? points : params.score === "sends" ? sweeper.sends : Math.round(ms / 100);
  const stage = sweeper.mine.length;
  const unit = pointed ? "points" : params.score === "sends" ? "sends" : "tenths";
  return {
    value,
    ...raced(unit, { value, finished, stage }),
    get working() {
      return pointed ? sumOfMany([...each, ...(bonus > 0 ? [`${bonus} ${note("lastOne")}`] : [])], points) : "";
    },
    sends: sweeper.sends,
    stage,
    stages: params.targets.length,
    finished,
  };
}

function now(params: SweepParams, sweeper: Sweeper): Phrase {
  const rest = left(params, sweeper);
  const one = rest.length === 1 ? params.targets.find((target) => target.id === rest[0]) : undefined;
  if (one) return { key: "sweep.last", params: { label: one.label, item: one.item } };
  return { key: "sweep.send", params: { left: rest.length } };
}

/** One sweep. Targets may be hit in any order, until all are hit, the attempts are used up or the bell rings. */
export const sweepGo: GoRules<SweepParams, Sweeper> = {
  begin: (params, { setup }) => ({ gone: [], mine: [], sends: 0, last: false, shared: shared(params, setup) }),
  asks,
  step,
  clock: (params, match) =>
    match.seconds !== null || params.score === "time" ? { limit: match.seconds, rest: 0 } : null,
  sum,
  key: (params, sweeper) => {
    const own =
      byPoints(params, sweeper) || sweeper.shared
        ? ` ${[...sweeper.mine].sort().join(",")} ${sweeper.last ? 1 : 0}`
        : "";
    return `${[...sweeper.gone].sort().join(",")} ${sweeper.sends}${own}`;
  },
  now,
  done: (_, sweeper) => sweeper.gone,
  ended: (_, { finished }) => ({ key: finished ? "sweep.end.all" : "sweep.end.spent" }),
  together: "share",
  meet: {
    shared,
    tell: (params, other, mine) => ({
      go: { ...other, gone: mine.gone },
      after: mine.gone.length === params.targets.length ? "end" : "on",
    }),
  },
};

/** The score range for manual entry, see `Possible`. */
export function possible(params: SweepParams, match: Match): Possible {
  const count = params.targets.length;
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const times = (x: number | null) => (x === null ? null : x * kept);
  if (params.score === "points") {
    const worth = params.targets.map((target) => target.points).sort((a, b) => b - a);
    const can = params.sends === null ? count : Math.min(count, params.sends);
    const most = worth.slice(0, can).reduce((eachSum, b) => eachSum + b, 0) + (can === count ? params.bonus : 0);
    const all = worth.reduce((eachSum, b) => eachSum + b, 0) + params.bonus;
    return {
      unit: "points",
      better: "more",
      least: 0,
      most: most * kept,
      values: null,
      finished: { least: all * kept, most: all * kept },
      stages: count,
    };
  }
  if (params.score === "sends")
    return {
      unit: "sends",
      better: "less",
      least: 0,
      most: times(params.sends),
      values: null,
      finished: { least: count * kept, most: times(params.sends) },
      stages: count,
    };
  const most = times(match.seconds === null ? null : match.seconds * 10);
  return { unit: "tenths", better: "less", least: 0, most, values: null, finished: { least: 0, most }, stages: count };
}
