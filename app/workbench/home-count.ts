/** A child with the ids of its homes. */
export interface Housed {
  child: string;
  homes: readonly string[];
}
/** Children of a class by what can be done at home; they add up to all of them. */
export interface HomeCount {
  can: number;
  cannot: number;
  silent: number;
  all: number;
}

/**
 * One way of counting homes, wherever they are counted: a child counts once, in the best of its homes. `says`: true where that home can, false
 * where it cannot, null where it did not say.
 */
export function countHomes(children: readonly Housed[], says: (home: string) => boolean | null): HomeCount {
  const out = { can: 0, cannot: 0, silent: 0, all: children.length };
  for (const child of children) {
    const told = child.homes.map(says);
    if (told.includes(true)) out.can++;
    else if (told.includes(false)) out.cannot++;
    else out.silent++;
  }
  return out;
}
