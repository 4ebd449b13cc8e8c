import { describe, expect, it } from "vitest";
import { type Activity, fromPattern } from "#core/formats/activity.ts";
import { history } from "./draft.ts";

const named = (title: string): Activity => ({ ...fromPattern("climb"), title });
const begin = { now: named("a"), past: [], future: [], key: null };
type H = Parameters<typeof history>[0];
const change = (h: H, title: string, key: string | null = null) =>
  history(h, { type: "change", next: named(title), key });
const titles = (h: H) => [
  h.past.map((activity) => activity.title),
  h.now.title,
  h.future.map((activity) => activity.title),
];

describe("the history of a draft", () => {
  it("goes back and forth, and a new change forgets what was undone", () => {
    const three = change(change(begin, "b"), "c");
    expect(titles(three)).toEqual([["a", "b"], "c", []]);
    const back = history(history(three, { type: "undo" }), { type: "undo" });
    expect(titles(back)).toEqual([[], "a", ["b", "c"]]);
    expect(history(back, { type: "undo" })).toBe(back);
    const forth = history(back, { type: "redo" });
    expect(titles(forth)).toEqual([["a"], "b", ["c"]]);
    expect(titles(change(forth, "d"))).toEqual([["a", "b"], "d", []]);
    expect(history(three, { type: "redo" })).toBe(three);
  });
  it("takes a drag, or a word being typed, as one step", () => {
    let h = change(begin, "t", "title");
    for (const text of ["ti", "tit", "titl"]) h = change(h, text, "title");
    expect(titles(h)).toEqual([["a"], "titl", []]);
    h = change(h, "x", "drag t1");
    expect(titles(h)).toEqual([["a", "titl"], "x", []]);
    // Two changes without a key are two steps.
    expect(change(change(h, "y"), "z").past).toHaveLength(4);
    // After an undo, the same key begins a new step.
    const undone = history(h, { type: "undo" });
    expect(titles(change(undone, "w", "drag t1"))).toEqual([["a", "titl"], "w", []]);
  });
  it("remembers two hundred steps, and nothing where nothing changed", () => {
    let h: H = begin;
    for (let i = 0; i < 250; i++) h = change(h, `${i}`);
    expect(h.past).toHaveLength(200);
    expect(h.past[0]!.title).toBe("49");
    expect(history(h, { type: "change", next: h.now, key: null })).toBe(h);
  });
  it("puts another version in its place as a step that can be taken back", () => {
    const h = history(change(begin, "b"), { type: "replace", next: named("theirs") });
    expect(titles(h)).toEqual([["a", "b"], "theirs", []]);
    expect(titles(history(h, { type: "undo" }))).toEqual([["a"], "b", ["theirs"]]);
  });
});
