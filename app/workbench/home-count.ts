/** A child with the ids of its homes. */
export interface Housed {
  child: string;
  homes: readonly string[];
}
/** How many children of a class can do something at home. The figures add up to all of them. */
export interface HomeCount {
  can: number;
  cannot: number;
  silent: number;
  all: number;
}

/**
 * Counts homes in the same way everywhere: each child once, by the best of their homes. `says`: true if that home
 * can, false if it cannot, null if the family did not say.
 */
export function countHomes(children: readonly Housed[], says: (home: string) => boolean | null): HomeCount {
  const out = { can: 0, cannot: 0, silent: 0, all: children.length };
  for (const child of children) {
    const answers = child.homes.map(says);
    if (answers.includes(true)) out.can++;
    else if (answers.includes(false)) out.cannot++;
    else out.silent++;
  }
  return out;
}
