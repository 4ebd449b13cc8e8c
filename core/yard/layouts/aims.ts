import { random } from "../../random.ts";
import type { Part, Place } from "../parts.ts";
import { choice, cm, defineLayout, degrees, metres, upTo, whole } from "./layout.ts";

/** An item to aim at, which may be touched or hit in any way. */
const aim = (id: string, at: Place, width: number, item: string, label: string, height = 0.25): Part => ({
  kind: "target",
  id,
  along: cm(at.along),
  across: cm(at.across),
  width,
  height,
  item,
  label,
  rule: { kind: "touch", width },
});

/** Targets one behind the other, straight ahead or alternately to either side. */
export const row = defineLayout({
  name: "row",
  fields: { count: whole(2, 10), gap: metres(0.2, 3), aside: metres(0, 3), size: metres(0.05, 1, 0.05) },
  rigid: false,
  item: { use: "target", initial: "box" },
  parts: ({ count, gap, aside, size }, item) =>
    upTo(count).map((i) =>
      aim(`t${i + 1}`, { along: i * gap, across: i % 2 === 0 ? -aside : aside }, size, item, `${i + 1}`),
    ),
  example: { values: { count: 5, gap: 0.7, aside: 0.4, size: 0.25 }, along: 1.2 },
});

/** How often a free place is tried before the best one so far is taken. */
const TRIES = 24;

/** Targets scattered over an area, as far from each other as a seeded search finds. */
export const scattered = defineLayout({
  name: "scattered",
  fields: {
    count: whole(2, 12),
    deep: metres(0.5, 8),
    wide: metres(0.5, 8),
    size: metres(0.05, 1, 0.05),
    shuffle: whole(1, 99),
  },
  rigid: false,
  item: { use: "target", initial: "saucepan" },
  parts: ({ count, deep, wide, size, shuffle }, item) => {
    const next = random(shuffle);
    const placed: Place[] = [];
    for (const i of upTo(count)) {
      let best: Place | null = null;
      let room = -1;
      for (let k = 0; k < TRIES; k++) {
        const at = { along: next() * deep, across: (next() - 0.5) * wide };
        const free = Math.min(
          ...placed.map((place) => Math.hypot(place.along - at.along, place.across - at.across)),
          i === 0 ? 1 : Number.POSITIVE_INFINITY,
        );
        if (free > room) [best, room] = [at, free];
      }
      placed.push(best!);
    }
    return placed.sort((p, q) => p.along - q.along).map((at, i) => aim(`t${i + 1}`, at, size, item, `${i + 1}`));
  },
  example: { values: { count: 6, deep: 2.4, wide: 1.8, size: 0.2, shuffle: 4 }, along: 1.2 },
});

/** Targets on a circle around the throwing spot, or on a part of it. */
export const around = defineLayout({
  name: "around",
  fields: { count: whole(2, 12), radius: metres(0.5, 6), span: degrees(30, 360), size: metres(0.05, 1, 0.05) },
  rigid: false,
  item: { use: "target", initial: "cushion" },
  parts: ({ count, radius, span, size }, item) => {
    const whole = span >= 360;
    const all = (span * Math.PI) / 180;
    return upTo(count).map((i) => {
      const angle = whole ? (2 * Math.PI * i) / count : -all / 2 + (all * i) / (count - 1);
      const at = { along: radius * Math.cos(angle), across: radius * Math.sin(angle) };
      return aim(`t${i + 1}`, at, size, item, `${i + 1}`);
    });
  },
  example: { values: { count: 6, radius: 1.6, span: 150, size: 0.3 }, along: 0.2 },
});

/**
 * Numbered spots, the farther ones alternately to either side. The number is the place in the row, or the half metres
 * to it.
 */
export const spots = defineLayout({
  name: "spots",
  fields: {
    count: whole(2, 12),
    gap: metres(0.2, 2),
    growth: metres(0, 1, 0.05),
    aside: metres(0, 2),
    size: metres(0.1, 1, 0.05),
    number: choice("order", "distance"),
  },
  rigid: false,
  item: null,
  parts: ({ count, gap, growth, aside, size, number }) =>
    upTo(count).map((i): Part => {
      const along = cm(i * gap + (growth * i * (i - 1)) / 2);
      return {
        kind: "spot",
        id: `s${i + 1}`,
        along,
        across: i % 2 === 0 ? -aside : aside,
        radius: size / 2,
        label: String(number === "order" ? i + 1 : Math.round(along * 2) + 1),
      };
    }),
  example: { values: { count: 6, gap: 0.5, growth: 0.05, aside: 0.35, size: 0.3, number: "order" }, along: 1 },
});

