import { z } from "zod";
import type { Fields, Values } from "./layout.ts";

/** A schema for the values of some fields. A refusal names the field and what is allowed. */
export function schemaOf<F extends Fields>(fields: F): z.ZodType<Values<F>> {
  const shape: Record<string, z.ZodType> = {};
  for (const [name, value] of Object.entries(fields)) {
    if (value.kind === "choice") {
      shape[name] = z.enum(value.options as [string, ...string[]], {
        error: `${name} must be one of ${value.options.join(", ")}`,
      });
      continue;
    }
    const of = value.unit === "m" ? " of metres" : value.unit === "deg" ? " of degrees" : "";
    const number = z
      .number({ error: `${name} must be a number${of}` })
      .min(value.least, `${name} must be ${value.least} or more`)
      .max(value.most, `${name} must be ${value.most} or less`);
    shape[name] = value.whole ? number.int(`${name} must be a whole number`) : number;
  }
  return z.strictObject(shape) as unknown as z.ZodType<Values<F>>;
}
