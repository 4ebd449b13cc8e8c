import type { AnyPlayPattern, Setup } from "./contract.ts";
import type { Match } from "./match.ts";

const TWO: Setup = { players: 2, mode: "against", seed: 1 };

/** Whether two may play it each in its own home: neither touches what the other plays with. `atOnce`: over a call, where each hears how far the other is. */
export const inTwoHomes = (
  pattern: AnyPlayPattern,
  { params, match }: { params: unknown; match: Match },
  atOnce = false,
) =>
  pattern.modes.includes("against") && !pattern.rules.sidesMeet(params, atOnce ? { ...match, end: "all" } : match, TWO);
