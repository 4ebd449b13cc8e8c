import { and, eq, isNull, sql } from "drizzle-orm";
import Papa from "papaparse";
import { z } from "zod";
import type { SchoolItems } from "#core/compile/card.ts";
import { itemsIn, problemsOf } from "#core/formats/activity.ts";
import { type Item, item as itemSchema, MAX_OWN_ITEMS } from "#core/items/item.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { neverIn } from "#core/kit/sense.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { NotAllowed, NotFound } from "../problem.ts";

const { schoolItem, activity } = schema;

/** The changes that a school has made to the list of items. */
export async function schoolItemsOf(tx: Tx): Promise<SchoolItems> {
  const rows = await tx.select().from(schoolItem).orderBy(schoolItem.id);
  return {
    own: rows.flatMap((row) => (row.item ? [row.item] : [])),
    hidden: rows.filter((row) => row.hidden).map((row) => row.id),
  };
}
/** The same for a family's or a class's link. */
export const schoolItemsIn = (schoolId: string): Promise<SchoolItems> => withTenant(schoolId, schoolItemsOf);
export const schoolItemsFor = (who: SignedIn): Promise<SchoolItems> => withTenant(who.schoolId, schoolItemsOf);

function checked(given: unknown): Item {
  const read = itemSchema.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  const word = neverIn(read.data.name);
  if (word)
    throw NotAllowed.of(
      "name",
      `The name says "${word}". Glass, pressurised cans, cleaning products, medicine and blades are never offered.`,
    );
  const known = catalogueItem(read.data.id);
  if (!known && read.data.name === "") throw NotAllowed.of("name", "Give your item a name.");
  return { ...read.data, always: known?.always ?? false, made: read.data.made ?? known?.made ?? null };
}

async function put(tx: Tx, who: SignedIn, items: readonly Item[]): Promise<void> {
  for (const item of items)
    await tx
      .insert(schoolItem)
      .values({ schoolId: who.schoolId, id: item.id, item })
      .onConflictDoUpdate({ target: [schoolItem.schoolId, schoolItem.id], set: { item } });
  const [{ n: count } = { n: 0 }] = await tx
    .select({ n: sql<number>`count(*)::int` })
    .from(schoolItem)
    .where(sql`${schoolItem.item} is not null`);
  if (count > MAX_OWN_ITEMS)
    throw NotAllowed.of("items", `A school can have at most ${MAX_OWN_ITEMS} items of its own.`);
}

/** Adds an item or changes one. `adding`: the id must be free. */
export function saveItem(who: SignedIn, given: unknown, adding: boolean): Promise<void> {
  const item = checked(given);
  return withTenant(who.schoolId, async (tx) => {
    if (adding) {
      const { own } = await schoolItemsOf(tx);
      if (catalogueItem(item.id) || own.some((eachItem) => eachItem.id === item.id))
        throw NotAllowed.of("id", `There is already an item called "${item.id}".`);
    }
    await put(tx, who, [item]);
  });
}

/** All or nothing: every item is checked before any is stored. */
export function saveItems(who: SignedIn, given: readonly unknown[]): Promise<number> {
  const items = given.map((g, i) => {
    try {
      return checked(g);
    } catch (error) {
      if (!(error instanceof NotAllowed)) throw error;
      throw new NotAllowed(
        error.problems.map((problem) => ({
          field: `items.${i}.${problem.field}`,
          message: `thing ${i + 1}: ${problem.message}`,
        })),
      );
    }
  });
  return withTenant(who.schoolId, async (tx) => {
    await put(tx, who, items);
    return items.length;
  });
}

export function hideItem(who: SignedIn, id: string, hidden: boolean): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    const { own } = await schoolItemsOf(tx);
    if (!catalogueItem(id) && !own.some((item) => item.id === id)) throw new NotFound("thing");
    await tx
      .insert(schoolItem)
      .values({ schoolId: who.schoolId, id, item: null, hidden })
      .onConflictDoUpdate({ target: [schoolItem.schoolId, schoolItem.id], set: { hidden } });
  });
}

/** The titles of activities on the school's shelves that use an item. */
async function activitiesWith(tx: Tx, id: string): Promise<string[]> {
  const rows = await tx.select({ document: activity.document }).from(activity).where(isNull(activity.deletedAt));
  return rows.filter((row) => itemsIn(row.document).has(id)).map((row) => row.document.title);
}

