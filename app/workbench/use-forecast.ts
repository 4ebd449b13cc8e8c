import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Forecast } from "#core/forecast/forecast.ts";
import type { Activity } from "#core/formats/activity.ts";
import type { ForecastWorker } from "../workers/forecast.worker.ts";

/** Least time between two questions, so that a drag leaves the page its time; milliseconds. */
const LEAST_GAP = 100;

/**
 * Forecasts of an activity for some people, worked out beside the page. While one is under way only the newest question waits;
 * the last answer stays until the next one comes, also where an activity cannot be played as it is being typed.
 */
export function useForecast(activity: Activity, people: readonly Who[]): Forecast[] | null {
  const [answer, setAnswer] = useState<Forecast[] | null>(null);
  const worker = useRef<Comlink.Remote<ForecastWorker> | null>(null);
  const busy = useRef(false);
  const waiting = useRef<{ activity: Activity; people: readonly Who[] } | null>(null);

  useEffect(() => {
    const w = new Worker(new URL("../workers/forecast.worker.ts", import.meta.url), { type: "module" });
    worker.current = Comlink.wrap<ForecastWorker>(w);
    return () => {
      worker.current = null;
      w.terminate();
    };
  }, []);

  useEffect(() => {
    waiting.current = { activity, people };
    const run = async () => {
      if (busy.current || !waiting.current || !worker.current) return;
      const asked = waiting.current;
      waiting.current = null;
      busy.current = true;
      const began = performance.now();
      performance.mark("strip-asked");
      try {
        const told = await worker.current.each(asked.activity, asked.people);
        setAnswer(told);
        performance.measure("strip", "strip-asked");
      } catch {
        // What is being typed cannot be played yet: the last answer stays.
      } finally {
        const rest = LEAST_GAP - (performance.now() - began);
        if (rest > 0) await new Promise((r) => setTimeout(r, rest));
        busy.current = false;
        void run();
      }
    };
    void run();
  }, [activity, people]);
  return answer;
}
