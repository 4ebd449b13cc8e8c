import { forecastActivity } from "../core/forecast/for-activity.ts";
import { fromPattern } from "../core/formats/activity.ts";
import { patternNames } from "../core/patterns/registry.ts";

/**
 * Compares exact forecasts with simulations: the time of each, and the true error of a simulation against its stated
 * one. Prints JSON.
 */
const alone = { players: 1, mode: "alone", seed: 5 } as const;
const middle = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;
const timed = <T>(work: () => T, rounds: number): { ms: number; last: T } => {
  let last = work();
  const times: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const began = performance.now();
    last = work();
    times.push(performance.now() - began);
  }
  return { ms: middle(times), last };
};
const out = (["climb", "bands"] as const).map((name) => {
  const activity = fromPattern(name);
  const exact = timed(() => forecastActivity(activity, [{ age: 7 }], alone, "middle", { method: "exact" }), 15);
  const games = 10_000;
  const sampled = timed(
    () => forecastActivity(activity, [{ age: 7 }], alone, "middle", { method: "sampled", samples: games }),
    3,
  );
  // A standard error of 1e-6 takes 0.25 / 1e-12 simulated games.
  const toMillionth = (sampled.ms / games) * (0.25 / 1e-12);
  return {
    what: `forecast of ${name}, one child, exact beside simulated`,
    goal: "(reported)",
    measured: [
      `exact ${exact.ms.toFixed(1)} ms (${exact.last.size} states, left over ${exact.last.cut.toExponential(0)})`,
      `${games} games ${sampled.ms.toFixed(0)} ms for a standard error of ${(50 / Math.sqrt(games)).toFixed(1)} points`,
      `an error of 0.0001 points would take about ${(toMillionth / 3_600_000).toFixed(0)} h`,
    ],
  };
});
/**
 * The example of every pattern, played alone: exact forecasts in 100 ms, or sampled ones in a second with their
 * error.
 */
for (const name of patternNames) {
  const activity = fromPattern(name);
  const times: number[] = [];
  let last = forecastActivity(activity, [{ age: 7 }], alone, "middle");
  for (let i = 0; i < 15; i++) {
    const fresh = structuredClone(activity);
    const began = performance.now();
    last = forecastActivity(fresh, [{ age: 7 }], alone, "middle");
    times.push(performance.now() - began);
  }
  times.sort((x, y) => x - y);
  out.push({
    what: `forecast of the example of ${name}, one child`,
    goal: last.method === "exact" ? "100 ms" : "1000 ms",
    measured: [
      `median ${times[7]!.toFixed(0)} ms`,
      `p95 ${times[14]!.toFixed(0)} ms`,
      last.method === "exact" ? "exact" : `sampled, standard error ${(100 * last.standardError).toFixed(1)} points`,
    ],
  });
}
const six = Array.from({ length: 6 }, () => ({ age: 7 }));
const with_ = (name: "climb" | "bands", change: object, match: object = {}) => {
  const activity = fromPattern(name);
  return {
    ...activity,
    pattern: { ...activity.pattern, params: { ...(activity.pattern.params as object), ...change } },
    match: { ...activity.match, ...match },
  } as typeof activity;
};
/** The worst that the schema allows. */
const worst = [
  () =>
    forecastActivity(
      with_("bands", { pieces: 10, finish: { rounds: 100, total: null, exact: false, dropTo: null } }),
      six,
      { players: 6, mode: "against", seed: 1 },
      "bestExpected",
    ),
  () =>
    forecastActivity(
      with_("bands", { finish: { rounds: null, total: 1000, exact: true, dropTo: 0 } }),
      six.slice(0, 2),
      { players: 2, mode: "against", seed: 1 },
      "middle",
    ),
  () =>
    forecastActivity(with_("climb", { tries: null }), [{ age: 7 }], alone, "middle", {
      chances: { t1: 1e-3, t2: 1e-3, t3: 1e-3, t4: 1e-3, t5: 1e-3 },
    }),
  () =>
    forecastActivity(
      with_("climb", { tries: null, scoring: { by: "time" } }, { seconds: 1800, goes: { count: 5, keep: "total" } }),
      six,
      { players: 6, mode: "against", seed: 1 },
      "middle",
    ),
].map((work) => timed(work, 3).ms);
out.push({
  what: "forecasts of the most that the schema allows (6 players, 100 rounds of 10; an exact total of 1000; chances of 0.001 without a cap; 5 goes on the clock)",
  goal: "2 s",
  measured: [worst.map((ms) => `${ms.toFixed(0)} ms`).join(", ")],
});
process.stdout.write(JSON.stringify(out));
