/** A point on the ground, metres. */
export interface Point {
  x: number;
  y: number;
}
/** Touching counts as inside, to a tenth of a millimetre. */
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

const cross = (point: Point, givenPoint: Point, corner: Point) =>
  (givenPoint.x - point.x) * (corner.y - point.y) - (givenPoint.y - point.y) * (corner.x - point.x);
export const between = (point: Point, givenPoint: Point): number =>
  Math.hypot(point.x - givenPoint.x, point.y - givenPoint.y);

/** The signed area of a polygon, square metres: positive if its corners go counter-clockwise. */
export function areaOf(corners: readonly Point[]): number {
  let twice = 0;
  corners.forEach((corner, i) => {
    const point = corners[(i + 1) % corners.length]!;
    twice += corner.x * point.y - point.x * corner.y;
  });
  return twice / 2;
}

/** True if two segments cross at a point inside both. */
export function cross2(point: Point, givenPoint: Point, corner: Point, givenCorner: Point): boolean {
  const [chance, q, r, s] = [
    cross(corner, givenCorner, point),
    cross(corner, givenCorner, givenPoint),
    cross(point, givenPoint, corner),
    cross(point, givenPoint, givenCorner),
  ];
  return chance * q < -EPS * EPS && r * s < -EPS * EPS;
}

/** The first two sides of a polygon that cross each other, by index. Null if none do. */
export function crossingSides(corners: readonly Point[]): [number, number] | null {
  const count = corners.length;
  for (let i = 0; i < count; i++)
    for (let j = i + 1; j < count; j++)
      if (cross2(corners[i]!, corners[(i + 1) % count]!, corners[j]!, corners[(j + 1) % count]!)) return [i, j];
  return null;
}

/** The distance of a point from a segment, metres. */
export function toSegment(point: Point, givenPoint: Point, corner: Point): number {
  const [dx, dy] = [corner.x - givenPoint.x, corner.y - givenPoint.y];
  const l2 = dx * dx + dy * dy;
  const t =
    l2 === 0 ? 0 : Math.max(0, Math.min(1, ((point.x - givenPoint.x) * dx + (point.y - givenPoint.y) * dy) / l2));
  return Math.hypot(point.x - givenPoint.x - t * dx, point.y - givenPoint.y - t * dy);
}

/** True if a point is in a polygon, or on its edge. */
export function inside(corners: readonly Point[], point: Point): boolean {
  let odd = false;
  for (let i = 0, j = corners.length - 1; i < corners.length; j = i++) {
    const [corner, b] = [corners[i]!, corners[j]!];
    if (toSegment(point, corner, b) <= EPS) return true;
    if (
      corner.y > point.y !== b.y > point.y &&
      point.x < ((b.x - corner.x) * (point.y - corner.y)) / (b.y - corner.y) + corner.x
    )
      odd = !odd;
  }
  return odd;
}

export function cornersOfBox(box: Box): Point[] {
  const [c, s] = [Math.cos(box.angle), Math.sin(box.angle)];
  const at = (u: number, value: number) => ({ x: box.x + u * c - value * s, y: box.y + u * s + value * c });
  return [at(-box.hx, -box.hy), at(box.hx, -box.hy), at(box.hx, box.hy), at(-box.hx, box.hy)];
}

/** True if a box lies completely in a polygon. It may touch the sides. */
export function boxInside(corners: readonly Point[], givenBox: Box): boolean {
  const box = cornersOfBox(givenBox);
  if (!box.every((point) => inside(corners, point))) return false;
  // A side of the polygon may reach into the box: a corner lies in it, or the side crosses it.
  const thin: Box = { ...givenBox, hx: givenBox.hx - 2 * EPS, hy: givenBox.hy - 2 * EPS };
  if (thin.hx <= 0 || thin.hy <= 0) return true;
  const core = cornersOfBox(thin);
  if (corners.some((corner) => inside(core, corner) && !onEdge(core, corner))) return false;
  for (let i = 0; i < corners.length; i++)
    for (let j = 0; j < 4; j++)
      if (cross2(corners[i]!, corners[(i + 1) % corners.length]!, core[j]!, core[(j + 1) % 4]!)) return false;
  return true;
}
const onEdge = (corners: readonly Point[], point: Point) =>
  corners.some((corner, i) => toSegment(point, corner, corners[(i + 1) % corners.length]!) <= EPS);

/**
 * How deep two boxes overlap, metres: the smallest shift that separates them. 0 if they only touch, or do not touch.
 */
export function overlap(box: Box, givenBox: Box): number {
  const [dx, dy] = [givenBox.x - box.x, givenBox.y - box.y];
  const [ca, sa] = [Math.cos(box.angle), Math.sin(box.angle)];
  const [cb, sb] = [Math.cos(givenBox.angle), Math.sin(givenBox.angle)];
  const [c, s] = [Math.abs(ca * cb + sa * sb), Math.abs(ca * sb - sa * cb)];
  const along = box.hx + givenBox.hx * c + givenBox.hy * s - Math.abs(dx * ca + dy * sa);
  if (along <= 0) return 0;
  const across = box.hy + givenBox.hx * s + givenBox.hy * c - Math.abs(dy * ca - dx * sa);
  if (across <= 0) return 0;
  const along2 = givenBox.hx + box.hx * c + box.hy * s - Math.abs(dx * cb + dy * sb);
  if (along2 <= 0) return 0;
  const across2 = givenBox.hy + box.hx * s + box.hy * c - Math.abs(dy * cb - dx * sb);
  return across2 <= 0 ? 0 : Math.min(along, across, along2, across2);
}

/** The longest straight line between any two corners, metres. Nothing longer fits into the polygon. */
export function diameterOf(corners: readonly Point[]): number {
  let far = 0;
  for (const corner of corners) for (const point of corners) far = Math.max(far, between(corner, point));
  return far;
}

/**
 * Corners closer than this are one corner, and a corner this close to the line between its neighbours is none,
 * metres.
 */
const SAME_CORNER = 1e-6;

/**
 * An outline without redundant corners: repeated ones, the first one repeated at the end, and those in the middle of
 * a straight side. `(0,0)(7,0)(7,5)(0,5)(0,0)` has four.
 */
export function cleanCorners(corners: readonly Point[]): Point[] {
  const near = (point: Point, givenPoint: Point) =>
    Math.hypot(point.x - givenPoint.x, point.y - givenPoint.y) < SAME_CORNER;
  let out = corners.filter((corner, i) => !near(corner, corners[(i + 1) % corners.length]!));
  for (;;) {
    const kept = out.filter((point, i) => {
      const [corner, b] = [out[(i + out.length - 1) % out.length]!, out[(i + 1) % out.length]!];
      const across =
        Math.abs((b.x - corner.x) * (point.y - corner.y) - (b.y - corner.y) * (point.x - corner.x)) /
        Math.hypot(b.x - corner.x, b.y - corner.y);
      const between = (point.x - corner.x) * (point.x - b.x) + (point.y - corner.y) * (point.y - b.y) <= 0;
      return !(across < SAME_CORNER && between);
    });
    if (kept.length === out.length || kept.length < 3) return out.length >= 3 ? [...out] : [...corners];
    out = kept;
  }
}
