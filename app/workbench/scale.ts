/** The width of the plan before its place on the page is known, and the least that it is drawn for, pixels. */
export const WIDTH = 700;
/** The smallest size at which a target is drawn, pixels. */
export const LEAST = 26;
const START = 74;
const RIGHT = 14;
const EDGE = 18;
/** Above and below the outermost targets there is room for a name, pixels. */
const NAMES = 22;
/** How much larger each step of the zoom is, and how many steps there are. */
const LARGER = 1.5;
export const MAX_ZOOM = 3;

/** The place that the plan has on the page, in pixels of its picture. The tape below it has the same width. */
export interface Room {
  wide: number;
  tall: number;
}
export const USUAL_ROOM: Room = { wide: WIDTH, tall: 262 };

export interface PlanScale {
  /** Pixels per metre. */
  k: number;
  width: number;
  height: number;
  x: (along: number) => number;
  y: (across: number) => number;
  /** The distance from the throwing spot of a peg at `x`, and the reverse. */
  distanceAt: (x: number) => number;
  xOf: (distance: number) => number;
  /** The place of a point of the picture. */
  placeAt: (x: number, y: number) => { along: number; across: number };
  /** Distances run from the target back to the lines. */
  reversed: boolean;
}

/**
 * Pixels per metre at each step of the zoom. At 0 the whole length is in sight, and everything of the game in width:
 * `reach` is how far it goes to either side, metres. At -1 the whole court is in sight. If that is the same, there is
 * no -1.
 */
export function zoomsOf(
  space: { length: number; width: number },
  reach: number,
  room: Room,
): ReadonlyMap<number, number> {
  const along = (room.wide - START - RIGHT) / space.length;
  const whole = Math.min(along, (room.tall - 2 * EDGE) / space.width);
  const game = Math.min(along, (room.tall - 2 * EDGE - 2 * NAMES) / Math.max(0.1, 2 * reach));
  const usual = Math.max(whole, game);
  return new Map([
    ...(usual > whole * 1.02 ? [[-1, whole] as const] : []),
    ...Array.from({ length: MAX_ZOOM + 1 }, (_, i) => [i, usual * LARGER ** i] as const),
  ]);
}

/** The scale of a plan. Without `k`, pixels per metre, the whole court fits into the room. */
export function planScale(
  length: number,
  width: number,
  backFrom: number | null,
  {
    room = USUAL_ROOM,
    k = Math.min((room.wide - START - RIGHT) / length, (room.tall - 2 * EDGE) / width),
  }: {
    room?: Room;
    k?: number;
  } = {},
): PlanScale {
  const height = Math.max(room.tall, Math.round(width * k + 2 * EDGE));
  const x = (along: number) => START + along * k;
  const reversed = backFrom !== null;
  const from = backFrom ?? 0;
  return {
    k,
    width: Math.max(room.wide, Math.round(START + length * k + RIGHT)),
    height,
    x,
    y: (across) => height / 2 + across * k,
    placeAt: (px, py) => ({ along: (px - START) / k, across: (py - height / 2) / k }),
    reversed,
    xOf: (distance) => (reversed ? x(from - distance) : x(distance)),
    distanceAt: (px) => (reversed ? from - (px - START) / k : (px - START) / k),
  };
}
