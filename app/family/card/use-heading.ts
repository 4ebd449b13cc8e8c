import { useEffect, useRef } from "react";

/** A screen that is loaded separately gets its heading a moment later. How long to wait for it, milliseconds. */
const PATIENCE = 5000;

/**
 * Moves the focus to the heading of the open panel, or of the page, when the screen changes, so that it is read out
 * and the keyboard continues from there. Does nothing when the page opens.
 */
export function useHeading(shown: string): void {
  const before = useRef(shown);
  useEffect(() => {
    if (before.current === shown) return;
    before.current = shown;
    const focus = () => {
      const heading =
        document.querySelector<HTMLElement>("main [data-heading]") ?? document.querySelector<HTMLElement>("main h1");
      if (!heading) return false;
      heading.tabIndex = -1;
      heading.focus();
      return true;
    };
    if (focus()) return;
    const watch = new MutationObserver(() => focus() && watch.disconnect());
    watch.observe(document.body, { childList: true, subtree: true });
    const timer = setTimeout(() => watch.disconnect(), PATIENCE);
    return () => {
      clearTimeout(timer);
      watch.disconnect();
    };
  }, [shown]);
}
