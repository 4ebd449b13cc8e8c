/** What follows from an object alone, worked out once for each and forgotten with it. */
export function memoizeByIdentity<K extends object, V>(make: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, V>();
  return (of) => {
    let found = known.get(of);
    if (found === undefined) {
      found = make(of);
      known.set(of, found);
    }
    return found;
  };
}
