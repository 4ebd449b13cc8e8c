import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { LayoutName } from "#core/yard/layouts/index.ts";
import { exampleOf, laidParts } from "#core/yard/layouts/laid.ts";
import { type PartOf, type Place, partsOf } from "#core/yard/parts.ts";
import { getIn, setIn } from "./knobs.tsx";

/** Handles of the plan beside the game's own targets: all of what is laid out. */
export const LAYOUT = "layout";

/** Which way an arrow key moves something on the plan: along, and to the right. */
const ARROWS: Record<string, readonly [number, number] | undefined> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
/** One press of an arrow on the plan, and with Alt: metres. */
const NUDGE = { by: 0.1, fine: 0.01 };
/** Where an arrow key takes something, metres, and which way; null for any other key. The page does not scroll by it. */
export function nudged(
  e: Pick<KeyboardEvent, "key" | "altKey" | "preventDefault">,
  from: Place,
): (Place & { way: readonly [number, number] }) | null {
  const way = ARROWS[e.key];
  if (!way) return null;
  e.preventDefault();
  const by = e.altKey ? NUDGE.fine : NUDGE.by;
  return { along: from.along + way[0] * by, across: from.across + way[1] * by, way };
}
/** How far aside, in words: `0.30 m left`. */
export const asideText = (across: number): string =>
  Math.abs(across) < 0.005 ? "middle" : `${Math.abs(across).toFixed(2)} m ${across < 0 ? "left" : "right"}`;

/** Steps that things on the plan snap to: metres. */
const SNAPS = { fine: 0.01, tens: 0.1 } as const;
export type Snap = "tens" | "steps";
/** A length snapped: to 10 cm, to half steps of the child that is shown, or, `fine`, to whole centimetres. */
export function snapped(metres: number, snap: Snap, step: number, fine: boolean): number {
  const by = fine ? SNAPS.fine : snap === "steps" ? step / 2 : SNAPS.tens;
  return Math.round(metres / by) * by;
}
/** Turns snap to this, radians; `fine` to whole degrees. */
const TURN = Math.PI / 12;
const DEGREE = Math.PI / 180;
/** So much farther round by one press, radians. */
export const turnedBy = (radians: number, way: number, fine: boolean): number =>
  snappedTurn(radians + way * (fine ? DEGREE : TURN), fine);
export const snappedTurn = (radians: number, fine: boolean): number => {
  const by = fine ? DEGREE : TURN;
  const turn = Math.round(radians / by) * by;
  return Math.atan2(Math.sin(turn), Math.cos(turn));
};

const targetsOf = (a: Activity): PartOf<"target">[] => partsOf(opened(a).parts, "target");

/** The activity with its targets at these places; each as far as its rules let it go. The same object where nothing changed. */
export function placeAll(a: Activity, to: ReadonlyMap<string, Place>): Activity {
  let next = a;
  for (const [id, { along, across }] of to) next = opened(next).move(id, { along, across });
  return JSON.stringify(next.pattern.params) === JSON.stringify(a.pattern.params) ? a : next;
}

/** One target to a place, and the others of the selection just as far. */
export function moveTogether(a: Activity, ids: readonly string[], id: string, to: Place): Activity {
  const all = targetsOf(a);
  const was = all.find((t) => t.id === id);
  if (!was || !ids.includes(id)) return placeAll(a, new Map([[id, to]]));
  const [u, v] = [to.along - was.along, to.across - was.across];
  return placeAll(
    a,
    new Map(all.filter((t) => ids.includes(t.id)).map((t) => [t.id, { along: t.along + u, across: t.across + v }])),
  );
}

/** What can be done to a selection of targets at once. */
export type Together =
  | "ahead"
  | "sameDistance"
  | "sameSide"
  | "evenDistances"
  | "evenSides"
  | "turnLeft"
  | "turnRight"
  | "mirror";

