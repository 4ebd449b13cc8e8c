import { z } from "zod";
import { typedNumber } from "#core/measures/typed-number.ts";
import { childFacts } from "#core/records/child.ts";

const { shape } = childFacts;
/** The form of what a teacher knows about a child. The browser and the server read it alike. */
export const childForm = z.object({
  name: shape.name,
  age: z.preprocess(typedNumber, shape.age),
  leftHanded: shape.leftHanded.default(false),
  step: z.preprocess((text) => typedNumber(text) ?? null, shape.step),
  support: shape.support.default(""),
});

/** The form that adds a child by hand. */
export const newChildForm = z.object({
  class: z.string(),
  name: shape.name,
  age: z.preprocess(typedNumber, shape.age),
});
