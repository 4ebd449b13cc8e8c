import type { Part, Place } from "../parts.ts";
import { BASE, choice, cm, defineLayout, metres, POST, upTo, whole } from "./layout.ts";

const stands = (id: string, at: Place, size: number, item: string, label: string): Part => ({
  kind: "obstacle",
  id,
  along: cm(at.along),
  across: cm(at.across),
  depth: size,
  width: size,
  item,
  label,
});

/** Markers to weave through, followed by a shot at a target. */
export const slalom = defineLayout({
  name: "slalom",
  fields: { markers: whole(2, 12), gap: metres(0.3, 2), aside: metres(0, 1, 0.05), shot: metres(0.5, 5) },
  rigid: false,
  item: { use: "marker", initial: "shoe" },
  parts: ({ markers, gap, aside, shot }, item) => {
    const posts = upTo(markers).map((i) => ({ along: i * gap, across: i % 2 === 0 ? -aside : aside }));
    const last = (markers - 1) * gap;
    const side = (i: number) => (i % 2 === 0 ? 1 : -1) * (0.35 + POST);
    return [
      {
        kind: "path",
        id: "w1",
        points: [
          ...posts.map((post, i) => ({ along: cm(post.along), across: cm(post.across + side(i)) })),
          { along: cm(last + gap), across: 0 },
        ],
        closed: false,
        role: "weave",
      },
      ...posts.map((post, i) => stands(`g${i + 1}`, post, POST, item, `${i + 1}`)),
      { kind: "line", id: "m1", along: cm(last + gap), across: 0, width: 0.8, role: "mark" },
      stands("shot", { along: last + gap + shot, across: 0 }, 0.3, item, ""),
    ];
  },
  example: { values: { markers: 5, gap: 0.7, aside: 0, shot: 1.2 }, along: 0.5 },
});

/** Two marks to run or send between. */
export const shuttle = defineLayout({
  name: "shuttle",
  fields: { apart: metres(0.5, 10), wide: metres(0.3, 2) },
  rigid: false,
  item: { use: "marker", initial: "shoe" },
  parts: ({ apart, wide }, item) => [
    {
      kind: "path",
      id: "w1",
      points: [
        { along: 0, across: 0 },
        { along: apart, across: 0 },
      ],
      closed: false,
      role: "run",
    },
    ...[0, apart].flatMap((along, i): Part[] => [
      { kind: "line", id: `m${i + 1}`, along, across: 0, width: wide, role: "mark", label: `${i + 1}` },
      stands(`g${i + 1}`, { along, across: wide / 2 + POST }, POST, item, ""),
    ]),
  ],
  example: { values: { apart: 2.4, wide: 0.6 }, along: 0.6 },
});

/** Two goals that face each other, with the field between them. */
export const goals = defineLayout({
  name: "goals",
  fields: { apart: metres(1, 12), mouth: metres(0.3, 3), wide: metres(0.6, 8) },
  rigid: false,
  item: { use: "marker", initial: "shoe" },
  parts: ({ apart, mouth, wide }, item) => [
    { kind: "court", id: "field", along: cm(apart / 2), across: 0, depth: apart, width: wide, label: "" },
    { kind: "line", id: "half", along: cm(apart / 2), across: 0, width: wide, role: "mark" },
    ...[0, apart].flatMap((along, i): Part[] =>
      [-1, 1].map((side) =>
        stands(`g${i + 1}${side < 0 ? "l" : "r"}`, { along, across: (side * (mouth + POST)) / 2 }, POST, item, ""),
      ),
    ),
    { kind: "person", id: "other", along: cm(apart * 0.75), across: 0, role: "receiver" },
  ],
  example: { values: { apart: 4, mouth: 0.8, wide: 2 }, along: 0.2 },
});

/** Bases to run round and home again. With one base, out and back. */
export const bases = defineLayout({
  name: "bases",
  fields: { count: whole(1, 5), side: metres(1, 8), way: choice("left", "right") },
  rigid: false,
  item: { use: "marker", initial: "cushion" },
  parts: ({ count, side, way }, item) => {
    // The corners of a regular polygon with `count` + 1 corners, home at the near one. A single base is straight
    // ahead.
    const n = count + 1;
    const r = count === 1 ? side / 2 : side / 2 / Math.sin(Math.PI / n);
    const sign = way === "left" ? -1 : 1;
    const at = upTo(n).map((i) => {
      const angle = (2 * Math.PI * i) / n;
      return { along: cm(r - r * Math.cos(angle)), across: cm(sign * r * Math.sin(angle)) };
    });
    return [
      { kind: "path", id: "w1", points: at, closed: true, role: "run" },
      ...at.map((p, i) => stands(`g${i}`, p, BASE, item, i === 0 ? "" : `${i}`)),
    ];
  },
  example: { values: { count: 3, side: 2, way: "right" }, along: 0.6 },
});

/** Marks to send and receive from, farther apart each time. */
export const passing = defineLayout({
  name: "passing",
  fields: { marks: whole(1, 8), near: metres(0.5, 6), gap: metres(0.2, 2), wide: metres(0.3, 2) },
  rigid: true,
  item: null,
  parts: ({ marks, near, gap, wide }) => [
    { kind: "spot", id: "home", along: 0, across: 0, radius: 0.2, label: "" },
    ...upTo(marks).map(
      (i): Part => ({
        kind: "line",
        id: `m${i + 1}`,
        along: cm(near + i * gap),
        across: 0,
        width: wide,
        role: "mark",
        label: `${i + 1}`,
      }),
    ),
    { kind: "person", id: "other", along: near, across: 0, role: "receiver" },
  ],
  example: { values: { marks: 5, near: 1.2, gap: 0.6, wide: 0.6 }, along: 0.2 },
});
