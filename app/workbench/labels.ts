/** A rectangle on the plan, pixels. */
export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** An item on the plan that has a label: its middle, the radius of what is drawn, and the lines of its label. */
export interface Labelled {
  id: string;
  x: number;
  y: number;
  radius: number;
  lines: readonly string[];
  /** The size of the letters, pixels. */
  size: number;
}

/** Where a label stands: its first base line, and how it is aligned there. `leader`: a line from the item to it. */
export interface Placed {
  x: number;
  y: number;
  anchor: "start" | "middle" | "end";
  leader: boolean;
  box: Box;
}

/** The widest letters of our text are this wide on average, as a share of their size. */
const LETTER = 0.6;
/** The height of a line, as a share of the size of its letters. */
const LINE = 1.2;
const GAP = 5;
/** How far out a label is tried, in steps of this many pixels. */
const OUTWARD = [0, 16, 32, 52] as const;
/** Covering an item, a label or a caption costs this much more than a label that stands one place farther down the list. */
const COVERS = 8;
/** Covering a thin line is this much less bad than covering an item or another label of the same area. */
const THIN = 0.5;

const width = ({ lines, size }: Pick<Labelled, "lines" | "size">) =>
  Math.max(...lines.map((line) => line.length)) * LETTER * size;

/** The area that two rectangles share, square pixels. */
export const shared = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
  Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top));

/** The rectangle of an item. */
export const boxOf = ({ x, y, radius }: Pick<Labelled, "x" | "y" | "radius">): Box => ({
  left: x - radius,
  right: x + radius,
  top: y - radius,
  bottom: y + radius,
});

/** Every place that is tried for a label, the most usual first: above, right, left, below; then farther out. */
function* placesFor(item: Labelled): Generator<Placed> {
  const { x, y, radius, lines, size } = item;
  const wide = width(item);
  const high = lines.length * LINE * size;
  for (const [step, out] of OUTWARD.entries()) {
    const r = radius + GAP + out;
    const leader = step > 0;
    const at = (anchor: Placed["anchor"], left: number, top: number): Placed => ({
      anchor,
      x: anchor === "start" ? left : anchor === "end" ? left + wide : left + wide / 2,
      y: top + size * 0.95,
      leader,
      box: { left, right: left + wide, top, bottom: top + high },
    });
    yield at("middle", x - wide / 2, y - r - high);
    yield at("start", x + r, y - high / 2);
    yield at("end", x - r - wide, y - high / 2);
    yield at("middle", x - wide / 2, y + r);
    yield at("start", x + r, y - r - high * 0.7);
    yield at("end", x - r - wide, y - r - high * 0.7);
    yield at("start", x + r, y + r - high * 0.3);
    yield at("end", x - r - wide, y + r - high * 0.3);
  }
}

/**
 * Finds a place for each label where it covers no item, no other label and, if possible, no line, and where all of it
 * is on the plan. Labels are placed in the order given. `lines`: thin rectangles around what is drawn as a line.
 * `taken`: what must stay free, such as captions.
 */
export function placeLabels(
  items: readonly Labelled[],
  {
    plan,
    others = items,
    lines = [],
    taken = [],
  }: {
    plan: Box;
    others?: readonly Pick<Labelled, "x" | "y" | "radius">[];
    lines?: readonly Box[];
    taken?: readonly Box[];
  },
): Map<string, Placed> {
  const full: Box[] = [...others.map(boxOf), ...taken];
  const out = new Map<string, Placed>();
  for (const item of items) {
    if (item.lines.length === 0) continue;
    let best: Placed | null = null;
    let least = Number.POSITIVE_INFINITY;
    let order = 0;
    for (const place of placesFor(item)) {
      const { box } = place;
      const all = (box.right - box.left) * (box.bottom - box.top);
      const cost =
        // What is cut off cannot be read at all.
        3 * COVERS * (all - shared(box, plan)) +
        COVERS * full.reduce((sum, other) => sum + shared(box, other), 0) +
        THIN * lines.reduce((sum, line) => sum + 4 * shared(box, line), 0) +
        order++ * 0.5;
      if (cost >= least) continue;
      least = cost;
      best = place;
    }
    out.set(item.id, best!);
    full.push(best!.box);
  }
  return out;
}
