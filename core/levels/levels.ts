import { type Action, actionFacts, FROM_HAND } from "../actions/actions.ts";
import { shifted } from "../compile/challenge.ts";
import type { Support } from "../compile/support.ts";
import { type Knob, MAX_NEARER, type Phrase, type Role } from "../contract/contract.ts";
import { fieldOf, setTo } from "../contract/range.ts";
import type { Setting } from "../contract/setting.ts";
import { LINE_FIELD, lineRange } from "../contract/standing.ts";
import type { Who } from "../forecast/for-activity.ts";
import { type Activity, LOW_POSTURES, MAX_FAMILY, parseActivity } from "../formats/activity.ts";
import { adjusted } from "../formats/change.ts";
import { opened } from "../formats/opened.ts";
import { faceOf } from "../kit/face.ts";
import { thing } from "../kit/items.ts";
import { logistic, logit } from "../log-odds.ts";
import { paces } from "../measures/step.ts";
import type { Item } from "../things/item.ts";
import { endIn } from "./ends.ts";
import { rateIn } from "./rate-in.ts";
import { supportFor } from "./support-for.ts";

export { rateIn };

export type Levels = NonNullable<Activity["levels"]>;
export type LevelSetting = Levels["list"][number];
/** What may be turned, cheapest to reset first. */
export const LEVEL_KNOBS = ["line", "target", "hand", "posture", "thing", "action", "bounce", "game"] as const;
/** What of it changes no skill, and is turned unless somebody says otherwise. */
export const USUAL_KNOBS: readonly LevelKnob[] = ["line", "target", "thing"];
export type LevelKnob = (typeof LEVEL_KNOBS)[number];
export const AS_DRAWN: LevelSetting = {
  line: 0,
  thing: null,
  target: null,
  action: null,
  hand: null,
  posture: null,
  settings: [],
};
/** The share of sends that should count, unless a teacher says otherwise. */
export const CORRIDOR = { low: 0.6, high: 0.8 } as const;
export const USUAL_LEVELS = 5;
/** A level is taken as soon as it is so near to what was meant. */
const NEAR_ENOUGH = 0.03;
/** Nothing is moved nearer than this, metres. */
const NEAREST = 0.5;
/** Other things tried for a level, at most. */
const MAX_TRIED = 6;

/** Whether what counts in a game is touches kept up, catches or tasks, told one by one, and nothing is thrown at anything. */
export const countsTouches = (a: Activity): boolean => {
  const { probes } = opened(a);
  return probes.length > 0 && probes.every((p) => p.ask.kind === "count");
};

export interface Level {
  setting: LevelSetting;
  /** The share of sends that was meant, and what it gives the person it was made for. */
  meant: number;
  rate: number;
}

/** The same activity on a level: set otherwise, moved, sent another way or with another thing, at another target. What does not fit any more is left as it was. */
export function atLevel(a: Activity, s: LevelSetting): Activity {
  let now = s.settings.length > 0 ? adjusted(a, s.settings) : a;
  if (s.action) now = { ...now, aim: { ...now.aim, action: s.action } };
  if (s.thing && thing(a.kit, s.thing)) now = { ...now, kit: { ...now.kit, send: s.thing } };
  const is = s.target ? thing(a.kit, s.target) : undefined;
  if (is) for (const peg of opened(now).pegs) if (peg.kind === "target") now = opened(now).swap(peg.id, faceOf(is));
  return s.line === 0 ? now : shifted(now, s.line);
}
/** How somebody plays on a level beside the game itself: with the other hand, kneeling or sitting; null: as everybody. */
export const selfAt = (s: LevelSetting): Omit<Role, "role"> | null =>
  s.hand || s.posture ? { ...(s.hand && { otherHand: true }), ...(s.posture && { posture: s.posture }) } : null;
