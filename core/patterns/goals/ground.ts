import type { Ground, Probe } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import type { Part } from "../../yard/parts.ts";
import { mannerOf } from "./rules.ts";
import type { GoalsParams } from "./schema.ts";

const POST = 0.08;
/** The distance from the middle at which a side begins, metres. */
const FROM_MIDDLE = 0.4;
const HIGH = 0.25;
const SIDES = [[0], [1]] as const;
/** Two posts with a goal between them. */
const posts = (id: string, along: number, gap: number, item: string): Part[] =>
  [-1, 1].map((side, i) => ({
    kind: "target",
    id: `${id}${i + 1}`,
    along,
    across: (side * (gap + POST)) / 2,
    width: POST,
    height: HIGH,
    item,
    label: "",
    rule: { kind: "touch", width: POST },
    group: "post",
  }));

/** Two goals, the middle, and the field between them. */
export const goalsGround: Ground<GoalsParams> = {
  parts: (params, space) => {
    const width = Math.min(params.width, space.width);
    return [
      { kind: "line", id: "start", along: 0, across: 0, width, role: "start" },
      { kind: "court", id: "field", along: params.length / 2, across: 0, depth: params.length, width, label: "" },
      ...posts("near", 0, params.nearGoal, params.item),
      ...posts("far", params.length, params.farGoal, params.item),
      { kind: "spot", id: "middle", along: params.length / 2, across: 0, radius: 0.08, label: "" },
      { kind: "person", id: "sender", along: cm(params.length / 2 - FROM_MIDDLE), across: 0, role: "sender" },
    ];
  },
  pegs: (params) => [{ id: "far", label: "", item: params.item, distance: params.length, kind: "line" }],
  /** The chance that the next goal is their own. */
  probes: (params): Probe[] => [
    {
      id: "next",
      peg: null,
      ask: {
        kind: "send",
        player: 0,
        from: "start",
        manner: mannerOf(params),
        aim: {
          kind: "goal",
          people: SIDES,
          widths: [params.farGoal, params.nearGoal],
          length: params.length,
          ticks: false,
          stopped: false,
          shot: null,
          fouls: [],
          out: params.out,
        },
        fetch: true,
      },
      counts: (event) => (event.kind === "point" && event.side === 0 ? 1 : 0),
    },
  ],
  moves: "each",
  move: (params, id, { along }) =>
    id === "far" && along !== undefined ? { ...params, length: held(along, 1.5, 20) } : params,
  add: () => null,
  remove: () => null,
  squeeze: (params, k) => ({ ...params, width: Math.max(1, cm(params.width * k)) }),
  swap: (params, _, { item }) => ({ ...params, item }),
  touchCounts: (params) => params,
};
