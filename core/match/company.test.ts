import { describe, expect, test } from "vitest";
import { including, without } from "./company.ts";

const next = (players: readonly number[], turns: number) => players[turns % players.length];
const order = (players: readonly number[], turns: number, count: number) =>
  Array.from({ length: count }, (_, i) => next(players, turns + i));

describe("who comes next", () => {
  test("stays who it was when somebody else leaves, and is the one after it when it leaves itself", () => {
    for (const count of [2, 3, 4, 6])
      for (let turns = 0; turns < 13; turns++)
        for (let who = 0; who < count; who++) {
          const all = Array.from({ length: count }, (_, i) => i);
          const was = order(all, turns, count).filter((p) => p !== who);
          expect(order(without(all, who, turns), turns, count - 1)).toEqual(was);
        }
  });
  test("stays who it was when somebody joins, who comes after all others", () => {
    for (const count of [1, 2, 3, 5])
      for (let turns = 0; turns < 13; turns++) {
        const all = Array.from({ length: count }, (_, i) => i);
        expect(order(including(all, 9, turns), turns, count + 1)).toEqual([...order(all, turns, count), 9]);
      }
  });
  test("nobody is left of a side of one", () => expect(without([2], 2, 5)).toEqual([]));
});
