import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import { pinFaced, pinRule, pinTouched } from "../../targets/pin.ts";
import type { Part } from "../../yard/parts.ts";
import { spotsOf } from "./formation.ts";
import { FEWEST_PINS, MAX_PINS } from "./limits.ts";
import { knocksIn } from "./rules.ts";
import type { PinsParams } from "./schema.ts";

/** The formation is one peg on the tape, and one role. */
export const PINS = "pins";
const LINE_WIDTH = 1.2;

function parts(params: PinsParams, space: { length: number; width: number }): Part[] {
  const { pin, formation: f } = params;
  const rule = pinRule(pin);
  const { item, width, height } = pin;
  return [
    { kind: "line", id: "start", along: 0, across: 0, width: Math.min(LINE_WIDTH, space.width), role: "start" },
    { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
    ...(f.kind === "own"
      ? [
          {
            kind: "court",
            id: "field",
            along: params.distance + f.depth / 2,
            across: params.across,
            depth: f.depth,
            width: f.width,
            label: "",
          } as const,
        ]
      : []),
    ...spotsOf(params).map(
      ({ id, along, across }, i): Part => ({
        kind: "target",
        id,
        group: PINS,
        along,
        across,
        width,
        height,
        depth: width,
        item,
        label: `${i + 1}`,
        rule,
      }),
    ),
  ];
}

const withCount = (params: PinsParams, count: number): PinsParams => ({
  ...params,
  formation: { ...params.formation, count },
});

export const pinsGround: Ground<PinsParams> = {
  parts,
  pegs: (params) => [
    {
      id: PINS,
      label: "",
      item: params.pin.item,
      many: params.formation.count,
      distance: params.distance,
      kind: "target",
    },
  ],
  probes: (params) => {
    const standing = spotsOf(params);
    const aim = { kind: "fall", standing, each: params.points, all: params.bonus, ...knocksIn(params) } as const;
    return [
      {
        id: PINS,
        peg: PINS,
        ask: { kind: "send", player: 0, from: "start", manner: {}, aim, fetch: true },
        hits: (event) => Number(event.kind === "send" && Array.isArray(event.fell) && event.fell.length > 0),
        counts: (event) =>
          event.kind === "send" && Array.isArray(event.fell) ? event.fell.length / standing.length : 0,
      },
    ];
  },
  moves: "each",
  /** Whichever pin is moved, the others keep their places relative to it. */
  move: (params, id, { along, across }) => {
    const spot = spotsOf(params).find((eachSpot) => eachSpot.id === id) ?? {
      along: params.distance,
      across: params.across,
    };
    return {
      ...params,
      ...(along !== undefined && { distance: held(params.distance + along - spot.along, 0.3, 30) }),
      ...(across !== undefined && { across: held(params.across + across - spot.across, -10, 10) }),
    };
  },
  add: (params) => (params.formation.count >= MAX_PINS ? null : withCount(params, params.formation.count + 1)),
  remove: (params) => (params.formation.count <= FEWEST_PINS ? null : withCount(params, params.formation.count - 1)),
  squeeze: (params, k) => {
    const formation = params.formation;
    if (formation.kind === "own")
      return { ...params, formation: { ...formation, width: Math.max(0.3, cm(formation.width * k)) } };
    return {
      ...params,
      across: cm(params.across * k),
      formation: { ...formation, gap: Math.max(0.01, cm(formation.gap * k)) },
    };
  },
  swap: (params, _id, face) => ({ ...params, pin: pinFaced(params.pin, face) }),
  touchCounts: (params) => ({ ...params, pin: pinTouched(params.pin) }),
};
