import { fromPattern } from "../core/formats/activity.ts";
import { rateAt } from "../core/levels/levels.ts";
import { levelsNext } from "../core/levels/next-week.ts";
import { patternNames } from "../core/patterns/registry.ts";

/**
 * The time of an edit at the Levels station, milliseconds: the chances of five levels for the three children shown,
 * and for a class of thirty without two alike, computed from scratch. The worst and the middle over all patterns.
 * Prints JSON.
 */
const THREE = [{ age: 6 }, { age: 8 }, { age: 10 }];
const CLASS = Array.from({ length: 30 }, (_, i) => ({ age: 7 + (i % 3), multiplier: 0.5 + 0.05 * i }));
const EDITS = 5;

const told = patternNames.map((name) => {
  const drawn = fromPattern(name);
  const levels = levelsNext(drawn, { age: 8 });
  const times = (people: readonly { age: number; multiplier?: number }[]) =>
    Array.from({ length: EDITS }, (_, i) => {
      // Each edit is a new document, so that nothing is cached for it.
      const a = structuredClone({ ...drawn, levels: null, minutes: drawn.minutes + i });
      const list = levels.list.map((setting) => ({ ...setting, line: setting.line + 0.01 * i }));
      const began = performance.now();
      for (const setting of list) for (const who of people) rateAt(a, setting, who);
      return performance.now() - began;
    }).sort((x, y) => x - y);
  const three = times(THREE);
  const thirty = times(CLASS);
  return { name, three: three[EDITS >> 1]!, thirty: thirty[EDITS >> 1]! };
});
const over = (of: "three" | "thirty") => {
  const all = told.map((t) => t[of]).sort((x, y) => x - y);
  const worst = told.find((t) => t[of] === all[all.length - 1])!;
  return { middle: Math.round(all[all.length >> 1]!), worst: Math.round(worst[of]), in: worst.name };
};
const row = (what: string, goal: string, of: ReturnType<typeof over>) => ({
  what,
  goal,
  measured: [`${of.middle} ms`, `worst ${of.worst} ms (${of.in})`],
});
process.stdout.write(
  JSON.stringify([
    row("an edit at Levels, the three children", "100 ms", over("three")),
    row("the same, a class of 30 outright", "500 ms", over("thirty")),
  ]),
);
