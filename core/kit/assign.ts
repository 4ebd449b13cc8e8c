/**
 * The cheapest way to give every row a column of its own: `costs[row][column]` in whole numbers, `Infinity` if a row
 * cannot have a column. There must be at least as many columns as rows, and some assignment with a finite cost.
 * Returns the column of each row and the total. Method: shortest augmenting paths with potentials (Kuhn and Munkres,
 * in the form of Jonker and Volgenant). Of equal choices, the lower column is taken.
 */
export function assign(costs: readonly (readonly number[])[]): { columns: number[]; cost: number } {
  const count = costs.length;
  const metres = costs[0]?.length ?? 0;
  const u = new Array<number>(count + 1).fill(0);
  const v = new Array<number>(metres + 1).fill(0);
  /** The row (from 1) that has each column (from 1). 0: none. */
  const has = new Array<number>(metres + 1).fill(0);
  const way = new Array<number>(metres + 1).fill(0);
  for (let i = 1; i <= count; i++) {
    has[0] = i;
    let j0 = 0;
    const least = new Array<number>(metres + 1).fill(Number.POSITIVE_INFINITY);
    const seen = new Array<boolean>(metres + 1).fill(false);
    do {
      seen[j0] = true;
      const i0 = has[j0]!;
      let delta = Number.POSITIVE_INFINITY;
      let j1 = 0;
      for (let j = 1; j <= metres; j++) {
        if (seen[j]) continue;
        const reduced = costs[i0 - 1]![j - 1]! - u[i0]! - v[j]!;
        if (reduced < least[j]!) {
          least[j] = reduced;
          way[j] = j0;
        }
        if (least[j]! < delta) {
          delta = least[j]!;
          j1 = j;
        }
      }
      for (let j = 0; j <= metres; j++) {
        if (seen[j]) {
          u[has[j]!]! += delta;
          v[j]! -= delta;
        } else least[j]! -= delta;
      }
      j0 = j1;
    } while (has[j0] !== 0);
    do {
      const j1 = way[j0]!;
      has[j0] = has[j1]!;
      j0 = j1;
    } while (j0 !== 0);
  }
  const columns = new Array<number>(count).fill(-1);
  let cost = 0;
  for (let j = 1; j <= metres; j++) {
    const i = has[j]!;
    if (i === 0) continue;
    columns[i - 1] = j - 1;
    cost += costs[i - 1]![j - 1]!;
  }
  return { columns, cost };
}
