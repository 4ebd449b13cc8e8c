/** Half of a surrogate pair, which no text encoding can represent, and NUL, which the database does not accept. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: NUL is what is meant
const ODD = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]|\u0000/g;

/**
 * Makes a text storable: half a surrogate pair becomes the replacement character, NUL is removed. `"a\uD83D\u0000b"`
 * becomes `"a\uFFFDb"`.
 */
export const wellFormed = (text: string): string =>
  text.replace(ODD, (eachText) => (eachText === "\0" ? "" : "\uFFFD"));

/** JSON nested deeper than this does not come from us. */
export const DEEPEST = 60;

/** The same value with every text and key well-formed. Throws RangeError if it is nested deeper than `DEEPEST`. */
export function wellFormedJson(value: unknown, depth = 0): unknown {
  if (typeof value === "string") return wellFormed(value);
  if (typeof value !== "object" || value === null) return value;
  if (depth >= DEEPEST) throw new RangeError("nested too deep");
  if (Array.isArray(value)) return value.map((eachValue) => wellFormedJson(eachValue, depth + 1));
  // As own properties, whatever their names.
  return Object.fromEntries(Object.entries(value).map(([key, v]) => [wellFormed(key), wellFormedJson(v, depth + 1)]));
}
