import type { Action } from "../actions/actions.ts";
import { type AskOf, mainAsks } from "../asks/ask.ts";
import { brings } from "../chances/brings.ts";
import { optionsOf, type Play as Scene, waysFrom } from "../chances/outcomes.ts";
import type { Body, GameEvent } from "../events/events.ts";
import { layoutOf, personOf, type Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { itemIn } from "../kit/known-items.ts";
import type { Age } from "../measures/stature.ts";
import type { Play } from "../referee/play.ts";
import { AT, AXES, type Axis, POINTS, SENT_AT, WILD } from "./grid.ts";

/** What the tries of one go say of a child, for one action and on one axis. */
export interface Evidence {
  action: Action;
  axis: Axis;
  /** Tries that it rests on. */
  tries: number;
  /** Log-likelihood at the points of the axis. */
  ll: number[];
  /** The tries that succeeded, and how many should have at each point. A forecast is compared with these. */
  hits: number;
  means: number[];
}
/** The share of tries that are recorded wrongly or were no real try. An assumption, so that no single try decides. */
const SLIP = 0.01;
/** If the likelihood differs by less than this between the ends of an axis, it says nothing about it. */
const FLAT = 1e-6;
/** How exact a reported distance is taken to be: this share of it, and this many millimetres more. Assumptions. */
const ABOUT = { share: 0.12, mm: 60 } as const;

/** The events that say something about a child. */
type Seen = Extract<GameEvent, { kind: "send" | "count" | "point" }>;
type Asked = AskOf<"send" | "count">;
/** One child at a point of an axis. */
export const whoAt = (axis: Axis, x: number, age: Age): Who =>
  axis === "spread" ? { age, multiplier: Math.exp(x) } : { age, skill: x };

/** The possible outcomes of an ask at one point of an axis, and how many different ones there are. */
interface At {
  ways: readonly { body: Body; p: number }[];
  kinds: number;
}
/** A figure at every point of an axis. Where the axis is the spread, it combines two kinds of sends, usual and wild. */
function along(at: readonly At[], of: (givenAt: At) => number): number[] {
  const all = at.map(of);
  if (all.length === POINTS) return all;
  const wild = WILD.are / WILD.of;
  return all.slice(0, POINTS).map((p, i) => (1 - wild) * p + wild * all[i + WILD.steps]!);
}
const sameWays = (at: At, givenAt: At) => JSON.stringify(at.ways) === JSON.stringify(givenAt.ways);

/** What one observation says about one axis. `flat`: nothing, because it is equally likely everywhere. */
interface Said {
  tries: number;
  hits: number;
  ll: Float64Array;
  means: Float64Array;
  flat: boolean;
}

/** The possible outcomes of one ask at every point of both axes, and what each observation so far says. */
class Table {
  private readonly at: Record<Axis, readonly At[]>;
  private readonly said = new Map<string, Record<Axis, Said>>();

  constructor(
    private readonly ask: Asked,
    age: Age,
    activity: Activity,
  ) {
    const parts = layoutOf(activity);
    const asked = { ...ask, player: 0 } as Asked;
    // If several targets may have been meant, each is equally likely, because nobody said which.
    const options = optionsOf(asked);
    const point = (axis: Axis, x: number): At => {
      const scene: Scene = { parts, people: [personOf(activity, whoAt(axis, x, age))], policy: "middle" };
      const ways = options.flatMap((option) =>
        waysFrom(option, scene)!.map(({ body, share }) => ({ body, p: share / options.length })),
      );
      return { ways, kinds: new Set(ways.map((way) => JSON.stringify(way.body))).size };
    };
    const worked = (axis: Axis): At[] => {
      const points = axis === "spread" ? SENT_AT : AT.skill;
      const middle = Math.floor((points.length - 1) / 2);
      const [first, half, last] = [0, middle, points.length - 1].map((i) => point(axis, points[i]!)) as [At, At, At];
      // What is equal at both ends and halfway does not depend on this axis at all.
      const flat = sameWays(first, last) && sameWays(first, half);
      return points.map((eachPoint, i) => {
        if (i === 0 || flat) return first;
        return i === middle ? half : i === points.length - 1 ? last : point(axis, eachPoint);
      });
    };
    this.at = { spread: worked("spread"), skill: worked("skill") };
  }

  /** What an observation says. It says the same each time it is made. */
  of(seen: Seen): Record<Axis, Said> {
    // The exact place of a piece is reported only once.
    const once = seen.kind === "send" && (seen.away !== undefined || seen.spot !== undefined);
    const key = once ? "" : JSON.stringify(this.told(seen));
    const known = once ? undefined : this.said.get(key);
    if (known) return known;
    const saidOn = (axis: Axis): Said => {
      const { ll, means, ...says } = this.says(this.at[axis], seen);
      const flat = Math.max(...ll) - Math.min(...ll) < FLAT;
      return { ...says, flat, ll: Float64Array.from(ll), means: Float64Array.from(means) };
    };
    const says = { spread: saidOn("spread"), skill: saidOn("skill") };
    if (!once) this.said.set(key, says);
    return says;
  }
  /** What counts of an event here. */
  private told(seen: Seen) {
    if (seen.kind === "send") return [seen.hit, seen.rest, seen.fell];
    return seen.kind === "count" ? [seen.n, seen.drop] : [seen.side];
  }
  private says(at: readonly At[], seen: Seen): Pick<Evidence, "tries" | "hits" | "ll" | "means"> {
    if (seen.kind === "count") {
      const lost = seen.drop === true || (seen.n === 0 && this.ask.kind === "count" && !this.ask.drops);
      const kept = along(at, (givenAt) => keptOf(givenAt.ways));
      const tries = seen.n + (lost ? 1 : 0);
      const ll = kept.map((p) => seen.n * slipped(p) + (lost ? slipped(1 - p) : 0));
      return { tries, hits: seen.n, ll, means: kept.map((p) => tries * p) };
    }
    const ll = along(at, ({ ways }) => chanceOf(ways, seen)).map((p, i) => slipped(p, Math.max(2, at[i]!.kinds)));
    // If no outcome is worth anything (how near a piece lies), there is nothing to succeed at.
    const means = along(at, ({ ways }) => ways.reduce((sum, way) => sum + (brings(this.ask, way.body) ? way.p : 0), 0));
    const counts = Math.max(...means) > 0;
    return { tries: counts ? 1 : 0, hits: counts && brings(this.ask, seen) ? 1 : 0, ll, means };
  }
}

/** The tables of an activity for one age. Each is worked out once for an ask and an object. */
class Tables {
  private readonly kept = new Map<string, Table>();
  private readonly activities = new Map<string, Activity>();
  constructor(
    private readonly a: Activity,
    private readonly age: Age,
  ) {}

  /** The same activity with another object. */
  private sending(item: string | undefined): Activity {
    if (item === undefined || item === this.a.kit.send || !itemIn(this.a.kit, item)) return this.a;
    const known = this.activities.get(item) ?? { ...this.a, kit: { ...this.a.kit, send: item } };
    this.activities.set(item, known);
    return known;
  }
  of(ask: Asked, item: string | undefined): Table {
    const key = `${item ?? ""} ${JSON.stringify([ask.kind, ask.from, ask.manner, ask.aim, ask.kind === "count" && ask.drops])}`;
    let table = this.kept.get(key);
    if (!table) {
      table = new Table(ask, this.age, this.sending(item));
      this.kept.set(key, table);
    }
    return table;
  }
}
/** Documents never change in place, so a document's tables serve all its goes. */
const tablesOf = new WeakMap<Activity, Map<Age, Tables>>();
function tablesFor(activity: Activity, age: Age): Tables {
  const ofAge = tablesOf.get(activity) ?? new Map<Age, Tables>();
  tablesOf.set(activity, ofAge);
  const tables = ofAge.get(age) ?? new Tables(activity, age);
  ofAge.set(age, tables);
  return tables;
}

/** True if an outcome is what was seen: the same target, place, pins or number of pins, point or count. */
function matches(body: Body, event: GameEvent): boolean {
  if (body.kind === "send" && event.kind === "send") {
    if (event.fell !== undefined) {
      if (body.fell === undefined) return false;
      const ids = Array.isArray(body.fell) ? body.fell : null;
      const count = ids ? ids.length : (body.fell as number);
      if (!Array.isArray(event.fell)) return count === event.fell;
      return ids !== null && ids.length === event.fell.length && event.fell.every((id) => ids.includes(id));
    }
    if (event.rest !== undefined) return body.rest === event.rest;
    return body.hit !== undefined && (body.hit ?? null) === (event.hit ?? null);
  }
  if (body.kind === "point" && event.kind === "point") return body.side === event.side;
  return false;
}
/** The chance of what was seen. */
function chanceOf(list: readonly { body: Body; p: number }[], event: GameEvent): number {
  const away =
    event.kind === "send" ? (event.away ?? (event.spot && Math.hypot(event.spot.along, event.spot.across))) : undefined;
  const sure = list.filter((w) => matches(w.body, event));
  if (away === undefined || !sure.some((w) => w.body.kind === "send" && w.body.away !== undefined))
    return sure.reduce((sum, w) => sum + w.p, 0);
  // For a distance, outcomes about as far away count, and count less the more they differ.
  const within = ABOUT.share * away + ABOUT.mm;
  return sure.reduce((sum, w) => {
    const at = w.body.kind === "send" ? (w.body.away ?? 0) : 0;
    return sum + w.p * Math.exp(-(((at - away) / within) ** 2) / 2);
  }, 0);
}
/** The chance that one touch of a run succeeds. */
const keptOf = (list: readonly { body: Body; p: number }[]): number =>
  list.reduce((sum, w) => sum + (w.body.kind === "count" && w.body.n > 0 ? w.p : 0), 0);
const slipped = (chance: number, count = 2) => Math.log((1 - SLIP) * chance + SLIP / count);

/**
 * What every try of player 0 in a go says, under the setting in force at the time, after undos and corrections.
 * `activity`: as it was played at home. Other players' tries and sends over the line are left out. A run that the
 * bell cut off counts for what it reached.
 */
export function evidenceOf(activity: Activity, play: Play, age: Age): Evidence[] {
  const tables = tablesFor(activity, age);
  // Equal observations are counted and added up at the end.
  const seen = new Map<Record<Axis, Said>, { action: Action; times: number }>();
  // If the number was typed after the bell, the taps before it do not count.
  const totals = play.standing.some(({ event }) => event.kind === "total");
  let item: string | undefined;
  for (const [i, { event }] of play.standing.entries()) {
    if (event.kind === "object" && event.role === "send") item = event.item;
    if (event.kind !== "send" && event.kind !== "count" && event.kind !== "point") continue;
    if ((event.kind === "send" && event.foot) || (event.kind === "count" && totals)) continue;
    const before = play.standing[i - 1]?.after ?? play.begin;
    const alone = play.setup.players === 1;
    if (!alone && (("by" in event ? event.by : undefined) ?? play.game.turn(before).player) !== 0) continue;
    const ask = mainAsks(play.game.asks(before)).find(
      (mainAsk): mainAsk is Asked =>
        (mainAsk.kind === "send" || mainAsk.kind === "count") &&
        mainAsk.player === 0 &&
        (mainAsk.kind === "count") === (event.kind === "count"),
    );
    if (!ask) continue;
    // A point between two sides is not one player's try.
    if ("people" in ask.aim) continue;
    // If several people share a count, only single counts are known to be the child's own.
    if (event.kind === "count" && play.setup.players > 1 && event.n > 1) continue;
    const says = tables.of(ask, item).of(event);
    const is = seen.get(says);
    if (is) is.times++;
    else seen.set(says, { action: ask.manner.action ?? activity.aim.action, times: 1 });
  }
  const sums = new Map<string, Said & Pick<Evidence, "action" | "axis">>();
  for (const [says, { action, times }] of seen)
    for (const axis of AXES) {
      const onAxis = says[axis];
      if (onAxis.flat) continue;
      const key = `${action} ${axis}`;
      let sum = sums.get(key);
      if (!sum) {
        sum = { action, axis, ...NOTHING, ll: new Float64Array(POINTS), means: new Float64Array(POINTS) };
        sums.set(key, sum);
      }
      sum.tries += times * onAxis.tries;
      sum.hits += times * onAxis.hits;
      for (let i = 0; i < POINTS; i++) {
        sum.ll[i]! += times * onAxis.ll[i]!;
        sum.means[i]! += times * onAxis.means[i]!;
      }
    }
  return [...sums.values()].map(({ action, axis, tries, hits, ll, means }) => {
    return { action, axis, tries, hits, ll: Array.from(ll), means: Array.from(means) };
  });
}
const NOTHING = { tries: 0, hits: 0, flat: false } as const;
