import { createHash } from "node:crypto";

/** JSON with sorted keys, so that the same content gives the same text. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((eachValue) => canonical(eachValue)).join(",")}]`;
  if (typeof value === "object" && value !== null)
    return `{${Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([key], [text]) => (key < text ? -1 : 1))
      .map(([key, v]) => `${JSON.stringify(key)}:${canonical(v)}`)
      .join(",")}}`;
  return JSON.stringify(value) ?? "null";
}
/** SHA-256 of a value as JSON, 64 hexadecimal digits. Undefined properties count as absent. */
export const contentHash = (value: unknown): string => createHash("sha256").update(canonical(value)).digest("hex");

/** An id derived from a text. The same text always gives the same id. */
export function idFrom(text: string): string {
  const hash = createHash("sha256").update(text).digest("hex");
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-4${hash.slice(13, 16)}-8${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}
