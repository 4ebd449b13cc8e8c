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
 * The parts of a layout where it is laid: turned about its near middle, lines and courts at `size` times their measures, things as big as they
 * are. What it aims at stands there without counting: the game counts its own targets only.
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
            // What depends on a wall takes no floor to speak of.
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
/** The nodes of a way go with the marks that they pass. */
const nodeOf = (givenLaid: Laid, path: string, i: number): string =>
  path === "w1" && givenLaid.name === "bases"
    ? `g${i}`
    : path === "w1" && givenLaid.name === "slalom"
      ? `g${i + 1}`
      : "";

/** The same layout with one of its marks elsewhere; all of it where its marks keep their places to each other. */
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

/** At `k` times its distances: drawn together towards the start line, its lines shorter as well. */
export const scaledLaid = (givenLaid: Laid, k: number): Laid => ({
  ...givenLaid,
  along: givenLaid.along * k,
  across: givenLaid.across * k,
  size: Math.max(MIN_SIZE, givenLaid.size * k),
  moved: Object.fromEntries(
    Object.entries(givenLaid.moved).map(([id, value]) => [id, { along: value.along * k, across: value.across * k }]),
  ),
});

/** How many things it needs. */
export const thingsOf = (givenLaid: Laid): number =>
  new Set(laidParts(givenLaid).flatMap((laidPart) => (laidPart.kind === "obstacle" ? [laidPart.id] : []))).size;
