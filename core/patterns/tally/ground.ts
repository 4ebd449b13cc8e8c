import type { Ground, Probe } from "../../contract/contract.ts";
import { held } from "../../contract/schema.ts";
import type { Part } from "../../yard/parts.ts";
import { kept, MARK, type TallyParams, WALL, walled } from "./params.ts";
import { aimOf, mannerOf } from "./rules.ts";

/** Room to keep something up in, metres. */
const ROOM = 1.6;
/** How high on the wall it is aimed at, metres: between knee and chest of a child. */
const HIGH = 0.6;
const FACE = 0.3;
const LINE_WIDTH = 0.8;

function parts(p: TallyParams, space: { length: number; width: number }): Part[] {
  const wall = walled(p);
  const { distance, landing, size, item } = p.wall;
  const room = Math.min(ROOM, space.width, space.length);
  return [
    { kind: "line", id: "start", along: 0, across: 0, width: Math.min(LINE_WIDTH, space.width), role: "start" },
    { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
    ...(wall
      ? ([
          {
            kind: "target",
            id: WALL,
            along: distance,
            across: 0,
            width: FACE,
            height: FACE,
            depth: 0.01,
            base: HIGH,
            item: "paperSheet",
            label: "",
            rule: { kind: "touch", width: FACE, height: FACE },
          },
          {
            kind: "target",
            id: MARK,
            along: Math.max(0.3, distance - landing),
            across: 0,
            width: size,
            height: 0.01,
            depth: size,
            item,
            label: "",
            rule: { kind: "on", radius: size / 2 },
          },
        ] satisfies Part[])
      : []),
    ...(kept(p) && !wall
      ? ([
          { kind: "court", id: "room", along: room / 2, across: 0, depth: room, width: room, label: "" },
        ] satisfies Part[])
      : []),
  ];
}

export const tallyGround: Ground<TallyParams> = {
  parts,
  pegs: (p) =>
    walled(p) ? [{ id: WALL, label: "", item: "paperSheet", distance: p.wall.distance, kind: "target" }] : [],
  /** One for each way of doing it; keeping something up has a chance and no peg. */
  probes: (p) => {
    const seen = new Map<string, Probe>();
    for (const [i, r] of p.rounds.entries()) {
      const manner = mannerOf(p, r);
      const key = JSON.stringify([r.task, manner]);
      if (seen.has(key)) continue;
      seen.set(key, {
        id: `round${i + 1}`,
        peg: r.task === "rebound" ? WALL : null,
        ask: { kind: "count", player: 0, from: "start", manner, aim: aimOf(r), soFar: 0, drops: true },
        counts: (e) => (e.kind === "count" && e.n > 0 ? 1 : 0),
      });
    }
    return [...seen.values()];
  },
  moves: "each",
  move: (p, id, { along }) =>
    id === WALL && along !== undefined ? { ...p, wall: { ...p.wall, distance: held(along, 0.8, 8) } } : p,
  add: () => null,
  remove: () => null,
  squeeze: (p) => p,
  swap: (p, id, { item, width }) =>
    id === MARK ? { ...p, wall: { ...p.wall, item, size: held(width, 0.1, 1.5) } } : p,
  touchCounts: (p) => p,
};
