import type { Ground, Probe } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import type { Part, Place } from "../../yard/parts.ts";
import { mannerOf } from "./rules.ts";
import type { BasesParams } from "./schema.ts";

const BASE = 0.18;
/** Home and the bases around a circuit that is run to the right first, at equal distances; metres from the line. */
export function circuit({ bases, side }: Pick<BasesParams, "bases" | "side">): Place[] {
  if (bases === 1) return [0, side].map((along) => ({ along, across: 0 }));
  const corners = bases + 1;
  const radius = side / (2 * Math.sin(Math.PI / corners));
  return Array.from({ length: corners }, (_, i) => {
    const turn = (2 * Math.PI * i) / corners;
    return { along: cm(radius * (1 - Math.cos(turn))), across: cm(radius * Math.sin(turn)) };
  });
}
const middleOf = (places: readonly Place[]): Place => ({
  along: cm(places.reduce((sum, place) => sum + place.along, 0) / places.length),
  across: cm(places.reduce((sum, place) => sum + place.across, 0) / places.length),
});

/** The spot that stops play: in the middle of the circuit, or beside the path. */
const stopOf = (params: BasesParams): Place =>
  params.bases === 1 ? { along: cm(params.side / 2), across: 0.6 } : middleOf(circuit(params));

/** A circuit with its bases, and the spot that stops play in the middle. */
export const basesGround: Ground<BasesParams> = {
  parts: (params, space): Part[] => {
    const places = circuit(params);
    const spot = (id: string, at: Place, label: string, radius = BASE): Part => ({
      kind: "spot",
      id,
      ...at,
      radius,
      label,
    });
    return [
      { kind: "line", id: "start", along: 0, across: 0, width: Math.min(1, space.width), role: "start" },
      { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
      ...places.slice(1).map((at, i) => spot(`b${i + 1}`, at, `${i + 1}`)),
      { kind: "path", id: "circuit", points: places, closed: params.bases > 1, role: "run" },
      ...(params.stop ? [spot("stop", stopOf(params), "", 0.25)] : []),
    ];
  },
  // The side of the circuit is what moves. The bases themselves are counted out.
  pegs: (params) => [{ id: "side", label: "", distance: params.side, kind: "line", drawn: true }],
  spots: (params) => [
    ...circuit(params)
      .slice(1)
      .map((at, i) => ({ id: `b${i + 1}`, ...at, label: `${i + 1}` })),
    ...(params.stop ? [{ id: "stop", ...stopOf(params), label: "" }] : []),
  ],
  /** The chance that a ball put into play is worth a base or more. */
  probes: (params): Probe[] => [
    {
      id: "good",
      peg: null,
      ask: {
        kind: "send",
        player: 0,
        from: "start",
        manner: mannerOf(params),
        aim: {
          kind: "bat",
          runners: [],
          names: [],
          fielders: [1],
          home: params.bases + 1,
          side: params.side,
          put: params.put,
          outs: params.outs,
        },
        fetch: true,
      },
      counts: (event) => (event.kind === "run" && (event.reached?.[0] ?? 0) > 0 ? 1 : 0),
    },
  ],
  moves: "each",
  move: (params, id, { along }) =>
    id === "side" && along !== undefined ? { ...params, side: held(along, 1.5, 20) } : params,
  add: () => null,
  remove: () => null,
  squeeze: (params, k) => ({ ...params, side: Math.max(1.5, cm(params.side * k)) }),
  swap: (params) => params,
  touchCounts: (params) => params,
};
