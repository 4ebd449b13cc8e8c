import { useEffect, useRef } from "react";

/** The screen height that a whole game needs, rem. On a lower screen everything is drawn smaller. */
const ROOMY = 43.75;
/** Screen width, rem, below which heading and clock no longer fit side by side. */
const NARROW = 17;

/** Marks the page as tight or large while the reader's text size leaves little room. The ref goes on an element one rem wide. */
export function useTight() {
  const line = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const page = document.documentElement;
    const look = () => {
      const rem = line.current?.getBoundingClientRect().width || 16;
      page.toggleAttribute("data-tight", innerHeight / rem < ROOMY);
      page.toggleAttribute("data-large", innerWidth / rem < NARROW);
    };
    const watch = new ResizeObserver(look);
    if (line.current) watch.observe(line.current);
    addEventListener("resize", look);
    look();
    return () => {
      watch.disconnect();
      removeEventListener("resize", look);
      page.removeAttribute("data-tight");
      page.removeAttribute("data-large");
    };
  }, []);
  return line;
}