export function arrange(a: Activity, ids: readonly string[], how: Together): Activity {
  const all = targetsOf(a).filter((t) => ids.includes(t.id));
  if (all.length === 0) return a;
  const mean = (f: (t: Place) => number) => all.reduce((s, t) => s + f(t), 0) / all.length;
  const middle = { along: mean((t) => t.along), across: mean((t) => t.across) };
  const even = (f: (t: Place) => number) => {
    const order = [...all].sort((x, y) => f(x) - f(y));
    const [first, last] = [f(order[0]!), f(order[order.length - 1]!)];
    return new Map(order.map((t, i) => [t.id, first + ((last - first) * i) / Math.max(1, order.length - 1)]));
  };
  const put = (f: (t: PartOf<"target">) => Place) => placeAll(a, new Map(all.map((t) => [t.id, f(t)])));
  switch (how) {
    case "ahead":
      return put((t) => ({ along: t.along, across: 0 }));
    case "sameDistance":
      return put((t) => ({ along: middle.along, across: t.across }));
    case "sameSide":
      return put((t) => ({ along: t.along, across: middle.across }));
    case "evenDistances": {
      const at = even((t) => t.along);
      return put((t) => ({ along: at.get(t.id)!, across: t.across }));
    }
    case "evenSides": {
      const at = even((t) => t.across);
      return put((t) => ({ along: t.along, across: at.get(t.id)! }));
    }
    case "mirror":
      return put((t) => ({ along: t.along, across: -t.across }));
    default: {
      const by = how === "turnRight" ? TURN : -TURN;
      const [c, s] = [Math.cos(by), Math.sin(by)];
      return put((t) => {
        const [u, v] = [t.along - middle.along, t.across - middle.across];
        return { along: middle.along + u * c - v * s, across: middle.across + u * s + v * c };
      });
    }
  }
}

/** A layout's places for the game's own targets: nearest to nearest, as many as there are, drawn together until they lie in the space. */
export function arrangeAs(a: Activity, name: LayoutName): Activity {
  const all = [...targetsOf(a)].sort((x, y) => x.along - y.along);
  let from = exampleOf(name);
  if (from.name === "pins") {
    // Pins as wide as these may not touch either.
    const widest = Math.max(...all.map((t) => t.width));
    from = { ...from, values: { ...from.values, gap: Math.min(0.6, Math.max(from.values.gap, widest)) } };
  }
  const places = laidParts(from).filter((p) => p.kind === "obstacle");
  if (places.length === 0) return a;
  const deep = places[places.length - 1]!.along - places[0]!.along + 0.5;
  const wanted = all.map((t, i) => {
    const at = places[i % places.length]!;
    return { t, along: at.along + Math.floor(i / places.length) * deep, across: at.across };
  });
  const { length, width } = a.space;
  const near = Math.min(1, ...wanted.map((w) => length / w.along));
  const aside = Math.min(
    1,
    ...wanted.map((w) => (width - w.t.width) / 2 / Math.max(1e-6, Math.abs(w.across))).map((k) => Math.max(0, k)),
  );
  // Held to whole centimetres inwards, as the pattern holds them.
  const inwards = (m: number) => Math.trunc(m * 100 + 1e-6 * Math.sign(m)) / 100;
  return placeAll(
    a,
    new Map(wanted.map((w) => [w.t.id, { along: inwards(w.along * near), across: inwards(w.across * aside) }])),
  );
}

/** A target so wide, metres, where its pattern lets it be set. */
export function widen(a: Activity, id: string, width: number): Activity {
  const knob = opened(a)
    .pegKnobs(id)
    .find((k) => k.label === "knob.width" && k.kind === "number");
  if (knob?.kind !== "number") return a;
  const held = Math.round(Math.min(knob.most, Math.max(knob.least, width)) * 1000) / 1000;
  if (getIn(a.pattern.params, knob.path) === held) return a;
  return { ...a, pattern: { ...a.pattern, params: setIn(a.pattern.params, knob.path, held) } } as Activity;
}
