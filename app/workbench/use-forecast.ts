import type * as Comlink from "comlink";
import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from "react";
import type { SchoolItems } from "#core/compile/card.ts";
import type { KitFit } from "#core/compile/class-fit.ts";
import type { HomeFacts } from "#core/compile/for-home.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Forecast } from "#core/forecast/result.ts";
import type { Warning } from "#core/forecast/warnings.ts";
import { type Activity, parseActivity } from "#core/formats/activity.ts";
import type { ForecastWorker, HomeMade } from "../workers/forecast.worker.ts";
import { WorkerPool } from "../workers/pool.ts";

/** The least time between two questions, so that a drag leaves the page time to render, milliseconds. */
const MIN_GAP = 100;
/** The number of forecast workers of a page. More would take processor time from the page itself. */
const WORKERS = 2;
type Remote = Comlink.Remote<ForecastWorker>;
const pool = new WorkerPool<ForecastWorker>(
  () => new Worker(new URL("../workers/forecast.worker.ts", import.meta.url), { type: "module" }),
  WORKERS,
);

/** Questions that a worker could not answer, by name. */
const failures = new Map<string, { message: string; retry: () => void }>();
const failureListeners = new Set<() => void>();
let failureSnapshot: readonly { message: string; retry: () => void }[] = [];
function setFailure(name: string, failure: { message: string; retry: () => void } | null): void {
  if (failure === null && !failures.has(name)) return;
  if (failure) failures.set(name, failure);
  else failures.delete(name);
  failureSnapshot = [...failures.values()];
  for (const listener of failureListeners) listener();
}
/** Questions without an answer because something went wrong, each with a way to ask again. */
export const useForecastFailures = () =>
  useSyncExternalStore(
    (listener) => {
      failureListeners.add(listener);
      return () => failureListeners.delete(listener);
    },
    () => failureSnapshot,
    () => failureSnapshot,
  );

/**
 * The answer of a worker to `ask`, worked out beside the page. During one question only the newest of the next ones
 * waits, and the last answer stays until another one comes. An activity that is not playable while it is being typed
 * keeps the last answer too. Any other error is reported (`useForecastFailures`). Null: nothing is asked.
 */
function useWorker<A>(
  ask: ((worker: Remote) => Promise<A>) | null,
  name: string,
  activities: readonly Activity[],
): A | null {
  const [answer, setAnswer] = useState<A | null>(null);
  const busy = useRef(false);
  const waiting = useRef<typeof ask | null>(null);
  const gone = useRef(false);
  const latest = useRef(activities);
  latest.current = activities;
  useEffect(() => {
    gone.current = false;
    return () => {
      gone.current = true;
      waiting.current = null;
      setFailure(name, null);
    };
  }, [name]);

  useEffect(() => {
    waiting.current = ask;
    if (!ask) return;
    const run = async () => {
      if (busy.current || !waiting.current) return;
      const asked = waiting.current;
      waiting.current = null;
      busy.current = true;
      const began = performance.now();
      performance.mark(`${name}-asked`);
      try {
        const answered = await pool.run(asked);
        if (gone.current) return;
        setAnswer(answered);
        setFailure(name, null);
        performance.measure(name, `${name}-asked`);
      } catch (error) {
        // While it is being typed, an activity may not be playable, so the last answer stays.
        const whole = latest.current.every((activity) => parseActivity(activity).ok);
        if (whole && !gone.current)
          setFailure(name, {
            message: (error as Error).message,
            retry: () => {
              waiting.current = asked;
              void run();
            },
          });
      } finally {
        const rest = MIN_GAP - (performance.now() - began);
        if (rest > 0) await new Promise((resolve) => setTimeout(resolve, rest));
        busy.current = false;
        if (!gone.current) void run();
      }
    };
    void run();
  }, [ask, name]);
  return answer;
}

/** Forecasts of an activity for some people. */
export function useForecast(activity: Activity, people: readonly Who[]): Forecast[] | null {
  const ask = useCallback((remote: Remote) => remote.each(activity, people), [activity, people]);
  return useWorker(ask, "strip", [activity]);
}

/**
 * The share of goes that reach the end at each level of an activity, for each person. Empty if its levels were not
 * made for that.
 */
export function useEnds(activity: Activity, people: readonly Who[]): number[][] | null {
  const { levels } = activity;
  const ask = useCallback(
    (remote: Remote) => remote.ends(activity, levels?.list ?? [], people),
    [activity, levels, people],
  );
  return useWorker(levels?.of === "end" ? ask : null, "ends", [activity]);
}

/** If the child sets the targets out: what somebody can expect with all targets near, and with all of them far. */
export function useSetOutEnds(ends: { near: Activity; far: Activity }, who: Who): [Forecast, Forecast] | null {
  const ask = useCallback(
    async (remote: Remote): Promise<[Forecast, Forecast]> => {
      const [near] = await remote.each(ends.near, [who]);
      const [far] = await remote.each(ends.far, [who]);
      return [near!, far!];
    },
    [ends, who],
  );
  return useWorker(ask, "setOut", [ends.near, ends.far]);
}

/** What to check before an activity is sent, for the youngest, the typical and the oldest child. */
export function useWarnings(activity: Activity, people: readonly [Who, Who, Who]): Warning[] | null {
  const ask = useCallback((remote: Remote) => remote.warnings(activity, people), [activity, people]);
  return useWorker(ask, "warnings", [activity]);
}

/** What somebody can expect to score in each of some activities, points. */
export function useExpected(activities: readonly Activity[], who: Who): (number | null)[] | null {
  const ask = useCallback((remote: Remote) => remote.expected(activities, who), [activities, who]);
  return useWorker(ask, "expected", activities);
}

/** Which homes can do an activity with their own items. */
export function useKitFits(
  activity: Activity,
  homes: readonly HomeFacts[],
  items: SchoolItems,
  who: Who,
): KitFit[] | null {
  const ask = useCallback((remote: Remote) => remote.homes(activity, homes, items, who), [activity, homes, items, who]);
  return useWorker(ask, "homes", [activity]);
}

/** An activity in one home. */
export function useHomeFit(activity: Activity, home: HomeFacts, items: SchoolItems, age: number): HomeMade | null {
  const ask = useCallback((remote: Remote) => remote.oneHome(activity, home, items, age), [activity, home, items, age]);
  return useWorker(ask, "home", [activity]);
}
