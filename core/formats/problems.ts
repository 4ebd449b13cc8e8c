import type { z } from "zod";

/** The problem of one field, with a message that names it. */
export interface Problem {
  field: string;
  message: string;
}

/** The most letters of the input that a message repeats. */
export const MAX_REPEATED = 80;
/** A value as a message may repeat it: short, and as text. */
export function repeated(value: unknown): string {
  const text = typeof value === "string" ? JSON.stringify(value) : (JSON.stringify(value) ?? "nothing");
  return text.length > MAX_REPEATED ? `${text.slice(0, MAX_REPEATED - 4)} ...` : text;
}

const KINDS: Record<string, string> = {
  string: "text",
  number: "a number",
  int: "a whole number",
  boolean: "true or false",
  object: "an object with named fields",
  record: "an object with named fields",
  array: "a list",
  null: "left empty",
};

type Issue = z.core.$ZodIssue;
/** The schema's own messages stay. Those of the library are replaced by words for people. */
function inWords(issue: Issue): string {
  if (!/^(Invalid|Too|Unrecognized)\b/.test(issue.message)) return issue.message;
  switch (issue.code) {
    case "invalid_type":
      return /received undefined/.test(issue.message)
        ? "is missing"
        : `must be ${KINDS[issue.expected] ?? "a different kind of value"}`;
    case "unrecognized_keys":
      return `${issue.keys.slice(0, 5).map(repeated).join(", ")} is not a known field`;
    case "invalid_value":
      return `must be ${issue.values.length === 1 ? "" : "one of "}${issue.values.map(String).join(", ")}`;
    case "too_small":
      return issue.origin === "string"
        ? `must have at least ${issue.minimum} characters`
        : issue.origin === "array" || issue.origin === "set"
          ? `must have at least ${issue.minimum}`
          : `must be ${issue.inclusive === false ? "more than " : ""}${issue.minimum}${issue.inclusive === false ? "" : " or more"}`;
    case "too_big":
      return issue.origin === "string"
        ? `must have at most ${issue.maximum} characters`
        : issue.origin === "array" || issue.origin === "set"
          ? `must have at most ${issue.maximum}`
          : `must be ${issue.inclusive === false ? "less than " : ""}${issue.maximum}${issue.inclusive === false ? "" : " or less"}`;
    case "invalid_format":
      return "is not in the right format";
    case "invalid_union":
      return "is not one of the allowed values";
    default:
      return "is not allowed";
  }
}

/**
 * Every problem of a document, each with its field. Messages are for people, and repeat at most 80 letters of the
 * input.
 */
export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues.map((issue) => ({
    field: issue.path.map((propertyKey) => String(propertyKey).slice(0, MAX_REPEATED)).join(".") || "document",
    message: inWords(issue),
  }));
}
