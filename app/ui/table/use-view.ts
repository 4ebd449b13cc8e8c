import { startTransition, useEffect, useRef, useState } from "react";
import { useNavigate, useNavigation, useSearchParams } from "react-router";
import { addressOf, type Filter, type View, viewIn } from "./columns.ts";

/** How long typing rests before the address follows, milliseconds. */
const REST = 300;

/**
 * The view of a table: shown at once, and kept in the address a moment later, where no step of typing adds to the
 * browser's history.
 */
export function useView(filters: readonly Filter<never>[]): [View, (next: View) => void] {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const busy = useRef(false);
  busy.current = useNavigation().state !== "idle";
  const [view, setView] = useState(() => viewIn(search, filters));
  const written = useRef(`${search}`);
  const waiting = useRef<ReturnType<typeof setTimeout>>(undefined);
  // A link to this page with another view.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a change of the address counts
  useEffect(() => {
    if (`${search}` === written.current) return;
    written.current = `${search}`;
    setView(viewIn(search, filters));
  }, [search]);
  useEffect(() => () => clearTimeout(waiting.current), []);
  const change = (next: View) => {
    setView(next);
    clearTimeout(waiting.current);
    const write = () => {
      // What was just sent must not be interrupted: the address can wait.
      if (busy.current) {
        waiting.current = setTimeout(write, REST);
        return;
      }
      const to = addressOf(new URLSearchParams(location.search), next);
      written.current = to.slice(1);
      startTransition(() => void navigate(to, { replace: true, preventScrollReset: true }));
    };
    waiting.current = setTimeout(write, REST);
  };
  return [view, change];
}
