import { cornersOf, type Place, patchOf } from "../parts.ts";
import { layoutNamed } from "./index.ts";
import { type Laid, laidParts } from "./laid.ts";

/** One place of a layout that a child has to mark: where a thing goes, a spot, a corner of a field, a line. */
export interface Mark extends Place {
  id: string;
  what: "thing" | "spot" | "corner" | "line";
  item: string | null;
  label: string;
  /** On a wall: how high its lower edge is, metres. */
  up?: number;
}

/** Fields with an outline: corners are marked where lines alone would not show them. */
function cornersOfFields(x: Laid): Place[] {
  const flat = laidParts({ ...x, along: 0, across: 0, turn: 0 });
  const all = flat.flatMap((p) => {
    const patch = p.kind === "cell" || p.kind === "court" ? patchOf(p) : null;
    return patch ? cornersOf(patch) : [];
  });
  if (all.length === 0 || x.name === "bands") return [];
  const [us, vs] = [all.map((p) => p.along), all.map((p) => p.across)];
  const [u0, u1, v0, v1] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
  const [c, s] = [Math.cos(x.turn), Math.sin(x.turn)];
  return [
    [u0, v0],
    [u0, v1],
    [u1, v0],
    [u1, v1],
  ].map(([u, v]) => ({ along: x.along + u! * c - v! * s, across: x.across + u! * s + v! * c }));
}

/** Every place to mark, nearest first. */
export function marksOf(x: Laid): Mark[] {
  const out: Mark[] = laidParts(x).flatMap((p): Mark[] => {
    const at = "along" in p ? { along: p.along, across: p.across } : null;
    if (!at) return [];
    switch (p.kind) {
      case "obstacle":
        return [
          { id: p.id, what: "thing", item: p.item, label: p.label, ...at, ...(p.base !== undefined && { up: p.base }) },
        ];
      case "spot":
        return [{ id: p.id, what: "spot", item: null, label: p.label, ...at }];
      case "line":
        return [{ id: p.id, what: "line", item: null, label: p.label ?? "", ...at }];
      default:
        return [];
    }
  });
  const corners = cornersOfFields(x).map(
    (at, i): Mark => ({ id: `x.corner${i + 1}`, what: "corner", item: null, label: "", ...at }),
  );
  return [...out, ...corners].sort((a, b) => a.along - b.along || a.across - b.across);
}

/** Cells along one side of a grid; null where there is none. */
export const cellsOf = (x: Laid): number | null => {
  const cells = layoutNamed(x.name)
    .parts(x.values as never, x.item)
    .filter((p) => p.kind === "cell").length;
  return cells > 0 ? Math.round(Math.sqrt(cells)) : null;
};
