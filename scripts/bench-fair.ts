import { spawnSync } from "node:child_process";
import { fileURLToPath } from "node:url";
import { fairMatch } from "../core/fair/fair.ts";
import { fromPattern } from "../core/formats/activity.ts";
import { type PatternName, patternNames } from "../core/patterns/registry.ts";

/**
 * How often a fair match between a child of 7 and a grown-up is found by a newly started program. The middle time
 * counts.
 */
const TIMES = 3;
/** The time allowed here, milliseconds, for a goal set on a device of a quarter of the speed. */
const GOAL = 3000 / 4;

const [, , one] = process.argv;
if (one) {
  const activity = fromPattern(one as PatternName);
  const from = performance.now();
  const { fair } = fairMatch(activity, [{ age: 7 }, { age: "adult" }]);
  process.stdout.write(JSON.stringify({ ms: performance.now() - from, fair }));
} else {
  const me = fileURLToPath(import.meta.url);
  const took = (name: string) => {
    const all = Array.from({ length: TIMES }, () => {
      const done = spawnSync(process.execPath, ["--import", "tsx", me, name], { encoding: "utf8" });
      return (JSON.parse(done.stdout) as { ms: number }).ms;
    });
    return all.sort((x, y) => x - y)[Math.floor(TIMES / 2)]!;
  };
  const against = patternNames.filter((name) => fromPattern(name).players.modes.includes("against"));
  const all = against.map((name) => ({ name, ms: took(name) })).sort((x, y) => y.ms - x.ms);
  const within = all.filter((x) => x.ms <= GOAL).length;
  process.stdout.write(
    JSON.stringify([
      {
        what: "a fair match, child of 7 and grown-up",
        goal: `${GOAL} ms (3 s at a quarter of the speed)`,
        measured: [`${within} of ${all.length} games`, ...all.map((x) => `${x.name} ${x.ms.toFixed(0)} ms`)],
      },
    ]),
  );
}
