import type { Person } from "../aim/person.ts";
import { type Aim, type Ask, type AskKind, type AskOf, arranged, type Takes } from "../asks/ask.ts";
import type { Body } from "../events/events.ts";
import { own } from "../own.ts";
import type { HitRule, SingleRule } from "../rules/hit-rule.ts";
import { asSeen } from "../yard/off-wall.ts";
import { type Part, partsOf } from "../yard/parts.ts";
import type { Outcome, Policy, Seen, Sight } from "./kind.ts";
import { kindOf } from "./loaded-kinds.ts";
import { worthTo } from "./worth.ts";

/** Time is counted in tenths of a second. */
export const QUANTUM_MS = 100;
const quanta = (seconds: number) => Math.round((seconds * 1000) / QUANTUM_MS);

/** How the time of one step is spent, in quanta. */
export interface Cost {
  acting: number;
  fetching: number;
  waiting: number;
}
export const total = (spent: Cost) => spent.acting + spent.fetching + spent.waiting;

/** One way on: what happens, how likely it is, and how long it takes. */
export interface Way {
  body: Body;
  share: number;
  spent: Cost;
  /**
   * When it is released, in quanta from its beginning. At the bell, only what was released before is in the air.
   * Null: nothing is sent.
   */
  released: number | null;
  /**
   * When a throw has landed or a touch was made, in quanta from its beginning. What follows is fetching. Null: at its
   * end.
   */
  landed: number | null;
  /** Its worth to the player who aimed. Left out if nobody did. */
  worth?: number;
}

/** Who plays on what, and how they aim. Chances need nothing else. */
export interface Play {
  parts: readonly Part[];
  people: readonly Person[];
  policy: Policy;
  /** Chances by name, in place of the computed ones. For checking by hand. */
  chances?: Readonly<Record<string, number>>;
}

/** The cost of something that always succeeds. Each person takes their own time, and the last one to finish counts. */
function spentOn({ by, seconds, walk, moving }: Takes, people: readonly Person[]): Cost {
  const inPlace = moving && walk === 0;
  const times = by.map((n): Cost => {
    const person = people[n]!;
    const still = quanta(seconds * person.tempo);
    return {
      acting: inPlace ? still : 0,
      fetching: quanta((2 * walk) / person.walking),
      waiting: inPlace ? 0 : still,
    };
  });
  return times.reduce((slowest, time) => (total(time) > total(slowest) ? time : slowest));
}
const sure = (body: Body, takes: Takes, { people }: Play): Way[] => [
  { body, share: 1, spent: spentOn(takes, people), released: null, landed: null },
];

/**
 * The same layout with the sending line moved nearer. Made once, because what is worked out from a layout is stored
 * with it.
 */
function nearerParts(parts: readonly Part[], from: string, by: number): readonly Part[] {
  const known = moved.get(parts) ?? new Map<string, readonly Part[]>();
  moved.set(parts, known);
  const key = `${from} ${by}`;
  let made = known.get(key);
  if (!made) {
    const line = partsOf(parts, "line").find((eachLine) => eachLine.id === from);
    const is = line ?? { kind: "line" as const, id: from, along: 0, across: 0, width: 0, role: "start" as const };
    made = [...parts.filter((part) => part !== line), { ...is, along: is.along + by }];
    known.set(key, made);
  }
  return made;
}
const moved = new WeakMap<readonly Part[], Map<string, readonly Part[]>>();

/** The same layout with every target, and what counts of it, larger by a factor. Made once, as above. */
function widerParts(parts: readonly Part[], by: number): readonly Part[] {
  const known = widened.get(parts) ?? new Map<number, readonly Part[]>();
  widened.set(parts, known);
  let made = known.get(by);
  if (!made) {
    made = parts.map((part) =>
      part.kind === "target"
        ? { ...part, width: by * part.width, height: by * part.height, rule: widerRule(part.rule, by) }
        : part,
    );
    known.set(by, made);
  }
  return made;
}
const widened = new WeakMap<readonly Part[], Map<number, readonly Part[]>>();
const SIZES = ["width", "height", "opening", "depth", "gap", "radius"] as const;
/** A hit rule for an item that is larger by a factor. Only its sizes change. */
function widerRule(rule: HitRule, by: number): HitRule {
  if (rule.kind === "anyOf")
    return { ...rule, rules: rule.rules.map((eachRule) => widerRule(eachRule, by) as SingleRule) };
  const sizes = SIZES.flatMap((siz) =>
    siz in rule ? [[siz, by * (rule as unknown as Record<string, number>)[siz]!]] : [],
  );
  return { ...rule, ...Object.fromEntries(sizes) } as HitRule;
}