/** The share of sends that count for somebody who needs something, with what it needs. */
export function rateWith(
  a: Activity,
  who: Who,
  self: Omit<Role, "role"> | null,
  supports: readonly Support[],
  share: (a: Activity, who: Who, self: Omit<Role, "role"> | null) => number | null = rateIn,
): number | null {
  if (supports.length === 0) return share(a, who, self);
  const s = supportFor(a, supports, who, self);
  return share(s.activity, who, self || s.self ? { ...self, ...s.self } : null);
}
/** What the corridor of some levels is a share of: sends that count, or goes that reach the end. */
export const shareOf = ({ of }: Pick<Levels, "of">): typeof rateIn => (of === "end" ? endIn : rateIn);
/** The share of sends that count on a level. */
export const rateAt = (a: Activity, s: LevelSetting, who: Who): number | null => rateIn(atLevel(a, s), who, selfAt(s));

/** Shares evenly spaced in log-odds over a corridor, the easiest first. */
export function spaced({ low, high }: { low: number; high: number }, count: number): number[] {
  return Array.from({ length: count }, (_, i) =>
    logistic(logit(high) + ((logit(low) - logit(high)) * i) / (count - 1)),
  );
}

/** Things that could be sent instead, commonest first; and that could stand there instead. */
function others(a: Activity, list: readonly string[], is: string): string[] {
  return list.filter((id) => id !== is && thing(a.kit, id)).slice(0, MAX_TRIED);
}

/** Of a school's list the things that most homes have, so many. */
const MAX_OFFERED = 8;
/** What of a list may be tried for a level: the commonest that can be sent so, and the commonest that can be aimed at. */
export function offered(a: Activity, list: readonly Item[]): { things: string[]; targets: string[] } {
  const { travel } = actionFacts[a.aim.action];
  const common = (of: readonly Item[]) =>
    [...of]
      .sort((x, y) => y.homes - x.homes)
      .slice(0, MAX_OFFERED)
      .map((i) => i.id);
  return {
    things: common(list.filter((i) => i.uses.includes("send") && i.moves.includes(travel))),
    targets: common(list.filter((i) => i.uses.includes("target"))),
  };
}

/** The numbers of a game, what is a yes or a no in it, and its texts, that a level may set: seconds, counts, a bounce, how many targets, words. */
export function settable(a: Activity): Settable[] {
  const game = { params: a.pattern.params, match: a.match };
  return opened(a)
    .familyKnobs()
    .filter((k): k is Settable => {
      const now = setTo(k, game);
      return fieldOf(k) !== LINE_FIELD && typeof now === SET_TO[k.kind as keyof typeof SET_TO];
    });
}
type Settable = Extract<Knob, { kind: "number" | "toggle" | "text" }>;
const SET_TO = { number: "number", toggle: "boolean", text: "string" } as const;
/** The same game made easier or harder by what it asks for, the easiest first; none where it has nothing of the kind. */
export const gradesOf = (a: Activity): Setting[][] =>
  (opened(a).pattern.graded?.(a.pattern.params) ?? []).map((g) => [...g]);

/** Other ways of sending that travel as the first one does and that this game and this thing allow. */
export function otherActions(a: Activity): Action[] {
  const now = a.aim.action;
  const { travel } = actionFacts[now];
  if (!(FROM_HAND as readonly Action[]).includes(now)) return [];
  return FROM_HAND.filter((x) => x !== now && actionFacts[x].travel === travel && opened(a).pattern.actions(x));
}

/** What stands there and could be another thing; null where nothing does, or where it bears a letter. */
export function aimedAt(a: Activity): string | null {
  const { pegs, parts } = opened(a);
  if (parts.some((p) => p.kind === "target" && p.sign !== undefined)) return null;
  return pegs.find((p) => p.kind === "target" && p.item)?.item ?? null;
}