/**
 * Deletes a school's own item, or undoes its change to a built-in one. An activity that uses the item has its own
 * copy, so nothing breaks; it is still only done after a yes. Returns the item, so that it can be restored.
 */
export function deleteItem(
  who: SignedIn,
  id: string,
  yes: boolean,
): Promise<{ usedBy: string[]; done: boolean; item: Item | null }> {
  return withTenant(who.schoolId, async (tx) => {
    const [row] = await tx.select().from(schoolItem).where(eq(schoolItem.id, id));
    if (!row?.item) throw new NotFound("thing");
    const usedBy = await activitiesWith(tx, id);
    if (usedBy.length > 0 && !yes) return { usedBy, done: false, item: null };
    await tx.delete(schoolItem).where(and(eq(schoolItem.schoolId, who.schoolId), eq(schoolItem.id, id)));
    return { usedBy, done: true, item: row.item };
  });
}

const word = z.string().trim();
/** The columns of the list as CSV, in order. Words in a cell are separated by spaces. */
export const ITEM_COLUMNS = [
  "id",
  "name",
  "drawing",
  "room",
  "uses",
  "moves",
  "width",
  "depth",
  "height",
  "mass",
  "softness",
  "rebound",
  "drag",
  "material",
  "noise",
  "breakable",
  "opening",
  "openingDepth",
  "gap",
  "contents",
  "handling",
  "homes",
  "count",
  "kinds",
  "ask",
  "outdoorsOnly",
  "cautions",
  "endless",
  "source",
] as const;

/** One item as a row of CSV. How it is made is only in the JSON form. */
export function itemToRow(item: Item): Record<string, string | number> {
  return Object.fromEntries(
    ITEM_COLUMNS.map((itemColumn) => {
      const v = item[itemColumn];
      if (v === null || v === undefined) return [itemColumn, ""];
      if (typeof v === "boolean") return [itemColumn, v ? "yes" : "no"];
      return [itemColumn, Array.isArray(v) ? v.join(" ") : (v as string | number)];
    }),
  );
}

const WORDS = new Set(["uses", "moves", "cautions"]);
const TEXTS = new Set(["id", "name", "drawing", "room", "material", "source"]);
const YES_NO = new Set(["breakable", "kinds", "ask", "outdoorsOnly", "endless"]);
const MAY_LACK = new Set(["drag", "opening", "gap", "contents"]);
/** Columns that files from earlier versions do not have. */
const MAY_BE_AWAY = new Set(["openingDepth"]);

/** A row of CSV as an item, not yet checked. What is not a number stays text, so that the check can name it. */
export function rowToItem(row: Record<string, string>): unknown {
  const out: Record<string, unknown> = { always: false, made: null };
  for (const itemColumn of ITEM_COLUMNS) {
    const text = word.parse(row[itemColumn] ?? "");
    if (text === "" && MAY_BE_AWAY.has(itemColumn)) continue;
    if (WORDS.has(itemColumn)) out[itemColumn] = text === "" ? [] : text.split(/\s+/);
    else if (TEXTS.has(itemColumn)) out[itemColumn] = text;
    else if (YES_NO.has(itemColumn)) out[itemColumn] = text === "yes" ? true : text === "no" ? false : text;
    else if (text === "") out[itemColumn] = MAY_LACK.has(itemColumn) ? null : text;
    else out[itemColumn] = Number.isFinite(Number(text)) ? Number(text) : text;
  }
  return out;
}

/** The list, or a school's own part of it, as CSV. */
export const itemsToCsv = (items: readonly Item[]): string =>
  `\ufeff${Papa.unparse(items.map(itemToRow), { columns: [...ITEM_COLUMNS], escapeFormulae: true })}\r\n`;

/** The rows of a CSV file of items, not yet checked. A file with other columns is refused by name. */
export function readItemsCsv(text: string): unknown[] {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (hash) => hash.trim(),
  });
  const columns = parsed.meta.fields ?? [];
  const missing = ITEM_COLUMNS.filter((itemColumn) => !columns.includes(itemColumn) && !MAY_BE_AWAY.has(itemColumn));
  const strange = columns.filter((column) => !(ITEM_COLUMNS as readonly string[]).includes(column));
  if (missing.length > 0) throw NotAllowed.of("file", `This file has no columns called ${missing.join(", ")}.`);
  if (strange.length > 0) throw NotAllowed.of("file", `This file has columns we don't know: ${strange.join(", ")}.`);
  return parsed.data.map(rowToItem);
}
