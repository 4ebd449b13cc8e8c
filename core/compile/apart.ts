import { layoutOf } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { layoutNamed } from "../yard/layouts/index.ts";
import { isLaid, moveLaid, ownId } from "../yard/layouts/laid.ts";
import { cornersOf, type Part, type PartOf, partsOf, patchOf } from "../yard/parts.ts";
import { OVERLAP_ALLOWED } from "../yard/placement-search.ts";

/** Things are put so far from each other when they have to be parted, metres. */
const ROOM = 0.02;
/** Nothing is put nearer than this, metres. */
const NEAREST = 0.4;

/** What a part takes up of the floor, turned things by the rectangle about them, metres. */
interface Taken {
  id: string;
  along: readonly [number, number];
  across: readonly [number, number];
}
function takenBy(p: Part): Taken | null {
  const patch = patchOf(p);
  if (!patch) return null;
  const all = cornersOf(patch);
  const span = (list: readonly number[]) => [Math.min(...list), Math.max(...list)] as const;
  return { id: "id" in p ? p.id : "", along: span(all.map((c) => c.along)), across: span(all.map((c) => c.across)) };
}
const meets = (a: readonly [number, number], b: readonly [number, number]) =>
  Math.min(a[1], b[1]) - Math.max(a[0], b[0]);
/** Whether two things stand in each other, by more than touching. */
const inOther = (a: Taken, b: Taken) =>
  meets(a.along, b.along) > OVERLAP_ALLOWED && meets(a.across, b.across) > OVERLAP_ALLOWED;

/** What hangs on the wall: how far across it, and how high. */
const hanging = (t: PartOf<"target">): Taken => ({
  id: t.id,
  along: [t.base!, t.base! + t.height],
  across: [t.across - t.width / 2, t.across + t.width / 2],
});
/** Spots of the game and the things laid out beside it: those may be moved out of the way. */
function beside(parts: readonly Part[]): { spots: Taken[]; laid: Taken[] } {
  const all = parts.flatMap((p) =>
    p.kind === "spot" || (p.kind === "obstacle" && p.base === undefined) ? (takenBy(p) ?? []) : [],
  );
  return { spots: all.filter((t) => !isLaid(t.id)), laid: all.filter((t) => isLaid(t.id)) };
}

/** What stands on the floor of a layout: targets, and things laid out beside the game. */
function standing(parts: readonly Part[]): { targets: Taken[]; things: Taken[] } {
  const on = (p: { base?: number }) => p.base === undefined;
  return {
    targets: partsOf(parts, "target")
      .filter(on)
      .map((t) => takenBy(t)!),
    things: partsOf(parts, "obstacle")
      .filter(on)
      .map((o) => takenBy(o)!),
  };
}

/** Pairs of things of a layout that stand in each other, by their real sizes. */
export function inEachOther(parts: readonly Part[]): [string, string][] {
  const { targets, things } = standing(parts);
  const out: [string, string][] = [];
  targets.forEach((t, i) => {
    for (const u of [...targets.slice(i + 1), ...things]) if (inOther(t, u)) out.push([t.id, u.id]);
  });
  const wall = partsOf(parts, "target").flatMap((t) => (t.base === undefined ? [] : [hanging(t)]));
  wall.forEach((t, i) => {
    for (const u of wall.slice(i + 1)) if (inOther(t, u)) out.push([t.id, u.id]);
  });
  const { spots, laid } = beside(parts);
  for (const s of spots) for (const u of laid) if (inOther(s, u)) out.push([s.id, u.id]);
  return out;
}

/** The place for a peg nearest to `wanted` between `low` and `high` at which it stands in nothing; null where there is none. */
export function freeOf(a: Activity, id: string, wanted: number, low: number, high: number): number | null {
  const { targets, things } = standing(layoutOf(a));
  const own = targets.find((t) => t.id === id);
  if (!own) return wanted;
  const half = (own.along[1] - own.along[0]) / 2;
  const taken = [...targets.filter((t) => t.id !== id), ...things]
    .filter((t) => meets(t.across, own.across) > OVERLAP_ALLOWED)
    .map((t) => [t.along[0] - half - ROOM / 2, t.along[1] + half + ROOM / 2] as const);
  const free = (x: number) => x >= low && x <= high && taken.every(([from, to]) => x <= from || x >= to);
  const tried = [wanted, ...taken.flat()].filter(free);
  return tried.length === 0 ? null : tried.reduce((x, y) => (Math.abs(y - wanted) < Math.abs(x - wanted) ? y : x));
}

/**
 * The same activity with its targets standing in nothing: each that does is moved to the nearest free place, farther ones first outwards, up to
 * `longest` metres; where its own way is full, aside.
 */