/** Everything but the line that may be turned for a level, one thing at a time, cheapest to reset first. */
function turnsOf(
  a: Activity,
  may: (k: LevelKnob) => boolean,
  things: readonly string[],
  targets: readonly string[],
): LevelSetting[] {
  const first = aimedAt(a);
  const one = (s: Partial<LevelSetting>): LevelSetting => ({ ...AS_DRAWN, ...s });
  const bounces = settable(a).filter((k) => k.kind === "toggle" && k.path[k.path.length - 1] === "bounce");
  const game = { params: a.pattern.params, match: a.match };
  return [
    AS_DRAWN,
    // Other words or mixes: nothing is laid anew.
    ...(may("game") ? gradesOf(a).map((settings) => one({ settings })) : []),
    ...(may("target") && first ? others(a, targets, first).map((target) => one({ target })) : []),
    ...(may("hand") ? [one({ hand: "other" })] : []),
    ...(may("posture") ? LOW_POSTURES.map((posture) => one({ posture })) : []),
    ...(may("thing") ? others(a, things, a.kit.send).map((id) => one({ thing: id })) : []),
    ...(may("action") ? otherActions(a).map((action) => one({ action })) : []),
    ...(may("bounce") && bounces.length > 0
      ? [one({ settings: bounces.map((k) => ({ field: fieldOf(k), value: !setTo(k, game) })) })]
      : []),
  ];
}

/**
 * Settings that give somebody those shares: for each the cheapest to reset that comes within 3 points, else the nearest there is. Everything
 * is moved in half steps of that person, within the space. `things` and `targets`: what may be tried instead.
 */
export function proposeLevels(
  a: Activity,
  who: Who,
  {
    corridor = CORRIDOR,
    count = USUAL_LEVELS,
    knobs = USUAL_KNOBS,
    things = [],
    targets = [],
  }: {
    corridor?: { low: number; high: number };
    count?: number;
    knobs?: readonly LevelKnob[];
    things?: readonly string[];
    targets?: readonly string[];
  } = {},
): Level[] {
  if (!(corridor.low > 0 && corridor.high < 1 && corridor.low < corridor.high))
    throw new RangeError("corridor: low must be less than high, both between 0 and 1");
  const half = paces(who.age === "adult" ? 18 : who.age).step / 2;
  const far = opened(a).pegs.map((p) => p.distance);
  const [first, last] = [Math.min(...far), Math.max(...far)];
  const may = (k: LevelKnob) => knobs.includes(k);
  const least = may("line") && far.length > 0 ? Math.ceil((NEAREST - first) / half) : 0;
  const most = may("line") && far.length > 0 ? Math.floor((a.space.length - last) / half) : 0;
  const bases = turnsOf(a, may, things, targets);
  // Where an activity is at a half step, worked out once.
  const known = new Map<string, number | null>();
  const at = (s: LevelSetting): number | null => {
    const key = JSON.stringify(s);
    if (!known.has(key)) known.set(key, rateAt(a, s, who));
    return known.get(key)!;
  };
  const grades = may("game") ? gradesOf(a) : [];
  /** Evenly over what there is to ask for. */
  const byGrade = () => {
    const n = Math.max(2, Math.min(count, grades.length));
    return spaced(corridor, n).map((meant, i): Level => {
      const setting = { ...AS_DRAWN, settings: grades[Math.round((i * (grades.length - 1)) / (n - 1))]! };
      return { setting, meant, rate: at(setting) ?? Number.NaN };
    });
  };
  // Nothing of it has a chance.
  if (grades.length > 1 && at(AS_DRAWN) === null) return byGrade();
  const fits = (s: LevelSetting) => parseActivity({ ...atLevel(a, s), levels: null }).ok;
  const lineAt = (n: number) => Math.round(n * half * 1000) / 1000;
  const list = spaced(corridor, count).map((meant): Level => {
    let best: Level | null = null;
    for (const base of bases) {
      // Farther is harder: halving finds where it crosses.
      let [lo, hi] = [Math.min(0, least), Math.max(0, most)];
      while (hi - lo > 1) {
        const mid = Math.floor((lo + hi) / 2);
        const rate = at({ ...base, line: lineAt(mid) });
        if (rate !== null && rate > meant) lo = mid;
        else hi = mid;
      }
      for (const n of new Set([lo, hi, 0])) {
        const setting: LevelSetting = { ...base, line: lineAt(n) };
        const rate = at(setting);
        if (rate === null) continue;
        const nearer = best === null || Math.abs(rate - meant) < Math.abs(best.rate - meant) - 1e-9;
        if (nearer && fits(setting)) best = { setting, meant, rate };
      }
      if (best && Math.abs(best.rate - meant) <= NEAR_ENOUGH) break;
    }
    return best ?? { setting: AS_DRAWN, meant, rate: at(AS_DRAWN) ?? Number.NaN };
  });
  const made = distinct(list);
  if (made.length === count) return made;
  // Words that are hit alike are not read alike.
  if (made.length < 2 && grades.length > 1) return byGrade();
  // Where so many do not lie in the corridor, the nearest beside it that differ.
  const lines = Array.from({ length: Math.max(0, most - least + 1) }, (_, i) => lineAt(least + i));
  const all = [...lines.map((line) => ({ ...AS_DRAWN, line })), ...bases].flatMap((setting): Level[] => {
    const rate = at(setting);
    return rate === null ? [] : [{ setting, meant: Math.min(corridor.high, Math.max(corridor.low, rate)), rate }];
  });
  const off = (l: Level) => Math.abs(logit(bounded(l.rate)) - logit(l.meant));
  for (const more of all.sort((x, y) => off(x) - off(y))) {
    if (made.length >= count) break;
    const apart = made.every((l) => Math.abs(l.rate - more.rate) >= APART);
    if (apart && fits(more.setting)) made.push(more);
  }
  return made.sort((x, y) => y.rate - x.rate);
}
const bounded = (p: number) => Math.min(0.999, Math.max(0.001, p));

