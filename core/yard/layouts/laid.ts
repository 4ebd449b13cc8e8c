import { own } from "../../own.ts";
import type { Part, Place } from "../parts.ts";
import type { LayoutName, layouts } from "./index.ts";
import { layoutNamed } from "./known-layouts.ts";

/** The smallest and largest size of a layout, as a factor. */
export const MIN_SIZE = 0.3;
export const MAX_SIZE = 3;
/** An extra layout in the yard, in addition to what the game itself needs. */
export type Laid = {
  [K in LayoutName]: {
    name: K;
    values: (typeof layouts)[K]["example"]["values"];
    along: number;
    across: number;
    turn: number;
    size: number;
    item: string;
    moved: Record<string, Place>;
  };
}[LayoutName];
const FLAT_DEPTH = 0.04;

/** The prefix that distinguishes parts of an extra layout from those of the game. */
const PREFIX = "x.";
export const isLaid = (id: string): boolean => id.startsWith(PREFIX);
/** The layout's own id of a part. */
export const ownId = (id: string): string => id.slice(PREFIX.length);

/** A layout as it is first offered: our own example, straight ahead. */
export function exampleOf(name: LayoutName): Laid {
  const anyLayout = layoutNamed(name);
  return {
    name,
    values: anyLayout.example.values,
    along: anyLayout.example.along,
    across: 0,
    turn: 0,
    size: 1,
    item: anyLayout.item?.initial ?? "floorSpot",
    moved: {},
  } as Laid;
}

/**
 * The parts of a layout at its place: turned about the middle of its near edge, lines and courts scaled by `size`,
 * items in their real size. Its targets stand there without counting, because the game counts only its own.
 */
export function laidParts(givenLaid: Laid): Part[] {
  const anyLayout = layoutNamed(givenLaid.name);
  const [c, s] = [Math.cos(givenLaid.turn), Math.sin(givenLaid.turn)];
  const put = (place: Place, id: string): Place => {
    const by = own(givenLaid.moved, id) ?? { along: 0, across: 0 };
    const [u, value] = [place.along * givenLaid.size + by.along, place.across * givenLaid.size + by.across];
    return { along: givenLaid.along + u * c - value * s, across: givenLaid.across + u * s + value * c };
  };
  return anyLayout.parts(givenLaid.values as never, givenLaid.item).flatMap((part): Part[] => {
    const id = PREFIX + part.id;
    switch (part.kind) {
      case "path":
        return [{ ...part, id, points: part.points.map((point, i) => put(point, nodeOf(givenLaid, part.id, i))) }];
      case "target":
        return [
          {
            kind: "obstacle",
            id,
            ...put(part, part.id),
            // An item on a wall takes up almost no floor.
            depth: part.base === undefined ? Math.min(part.width, 0.3) : FLAT_DEPTH,
            width: part.width,
            item: part.item,
            label: part.label,
            turn: givenLaid.turn,
            ...(part.base !== undefined && { base: part.base }),
          },
        ];
      case "line":
        return [{ ...part, id, ...put(part, part.id), width: part.width * givenLaid.size, turn: givenLaid.turn }];
      case "cell":
      case "court":
        return [
          {
            ...part,
            id,
            ...put(part, part.id),
            depth: part.depth * givenLaid.size,
            width: part.width * givenLaid.size,
            turn: givenLaid.turn,
          },
        ];
      case "obstacle":
        return [{ ...part, id, ...put(part, part.id), turn: givenLaid.turn }];
      case "spot":
        return [{ ...part, id, ...put(part, part.id), radius: part.radius * givenLaid.size }];
      case "person":
        return [{ ...part, id, ...put(part, part.id) }];
      default:
        return [];
    }
  });
}
/** The nodes of a path move with the marks that they pass. */
const nodeOf = (givenLaid: Laid, path: string, i: number): string =>
  path === "w1" && givenLaid.name === "bases"
    ? `g${i}`
    : path === "w1" && givenLaid.name === "slalom"
      ? `g${i + 1}`
      : "";

/** The same layout with one of its marks elsewhere; or all of it, if its marks keep their places to each other. */
export function moveLaid(givenLaid: Laid, id: string | null, to: Place): Laid {
  if (id === null || layoutNamed(givenLaid.name).rigid) return { ...givenLaid, along: to.along, across: to.across };
  const base = layoutNamed(givenLaid.name)
    .parts(givenLaid.values as never, givenLaid.item)
    .find((part) => part.id === id);
  if (!base || base.kind === "zone" || base.kind === "path" || base.kind === "runOn") return givenLaid;
  const [c, s] = [Math.cos(givenLaid.turn), Math.sin(givenLaid.turn)];
  const [dx, dy] = [to.along - givenLaid.along, to.across - givenLaid.across];
  const fine = (givenMetres: number) => Math.round(givenMetres * 1e4) / 1e4;
  const at = {
    along: dx * c + dy * s - base.along * givenLaid.size,
    across: -dx * s + dy * c - base.across * givenLaid.size,
  };
  return { ...givenLaid, moved: { ...givenLaid.moved, [id]: { along: fine(at.along), across: fine(at.across) } } };
}

/** The layout at `k` times its distances: moved towards the start line, with shorter lines. */
export const scaledLaid = (givenLaid: Laid, k: number): Laid => ({
  ...givenLaid,
  along: givenLaid.along * k,
  across: givenLaid.across * k,
  size: Math.max(MIN_SIZE, givenLaid.size * k),
  moved: Object.fromEntries(
    Object.entries(givenLaid.moved).map(([id, value]) => [id, { along: value.along * k, across: value.across * k }]),
  ),
});

/** How many items it needs. */
export const itemsOf = (givenLaid: Laid): number =>
  new Set(laidParts(givenLaid).flatMap((laidPart) => (laidPart.kind === "obstacle" ? [laidPart.id] : []))).size;
