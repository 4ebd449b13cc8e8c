import type { ThreeLineParams } from "./schema.ts";
/** Pieces of each side, where two play against each other. */
export const piecesOf = (params: ThreeLineParams): number => params.pieces ?? params.size;
