import type { Knob, Phrase } from "../contract/contract.ts";
import type { fieldsOf } from "../contract/fields.ts";
import { DOWNS, type Pin } from "./pin-schema.ts";

/** Fields for pins: distance, offset, item, size, and how full. */
export function pinKnobs(fields: ReturnType<typeof fieldsOf>, p: Pin): Knob[] {
  const size = { unit: "m", step: 0.01 } as const;
  return [
    fields.number("yard", ["distance"], "knob.distance", { unit: "m", step: 0.05 }),
    fields.number("yard", ["across"], "knob.across", { unit: "m", step: 0.05, hint: "knob.acrossHint" }),
    fields.item(["pin"]),
    fields.number("yard", ["pin", "width"], "knob.width", size),
    fields.number("yard", ["pin", "height"], "knob.height", size),
    ...(p.weight && p.weight.contents > 0
      ? [fields.number("yard", ["pin", "weight", "filling"], "knob.filling", { step: 0.05, hint: "knob.fillingHint" })]
      : []),
  ];
}

/** A field for what counts as down, shown at the score station. */
export const downKnob = (fields: ReturnType<typeof fieldsOf>): Knob =>
  fields.choice(
    "score/fine",
    ["pin", "down"],
    "knob.down",
    DOWNS.map((down) => [down, `knob.down.${down}`] as const),
  );

/** Returns the phrase that tells a family what counts as down. By default a leaning pin still stands. */
export const downSaid = (p: Pin): Phrase[] => [{ key: `pin.down.${p.down ?? "lying"}` }];

export const downPhrases = DOWNS.map((down) => `pin.down.${down}`);
