/** The loop is held no longer at one go, milliseconds. */
const AT_ONE_GO = 6;

/** For work in steps within a request: called between two, it lets whatever else waits go first once so much has been done. */
export function breather(): () => Promise<void> {
  let from = performance.now();
  return async () => {
    if (performance.now() - from < AT_ONE_GO) return;
    await new Promise<void>((done) => setImmediate(done));
    from = performance.now();
  };
}

/** A list mapped in such steps. */
export async function inSteps<T, U>(list: readonly T[], map: (t: T) => U, breathe = breather()): Promise<U[]> {
  const out: U[] = [];
  for (const t of list) {
    await breathe();
    out.push(map(t));
  }
  return out;
}
