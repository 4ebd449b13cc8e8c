import type { Floor } from "../kit/floors.ts";
import { paces } from "../measures/step.ts";
import type { HomeSpace } from "./home.ts";

/** The parts of the home survey, in order. */
export const SURVEY_PARTS = ["things", "space", "people"] as const;
export type SurveyPart = (typeof SURVEY_PARTS)[number];

/** A grown-up's step, metres: what a family paces its space out in. */
export const GROWN_STEP = paces("adult").step;
/** What a space of a kind is like where a family named only the kind; metres. Assumptions. */
export const USUAL_SPACE: Record<HomeSpace["kind"], Omit<HomeSpace, "kind">> = {
  corridor: { length: 4, width: 1.2, floor: "boards", indoors: true },
  room: { length: 4, width: 3, floor: "boards", indoors: true },
  garden: { length: 8, width: 5, floor: "grass", indoors: false },
  yard: { length: 8, width: 3, floor: "paving", indoors: false },
};
/** Ceilings as a family sees them, metres. */
export const CEILINGS = { no: null, low: 2.2, usual: 2.5, high: 4 } as const;
export type CeilingWord = keyof typeof CEILINGS;
export const ceilingWord = (metres: number | undefined): CeilingWord =>
  metres === undefined ? "no" : metres <= 2.3 ? "low" : metres <= 3 ? "usual" : "high";

const cm10 = (m: number) => Math.round(m * 10) / 10;
export const toSteps = (metres: number): number => Math.round((metres / GROWN_STEP) * 2) / 2;
export const fromSteps = (steps: number): number => cm10(steps * GROWN_STEP);

type Fields = Readonly<Record<string, string>>;
const numberOf = (text: string | undefined): number | undefined => {
  if (text === undefined || text.trim() === "") return undefined;
  return Number(text.trim().replace(",", "."));
};

/** How many of each thing, from fields `kit.<id>`; what is not a number comes out as NaN, for the check to name. */
export function kitFrom(fields: Fields): Record<string, number> {
  const out: Record<string, number> = {};
  for (const [k, v] of Object.entries(fields)) {
    const n = k.startsWith("kit.") ? numberOf(v) : undefined;
    if (n !== undefined && n !== 0) out[k.slice(4)] = n;
  }
  return out;
}

/** The space from its fields; null where not even the kind was said. Sizes in grown-up steps, or in metres where those are given. */
export function spaceFrom(fields: Fields, before: HomeSpace | null): HomeSpace | null {
  const kind = fields.kind as HomeSpace["kind"] | undefined;
  if (!kind) return null;
  const usual = before?.kind === kind ? before : { ...(USUAL_SPACE[kind] ?? USUAL_SPACE.room) };
  const size = (steps: string, metres: string, was: number) => {
    const m = numberOf(fields[metres]);
    if (m !== undefined) return m;
    const n = numberOf(fields[steps]);
    // Steps that only repeat what was there leave the metres as they were.
    return n === undefined || n === toSteps(was) ? was : fromSteps(n);
  };
  const ceiling = CEILINGS[fields.ceiling as CeilingWord] ?? undefined;
  const kept =
    before?.ceiling !== undefined && fields.ceiling === ceilingWord(before.ceiling) ? before.ceiling : ceiling;
  return {
    kind,
    length: size("longSteps", "length", usual.length),
    width: size("wideSteps", "width", usual.width),
    floor: (fields.floor as Floor | undefined) || usual.floor,
    indoors: fields.indoorsAsked ? fields.indoors === "yes" : usual.indoors,
    ...(kept !== undefined && { ceiling: kept }),
  };
}

/** What one part of the survey says, from the fields of its form; not yet checked. */
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
        ...(fields.support !== undefined && { support: fields.support }),
      };
  }
}
