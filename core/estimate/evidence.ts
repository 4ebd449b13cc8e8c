import type { Action } from "../actions/actions.ts";
import { type AskOf, mainAsks } from "../asks/ask.ts";
import { brings } from "../chances/brings.ts";
import { optionsOf, type Play as Scene, waysFrom } from "../chances/outcomes.ts";
import type { Body, GameEvent } from "../events/events.ts";
import { layoutOf, personOf, type Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { thing } from "../kit/items.ts";
import type { Age } from "../measures/stature.ts";
import type { Play } from "../referee/play.ts";
import { AT, AXES, type Axis } from "./grid.ts";

/** What the tries of one go say of a child, for one action and on one axis. */
export interface Evidence {
  action: Action;
  axis: Axis;
  /** Tries that it rests on. */
  tries: number;
  /** Log-likelihood at the points of the axis. */
  ll: number[];
  /** Tries that came off, and how many of them should at each point: what a forecast is held against. */
  hits: number;
  means: number[];
}
/** Of a hundred tries one is told wrong, or was no real try: an assumption, so that no single one decides. */
const SLIP = 0.01;
/** What differs by less than this between the ends of an axis says nothing about it. */
const FLAT = 1e-6;
/** A distance told is taken to be right within this share of it and so much more, millimetres: assumptions. */
const ABOUT = { share: 0.12, mm: 60 } as const;

type Asked = AskOf<"send" | "count">;
/** One child at a point of an axis. */
export const whoAt = (axis: Axis, x: number, age: Age): Who =>
  axis === "spread" ? { age, multiplier: Math.exp(x) } : { age, skill: x };

/** A go's chances at every point of both axes, for what was asked: worked out once for each setting. */
class Tables {
  private readonly kept = new Map<string, Record<Axis, { body: Body; p: number }[][]>>();
  private readonly activities = new Map<string, Activity>();
  constructor(
    private readonly a: Activity,
    private readonly age: Age,
  ) {}

  /** The same activity with another thing sent. */
  private sending(item: string | undefined): Activity {
    if (item === undefined || item === this.a.kit.send || !thing(this.a.kit, item)) return this.a;
    const known = this.activities.get(item) ?? { ...this.a, kit: { ...this.a.kit, send: item } };
    this.activities.set(item, known);
    return known;
  }
  of(ask: Asked, item: string | undefined): Record<Axis, { body: Body; p: number }[][]> {
    const key = `${item ?? ""} ${JSON.stringify([ask.kind, ask.from, ask.manner, ask.aim, ask.kind === "count" && ask.drops])}`;
    let table = this.kept.get(key);
    if (!table) {
      const a = this.sending(item);
      const parts = layoutOf(a);
      const at = (who: Who): Scene => ({ parts, people: [personOf(a, who)], policy: "middle" });
      const asked = { ...ask, player: 0 } as Asked;
      // Of several that it may have been meant for, each alike: nobody said which.
      const options = optionsOf(asked);
      const along = (axis: Axis) =>
        AT[axis].map((x) => {
          const scene = at(whoAt(axis, x, this.age));
          return options.flatMap((o) =>
            waysFrom(o, scene)!.map(({ body, share }) => ({ body, p: share / options.length })),
          );
        });
      table = { spread: along("spread"), skill: along("skill") };
      this.kept.set(key, table);
    }
    return table;
  }
}

/** Whether an outcome is what was seen: the same target, place, pins or number of them, point or count. */
function matches(body: Body, e: GameEvent): boolean {
  if (body.kind === "send" && e.kind === "send") {
    if (e.fell !== undefined) {
      if (body.fell === undefined) return false;
      const ids = Array.isArray(body.fell) ? body.fell : null;
      const n = ids ? ids.length : (body.fell as number);
      if (!Array.isArray(e.fell)) return n === e.fell;
      return ids !== null && ids.length === e.fell.length && e.fell.every((id) => ids.includes(id));
    }
    if (e.rest !== undefined) return body.rest === e.rest;
    return body.hit !== undefined && (body.hit ?? null) === (e.hit ?? null);
  }
  if (body.kind === "point" && e.kind === "point") return body.side === e.side;
  return false;
}
/** The chance of what was seen. */
function chanceOf(list: readonly { body: Body; p: number }[], e: GameEvent): number {
  const away = e.kind === "send" ? (e.away ?? (e.spot && Math.hypot(e.spot.along, e.spot.across))) : undefined;
  const sure = list.filter((w) => matches(w.body, e));
  if (away === undefined || !sure.some((w) => w.body.kind === "send" && w.body.away !== undefined))
    return sure.reduce((sum, w) => sum + w.p, 0);
  // How far away it lies: what lies about as far, counted less the farther it is off.
  const within = ABOUT.share * away + ABOUT.mm;
  return sure.reduce((sum, w) => {
    const at = w.body.kind === "send" ? (w.body.away ?? 0) : 0;
    return sum + w.p * Math.exp(-(((at - away) / within) ** 2) / 2);
  }, 0);
}
/** Of a run: so many that came off, and perhaps one that did not. */
function runOf(list: readonly { body: Body; p: number }[]): { kept: number; lost: number } {
  const kept = list.reduce((sum, w) => sum + (w.body.kind === "count" && w.body.n > 0 ? w.p : 0), 0);
  return { kept, lost: 1 - kept };
}
const slipped = (p: number, n = 2) => Math.log((1 - SLIP) * p + SLIP / n);

/**
 * What every try of player 0 in a go says, with the setting in force at each: as it stands after undo and correction. `a`: as it was
 * played at home. Nothing of other players; nothing of a send over the line. A run that the bell cut off is only what it came to.
 */
export function evidenceOf(a: Activity, play: Play, age: Age): Evidence[] {
  const tables = new Tables(a, age);
  const out = new Map<string, Evidence>();
  const tell = (action: Action, axis: Axis, more: Omit<Evidence, "action" | "axis">) => {
    if (Math.max(...more.ll) - Math.min(...more.ll) < FLAT) return;
    const key = `${action} ${axis}`;
    const none = AT[axis].map(() => 0);
    const is = out.get(key) ?? { action, axis, tries: 0, ll: none, hits: 0, means: none };
    out.set(key, {
      ...is,
      tries: is.tries + more.tries,
      hits: is.hits + more.hits,
      ll: is.ll.map((x, i) => x + more.ll[i]!),
      means: is.means.map((x, i) => x + more.means[i]!),
    });
  };
  // Where the number was typed after the bell, what was tapped before is not what it was.
  const totals = play.standing.some(({ event: e }) => e.kind === "total");
  let item: string | undefined;
  for (const [i, { event: e }] of play.standing.entries()) {
    if (e.kind === "object" && e.role === "send") item = e.item;
    if (e.kind !== "send" && e.kind !== "count" && e.kind !== "point") continue;
    if ((e.kind === "send" && e.foot) || (e.kind === "count" && totals)) continue;
    const before = play.standing[i - 1]?.after ?? play.begin;
    const by = ("by" in e ? e.by : undefined) ?? play.game.turn(before).player;
    if (by !== 0) continue;
    const ask = mainAsks(play.game.asks(before)).find(
      (x): x is Asked =>
        (x.kind === "send" || x.kind === "count") && x.player === 0 && (x.kind === "count") === (e.kind === "count"),
    );
    if (!ask) continue;
    // A point of two sides is not one player's try.
    if ("people" in ask.aim) continue;
    // Of a count that several share only single ones are known to be its own.
    if (e.kind === "count" && play.setup.players > 1 && e.n > 1) continue;
    const table = tables.of(ask, item);
    const action = ask.manner.action ?? a.aim.action;
    for (const axis of AXES) {
      if (e.kind === "count") {
        const lost = e.drop === true || (e.n === 0 && ask.kind === "count" && !ask.drops);
        const ll = table[axis].map((list) => {
          const { kept, lost: drop } = runOf(list);
          return e.n * slipped(kept) + (lost ? slipped(drop) : 0);
        });
        const tries = e.n + (lost ? 1 : 0);
        const means = table[axis].map((list) => tries * runOf(list).kept);
        tell(action, axis, { tries, hits: e.n, ll, means });
      } else {
        const ll = table[axis].map((list) =>
          slipped(chanceOf(list, e), Math.max(2, new Set(list.map((w) => JSON.stringify(w.body))).size)),
        );
        // Where no way of it is worth anything (how near a piece lies) there is nothing to come off.
        const means = table[axis].map((list) => list.reduce((sum, w) => sum + (brings(ask, w.body) ? w.p : 0), 0));
        const counts = Math.max(...means) > 0;
        tell(action, axis, { tries: counts ? 1 : 0, hits: counts && brings(ask, e) ? 1 : 0, ll, means });
      }
    }
  }
  return [...out.values()];
}
