/**
 * When the turn passes: after each attempt, after a miss, once the misses of a forfeit are used up, after a whole go, or never, because all
 * play at once.
 */
export const SWAPS = ["send", "miss", "budget", "go", "once"] as const;

export type Swap = (typeof SWAPS)[number];
