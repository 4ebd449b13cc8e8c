/** The longest that work runs before other requests get a turn, milliseconds. */
const AT_ONE_GO = 4;

/**
 * For long work within a request. Await the returned function between two steps: after AT_ONE_GO it lets other
 * requests go first.
 */
export function breather(): () => Promise<void> {
  let from = performance.now();
  return async () => {
    if (performance.now() - from < AT_ONE_GO) return;
    await new Promise<void>((done) => setImmediate(done));
    from = performance.now();
  };
}

/** Maps a list, with a pause between items whenever `breathe` asks for one. */
export async function inSteps<T, U>(list: readonly T[], map: (t: T) => U, breathe = breather()): Promise<U[]> {
  const out: U[] = [];
  for (const t of list) {
    await breathe();
    out.push(map(t));
  }
  return out;
}