/** The layout for the player who is asked: with their own line and their own targets. */
function standing(parts: readonly Part[], { manner, from }: AskOf<"send" | "count">): readonly Part[] {
  const near = manner.nearer ? nearerParts(parts, from, manner.nearer) : parts;
  return manner.wider ? widerParts(near, manner.wider) : near;
}
/** How something is asked to be sent. */
export const sightOf = (ask: AskOf<"send" | "count">, { parts, people, policy }: Play): Sight => ({
  parts: standing(asSeen(parts), ask),
  person: people[ask.player]!,
  ...(people.length > 1 && { people }),
  manner: ask.manner,
  from: ask.from,
  policy,
});
function outcomesOf(ask: AskOf<"send" | "count">, play: Play): Outcome[] {
  const kind = kindOf<Aim>(ask.aim);
  const { list } = kind.outcomes(ask.aim, sightOf(ask, play));
  const { chances } = play;
  if (!chances) return list;
  const { named, also = [], sets, rest, meant } = kind.refs(ask.aim, ask.from);
  if (sets) return felled(list, sets, chances);
  const given = new Map<string, number>();
  for (const ref of named) {
    const chance =
      ref === meant ? (own(chances, ask.from) ?? own(chances, ref) ?? 0) : meant === null ? own(chances, ref) : 0;
    given.set(ref, chance ?? 0);
  }
  for (const ref of also)
    if (ref !== rest && list.some((outcome) => outcome.ref === ref)) given.set(ref, own(chances, ref) ?? 0);
  const left = 1 - [...given.values()].reduce((sum, p) => sum + p, 0);
  given.set(rest, (given.get(rest) ?? 0) + Math.max(0, left));
  // Several outcomes of one name keep their shares of its chance.
  const all = new Map<string, number>();
  for (const outcome of list) all.set(outcome.ref, (all.get(outcome.ref) ?? 0) + outcome.p);
  const alike = (outcome: Outcome) =>
    all.get(outcome.ref)! > 0
      ? outcome.p / all.get(outcome.ref)!
      : 1 / list.filter((eachOutcome) => eachOutcome.ref === outcome.ref).length;
  return list.map((outcome) => ({ ...outcome, p: (given.get(outcome.ref) ?? 0) * alike(outcome) }));
}

/** The sets of pins that fall, from chances of whole sets. Of each set, what still stands falls. */
function felled(
  list: readonly Outcome[],
  standing: readonly string[],
  chances: Readonly<Record<string, number>>,
): Outcome[] {
  const sets = new Map<string, number>();
  let none = 1;
  for (const [ref, value] of Object.entries(chances)) {
    const ids = ref.split(" ").filter((id) => standing.includes(id));
    if (ids.length === 0) continue;
    sets.set(ids.join(" "), (sets.get(ids.join(" ")) ?? 0) + value);
    none -= value;
  }
  const [like] = list;
  return [...sets, ["none", none] as const].map(([ref, chance]) => ({
    ...(list.find((outcome) => outcome.ref === ref) ?? like!),
    ref,
    seen: { fell: ref === "none" ? [] : ref.split(" ") },
    p: Math.max(0, chance),
  }));
}

function spentBy(outcome: Outcome, person: Person, fetched: boolean): Cost {
  return {
    acting: quanta(outcome.windUp),
    fetching: fetched ? quanta((2 * outcome.lies) / person.walking) : 0,
    waiting: quanta(outcome.under) + (fetched ? quanta(outcome.after) : 0),
  };
}
const waysOf = (
  ask: AskOf<"send" | "count">,
  play: Play,
  bodyOf: (seen: Seen) => Body,
  fetched: (seen: Seen) => boolean,
): Way[] =>
  outcomesOf(ask, play)
    .filter((outcome) => outcome.p > 0)
    .map((outcome) => {
      const body = bodyOf(outcome.seen);
      return {
        body,
        share: outcome.p,
        spent: spentBy(outcome, play.people[ask.player]!, fetched(outcome.seen)),
        released: quanta(outcome.released ?? outcome.windUp),
        // A rally or a run of bases has no landing: it is over when it is over.
        landed: body.kind === "send" || body.kind === "count" ? quanta(outcome.windUp) + quanta(outcome.under) : null,
        worth: worthTo(ask.aim, outcome.seen),
      };
    });

const seenAs = (seen: Seen): Body =>
  "kept" in seen
    ? { kind: "send", hit: seen.kept ? "kept" : null }
    : "point" in seen
      ? { kind: "point", side: seen.point, ...(seen.why !== undefined && { why: seen.why }) }
      : "ran" in seen
        ? { kind: "run", ...seen.ran }
        : { kind: "send", ...toBody(seen) };
