import { forecastActivity } from "../core/forecast/for-activity.ts";
import { fromPattern } from "../core/formats/activity.ts";

/** Exact forecasts beside simulations: the time of each, and how far a simulation of a stated error strays. Prints JSON. */
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
  const a = fromPattern(name);
  const exact = timed(() => forecastActivity(a, [{ age: 7 }], alone, "middle", { method: "exact" }), 15);
  const games = 10_000;
  const sampled = timed(
    () => forecastActivity(a, [{ age: 7 }], alone, "middle", { method: "sampled", samples: games }),
    3,
  );
  // To bring a simulation's standard error down to 1e-6 takes 0.25 / 1e-12 games.
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
process.stdout.write(JSON.stringify(out));
