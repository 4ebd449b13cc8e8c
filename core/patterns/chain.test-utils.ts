import { type BaseState, isRefusal, type Rules, type Setup } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { Body } from "../events/events.ts";

const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
/** So little of all plays is left at the end. */
const LEFT = 1e-12;

/**
 * Mean number of events until the end, and of the score: every way on from each state with its chance, states by their key. For proofs;
 * shares nothing with the forecast.
 */
export function chainOf<P, S extends BaseState>(
  rules: Rules<P, S>,
  params: P,
  {
    match,
    waysOf,
    setup = ALONE,
  }: { match: Match; waysOf: (state: S) => readonly (readonly [body: Body, p: number])[]; setup?: Setup | undefined },
): { events: number; value: number } {
  const first = rules.start(params, match, setup);
  let now = new Map([[rules.key(first), { state: first, p: 1 }]]);
  let events = 0;
  let value = 0;
  let left = 1;
  for (let n = 1; left > LEFT && n < 20_000; n++) {
    const next: typeof now = new Map();
    for (const { state, p: chance } of now.values())
      for (const [body, q] of waysOf(state)) {
        if (q === 0) continue;
        const after = rules.step(state, { ...body, at: 0 } as never);
        if (isRefusal(after)) throw new Error(after.refused.key);
        if (rules.ending(after)) {
          events += n * chance * q;
          value += rules.score(after)[0]!.value * chance * q;
          left -= chance * q;
          continue;
        }
        const key = rules.key(after);
        next.set(key, { state: after, p: (next.get(key)?.p ?? 0) + chance * q });
      }
    now = next;
  }
  return { events, value };
}