const toBody = (seen: Exclude<Seen, { kept: boolean } | { point: number | null } | { ran: object }>) =>
  "fell" in seen
    ? { fell: [...seen.fell] }
    : "rest" in seen
      ? { rest: seen.rest, ...(seen.away !== undefined && { away: seen.away }) }
      : { hit: seen.hit };

/** After these counts somebody walks, whatever came of it. */
const FETCHED: ReadonlySet<Aim["kind"]> = new Set(["rebound", "shuttle", "course"]);
/**
 * The ways on from each kind of ask, with their chances. Null: it is played but never forecast. The compiler checks
 * that the list is complete.
 */
const chancesOf: { [K in AskKind]: ((ask: AskOf<K>, play: Play) => Way[]) | null } = {
  send: (ask, play) => {
    const { aim } = ask;
    const again = (seen: Seen) => aim.kind === "cells" && "rest" in seen && !aim.free.includes(seen.rest);
    return waysOf(ask, play, seenAs, (seen) => ask.fetch || again(seen));
  },
  count: (ask, play) =>
    waysOf(
      ask,
      play,
      (seen) =>
        "kept" in seen && seen.kept
          ? { kind: "count", n: 1 }
          : { kind: "count", n: 0, ...(ask.drops && { drop: true as const }) },
      (seen) => FETCHED.has(ask.aim.kind) || ("kept" in seen && !seen.kept),
    ),
  total: (ask, play) => sure({ kind: "total", n: ask.soFar }, ask.takes, play),
  task: (ask, play) => sure({ kind: "task" }, ask.takes, play),
  choose: (ask, play) => sure({ kind: "choose", of: ask.of, pick: ask.must ? ask.options[0]! : null }, ask.takes, play),
  arrange: (ask, play) => sure(arranged(ask.spots), ask.takes, play),
  mix: (ask, play) => {
    const spent = spentOn(ask.takes, play.people);
    const share = 1 / ask.samples.length;
    return ask.samples.map((cells) => ({
      body: { kind: "mix", cells: [...cells] },
      share,
      spent,
      released: null,
      landed: null,
    }));
  },
  swap: (ask, play) => {
    const [one, other] = ask.sensible ?? [0, 1];
    return sure({ kind: "swap", a: one, b: other }, ask.takes, play);
  },
  stand: (ask, play) => sure({ kind: "stand" }, ask.takes, play),
  ready: (ask, play) => sure({ kind: "ready" }, ask.takes, play),
  bell: null,
  move: null,
  measure: null,
  carry: null,
  set: null,
};

export function waysFrom(ask: Ask, play: Play): Way[] | null {
  const of = chancesOf[ask.kind] as ((ask: Ask, play: Play) => Way[]) | null;
  return of ? of(ask, play) : null;
}
/** The same ask without anything that cannot change the chance of its own aim. */
export function aloneIn<A extends Ask>(ask: A, play: Play): A {
  if (ask.kind !== "send") return ask;
  const { alone } = kindOf<Aim>(ask.aim);
  return alone ? { ...ask, aim: alone(ask.aim, sightOf(ask, play)) } : ask;
}
/** True if a kind of ask has chances. */
export const hasChances = (kind: AskKind): boolean => chancesOf[kind] !== null;

/** The single asks that a person chooses from, one for each thing that may be aimed at. */
export function optionsOf(ask: Ask): Ask[] {
  if (ask.kind === "choose" && ask.must)
    return (ask.alike ? ask.options.slice(0, 1) : ask.options).map((option, i) => ({
      ...ask,
      options: [option],
      ...(ask.leads && { leads: [ask.leads[i]!] }),
      ...((ask.walks || ask.lasts) && {
        takes: { ...ask.takes, walk: ask.walks?.[i] ?? ask.takes.walk, seconds: ask.lasts?.[i] ?? ask.takes.seconds },
      }),
    }));
  if (ask.kind !== "send" && ask.kind !== "count") return [ask];
  return kindOf<Aim>(ask.aim)
    .options(ask.aim)
    .map((aim) => ({ ...ask, aim }));
}
/** The expected worth of one ask, which the one-step best choice follows. */
export function worthOf(ask: Ask, play: Play): number {
  // A choice is worth what it leads to.
  if (ask.kind === "choose") return ask.leads ? Math.max(...ask.leads.map((lead) => worthOf(lead, play))) : 0;
  if (ask.kind !== "send" && ask.kind !== "count") return 0;
  return outcomesOf(ask, play).reduce((sum, outcome) => sum + outcome.p * worthTo(ask.aim, outcome.seen), 0);
}
