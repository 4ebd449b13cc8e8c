import { layoutOf } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { layoutNamed } from "../yard/layouts/known-layouts.ts";
import { isLaid, moveLaid, ownId } from "../yard/layouts/laid.ts";
import { cornersOf, type Part, type PartOf, partsOf, patchOf } from "../yard/parts.ts";
import { OVERLAP_ALLOWED } from "../yard/placement-search.ts";

/** How far apart items are put when they overlap, metres. */
const ROOM = 0.02;
/** Nothing is put nearer than this, metres. */
const NEAREST = 0.4;

/** The floor that a part takes up, metres. For turned items, the rectangle around them. */
interface Taken {
  id: string;
  along: readonly [number, number];
  across: readonly [number, number];
}
function takenBy(part: Part): Taken | null {
  const patch = patchOf(part);
  if (!patch) return null;
  const all = cornersOf(patch);
  const span = (list: readonly number[]) => [Math.min(...list), Math.max(...list)] as const;
  return {
    id: "id" in part ? part.id : "",
    along: span(all.map((place) => place.along)),
    across: span(all.map((place) => place.across)),
  };
}
const meets = (a: readonly [number, number], b: readonly [number, number]) =>
  Math.min(a[1], b[1]) - Math.max(a[0], b[0]);
/** True if two items overlap. Touching is allowed. */
const inOther = (taken: Taken, givenTaken: Taken) =>
  meets(taken.along, givenTaken.along) > OVERLAP_ALLOWED && meets(taken.across, givenTaken.across) > OVERLAP_ALLOWED;

/** The place on the wall that a target takes up: how wide and how high. */
const hanging = (target: PartOf<"target">): Taken => ({
  id: target.id,
  along: [target.base!, target.base! + target.height],
  across: [target.across - target.width / 2, target.across + target.width / 2],
});
/** Spots of the game and items laid out beside it, which may be moved out of the way. */
function beside(parts: readonly Part[]): { spots: Taken[]; laid: Taken[] } {
  const all = parts.flatMap((part) =>
    part.kind === "spot" || (part.kind === "obstacle" && part.base === undefined) ? (takenBy(part) ?? []) : [],
  );
  return { spots: all.filter((taken) => !isLaid(taken.id)), laid: all.filter((taken) => isLaid(taken.id)) };
}

/** What stands on the floor of a layout: targets, and items laid out beside the game. */
function standing(parts: readonly Part[]): { targets: Taken[]; things: Taken[] } {
  const on = (p: { base?: number }) => p.base === undefined;
  return {
    targets: partsOf(parts, "target")
      .filter(on)
      .map((target) => takenBy(target)!),
    things: partsOf(parts, "obstacle")
      .filter(on)
      .map((o) => takenBy(o)!),
  };
}

/** Pairs of items of a layout that overlap, by their real sizes. */
export function inEachOther(parts: readonly Part[]): [string, string][] {
  const { targets, things } = standing(parts);
  const out: [string, string][] = [];
  targets.forEach((target, i) => {
    for (const taken of [...targets.slice(i + 1), ...things])
      if (inOther(target, taken)) out.push([target.id, taken.id]);
  });
  const wall = partsOf(parts, "target").flatMap((target) => (target.base === undefined ? [] : [hanging(target)]));
  wall.forEach((taken, i) => {
    for (const eachTaken of wall.slice(i + 1)) if (inOther(taken, eachTaken)) out.push([taken.id, eachTaken.id]);
  });
  const { spots, laid } = beside(parts);
  for (const spot of spots) for (const taken of laid) if (inOther(spot, taken)) out.push([spot.id, taken.id]);
  return out;
}

/** The free place nearest to `wanted` for a peg, between `low` and `high`. Null if there is none. */
export function freeOf(
  activity: Activity,
  id: string,
  { wanted, low, high }: { wanted: number; low: number; high: number },
): number | null {
  const { targets, things } = standing(layoutOf(activity));
  const own = targets.find((target) => target.id === id);
  if (!own) return wanted;
  const half = (own.along[1] - own.along[0]) / 2;
  const taken = [...targets.filter((target) => target.id !== id), ...things]
    .filter((eachTaken) => meets(eachTaken.across, own.across) > OVERLAP_ALLOWED)
    .map((eachTaken) => [eachTaken.along[0] - half - ROOM / 2, eachTaken.along[1] + half + ROOM / 2] as const);
  const free = (x: number) => x >= low && x <= high && taken.every(([from, to]) => x <= from || x >= to);
  const tried = [wanted, ...taken.flat()].filter(free);
  return tried.length === 0 ? null : tried.reduce((x, y) => (Math.abs(y - wanted) < Math.abs(x - wanted) ? y : x));
}

/**
 * The same activity with no target overlapping anything. Each that does is moved to the nearest free place, starting
 * with the farthest, up to `longest` metres away; if there is none in its own lane, to the side.
 */
