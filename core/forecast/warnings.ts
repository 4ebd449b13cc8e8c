import { agePrior } from "../aim/priors.ts";
import { type Ask, fromLine, mainAsks } from "../asks/ask.ts";
import { aloneIn, optionsOf, type Play, waysFrom, worthOf } from "../chances/outcomes.ts";
import { type BaseState, isRefusal, type Phrase, type Setup } from "../contract/contract.ts";
import type { GameEvent } from "../events/events.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { memoizeByIdentity } from "../memoize.ts";
import { wholeMinutes } from "../plan/plan.ts";
import { type Distribution, quantile } from "./distribution.ts";
import { chosen, ends, type Fix, minutes, moved, points, scaled } from "./fixes.ts";
import { forecastActivity, layoutOf, NO_CHANCE, pegRates, personOf, type Who } from "./for-activity.ts";
import { Graph } from "./forecast.ts";

/**
 * What a teacher should look at before sending, by kind. Each is proved by going through the game's states, never
 * guessed from its settings.
 */
export const WARNINGS = ["cannotEnd", "nobody", "alwaysBest", "luck", "level", "tooLong", "slow"] as const;
export interface Warning {
  kind: (typeof WARNINGS)[number];
  phrase: Phrase;
  /** A change that mends it. Null if none was found. */
  fix: Fix | null;
}

/** The most states that are gone through. Beyond it, nothing is claimed. */
const MAX_STATES = 4000;
/** An option that is worse than the best by more than this share of it is no real choice. */
const AS_GOOD = 0.05;
/**
 * Half the spread, or a few years more of age where there is no spread, must change the chance to win by more than
 * this.
 */
const SKILL = 0.03;
const YEARS = 4;
/** If a match has to be sampled, this many games and steps decide. */
const GAMES = 2000;
const STEPS = 60_000;
/** If this share of matches between two is a tie, nobody can win. */
const LEVEL = 0.9;
/** Amounts of exercise are for children. A grown-up does what the oldest children do. */
const GROWN = 15;
const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };

interface Seen {
  state: BaseState;
  ended: boolean;
  /** The keys of the states that may come next. */
  to: Set<string>;
  asks: readonly Ask[];
  /** When it was first met. Nothing happens after a bell that rings earlier. */
  at: number;
}
/**
 * All states that somebody can reach, by key. Each is followed to its end before the next. `whole` is false if there
 * are too many. The bell is one of the ways on.
 */
