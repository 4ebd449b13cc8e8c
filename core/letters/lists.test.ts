import { expect, it } from "vitest";
import { activity, fromPattern } from "../formats/activity.ts";
import { opened, withParams } from "../formats/opened.ts";
import { ALL_WORDS, BANDS, spelledBy, spells, WORD_LISTS } from "./lists.ts";

it("has lists for three bands of readers, each its own, short and plain", () => {
  expect(new Set(WORD_LISTS.map((wordList) => wordList.id)).size).toBe(WORD_LISTS.length);
  for (const band of BANDS)
    expect(WORD_LISTS.filter((wordList) => wordList.band === band).length, band).toBeGreaterThanOrEqual(6);
  for (const wordList of WORD_LISTS) {
    expect(new Set(wordList.words).size, wordList.id).toBe(wordList.words.length);
    for (const word of wordList.words) expect(word, wordList.id).toMatch(/^[a-z]{2,8}$/);
    const longest = Math.max(...wordList.words.map((word) => word.length));
    expect(longest, wordList.id).toBeLessThanOrEqual({ first: 4, next: 5, more: 8 }[wordList.band]);
  }
});

it("finds what a set of cards spells, each card once or stood up again", () => {
  expect(spells(["t", "o", "s"], "toss", true)).toBe(true);
  expect(spells(["t", "o", "s"], "toss", false)).toBe(false);
  expect(spells(["t", "o", "s", "s"], "toss", false)).toBe(true);
  expect(spells(["sh", "i", "p", "s"], "ship", false)).toBe(true);
  expect(spells(["s", "i", "p"], "ship", true)).toBe(false);
  expect(spelledBy(["s", "t", "o", "p"], false)).toEqual(["pot", "spot", "stop", "top"]);
  expect(spelledBy(["s", "t", "o", "p"], true, ["stop"])).toEqual(["pop", "pot", "spot", "top", "toss"]);
  // Every word of ours by brute force over the letters.
  for (const allWord of ALL_WORDS) expect(spells([...allWord], allWord, false)).toBe(true);
});

it("is offered in the Score station: a list is taken with the fewest cards that spell it", () => {
  const design = fromPattern("speller");
  const knob = opened(design)
    .knobs()
    .find((eachKnob) => eachKnob.label === "knob.wordList")!;
  expect(knob.kind === "choice" && knob.options.length).toBeGreaterThan(15);
  if (knob.kind !== "choice") return;
  for (const { value, label } of knob.options) {
    const next = withParams(design, value);
    expect(activity.safeParse(next).error?.issues ?? [], label).toEqual([]);
    const params = next.pattern.params as { list: string; cards: { text: string }[] };
    const letters = new Set(params.list.replace(/[, ]/g, ""));
    // Stood up at once, each letter takes one card.
    if (label !== "knob.wordListOwn") expect(params.cards, label).toHaveLength(letters.size);
  }
});
