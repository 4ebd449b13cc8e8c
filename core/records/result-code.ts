/** Letters and digits that are not confused when read aloud or typed. */
const ALPHABET = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
/** The bytes of each part of a code: the card, the go, its score, how far it came, and a check. */
const CARD = 5;
const PLAY = 3;
const VALUE = 3;
const FAR = 1;
const CHECK = 2;
const BYTES = CARD + PLAY + VALUE + FAR + CHECK;
const GROUP = 4;
/** The highest score and stage that a code can hold. */
export const MAX_CODE_VALUE = 2 ** (8 * VALUE) - 1;
const MAX_STAGE = 127;

/**
 * The content of a code: the first digits of the ids of card and go (hexadecimal), the score in the unit of the game,
 * and how far it came.
 */
export interface CodedResult {
  card: string;
  play: string;
  value: number;
  finished: boolean;
  stage: number;
}

const hex = (bytes: readonly number[]) => bytes.map((byte) => byte.toString(16).padStart(2, "0")).join("");
const bytesOf = (id: string, count: number) =>
  Array.from({ length: count }, (_, i) => Number.parseInt(id.replaceAll("-", "").slice(2 * i, 2 * i + 2), 16));
const numberBytes = (value: number, count: number) =>
  Array.from({ length: count }, (_, i) => Math.floor(value / 256 ** (count - 1 - i)) % 256);
/** Two sums, so that one wrong letter is noticed, and also two that were swapped (Fletcher's checksum, 16 bits). */
function checkOf(bytes: readonly number[]): number[] {
  let [low, high] = [1, 0];
  for (const x of bytes) {
    low = (low + x) % 255;
    high = (high + low) % 255;
  }
  return [high, low];
}

/**
 * A result as a code that a family reads out or writes down and a teacher types, if nothing else brings it to the
 * school. 23 letters and digits in groups of four: `0000-0000-0000-0000-0000-000`. Null for scores above
 * MAX_CODE_VALUE.
 */
export function resultCode(r: {
  card: string;
  play: string;
  value: number;
  finished: boolean;
  stage: number;
}): string | null {
  if (!Number.isInteger(r.value) || r.value < 0 || r.value > MAX_CODE_VALUE) return null;
  const content = [
    ...bytesOf(r.card, CARD),
    ...bytesOf(r.play, PLAY),
    ...numberBytes(r.value, VALUE),
    (r.finished ? 128 : 0) + Math.min(MAX_STAGE, Math.max(0, r.stage)),
  ];
  const bits = [...content, ...checkOf(content)].map((b) => b.toString(2).padStart(8, "0")).join("");
  const letters = (bits.match(/.{1,5}/g) ?? []).map((five) => ALPHABET[Number.parseInt(five.padEnd(5, "0"), 2)]!);
  return letters.join("").replace(new RegExp(`(.{${GROUP}})(?=.)`, "g"), "$1-");
}

/** Reads a code as it was typed, in any case and spacing. Null if it is not a code, or if a letter is wrong. */
export function readResultCode(typed: string): CodedResult | null {
  const letters = [
    ...typed
      .toUpperCase()
      .replace(/[^0-9A-Z]/g, "")
      .replace(/O/g, "0")
      .replace(/[IL]/g, "1"),
  ];
  if (letters.length !== Math.ceil((8 * BYTES) / 5)) return null;
  const values = letters.map((letter) => ALPHABET.indexOf(letter));
  if (values.includes(-1)) return null;
  const bits = values.map((value) => value.toString(2).padStart(5, "0")).join("");
  if (bits.slice(8 * BYTES).includes("1")) return null;
  const bytes = Array.from({ length: BYTES }, (_, i) => Number.parseInt(bits.slice(8 * i, 8 * i + 8), 2));
  const content = bytes.slice(0, BYTES - CHECK);
  if (hex(checkOf(content)) !== hex(bytes.slice(BYTES - CHECK))) return null;
  const far = content[BYTES - CHECK - 1]!;
  return {
    card: hex(content.slice(0, CARD)),
    play: hex(content.slice(CARD, CARD + PLAY)),
    value: content.slice(CARD + PLAY, CARD + PLAY + VALUE).reduce((sum, b) => 256 * sum + b, 0),
    finished: far >= 128,
    stage: far % 128,
  };
}
