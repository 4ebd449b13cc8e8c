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
import type { Item } from "../items/item.ts";
import { faceOf } from "../kit/face.ts";
import { itemIn } from "../kit/known-items.ts";
import { logistic, logit } from "../log-odds.ts";
import { paces } from "../measures/step.ts";
import { endIn } from "./ends.ts";
import { rateIn } from "./rate-in.ts";
import { supportFor } from "./support-for.ts";

export { rateIn };

export type Levels = NonNullable<Activity["levels"]>;
export type LevelSetting = Levels["list"][number];
/** What a level may change, cheapest to set up first. */
export const LEVEL_KNOBS = ["line", "target", "hand", "posture", "thing", "action", "bounce", "game"] as const;
/** The changes that keep the skill the same. They are allowed unless the teacher says otherwise. */
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
/** The share of sends that should count, unless the teacher says otherwise. */
export const CORRIDOR = { low: 0.6, high: 0.8 } as const;
export const USUAL_LEVELS = 5;
/** A level is accepted as soon as it is this near to its goal. */
const NEAR_ENOUGH = 0.03;
/** Nothing is moved nearer than this, metres. */
const NEAREST = 0.5;
/** The most other items that are tried for a level. */
const MAX_TRIED = 6;

/** True if a game counts touches, catches or tasks one by one, and nothing is thrown at a target. */
export const countsTouches = (activity: Activity): boolean => {
  const { probes } = opened(activity);
  return probes.length > 0 && probes.every((probe) => probe.ask.kind === "count");
};

export interface Level {
  setting: LevelSetting;
  /** The share of sends that was wanted, and the share that the person it was made for gets. */
  meant: number;
  rate: number;
}

/**
 * The activity on a level: with other settings, moved, with another action, item or target. What no longer fits stays
 * as it was.
 */
export function atLevel(activity: Activity, setting: LevelSetting): Activity {
  let now = setting.settings.length > 0 ? adjusted(activity, setting.settings) : activity;
  if (setting.action) now = { ...now, aim: { ...now.aim, action: setting.action } };
  if (setting.thing && itemIn(activity.kit, setting.thing)) now = { ...now, kit: { ...now.kit, send: setting.thing } };
  const is = setting.target ? itemIn(activity.kit, setting.target) : undefined;
  if (is) for (const peg of opened(now).pegs) if (peg.kind === "target") now = opened(now).swap(peg.id, faceOf(is));
  return setting.line === 0 ? now : shifted(now, setting.line);
}
/**
 * How somebody plays on a level beside the game itself: with the other hand, kneeling or sitting. Null: like
 * everybody.
 */
export const selfAt = (setting: LevelSetting): Omit<Role, "role"> | null =>
  setting.hand || setting.posture
    ? { ...(setting.hand && { otherHand: true }), ...(setting.posture && { posture: setting.posture }) }
    : null;
/** The share of sends that count for somebody with a support need, with what they need. */
export function rateWith(
  activity: Activity,
  who: Who,
  {
    self,
    supports,
    share = rateIn,
  }: {
    self: Omit<Role, "role"> | null;
    supports: readonly Support[];
    share?: typeof rateIn | undefined;
  },
): number | null {
  if (supports.length === 0) return share(activity, who, self);
  const support = supportFor(activity, supports, who, self);
  return share(support.activity, who, self || support.self ? { ...self, ...support.self } : null);
}
/** What the corridor of some levels is measured by: sends that count, or goes that are finished. */
export const shareOf = ({ of }: Pick<Levels, "of">): typeof rateIn => (of === "end" ? endIn : rateIn);
/** The share of sends that count on a level. */
export const rateAt = (activity: Activity, setting: LevelSetting, who: Who): number | null =>
  rateIn(atLevel(activity, setting), who, selfAt(setting));

/** Shares spaced evenly in log-odds over a corridor, easiest first. */
export function spaced({ low, high }: { low: number; high: number }, count: number): number[] {
  return Array.from({ length: count }, (_, i) =>
    logistic(logit(high) + ((logit(low) - logit(high)) * i) / (count - 1)),
  );
}

/** Items that could replace one, commonest first. */
function others(activity: Activity, list: readonly string[], is: string): string[] {
  return list.filter((id) => id !== is && itemIn(activity.kit, id)).slice(0, MAX_TRIED);
}

/** The most items of a school's list that are tried, commonest in homes first. */
const MAX_OFFERED = 8;
/**
 * The items of a list that may be tried for a level: the commonest objects for this action, and the commonest
 * targets.
 */
