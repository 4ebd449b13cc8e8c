import { type RefObject, useEffect, useRef } from "react";
import { useActionData } from "react-router";
import type { Problem } from "#core/formats/activity.ts";
import { problemText } from "../ui/problem-text.ts";

const NOTHING: Readonly<Record<string, string>> = {};

interface OfForm {
  form: RefObject<HTMLFormElement | null>;
  /** What was typed, by field, if this form was refused. */
  typed: Readonly<Record<string, string>>;
  /** What is wrong with a field. */
  problemOf: (field: string) => string | undefined;
}

/**
 * What the server refused of one of the forms on a result's page, which is the one whose fields have the values of
 * `mine`. The focus goes to the first field that is refused. These forms have no schema in the browser: the page
 * would grow by half for two fields.
 */
export function useRefused(mine: Readonly<Record<string, string>>): OfForm {
  const answer = useActionData<{ ok: boolean; problems: Problem[]; typed?: Record<string, string> }>();
  const form = useRef<HTMLFormElement>(null);
  const typed = answer && !answer.ok ? answer.typed : undefined;
  const isMine = typed !== undefined && Object.entries(mine).every(([field, value]) => typed[field] === value);
  const problems = isMine ? answer!.problems : [];
  const problemOf = (field: string) => {
    const problem = problems.find((each) => each.field === field);
    return problem && problemText(problem.message);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each answer, however often it is drawn
  useEffect(() => {
    const [first] = problems;
    if (first) form.current?.querySelector<HTMLElement>(`[name="${first.field}"]:not([type=hidden])`)?.focus();
  }, [answer]);
  return { form, typed: isMine ? typed : NOTHING, problemOf };
}
