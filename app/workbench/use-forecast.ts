import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Forecast } from "#core/forecast/forecast.ts";
import { type Activity, activity as activityDocument } from "#core/formats/activity.ts";
import type { ForecastWorker } from "../workers/forecast.worker.ts";

/**
 * Forecasts of an activity for some people, worked out beside the page. While one is under way only the newest question waits;
 * the last answer stays until the next one comes. An activity that cannot be played yet is not asked about.
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
      if (!activityDocument.safeParse(asked.activity).success) return;
      busy.current = true;
      performance.mark("strip-asked");
      try {
        const told = await worker.current.each(asked.activity, asked.people);
        setAnswer(told);
        performance.measure("strip", "strip-asked");
      } finally {
        busy.current = false;
        void run();
      }
    };
    void run();
  }, [activity, people]);
  return answer;
}