export function offered(activity: Activity, list: readonly Item[]): { things: string[]; targets: string[] } {
  const { travel } = actionFacts[activity.aim.action];
  const common = (of: readonly Item[]) =>
    [...of]
      .sort((x, y) => y.homes - x.homes)
      .slice(0, MAX_OFFERED)
      .map((item) => item.id);
  return {
    things: common(list.filter((item) => item.uses.includes("send") && item.moves.includes(travel))),
    targets: common(list.filter((item) => item.uses.includes("target"))),
  };
}

/**
 * What a level may set in a game: its numbers (seconds, counts, targets), its yes-or-no choices (a bounce) and its
 * texts (words).
 */
export function settable(activity: Activity): Settable[] {
  const game = { params: activity.pattern.params, match: activity.match };
  return opened(activity)
    .familyKnobs()
    .filter((familyKnob): familyKnob is Settable => {
      const now = setTo(familyKnob, game);
      return fieldOf(familyKnob) !== LINE_FIELD && typeof now === SET_TO[familyKnob.kind as keyof typeof SET_TO];
    });
}
type Settable = Extract<Knob, { kind: "number" | "toggle" | "text" }>;
const SET_TO = { number: "number", toggle: "boolean", text: "string" } as const;
/** The same game with easier or harder content, easiest first. Empty if the game has none. */
export const gradesOf = (activity: Activity): Setting[][] =>
  (opened(activity).pattern.graded?.(activity.pattern.params) ?? []).map((settings) => [...settings]);

/** Other actions that move the object in the same way, and that this game and object allow. */
export function otherActions(activity: Activity): Action[] {
  const now = activity.aim.action;
  const { travel } = actionFacts[now];
  if (!(FROM_HAND as readonly Action[]).includes(now)) return [];
  return FROM_HAND.filter(
    (text) => text !== now && actionFacts[text].travel === travel && opened(activity).pattern.actions(text),
  );
}

/** The item that stands as the target and could be another one. Null if there is none, or if it bears a letter. */
export function aimedAt(activity: Activity): string | null {
  const { pegs, parts } = opened(activity);
  if (parts.some((part) => part.kind === "target" && part.sign !== undefined)) return null;
  return pegs.find((peg) => peg.kind === "target" && peg.item)?.item ?? null;
}

/** Every change but the line that a level may make, one thing at a time, cheapest to set up first. */
function turnsOf(
  activity: Activity,
  may: (key: LevelKnob) => boolean,
  things: readonly string[],
  targets: readonly string[],
): LevelSetting[] {
  const first = aimedAt(activity);
  const one = (s: Partial<LevelSetting>): LevelSetting => ({ ...AS_DRAWN, ...s });
  const bounces = settable(activity).filter(
    (eachSettable) => eachSettable.kind === "toggle" && eachSettable.path[eachSettable.path.length - 1] === "bounce",
  );
  const game = { params: activity.pattern.params, match: activity.match };
  return [
    AS_DRAWN,
    // For other words or shuffles nothing has to be set up again.
    ...(may("game") ? gradesOf(activity).map((settings) => one({ settings })) : []),
    ...(may("target") && first ? others(activity, targets, first).map((target) => one({ target })) : []),
    ...(may("hand") ? [one({ hand: "other" })] : []),
    ...(may("posture") ? LOW_POSTURES.map((posture) => one({ posture })) : []),
    ...(may("thing") ? others(activity, things, activity.kit.send).map((id) => one({ thing: id })) : []),
    ...(may("action") ? otherActions(activity).map((action) => one({ action })) : []),
    ...(may("bounce") && bounces.length > 0
      ? [one({ settings: bounces.map((bounce) => ({ field: fieldOf(bounce), value: !setTo(bounce, game) })) })]
      : []),
  ];
}

/**
 * Suggests settings that give somebody these shares. For each share it takes the setting that is cheapest to set up
 * and within 3 points, or else the nearest. Distances change in half steps of that person, within the space. `things`
 * and `targets`: what may be tried instead.
 */
