/** Pegs snap to whole centimetres. */
export const cm = (givenMetres: number): number => Math.round(givenMetres * 100) / 100;
export const held = (givenMetres: number, least: number, most: number): number =>
  cm(Math.min(most, Math.max(least, givenMetres)));
