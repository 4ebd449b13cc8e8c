import type { AnyPlayPattern, Setup } from "./contract.ts";
import type { Match } from "./match.ts";

const TWO: Setup = { players: 2, mode: "against", seed: 1 };

/**
 * True if two children can play it, each at home, because neither touches what the other one plays with. `atOnce`:
 * over a call, on which each hears how far the other one is.
 */
export const inTwoHomes = (
  pattern: AnyPlayPattern,
  { params, match }: { params: unknown; match: Match },
  atOnce = false,
) =>
  pattern.modes.includes("against") && !pattern.rules.sidesMeet(params, atOnce ? { ...match, end: "all" } : match, TWO);
