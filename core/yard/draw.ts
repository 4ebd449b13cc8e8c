import { cornersOf, type Part, type Place, patchOf } from "./parts.ts";

/**
 * How a stroke looks. Each renderer has its own paint for it. `start`: a line that is sent from. `zone`: a band to
 * rest in.
 */
export type Look = "field" | "zone" | "cell" | "line" | "net" | "run" | "roll" | "spot" | "start";
/**
 * Where words stand beside their place: over or under an item of that size (metres), or in the direction of another
 * place.
 */
export type Beside = { side: "over" | "under"; size: number } | { toward: Place };
/**
 * What is drawn of a layout: one list for the plan, the card, the sheet, the small pictures, the picture of a home
 * and the SVG file, in drawing order. Metres, in the layout's own directions.
 */
export type Stroke =
  /** `worth`: the more points a band brings, the fuller it is. */
  | { kind: "poly"; id: string; look: Look; points: readonly Place[]; closed: boolean; worth?: number }
  | { kind: "disc"; id: string; look: Look; at: Place; radius: number }
  /** `aimed`: something is sent at it. `sign`: it is drawn as a card with this on it. */
  | { kind: "item"; id: string; at: Place; size: number; item: string; wall: boolean; aimed: boolean; sign?: string }
  | { kind: "person"; id: string; at: Place }
  /** Centred on its place unless `beside` is given. `of`: what it names. */
  | { kind: "text"; id: string; at: Place; text: string; beside?: Beside; of: Part["kind"] };

const LOOK_OF_WAY = { run: "run", weave: "run", roll: "roll" } as const;
/** What lies flat comes first, then lines, then what stands there, then words. */
function layer(stroke: Stroke): number {
  if (stroke.kind === "poly") return stroke.look === "zone" ? 0 : stroke.look === "start" ? 2 : 1;
  return { disc: 1, item: 3, person: 3, text: 4 }[stroke.kind];
}
/**
 * The words of a part if the renderer has none of its own: its label, or what a band or target is worth. What a
 * target carries is drawn on it.
 */
export function writtenOn(part: Part): string {
  if (part.kind === "target") return part.points === undefined ? "" : String(part.points);
  if (part.kind === "zone") return String(part.points);
  if (part.kind === "line" && part.points !== undefined) return `${part.label ?? ""} · ${part.points}`;
  return "label" in part ? (part.label ?? "") : "";
}

/**
 * The strokes of all parts. `written` returns the words of a part ("": none). Lines between bands are the bands'
 * edges already. The run-on and the players are drawn by the views that deal with them.
 */
export function strokesOf(parts: readonly Part[], written: (part: Part) => string = writtenOn): Stroke[] {
  const list = parts.flatMap((part): Stroke[] => {
    const words = written(part);
    const text = (at: Place, beside?: Beside): Stroke[] =>
      words === "" ? [] : [{ kind: "text", id: part.id, at, text: words, of: part.kind, ...(beside && { beside }) }];
    switch (part.kind) {
      case "zone": {
        const at = { along: (part.near + part.far) / 2, across: part.across };
        return [
          {
            kind: "poly",
            id: part.id,
            look: "zone",
            points: cornersOf(patchOf(part)!),
            closed: true,
            worth: part.points,
          },
          ...text({ ...at, across: part.across + part.width / 2 }, { toward: at }),
        ];
      }
      case "cell":
      case "court": {
        const look = part.kind === "cell" ? "cell" : "field";
        return [
          { kind: "poly", id: part.id, look, points: cornersOf(patchOf(part)!), closed: true },
          ...text({ along: part.along, across: part.across }),
        ];
      }
      case "spot":
        return [
          { kind: "disc", id: part.id, look: "spot", at: part, radius: part.radius },
          ...text({ along: part.along, across: part.across }),
        ];
      case "path": {
        const points = part.closed ? [...part.points, part.points[0]!] : part.points;
        return [{ kind: "poly", id: part.id, look: LOOK_OF_WAY[part.role], points, closed: false }];
      }
      case "line": {
        if (part.role === "band") return [];
        const [c, s] = [Math.cos(part.turn ?? 0), Math.sin(part.turn ?? 0)];
        const end = (side: number) => ({
          along: part.along - (side * s * part.width) / 2,
          across: part.across + (side * c * part.width) / 2,
        });
        const look = { start: "start", net: "net", mark: "line" } as const;
        const side = part.role === "start" ? -1 : 1;
        return [
          { kind: "poly", id: part.id, look: look[part.role], points: [end(-1), end(1)], closed: false },
          ...text(end(side), ...(part.role === "start" ? [{ toward: end(2 * side) }] : [])),
        ];
      }
      case "target":
        return [
          {
            ...{ kind: "item", id: part.id, at: part, size: part.width, item: part.item, wall: false, aimed: true },
            ...(part.sign !== undefined && { sign: part.sign }),
          },
          ...text(part, { side: "over", size: part.width }),
        ];
      case "obstacle": {
        const size = Math.max(part.width, part.depth);
        return [
          { kind: "item", id: part.id, at: part, size, item: part.item, wall: part.base !== undefined, aimed: false },
          ...text({ along: part.along, across: part.across }, { side: "under", size }),
        ];
      }
      case "person":
        return part.role === "receiver" ? [{ kind: "person", id: part.id, at: part }] : [];
      default:
        return [];
    }
  });
  return list
    .map((stroke, i) => ({ s: stroke, i }))
    .sort((a, b) => layer(a.s) - layer(b.s) || a.i - b.i)
    .map(({ s: stroke }) => stroke);
}
