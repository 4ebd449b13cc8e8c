import type { SubmissionResult } from "@conform-to/dom";
import { parseWithZod } from "@conform-to/zod/v4";
import { data } from "react-router";
import type { z } from "zod";
import { NotAllowed } from "#server/problem.ts";
import { missing } from "./answer.server.ts";
import { Form, formOf } from "./read.server.ts";

/**
 * Reads a form by its schema and does what it asks for. What the schema or the server refuses is answered at the
 * fields, and what was typed stays. A page with several forms reads which one it is first. Throws what `work` throws, a missing record as a 404 page.
 */
export async function formAnswered<T extends z.ZodType, R>(
  request: Request | Form,
  schema: T,
  work: (value: z.output<T>) => Promise<R>,
  /** Fields that are never answered back, such as a password. */
  hideFields: string[] = [],
): Promise<R | ReturnType<typeof data<SubmissionResult<string[]>>>> {
  const given = new URLSearchParams();
  const form = request instanceof Form ? request : await formOf(request);
  for (const [name, value] of form.entries()) given.append(name, value);
  const submission = parseWithZod(given, { schema });
  if (submission.status !== "success") return data(submission.reply({ hideFields }), { status: 422 });
  try {
    return await work(submission.value);
  } catch (error) {
    if (!(error instanceof NotAllowed)) throw missing(error);
    const fieldErrors: Record<string, string[]> = {};
    for (const { field, message } of error.problems) fieldErrors[field] = [...(fieldErrors[field] ?? []), message];
    return data(submission.reply({ fieldErrors, hideFields }), { status: 422 });
  }
}
