import { agePrior } from "../aim/priors.ts";
import { type Ask, fromLine, mainAsks } from "../asks/ask.ts";
import { aloneIn, optionsOf, type Play, waysFrom, worthOf } from "../chances/outcomes.ts";
import { type BaseState, isRefusal, type Phrase, type Setup } from "../contract/contract.ts";
import type { GameEvent } from "../events/events.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { wholeMinutes } from "../plan/plan.ts";
import { quantile } from "./distribution.ts";
import { forecastActivity, layoutOf, NO_CHANCE, pegRates, personOf, type Who } from "./for-activity.ts";
import { Graph } from "./forecast.ts";

/** What a teacher should look at before sending, by kind; each is proved by going through states, never guessed from the words. */
export const WARNINGS = ["cannotEnd", "nobody", "alwaysBest", "luck", "level", "tooLong", "slow"] as const;
export interface Warning {
  kind: (typeof WARNINGS)[number];
  phrase: Phrase;
}

/** No more states than this are gone through: beyond it nothing is claimed. */
const MOST_STATES = 4000;
/** A choice so much worse than the best one, as a share of it, is no choice. */
const AS_GOOD = 0.05;
/** Half the spread, and some years more where it is not the spread that counts, must move the chance to win by more than this. */
const SKILL = 0.03;
const YEARS = 4;
/** Where two end level so often, nobody can win. */
const LEVEL = 0.9;
/** Exercises are dosed for children; a grown-up does what the oldest do. */
const GROWN = 15;
const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };

interface Seen {
  state: BaseState;
  ended: boolean;
  /** Keys of what may come next. */
  to: Set<string>;
  asks: readonly Ask[];
  /** When it was first met: after a bell nothing happens before it. */
  at: number;
}
/**
 * All states that can come for somebody, by their keys, each followed to its end before the next; not whole where there are more than can be gone
 * through. The bell is one of the ways on.
 */
function statesOf(a: Activity, who: Who): { seen: Map<string, Seen>; whole: boolean } {
  const { game } = opened(a);
  const play: Play = { parts: layoutOf(a), people: [personOf(a, who)], policy: "middle" };
  const seen = new Map<string, Seen>();
  const open: BaseState[] = [];
  const meet = (state: BaseState, at: number): string => {
    const ended = game.ending(state) !== null;
    const key = ended ? `ended ${game.key(state)}` : game.key(state);
    if (!seen.has(key)) {
      seen.set(key, { state, ended, to: new Set(), asks: ended ? [] : mainAsks(game.asks(state)), at });
      if (!ended) open.push(state);
    }
    return key;
  };
  meet(game.start(ALONE), 0);
  for (let state = open.pop(); state; state = open.pop()) {
    if (seen.size > MOST_STATES) return { seen, whole: false };
    const from = seen.get(game.key(state))!;
    const on = (event: GameEvent) => {
      const next = game.step(state, event);
      if (!isRefusal(next)) from.to.add(meet(next, event.at));
    };
    for (const ask of from.asks)
      for (const option of optionsOf(ask))
        for (const way of waysFrom(aloneIn(option, play), play) ?? [])
          if (way.share > 0) on({ ...way.body, at: from.at } as GameEvent);
    const due = game.due(state);
    if (due !== null) on({ kind: "bell", at: due });
  }
  return { seen, whole: true };
}

/** Of all that was followed, this little has ended: nothing has. */
const NOTHING = 1e-9;
/**
 * Whether some state that can come leads to no end: a chance that never leaves. Where there are too many states to go through, it is said only
 * where none of all goes has ended within everything that was followed: `cut` is the share that had not.
 */
function endless({ seen, whole }: ReturnType<typeof statesOf>, cut: number): boolean {
  if (!whole) return cut > 1 - NOTHING && ![...seen.values()].some((s) => s.ended);
  const back = new Map<string, string[]>();
  for (const [key, { to }] of seen) for (const next of to) back.set(next, [...(back.get(next) ?? []), key]);
  const ends = new Set<string>();
  const open = [...seen].flatMap(([key, s]) => (s.ended ? [key] : []));
  for (let key = open.pop(); key !== undefined; key = open.pop()) {
    if (ends.has(key)) continue;
    ends.add(key);
    open.push(...(back.get(key) ?? []));
  }
  return ends.size < seen.size;
}

/** What one option is: the thing aimed at, or what was picked. */
const nameOf = (option: Ask): string | null => {
  if (option.kind === "choose") return option.options[0] ?? null;
  if (option.kind === "send" && option.aim.kind === "any" && option.aim.want.length === 1) return option.aim.want[0]!;
  return null;
};

