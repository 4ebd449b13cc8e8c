import type { Ground, Probe } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import type { Part } from "../../yard/parts.ts";
import { ENDS, MARK, WALL } from "./limits.ts";
import { courseOf, inPlace, shuttleOf, tasksOf, walled } from "./params.ts";
import { aimOf, mannerOf } from "./rules.ts";
import type { TallyParams } from "./schema.ts";

/** The room needed to keep something up, metres. */
const ROOM = 1.6;
/** The height on the wall that is aimed at, metres: between a child's knee and chest. */
const HIGH = 0.6;
const FACE = 0.3;
const LINE_WIDTH = 0.8;

/** The item at the other end. The one at this end stands behind the player. */
function ends(params: TallyParams): Part[] {
  const { distance, item, width, height } = shuttleOf(params);
  const rule = { kind: "touch", width, height } as const;
  return [{ kind: "target", id: ENDS[1], along: distance, across: 0, width, height, item, label: "", rule }];
}
/** The end of each gate: a mark on the floor, along the course. */
function gateSpots(params: TallyParams): Part[] {
  let along = 0;
  return courseOf(params).gates.map((gate, i): Part => {
    along += gate.metres / (gate.kind === "circle" ? Math.PI : 1.4);
    const across = i % 2 === 0 ? 0.25 : -0.25;
    return { kind: "spot", id: `g${i + 1}`, along: cm(along), across, radius: 0.12, label: `${i + 1}` };
  });
}

function parts(params: TallyParams, space: { length: number; width: number }): Part[] {
  const wall = walled(params);
  const { distance, landing, size, item } = params.wall;
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
    ...(tasksOf(params).has("shuttle") ? ends(params) : []),
    ...(tasksOf(params).has("course") ? gateSpots(params) : []),
    ...(inPlace(params) && !wall
      ? ([
          { kind: "court", id: "room", along: room / 2, across: 0, depth: room, width: room, label: "" },
        ] satisfies Part[])
      : []),
  ];
}

export const tallyGround: Ground<TallyParams> = {
  parts,
  pegs: (params) => [
    ...(walled(params)
      ? [{ id: WALL, label: "", item: "paperSheet", distance: params.wall.distance, kind: "target" } as const]
      : []),
    ...(tasksOf(params).has("shuttle")
      ? [
          {
            id: ENDS[1],
            label: "",
            item: shuttleOf(params).item,
            distance: shuttleOf(params).distance,
            kind: "target",
          } as const,
        ]
      : []),
  ],
  /** One for each task. Keeping something up has a chance and no peg. */
  probes: (params) => {
    const seen = new Map<string, Probe>();
    for (const [i, task] of params.rounds.entries()) {
      const manner = mannerOf(params, task);
      const key = JSON.stringify([task.task, manner]);
      if (seen.has(key)) continue;
      seen.set(key, {
        id: `round${i + 1}`,
        peg: task.task === "rebound" ? WALL : task.task === "shuttle" ? ENDS[1] : null,
        ask: { kind: "count", player: 0, from: "start", manner, aim: aimOf(params, task), soFar: 0, drops: true },
        counts: (event) => (event.kind === "count" && event.n > 0 ? 1 : 0),
      });
    }
    return [...seen.values()];
  },
  moves: "each",
  move: (params, id, { along }) => {
    if (along === undefined) return params;
    if (id === WALL) return { ...params, wall: { ...params.wall, distance: held(along, 0.8, 8) } };
    return id === ENDS[1] ? { ...params, shuttle: { ...shuttleOf(params), distance: held(along, 1, 12) } } : params;
  },
  add: () => null,
  remove: () => null,
  squeeze: (params) => params,
  swap: (params, id, { item, width, height }) =>
    id === ENDS[1]
      ? {
          ...params,
          shuttle: { ...shuttleOf(params), item, width: held(width, 0.05, 1), height: held(height, 0.05, 1) },
        }
      : id === MARK
        ? { ...params, wall: { ...params.wall, item, size: held(width, 0.1, 1.5) } }
        : params,
  touchCounts: (params) => params,
};
