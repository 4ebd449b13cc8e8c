/** Characters that are not confused when read out and written down: no O beside 0, no I beside 1. */
export const CALL_SIGNS = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";
const BASE = CALL_SIGNS.length;
/** Scores are sent modulo this number. Each is read as the value nearest to the previous one. */
export const CALL_RANGE = 128;

/** The score from the side of the home that keeps it: whole numbers, not negative. */
export interface Standing {
  mine: number;
  theirs: number;
  turn: "mine" | "theirs";
}

/** The score as three characters to be read out over a call: two scores of seven bits each, and whose turn it is. */
export function callCode({ mine, theirs, turn }: Standing): string {
  let count = ((mine % CALL_RANGE) * CALL_RANGE + (theirs % CALL_RANGE)) * 2 + (turn === "theirs" ? 1 : 0);
  let out = "";
  for (let i = 0; i < 3; i++) {
    out = CALL_SIGNS[count % BASE] + out;
    count = Math.floor(count / BASE);
  }
  return out;
}

/** The number nearest to the previous one that is `rest` modulo the range. Not negative. */
function nearest(rest: number, before: number): number {
  const low = before - ((((before - rest) % CALL_RANGE) + CALL_RANGE) % CALL_RANGE);
  return low < 0 || before - low > low + CALL_RANGE - before ? low + CALL_RANGE : low;
}

/**
 * Reads three characters, with small letters and gaps allowed. Null if they are not a code. `before`: the last score
 * read, zero at first. Each score may have changed by less than half the range since then.
 */
export function readCallCode(
  text: string,
  before: Pick<Standing, "mine" | "theirs"> = { mine: 0, theirs: 0 },
): Standing | null {
  const signs = [...text.toUpperCase().replace(/[\s.,-]/g, "")].map((eachText) => CALL_SIGNS.indexOf(eachText));
  if (signs.length !== 3 || signs.some((sign) => sign < 0)) return null;
  const count = signs.reduce((sum, x) => sum * BASE + x, 0);
  const scores = Math.floor(count / 2);
  return {
    mine: nearest(Math.floor(scores / CALL_RANGE), before.mine),
    theirs: nearest(scores % CALL_RANGE, before.theirs),
    turn: count % 2 === 1 ? "theirs" : "mine",
  };
}
