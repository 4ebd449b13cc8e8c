import { random } from "../../random.ts";
import type { Part } from "../parts.ts";
import { cm, defineLayout, metres, upTo, whole } from "./layout.ts";

/** Cells of a square grid, near row first, from left to right. */
function cells(count: number, cell: number, label: (i: number) => string): Part[] {
  return upTo(count * count).map((i): Part => {
    const [r, c] = [Math.floor(i / count), i % count];
    return {
      kind: "cell",
      id: `c${r + 1}${c + 1}`,
      along: cm((r + 0.5) * cell),
      across: cm((c - (count - 1) / 2) * cell),
      depth: cell,
      width: cell,
      label: label(i),
    };
  });
}

/** Bands across the floor, worth more the farther away they are. */
export const bands = defineLayout({
  name: "bands",
  fields: { count: whole(1, 9), depth: metres(0.1, 2, 0.05), wide: metres(0.3, 6) },
  rigid: true,
  item: null,
  parts: ({ count, depth, wide }) => [
    ...upTo(count).map(
      (i): Part => ({
        kind: "court",
        id: `z${i + 1}`,
        along: cm((i + 0.5) * depth),
        across: 0,
        depth,
        width: wide,
        label: `${i + 1}`,
      }),
    ),
    ...upTo(count + 1).map(
      (i): Part => ({ kind: "line", id: `b${i + 1}`, along: cm(i * depth), across: 0, width: wide, role: "band" }),
    ),
  ],
  example: { values: { count: 4, depth: 0.45, wide: 1.4 }, along: 1.8 },
});

/** A square of cells on the floor, n by n. */
export const grid = defineLayout({
  name: "grid",
  fields: { side: whole(2, 6), cell: metres(0.15, 1.5, 0.05) },
  rigid: true,
  item: null,
  parts: ({ side, cell }) => cells(side, cell, (i) => `${i + 1}`),
  example: { values: { side: 3, cell: 0.5 }, along: 1.6 },
});

/** The letters that name kinds of items. */
const KINDS = "ABCDEF";
/** `count` of each of `count` kinds in a random order from a seed (Fisher and Yates). */
function shuffled(count: number, seed: number): string[] {
  const all = upTo(count * count).map((i) => KINDS[i % count]!);
  const next = random(seed);
  for (let i = all.length - 1; i > 0; i--) {
    const k = Math.floor(next() * (i + 1));
    [all[i], all[k]] = [all[k]!, all[i]!];
  }
  return all;
}

/** A square of items to put in order: n kinds, n of each, shuffled. */
export const square = defineLayout({
  name: "square",
  fields: { kinds: whole(2, 5), cell: metres(0.15, 1, 0.05), shuffle: whole(1, 99) },
  rigid: true,
  item: null,
  parts: ({ kinds, cell, shuffle }) => {
    const order = shuffled(kinds, shuffle);
    return cells(kinds, cell, (i) => order[i]!);
  },
  example: { values: { kinds: 3, cell: 0.4, shuffle: 7 }, along: 3 },
});

/** A square to stay in while tossing and catching. */
export const tossing = defineLayout({
  name: "tossing",
  fields: { side: metres(0.6, 4) },
  rigid: true,
  item: null,
  parts: ({ side }) => [
    { kind: "court", id: "square", along: cm(side / 2), across: 0, depth: side, width: side, label: "" },
    { kind: "spot", id: "s1", along: cm(side / 2), across: 0, radius: 0.15, label: "" },
  ],
  example: { values: { side: 1.6 }, along: 0.6 },
});

/** A line or a net with a court on either side. */
export const net = defineLayout({
  name: "net",
  fields: { deep: metres(0.5, 6), wide: metres(0.5, 6), height: metres(0, 1.5, 0.05) },
  rigid: true,
  item: null,
  parts: ({ deep, wide, height }) => [
    { kind: "court", id: "mine", along: cm(deep / 2), across: 0, depth: deep, width: wide, label: "" },
    { kind: "court", id: "theirs", along: cm(deep * 1.5), across: 0, depth: deep, width: wide, label: "" },
    { kind: "line", id: "net", along: deep, across: 0, width: wide, role: height > 0 ? "net" : "mark", height },
    { kind: "person", id: "other", along: cm(deep * 1.5), across: 0, role: "receiver" },
  ],
  example: { values: { deep: 1.8, wide: 1.6, height: 0.5 }, along: 0.3 },
});