/** Levels whose shares differ by less than this are one. */
const APART = 0.015;
/** Levels that are set alike, or hardly differ, are one: the first of them. */
function distinct(list: readonly Level[]): Level[] {
  const out: Level[] = [];
  for (const level of list) {
    const last = out[out.length - 1];
    const same =
      last &&
      (JSON.stringify(last.setting) === JSON.stringify(level.setting) || Math.abs(last.rate - level.rate) < APART);
    if (!same) out.push(level);
  }
  return out;
}

/** What is not allowed to change yet, and would give somebody levels that differ; null: nothing would. The same settings as for `proposeLevels`. */
export function wouldDiffer(
  a: Activity,
  who: Who,
  { knobs = USUAL_KNOBS, ...more }: NonNullable<Parameters<typeof proposeLevels>[2]>,
): LevelKnob | null {
  const lets = (k: LevelKnob) => proposeLevels(a, who, { ...more, knobs: [...knobs, k] }).length > 1;
  return LEVEL_KNOBS.find((k) => !knobs.includes(k) && lets(k)) ?? null;
}

/** Whether no level differs from another: nothing that may be turned makes a difference. */
export const allAlike = (list: readonly LevelSetting[]): boolean =>
  list.every((s) => JSON.stringify(s) === JSON.stringify(list[0]));

/** An activity as it is on one of its levels, and how it is played there beside that. */
export interface OnLevel {
  activity: Activity;
  self: Omit<Role, "role"> | null;
}
export const everyLevel = (a: Activity, { list }: Pick<Levels, "list">): OnLevel[] =>
  list.map((s) => ({ activity: atLevel(a, s), self: selfAt(s) }));

/** Chances that differ by less than this are alike. */
const ALIKE = 0.005;
/**
 * The level that somebody should have: the one whose share lies nearest to the middle of the corridor in log-odds. Its place from 0. Of those whose
 * shares are alike, and where nothing has a chance, by age: the youngest that the game is for has the easiest. `on`: made once for many children.
 */
export function levelFor(
  a: Activity,
  who: Who,
  supports: readonly Support[] = [],
  on: readonly OnLevel[] = a.levels ? everyLevel(a, a.levels) : [],
): { level: number; rates: number[] } | null {
  const { levels } = a;
  if (!levels) return null;
  const share = shareOf(levels);
  const all = on.map((x) => rateWith(x.activity, who, x.self, supports, share));
  const byAge = (places: readonly number[]) => {
    const years = who.age === "adult" ? a.ages.to : who.age;
    const share = Math.max(0, Math.min(1, (years - a.ages.from) / Math.max(1, a.ages.to - a.ages.from)));
    return places[Math.round(share * (places.length - 1))]!;
  };
  if (all.some((r) => r === null)) return { level: byAge(all.map((_, i) => i)), rates: [] };
  const middle = (logit(levels.low) + logit(levels.high)) / 2;
  const off = (r: number) => Math.abs(logit(Math.min(0.999, Math.max(0.001, r))) - middle);
  const told = all as number[];
  const best = told.reduce((b, r, i) => (off(r) < off(told[b]!) - 1e-9 ? i : b), 0);
  return { level: byAge(told.flatMap((r, i) => (Math.abs(r - told[best]!) < ALIKE ? [i] : []))), rates: told };
}

