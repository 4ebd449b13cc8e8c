import { actionFacts, isSend } from "../actions/actions.ts";
import { goalkeeperOf } from "../aim/goalkeeper.ts";
import { gateOf, performerOf } from "../aim/performer.ts";
import type { Person } from "../aim/person.ts";
import { HEIGHT_OF, offSurface, playerModel, withRamp } from "../aim/player.ts";
import { agePrior } from "../aim/priors.ts";
import type { Aim, Doing, Manner } from "../asks/ask.ts";
import { type Policy, type Sight, setOf } from "../chances/kind.ts";
import { kindOf } from "../chances/loaded-kinds.ts";
import { aloneIn, sightOf, waysFrom } from "../chances/outcomes.ts";
import type { Mode, Probe, Role, Setup } from "../contract/contract.ts";
import { asTheyPlay } from "../contract/people.ts";
import type { Activity } from "../formats/activity.ts";
import { openedPlay } from "../formats/opened-play.ts";
import type { Item } from "../items/item.ts";
import { extraObjectIndex, extraObjects } from "../kit/extra-objects.ts";
import { itemIn } from "../kit/known-items.ts";
import type { Age } from "../measures/stature.ts";
import { downRamp } from "../physics/ramp.ts";
import { awkward, type How } from "../physics/release.ts";
import { sendingOf } from "../physics/send.ts";
import type { Sending } from "../physics/sending.ts";
import type { HitRule, SingleRule } from "../rules/hit-rule.ts";
import { SMALLEST } from "../rules/limits.ts";
import { laidParts } from "../yard/layouts/laid.ts";
import { asSeen } from "../yard/off-wall.ts";
import { type Part, reachOfLayout } from "../yard/parts.ts";
import { type ForecastInput, forecast, type Graph } from "./forecast.ts";
import type { Forecast } from "./result.ts";

export interface Who {
  age: Age;
  /** Spread as a factor of a typical 8-year-old's, once the child is known better than by age. */
  multiplier?: number;
  /** Log-odds above or below those of the age, for skills without a spread. */
  skill?: number;
  /** Pace as a factor of the age's: walks this much faster and is ready this much sooner. */
  pace?: number;
}

/** The object that an activity sends. A document that was read always has it. */
export function sentIn(activity: Activity): Item {
  const item = itemIn(activity.kit, activity.kit.send);
  if (!item) throw new RangeError(`kit.send: "${activity.kit.send}" is not in the list of items`);
  return item;
}

/**
 * The layout of an activity in its own space: what the game needs, what is laid out beside it, and the run-on behind
 * the targets, unless a wall or something soft stops it.
 */
export function layoutOf(activity: Activity): Part[] {
  const known = layouts.get(activity);
  if (known) return known;
  const parts = openedPlay(activity).parts.map((part) => deep(activity, part));
  const runOn = goesOn(activity)
    ? Math.min(KEPT_CLEAR, runOnIn(activity, parts, personOf(activity, { age: USUAL_AGE })))
    : 0;
  const from = reachOfLayout(parts);
  // Indoors a wall stops the object.
  const stops = (at: number) => (activity.space.indoors ? Math.max(from, Math.min(at, activity.space.length)) : at);
  const more = activity.layout ? laidParts(activity.layout) : [];
  const out: Part[] = [
    ...parts,
    ...more,
    { kind: "runOn", id: "runOn", near: from, far: stops(from + runOn), across: 0, width: activity.space.width },
  ];
  layouts.set(activity, out);
  return out;
}
/** Documents never change in place, so each is laid out once. */
const layouts = new WeakMap<Activity, Part[]>();

/** A target as deep as the item that stands there. An item without an opening or a gap lets nothing in or through. */
function deep(activity: Activity, part: Part): Part {
  if (part.kind !== "target") return part;
  const is = itemIn(activity.kit, part.item);
  if (!is) return part;
  const rules = (part.rule.kind === "anyOf" ? part.rule.rules : [part.rule]).map((eachRule): SingleRule => {
    if (eachRule.kind === "into" && is.opening === null) return { ...eachRule, opening: SMALLEST };
    return eachRule.kind === "through" && is.gap === null ? { ...eachRule, gap: SMALLEST } : eachRule;
  });
  const rule: HitRule = rules.length === 1 ? rules[0]! : { kind: "anyOf", rules };
  return { ...part, depth: part.depth ?? is.depth, rule };
}

/** A chance below one in two hundred counts as none. */
export const NO_CHANCE = 0.005;
/** The age of a player if nobody is named, years. */
export const USUAL_AGE = 8;
/**
 * The floor kept clear behind the targets is never longer than this, metres. Whatever runs farther is stopped by
 * something.
 */
export const KEPT_CLEAR = 3;

