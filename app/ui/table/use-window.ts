import { useVirtualizer } from "@tanstack/react-virtual";
import type { RefObject } from "react";
import { useSearchParams } from "react-router";
import { useHydrated } from "../use-hydrated.ts";
import { ALL_DRAWN, fromIn } from "./long-list.ts";

/** The height of a row until it is measured, pixels. */
const ROW = 46;
/** How many rows are drawn above and below what is seen. */
const AROUND = 8;

/** Which rows are drawn: all of a short list, and of a long one those near what is seen. */
export interface Window {
  from: number;
  to: number;
  /** The height of what is not drawn, pixels. */
  before: number;
  after: number;
  measure: ((element: Element | null) => void) | undefined;
}

export function useWindow(box: RefObject<HTMLDivElement | null>, list: readonly { id: string }[]): Window {
  const [search] = useSearchParams();
  const hydrated = useHydrated();
  const long = list.length > ALL_DRAWN;
  const virtual = useVirtualizer({
    count: long ? list.length : 0,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    getItemKey: (index) => list[index]?.id ?? index,
    overscan: AROUND,
    enabled: long && hydrated,
  });
  if (!long) return { from: 0, to: list.length, before: 0, after: 0, measure: undefined };
  const items = virtual.getVirtualItems();
  const [first, last] = [items[0], items.at(-1)];
  if (!hydrated || !first || !last) {
    const from = hydrated ? 0 : fromIn(search, list.length);
    return { from, to: Math.min(from + ALL_DRAWN, list.length), before: 0, after: 0, measure: undefined };
  }
  return {
    from: first.index,
    to: last.index + 1,
    before: first.start,
    after: virtual.getTotalSize() - last.end,
    measure: virtual.measureElement,
  };
}
