import type { ReactNode } from "react";

/** A column of a table. Its first column names the row and stays at the edge. */
export interface Column<Row> {
  id: string;
  head: string;
  /** Explains the head where its word alone does not. */
  about?: string;
  cell: (row: Row) => ReactNode;
  /** What the column is sorted by. Rows without a value come last. Without this the column cannot be sorted. */
  sort?: (row: Row) => string | number | null;
  /** Sorts from the highest value first, as a teacher would read it. */
  highFirst?: boolean;
  /** Aligns figures to the right. */
  figures?: boolean;
  /** Is not shown until the teacher chooses it. */
  off?: boolean;
  className?: string;
}

/** A filter with its options. The first option keeps all rows. */
export interface Filter<Row> {
  /** The name in the address. */
  id: string;
  label: string;
  options: readonly { id: string; label: string; keeps: (row: Row) => boolean }[];
}

/** The first option of a filter: all rows. */
export const keepAll = (): boolean => true;

/** What is kept in the address: the order, the search text and the filters. */
export interface View {
  /** A column, with a minus before it if its last value comes first. Empty: in the order given. */
  sort: string;
  find: string;
  filters: Readonly<Record<string, string>>;
}

/** Names in the address that only change how a page shows its data. */
export const VIEW_NAMES = ["sort", "find", "from", "tab"] as const;

/** Reads a view from the part of an address after the question mark. */
export function viewIn(search: URLSearchParams, filters: readonly Filter<never>[]): View {
  return {
    sort: search.get("sort") ?? "",
    find: (search.get("find") ?? "").slice(0, 200),
    filters: Object.fromEntries(filters.map(({ id }) => [id, search.get(id) ?? ""])),
  };
}

/** The address of a view. What is at its default is left out, and what belongs to others on the page stays. */
export function addressOf(search: URLSearchParams, view: View): string {
  const next = new URLSearchParams(search);
  const put = (name: string, value: string) => (value === "" ? next.delete(name) : next.set(name, value));
  put("sort", view.sort);
  put("find", view.find.trim());
  for (const [name, value] of Object.entries(view.filters)) put(name, value);
  next.delete("from");
  return `?${next}`;
}

/** The order after pressing the head of a column: its first direction, then the other one. */
export function sortAfter(sort: string, { id, highFirst = false }: { id: string; highFirst?: boolean }): string {
  const [first, second] = highFirst ? [`-${id}`, id] : [id, `-${id}`];
  return sort === first ? second : first;
}

/** Rows that a view keeps: those that every filter keeps and whose text has all the words typed. */
export function keeps<Row>(
  row: Row,
  view: View,
  { filters, text }: { filters: readonly Filter<Row>[]; text: (row: Row) => string },
): boolean {
  for (const filter of filters) {
    const option = filter.options.find(({ id }) => id === view.filters[filter.id]);
    if (option && !option.keeps(row)) return false;
  }
  const words = view.find.trim().toLowerCase();
  if (words === "") return true;
  const within = text(row).toLowerCase();
  return words.split(/\s+/).every((word) => within.includes(word));
}

const collator = new Intl.Collator("en-GB", { numeric: true, sensitivity: "base" });
/** Compares what two rows are sorted by. */
export const compare = (one: string | number, other: string | number): number =>
  typeof one === "number" && typeof other === "number" ? one - other : collator.compare(String(one), String(other));

/**
 * Keeps the data of a page while only its view changes. `own` names more parts of the address that the page's loader
 * does not read.
 */
export const exceptForView =
  (...own: string[]) =>
  ({
    currentUrl,
    nextUrl,
    formMethod,
    defaultShouldRevalidate,
  }: {
    currentUrl: URL;
    nextUrl: URL;
    formMethod?: string | undefined;
    defaultShouldRevalidate: boolean;
  }): boolean => {
    if (formMethod && formMethod !== "GET") return defaultShouldRevalidate;
    const rest = (url: URL) => {
      const kept = new URLSearchParams(url.search);
      for (const name of [...VIEW_NAMES, ...own]) kept.delete(name);
      return `${url.pathname}?${kept}`;
    };
    return currentUrl.href === nextUrl.href || rest(currentUrl) !== rest(nextUrl) ? defaultShouldRevalidate : false;
  };
