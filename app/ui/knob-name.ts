import type { Knob } from "#core/contract/contract.ts";
import { label } from "#words/teacher.ts";

/** What something that can be set is called; of several of a kind, as those of rounds and stages, its place too. `all`: those it is among. */
export function knobName(k: Knob, all: readonly Knob[], attempt?: Record<string, string>): string {
  const place = k.path.findLast((x) => typeof x === "number");
  const several = all.some((x) => x.label === k.label && x !== k);
  return several && place !== undefined ? `${label(k.label, attempt)}, ${place + 1}` : label(k.label, attempt);
}
