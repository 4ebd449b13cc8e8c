import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import type { Fair } from "#core/fair/fair.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import type { FairWorker } from "../workers/fair.worker.ts";

/** A fair match, worked out beside the screen; it can be given up. */
export function useFair(): {
  state: "idle" | "working" | "failed";
  find: (a: Activity, who: readonly Who[], done: (f: Fair) => void) => void;
  stop: () => void;
} {
  const worker = useRef<Worker | null>(null);
  const [state, set] = useState<"idle" | "working" | "failed">("idle");
  useEffect(() => () => worker.current?.terminate(), []);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
    set("idle");
  };
  return {
    state,
    stop,
    find(a, who, done) {
      worker.current?.terminate();
      const made = new Worker(new URL("../workers/fair.worker.ts", import.meta.url), { type: "module" });
      worker.current = made;
      set("working");
      Comlink.wrap<FairWorker>(made)
        .match(a, who)
        .then((f) => {
          if (worker.current !== made) return;
          made.terminate();
          worker.current = null;
          set("idle");
          done(f);
        })
        .catch(() => {
          if (worker.current === made) set("failed");
        });
    },
  };
}
