import { expect, test } from "vitest";
import { FEWEST, MIN_A_SECOND, movingNext } from "./pace.ts";

test("fewer pictures move where frames are slow, never fewer than four, and not more than there are", () => {
  expect(movingNext(30, 30, MIN_A_SECOND)).toBe(30);
  expect(movingNext(30, 30, MIN_A_SECOND / 2)).toBe(15);
  expect(movingNext(30, 30, 0.4)).toBe(FEWEST);
  expect(movingNext(2, 2, 0.4)).toBe(2);
});

test("a device that was busy for a moment gets all of them back, and one that is slow does not go up and down", () => {
  let count = movingNext(30, 30, 3);
  for (let i = 0; i < 10; i++) count = movingNext(count, 30, 60);
  expect(count).toBe(30);
  // So many frames a second as its pictures leave it: it settles.
  const slow = (moving: number) => Math.min(60, 500 / moving);
  let at = 30;
  const been: number[] = [];
  for (let i = 0; i < 12; i++) {
    at = movingNext(at, 30, slow(at));
    been.push(at);
  }
  expect(new Set(been.slice(2)).size).toBe(1);
  expect(slow(at)).toBeGreaterThan(0.95 * MIN_A_SECOND);
});
