import { useCallback, useEffect, useRef, useState } from "react";
import { useLocation, useSearchParams } from "react-router";
import { addressOf, type Filter, type View, viewIn } from "./columns.ts";

/** How long typing rests before the address follows, milliseconds. */
const REST = 300;

/** Puts a view into the address of this entry of the browser's history, beside what else the address holds. */
function writeAddress(view: View): void {
  const to = addressOf(new URLSearchParams(location.search), view);
  history.replaceState(history.state, "", `${location.pathname}${to === "?" ? "" : to}${location.hash}`);
}

/**
 * The view of a table: shown at once, and kept in the address a moment later. The address is written past the router:
 * a navigation would interrupt a form that is on its way, and drop the answer to the one before.
 */
export function useView(filters: readonly Filter<never>[]): [View, (change: Partial<View>) => void] {
  const [search] = useSearchParams();
  const { key } = useLocation();
  const [view, setView] = useState(() => viewIn(search, filters));
  /** The search part of the address as the router knows it. */
  const routed = useRef(`${search}`);
  /** The view that the teacher chose here, if any. */
  const chosen = useRef<View | null>(null);
  const waiting = useRef<ReturnType<typeof setTimeout>>(undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a step of the router counts
  useEffect(() => {
    if (`${search}` === routed.current) {
      // After a form was sent, the router puts its own address back.
      if (chosen.current) writeAddress(chosen.current);
      return;
    }
    // A link to this page with another view.
    clearTimeout(waiting.current);
    routed.current = `${search}`;
    chosen.current = null;
    setView(viewIn(search, filters));
  }, [key, search]);
  useEffect(() => () => clearTimeout(waiting.current), []);
  const now = useRef(view);
  now.current = view;
  const change = useCallback((part: Partial<View>) => {
    const next = { ...now.current, ...part };
    now.current = next;
    setView(next);
    chosen.current = next;
    clearTimeout(waiting.current);
    waiting.current = setTimeout(() => writeAddress(next), REST);
  }, []);
  return [view, change];
}
