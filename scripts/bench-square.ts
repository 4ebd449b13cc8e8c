import { mixed } from "../core/sorting-grid/mix.ts";

/**
 * Measures how long it takes to mix a Swap square to a given difficulty, and whether the difficulty is proved. Prints
 * JSON.
 */
const EACH = 12;
const ORDERS = [
  [3, "line", 3, 4],
  [3, "next", 5, 6],
  [4, "line", 4, 5],
  [4, "line", 6, 7],
  [4, "line", 8, 9],
  [4, "next", 6, 8],
  [4, "next", 9, 10],
  [5, "line", 8, 14],
] as const;
const at = (list: readonly number[], share: number) =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length * share)]!;

process.stdout.write(
  JSON.stringify(
    ORDERS.map(([n, reach, least, most]) => {
      const times: number[] = [];
      let proved = 0;
      for (let seed = 1; seed <= EACH; seed++) {
        const began = performance.now();
        if (mixed({ n, reach, least, most, seed }).wanted) proved++;
        times.push(performance.now() - began);
      }
      return {
        what: `a square of ${n} kinds in ${least} to ${most} trips, ${reach}`,
        goal: n < 5 ? "2 s, proved" : "(bounds)",
        measured: [
          `median ${at(times, 0.5).toFixed(0)} ms`,
          `slowest ${at(times, 0.999).toFixed(0)} ms`,
          `proved ${proved} of ${EACH}`,
        ],
      };
    }),
  ),
);
