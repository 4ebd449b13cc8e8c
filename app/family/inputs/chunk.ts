import { lazy } from "react";

/** Loaders of all pieces, called before anybody needs them. */
const ahead: (() => Promise<unknown>)[] = [];
/**
 * Like React's `lazy`, for a part of the play screen. Once loaded, it renders without a promise. With a promise, React would show the fallback
 * for a moment and everything around it would jump.
 */
export const chunk: typeof lazy = (load) => {
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

/** Loads what a go may need later while there is still a network. A piece that fails to load is tried again when it is needed. */
export function loadChunks(): void {
  for (const load of ahead) void load().catch(() => undefined);
}
