/** A point on the ground, metres. */
export interface Point {
  x: number;
  y: number;
}
/** Touching counts as inside, within a tenth of a millimetre. */
export const EPS = 1e-4;

/** A rectangle on the ground, turned by `angle` radians about its middle. */
export interface Box {
  x: number;
  y: number;
  /** Half extents along its own two directions, metres. */
  hx: number;
  hy: number;
  angle: number;
}

const cross = (o: Point, a: Point, b: Point) => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);
export const between = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Signed area of a polygon, square metres: positive when its corners go round to the left. */
export function areaOf(corners: readonly Point[]): number {
  let twice = 0;
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!;
    twice += p.x * q.y - q.x * p.y;
  });
  return twice / 2;
}

/** Whether two segments cross at a point inside both. */
export function cross2(a: Point, b: Point, c: Point, d: Point): boolean {
  const [p, q, r, s] = [cross(c, d, a), cross(c, d, b), cross(a, b, c), cross(a, b, d)];
  return p * q < -EPS * EPS && r * s < -EPS * EPS;
}

/** The first two sides of a polygon that cross each other, by index, or null. */
export function crossingSides(corners: readonly Point[]): [number, number] | null {
  const n = corners.length;
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++)
      if (cross2(corners[i]!, corners[(i + 1) % n]!, corners[j]!, corners[(j + 1) % n]!)) return [i, j];
  return null;
}

/** Distance of a point from a segment, metres. */
export function toSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const l2 = dx * dx + dy * dy;
  const t = l2 === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / l2));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}

/** Whether a point is in a polygon, or on its edge. */
export function inside(corners: readonly Point[], p: Point): boolean {
  let odd = false;
  for (let i = 0, j = corners.length - 1; i < corners.length; j = i++) {
    const [a, b] = [corners[i]!, corners[j]!];
    if (toSegment(p, a, b) <= EPS) return true;
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) odd = !odd;
  }
  return odd;
}

export function cornersOfBox(b: Box): Point[] {
  const [c, s] = [Math.cos(b.angle), Math.sin(b.angle)];
  const at = (u: number, v: number) => ({ x: b.x + u * c - v * s, y: b.y + u * s + v * c });
  return [at(-b.hx, -b.hy), at(b.hx, -b.hy), at(b.hx, b.hy), at(-b.hx, b.hy)];
}

/** Whether a box lies wholly in a polygon; touching its sides is allowed. */
export function boxInside(corners: readonly Point[], b: Box): boolean {
  const box = cornersOfBox(b);
  if (!box.every((p) => inside(corners, p))) return false;
  // A side of the polygon that comes in between: its corner lies in the box, or it crosses right through.
  const thin: Box = { ...b, hx: b.hx - 2 * EPS, hy: b.hy - 2 * EPS };
  if (thin.hx <= 0 || thin.hy <= 0) return true;
  const core = cornersOfBox(thin);
  if (corners.some((p) => inside(core, p) && !onEdge(core, p))) return false;
  for (let i = 0; i < corners.length; i++)
    for (let j = 0; j < 4; j++)
      if (cross2(corners[i]!, corners[(i + 1) % corners.length]!, core[j]!, core[(j + 1) % 4]!)) return false;
  return true;
}
const onEdge = (corners: readonly Point[], p: Point) =>
  corners.some((a, i) => toSegment(p, a, corners[(i + 1) % corners.length]!) <= EPS);

/** How deep two boxes overlap, metres: the least shift that parts them; 0 when they only touch or not at all. */
export function overlap(a: Box, b: Box): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const [ca, sa] = [Math.cos(a.angle), Math.sin(a.angle)];
  const [cb, sb] = [Math.cos(b.angle), Math.sin(b.angle)];
  const [c, s] = [Math.abs(ca * cb + sa * sb), Math.abs(ca * sb - sa * cb)];
  const along = a.hx + b.hx * c + b.hy * s - Math.abs(dx * ca + dy * sa);
  if (along <= 0) return 0;
  const across = a.hy + b.hx * s + b.hy * c - Math.abs(dy * ca - dx * sa);
  if (across <= 0) return 0;
  const along2 = b.hx + a.hx * c + a.hy * s - Math.abs(dx * cb + dy * sb);
  if (along2 <= 0) return 0;
  const across2 = b.hy + a.hx * s + a.hy * c - Math.abs(dy * cb - dx * sb);
  return across2 <= 0 ? 0 : Math.min(along, across, along2, across2);
}

/** Longest straight line between any two corners, metres: nothing longer lies in the polygon. */
export function diameterOf(corners: readonly Point[]): number {
  let far = 0;
  for (const a of corners) for (const b of corners) far = Math.max(far, between(a, b));
  return far;
}

/** Corners nearer than this are one, and one so near to the line between its neighbours is none, metres. */
const SAME_CORNER = 1e-6;

/**
 * An outline without corners that say nothing: repeated ones, the first said again at the end, and those in the middle of a straight side.
 * `(0,0)(7,0)(7,5)(0,5)(0,0)` has four.
 */
export function cleanCorners(corners: readonly Point[]): Point[] {
  const near = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y) < SAME_CORNER;
  let out = corners.filter((c, i) => !near(c, corners[(i + 1) % corners.length]!));
  for (;;) {
    const kept = out.filter((c, i) => {
      const [a, b] = [out[(i + out.length - 1) % out.length]!, out[(i + 1) % out.length]!];
      const across = Math.abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)) / Math.hypot(b.x - a.x, b.y - a.y);
      const between = (c.x - a.x) * (c.x - b.x) + (c.y - a.y) * (c.y - b.y) <= 0;
      return !(across < SAME_CORNER && between);
    });
    if (kept.length === out.length || kept.length < 3) return out.length >= 3 ? [...out] : [...corners];
    out = kept;
  }
}