/** Somebody who plays an activity, with its items and on its floor. */
export function personOf(activity: Activity, who: Who): Person {
  const of = people.get(activity) ?? new Map<string, Person>();
  people.set(activity, of);
  const key = `${who.age} ${who.multiplier ?? ""} ${who.skill ?? ""} ${who.pace ?? ""}`;
  const known = of.get(key);
  if (known) return known;
  const prior = agePrior(who.age);
  const { pace = 1, skill } = who;
  const [walking, tempo] = [prior.walking * pace, prior.tempo / pace];
  const once = <T>(make: (manner: Manner) => T) => {
    const made = new Map<string, T>();
    return (manner: Manner): T => {
      const id = JSON.stringify(manner);
      let is = made.get(id);
      if (is === undefined) {
        is = make(manner);
        made.set(id, is);
      }
      return is;
    };
  };
  const actionOf = (manner: Manner) => manner.action ?? activity.aim.action;
  const itemOf = (manner: Manner) => {
    const other = extraObjectIndex(manner.thing);
    return (other >= 0 && itemIn(activity.kit, extraObjects(activity)[other] ?? "")) || sentIn(activity);
  };
  // If the hands alternate, the weaker one decides.
  const howOf = ({ posture, hand }: Manner): How => ({
    ...(posture && { posture }),
    ...(hand && hand !== "both" && { hand: hand === "alternate" ? ("other" as const) : hand }),
  });
  const held = (manner: Manner) => (activity.kit.implement ? { ...manner, implement: "implement" } : manner);
  const done = new Map<string, ReturnType<Person["does"]>>();
  const tasks = (id: string, task: Doing, manner: Manner) => {
    let is = done.get(id);
    if (!is) {
      is = performerOf(who.age, itemOf(manner), activity.space.floor, task, held(manner), skill);
      done.set(id, is);
    }
    return is;
  };
  const person: Person = {
    walking,
    tempo,
    sends: once((manner) => {
      const usual = playerModel(who, actionOf(manner), itemOf(manner), activity.space.floor, howOf(manner));
      const model = pace === 1 ? usual : { ...usual, walking, tempo, windUp: usual.windUp / pace };
      const onRamp = activity.ramp && actionOf(manner) === "underarmRoll";
      if (onRamp) return withRamp(model, activity.ramp!.height, who.multiplier ?? agePrior(who.age).multiplier);
      return activity.off && activity.off !== "wall" ? offSurface(model, activity.off) : model;
    }),
    keeps: once((manner) => goalkeeperOf(who.age, itemOf(manner), activity.space.floor, held(manner), skill)),
    does: (task, manner) => tasks(JSON.stringify([task, manner]), task, manner),
    gate: (gate, manner) => gateOf(who.age, gate, itemOf(manner), activity.space.floor, held(manner), skill),
    typical: (manner) => {
      const { spread } = actionFacts[actionOf(manner)];
      const k = itemOf(manner).handling * awkward(howOf(manner));
      return { lateral: spread.lateral * k, range: spread.range * k, vertical: spread.vertical * k };
    },
  };
  of.set(key, person);
  return person;
}
const people = new WeakMap<Activity, Map<string, Person>>();

/** How somebody sends in an activity. Null if nothing is sent. */
export const sendingIn = (activity: Activity, age: Age): Sending | null =>
  isSend(activity.aim.action)
    ? ramped(activity, sendingOf(age, activity.aim.action, sentIn(activity), activity.space.floor))
    : null;
function ramped(activity: Activity, sending: Sending): Sending {
  if (activity.ramp) return downRamp(sending, activity.ramp.height);
  return activity.off && activity.off !== "wall" && sending.travel === "air"
    ? { ...sending, off: HEIGHT_OF[activity.off] }
    : sending;
}

/** How a probe of an activity is asked in a layout. */
const sightIn = (probe: Probe, parts: readonly Part[], person: Person, policy: Policy = "middle"): Sight =>
  sightOf(probe.ask, { parts, people: [person], policy });

/** How far the object runs on past its target, metres: the most over everything that can be aimed at. */
export const runOnIn = (activity: Activity, parts: readonly Part[], person: Person): number =>
  Math.max(
    0,
    ...openedPlay(activity).probes.map((probe) =>
      kindOf<Aim>(probe.ask.aim).runsOn(probe.ask.aim, sightIn(probe, parts, person)),
    ),
  );

/** The farthest that anything is sent in an activity, metres. */
export const farthestAim = (activity: Activity, parts: readonly Part[] = layoutOf(activity)): number =>
  Math.max(
    0,
    ...openedPlay(activity).probes.map((probe) =>
      kindOf<Aim>(probe.ask.aim).reach(probe.ask.aim, asSeen(parts), probe.ask.from),
    ),
  );

/**
 * True if nothing behind the targets stops the object. Documents from earlier versions do not say, which means that
 * nothing does.
 */
export const goesOn = (activity: Activity): boolean =>
  activity.behind !== "wall" && activity.behind !== "soft" && activity.off !== "wall";

/** True if the object flies. */
export const flies = (activity: Activity): boolean =>
  isSend(activity.aim.action) && actionFacts[activity.aim.action].travel === "air";

