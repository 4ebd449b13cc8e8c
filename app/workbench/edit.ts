import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { ACROSS, ALONG, moveOfAll } from "#core/targets/list.ts";
import type { LayoutName } from "#core/yard/layouts/index.ts";
import { exampleOf, laidParts } from "#core/yard/layouts/laid.ts";
import { type PartOf, type Place, partsOf } from "#core/yard/parts.ts";
import { getIn, setIn } from "./paths.ts";

/** The handle of the layout as a whole, in addition to those of the game's own targets. */
export const LAYOUT = "layout";

/** The direction of each arrow key on the plan: along, and to the right. */
const ARROWS: Record<string, readonly [number, number] | undefined> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
/** The distance of one press of an arrow key on the plan, and with Alt, metres. */
const NUDGE = { by: 0.1, fine: 0.01 };
/**
 * How far an arrow key moves something, metres, and in which direction. Null for any other key. The key then does not
 * scroll the page.
 */
export function nudged(
  event: Pick<KeyboardEvent, "key" | "altKey" | "preventDefault">,
  from: Place,
): (Place & { way: readonly [number, number] }) | null {
  const way = ARROWS[event.key];
  if (!way) return null;
  event.preventDefault();
  const by = event.altKey ? NUDGE.fine : NUDGE.by;
  return { along: from.along + way[0] * by, across: from.across + way[1] * by, way };
}
/** A sideways distance in words: `0.30 m left`. */
export const asideText = (across: number): string =>
  Math.abs(across) < 0.005 ? "middle" : `${Math.abs(across).toFixed(2)} m ${across < 0 ? "left" : "right"}`;

/** The distances that things on the plan snap to, metres. */
const SNAPS = { fine: 0.01, tens: 0.1 } as const;
export type Snap = "tens" | "steps";
/** Snaps a length to 10 cm, to half steps of the child shown, or with `fine` to whole centimetres. */
export function snapped(metres: number, snap: Snap, step: number, fine: boolean): number {
  const by = fine ? SNAPS.fine : snap === "steps" ? step / 2 : SNAPS.tens;
  return Math.round(metres / by) * by;
}
/** Turns snap to this angle, radians. With `fine`, to whole degrees. */
const TURN = Math.PI / 12;
const DEGREE = Math.PI / 180;
/** The angle after one press, radians. */
export const turnedBy = (radians: number, way: number, fine: boolean): number =>
  snappedTurn(radians + way * (fine ? DEGREE : TURN), fine);
export const snappedTurn = (radians: number, fine: boolean): number => {
  const by = fine ? DEGREE : TURN;
  const turn = Math.round(radians / by) * by;
  return Math.atan2(Math.sin(turn), Math.cos(turn));
};

const targetsOf = (activity: Activity): PartOf<"target">[] => partsOf(opened(activity).parts, "target");

/**
 * The activity with its targets at these places, each as near as its rules allow. The same object if nothing changed.
 */
export function placeAll(activity: Activity, to: ReadonlyMap<string, Place>): Activity {
  let next = activity;
  for (const [id, { along, across }] of to) next = opened(next).move(id, { along, across });
  return JSON.stringify(next.pattern.params) === JSON.stringify(activity.pattern.params) ? activity : next;
}

/** Moves one target to a place, and the others of the selection by the same distance. */
export function moveTogether(activity: Activity, ids: readonly string[], id: string, to: Place): Activity {
  const all = targetsOf(activity);
  const was = all.find((target) => target.id === id);
  if (!was || !ids.includes(id)) return placeAll(activity, new Map([[id, to]]));
  const group = all.filter((target) => ids.includes(target.id));
  const along = moveOfAll(
    group.map((target) => target.along),
    to.along - was.along,
    ALONG,
  );
  const across = moveOfAll(
    group.map((target) => target.across),
    to.across - was.across,
    ACROSS,
  );
  return placeAll(
    activity,
    new Map(group.map((target) => [target.id, { along: target.along + along, across: target.across + across }])),
  );
}

/** What can be done to a selection of targets. */
export type Together =
  | "ahead"
  | "sameDistance"
  | "sameSide"
  | "evenDistances"
  | "evenSides"
  | "turnLeft"
  | "turnRight"
  | "mirror";

