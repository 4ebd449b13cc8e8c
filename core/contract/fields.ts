import { z } from "zod";
import type { Knob, KnobGroup } from "./contract.ts";

type Path = readonly (string | number)[];

/** The schema at a path of a value. A union is resolved by the value on the way. */
function schemaAt(schema: z.ZodType, value: unknown, path: Path): z.ZodType {
  const zodType = bare(schema);
  const [key, ...rest] = path;
  if (key === undefined) return zodType;
  if (zodType instanceof z.ZodObject)
    return schemaAt(zodType.shape[key as string], (value as Record<string, unknown>)?.[key], rest);
  if (zodType instanceof z.ZodArray)
    return schemaAt(zodType.element as z.ZodType, (value as unknown[])?.[key as number], rest);
  if (zodType instanceof z.ZodUnion) {
    const way =
      (zodType.options as z.ZodType[]).find((option) => option.safeParse(value).success) ??
      (zodType.options[0] as z.ZodType);
    return schemaAt(way, value, path);
  }
  throw new RangeError(`field: nothing at ${String(key)}`);
}
function bare(zodType: z.ZodType): z.ZodType {
  if (zodType instanceof z.ZodNullable || zodType instanceof z.ZodOptional || zodType instanceof z.ZodDefault)
    return bare(zodType.unwrap() as z.ZodType);
  return zodType;
}

/** A station, and the group there if it is not the first: `score/length`. */
type Place = Knob["station"] | `${Knob["station"]}/${KnobGroup}`;
function placeOf(place: Place): Pick<Knob, "station" | "group"> {
  const [station, group] = place.split("/") as [Knob["station"], KnobGroup | undefined];
  return { station, ...(group && { group }) };
}
type More = Pick<Knob, "hint" | "of" | "family">;

/**
 * Describes the settings in a value of a schema. Limits come from the schema itself, so that no number is written
 * twice.
 */
export function fieldsOf(schema: z.ZodType, value: unknown) {
  const numberAt = (path: Path): { least: number; most: number } => {
    const zodType = schemaAt(schema, value, path);
    if (!(zodType instanceof z.ZodNumber)) throw new RangeError(`field ${path.join(".")}: not a number`);
    return { least: zodType.minValue!, most: zodType.maxValue! };
  };
  return {
    number: (
      place: Place,
      path: Path,
      label: string,
      more: More & { step?: number; unit?: "m" | "s"; off?: { label: string; initial: number } } = {},
    ): Knob => ({ ...placeOf(place), kind: "number", path, label, step: 1, ...numberAt(path), ...more }),
    choice: (
      place: Place,
      path: Path,
      label: string,
      options: readonly (readonly [value: unknown, label: string])[],
      more: More & { compared?: true } = {},
    ): Knob => ({
      ...placeOf(place),
      kind: "choice",
      path,
      label,
      options: options.map(([v, name]) => ({ value: v, label: name })),
      ...more,
    }),
    toggle: (place: Place, path: Path, label: string, more: More = {}): Knob => ({
      ...placeOf(place),
      kind: "toggle",
      path,
      label,
      ...more,
    }),
    text: (place: Place, path: Path, label: string): Knob => {
      const zodType = schemaAt(schema, value, path);
      if (!(zodType instanceof z.ZodString)) throw new RangeError(`field ${path.join(".")}: not a text`);
      return { ...placeOf(place), kind: "text", path, label, most: zodType.maxLength! };
    },
    item: (path: Path): Knob => ({ station: "yard", kind: "item", path, label: "knob.item" }),
  };
}
