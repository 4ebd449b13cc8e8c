import type { ClosestParams } from "./schema.ts";
export const middleOf = (field: ClosestParams): number => (field.near + field.far) / 2;
