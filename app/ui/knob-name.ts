import type { Knob } from "#core/contract/contract.ts";
import { label } from "#words/teacher.ts";

/** What something that can be set is called; of several of a kind, as those of rounds and stages, its place too. `all`: those it is among. */
export function knobName(knob: Knob, all: readonly Knob[], attempt?: Record<string, string>): string {
  const place = knob.path.findLast((x) => typeof x === "number");
  const several = all.some((eachKnob) => eachKnob.label === knob.label && eachKnob !== knob);
  return several && place !== undefined ? `${label(knob.label, attempt)}, ${place + 1}` : label(knob.label, attempt);
}
