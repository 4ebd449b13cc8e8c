import { type KeyboardEvent, type RefObject, useState } from "react";

/** Fields in a row that use the arrow keys themselves. */
const OWN_ARROWS = "select, textarea, input:not([type=checkbox])";

/**
 * Moves the focus from row to row with the arrow keys, Home and End, and opens a row with Enter. Tab reaches one row,
 * and from there what is in it.
 */
export function useRowKeys(box: RefObject<HTMLDivElement | null>) {
  const [at, setAt] = useState(0);
  const rows = () => [...(box.current?.querySelectorAll<HTMLElement>("tbody > tr[data-row]") ?? [])];
  return {
    /** The row that Tab reaches, of this many. */
    at: (count: number) => Math.min(at, Math.max(0, count - 1)),
    onFocus: (event: { target: EventTarget }) => {
      const row = (event.target as HTMLElement).closest<HTMLElement>("tr[data-row]");
      if (row) setAt(Number(row.dataset.row));
    },
    onKeyDown: (event: KeyboardEvent<HTMLElement>) => {
      const target = event.target as HTMLElement;
      const row = target.closest<HTMLElement>("tr[data-row]");
      if (!row || event.defaultPrevented || target.matches(OWN_ARROWS)) return;
      if (event.altKey || event.ctrlKey || event.metaKey) return;
      const all = rows();
      const here = all.indexOf(row);
      const next = { ArrowDown: here + 1, ArrowUp: here - 1, Home: 0, End: all.length - 1 }[event.key];
      if (next !== undefined) {
        event.preventDefault();
        all[next]?.focus();
        all[next]?.scrollIntoView({ block: "nearest" });
      } else if (target === row && event.key === "Enter") {
        event.preventDefault();
        row.querySelector<HTMLElement>("[data-open]")?.click();
      } else if (target === row && event.key === " ") {
        event.preventDefault();
        row.querySelector<HTMLElement>("[data-choose]")?.click();
      }
    },
  };
}