export function spread(a: Activity, longest = Number.POSITIVE_INFINITY): Activity {
  let now = a;
  // Every move parts one thing from all others for good, so there are no more rounds than things.
  const rounds = 2 * (opened(a).pegs.length + beside(layoutOf(a)).laid.length);
  for (let round = 0; round < rounds; round++) {
    const parts = layoutOf(now);
    const pairs = inEachOther(parts);
    if (pairs.length === 0) return now;
    const targets = partsOf(parts, "target");
    const in_ = targets.filter((t) => pairs.some(([x, y]) => x === t.id || y === t.id));
    if (in_.length === 0) {
      const next = asideOf(now, pairs[0]![1]);
      if (!next) return now;
      now = next;
      continue;
    }
    const far = in_.reduce((x, y) => (y.along >= x.along ? y : x));
    const next = parted(now, far.id, far.along, longest);
    if (!next) return now;
    now = next;
  }
  return now;
}

/** The same activity with one thing that is laid out beside the game moved to the nearest place where it lies in nothing of it; null: there is none. */
function asideOf(a: Activity, id: string): Activity | null {
  if (!a.layout || !isLaid(id)) return null;
  const parts = layoutOf(a);
  const { spots, laid } = beside(parts);
  const own = laid.find((t) => t.id === id);
  if (!own) return null;
  const middle = (t: Taken) => ({ along: (t.along[0] + t.along[1]) / 2, across: (t.across[0] + t.across[1]) / 2 });
  const is = middle(own);
  const others = [...spots, ...laid.filter((t) => t.id !== id), ...standing(parts).targets];
  const half = { along: (own.along[1] - own.along[0]) / 2, across: (own.across[1] - own.across[0]) / 2 };
  const at = (along: number, across: number): Taken => ({
    id,
    along: [along - half.along, along + half.along],
    across: [across - half.across, across + half.across],
  });
  // Just past each of the others, on every side.
  const tried = others.flatMap((t) => [
    at(t.along[0] - half.along - ROOM, is.across),
    at(t.along[1] + half.along + ROOM, is.across),
    at(is.along, t.across[0] - half.across - ROOM),
    at(is.along, t.across[1] + half.across + ROOM),
  ]);
  const far = (t: Taken) => Math.hypot(middle(t).along - is.along, middle(t).across - is.across);
  const free = tried.filter((t) => t.along[0] >= 0 && !others.some((o) => inOther(t, o)));
  if (free.length === 0) return null;
  const nearest = free.reduce((x, y) => (far(y) < far(x) ? y : x));
  const to = middle(nearest);
  const all = { along: a.layout.along + to.along - is.along, across: a.layout.across + to.across - is.across };
  // Where its marks keep their places to each other, all of it goes along.
  const moved = layoutNamed(a.layout.name).rigid ? moveLaid(a.layout, null, all) : moveLaid(a.layout, ownId(id), to);
  return moved === a.layout ? null : { ...a, layout: moved };
}

function parted(a: Activity, id: string, at: number, longest: number): Activity | null {
  const o = opened(a);
  const peg = o.pegs.find((g) => g.id === id);
  const far = Math.max(longest, at);
  const out = peg && freeOf(a, id, at, at, far);
  const back = peg && freeOf(a, id, at, NEAREST, at);
  const steps = (x: number, up: boolean) => (up ? Math.ceil(x * 100 - 1e-6) : Math.floor(x * 100 + 1e-6)) / 100;
  if (peg && out !== null && out !== undefined) return o.move(id, { along: steps(out, true) });
  if (peg && back !== null && back !== undefined) return o.move(id, { along: steps(back, false) });
  const { targets, things } = standing(layoutOf(a));
  const own = targets.find((t) => t.id === id)!;
  const half = (own.across[1] - own.across[0]) / 2;
  const middle = (own.across[0] + own.across[1]) / 2;
  const taken = [...targets.filter((t) => t.id !== id), ...things]
    .filter((t) => meets(t.along, own.along) > OVERLAP_ALLOWED)
    .map((t) => [t.across[0] - half - ROOM / 2, t.across[1] + half + ROOM / 2] as const);
  const room = a.space.width / 2 - half;
  const tried = taken.flat().filter((x) => Math.abs(x) <= room && taken.every(([f, t]) => x <= f || x >= t));
  if (tried.length === 0) return null;
  const aside = tried.reduce((x, y) => (Math.abs(y - middle) < Math.abs(x - middle) ? y : x));
  const moved = o.move(id, { across: Math.round(aside * 100) / 100 });
  return moved === a ? null : moved;
}
