import type { Knob } from "../contract/contract.ts";
import { OBJECT_ROLES } from "../kit/extra-objects.ts";
import { BARE, MAX_WAYS } from "./bare-ways.ts";

/** A field for the list of objects that take turns. */
export const objectsKnob = (each: string, of: { least: number } = { least: 0 }): Knob => ({
  kind: "turns",
  station: "score",
  path: ["things"],
  label: "knob.things",
  hint: each,
  options: OBJECT_ROLES.map((value) => ({ value, label: `thing.${value}` })),
  more: "knob.thingsMore",
  least: of.least,
  most: MAX_WAYS,
});

/** A field for a list of actions. `each` is the key of the hint that says what an entry stands for. */
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
