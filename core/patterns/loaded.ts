import type { AnyPlayPattern } from "../contract/contract.ts";

/**
 * The patterns whose code is loaded. The registry puts every pattern here, so a server and a teacher's browser have them
 * all. A family's device puts in the one game that it plays.
 */
const loaded = new Map<string, AnyPlayPattern>();

/** Makes a pattern known to everything that opens activities of it. */
export function keepLoaded(pattern: AnyPlayPattern): void {
  loaded.set(pattern.name, pattern);
}

/** The loaded pattern with this name. Throws RangeError if there is none. */
export function loadedPattern(name: string): AnyPlayPattern {
  const pattern = loaded.get(name);
  if (!pattern) throw new RangeError(`pattern.name: "${name}" is not one of ${[...loaded.keys()].join(", ")}`);
  return pattern;
}
