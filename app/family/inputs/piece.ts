import { lazy } from "react";

/** Loads the pieces that have not been needed yet. */
const ahead: (() => Promise<unknown>)[] = [];
/**
 * A part of the play screen in a file of its own. Once it is loaded React gets it at once, without a promise: with one it would show the fallback
 * for a moment, and what stands around it would move.
 */
export const piece: typeof lazy = (load) => {
  type Loaded = Awaited<ReturnType<typeof load>>;
  let loaded: Loaded | null = null;
  const fetched = async () => {
    loaded = await load();
    return loaded;
  };
  ahead.push(fetched);
  return lazy(() => {
    const has = loaded;
    // biome-ignore lint/suspicious/noThenProperty: React reads a thenable that answers at once without a pause
    return has ? ({ then: (give: (l: Loaded) => void) => give(has) } as unknown as Promise<Loaded>) : fetched();
  });
};

/** Loads what may be needed later in a go, while there is still a network. A piece that does not load is asked for again when it is needed. */
export function loadPieces(): void {
  for (const load of ahead) void load().catch(() => undefined);
}
