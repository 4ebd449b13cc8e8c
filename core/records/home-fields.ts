import { FLOORS, type Floor } from "../items/floors.ts";
import { paces } from "../measures/step.ts";
import type { Point } from "../yard/geometry.ts";
import { ell } from "../yard/shapes.ts";
import type { FloorPatch, Obstacle } from "../yard/space.ts";
import type { HomeSpace } from "./home.ts";
import { SHORTEST_SPACE } from "./home-limits.ts";

/** The parts of the home survey, in order. */
export const SURVEY_PARTS = ["things", "space", "people"] as const;
export type SurveyPart = (typeof SURVEY_PARTS)[number];

/** The length of a grown-up's step, in which a family measures its space, metres. */
export const GROWN_STEP = paces("adult").step;
/** Typical spaces, used if a family only named the kind; metres. Assumptions. */
export const USUAL_SPACE: Record<HomeSpace["kind"], Omit<HomeSpace, "kind">> = {
  corridor: { length: 4, width: 1.2, floor: "boards", indoors: true },
  room: { length: 4, width: 3, floor: "boards", indoors: true },
  garden: { length: 8, width: 5, floor: "grass", indoors: false },
  yard: { length: 8, width: 3, floor: "paving", indoors: false },
};
/** Ceiling heights in a family's words, metres. */
export const CEILINGS = { no: null, low: 2.2, usual: 2.5, high: 4 } as const;
export type CeilingWord = keyof typeof CEILINGS;
export const ceilingWord = (metres: number | undefined): CeilingWord =>
  metres === undefined ? "no" : metres <= 2.3 ? "low" : metres <= 3 ? "usual" : "high";

const cm10 = (metres: number) => Math.round(metres * 10) / 10;
export const toSteps = (metres: number): number => Math.round((metres / GROWN_STEP) * 2) / 2;
export const fromSteps = (steps: number): number => cm10(steps * GROWN_STEP);

type Fields = Readonly<Record<string, string>>;
const numberOf = (text: string | undefined): number | undefined => {
  if (text === undefined || text.trim() === "") return undefined;
  return Number(text.trim().replace(",", "."));
};

/**
 * How many of each item there are, from fields `kit.<id>`. Text that is not a number becomes NaN, so that the check
 * names the field.
 */
export function kitFrom(fields: Fields): Record<string, number> {
  const out: Record<string, number> = {};
  for (const [key, value] of Object.entries(fields)) {
    const count = key.startsWith("kit.") ? numberOf(value) : undefined;
    if (count !== undefined && count !== 0) out[key.slice(4)] = count;
  }
  return out;
}

/** How the outline of a space is described: a plain rectangle, an L, or corner by corner. */
export const SHAPES = ["plain", "ell", "own"] as const;
export type Shape = (typeof SHAPES)[number];

const cm = (metres: number) => Math.round(metres * 100) / 100;
const ofSteps = (steps: number) => cm(steps * GROWN_STEP);
/** Metres in steps, to a tenth. */
export const inSteps = (metres: number): number => Math.round((metres / GROWN_STEP) * 10) / 10;
const wordsIn = (line: string): string[] => line.trim().split(/\s+/);
const figure = (word: string | undefined): number => Number((word ?? "?").replace(",", "."));
/** The lines of a text, or of a table cell with `|` between them. */
const linesOf = (text: string): string[] => text.split(/\r?\n|\|/).filter((line) => line.trim() !== "");
const metresAsTold = (metres: number) => metres;

/**
 * Reads corners from lines of two numbers, in steps by default. Text that is not a number becomes NaN, so that the
 * check names the field.
 */
export const cornersFrom = (text: string, of = ofSteps): Point[] =>
  linesOf(text).map((line) => {
    const [x, y] = wordsIn(line).map(figure);
    return { x: of(x ?? Number.NaN), y: of(y ?? Number.NaN) };
  });
export const cornersText = (corners: readonly Point[], as = inSteps): string =>
  corners.map((corner) => `${as(corner.x)} ${as(corner.y)}`).join("\n");

