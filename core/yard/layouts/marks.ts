import { cornersOf, type Place, patchOf } from "../parts.ts";
import { layoutNamed } from "./known-layouts.ts";
import { type Laid, laidParts } from "./laid.ts";

/** One place of a layout that a child has to mark: where an item goes, a spot, a corner of a field, a line. */
export interface Mark extends Place {
  id: string;
  what: "thing" | "spot" | "corner" | "line";
  item: string | null;
  label: string;
  /** On a wall: the height of its lower edge, metres. */
  up?: number;
}

/** The corners of fields with an outline, which lines alone would not show. */
function cornersOfFields(laid: Laid): Place[] {
  const flat = laidParts({ ...laid, along: 0, across: 0, turn: 0 });
  const all = flat.flatMap((part) => {
    const patch = part.kind === "cell" || part.kind === "court" ? patchOf(part) : null;
    return patch ? cornersOf(patch) : [];
  });
  if (all.length === 0 || laid.name === "bands") return [];
  const [us, vs] = [all.map((place) => place.along), all.map((place) => place.across)];
  const [u0, u1, v0, v1] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
  const [c, s] = [Math.cos(laid.turn), Math.sin(laid.turn)];
  return [
    [u0, v0],
    [u0, v1],
    [u1, v0],
    [u1, v1],
  ].map(([u, value]) => ({ along: laid.along + u! * c - value! * s, across: laid.across + u! * s + value! * c }));
}

/** Every place to mark, nearest first. */
export function marksOf(laid: Laid): Mark[] {
  const out: Mark[] = laidParts(laid).flatMap((laidPart): Mark[] => {
    const at = "along" in laidPart ? { along: laidPart.along, across: laidPart.across } : null;
    if (!at) return [];
    switch (laidPart.kind) {
      case "obstacle":
        return [
          {
            id: laidPart.id,
            what: "thing",
            item: laidPart.item,
            label: laidPart.label,
            ...at,
            ...(laidPart.base !== undefined && { up: laidPart.base }),
          },
        ];
      case "spot":
        return [{ id: laidPart.id, what: "spot", item: null, label: laidPart.label, ...at }];
      case "line":
        return [{ id: laidPart.id, what: "line", item: null, label: laidPart.label ?? "", ...at }];
      default:
        return [];
    }
  });
  const corners = cornersOfFields(laid).map(
    (at, i): Mark => ({ id: `x.corner${i + 1}`, what: "corner", item: null, label: "", ...at }),
  );
  return [...out, ...corners].sort((a, b) => a.along - b.along || a.across - b.across);
}

/** The number of cells along one side of a grid. Null if there is none. */
export const cellsOf = (laid: Laid): number | null => {
  const cells = layoutNamed(laid.name)
    .parts(laid.values as never, laid.item)
    .filter((part) => part.kind === "cell").length;
  return cells > 0 ? Math.round(Math.sqrt(cells)) : null;
};
