import type { Knob } from "#core/contract/contract.ts";
import { label } from "#words/teacher.ts";

/**
 * The name of a setting. If there are several of a kind, for example in rounds or stages, the name says which one it
 * is. `all`: the settings among which it is listed.
 */
export function knobName(knob: Knob, all: readonly Knob[], attempt?: Record<string, string>): string {
  const place = knob.path.findLast((x) => typeof x === "number");
  const several = all.some((eachKnob) => eachKnob.label === knob.label && eachKnob !== knob);
  return several && place !== undefined ? `${label(knob.label, attempt)}, ${place + 1}` : label(knob.label, attempt);
}
