import type { Ground, Probe } from "../../contract/contract.ts";
import { cm, held } from "../../contract/schema.ts";
import type { RallyParams } from "./params.ts";
import { LINES, mannerOf, overAim } from "./rules.ts";

const [LEAST, MOST] = [0.8, 8];
const SIDES = [[0], [1]] as const;

/** A court on either side of what it goes over; against a wall one court before it. */
export const rallyGround: Ground<RallyParams> = {
  parts: (p, space) => {
    const wall = p.over === "wall";
    const wide = (w: number) => Math.min(w, space.width);
    const end = p.near.length + (wall ? 0 : p.far.length);
    return [
      { kind: "line", id: LINES[0], along: 0, across: 0, width: wide(p.near.width), role: "start" },
      {
        kind: "court",
        id: "nearCourt",
        along: p.near.length / 2,
        across: 0,
        depth: p.near.length,
        width: wide(p.near.width),
        label: "",
      },
      {
        kind: "line",
        id: "net",
        along: p.near.length,
        across: 0,
        width: wide(Math.max(p.near.width, p.far.width)),
        role: p.over === "net" || p.over === "rope" ? "net" : "mark",
        height: p.over === "line" || wall ? 0 : p.height,
      },
      { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
      ...(wall
        ? []
        : ([
            {
              kind: "court",
              id: "farCourt",
              along: p.near.length + p.far.length / 2,
              across: 0,
              depth: p.far.length,
              width: wide(p.far.width),
              label: "",
            },
            { kind: "line", id: LINES[1], along: end, across: 0, width: wide(p.far.width), role: "mark" },
            { kind: "person", id: "receiver", along: end, across: 0, role: "receiver" },
          ] as const)),
    ];
  },
  pegs: (p) => [
    { id: "net", label: "", distance: cm(p.near.length), kind: "line" },
    ...(p.over === "wall"
      ? []
      : [{ id: LINES[1], label: "", distance: cm(p.near.length + p.far.length), kind: "line" } as const]),
  ],
  /** Points won on one's own serve and on the other's, and one touch kept going. */
  probes: (p): Probe[] => {
    const point = (server: number): Probe => ({
      id: LINES[server]!,
      peg: null,
      modes: ["against"],
      ask: {
        kind: "send",
        player: 0,
        from: LINES[server]!,
        manner: mannerOf(p),
        aim: {
          kind: "point",
          server,
          people: SIDES,
          areas: [p.near.length * p.near.width, p.far.length * p.far.width],
          over: p.over,
          again: false,
          told: "points",
        },
        fetch: true,
      },
      counts: (e) => (e.kind === "point" && e.side === 0 ? 1 : 0),
    });
    const touch: Probe = {
      id: "touch",
      peg: null,
      modes: ["alone", "relay"],
      ask: { kind: "count", player: 0, from: LINES[0], manner: mannerOf(p), aim: overAim(p), soFar: 0, drops: true },
      counts: (e) => (e.kind === "count" && e.n > 0 ? 1 : 0),
    };
    return [touch, point(0), point(1)];
  },
  moves: "each",
  move: (p, id, { along }) => {
    if (along === undefined) return p;
    if (id === "net") return { ...p, near: { ...p.near, length: held(along, LEAST, MOST) } };
    return id === LINES[1] ? { ...p, far: { ...p.far, length: held(along - p.near.length, LEAST, MOST) } } : p;
  },
  add: () => null,
  remove: () => null,
  squeeze: (p, k) => {
    const narrow = (c: RallyParams["near"]) => ({ ...c, width: held(c.width * k, LEAST, MOST) });
    return { ...p, near: narrow(p.near), far: narrow(p.far) };
  },
  swap: (p) => p,
  touchCounts: (p) => p,
};