/** Forecasts what will happen when these people play it. */
export function forecastActivity(
  activity: Activity,
  who: readonly Who[],
  setup: Setup,
  policy: Policy,
  more: {
    chances?: Record<string, number>;
    method?: "auto" | "exact" | "sampled";
    samples?: number;
    solveBudget?: number;
    graph?: Graph;
    stop?: () => boolean;
  } & Pick<ForecastInput, "untimed" | "exactBudget" | "sampleBudget" | "enough" | "shared" | "firstStarts"> = {},
): Forecast {
  if (more.chances) checkChances(activity, more.chances, setup.mode);
  return forecast({
    game: openedPlay(activity).game,
    setup,
    parts: layoutOf(activity),
    people: who.map((eachWho) => personOf(activity, eachWho)),
    policy,
    ...more,
  });
}

/**
 * Checks chances that were given by hand. Each must belong to something in the game and be 1 at most, those of one
 * aim must add up to 1 at most (exactly 1 if all are given), and none may be missing. RangeError names the one that
 * is wrong.
 */
function checkChances(activity: Activity, chances: Readonly<Record<string, number>>, mode: Mode): void {
  const probes = openedPlay(activity).probes.filter((probe) => probe.modes === undefined || probe.modes.includes(mode));
  const refs = probes.map((probe) => ({
    ...kindOf<Aim>(probe.ask.aim).refs(probe.ask.aim, probe.ask.from),
    from: probe.ask.from,
    peg: probe.peg,
  }));
  const named = [...new Set(refs.flatMap((ref) => ref.named))];
  const also = [...new Set(refs.flatMap((ref) => ref.also ?? []))];
  // Pins may be named even if they do not always stand.
  const pins = openedPlay(activity).parts.flatMap((part) => (part.kind === "target" ? [part.id] : []));
  const sets = refs.some((ref) => ref.sets) ? pins : [];
  // Where the line moves, there is a chance from each line.
  const lines = [
    ...new Set(
      refs.flatMap((ref) =>
        (ref.peg !== null && ref.peg === ref.from) || ref.also?.includes(ref.from) ? [ref.from] : [],
      ),
    ),
  ];
  const known = [...named, ...lines, ...also, ...sets];
  const wanted = lines.length > 0 && !named.some((id) => Object.hasOwn(chances, id)) ? lines : named;
  for (const [id, value] of Object.entries(chances)) {
    if (!known.includes(id) && !setOf(id, sets))
      throw new RangeError(`chances.${id.slice(0, 40)}: not part of this activity; it has ${known.join(", ")}`);
    if (!(value >= 0 && value <= 1)) throw new RangeError(`chances.${id}: must be 0 to 1`);
  }
  const missing = wanted.find((id) => !Object.hasOwn(chances, id));
  if (missing !== undefined) throw new RangeError(`chances.${missing}: is missing`);
  for (const ref of refs) {
    const own = [
      ...(ref.meant === null ? ref.named : [ref.meant]),
      ...(ref.also ?? []).filter((id) => id !== ref.from),
    ];
    const ids = ref.sets ? Object.keys(chances) : own.filter((id) => Object.hasOwn(chances, id));
    const sum = ids.reduce((eachSum, id) => eachSum + chances[id]!, 0);
    if (sum > 1 + 1e-9) throw new RangeError(`chances: together they are ${sum.toFixed(3)}, and must be at most 1`);
    // If the outcome that takes the rest is given too, nothing may be left over.
    const several = (ref.also ?? []).length > 1;
    const whole = several && ref.meant !== null && ids.includes(ref.rest) && own.every((id) => ids.includes(id));
    if (whole && sum < 1 - 1e-9) throw new RangeError(`chances: together they are ${sum.toFixed(3)}, and must be 1`);
  }
}

/** The chance of each probe of an activity for one person, 0 to 1, by the probe's id. */
export function rates(
  activity: Activity,
  who: Who,
  parts: readonly Part[] = layoutOf(activity),
  only?: string,
  self: Omit<Role, "role"> | null = null,
  counting: (probe: Probe) => Probe["counts"] = (probe) => probe.counts,
): Map<string, number> {
  const person = personOf(activity, who);
  const out = new Map<string, number>();
  for (const probe of openedPlay(activity).probes) {
    if (only !== undefined && (probe.peg ?? probe.id) !== only) continue;
    const play = { parts, people: [person], policy: "middle" } as const;
    const asked = self ? asTheyPlay({ ...ALONE, people: [{ role: "plays", ...self }] }, [probe.ask])[0]! : probe.ask;
    const ways = waysFrom(aloneIn(asked, play), play)!;
    out.set(
      probe.id,
      ways.reduce((sum, way) => sum + way.share * counting(probe)(way.body), 0),
    );
  }
  return out;
}
const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
/** The same by peg, as shown on the tape. */
export const pegRates = (
  activity: Activity,
  who: Who,
  parts: readonly Part[] = layoutOf(activity),
  only?: string,
): Map<string, number> => byPeg(activity, rates(activity, who, parts, only));

/** Chances by probe as chances by peg. If several belong to one peg, the first counts. */
export function byPeg(activity: Activity, all: ReadonlyMap<string, number>): Map<string, number> {
  const out = new Map<string, number>();
  for (const probe of openedPlay(activity).probes) {
    const rate = all.get(probe.id);
    if (probe.peg !== null && rate !== undefined && !out.has(probe.peg)) out.set(probe.peg, rate);
  }
  return out;
}