export function arrange(activity: Activity, ids: readonly string[], how: Together): Activity {
  const all = targetsOf(activity).filter((target) => ids.includes(target.id));
  if (all.length === 0) return activity;
  const mean = (f: (place: Place) => number) => all.reduce((sum, target) => sum + f(target), 0) / all.length;
  const middle = { along: mean((place) => place.along), across: mean((place) => place.across) };
  const even = (f: (place: Place) => number) => {
    const order = [...all].sort((x, y) => f(x) - f(y));
    const [first, last] = [f(order[0]!), f(order[order.length - 1]!)];
    return new Map(order.map((target, i) => [target.id, first + ((last - first) * i) / Math.max(1, order.length - 1)]));
  };
  const put = (f: (target: PartOf<"target">) => Place) =>
    placeAll(activity, new Map(all.map((target) => [target.id, f(target)])));
  switch (how) {
    case "ahead":
      return put((target) => ({ along: target.along, across: 0 }));
    case "sameDistance":
      return put((target) => ({ along: middle.along, across: target.across }));
    case "sameSide":
      return put((target) => ({ along: target.along, across: middle.across }));
    case "evenDistances": {
      const at = even((place) => place.along);
      return put((target) => ({ along: at.get(target.id)!, across: target.across }));
    }
    case "evenSides": {
      const at = even((place) => place.across);
      return put((target) => ({ along: target.along, across: at.get(target.id)! }));
    }
    case "mirror":
      return put((target) => ({ along: target.along, across: -target.across }));
    default: {
      const by = how === "turnRight" ? TURN : -TURN;
      const [c, s] = [Math.cos(by), Math.sin(by)];
      return put((target) => {
        const [u, value] = [target.along - middle.along, target.across - middle.across];
        return { along: middle.along + u * c - value * s, across: middle.across + u * s + value * c };
      });
    }
  }
}

/**
 * Puts the game's own targets at the places of a layout, each at the nearest one, scaled down until all lie in the
 * space.
 */
export function arrangeAs(activity: Activity, name: LayoutName): Activity {
  const all = [...targetsOf(activity)].sort((x, y) => x.along - y.along);
  let from = exampleOf(name);
  if (from.name === "pins") {
    // Pins as wide as the widest target must not touch each other.
    const widest = Math.max(...all.map((target) => target.width));
    from = { ...from, values: { ...from.values, gap: Math.min(0.6, Math.max(from.values.gap, widest)) } };
  }
  const places = laidParts(from).filter((laidPart) => laidPart.kind === "obstacle");
  if (places.length === 0) return activity;
  const deep = places[places.length - 1]!.along - places[0]!.along + 0.5;
  const wanted = all.map((target, i) => {
    const at = places[i % places.length]!;
    return { t: target, along: at.along + Math.floor(i / places.length) * deep, across: at.across };
  });
  const { length, width } = activity.space;
  const near = Math.min(1, ...wanted.map((w) => length / w.along));
  const aside = Math.min(
    1,
    ...wanted.map((w) => (width - w.t.width) / 2 / Math.max(1e-6, Math.abs(w.across))).map((k) => Math.max(0, k)),
  );
  // Rounded to whole centimetres towards the middle, as the pattern rounds them.
  const inwards = (metres: number) => Math.trunc(metres * 100 + 1e-6 * Math.sign(metres)) / 100;
  return placeAll(
    activity,
    new Map(wanted.map((w) => [w.t.id, { along: inwards(w.along * near), across: inwards(w.across * aside) }])),
  );
}

/** Sets the width of a target, metres, if its pattern allows it. */
export function widen(activity: Activity, id: string, width: number): Activity {
  const knob = opened(activity)
    .pegKnobs(id)
    .find((pegKnob) => pegKnob.label === "knob.width" && pegKnob.kind === "number");
  if (knob?.kind !== "number") return activity;
  const held = Math.round(Math.min(knob.most, Math.max(knob.least, width)) * 1000) / 1000;
  if (getIn(activity.pattern.params, knob.path) === held) return activity;
  return {
    ...activity,
    pattern: { ...activity.pattern, params: setIn(activity.pattern.params, knob.path, held) },
  } as Activity;
}
