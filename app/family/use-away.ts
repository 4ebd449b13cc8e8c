import { useLayoutEffect, useRef, useState } from "react";
import { tappedIn } from "./second-tap.ts";

/**
 * For a wide button that comes where something else was just tapped: the side it goes to, so that it never lies under the thumb; null: it was not
 * tapped there. Chosen once, when it appears.
 */
export function useAway<E extends HTMLElement>() {
  const box = useRef<E>(null);
  const [away, set] = useState<"left" | "right" | null>(null);
  useLayoutEffect(() => {
    const tapped = box.current && tappedIn(box.current.getBoundingClientRect());
    if (tapped !== null) set(tapped > 0.5 ? "left" : "right");
  }, []);
  return { box, away };
}
