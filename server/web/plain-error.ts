/** Errors whose messages are about the code and never contain what somebody typed. */
const PLAIN = new Set(["TypeError", "ReferenceError", "RangeError"]);

export interface PlainError {
  name: string;
  message?: string;
  /** The code of PostgreSQL or of the system. */
  code?: string;
  /** The table, column or constraint that it is about. */
  about?: string;
  frames: string[];
  cause?: PlainError;
}

/** What may be logged of an error: its place and kind, without the values that its message may contain. */
export function plainError(e: unknown, depth = 0): PlainError {
  if (!(e instanceof Error)) return { name: typeof e, frames: [] };
  const { code, table, constraint } = e as { code?: unknown; table?: unknown; constraint?: unknown };
  const about = [table, constraint].filter((x) => typeof x === "string").join(" ");
  return {
    name: e.name,
    ...(PLAIN.has(e.name) && { message: e.message.slice(0, 200) }),
    ...(typeof code === "string" && { code }),
    ...(about && { about }),
    frames: (e.stack ?? "")
      .split("\n")
      .filter((line) => /^\s+at /.test(line))
      .map((line) => line.trim())
      .slice(0, 30),
    ...(e.cause !== undefined && depth < 3 && { cause: plainError(e.cause, depth + 1) }),
  };
}
