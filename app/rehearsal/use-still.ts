import { useSyncExternalStore } from "react";

const asked = "(prefers-reduced-motion: reduce)";
/** Whether this person wants nothing to move. */
export const useStill = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const query = window.matchMedia(asked);
      query.addEventListener("change", changed);
      return () => query.removeEventListener("change", changed);
    },
    () => window.matchMedia(asked).matches,
    () => false,
  );
