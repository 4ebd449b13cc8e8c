/** Bounds of the fewest steps. It is proved when they are equal. */
export interface Fewest {
  lower: number;
  upper: number;
}

/** How many states are searched between two calls of `stop`. */
const ASK = 1024;

/**
 * Returns the fewest steps from a start to an end, by a best-first search. The result is proved if the bound never overestimates, unless the
 * budget runs out; then lower and upper differ. `next` returns the states after one step, with null for the end. `upper` is the length of a
 * known way. `most` stops the search once it is certain that more steps are needed. Source: Hart, Nilsson and Raphael, "A formal basis for the
 * heuristic determination of minimum cost paths" (1968).
 */
export function bestFirst<S, K>(
  start: S,
  { key, bound, next }: { key(state: S): K; bound(state: S): number; next(state: S): readonly (S | null)[] },
  given: { upper: number; budget: number; most: number; stop?: (() => boolean) | undefined },
): Fewest {
  let { upper } = given;
  const first = bound(start);
  /** States to search, with the steps taken so far, grouped by their lower bound. */
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
      // Takes the state with the most steps first.
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
