import type { Paces } from "./step.ts";

/** Rounding to half steps may change the hit rate by this much before another unit is tried. */
const ROUNDING_ALLOWED = 0.03;
/** Heel-to-toe counting is tedious and drifts, so it stops at this number. */
export const MAX_SHOES = 12;
/** The error of each counted step as a share of a step (standard deviation, independent): an assumption. */
export const COUNTING_ERROR = 0.06;
/** The error of a tape or a ruler, metres: an assumption. */
const MEASURING_ERROR = 0.01;
export const FOOT = 0.3048;

/** How distances can be counted: in the child's own steps, in big steps, or measured. */
export const COUNTED = ["steps", "bigSteps", "metres", "feet"] as const;
export type Counted = (typeof COUNTED)[number];
export type Unit = "step" | "shoe" | "bigStep" | "metre" | "foot";

/** A distance as a child counts it out. */
export interface Count {
  unit: Unit;
  /** Whole or half steps; whole shoe lengths; metres to 10 cm; half feet. */
  count: number;
  /** Where that count really ends for this child, metres. */
  metres: number;
  /** How much rounding changes the hit rate, 0 to 1. */
  moved: number;
  /** The standard deviation of the counting itself, metres. */
  error: number;
}

/** The length of one of each unit for a person, metres, and the smallest fraction that is counted. */
const sizeOf = (unit: Unit, own: Paces): { each: number; fine: number } => {
  switch (unit) {
    case "step":
      return { each: own.step, fine: 0.5 };
    case "bigStep":
      return { each: own.bigStep, fine: 0.5 };
    case "shoe":
      return { each: own.shoe, fine: 1 };
    case "metre":
      return { each: 1, fine: 0.1 };
    case "foot":
      return { each: FOOT, fine: 0.5 };
  }
};
/** The count in one unit that ends nearest, and where it ends. At least the smallest fraction. */
export function countIn(unit: Unit, distance: number, own: Paces): Pick<Count, "unit" | "count" | "metres" | "error"> {
  const { each, fine } = sizeOf(unit, own);
  const whole = Math.max(1, Math.round(distance / each / fine));
  const count = Math.round(whole * fine * 10) / 10;
  const measured = unit === "metre" || unit === "foot";
  return {
    unit,
    count,
    metres: count * each,
    error: measured ? MEASURING_ERROR : COUNTING_ERROR * each * Math.sqrt(count),
  };
}
const UNIT: Record<Exclude<Counted, "steps">, Unit> = { bigSteps: "bigStep", metres: "metre", feet: "foot" };

/**
 * How a child should count out `distance` metres: in half steps, unless rounding to them changes the hit rate by more
 * than 3 points and heel-to-toe shoe lengths (12 at most) do better; or in the unit that the teacher chose.
 * `hitRateAt` gives the child's hit rate (0 to 1) at a distance in metres.
 */
export function countOut(
  distance: number,
  own: Paces,
  hitRateAt: (metres: number) => number,
  counted: Counted = "steps",
): Count {
  const wanted = hitRateAt(distance);
  const as = (unit: Unit): Count => {
    const count = countIn(unit, distance, own);
    return { ...count, moved: Math.abs(hitRateAt(count.metres) - wanted) };
  };
  if (counted !== "steps") return as(UNIT[counted]);
  const steps = as("step");
  if (steps.moved <= ROUNDING_ALLOWED) return steps;
  const shoes = Math.round(distance / own.shoe);
  if (shoes < 1 || shoes > MAX_SHOES) return steps;
  const heelToToe = as("shoe");
  return heelToToe.moved < steps.moved ? heelToToe : steps;
}

/**
 * A distance on which no hit rate depends: in half steps or shoe lengths, whichever ends nearer to it, or in the unit
 * that the teacher chose.
 */
export function countPlain(metres: number, own: Paces, counted: Counted = "steps"): ReturnType<typeof countIn> {
  if (counted !== "steps") return countIn(UNIT[counted], metres, own);
  const steps = countIn("step", metres, own);
  const shoes = countIn("shoe", metres, own);
  const nearer = Math.abs(shoes.metres - metres) < Math.abs(steps.metres - metres);
  return nearer && shoes.count <= MAX_SHOES ? shoes : steps;
}

/** The nearest and farthest place that one count in steps reaches for several children, metres. */
export function spreadOfCount(count: number, all: readonly Paces[]): { from: number; to: number } {
  const ends = all.map((paces) => paces.step * count);
  return { from: Math.min(...ends), to: Math.max(...ends) };
}
