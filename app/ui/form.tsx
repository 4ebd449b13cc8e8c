import type { SubmissionResult } from "@conform-to/dom";
import { type FieldMetadata, useForm } from "@conform-to/react";
import { getZodConstraint, parseWithZod } from "@conform-to/zod/v4";
import type { z } from "zod";
import { problemText } from "./problem-text.ts";

/**
 * A form whose schema the browser and the server share. Before the script loads it is sent as it is, and the server's
 * answer marks its fields. Afterwards each field is checked when it is left, and the focus goes to the first that is refused.
 */
export function useSchemaForm<T extends z.ZodObject>(
  schema: T,
  {
    id,
    first,
    answer,
  }: {
    id: string;
    /** What the fields show first. */
    first: Partial<z.input<T>>;
    /** The server's answer, if it was sent. */
    answer: SubmissionResult<string[]> | undefined;
  },
) {
  return useForm<z.input<T>, z.output<T>>({
    id,
    defaultValue: first as never,
    lastResult: answer ?? null,
    constraint: getZodConstraint(schema),
    shouldValidate: "onBlur",
    shouldRevalidate: "onInput",
    onValidate: ({ formData }) => parseWithZod(formData, { schema }) as never,
  });
}

type Plain = Pick<FieldMetadata<unknown>, "name" | "errors" | "required" | "maxLength" | "initialValue" | "key">;

const problemOf = ({ errors }: Plain) => (errors?.[0] === undefined ? undefined : problemText(errors[0]));

/** The attributes of a field of such a form, for one of our own fields. */
export function fieldOf(field: Plain) {
  return {
    name: field.name,
    defaultValue: (field.initialValue as string | undefined) ?? "",
    required: field.required,
    ...(field.maxLength !== undefined && { maxLength: field.maxLength }),
    problem: problemOf(field),
  };
}

/** The attributes of a tick box of such a form. */
export const tickOf = (field: Plain) => ({ name: field.name, defaultChecked: field.initialValue === "on" });

/** The name, the problem and the ticks of a list of tick boxes of such a form. */
export const ticksOf = (field: Plain) => ({
  name: field.name,
  ticked: ([] as string[]).concat((field.initialValue as string[] | string | undefined) ?? []),
  problem: problemOf(field),
});
