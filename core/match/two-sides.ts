import type { Setup } from "../contract/contract.ts";
import { whoPlays } from "../contract/people.ts";

/** The two sides of a game that has just two: as they were made, or everybody in turn to one of them. */
export function twoSides(setup: Setup): readonly (readonly number[])[] {
  if (setup.sides?.length === 2) return setup.sides;
  const all = whoPlays(setup);
  // One person alone plays both.
  if (all.length < 2) return [all, all];
  return [all.filter((_, i) => i % 2 === 0), all.filter((_, i) => i % 2 === 1)];
}