export function spread(activity: Activity, longest = Number.POSITIVE_INFINITY): Activity {
  let now = activity;
  // Every move separates one item from all others for good, so more rounds are never needed.
  const rounds = 2 * (opened(activity).pegs.length + beside(layoutOf(activity)).laid.length);
  for (let round = 0; round < rounds; round++) {
    const parts = layoutOf(now);
    const pairs = inEachOther(parts);
    if (pairs.length === 0) return now;
    const targets = partsOf(parts, "target");
    const in_ = targets.filter((target) => pairs.some(([text, words]) => text === target.id || words === target.id));
    if (in_.length === 0) {
      const next = asideOf(now, pairs[0]![1]);
      if (!next) return now;
      now = next;
      continue;
    }
    const far = in_.reduce((target, aim) => (aim.along >= target.along ? aim : target));
    const next = parted(now, far.id, far.along, longest);
    if (!next) return now;
    now = next;
  }
  return now;
}

/**
 * The same activity with one item that is laid out beside the game moved to the nearest free place. Null if there is
 * none.
 */
function asideOf(activity: Activity, id: string): Activity | null {
  if (!activity.layout || !isLaid(id)) return null;
  const parts = layoutOf(activity);
  const { spots, laid } = beside(parts);
  const own = laid.find((taken) => taken.id === id);
  if (!own) return null;
  const middle = (taken: Taken) => ({
    along: (taken.along[0] + taken.along[1]) / 2,
    across: (taken.across[0] + taken.across[1]) / 2,
  });
  const is = middle(own);
  const others = [...spots, ...laid.filter((taken) => taken.id !== id), ...standing(parts).targets];
  const half = { along: (own.along[1] - own.along[0]) / 2, across: (own.across[1] - own.across[0]) / 2 };
  const at = (along: number, across: number): Taken => ({
    id,
    along: [along - half.along, along + half.along],
    across: [across - half.across, across + half.across],
  });
  // Just past each of the others, on every side.
  const tried = others.flatMap((other) => [
    at(other.along[0] - half.along - ROOM, is.across),
    at(other.along[1] + half.along + ROOM, is.across),
    at(is.along, other.across[0] - half.across - ROOM),
    at(is.along, other.across[1] + half.across + ROOM),
  ]);
  const far = (taken: Taken) => Math.hypot(middle(taken).along - is.along, middle(taken).across - is.across);
  const free = tried.filter((taken) => taken.along[0] >= 0 && !others.some((other) => inOther(taken, other)));
  if (free.length === 0) return null;
  const nearest = free.reduce((taken, y) => (far(y) < far(taken) ? y : taken));
  const to = middle(nearest);
  const all = {
    along: activity.layout.along + to.along - is.along,
    across: activity.layout.across + to.across - is.across,
  };
  // If its marks keep their places to each other, all of it moves.
  const moved = layoutNamed(activity.layout.name).rigid
    ? moveLaid(activity.layout, null, all)
    : moveLaid(activity.layout, ownId(id), to);
  return moved === activity.layout ? null : { ...activity, layout: moved };
}

function parted(activity: Activity, id: string, at: number, longest: number): Activity | null {
  const game = opened(activity);
  const peg = game.pegs.find((eachPeg) => eachPeg.id === id);
  const far = Math.max(longest, at);
  const out = peg && freeOf(activity, id, { wanted: at, low: at, high: far });
  const back = peg && freeOf(activity, id, { wanted: at, low: NEAREST, high: at });
  const steps = (x: number, up: boolean) => (up ? Math.ceil(x * 100 - 1e-6) : Math.floor(x * 100 + 1e-6)) / 100;
  if (peg && out !== null && out !== undefined) return game.move(id, { along: steps(out, true) });
  if (peg && back !== null && back !== undefined) return game.move(id, { along: steps(back, false) });
  const { targets, things } = standing(layoutOf(activity));
  const own = targets.find((target) => target.id === id)!;
  const half = (own.across[1] - own.across[0]) / 2;
  const middle = (own.across[0] + own.across[1]) / 2;
  const taken = [...targets.filter((target) => target.id !== id), ...things]
    .filter((eachTaken) => meets(eachTaken.along, own.along) > OVERLAP_ALLOWED)
    .map((eachTaken) => [eachTaken.across[0] - half - ROOM / 2, eachTaken.across[1] + half + ROOM / 2] as const);
  const room = activity.space.width / 2 - half;
  const tried = taken.flat().filter((x) => Math.abs(x) <= room && taken.every(([f, t]) => x <= f || x >= t));
  if (tried.length === 0) return null;
  const aside = tried.reduce((x, y) => (Math.abs(y - middle) < Math.abs(x - middle) ? y : x));
  const moved = game.move(id, { across: Math.round(aside * 100) / 100 });
  return moved === activity ? null : moved;
}
