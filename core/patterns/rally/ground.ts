import type { Ground, Probe } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import { LINES, mannerOf, overAim } from "./rules.ts";
import type { RallyParams } from "./schema.ts";

const [LEAST, MOST] = [0.8, 8];
const SIDES = [[0], [1]] as const;

/** A court on either side of the net or line; against a wall, one court in front of it. */
export const rallyGround: Ground<RallyParams> = {
  parts: (params, space) => {
    const wall = params.over === "wall";
    const wide = (width: number) => Math.min(width, space.width);
    const end = params.near.length + (wall ? 0 : params.far.length);
    return [
      { kind: "line", id: LINES[0], along: 0, across: 0, width: wide(params.near.width), role: "start" },
      {
        kind: "court",
        id: "nearCourt",
        along: params.near.length / 2,
        across: 0,
        depth: params.near.length,
        width: wide(params.near.width),
        label: "",
      },
      {
        kind: "line",
        id: "net",
        along: params.near.length,
        across: 0,
        width: wide(Math.max(params.near.width, params.far.width)),
        role: params.over === "net" || params.over === "rope" ? "net" : "mark",
        height: params.over === "line" || wall ? 0 : params.height,
      },
      { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
      ...(wall
        ? []
        : ([
            {
              kind: "court",
              id: "farCourt",
              along: params.near.length + params.far.length / 2,
              across: 0,
              depth: params.far.length,
              width: wide(params.far.width),
              label: "",
            },
            { kind: "line", id: LINES[1], along: end, across: 0, width: wide(params.far.width), role: "mark" },
            { kind: "person", id: "receiver", along: end, across: 0, role: "receiver" },
          ] as const)),
    ];
  },
  pegs: (params) => [
    { id: "net", label: "", distance: cm(params.near.length), kind: "line" },
    ...(params.over === "wall"
      ? []
      : [{ id: LINES[1], label: "", distance: cm(params.near.length + params.far.length), kind: "line" } as const]),
  ],
  /** Points won on one's own serve and on the other side's, and one more touch. */
  probes: (params): Probe[] => {
    const point = (server: number): Probe => ({
      id: LINES[server]!,
      peg: null,
      modes: ["against"],
      ask: {
        kind: "send",
        player: 0,
        from: LINES[server]!,
        manner: mannerOf(params),
        aim: {
          kind: "point",
          server,
          people: SIDES,
          areas: [params.near.length * params.near.width, params.far.length * params.far.width],
          over: params.over,
          again: false,
          told: "points",
        },
        fetch: true,
      },
      counts: (event) => (event.kind === "point" && event.side === 0 ? 1 : 0),
    });
    const touch: Probe = {
      id: "touch",
      peg: null,
      modes: ["alone", "relay"],
      ask: {
        kind: "count",
        player: 0,
        from: LINES[0],
        manner: mannerOf(params),
        aim: overAim(params),
        soFar: 0,
        drops: true,
      },
      counts: (event) => (event.kind === "count" && event.n > 0 ? 1 : 0),
    };
    return [touch, point(0), point(1)];
  },
  moves: "each",
  move: (params, id, { along }) => {
    if (along === undefined) return params;
    if (id === "net") return { ...params, near: { ...params.near, length: held(along, LEAST, MOST) } };
    return id === LINES[1]
      ? { ...params, far: { ...params.far, length: held(along - params.near.length, LEAST, MOST) } }
      : params;
  },
  add: () => null,
  remove: () => null,
  squeeze: (params, k) => {
    const narrow = (c: RallyParams["near"]) => ({ ...c, width: held(c.width * k, LEAST, MOST) });
    return { ...params, near: narrow(params.near), far: narrow(params.far) };
  },
  swap: (params) => params,
  touchCounts: (params) => params,
};
