import { fieldOf, setTo } from "../contract/range.ts";
import type { Who } from "../forecast/for-activity.ts";
import { type Activity, parseActivity } from "../formats/activity.ts";
import { logit } from "../log-odds.ts";
import { endIn } from "./ends.ts";
import {
  AS_DRAWN,
  atLevel,
  CORRIDOR,
  type Level,
  type LevelSetting,
  selfAt,
  settable,
  spaced,
  USUAL_LEVELS,
} from "./levels.ts";

/** A number in a game's settings, and its limits. */
export type Amount = Extract<ReturnType<typeof settable>[number], { kind: "number" }>;
/** Shares that differ by less than this are equal. */
const ALIKE = 0.01;
/** A share this close to the intended one is accepted. */
const NEAR_ENOUGH = 0.02;
const clamped = (chance: number) => logit(Math.min(0.99, Math.max(0.01, chance)));

/** The numbers of a game that bring its end nearer or farther: seconds, counts, sends, how many targets. */
export const amountsOf = (activity: Activity): Amount[] =>
  settable(activity).filter((eachSettable): eachSettable is Amount => eachSettable.kind === "number");

/**
 * Values of one number of a game at which a person reaches the end with shares spaced evenly in log-odds, the easiest
 * first, each with the intended share and the real one. Searched from the least value on with growing steps, and then
 * by halving. Fewer than asked for if values do not lie that close together; none if the number does not affect the
 * end. `seen` is called after every value; `stop` as in `endIn`.
 */
export function proposeAmount(
  activity: Activity,
  who: Who,
  field: string,
  { corridor = CORRIDOR, count = USUAL_LEVELS }: { corridor?: { low: number; high: number }; count?: number } = {},
  { seen = () => undefined, stop = () => false }: { seen?: (values: number) => void; stop?: () => boolean } = {},
): Level[] {
  const knob = amountsOf(activity).find((eachKnob) => fieldOf(eachKnob) === field);
  if (!knob) return [];
  const drawn = setTo(knob, { params: activity.pattern.params, match: activity.match });
  const last = Math.round((knob.most - knob.least) / knob.step);
  const valueAt = (i: number) => Math.round((knob.least + i * knob.step) * 1e6) / 1e6;
  const settingAt = (i: number): LevelSetting => {
    const value = valueAt(i);
    return value === drawn ? AS_DRAWN : { ...AS_DRAWN, settings: [{ field, value }] };
  };
  const known = new Map<number, number | null>();
  const shareAt = (i: number): number | null => {
    let share = known.get(i);
    if (share === undefined) {
      const on = atLevel({ ...activity, levels: null }, settingAt(i));
      share = parseActivity(on).ok ? endIn(on, who, null, stop) : null;
      known.set(i, share);
      seen(known.size);
    }
    return share;
  };
  for (let i = 0; i < last; i = 2 * i + 1) shareAt(i);
  shareAt(last);
  if (typeof drawn === "number") shareAt(Math.max(0, Math.min(last, Math.round((drawn - knob.least) / knob.step))));
  const looked = () =>
    [...known].flatMap(([i, share]) => (share === null ? [] : [{ i, share }])).sort((x, y) => x.i - y.i);
  const all = looked().map((x) => x.share);
  if (all.length < 2 || Math.max(...all) - Math.min(...all) < ALIKE) return [];
  const meant = spaced(corridor, count);
  const nearest = (to: number) =>
    looked().reduce((b, x) =>
      Math.abs(clamped(x.share) - clamped(to)) < Math.abs(clamped(b.share) - clamped(to)) ? x : b,
    );
  for (const to of meant)
    for (;;) {
      if (Math.abs(nearest(to).share - to) < NEAR_ENOUGH) break;
      const row = looked();
      const at = row.findIndex((x, n) => {
        const next = row[n + 1];
        return next !== undefined && next.i - x.i > 1 && (x.share - to) * (next.share - to) < 0;
      });
      if (at < 0) break;
      shareAt(Math.floor((row[at]!.i + row[at + 1]!.i) / 2));
    }
  const found = new Map<number, Level>();
  for (const to of meant) {
    const { i, share } = nearest(to);
    if (!found.has(i)) found.set(i, { setting: settingAt(i), meant: to, rate: share });
  }
  const levels = [...found.values()].sort((x, y) => y.rate - x.rate);
  return levels.length < 2 ? [] : levels;
}

/** The share of goes that reach the end on each level, for each person. */
export const endsOn = (
  activity: Activity,
  list: readonly LevelSetting[],
  people: readonly Who[],
  stop?: () => boolean,
): number[][] =>
  list.map((setting) =>
    people.map((who) => endIn(atLevel({ ...activity, levels: null }, setting), who, selfAt(setting), stop)),
  );
