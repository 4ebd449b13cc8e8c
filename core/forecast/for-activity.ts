import { actionFacts, isSend } from "../actions/actions.ts";
import { goalkeeperOf } from "../aim/goalkeeper.ts";
import { gateOf, performerOf } from "../aim/performer.ts";
import type { Person } from "../aim/person.ts";
import { HEIGHT_OF, offSurface, playerModel, withRamp } from "../aim/player.ts";
import { agePrior } from "../aim/priors.ts";
import type { Aim, Doing, Manner } from "../asks/ask.ts";
import { type Policy, type Sight, setOf } from "../chances/kind.ts";
import { kindOf } from "../chances/kinds.ts";
import { aloneIn, sightOf, waysFrom } from "../chances/outcomes.ts";
import type { Mode, Probe, Role, Setup } from "../contract/contract.ts";
import { asTheyPlay } from "../contract/people.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { extraObjectIndex, extraObjects } from "../kit/extra-objects.ts";
import { thing } from "../kit/items.ts";
import type { Age } from "../measures/stature.ts";
import { downRamp } from "../physics/ramp.ts";
import { awkward, type How } from "../physics/release.ts";
import { sendingOf } from "../physics/send.ts";
import type { Sending } from "../physics/sending.ts";
import { type HitRule, type SingleRule, SMALLEST } from "../rules/hit-rule.ts";
import type { Item } from "../things/item.ts";
import { laidParts } from "../yard/layouts/laid.ts";
import { asSeen } from "../yard/off-wall.ts";
import { type Part, reachOfLayout } from "../yard/parts.ts";
import { type ForecastInput, forecast, type Graph } from "./forecast.ts";
import type { Forecast } from "./result.ts";

export interface Who {
  age: Age;
  /** Spread beside a child of 8, once known better than by age. */
  multiplier?: number;
  /** Log-odds beside those of the age, for what is no spread. */
  skill?: number;
  /** How quick beside its age: walks so much faster and is ready so much sooner. */
  pace?: number;
}

/** What an activity sends; a document that was read always has it. */
export function sentIn(a: Activity): Item {
  const i = thing(a.kit, a.kit.send);
  if (!i) throw new RangeError(`kit.send: "${a.kit.send}" is not in the list of items`);
  return i;
}

/**
 * The layout of an activity in its own space: what the game needs, what is laid out beside it, and the run-on of what is sent, unless a wall
 * or something soft behind the targets stops it.
 */
export function layoutOf(a: Activity): Part[] {
  const known = layouts.get(a);
  if (known) return known;
  const parts = opened(a).parts.map((p) => deep(a, p));
  const runOn = goesOn(a) ? Math.min(KEPT_CLEAR, runOnIn(a, parts, personOf(a, { age: USUAL_AGE }))) : 0;
  const from = reachOfLayout(parts);
  // Indoors a wall stops it.
  const stops = (at: number) => (a.space.indoors ? Math.max(from, Math.min(at, a.space.length)) : at);
  const more = a.layout ? laidParts(a.layout) : [];
  const out: Part[] = [
    ...parts,
    ...more,
    { kind: "runOn", id: "runOn", near: from, far: stops(from + runOn), across: 0, width: a.space.width },
  ];
  layouts.set(a, out);
  return out;
}
/** Documents are never changed in place, so each is laid out once. */
const layouts = new WeakMap<Activity, Part[]>();

/** A target with the depth of the thing that stands there; what has no opening or gap lets nothing in or through. */
function deep(a: Activity, p: Part): Part {
  if (p.kind !== "target") return p;
  const is = thing(a.kit, p.item);
  if (!is) return p;
  const rules = (p.rule.kind === "anyOf" ? p.rule.rules : [p.rule]).map((r): SingleRule => {
    if (r.kind === "into" && is.opening === null) return { ...r, opening: SMALLEST };
    return r.kind === "through" && is.gap === null ? { ...r, gap: SMALLEST } : r;
  });
  const rule: HitRule = rules.length === 1 ? rules[0]! : { kind: "anyOf", rules };
  return { ...p, depth: p.depth ?? is.depth, rule };
}

/** Less than one in two hundred is no chance. */
export const NO_CHANCE = 0.005;
/** Whoever sends is taken to be so old where nobody is named, years. */
export const USUAL_AGE = 8;
/** More floor than this is not kept clear behind the targets, metres: what runs farther is stopped by something. */
export const KEPT_CLEAR = 3;

