import { data } from "react-router";
import { NotAllowed } from "#server/problem.ts";
import { wellFormed, wellFormedJson } from "#server/web/well-formed.ts";

/** The fields of a form: well-formed texts, and files separately. A file in place of a text counts as an empty text. */
export class Form {
  constructor(private readonly given: FormData) {}
  text(name: string): string {
    const v = this.given.get(name);
    return typeof v === "string" ? wellFormed(v) : "";
  }
  has(name: string): boolean {
    return this.given.has(name);
  }
  /** Every text of one field name. */
  all(name: string): string[] {
    return this.given.getAll(name).flatMap((v) => (typeof v === "string" ? [wellFormed(v)] : []));
  }
  /** Every text field with its name, in the order of the form. */
  entries(): [string, string][] {
    return [...this.given].flatMap(([key, v]) => (typeof v === "string" ? [[wellFormed(key), wellFormed(v)]] : []));
  }
  /** Every text field. If a name occurs several times, the last one counts. */
  fields(): Record<string, string> {
    const out: Record<string, string> = Object.create(null);
    for (const [key, v] of this.given) if (typeof v === "string") out[wellFormed(key)] = wellFormed(v);
    return out;
  }
  /** Every text field. If a name occurs several times, the texts are joined with spaces. */
  joined(): Record<string, string> {
    const out: Record<string, string> = Object.create(null);
    for (const [key, v] of this.given) {
      if (typeof v !== "string") continue;
      const k = wellFormed(key);
      out[k] = out[k] ? `${out[k]} ${wellFormed(v)}` : wellFormed(v);
    }
    return out;
  }
  /**
   * The text of a file, or null if none was chosen. Throws a message with the name and the size if the file is too
   * large.
   */
  async file(name: string, largest: number): Promise<{ name: string; text: string } | null> {
    const v = this.given.get(name);
    if (!(v instanceof File)) return null;
    const known = wellFormed(v.name).slice(0, 80);
    if (v.size === 0 && known !== "")
      throw NotAllowed.of(name, `The file ${known} is empty. Choose the one you saved.`);
    if (v.size === 0) return null;
    if (v.size > largest) throw NotAllowed.of(name, `${name}: ${known} has ${v.size} bytes; ${largest} are allowed`);
    return { name: known, text: wellFormed(await v.text()) };
  }
}

/** Reads the form of a request. Throws a message for people if it cannot be read. */
export async function formOf(request: Request): Promise<Form> {
  try {
    return new Form(await request.formData());
  } catch {
    throw data(
      { title: "This form arrived incomplete.", text: "Nothing has changed. Go back and send it again." },
      { status: 400 },
    );
  }
}
export const fieldsOf = async (request: Request): Promise<Record<string, string>> => (await formOf(request)).fields();

/** Reads the JSON in a field. Undefined if it is not JSON, or nested too deep. */
export function jsonIn(text: string | undefined): unknown {
  try {
    return wellFormedJson(JSON.parse(text ?? ""));
  } catch {
    return undefined;
  }
}

/** Reads the JSON of a request. Undefined if it is not JSON, or nested too deep. */
export async function jsonOf(request: Request): Promise<unknown> {
  return jsonIn(await request.text().catch(() => ""));
}

/** How many values of one name an address may have. */
const MAX_VALUES = 1000;
/** The part of the address after the question mark. */
export function searchOf(request: Request): {
  get: (name: string) => string | null;
  has: (name: string) => boolean;
  /** Every value of one name. */
  all: (name: string) => string[];
} {
  const { searchParams } = new URL(request.url);
  return {
    get: (name) => {
      const value = searchParams.get(name);
      return value === null ? null : wellFormed(value).slice(0, 2000);
    },
    has: (name) => searchParams.has(name),
    all: (name) =>
      searchParams
        .getAll(name)
        .slice(0, MAX_VALUES)
        .map((value) => wellFormed(value).slice(0, 200)),
  };
}
