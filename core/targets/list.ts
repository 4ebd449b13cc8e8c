import type { Peg, Probe, Space } from "../contract/contract.ts";
import { cm, held } from "../contract/round.ts";
import type { Face } from "../kit/face.ts";
import type { Part } from "../yard/parts.ts";
import type { Standing } from "./target.ts";
import { targetPart } from "./target.ts";
import type { Target } from "./target-schema.ts";

const LINE_WIDTH = 1.2;
/** The first values of an added target, and how much farther away it stands if there is room, metres. */
const ADDED = { item: "tin", label: "", width: 0.08, height: 0.11, counts: ["touch"] } as const;
const FARTHER = 0.6;
const ASIDE = 0.45;

/** The line to send from, and the player. */
export const startLine = (space: { width: number }): Part[] => [
  { kind: "line", id: "start", along: 0, across: 0, width: Math.min(LINE_WIDTH, space.width), role: "start" },
  { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
];
/** The room needed to keep something up, metres. */
const ROOM = 1.6;
/** A clear square to move in, without targets. */
export function roomParts(space: { length: number; width: number }): Part[] {
  const room = Math.min(ROOM, space.width, space.length);
  return [
    ...startLine(space),
    { kind: "court", id: "room", along: room / 2, across: 0, depth: room, width: room, label: "" },
  ];
}
/** Targets in front of one line. */
export const targetParts = (targets: readonly (Target & { points?: number })[], space: { width: number }): Part[] => [
  ...startLine(space),
  ...targets.map((target) => targetPart(target, target.distance, target.points)),
];
export const targetPegs = (targets: readonly Target[]): Peg[] =>
  targets.map((target) => ({
    id: target.id,
    label: target.label,
    item: target.item,
    distance: target.distance,
    kind: "target",
  }));
/** The chance to hit each target, shown under its peg. */
export const targetProbes = (ids: readonly string[]): Probe[] =>
  ids.map((id) => ({
    id,
    peg: id,
    ask: {
      kind: "send",
      player: 0,
      from: "start",
      manner: {},
      aim: { kind: "any", want: [id], among: ids },
      fetch: true,
    },
    counts: (event) => (event.kind === "send" && event.hit === id ? 1 : 0),
  }));

/** Sent at until it is hit. */
export const untilHit = (list: readonly Probe[]): Probe[] => list.map((probe) => ({ ...probe, untilHit: true }));

/** Changes one target and leaves the others as they are. */
export const changed = <T extends Target>(targets: readonly T[], id: string, change: (t: T) => T): T[] =>
  targets.map((target) => (target.id === id ? change(target) : target));
/** The bounds of a target's place, in metres: along the yard, and to each side. */
export const ALONG = { least: 0.3, most: 30 } as const;
export const ACROSS = { least: -10, most: 10 } as const;
/**
 * Limits a move so that every item of the list stays within the bounds, and returns it. Without this, each would stop at the bound by itself,
 * and they would end up on top of each other. Example: `moveOfAll([1, 2], -5, { least: 0.3, most: 30 })` is -0.7.
 */
export function moveOfAll(
  list: readonly number[],
  by: number,
  { least, most }: { least: number; most: number },
): number {
  const room = { back: Math.min(0, least - Math.min(...list)), forth: Math.max(0, most - Math.max(...list)) };
  return Math.min(room.forth, Math.max(room.back, by));
}
/** Moves one target and keeps it within the bounds above. */
export const moved = <T extends Target>(
  targets: readonly T[],
  id: string,
  { along, across }: { along?: number; across?: number },
): T[] =>
  changed(targets, id, (t) => ({
    ...t,
    ...(along !== undefined && { distance: held(along, ALONG.least, ALONG.most) }),
    ...(across !== undefined && { across: held(across, ACROSS.least, ACROSS.most) }),
  }));
export const squeezed = <T extends Target>(targets: readonly T[], k: number): T[] =>
  targets.map((target) => ({ ...target, across: cm(target.across * k) }));

/** Replaces the item of a target together with its sizes. What counts and how full it is stay. */
export function faced<T extends Standing>(
  t: T,
  { item, label, width, height, opening, openingDepth, gap, ...of }: Face,
): T {
  const { opening: _, openingDepth: _d, gap: _g, ...rest } = t;
  return {
    ...rest,
    item,
    label,
    width: held(width, 0.02, 3),
    height: held(height, 0.01, 3),
    ...(opening !== undefined && { opening }),
    ...(openingDepth !== undefined && { openingDepth }),
    ...(gap !== undefined && { gap }),
    ...(t.weight && { weight: { mass: of.mass, contents: of.contents, filling: t.weight.filling } }),
  } as unknown as T;
}

/** A further target beyond the farthest if there is room, otherwise beside it. */
export function added(targets: readonly Target[], space: Space): Target {
  const far = targets.reduce((target, aim) => (aim.distance > target.distance ? aim : target));
  const room = far.distance + FARTHER <= space.length;
  const count = 1 + Math.max(...targets.map((target) => Number(target.id.slice(1)) || 0));
  const side = Math.min(ASIDE, space.width / 2 - 0.2);
  return {
    ...ADDED,
    counts: [...ADDED.counts],
    id: `t${count}`,
    distance: cm(room ? far.distance + FARTHER : far.distance),
    across: cm(far.across > 0 ? -side : side),
  };
}
