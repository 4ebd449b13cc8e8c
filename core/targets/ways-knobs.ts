import type { Knob } from "../contract/contract.ts";
import { THING_ROLES } from "../kit/extra-objects.ts";
import { BARE, MAX_WAYS } from "./bare-ways.ts";

/** The things as they take turns. */
export const thingsKnob = (each: string, of: { least: number } = { least: 0 }): Knob => ({
  kind: "turns",
  station: "score",
  path: ["things"],
  label: "knob.things",
  hint: each,
  options: THING_ROLES.map((value) => ({ value, label: `thing.${value}` })),
  more: "knob.thingsMore",
  least: of.least,
  most: MAX_WAYS,
});

/** The list as it is set: what each stands for is said by `each`. */
export const waysKnob = (each: string, of: { least: number } = { least: 0 }): Knob => ({
  kind: "ways",
  station: "score",
  path: ["ways"],
  label: "knob.ways",
  hint: each,
  options: BARE,
  least: of.least,
  most: MAX_WAYS,
});
