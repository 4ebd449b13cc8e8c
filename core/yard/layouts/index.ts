import { around, pins, ramp, row, scattered, spots, wall } from "./aims.ts";
import { bases, goals, passing, shuttle, slalom } from "./courses.ts";
import { bands, grid, net, square, tossing } from "./fields.ts";
import { keepLayouts } from "./known-layouts.ts";

/** Every layout, in the order in which teachers see them. */
export const layouts = {
  row,
  scattered,
  around,
  spots,
  bands,
  pins,
  grid,
  square,
  slalom,
  shuttle,
  goals,
  net,
  bases,
  wall,
  ramp,
  tossing,
  passing,
} as const;
export type LayoutName = keyof typeof layouts;
export const layoutNames = Object.keys(layouts) as LayoutName[];

keepLayouts(layouts);
