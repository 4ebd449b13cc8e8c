import { expect, it } from "vitest";
import { fromPattern, parseActivity } from "./activity.ts";
import { PICTURES } from "./answers.ts";

const climb = fromPattern("climb");
const two = [
  { picture: "bucket", text: "The bucket" },
  { picture: PICTURES[0], text: "The left foot" },
];
const asked = (over: object, question = "Which one?") => ({
  ...climb,
  question,
  answers: { list: two, right: 0, explain: "", ...over },
});
const told = (a: object) => {
  const done = parseActivity(a);
  return done.ok ? [] : done.problems.map((problem) => `${problem.field}: ${problem.message}`);
};

it("takes a question with two to four answers, each with a picture of ours, one right or none wrong", () => {
  expect(told(asked({}))).toEqual([]);
  expect(told(asked({ right: null }))).toEqual([]);
  expect(told(asked({}, ""))).toEqual(["question: the question needs a text, because it has answers"]);
  expect(told(asked({ right: 2 }))).toEqual(["answers.right: right must be one of the answers"]);
  expect(told(asked({ list: two.slice(1) }))).toEqual(["answers.list: a question has at least 2 answers"]);
  expect(told(asked({ list: [...two, ...two, ...two] }))).toEqual(["answers.list: a question has at most 4 answers"]);
  expect(told(asked({ list: [two[0], { picture: "bucket", text: " " }] }))).toEqual([
    "answers.list.1.text: answer must not be empty",
  ]);
  expect(told(asked({ list: [two[0], { picture: "nowhere", text: "A" }] }))[0]).toContain(
    'answers.list.1.picture: there is no picture "nowhere"',
  );
});
