const orders = new Map<number, readonly (readonly number[])[]>();
/** Returns all orders of `count` things, each thing given by its number from 0. */
export function ordersOf(count: number): readonly (readonly number[])[] {
  let found = orders.get(count);
  if (!found) {
    found =
      count === 0
        ? [[]]
        : ordersOf(count - 1).flatMap((o) =>
            Array.from({ length: count }, (_, i) => [...o.slice(0, i), count - 1, ...o.slice(i)]),
          );
    orders.set(count, found);
  }
  return found;
}