/** The level of each of some people, from 0; those who are alike are looked at once. */
export function levelsOf(a: Activity, people: readonly { who: Who; supports: readonly Support[] }[]): number[] {
  const on = a.levels ? everyLevel(a, a.levels) : [];
  const known = new Map<string, number>();
  return people.map(({ who, supports }) => {
    const key = JSON.stringify([who, supports]);
    const level = known.get(key) ?? levelFor(a, who, supports, on)?.level ?? 0;
    known.set(key, level);
    return level;
  });
}

/** A level by its place from 0; the last one for more. */
const levelOf = (a: Activity, level: number): LevelSetting =>
  a.levels!.list[Math.max(0, Math.min(a.levels!.list.length - 1, level))]!;
/** Lines of the other levels beside one of them, as a child in play may stand at them: so much nearer, metres. Only where nothing but the line differs. */
function linesBeside(list: readonly LevelSetting[], at: LevelSetting): number[] {
  const apart = (s: LevelSetting) => JSON.stringify({ ...s, line: 0 });
  const nearer = list.filter((s) => apart(s) === apart(at)).map((s) => Math.round(20 * (at.line - s.line)) / 20);
  return [...new Set(nearer)].filter((n) => Math.abs(n) <= MAX_NEARER).sort((a, b) => a - b);
}
/**
 * The activity as somebody plays it on a level: without levels of its own. The lines of the others may be stood at in play, unless the teacher has
 * said which.
 */
export function onLevel(a: Activity, level: number): Activity {
  if (!a.levels) return a;
  const at = levelOf(a, level);
  const on: Activity = { ...atLevel(a, at), levels: null };
  const values = linesBeside(a.levels.list, at);
  const said = a.family.some((f) => f.field === LINE_FIELD) || a.family.length >= MAX_FAMILY;
  const range = lineRange(opened(on).pattern, on.pattern.params);
  const fit = values.filter((v) => range && v >= range.least && v <= range.most);
  return said || fit.length < 2 ? on : { ...on, family: [...on.family, { field: LINE_FIELD, values: fit }] };
}
/** And how it is played there beside that. */
export const selfOn = (a: Activity, level: number): Omit<Role, "role"> | null =>
  a.levels ? selfAt(levelOf(a, level)) : null;

/** What the card says of a level beside the game as it is there: that somebody is asked to help. */
export const notesOn = (a: Activity, level: number): Phrase[] => {
  const helper = a.levels && levelOf(a, level).helper;
  return helper ? [{ key: `card.helper.${helper}` }] : [];
};

const isDrawn = (s: LevelSetting): boolean =>
  s.settings.length === 0 &&
  !s.helper &&
  Object.entries(AS_DRAWN).every(([k, v]) => k === "settings" || s[k as keyof LevelSetting] === v);
/** A level in words: what is moved, in steps of somebody; what is sent; what stands there; how. (Another way of sending and what the game is set to have names of their own.) */
export function levelWords(s: LevelSetting, step: number): Phrase[] {
  const steps = Math.round((Math.abs(s.line) / step) * 2) / 2;
  return [
    ...(s.line === 0
      ? []
      : [
          { key: s.line > 0 ? "level.farther" : "level.nearer", params: { steps, half: steps === 0.5 ? "yes" : "no" } },
        ]),
    ...(s.target ? [{ key: "level.target", params: { item: s.target } }] : []),
    ...(s.thing ? [{ key: "level.thing", params: { item: s.thing } }] : []),
    ...(s.hand ? [{ key: "level.hand" }] : []),
    ...(s.posture ? [{ key: "level.posture", params: { posture: s.posture } }] : []),
    ...(s.helper ? [{ key: "level.helper", params: { helper: s.helper } }] : []),
    ...(isDrawn(s) ? [{ key: "level.asDrawn" }] : []),
  ];
}
