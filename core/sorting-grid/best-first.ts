/** What is known of the fewest steps: proved where both are the same. */
export interface Fewest {
  lower: number;
  upper: number;
}

/** Between two questions whether to stop, so many states are looked at. */
const ASK = 1024;

/**
 * The fewest steps from a start to an end, best first with a bound that never says too much: proved, unless more states are met than the budget
 * allows; then bounds. `next`: what one step leads to; null: the end. `upper`: steps that some way is known to take. `most`: nobody wants to
 * know more than that it takes more. Source: Hart, Nilsson and Raphael, "A formal basis for the heuristic determination of minimum cost paths" (1968).
 */
export function bestFirst<S, K>(
  start: S,
  { key, bound, next }: { key(state: S): K; bound(state: S): number; next(state: S): readonly (S | null)[] },
  given: { upper: number; budget: number; most: number; stop?: (() => boolean) | undefined },
): Fewest {
  let { upper } = given;
  const first = bound(start);
  /** States still to look at with their steps, by the fewest steps that they can lead to. */
  const open: { states: S[]; steps: number[] }[] = [];
  const put = (state: S, steps: number, total: number) => {
    open[total] ??= { states: [], steps: [] };
    open[total]!.states.push(state);
    open[total]!.steps.push(steps);
  };
  const known = new Map<K, number>([[key(start), 0]]);
  put(start, 0, first);
  let looked = 0;
  for (let total = first; total < upper; total++) {
    if (total > given.most) return { lower: total, upper: Math.max(total, upper) };
    const list = open[total];
    while (list && list.states.length > 0) {
      // The one that has come farthest first.
      const state = list.states.pop()!;
      const steps = list.steps.pop()! + 1;
      if (known.get(key(state))! < steps - 1) continue;
      if (++looked > given.budget || (looked % ASK === 0 && given.stop?.())) return { lower: total, upper };
      for (const after of next(state)) {
        if (after === null) {
          if (steps <= total) return { lower: steps, upper: steps };
          upper = Math.min(upper, steps);
          continue;
        }
        const name = key(after);
        const before = known.get(name);
        if (before !== undefined && before <= steps) continue;
        known.set(name, steps);
        const least = Math.max(total, steps + bound(after));
        if (least < upper) put(after, steps, least);
      }
    }
  }
  return { lower: upper, upper };
}