/**
 * Reads obstacles and areas with another floor from lines of a word and four numbers: across, down, width, depth, in
 * steps by default.
 */
export function standsFrom(text: string, of = ofSteps): { obstacles: Obstacle[]; floors: FloorPatch[] } {
  const out = { obstacles: [] as Obstacle[], floors: [] as FloorPatch[] };
  for (const line of linesOf(text)) {
    const [word = "", ...rest] = wordsIn(line);
    const [x, y, width, depth] = [0, 1, 2, 3].map((i) => of(figure(rest[i])));
    const at = { x: x!, y: y!, width: width!, depth: depth! };
    if ((FLOORS as readonly string[]).includes(word)) out.floors.push({ floor: word as Floor, ...at });
    else out.obstacles.push({ kind: word as Obstacle["kind"], ...at });
  }
  return out;
}
export const standsText = (s: Pick<HomeSpace, "obstacles" | "floors">, as = inSteps): string =>
  [
    ...(s.obstacles ?? []).map((obstacle) => ({ word: obstacle.kind as string, at: obstacle })),
    ...(s.floors ?? []).map((floor) => ({ word: floor.floor as string, at: floor })),
  ]
    .map(({ word, at }) => `${word} ${[at.x, at.y, at.width, at.depth].map(as).join(" ")}`)
    .join("\n");

/** The shape of an outline, for the form. An L is recognised by its six corners. */
export function shapeOf(space: HomeSpace | null): { shape: Shape; cutLong: number; cutWide: number } {
  const outline = space?.outline;
  if (!space || !outline) return { shape: "plain", cutLong: 0, cutWide: 0 };
  const cut = outline.length === 6 ? { long: space.length - outline[3]!.x, wide: space.width - outline[2]!.y } : null;
  const same = cut && JSON.stringify(ell(space.length, space.width, cut.long, cut.wide)) === JSON.stringify(outline);
  return same
    ? { shape: "ell", cutLong: inSteps(cut.long), cutWide: inSteps(cut.wide) }
    : { shape: "own", cutLong: 0, cutWide: 0 };
}

/** The outline from the form, moved to begin at 0, 0, with its length and width. Null for a plain rectangle. */
function outlineFrom(
  fields: Fields,
  length: number,
  width: number,
): { outline: Point[]; length: number; width: number } | null {
  if (fields.shape === "ell") {
    const [long, wide] = [numberOf(fields.cutLong) ?? 0, numberOf(fields.cutWide) ?? 0];
    return long === 0 && wide === 0
      ? null
      : {
          outline: ell(length, width, ofSteps(long), ofSteps(wide)).map((point) => ({
            x: cm(point.x),
            y: cm(point.y),
          })),
          length,
          width,
        };
  }
  if (fields.shape !== "own") return null;
  const all = cornersFrom(fields.corners ?? "");
  const [lx, ly] = [Math.min(...all.map((point) => point.x)), Math.min(...all.map((point) => point.y))];
  const whole = all.every((point) => Number.isFinite(point.x) && Number.isFinite(point.y)) && all.length > 0;
  if (!whole) return { outline: all, length, width };
  const outline = all.map((point) => ({ x: cm(point.x - lx), y: cm(point.y - ly) }));
  // If it is too small, the check of the outline says so.
  const most = (f: (point: Point) => number) => Math.max(SHORTEST_SPACE, ...outline.map(f));
  return { outline, length: most((point) => point.x), width: most((point) => point.y) };
}

/** For a table cell: metres, with a bar between the lines. */
export const cellOf = (space: HomeSpace): { corners: string; stands: string } => ({
  corners: cornersText(space.outline ?? [], metresAsTold).replaceAll("\n", " | "),
  stands: standsText(space, metresAsTold).replaceAll("\n", " | "),
});
export const fromCells = (corners: string, stands: string): Pick<HomeSpace, "outline" | "obstacles" | "floors"> => {
  const { obstacles, floors } = standsFrom(stands, metresAsTold);
  return {
    ...(corners !== "" && { outline: cornersFrom(corners, metresAsTold) }),
    ...(obstacles.length > 0 && { obstacles }),
    ...(floors.length > 0 && { floors }),
  };
};

