import { parseWithZod } from "@conform-to/zod/v4";
import { expect, it } from "vitest";
import { sendForm } from "./send-form.ts";

const classId = "2d1c43b6-3f5d-4f5e-9d7b-0d3f0c1a2b3c";
const typed = {
  orderId: "o",
  classId,
  opensAt: "2026-12-01T09:00",
  closesAt: "2026-12-05T16:00",
  tries: "3",
  mark: "12",
  markUnit: "sends",
  "other.activityId": "",
  "other.from": "6",
  "other.to": "6",
};
const read = (more: Record<string, string> = {}) =>
  parseWithZod(new URLSearchParams({ ...typed, ...more }), { schema: sendForm });
const wrong = (more: Record<string, string>) => read(more).reply().error;

it("reads what is sent, to the whole class or to some, with one game or two", () => {
  const one = read();
  expect(one.status === "success" && one.value).toMatchObject({ tries: 3, children: [], other: null });
  const other = { "other.activityId": classId, "other.from": "7", "other.to": "8" };
  const two = parseWithZod(
    new URLSearchParams([...Object.entries({ ...typed, ...other }), ["children", "a"], ["children", "b"]]),
    { schema: sendForm },
  );
  expect(two.status === "success" && two.value).toMatchObject({
    children: ["a", "b"],
    other: { activityId: classId, from: 7, to: 8 },
  });
});

it("marks the field that is wrong, before anything is sent", () => {
  expect(wrong({ tries: "21" })).toEqual({ tries: ["At most 20 goes can count."] });
  expect(wrong({ tries: "" })).toEqual({ tries: ["The number of goes must be a number."] });
  expect(wrong({ closesAt: typed.opensAt })).toEqual({
    closesAt: ["The closing time must be later than the opening time."],
  });
  expect(wrong({ closesAt: "" })).toEqual({ closesAt: ["The closing time needs a date and a time."] });
  expect(wrong({ mark: "a lot" })).toEqual({ mark: ["The score to beat must be a score of this game."] });
  expect(wrong({ "other.activityId": classId, "other.from": "9", "other.to": "8" })).toEqual({
    "other.to": ["The last age must not be below the first age."],
  });
  expect(wrong({ "other.activityId": classId, "other.from": "seven" })).toEqual({
    "other.from": ["The other game needs a first age, in years."],
  });
});
