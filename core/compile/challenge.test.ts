import { expect, it } from "vitest";
import { type Activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { distancesOf, shifted } from "./challenge.ts";

/** Nothing stands on anything else, and lines are in their order. */
const stands = (activity: Activity) => opened(activity).pattern.params.safeParse(activity.pattern.params).success;

it("targets that are moved all together keep their distances, and stop where the first can go no farther", () => {
  const climb = fromPattern("climb");
  const was = distancesOf(climb);
  const gaps = (list: readonly number[]) => list.slice(1).map((distance, i) => distance - list[i]!);
  for (const by of [0.4, -0.4, -9, 99]) {
    const next = shifted(climb, by);
    expect(stands(next), `${by}`).toBe(true);
    for (const [i, gap] of gaps(distancesOf(next)).entries()) expect(gap, `${by}`).toBeCloseTo(gaps(was)[i]!, 6);
  }
  expect(distancesOf(shifted(climb, 0.4))[0]).toBeCloseTo(was[0]! + 0.4, 6);
  expect(Math.min(...distancesOf(shifted(climb, -9)))).toBeCloseTo(0.3, 6);
  expect(Math.max(...distancesOf(shifted(climb, 99)))).toBeCloseTo(30, 6);
});

it("lines stop one by one, each before the next", () => {
  const ladder = fromPattern("passLadder");
  const next = shifted(ladder, -9);
  expect(stands(next)).toBe(true);
  const list = distancesOf(next);
  expect([...list].sort((a, b) => a - b)).toEqual(list);
  expect(list[0]).toBeCloseTo(0.3, 6);
});
