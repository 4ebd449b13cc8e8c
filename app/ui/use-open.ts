import { useCallback, useEffect, useRef, useState } from "react";

/**
 * The state of something that opens at a press. The press is shown first, and what opens is drawn right after that
 * paint, so that a slow machine answers at once. It closes at once.
 */
export function useOpen(): [open: boolean, change: (open: boolean) => void] {
  const [open, setOpen] = useState(false);
  const frame = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const stop = useCallback(() => {
    cancelAnimationFrame(frame.current);
    clearTimeout(timer.current);
  }, []);
  useEffect(() => stop, [stop]);
  const change = useCallback(
    (next: boolean) => {
      stop();
      if (!next) setOpen(false);
      else
        frame.current = requestAnimationFrame(() => {
          timer.current = setTimeout(() => setOpen(true));
        });
    },
    [stop],
  );
  return [open, change];
}
