import { cornersOf, type Part, type Place, patchOf } from "./parts.ts";

/** How a stroke looks; each renderer has its own paint for it. */
export type Look = "field" | "cell" | "line" | "net" | "run" | "roll" | "spot";
/**
 * What is drawn of marks on the floor and of things that stand there: one list for the plan, the card, the sheet, the picture of a home and the
 * SVG file. Metres, in the layout's own directions.
 */
export type Stroke =
  | { kind: "poly"; id: string; look: Look; points: readonly Place[]; closed: boolean }
  | { kind: "disc"; id: string; look: Look; at: Place; radius: number }
  | { kind: "thing"; id: string; at: Place; size: number; item: string; wall: boolean }
  | { kind: "person"; id: string; at: Place }
  /** `under`: the size of the thing that it stands under, metres. */
  | { kind: "text"; id: string; at: Place; text: string; under?: number };

const LOOK_OF_WAY = { run: "run", weave: "run", roll: "roll" } as const;

/** Strokes of cells, spots, ways, courts, obstacles, marked lines and the other people; start lines, targets and zones are drawn by whoever shows them. */
export function strokesOf(parts: readonly Part[]): Stroke[] {
  return parts.flatMap((p): Stroke[] => {
    const text = (label: string | undefined, at: Place, under?: number): Stroke[] =>
      label ? [{ kind: "text", id: p.id, at, text: label, ...(under !== undefined && { under }) }] : [];
    switch (p.kind) {
      case "cell":
      case "court": {
        const look = p.kind === "cell" ? "cell" : "field";
        return [
          { kind: "poly", id: p.id, look, points: cornersOf(patchOf(p)!), closed: true },
          ...text(p.label, { along: p.along, across: p.across }),
        ];
      }
      case "spot":
        return [
          { kind: "disc", id: p.id, look: "spot", at: p, radius: p.radius },
          ...text(p.label, { along: p.along, across: p.across }),
        ];
      case "path": {
        const points = p.closed ? [...p.points, p.points[0]!] : p.points;
        return [{ kind: "poly", id: p.id, look: LOOK_OF_WAY[p.role], points, closed: false }];
      }
      case "line": {
        if (p.role === "start" || p.role === "band") return [];
        const [c, s] = [Math.cos(p.turn ?? 0), Math.sin(p.turn ?? 0)];
        const end = (side: number) => ({
          along: p.along - (side * s * p.width) / 2,
          across: p.across + (side * c * p.width) / 2,
        });
        return [
          { kind: "poly", id: p.id, look: p.role === "net" ? "net" : "line", points: [end(-1), end(1)], closed: false },
          ...text(p.label, end(1)),
        ];
      }
      case "obstacle":
        return [
          {
            kind: "thing",
            id: p.id,
            at: p,
            size: Math.max(p.width, p.depth),
            item: p.item,
            wall: p.base !== undefined,
          },
          ...text(p.label, { along: p.along, across: p.across }, Math.max(p.width, p.depth)),
        ];
      case "person":
        return p.role === "receiver" ? [{ kind: "person", id: p.id, at: p }] : [];
      default:
        return [];
    }
  });
}
