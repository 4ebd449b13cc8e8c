/** Whether a runner is forced: every base behind the one they stood on was held when the ball was hit. */
function isForced(bases: readonly number[], i: number): boolean {
  const behind = Array.from({ length: bases[i]! - 1 }, (_, k) => k + 1);
  return behind.every((b) => bases.includes(b));
}

/**
 * Whether somebody can be out in a play: at the first base only who is forced, for whoever is not has to be tagged. `bases`: where each runner stood,
 * `i`: the place of one of them, or the place after the last one for the batter, who is always forced.
 */
export const mayBeOut = (bases: readonly number[], i: number, outs: readonly string[]): boolean =>
  outs.includes("tagged") || (outs.includes("first") && (i >= bases.length || isForced(bases, i)));
