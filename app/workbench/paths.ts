/** Whether two values of a document are alike. */
export const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

type Path = readonly (string | number)[];

export function getIn(o: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (x, k) => (x === null || x === undefined ? undefined : (x as Record<string | number, unknown>)[k]),
    o,
  );
}
/** A copy with one place changed. */
export function setIn<T>(o: T, [k, ...rest]: Path, value: unknown): T {
  if (k === undefined) return value as T;
  if (Array.isArray(o)) return o.map((eachValue, i) => (i === k ? setIn(eachValue, rest, value) : eachValue)) as T;
  return { ...o, [k]: setIn((o as Record<string | number, unknown>)[k], rest, value) };
}
