import type { Remote } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";

export interface Beside<W> {
  state: "idle" | "working" | "failed";
  /** Asks the worker. An earlier question is given up. */
  ask: <T>(call: (worker: Remote<W>) => Promise<T>, done: (result: T) => void) => void;
  stop: () => void;
}

/**
 * Lets a worker compute something beside the screen. Each question gets a worker of its own, so that it can be given
 * up. `make` must always be the same function.
 */
export function useBeside<W>(make: () => Worker): Beside<W> {
  const worker = useRef<Worker | null>(null);
  const [state, set] = useState<"idle" | "working" | "failed">("idle");
  useEffect(() => () => worker.current?.terminate(), []);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    set("idle");
  }, []);
  const ask = useCallback<Beside<W>["ask"]>(
    (call, done) => {
      worker.current?.terminate();
      const made = make();
      worker.current = made;
      set("working");
      // Comlink is loaded with the first question.
      import("comlink")
        .then(({ wrap }) => call(wrap<W>(made)))
        .then((result) => {
          if (worker.current !== made) return;
          made.terminate();
          worker.current = null;
          set("idle");
          done(result);
        })
        .catch(() => {
          if (worker.current === made) set("failed");
        });
    },
    [make],
  );
  return { state, ask, stop };
}
