import { type ComponentType, lazy } from "react";

/**
 * Like React's `lazy`, for a part of a page that is fetched by itself. Once `fetchPiece` has fetched it, it renders
 * without a promise: nothing around it jumps, and on a page that came from the server it takes presses from the start.
 * React drops presses on a part that it still waits for.
 */
// biome-ignore lint/suspicious/noExplicitAny: React's own type of what `lazy` takes
export function piece<T extends ComponentType<any>>(load: () => Promise<{ default: T }>) {
  let loaded: { default: T } | null = null;
  const fetchPiece = async () => {
    loaded ??= await load();
    return loaded;
  };
  const Piece = lazy(() => {
    const has = loaded;
    if (!has) return fetchPiece();
    // biome-ignore lint/suspicious/noThenProperty: React reads a thenable that answers at once without a pause
    return { then: (give: (l: { default: T }) => void) => give(has) } as unknown as Promise<{ default: T }>;
  });
  return { Piece, fetchPiece };
}
