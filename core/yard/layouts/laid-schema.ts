import { z } from "zod";
import { layoutNames } from "./index.ts";
import { layoutNamed } from "./known-layouts.ts";
import { type Laid, MAX_SIZE, MIN_SIZE } from "./laid.ts";
import { schemaOf } from "./layout-schema.ts";

/** The farthest that anything is laid from the start line, or to the side, metres. */
const FARTHEST = 30;

const metres = (name: string) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(-FARTHEST, `${name} must be -${FARTHEST} m or more`)
    .max(FARTHEST, `${name} must be ${FARTHEST} m or less`);
const where = {
  /** The middle of its near edge, metres from the middle of the start line. */
  along: metres("along"),
  across: metres("across"),
  /** Radians, from along towards across. */
  turn: z
    .number({ error: "turn must be a number of radians" })
    .min(-Math.PI, "turn must be -3.1416 or more")
    .max(Math.PI, "turn must be 3.1416 or less"),
  size: z
    .number({ error: "size must be a number" })
    .min(MIN_SIZE, `size must be ${MIN_SIZE} or more`)
    .max(MAX_SIZE, `size must be ${MAX_SIZE} or less`),
  /** The item that stands there, if the layout has any. */
  item: z.string().min(1).max(40),
  /** Marks moved by hand, by id: metres along and across from where the layout puts them. */
  moved: z.record(z.string().min(1).max(20), z.strictObject({ along: metres("along"), across: metres("across") })),
};
const choices = layoutNames.map((name) =>
  z.strictObject({ name: z.literal(name), values: schemaOf(layoutNamed(name).fields), ...where }),
);
export const laid = z.discriminatedUnion("name", choices as unknown as [(typeof choices)[number]], {
  error: (issue) =>
    issue.code === "invalid_union" ? `layout name must be one of ${layoutNames.join(", ")}` : undefined,
}) as unknown as z.ZodType<Laid>;
