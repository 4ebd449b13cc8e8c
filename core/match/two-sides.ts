import type { Setup } from "../contract/contract.ts";
import { whoPlays } from "../contract/people.ts";

/** The two sides of a game that always has two: as chosen, or players assigned to them alternately. */
export function twoSides(setup: Setup): readonly (readonly number[])[] {
  if (setup.sides?.length === 2) return setup.sides;
  const all = whoPlays(setup);
  // A person who plays alone plays both sides.
  if (all.length < 2) return [all, all];
  return [all.filter((_, i) => i % 2 === 0), all.filter((_, i) => i % 2 === 1)];
}
