import type { Part } from "../parts.ts";

/** One setting of a layout. Metres, degrees, or a plain number; `choice`: one of several words. */
export type Field =
  | { kind: "number"; unit: "m" | "deg" | null; least: number; most: number; step: number; whole: boolean }
  | { kind: "choice"; options: readonly string[] };
export type Fields = Readonly<Record<string, Field>>;
/** The values of a layout's fields. */
export type Values<F extends Fields> = {
  [K in keyof F]: F[K] extends { options: readonly (infer O)[] } ? O : number;
};

export const whole = (least: number, most: number) =>
  ({ kind: "number", unit: null, least, most, step: 1, whole: true }) as const;
export const metres = (least: number, most: number, step = 0.1) =>
  ({ kind: "number", unit: "m", least, most, step, whole: false }) as const;
export const degrees = (least: number, most: number, step = 15) =>
  ({ kind: "number", unit: "deg", least, most, step, whole: false }) as const;
export const choice = <const O extends readonly string[]>(...options: O) => ({ kind: "choice", options }) as const;

/**
 * A generator of parts. `along` of its parts begins at 0 (its near edge, or its first line), and `across` is measured
 * from its middle, metres. `rigid`: its marks keep their places to each other (a grid). The marks of other layouts
 * may be moved by hand.
 */
export interface Layout<F extends Fields = Fields> {
  name: string;
  fields: F;
  rigid: boolean;
  /**
   * The items that stand there: how they are used, and which one our own example uses. Null: lines on the floor only.
   */
  item: { use: "target" | "marker" | "ramp"; initial: string } | null;
  parts(values: Values<F>, item: string): Part[];
  /** Our own example: the values, and where it lies from the start line. */
  example: { values: Values<F>; along: number };
}

/** Keeps the types of a layout's fields. */
export const defineLayout = <F extends Fields>(layout: Layout<F>): Layout<F> => layout;

/** Rounds to centimetres, because nothing is laid out more finely. */
export const cm = (givenMetres: number): number => Math.round(givenMetres * 100) / 100;
/** Whole numbers from 0 up to but without n. */
export const upTo = (count: number): number[] => Array.from({ length: count }, (_, i) => i);

/** The width with which posts of a layout are drawn and kept clear, metres. */
export const POST = 0.1;
export const BASE = 0.35;
