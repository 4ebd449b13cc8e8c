import type { lazy } from "react";
import { piece } from "../../ui/piece.ts";

/** Loaders of all pieces, called before anybody needs them. */
const ahead: (() => Promise<unknown>)[] = [];
/** A part of the play screen that is fetched by itself, and ahead of its need by `loadChunks`. */
export const chunk: typeof lazy = (load) => {
  const { Piece, fetchPiece } = piece(load);
  ahead.push(fetchPiece);
  return Piece;
};

/** Loads what a go may need later while there is still a network. A piece that fails to load is tried again when it is needed. */
export function loadChunks(): void {
  for (const load of ahead) void load().catch(() => undefined);
}
