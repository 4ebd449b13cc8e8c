/** When the next one sends: after each send, after a miss, once the misses of a forfeit are spent, after a whole go, or all at once. */
export const SWAPS = ["send", "miss", "budget", "go", "once"] as const;

export type Swap = (typeof SWAPS)[number];