/**
 * The one option that is the best of all that are open wherever there is a choice, for each of these people; null where there is none, or no
 * choice at all. The best by what a send is expected to bring; what comes close to it is as good.
 */
export function alwaysBest(a: Activity, people: readonly Who[]): string | null {
  const names = people.map((who) => bestFor(a, who));
  const [first] = names;
  return first && names.every((n) => n === first) ? first : null;
}
function bestFor(a: Activity, who: Who): string | null {
  const { seen, whole } = statesOf(a, who);
  if (!whole) return null;
  const play: Play = { parts: layoutOf(a), people: [personOf(a, who)], policy: "middle" };
  let always: string | null = null;
  for (const { asks } of seen.values()) {
    const options = asks.filter((x) => !(x.kind === "choose" && !x.leads)).flatMap(optionsOf);
    if (options.length < 2) continue;
    const worth = options.map((o) => ({ name: nameOf(o), worth: worthOf(o, play) }));
    if (worth.some((w) => w.name === null)) return null;
    const most = Math.max(...worth.map((w) => w.worth));
    const good = worth.filter((w) => w.worth >= most * (1 - AS_GOOD) - 1e-12);
    if (good.length !== 1) return null;
    const { name } = good[0]!;
    if (always !== null && always !== name) return null;
    always = name;
  }
  return always;
}

/**
 * How much a player of half the spread, and some years older where what is done has none, wins more against this one than half of the time, 0 to
 * 0.5, and how often the two end level, 0 to 1; null where nobody plays against another.
 */
export function skillOf(a: Activity, who: Who): { more: number; level: number } | null {
  if (!a.players.modes.includes("against") || a.players.most < 2) return null;
  const multiplier = who.multiplier ?? agePrior(who.age).multiplier;
  const thrown = opened(a).probes.every((p) => fromLine(p.ask));
  const age = thrown || who.age === "adult" ? who.age : Math.min(15, who.age + YEARS);
  const pair = [
    { age, multiplier: multiplier / 2 },
    { age: who.age, multiplier },
  ];
  const told = forecastActivity(a, pair, { players: 2, mode: "against", seed: 1 }, "middle");
  const [one, other] = told.sides;
  if (!one || !other || one.win === null) return null;
  const level = one.points.at.reduce((sum, v, i) => {
    const k = other.points.at.indexOf(v);
    return k < 0 ? sum : sum + one.points.p[i]! * other.points.p[k]!;
  }, 0);
  return { more: one.win - 0.5, level };
}

/** Everything that should be looked at, for the youngest, the middle and the oldest of a class. */
export function warningsOf(a: Activity, people: readonly [Who, Who, Who]): Warning[] {
  const o = opened(a);
  const out: Warning[] = [];
  const [, middle] = people;
  const say = (kind: Warning["kind"], params: Phrase["params"] = {}) =>
    out.push({ kind, phrase: { key: `warning.${kind}`, params } });
  const label = (id: string) => {
    const at = o.pegs.findIndex((p) => p.id === id);
    const peg = o.pegs[at];
    return peg ? peg.label || `${peg.kind} ${at + 1}` : id;
  };
  const rates = people.map((who) => pegRates(a, who));
  const hopeless = o.pegs.filter((p) => rates.every((r) => (r.get(p.id) ?? 1) < NO_CHANCE));
  if (hopeless.length > 0)
    say("nobody", {
      what: hopeless.map((p) => label(p.id)).join(", "),
      from: String(people[0].age),
      to: String(people[2].age),
    });
  const { time, cut } = forecastActivity(a, [middle], ALONE, "middle", { graph: new Graph() });
  const stuck = endless(statesOf(a, middle), cut);
  if (stuck) say("cannotEnd");
  const best = alwaysBest(a, people);
  if (best !== null) say("alwaysBest", { what: label(best) });
  const skill = skillOf(a, middle);
  if (skill !== null && Math.abs(skill.more) < SKILL) say(skill.level > LEVEL ? "level" : "luck");
  // What half of the games take, with everything that is done around them.
  const age = middle.age === "adult" ? GROWN : middle.age;
  const minutes = wholeMinutes(a, age, quantile(time, 0.5) / 600, a.exercises ?? []);
  // A median that is not met within what was followed: it ends, and nobody waits for it.
  if (!Number.isFinite(minutes) && !stuck) say("slow", { planned: a.minutes });
  if (Number.isFinite(minutes) && minutes > a.minutes)
    say("tooLong", { minutes: Math.ceil(minutes), planned: a.minutes });
  return out;
}
