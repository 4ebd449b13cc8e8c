import { z } from "zod";
import type { Knob, Phrase } from "../contract/contract.ts";
import type { fieldsOf } from "../contract/fields.ts";
import { held, metres, weight } from "../contract/schema.ts";
import type { Face } from "../kit/face.ts";
import type { HitRule } from "../rules/hit-rule.ts";

export const DOWNS = ["lying", "leaning", "moved", "top"] as const;
/** What a pin is. Whether it falls follows what it weighs (kilograms; contents when full; how full, 0 to 1); not given: touching fells it. */
export const pin = z.strictObject({
  item: z.string().min(1).max(40),
  width: metres("width", 0.02, 0.5),
  height: metres("height", 0.02, 1.5),
  weight: weight.optional(),
  /**
   * What down is: it lies; it lies or leans; it was moved off its spot; or, where one is made of several, its top piece fell. Whatever is
   * touched has moved, and whatever leans has as good as fallen: assumptions.
   */
  down: z.enum(DOWNS, { error: `down must be one of ${DOWNS.join(", ")}` }).default("lying"),
});
export type Pin = z.infer<typeof pin>;

/** What counts as a pin that fell. */
export const pinRule = (p: Pin): HitRule =>
  p.weight && p.down !== "moved" && p.down !== "top"
    ? { kind: "topple", width: p.width, height: p.height, ...p.weight }
    : { kind: "touch", width: p.width };
/** Another thing as every pin; how full it is stays. */
export function pinFaced(was: Pin, { item, width, height, mass, contents }: Face): Pin {
  const of = was.weight && { mass, contents, filling: was.weight.filling };
  const size = { width: held(width, 0.02, 0.5), height: held(height, 0.02, 1.5) };
  return { item, ...size, ...(of && { weight: of }), down: was.down };
}
export function pinTouched({ weight: _, ...rest }: Pin): Pin {
  return rest;
}
/** What of pins can be set where they stand: how far, how far aside, which thing, how big, how full. */
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

/** What counts as down, chosen where the score is. */
export const downKnob = (fields: ReturnType<typeof fieldsOf>): Knob =>
  fields.choice(
    "score",
    ["pin", "down"],
    "knob.down",
    DOWNS.map((down) => [down, `knob.down.${down}`] as const),
  );
/** What a family is told of it; leaning stands unless it is said. */
export const downSaid = (p: Pin): Phrase[] => [{ key: `pin.down.${p.down ?? "lying"}` }];
export const downPhrases = DOWNS.map((down) => `pin.down.${down}`);
