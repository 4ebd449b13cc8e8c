import { expect, it } from "vitest";
import { fromPattern } from "#core/formats/activity.ts";
import { PICTURES } from "#core/formats/answers.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import { label } from "#words/teacher.ts";
import { paths } from "../drawings/paths.ts";
import { chosenBy } from "./chosen.server.ts";

const list = PICTURES.slice(0, 3).map((picture, i) => ({ picture, text: `Answer ${i + 1}` }));
const a = { ...fromPattern("climb"), question: "Which one?", answers: { list, right: 1, explain: "" } };
const row = (...chose: (number | undefined)[]) =>
  ({ goes: chose.map((c) => ({ reflection: { ...(c !== undefined && { chose: c }) } })) }) as unknown as ResultRow;

it("counts each child's answer once, the first it gave, and none that is not there", () => {
  expect(chosenBy(a, row(undefined, 2, 1))).toBe(2);
  expect(chosenBy(a, row())).toBeNull();
  expect(chosenBy(a, row(7))).toBeNull();
  expect(chosenBy({ ...a, answers: null }, row(1))).toBeNull();
});

it("every picture of an answer is drawn and has a name", () => {
  for (const picture of PICTURES) {
    expect(paths[picture], picture).toBeTruthy();
    expect(label(`picture.${picture}`), picture).not.toContain("picture.");
  }
});
