import { cornersOf, type Part, type Place, patchOf } from "./parts.ts";

/** How a stroke looks; each renderer has its own paint for it. `start`: a line that sends are made from; `zone`: a band to rest in. */
export type Look = "field" | "zone" | "cell" | "line" | "net" | "run" | "roll" | "spot" | "start";
/** Where words stand beside their place: over or under a thing of that size (metres), or from the place towards another. */
export type Beside = { side: "over" | "under"; size: number } | { toward: Place };
/**
 * What is drawn of a layout: one list for the plan, the card, the sheet, the small pictures, the picture of a home and the SVG file, in the order in
 * which it is drawn. Metres, in the layout's own directions.
 */
export type Stroke =
  /** `worth`: a band is the fuller the more points it brings. */
  | { kind: "poly"; id: string; look: Look; points: readonly Place[]; closed: boolean; worth?: number }
  | { kind: "disc"; id: string; look: Look; at: Place; radius: number }
  /** `aimed`: something is sent at it. `sign`: what it carries; it is drawn as a card with that on it. */
  | { kind: "thing"; id: string; at: Place; size: number; item: string; wall: boolean; aimed: boolean; sign?: string }
  | { kind: "person"; id: string; at: Place }
  /** In the middle of its place where `beside` is not given. `of`: what it names. */
  | { kind: "text"; id: string; at: Place; text: string; beside?: Beside; of: Part["kind"] };

const LOOK_OF_WAY = { run: "run", weave: "run", roll: "roll" } as const;
/** What lies flat first, then lines, then what stands there, then words. */
function layer(s: Stroke): number {
  if (s.kind === "poly") return s.look === "zone" ? 0 : s.look === "start" ? 2 : 1;
  return { disc: 1, thing: 3, person: 3, text: 4 }[s.kind];
}
/** What is written of a part where the renderer has no words of its own for it: its label, or what a band or a target is worth; a target has no words but those; what it carries is drawn on it. */
export function writtenOn(p: Part): string {
  if (p.kind === "target") return p.points === undefined ? "" : String(p.points);
  if (p.kind === "zone") return String(p.points);
  if (p.kind === "line" && p.points !== undefined) return `${p.label ?? ""} · ${p.points}`;
  return "label" in p ? (p.label ?? "") : "";
}

/**
 * Strokes of all parts. `written` gives the words of a part ("": none). Lines between bands are the bands' edges already; the run-on and whoever
 * sends are shown by the views that speak of them.
 */
export function strokesOf(parts: readonly Part[], written: (p: Part) => string = writtenOn): Stroke[] {
  const list = parts.flatMap((p): Stroke[] => {
    const words = written(p);
    const text = (at: Place, beside?: Beside): Stroke[] =>
      words === "" ? [] : [{ kind: "text", id: p.id, at, text: words, of: p.kind, ...(beside && { beside }) }];
    switch (p.kind) {
      case "zone": {
        const at = { along: (p.near + p.far) / 2, across: p.across };
        return [
          { kind: "poly", id: p.id, look: "zone", points: cornersOf(patchOf(p)!), closed: true, worth: p.points },
          ...text({ ...at, across: p.across + p.width / 2 }, { toward: at }),
        ];
      }
      case "cell":
      case "court": {
        const look = p.kind === "cell" ? "cell" : "field";
        return [
          { kind: "poly", id: p.id, look, points: cornersOf(patchOf(p)!), closed: true },
          ...text({ along: p.along, across: p.across }),
        ];
      }
      case "spot":
        return [
          { kind: "disc", id: p.id, look: "spot", at: p, radius: p.radius },
          ...text({ along: p.along, across: p.across }),
        ];
      case "path": {
        const points = p.closed ? [...p.points, p.points[0]!] : p.points;
        return [{ kind: "poly", id: p.id, look: LOOK_OF_WAY[p.role], points, closed: false }];
      }
      case "line": {
        if (p.role === "band") return [];
        const [c, s] = [Math.cos(p.turn ?? 0), Math.sin(p.turn ?? 0)];
        const end = (side: number) => ({
          along: p.along - (side * s * p.width) / 2,
          across: p.across + (side * c * p.width) / 2,
        });
        const look = { start: "start", net: "net", mark: "line" } as const;
        const side = p.role === "start" ? -1 : 1;
        return [
          { kind: "poly", id: p.id, look: look[p.role], points: [end(-1), end(1)], closed: false },
          ...text(end(side), ...(p.role === "start" ? [{ toward: end(2 * side) }] : [])),
        ];
      }
      case "target":
        return [
          {
            ...{ kind: "thing", id: p.id, at: p, size: p.width, item: p.item, wall: false, aimed: true },
            ...(p.sign !== undefined && { sign: p.sign }),
          },
          ...text(p, { side: "over", size: p.width }),
        ];
      case "obstacle": {
        const size = Math.max(p.width, p.depth);
        return [
          { kind: "thing", id: p.id, at: p, size, item: p.item, wall: p.base !== undefined, aimed: false },
          ...text({ along: p.along, across: p.across }, { side: "under", size }),
        ];
      }
      case "person":
        return p.role === "receiver" ? [{ kind: "person", id: p.id, at: p }] : [];
      default:
        return [];
    }
  });
  return list
    .map((s, i) => ({ s, i }))
    .sort((a, b) => layer(a.s) - layer(b.s) || a.i - b.i)
    .map(({ s }) => s);
}
