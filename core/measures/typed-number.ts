/**
 * A number as somebody types it, with a comma or a point: "0,72" is 0.72. What is empty or absent is undefined, and
 * what is no number stays as it is, so that a check can refuse it.
 */
export function typedNumber(text: unknown): unknown {
  if (typeof text !== "string") return text;
  const plain = text.trim().replace(",", ".");
  if (plain === "") return undefined;
  return Number.isFinite(Number(plain)) ? Number(plain) : text;
}