/** Values that were only repeated stay as they were, to the centimetre. */
function repeated(fields: Fields, was: HomeSpace, length: number, width: number): boolean {
  const { shape, cutLong, cutWide } = shapeOf(was);
  if (fields.shape !== shape) return false;
  if (shape === "own") return (fields.corners ?? "").replaceAll("\r", "").trim() === cornersText(was.outline!);
  return (
    shape === "ell" &&
    numberOf(fields.cutLong) === cutLong &&
    numberOf(fields.cutWide) === cutWide &&
    length === was.length &&
    width === was.width
  );
}

/**
 * The space from its fields. Null if not even the kind was given. Sizes in grown-up steps, or in metres if those are
 * given.
 */
export function spaceFrom(fields: Fields, before: HomeSpace | null): HomeSpace | null {
  const kind = fields.kind as HomeSpace["kind"] | undefined;
  if (!kind) return null;
  const usual = before?.kind === kind ? before : { ...(USUAL_SPACE[kind] ?? USUAL_SPACE.room) };
  const size = (steps: string, metres: string, was: number) => {
    const number = numberOf(fields[metres]);
    if (number !== undefined) return number;
    const count = numberOf(fields[steps]);
    // Steps that only repeat the old value leave the metres unchanged.
    return count === undefined || count === toSteps(was) ? was : fromSteps(count);
  };
  const ceiling = CEILINGS[fields.ceiling as CeilingWord] ?? undefined;
  const kept =
    before?.ceiling !== undefined && fields.ceiling === ceilingWord(before.ceiling) ? before.ceiling : ceiling;
  const [length, width] = [size("longSteps", "length", usual.length), size("wideSteps", "width", usual.width)];
  // A form without these fields leaves earlier answers unchanged.
  const shaped =
    fields.shape === undefined || (before?.kind === kind && repeated(fields, before, length, width))
      ? usual.outline && { outline: usual.outline, length: usual.length, width: usual.width }
      : outlineFrom(fields, length, width);
  const same = (fields.stands ?? "").replaceAll("\r", "").trim() === standsText(usual);
  const answered = fields.stands === undefined || same ? usual : standsFrom(fields.stands);
  return {
    kind,
    length: shaped?.length ?? length,
    width: shaped?.width ?? width,
    ...(shaped && { outline: shaped.outline }),
    ...(answered.obstacles?.length && { obstacles: answered.obstacles }),
    ...(answered.floors?.length && { floors: answered.floors }),
    ...slopeAndWind(fields, usual),
    floor: (fields.floor as Floor | undefined) || usual.floor,
    indoors: fields.indoorsAsked ? fields.indoors === "yes" : usual.indoors,
    ...(kept !== undefined && { ceiling: kept }),
  };
}

/** Level ground and still air are the defaults and are not stored. */
function slopeAndWind(fields: Fields, was: Partial<HomeSpace>): Pick<HomeSpace, "slope" | "wind"> {
  const slope = (fields.slope as HomeSpace["slope"]) ?? was.slope;
  const wind = (fields.wind as HomeSpace["wind"]) ?? was.wind;
  return { ...(slope && slope !== "level" && { slope }), ...(wind && wind !== "still" && { wind }) };
}

/** The answers of one part of the survey, from the fields of its form. Not yet checked. */
export function answersFrom(
  part: SurveyPart,
  fields: Fields,
  before: { space: HomeSpace | null },
): Record<string, unknown> {
  switch (part) {
    case "things":
      return { kit: kitFrom(fields) };
    case "space":
      return { space: spaceFrom(fields, before.space) };
    case "people":
      return {
        players: numberOf(fields.players) ?? null,
        quiet: fields.quiet === "yes",
        noBallsIndoors: fields.noBalls === "yes",
        ...(fields.familyNote !== undefined && { familyNote: fields.familyNote }),
      };
  }
}
