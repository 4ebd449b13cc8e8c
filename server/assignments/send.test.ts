import { expect, it } from "vitest";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { copyOrder, LONGEST_OPEN, sendOrder, unitOf } from "./send.ts";

const ID = "0b6f2f2e-5a55-4a0f-9d0f-1f5d3d1a8a11";
const DAY = 86_400_000;
const opensAt = new Date("2026-12-01T08:00:00Z");
const order = {
  orderId: ID,
  classId: ID,
  opensAt,
  closesAt: new Date(opensAt.getTime() + 7 * DAY),
  tries: 3,
  mark: null,
};
/** The fields that are refused, with their messages. */
const wrongIn = (change: object) =>
  Object.fromEntries(
    (sendOrder.safeParse({ ...order, ...change }).error?.issues ?? []).map((issue) => [
      issue.path.join("."),
      issue.message,
    ]),
  );

it("an order is sent to all of a class, at the levels that suit, unless it says otherwise", () => {
  expect(sendOrder.parse(order)).toMatchObject({ children: null, levels: {}, other: null, markUnit: null });
});

it("it opens before it closes, and not for longer than a card may be out", () => {
  expect(wrongIn({ closesAt: opensAt })).toEqual({
    closesAt: "The closing time must be later than the opening time.",
  });
  const longest = (more: number) => wrongIn({ closesAt: new Date(opensAt.getTime() + LONGEST_OPEN * DAY + more) });
  expect(longest(0)).toEqual({});
  expect(longest(1)).toEqual({ closesAt: `An activity can stay open for at most ${LONGEST_OPEN} days.` });
  expect(Object.keys(wrongIn({ opensAt: new Date("nonsense") }))).toEqual(["opensAt"]);
});

it("goes, marks and children outside what is allowed are named", () => {
  expect(wrongIn({ tries: 0 })).toEqual({ tries: "At least 1 go must count." });
  expect(wrongIn({ tries: 21 })).toEqual({ tries: "At most 20 goes can count." });
  expect(wrongIn({ tries: 2.5 })).toEqual({ tries: "The number of goes must be a whole number." });
  expect(wrongIn({ mark: -1 })).toEqual({ mark: "The score to beat must be 0 or more." });
  expect(wrongIn({ children: [] })).toEqual({ children: "Choose at least one child." });
  expect(wrongIn({ levels: { [ID]: 99 } })).toHaveProperty([`levels.${ID}`]);
});

it("another game for some ages needs ages in their order", () => {
  const other = (from: number, to: number) => wrongIn({ other: { activityId: ID, from, to } });
  expect(other(6, 8)).toEqual({});
  expect(other(8, 8)).toEqual({});
  expect(other(9, 8)).toEqual({ "other.to": "The last age must not be below the first age." });
  expect(other(7.5, 9)).toEqual({ "other.from": "The first age must be a whole number of years." });
});

it("a copy has a title of its own, and the same times", () => {
  const { orderId, closesAt, tries } = order;
  const title = (text: string) => copyOrder.safeParse({ orderId, opensAt, closesAt, tries, title: text });
  expect(title(" Again ").data?.title).toBe("Again");
  expect(title(" ").error?.issues[0]?.message).toBe("Give a title.");
  expect(copyOrder.safeParse({ orderId, opensAt, closesAt: opensAt, tries, title: "Again" }).success).toBe(false);
});

it.each(patternNames)("the score to beat of %s is in the unit that its goes are scored in", (name) => {
  const activity = fromPattern(name);
  const { game } = opened(activity);
  expect(unitOf(activity)).toBe(game.score(game.start({ players: 1, mode: "alone", seed: 1 }))[0]!.unit);
});
