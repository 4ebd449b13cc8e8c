import { fitAsDesigned } from "../core/compile/for-home.ts";
import { type Activity, fromPattern } from "../core/formats/activity.ts";
import { opened } from "../core/formats/opened.ts";
import { random } from "../core/random.ts";
import type { HomeSpace } from "../core/records/home.ts";
import { exampleOf } from "../core/yard/layouts/laid.ts";
import { ell } from "../core/yard/shapes.ts";
import { OBSTACLES } from "../core/yard/space-limits.ts";

/**
 * Fits an activity into thirty furnished homes, and measures how the time grows with corners, obstacles and targets.
 * Prints JSON.
 */
const ROUNDS = 9;
const middle = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;
const cm = (metres: number) => Math.round(metres * 100) / 100;

/** A space with this many corners (4: a rectangle; 6: an L; more: a rounded shape) and obstacles. */
function space(draw: () => number, corners: number, things: number): HomeSpace {
  const [length, width] = [cm(3 + draw() * 5), cm(1.6 + draw() * 3)];
  const round = Array.from({ length: corners }, (_, i) => {
    const angle = (2 * Math.PI * i) / corners;
    return { x: cm((length / 2) * (1 + Math.cos(angle))), y: cm((width / 2) * (1 + Math.sin(angle))) };
  });
  const outline =
    corners === 4 ? undefined : corners === 6 ? ell(length, width, cm(length * 0.4), cm(width * 0.4)) : round;
  const obstacles = Array.from({ length: things }, () => ({
    kind: OBSTACLES[Math.floor(draw() * OBSTACLES.length)]!,
    x: cm(draw() * (length - 0.6)),
    y: cm(draw() * (width - 0.5)),
    width: cm(0.2 + draw() * 0.8),
    depth: cm(0.2 + draw() * 0.4),
  }));
  return {
    kind: "room",
    length,
    width,
    floor: "boards",
    indoors: draw() < 0.7,
    ...(outline && { outline }),
    ...(obstacles.length > 0 && { obstacles }),
  };
}
function timed(activity: Activity, spaces: readonly HomeSpace[]) {
  const times: number[] = [];
  const found = { designed: 0, adapted: 0, none: 0 };
  for (let r = 0; r < ROUNDS; r++) {
    const began = performance.now();
    for (const eachSpace of spaces) {
      const { status } = fitAsDesigned(activity, { age: 7 }, eachSpace);
      if (r === 0) found[status]++;
    }
    times.push(performance.now() - began);
  }
  return { first: times[0]!, ms: middle(times), ...found };
}
const thirty = (corners: (i: number) => number, things: (i: number) => number) => {
  const draw = random(11);
  return Array.from({ length: 30 }, (_, i) => space(draw, corners(i), things(i)));
};
/** A climb with this many targets. */
function climb(targets: number): Activity {
  const activity = fromPattern("climb");
  let now: Activity = { ...activity, space: { ...activity.space, length: 12 } };
  while (opened(now).pegs.length < targets) now = opened(now).add()!;
  while (opened(now).pegs.length > targets) now = opened(now).remove(opened(now).pegs.at(-1)!.id)!;
  return { ...now, space: activity.space };
}
const mixed = thirty(
  (i) => [4, 6, 4, 8][i % 4]!,
  (i) => i % 7,
);
const plain = thirty(
  () => 4,
  () => 3,
);
const course = { ...fromPattern("climb"), layout: { ...exampleOf("slalom") } } as Activity;
const say = (t: ReturnType<typeof timed>) =>
  `${t.ms.toFixed(0)} ms (${t.designed} as designed, ${t.adapted} adapted, ${t.none} none)`;
const base = timed(fromPattern("climb"), mixed);
const out = [
  {
    what: "fitting a climb of 5 targets into 30 furnished homes (4 to 8 corners, 0 to 6 things)",
    goal: "200 ms",
    measured: [`median ${say(base)}`, `first time ${base.first.toFixed(0)} ms`],
  },
  {
    what: "the same with a slalom of 5 markers laid out beside it",
    goal: "(growth)",
    measured: [say(timed(course, mixed))],
  },
  {
    what: "the same, 3 things in each, with 4, 6, 8, 12 and 16 corners",
    goal: "(growth)",
    measured: [4, 6, 8, 12, 16].map(
      (n) =>
        `${n}: ${say(
          timed(
            fromPattern("climb"),
            thirty(
              () => n,
              () => 3,
            ),
          ),
        )}`,
    ),
  },
  {
    what: "the same in rectangles with 0, 4, 8, 12 and 20 things",
    goal: "(growth)",
    measured: [0, 4, 8, 12, 20].map(
      (n) =>
        `${n}: ${say(
          timed(
            fromPattern("climb"),
            thirty(
              () => 4,
              () => n,
            ),
          ),
        )}`,
    ),
  },
  {
    what: "the same in rectangles with 3 things, 2, 4, 6, 8 and 10 targets",
    goal: "(growth)",
    measured: [2, 4, 6, 8, 10].map((n) => `${n}: ${say(timed(climb(n), plain))}`),
  },
];
process.stdout.write(JSON.stringify(out));
