import { z } from "zod";
import { own } from "../../own.ts";
import type { Part, Place } from "../parts.ts";
import { type LayoutName, layoutNamed, layoutNames, type layouts } from "./index.ts";
import { schemaOf } from "./layout.ts";

/** A layout is laid at this share of its size at least, and at most. */
export const MIN_SIZE = 0.3;
export const MAX_SIZE = 3;
/** Nothing is laid farther from the start line, or aside, metres. */
const FARTHEST = 30;

const metres = (name: string) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(-FARTHEST, `${name} must be -${FARTHEST} m or more`)
    .max(FARTHEST, `${name} must be ${FARTHEST} m or less`);
const where = {
  /** Its near middle, metres from the middle of the start line. */
  along: metres("along"),
  across: metres("across"),
  /** Radians, from along towards across. */
  turn: z
    .number({ error: "turn must be a number of radians" })
    .min(-Math.PI, "turn must be -3.1416 or more")
    .max(Math.PI, "turn must be 3.1416 or less"),
  size: z
    .number({ error: "size must be a number" })
    .min(MIN_SIZE, `size must be ${MIN_SIZE} or more`)
    .max(MAX_SIZE, `size must be ${MAX_SIZE} or less`),
  /** The thing that stands there, where the layout has any. */
  item: z.string().min(1).max(40),
  /** Marks moved by hand, by id: metres along and across from where the layout puts them. */
  moved: z.record(z.string().min(1).max(20), z.strictObject({ along: metres("along"), across: metres("across") })),
};
/** Something more that is laid out in the yard, beside what the game itself needs. */
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
const choices = layoutNames.map((name) =>
  z.strictObject({ name: z.literal(name), values: schemaOf(layoutNamed(name).fields), ...where }),
);
export const laid = z.discriminatedUnion("name", choices as unknown as [(typeof choices)[number]], {
  error: (issue) =>
    issue.code === "invalid_union" ? `layout name must be one of ${layoutNames.join(", ")}` : undefined,
}) as unknown as z.ZodType<Laid>;

const FLAT_DEPTH = 0.04;

/** Parts of a laid layout are told from those of the game by this. */
const PREFIX = "x.";
export const isLaid = (id: string): boolean => id.startsWith(PREFIX);
/** The layout's own id of a part. */
export const ownId = (id: string): string => id.slice(PREFIX.length);

/** A layout as it comes: our own example, straight ahead. */
export function exampleOf(name: LayoutName): Laid {
  const l = layoutNamed(name);
  return {
    name,
    values: l.example.values,
    along: l.example.along,
    across: 0,
    turn: 0,
    size: 1,
    item: l.item?.initial ?? "floorSpot",
    moved: {},
  } as Laid;
}

/**
 * The parts of a layout where it is laid: turned about its near middle, lines and courts at `size` times their measures, things as big as they
 * are. What it aims at stands there without counting: the game counts its own targets only.
 */
export function laidParts(x: Laid): Part[] {
  const l = layoutNamed(x.name);
  const [c, s] = [Math.cos(x.turn), Math.sin(x.turn)];
  const put = (p: Place, id: string): Place => {
    const by = own(x.moved, id) ?? { along: 0, across: 0 };
    const [u, v] = [p.along * x.size + by.along, p.across * x.size + by.across];
    return { along: x.along + u * c - v * s, across: x.across + u * s + v * c };
  };
  return l.parts(x.values as never, x.item).flatMap((p): Part[] => {
    const id = PREFIX + p.id;
    switch (p.kind) {
      case "path":
        return [{ ...p, id, points: p.points.map((q, i) => put(q, nodeOf(x, p.id, i))) }];
      case "target":
        return [
          {
            kind: "obstacle",
            id,
            ...put(p, p.id),
            // What hangs on a wall takes no floor to speak of.
            depth: p.base === undefined ? Math.min(p.width, 0.3) : FLAT_DEPTH,
            width: p.width,
            item: p.item,
            label: p.label,
            turn: x.turn,
            ...(p.base !== undefined && { base: p.base }),
          },
        ];
      case "line":
        return [{ ...p, id, ...put(p, p.id), width: p.width * x.size, turn: x.turn }];
      case "cell":
      case "court":
        return [{ ...p, id, ...put(p, p.id), depth: p.depth * x.size, width: p.width * x.size, turn: x.turn }];
      case "obstacle":
        return [{ ...p, id, ...put(p, p.id), turn: x.turn }];
      case "spot":
        return [{ ...p, id, ...put(p, p.id), radius: p.radius * x.size }];
      case "person":
        return [{ ...p, id, ...put(p, p.id) }];
      default:
        return [];
    }
  });
}
/** The nodes of a way go with the marks that they pass. */
const nodeOf = (x: Laid, path: string, i: number): string =>
  path === "w1" && x.name === "bases" ? `g${i}` : path === "w1" && x.name === "slalom" ? `g${i + 1}` : "";

/** The same layout with one of its marks elsewhere; all of it where its marks keep their places to each other. */
export function moveLaid(x: Laid, id: string | null, to: Place): Laid {
  if (id === null || layoutNamed(x.name).rigid) return { ...x, along: to.along, across: to.across };
  const base = layoutNamed(x.name)
    .parts(x.values as never, x.item)
    .find((p) => p.id === id);
  if (!base || base.kind === "zone" || base.kind === "path" || base.kind === "runOn") return x;
  const [c, s] = [Math.cos(x.turn), Math.sin(x.turn)];
  const [dx, dy] = [to.along - x.along, to.across - x.across];
  const fine = (m: number) => Math.round(m * 1e4) / 1e4;
  const at = { along: dx * c + dy * s - base.along * x.size, across: -dx * s + dy * c - base.across * x.size };
  return { ...x, moved: { ...x.moved, [id]: { along: fine(at.along), across: fine(at.across) } } };
}

/** At `k` times its distances: drawn together towards the start line, its lines shorter as well. */
export const scaledLaid = (x: Laid, k: number): Laid => ({
  ...x,
  along: x.along * k,
  across: x.across * k,
  size: Math.max(MIN_SIZE, x.size * k),
  moved: Object.fromEntries(
    Object.entries(x.moved).map(([id, m]) => [id, { along: m.along * k, across: m.across * k }]),
  ),
});

/** How many things it needs. */
export const thingsOf = (x: Laid): number =>
  new Set(laidParts(x).flatMap((p) => (p.kind === "obstacle" ? [p.id] : []))).size;
