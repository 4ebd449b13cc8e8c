import * as Comlink from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { SchoolItems } from "#core/compile/card.ts";
import type { KitFit } from "#core/compile/class-fit.ts";
import type { HomeFacts } from "#core/compile/for-home.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Forecast } from "#core/forecast/result.ts";
import type { Warning } from "#core/forecast/warnings.ts";
import type { Activity } from "#core/formats/activity.ts";
import type { ForecastWorker, HomeMade } from "../workers/forecast.worker.ts";

/** Least time between two questions, so that a drag leaves the page its time; milliseconds. */
const MIN_GAP = 100;
type Remote = Comlink.Remote<ForecastWorker>;

/**
 * What a worker of its own answers to `ask`, worked out beside the page. While one question is under way only the newest waits; the last
 * answer stays until the next one comes, also where an activity cannot be played as it is being typed. The worker begins with the first question;
 * null: there is none.
 */
function useWorker<A>(ask: ((worker: Remote) => Promise<A>) | null, name: string): A | null {
  const [answer, setAnswer] = useState<A | null>(null);
  const worker = useRef<Remote | null>(null);
  const busy = useRef(false);
  const waiting = useRef<typeof ask | null>(null);

  const begun = useRef<Worker | null>(null);
  useEffect(
    () => () => {
      begun.current?.terminate();
      begun.current = null;
      worker.current = null;
      busy.current = false;
    },
    [],
  );

  useEffect(() => {
    waiting.current = ask;
    if (!ask) return;
    if (!begun.current) {
      begun.current = new Worker(new URL("../workers/forecast.worker.ts", import.meta.url), { type: "module" });
      worker.current = Comlink.wrap<ForecastWorker>(begun.current);
    }
    const run = async () => {
      if (busy.current || !waiting.current || !worker.current) return;
      const asked = waiting.current;
      waiting.current = null;
      busy.current = true;
      const began = performance.now();
      performance.mark(`${name}-asked`);
      try {
        const told = await asked(worker.current);
        setAnswer(told);
        performance.measure(name, `${name}-asked`);
      } catch {
        // What is being typed cannot be played yet: the last answer stays.
      } finally {
        const rest = MIN_GAP - (performance.now() - began);
        if (rest > 0) await new Promise((resolve) => setTimeout(resolve, rest));
        busy.current = false;
        void run();
      }
    };
    void run();
  }, [ask, name]);
  return answer;
}

/** Forecasts of an activity for some people. */
export function useForecast(activity: Activity, people: readonly Who[]): Forecast[] | null {
  const ask = useCallback((remote: Remote) => remote.each(activity, people), [activity, people]);
  return useWorker(ask, "strip");
}

/** The share of goes that reach the end on each level of an activity, by person; none where its levels are not made by that. */
export function useEnds(activity: Activity, people: readonly Who[]): number[][] | null {
  const { levels } = activity;
  const ask = useCallback(
    (remote: Remote) => remote.ends(activity, levels?.list ?? [], people),
    [activity, levels, people],
  );
  return useWorker(levels?.of === "end" ? ask : null, "ends");
}

/** Where the child sets the targets out: what somebody meets with all of them near, and with all of them far. */
export function useSetOutEnds(ends: { near: Activity; far: Activity }, who: Who): [Forecast, Forecast] | null {
  const ask = useCallback(
    async (remote: Remote): Promise<[Forecast, Forecast]> => {
      const [near] = await remote.each(ends.near, [who]);
      const [far] = await remote.each(ends.far, [who]);
      return [near!, far!];
    },
    [ends, who],
  );
  return useWorker(ask, "setOut");
}

/** What should be looked at before an activity is sent, for the youngest, the middle and the oldest. */
export function useWarnings(activity: Activity, people: readonly [Who, Who, Who]): Warning[] | null {
  const ask = useCallback((remote: Remote) => remote.warnings(activity, people), [activity, people]);
  return useWorker(ask, "warnings");
}

/** What somebody can expect of each of some activities, points. */
export function useExpected(activities: readonly Activity[], who: Who): (number | null)[] | null {
  const ask = useCallback((remote: Remote) => remote.expected(activities, who), [activities, who]);
  return useWorker(ask, "expected");
}

/** Which homes can do an activity with their own things. */
export function useKitFits(
  activity: Activity,
  homes: readonly HomeFacts[],
  items: SchoolItems,
  who: Who,
): KitFit[] | null {
  const ask = useCallback((remote: Remote) => remote.homes(activity, homes, items, who), [activity, homes, items, who]);
  return useWorker(ask, "homes");
}

/** An activity in one home. */
export function useHomeFit(activity: Activity, home: HomeFacts, items: SchoolItems, age: number): HomeMade | null {
  const ask = useCallback((remote: Remote) => remote.oneHome(activity, home, items, age), [activity, home, items, age]);
  return useWorker(ask, "home");
}
