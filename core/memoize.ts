/** Computes a value from an object once and keeps it as long as the object exists. */
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
