/** True if a runner is forced: every base behind the runner's own was occupied when the ball was hit. */
function isForced(bases: readonly number[], i: number): boolean {
  const behind = Array.from({ length: bases[i]! - 1 }, (_, k) => k + 1);
  return behind.every((b) => bases.includes(b));
}

/**
 * True if somebody can be out in a play. At the first base only a forced runner can be, because the others have to be
 * tagged. `bases`: where each runner stood; `i`: the index of a runner, or the index after the last one for the
 * batter, who is always forced.
 */
export const mayBeOut = (bases: readonly number[], i: number, outs: readonly string[]): boolean =>
  outs.includes("tagged") || (outs.includes("first") && (i >= bases.length || isForced(bases, i)));