/** Somebody who plays an activity: with its things, on its floor. */
export function personOf(a: Activity, who: Who): Person {
  const of = people.get(a) ?? new Map<string, Person>();
  people.set(a, of);
  const key = `${who.age} ${who.multiplier ?? ""} ${who.skill ?? ""} ${who.pace ?? ""}`;
  const known = of.get(key);
  if (known) return known;
  const prior = agePrior(who.age);
  const { pace = 1, skill } = who;
  const [walking, tempo] = [prior.walking * pace, prior.tempo / pace];
  const once = <T>(make: (m: Manner) => T) => {
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
  const actionOf = (m: Manner) => m.action ?? a.aim.action;
  const itemOf = (m: Manner) => {
    const other = extraObjectIndex(m.thing);
    return (other >= 0 && thing(a.kit, extraObjects(a)[other] ?? "")) || sentIn(a);
  };
  // Of both hands in turn the weaker decides.
  const howOf = ({ posture, hand }: Manner): How => ({
    ...(posture && { posture }),
    ...(hand && hand !== "both" && { hand: hand === "alternate" ? ("other" as const) : hand }),
  });
  const held = (m: Manner) => (a.kit.implement ? { ...m, implement: "implement" } : m);
  const done = new Map<string, ReturnType<Person["does"]>>();
  const tasks = (id: string, task: Doing, m: Manner) => {
    let is = done.get(id);
    if (!is) {
      is = performerOf(who.age, itemOf(m), a.space.floor, task, held(m), skill);
      done.set(id, is);
    }
    return is;
  };
  const person: Person = {
    walking,
    tempo,
    sends: once((m) => {
      const usual = playerModel(who, actionOf(m), itemOf(m), a.space.floor, howOf(m));
      const model = pace === 1 ? usual : { ...usual, walking, tempo, windUp: usual.windUp / pace };
      const onRamp = a.ramp && actionOf(m) === "underarmRoll";
      if (onRamp) return withRamp(model, a.ramp!.height, who.multiplier ?? agePrior(who.age).multiplier);
      return a.off && a.off !== "wall" ? offSurface(model, a.off) : model;
    }),
    keeps: once((m) => goalkeeperOf(who.age, itemOf(m), a.space.floor, held(m), skill)),
    does: (task, m) => tasks(JSON.stringify([task, m]), task, m),
    gate: (g, m) => gateOf(who.age, g, itemOf(m), a.space.floor, held(m), skill),
    typical: (m) => {
      const { spread } = actionFacts[actionOf(m)];
      const k = itemOf(m).handling * awkward(howOf(m));
      return { lateral: spread.lateral * k, range: spread.range * k, vertical: spread.vertical * k };
    },
  };
  of.set(key, person);
  return person;
}
const people = new WeakMap<Activity, Map<string, Person>>();

/** How somebody sends in an activity; null where nothing is sent. */
export const sendingIn = (a: Activity, age: Age): Sending | null =>
  isSend(a.aim.action) ? ramped(a, sendingOf(age, a.aim.action, sentIn(a), a.space.floor)) : null;
function ramped(a: Activity, s: Sending): Sending {
  if (a.ramp) return downRamp(s, a.ramp.height);
  return a.off && a.off !== "wall" && s.travel === "air" ? { ...s, off: HEIGHT_OF[a.off] } : s;
}

/** How a probe of an activity is asked, in a layout. */
const sightIn = (p: Probe, parts: readonly Part[], person: Person, policy: Policy = "middle"): Sight =>
  sightOf(p.ask, { parts, people: [person], policy });

/** How far what is sent runs on past what it was sent at, metres: the most over all that can be aimed at. */
export const runOnIn = (a: Activity, parts: readonly Part[], person: Person): number =>
  Math.max(0, ...opened(a).probes.map((p) => kindOf<Aim>(p.ask.aim).runsOn(p.ask.aim, sightIn(p, parts, person))));

/** How far anything is sent in an activity, metres. */
export const farthestAim = (a: Activity, parts: readonly Part[] = layoutOf(a)): number =>
  Math.max(0, ...opened(a).probes.map((p) => kindOf<Aim>(p.ask.aim).reach(p.ask.aim, asSeen(parts), p.ask.from)));

/** Whether nothing behind the targets stops what is sent. Documents kept from before do not say: nothing does. */
export const goesOn = (a: Activity): boolean => a.behind !== "wall" && a.behind !== "soft" && a.off !== "wall";

/** Whether what is sent flies. */
export const flies = (a: Activity): boolean => isSend(a.aim.action) && actionFacts[a.aim.action].travel === "air";

/** What will happen when these people play it. */
export function forecastActivity(
  a: Activity,
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
  if (more.chances) checkChances(a, more.chances, setup.mode);
  return forecast({
    game: opened(a).game,
    setup,
    parts: layoutOf(a),
    people: who.map((w) => personOf(a, w)),
    policy,
    ...more,
  });
}

/**
 * Chances given by hand: each of something that is there, none beyond 1, those of one aim together at most 1 (just 1 where all of them are given),
 * and none left out. RangeError names which.
 */
function checkChances(a: Activity, chances: Readonly<Record<string, number>>, mode: Mode): void {
  const probes = opened(a).probes.filter((p) => p.modes === undefined || p.modes.includes(mode));
  const refs = probes.map((p) => ({
    ...kindOf<Aim>(p.ask.aim).refs(p.ask.aim, p.ask.from),
    from: p.ask.from,
    peg: p.peg,
  }));
  const named = [...new Set(refs.flatMap((r) => r.named))];
  const also = [...new Set(refs.flatMap((r) => r.also ?? []))];
  // Of pins any that are ever there.
  const pins = opened(a).parts.flatMap((p) => (p.kind === "target" ? [p.id] : []));
  const sets = refs.some((r) => r.sets) ? pins : [];
  // Where the line moves, a chance from each line.
  const lines = [
    ...new Set(refs.flatMap((r) => ((r.peg !== null && r.peg === r.from) || r.also?.includes(r.from) ? [r.from] : []))),
  ];
  const known = [...named, ...lines, ...also, ...sets];
  const wanted = lines.length > 0 && !named.some((id) => Object.hasOwn(chances, id)) ? lines : named;
  for (const [id, p] of Object.entries(chances)) {
    if (!known.includes(id) && !setOf(id, sets))
      throw new RangeError(`chances.${id.slice(0, 40)}: not part of this activity; it has ${known.join(", ")}`);
    if (!(p >= 0 && p <= 1)) throw new RangeError(`chances.${id}: must be 0 to 1`);
  }
  const missing = wanted.find((id) => !Object.hasOwn(chances, id));
  if (missing !== undefined) throw new RangeError(`chances.${missing}: is missing`);
  for (const r of refs) {
    const own = [...(r.meant === null ? r.named : [r.meant]), ...(r.also ?? []).filter((id) => id !== r.from)];
    const ids = r.sets ? Object.keys(chances) : own.filter((id) => Object.hasOwn(chances, id));
    const sum = ids.reduce((n, id) => n + chances[id]!, 0);
    if (sum > 1 + 1e-9) throw new RangeError(`chances: together they are ${sum.toFixed(3)}, and must be at most 1`);
    // What takes the rest is given as well as everything else: nothing may be left.
    const several = (r.also ?? []).length > 1;
    const whole = several && r.meant !== null && ids.includes(r.rest) && own.every((id) => ids.includes(id));
    if (whole && sum < 1 - 1e-9) throw new RangeError(`chances: together they are ${sum.toFixed(3)}, and must be 1`);
  }
}

/** The chance that each probe of an activity stands for, for one person, 0 to 1, by the probe's id. */
export function rates(
  a: Activity,
  who: Who,
  parts: readonly Part[] = layoutOf(a),
  only?: string,
  self: Omit<Role, "role"> | null = null,
  counting: (p: Probe) => Probe["counts"] = (p) => p.counts,
): Map<string, number> {
  const person = personOf(a, who);
  const out = new Map<string, number>();
  for (const p of opened(a).probes) {
    if (only !== undefined && (p.peg ?? p.id) !== only) continue;
    const play = { parts, people: [person], policy: "middle" } as const;
    const asked = self ? asTheyPlay({ ...ALONE, people: [{ role: "plays", ...self }] }, [p.ask])[0]! : p.ask;
    const ways = waysFrom(aloneIn(asked, play), play)!;
    out.set(
      p.id,
      ways.reduce((sum, w) => sum + w.share * counting(p)(w.body), 0),
    );
  }
  return out;
}
const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
/** The same by peg: what stands under it on the tape. */
export const pegRates = (
  a: Activity,
  who: Who,
  parts: readonly Part[] = layoutOf(a),
  only?: string,
): Map<string, number> => byPeg(a, rates(a, who, parts, only));

/** Chances by probe as chances by peg: of several under one peg the first. */
export function byPeg(a: Activity, all: ReadonlyMap<string, number>): Map<string, number> {
  const out = new Map<string, number>();
  for (const p of opened(a).probes) {
    const rate = all.get(p.id);
    if (p.peg !== null && rate !== undefined && !out.has(p.peg)) out.set(p.peg, rate);
  }
  return out;
}