export function proposeLevels(
  activity: Activity,
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
  const far = opened(activity).pegs.map((peg) => peg.distance);
  const [first, last] = [Math.min(...far), Math.max(...far)];
  const may = (key: LevelKnob) => knobs.includes(key);
  const least = may("line") && far.length > 0 ? Math.ceil((NEAREST - first) / half) : 0;
  const most = may("line") && far.length > 0 ? Math.floor((activity.space.length - last) / half) : 0;
  const bases = turnsOf(activity, may, things, targets);
  // The share at each half step, worked out once.
  const known = new Map<string, number | null>();
  const at = (setting: LevelSetting): number | null => {
    const key = JSON.stringify(setting);
    if (!known.has(key)) known.set(key, rateAt(activity, setting, who));
    return known.get(key)!;
  };
  const grades = may("game") ? gradesOf(activity) : [];
  /** Spread evenly over the content. */
  const byGrade = () => {
    const n = Math.max(2, Math.min(count, grades.length));
    return spaced(corridor, n).map((meant, i): Level => {
      const setting = { ...AS_DRAWN, settings: grades[Math.round((i * (grades.length - 1)) / (n - 1))]! };
      return { setting, meant, rate: at(setting) ?? Number.NaN };
    });
  };
  // Nothing has a chance.
  if (grades.length > 1 && at(AS_DRAWN) === null) return byGrade();
  const fits = (setting: LevelSetting) => parseActivity({ ...atLevel(activity, setting), levels: null }).ok;
  const lineAt = (givenCount: number) => Math.round(givenCount * half * 1000) / 1000;
  const list = spaced(corridor, count).map((meant): Level => {
    let best: Level | null = null;
    for (const base of bases) {
      // Farther is harder, so halving finds where it crosses.
      let [lo, hi] = [Math.min(0, least), Math.max(0, most)];
      while (hi - lo > 1) {
        const mid = Math.floor((lo + hi) / 2);
        const rate = at({ ...base, line: lineAt(mid) });
        if (rate !== null && rate > meant) lo = mid;
        else hi = mid;
      }
      for (const eachCount of new Set([lo, hi, 0])) {
        const setting: LevelSetting = { ...base, line: lineAt(eachCount) };
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
  // Words that are hit equally well can differ in how hard they are to read.
  if (made.length < 2 && grades.length > 1) return byGrade();
  // If the corridor does not hold as many, take the nearest outside it that differ.
  const lines = Array.from({ length: Math.max(0, most - least + 1) }, (_, i) => lineAt(least + i));
  const all = [...lines.map((line) => ({ ...AS_DRAWN, line })), ...bases].flatMap((setting): Level[] => {
    const rate = at(setting);
    return rate === null ? [] : [{ setting, meant: Math.min(corridor.high, Math.max(corridor.low, rate)), rate }];
  });
  const off = (level: Level) => Math.abs(logit(bounded(level.rate)) - logit(level.meant));
  for (const more of all.sort((x, y) => off(x) - off(y))) {
    if (made.length >= count) break;
    const apart = made.every((level) => Math.abs(level.rate - more.rate) >= APART);
    if (apart && fits(more.setting)) made.push(more);
  }
  return made.sort((x, y) => y.rate - x.rate);
}
const bounded = (chance: number) => Math.min(0.999, Math.max(0.001, chance));

/** Levels whose shares differ by less than this count as one. */
const APART = 0.015;
/** Drops levels with equal settings or nearly equal shares, and keeps the first of each. */
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

/**
 * The changes that are not allowed yet but would make the levels differ. Null if none would. Takes the same settings
 * as `proposeLevels`.
 */
export function wouldDiffer(
  activity: Activity,
  who: Who,
  { knobs = USUAL_KNOBS, ...more }: NonNullable<Parameters<typeof proposeLevels>[2]>,
): LevelKnob | null {
  const lets = (key: LevelKnob) => proposeLevels(activity, who, { ...more, knobs: [...knobs, key] }).length > 1;
  return LEVEL_KNOBS.find((levelKnob) => !knobs.includes(levelKnob) && lets(levelKnob)) ?? null;
}

/** True if no level differs from another, because no allowed change makes a difference. */
export const allAlike = (list: readonly LevelSetting[]): boolean =>
  list.every((setting) => JSON.stringify(setting) === JSON.stringify(list[0]));

/** An activity on one of its levels, and how it is played there. */
export interface OnLevel {
  activity: Activity;
  self: Omit<Role, "role"> | null;
}
export const everyLevel = (activity: Activity, { list }: Pick<Levels, "list">): OnLevel[] =>
  list.map((setting) => ({ activity: atLevel(activity, setting), self: selfAt(setting) }));

/** Chances that differ by less than this are equal. */
const ALIKE = 0.005;
/**
 * The level that somebody should have, from 0: the one whose share is nearest to the middle of the corridor in log-
 * odds. If the shares are equal or nothing has a chance, it goes by age, and the youngest age of the game gets the
 * easiest. `on`: made once for many children.
 */
export function levelFor(
  activity: Activity,
  who: Who,
  supports: readonly Support[] = [],
  on: readonly OnLevel[] = activity.levels ? everyLevel(activity, activity.levels) : [],
): { level: number; rates: number[] } | null {
  const { levels } = activity;
  if (!levels) return null;
  const share = shareOf(levels);
  const all = on.map((eachOnLevel) => rateWith(eachOnLevel.activity, who, { self: eachOnLevel.self, supports, share }));
  const byAge = (places: readonly number[]) => {
    const years = who.age === "adult" ? activity.ages.to : who.age;
    const share = Math.max(
      0,
      Math.min(1, (years - activity.ages.from) / Math.max(1, activity.ages.to - activity.ages.from)),
    );
    return places[Math.round(share * (places.length - 1))]!;
  };
  if (all.some((r) => r === null)) return { level: byAge(all.map((_, i) => i)), rates: [] };
  const middle = (logit(levels.low) + logit(levels.high)) / 2;
  const off = (r: number) => Math.abs(logit(Math.min(0.999, Math.max(0.001, r))) - middle);
  const shares = all as number[];
  const best = shares.reduce((b, r, i) => (off(r) < off(shares[b]!) - 1e-9 ? i : b), 0);
  return { level: byAge(shares.flatMap((r, i) => (Math.abs(r - shares[best]!) < ALIKE ? [i] : []))), rates: shares };
}

/** The level of each person, from 0. People who are alike are worked out once. */
export function levelsOf(activity: Activity, people: readonly { who: Who; supports: readonly Support[] }[]): number[] {
  const on = activity.levels ? everyLevel(activity, activity.levels) : [];
  const known = new Map<string, number>();
  return people.map(({ who, supports }) => {
    const key = JSON.stringify([who, supports]);
    const level = known.get(key) ?? levelFor(activity, who, supports, on)?.level ?? 0;
    known.set(key, level);
    return level;
  });
}

/** A level by its place from 0. The last one if there are fewer. */
const levelOf = (activity: Activity, level: number): LevelSetting =>
  activity.levels!.list[Math.max(0, Math.min(activity.levels!.list.length - 1, level))]!;
/**
 * The lines of the other levels, as distances from this one, that a child may choose while playing. Only if the
 * levels differ in nothing but the line.
 */
function linesBeside(list: readonly LevelSetting[], at: LevelSetting): number[] {
  const apart = (setting: LevelSetting) => JSON.stringify({ ...setting, line: 0 });
  const nearer = list
    .filter((setting) => apart(setting) === apart(at))
    .map((setting) => Math.round(20 * (at.line - setting.line)) / 20);
  return [...new Set(nearer)].filter((n) => Math.abs(n) <= MAX_NEARER).sort((a, b) => a - b);
}
/**
 * The activity as somebody plays it on a level. It has no levels of its own. The lines of the other levels may be
 * chosen while playing, unless the teacher has said which.
 */
export function onLevel(activity: Activity, level: number): Activity {
  if (!activity.levels) return activity;
  const at = levelOf(activity, level);
  const on: Activity = { ...atLevel(activity, at), levels: null };
  const values = linesBeside(activity.levels.list, at);
  const lines =
    activity.family.some((eachRange) => eachRange.field === LINE_FIELD) || activity.family.length >= MAX_FAMILY;
  const range = lineRange(opened(on).pattern, on.pattern.params);
  const fit = values.filter((value) => range && value >= range.least && value <= range.most);
  return lines || fit.length < 2 ? on : { ...on, family: [...on.family, { field: LINE_FIELD, values: fit }] };
}
/** How it is played on a level, beside the game itself. */
export const selfOn = (activity: Activity, level: number): Omit<Role, "role"> | null =>
  activity.levels ? selfAt(levelOf(activity, level)) : null;

/** What the card says about a level in addition: that somebody is asked to help. */
export const notesOn = (activity: Activity, level: number): Phrase[] => {
  const helper = activity.levels && levelOf(activity, level).helper;
  return helper ? [{ key: `card.helper.${helper}` }] : [];
};

const isDrawn = (setting: LevelSetting): boolean =>
  setting.settings.length === 0 &&
  !setting.helper &&
  Object.entries(AS_DRAWN).every(([key, value]) => key === "settings" || setting[key as keyof LevelSetting] === value);
/**
 * A level in words: what moves, in somebody's steps; the object; the target; how it is played. Another action and
 * other settings have names of their own.
 */
export function levelWords(setting: LevelSetting, step: number): Phrase[] {
  const steps = Math.round((Math.abs(setting.line) / step) * 2) / 2;
  return [
    ...(setting.line === 0
      ? []
      : [
          {
            key: setting.line > 0 ? "level.farther" : "level.nearer",
            params: { steps, half: steps === 0.5 ? "yes" : "no" },
          },
        ]),
    ...(setting.target ? [{ key: "level.target", params: { item: setting.target } }] : []),
    ...(setting.thing ? [{ key: "level.thing", params: { item: setting.thing } }] : []),
    ...(setting.hand ? [{ key: "level.hand" }] : []),
    ...(setting.posture ? [{ key: "level.posture", params: { posture: setting.posture } }] : []),
    ...(setting.helper ? [{ key: "level.helper", params: { helper: setting.helper } }] : []),
    ...(isDrawn(setting) ? [{ key: "level.asDrawn" }] : []),
  ];
}