/** A pin as wide as a bottle, metres. */
const PIN = 0.08;
/** The number of pins in each row of each shape, from the near one. */
const ROWS = {
  triangle: (count: number) => upTo(count).map((i) => i + 1),
  diamond: (count: number) => [...upTo(count).map((i) => i + 1), ...upTo(count - 1).map((i) => count - 1 - i)],
  line: (count: number) => [count],
  own: (count: number) => upTo(count).map((i) => i + 1),
} as const;

/** A formation of pins that must not touch: in a given shape, or set up by the child inside an area. */
export const pins = defineLayout({
  name: "pins",
  fields: { rows: whole(1, 5), gap: metres(0.03, 0.6, 0.01), shape: choice("triangle", "diamond", "line", "own") },
  rigid: false,
  item: { use: "target", initial: "bottle" },
  parts: ({ rows, gap, shape }, item) => {
    const between = gap + PIN;
    const lines = ROWS[shape](rows);
    const deep = (lines.length - 1) * between * (Math.sqrt(3) / 2);
    const most = Math.max(...lines);
    let n = 0;
    const out: Part[] = lines.flatMap((count, r) =>
      upTo(count).map((k) => {
        n++;
        const along = lines.length > 1 ? (r * deep) / (lines.length - 1) : 0;
        return aim(`p${n}`, { along, across: (k - (count - 1) / 2) * between }, PIN, item, `${n}`, 0.28);
      }),
    );
    if (shape === "own")
      out.unshift({
        kind: "court",
        id: "patch",
        along: cm(deep / 2),
        across: 0,
        depth: cm(deep + 2 * between),
        width: cm(most * between + between),
        label: "",
      });
    return out;
  },
  example: { values: { rows: 3, gap: 0.12, shape: "triangle" }, along: 3 },
});

/** A target on a wall, the mark on the floor to stand at, and the spot where the rebound should land. */
export const wall = defineLayout({
  name: "wall",
  fields: {
    distance: metres(0.5, 6),
    size: metres(0.1, 2, 0.05),
    height: metres(0, 2, 0.05),
    landing: metres(0.2, 4),
    spot: metres(0.2, 1.5, 0.05),
  },
  rigid: false,
  item: { use: "target", initial: "paperSheet" },
  parts: ({ distance, size, height, landing, spot }, item) => [
    { kind: "line", id: "m1", along: 0, across: 0, width: 0.6, role: "mark" },
    {
      kind: "spot",
      id: "s1",
      along: cm(Math.max(0, distance - landing)),
      across: 0,
      radius: spot / 2,
      label: "",
    },
    {
      kind: "target",
      id: "t1",
      along: cm(distance),
      across: 0,
      width: size,
      height: size,
      base: height,
      item,
      label: "",
      rule: { kind: "touch", width: size, height: size },
    },
  ],
  example: { values: { distance: 2, size: 0.4, height: 0.8, landing: 1, spot: 0.5 }, along: 0.4 },
});

/** The width of a board, metres. */
const BOARD = 0.25;

/** A propped ramp with its foot on the line, the path of the roll, and where it should stop. */
export const ramp = defineLayout({
  name: "ramp",
  fields: { board: metres(0.3, 1.5, 0.05), rise: metres(0.05, 0.8, 0.05), roll: metres(0.5, 6), size: metres(0.2, 2) },
  rigid: false,
  item: { use: "ramp", initial: "board" },
  parts: ({ board, rise, roll, size }, item) => {
    const long = cm(Math.sqrt(Math.max(0.01, board * board - rise * rise)));
    // A rolled object stops beyond the ramp, never in it.
    const to = cm(long + Math.max(roll, size / 2 + 0.05));
    return [
      { kind: "obstacle", id: "r1", along: cm(long / 2), across: 0, depth: long, width: BOARD, item, label: "" },
      { kind: "line", id: "m1", along: long, across: 0, width: 0.6, role: "mark" },
      {
        kind: "path",
        id: "w1",
        points: [
          { along: long, across: 0 },
          { along: to, across: 0 },
        ],
        closed: false,
        role: "roll",
      },
      {
        kind: "court",
        id: "stop",
        along: to,
        across: 0,
        depth: size,
        width: size,
        label: "",
      },
    ];
  },
  example: { values: { board: 0.8, rise: 0.2, roll: 2, size: 0.5 }, along: 0.2 },
});
