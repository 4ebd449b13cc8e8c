import type { ThreeLineParams } from "./schema.ts";
/** The pieces of each side when two play against each other. */
export const piecesOf = (params: ThreeLineParams): number => params.pieces ?? params.size;