function statesOf(activity: Activity, who: Who): { seen: Map<string, Seen>; whole: boolean } {
  const { game } = opened(activity);
  const play: Play = { parts: layoutOf(activity), people: [personOf(activity, who)], policy: "middle" };
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
    if (seen.size > MAX_STATES) return { seen, whole: false };
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

/** If less than this share of what was followed has ended, nothing has. */
const NOTHING = 1e-9;
/**
 * True if some state that can be reached leads to no end. If there are too many states to go through, it is true only
 * if no go ended within all that was followed; `cut` is the share that had not.
 */
function endless({ seen, whole }: ReturnType<typeof statesOf>, cut: number): boolean {
  if (!whole) return cut > 1 - NOTHING && ![...seen.values()].some((eachSeen) => eachSeen.ended);
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

/** The name of an option: the item aimed at, or what was picked. */
const nameOf = (option: Ask): string | null => {
  if (option.kind === "choose") return option.options[0] ?? null;
  if (option.kind === "send" && option.aim.kind === "any" && option.aim.want.length === 1) return option.aim.want[0]!;
  return null;
};

/**
 * The one option that is best wherever there is a choice, for each of these people. Null if there is none, or no
 * choice. The best is what a send is expected to bring, and what comes close is as good.
 */
export function alwaysBest(activity: Activity, people: readonly Who[]): string | null {
  const names = people.map((who) => bestFor(activity, who));
  const [first] = names;
  return first && names.every((name) => name === first) ? first : null;
}
function bestFor(activity: Activity, who: Who): string | null {
  const { seen, whole } = statesOf(activity, who);
  if (!whole) return null;
  const play: Play = { parts: layoutOf(activity), people: [personOf(activity, who)], policy: "middle" };
  let always: string | null = null;
  const only = new Set<string | null>();
  for (const { asks } of seen.values()) {
    const options = asks.filter((ask) => !(ask.kind === "choose" && !ask.leads)).flatMap(optionsOf);
    // If the others are used up, the last option was not a choice all game.
    if (options.length === 1) only.add(nameOf(options[0]!));
    if (options.length < 2) continue;
    const worth = options.map((option) => ({ name: nameOf(option), worth: worthOf(option, play) }));
    if (worth.some((w) => w.name === null)) return null;
    const most = Math.max(...worth.map((w) => w.worth));
    const good = worth.filter((w) => w.worth >= most * (1 - AS_GOOD) - 1e-12);
    if (good.length !== 1) return null;
    const { name } = good[0]!;
    if (always !== null && always !== name) return null;
    always = name;
  }
  return [...only].some((name) => name !== null && name !== always) ? null : always;
}

/**
 * How much more than half of the time a player wins who has half the spread of this one (or is some years older,
 * where there is no spread), from 0 to 0.5, and how often the two tie, from 0 to 1. Null if nobody plays against
 * another.
 */
export function skillOf(activity: Activity, who: Who): { more: number; level: number } | null {
  if (!activity.players.modes.includes("against") || activity.players.most < 2) return null;
  // If nothing has a chance, nothing is luck.
  if (opened(activity).probes.length === 0) return null;
  const multiplier = who.multiplier ?? agePrior(who.age).multiplier;
  const thrown = opened(activity).probes.every((probe) => fromLine(probe.ask));
  const age = thrown || who.age === "adult" ? who.age : Math.min(15, who.age + YEARS);
  const pair = [
    { age, multiplier: multiplier / 2 },
    { age: who.age, multiplier },
  ];
  const match = forecastActivity(activity, pair, { players: 2, mode: "against", seed: 1 }, "middle", {
    samples: GAMES,
    sampleBudget: STEPS,
  });
  const [one, other] = match.sides;
  if (!one || !other || one.win === null) return null;
  const level = one.points.at.reduce((sum, v, i) => {
    const index = other.points.at.indexOf(v);
    return index < 0 ? sum : sum + one.points.p[i]! * other.points.p[index]!;
  }, 0);
  return { more: one.win - 0.5, level };
}

/** Checks for one warning. Returns what its sentence names, or null if all is well. */
type Check = (activity: Activity, people: readonly [Who, Who, Who]) => Phrase["params"] | null;

/** The name of a target or a line. */
function label(activity: Activity, id: string): string {
  const { pegs } = opened(activity);
  const at = pegs.findIndex((eachPeg) => eachPeg.id === id);
  const peg = pegs[at];
  return peg ? peg.label || `${peg.kind} ${at + 1}` : id;
}
const hopelessIn = (activity: Activity, people: readonly Who[]): string[] => {
  const rates = people.map((who) => pegRates(activity, who));
  return opened(activity).pegs.flatMap((peg) =>
    rates.every((rate) => (rate.get(peg.id) ?? 1) < NO_CHANCE) ? [peg.id] : [],
  );
};
/** Several warnings need the same figure, so it is worked out once for each activity and person. */
function kept<T>(work: (activity: Activity, who: Who) => T): (activity: Activity, who: Who) => T {
  const known = memoizeByIdentity((_: Activity) => new Map<string, T>());
  return (activity, who) => {
    const of = known(activity);
    const key = JSON.stringify(who);
    if (!of.has(key)) of.set(key, work(activity, who));
    return of.get(key)!;
  };
}
const endsFor = kept((activity, who) => {
  const alone = forecastActivity(activity, [who], ALONE, "middle", { graph: new Graph() });
  return { ...alone, stuck: endless(statesOf(activity, who), alone.cut) };
});
const skillFor = kept(skillOf);
/** The minutes that half of all games take, with everything done around them. */
const minutesOf = (activity: Activity, who: Who, time: Distribution): number =>
  wholeMinutes(activity, who.age === "adult" ? GROWN : who.age, quantile(time, 0.5) / 600, activity.exercises ?? []);

const checks: Record<Warning["kind"], Check> = {
  nobody: (activity, people) => {
    const hopeless = hopelessIn(activity, people);
    if (hopeless.length === 0) return null;
    const [youngest, , oldest] = people;
    const what = hopeless.map((id) => label(activity, id)).join(", ");
    return { what, n: hopeless.length, from: String(youngest.age), to: String(oldest.age) };
  },
  cannotEnd: (activity, [, typical]) => (endsFor(activity, typical).stuck ? {} : null),
  alwaysBest: (activity, people) => {
    const best = alwaysBest(activity, people);
    return best === null ? null : { what: label(activity, best) };
  },
  luck: (activity, [, typical]) => {
    const skill = skillFor(activity, typical);
    return skill && Math.abs(skill.more) < SKILL && skill.level <= LEVEL ? {} : null;
  },
  level: (activity, [, typical]) => {
    const skill = skillFor(activity, typical);
    return skill && Math.abs(skill.more) < SKILL && skill.level > LEVEL ? {} : null;
  },
  slow: (activity, [, typical]) => {
    const { time, stuck } = endsFor(activity, typical);
    // The median was not reached within what was followed: the game ends, but nobody would wait for it.
    return Number.isFinite(minutesOf(activity, typical, time)) || stuck ? null : { planned: activity.minutes };
  },
  tooLong: (activity, [, typical]) => {
    const takes = minutesOf(activity, typical, endsFor(activity, typical).time);
    return Number.isFinite(takes) && takes > activity.minutes
      ? { minutes: Math.ceil(takes), planned: activity.minutes }
      : null;
  },
};

const NEARER = [0.8, 0.65, 0.5, 0.3, 0.2, 0.12] as const;
const LESS = [0.75, 0.5, 0.35, 0.2] as const;
const MORE = [1.5, 2, 3] as const;
/** Changes that may mend it, the smallest first. */
const fixesFor: Record<Warning["kind"], (activity: Activity, people: readonly [Who, Who, Who]) => (Fix | null)[]> = {
  nobody: (activity, people) => {
    const hopeless = hopelessIn(activity, people);
    return [...moved(activity, hopeless, NEARER), ...moved(activity, null, NEARER)];
  },
  cannotEnd: (activity) => ends(activity),
  alwaysBest: (activity, [, typical]) => points(activity, typical),
  luck: (activity) => [
    ...scaled(activity, [MORE[0], MORE[2]]),
    ...moved(activity, null, [1.25, 0.8]),
    ...chosen(activity),
  ],
  level: (activity) => [...scaled(activity, LESS), ...moved(activity, null, [1.25, 1.5]), ...scaled(activity, MORE)],
  slow: (activity) => [...ends(activity), ...scaled(activity, LESS)],
  tooLong: (activity, people) => [
    ...minutes(activity, Number(checks.tooLong(activity, people)!.minutes)),
    ...scaled(activity, LESS),
  ],
};
/** The most changes that are tried, because each is followed like the game itself. */
const MAX_TRIED = 20;

/** The first change that removes a warning without bringing another. Null if none does. */
function fixOf(kind: Warning["kind"], activity: Activity, people: readonly [Who, Who, Who]): Fix | null {
  const list = fixesFor[kind](activity, people).filter((fix): fix is Fix => fix !== null);
  return list.slice(0, MAX_TRIED).find((fix) => checks[kind](fix.activity, people) === null) ?? null;
}

/** Returns only the kinds of warnings. The changes that would fix them take longer to find. */
export const kindsOf = (activity: Activity, people: readonly [Who, Who, Who]): Warning["kind"][] =>
  WARNINGS.filter((kind) => checks[kind](activity, people) !== null);

/** Returns one warning with a change that would fix it, or null if there is nothing to warn about. */
export function warningOf(kind: Warning["kind"], activity: Activity, people: readonly [Who, Who, Who]): Warning | null {
  const params = checks[kind](activity, people);
  return params ? { kind, phrase: { key: `warning.${kind}`, params }, fix: fixOf(kind, activity, people) } : null;
}

/**
 * Everything that should be looked at, for the youngest, the typical and the oldest child of a class, each with one
 * change that mends it.
 */
export const warningsOf = (activity: Activity, people: readonly [Who, Who, Who]): Warning[] =>
  WARNINGS.flatMap((kind) => warningOf(kind, activity, people) ?? []);
