import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/schema.ts";
import { pinFaced, pinRule, pinTouched } from "../../targets/pin.ts";
import type { Part } from "../../yard/parts.ts";
import { spotsOf } from "./formation.ts";
import { FEWEST_PINS, MAX_PINS, type PinsParams } from "./params.ts";
import { knocksIn } from "./rules.ts";

/** The formation is one thing on the tape, and one role. */
export const PINS = "pins";
const LINE_WIDTH = 1.2;

function parts(p: PinsParams, space: { length: number; width: number }): Part[] {
  const { pin, formation: f } = p;
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
            along: p.distance + f.depth / 2,
            across: p.across,
            depth: f.depth,
            width: f.width,
            label: "",
          } as const,
        ]
      : []),
    ...spotsOf(p).map(
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

const withCount = (p: PinsParams, count: number): PinsParams => ({ ...p, formation: { ...p.formation, count } });

export const pinsGround: Ground<PinsParams> = {
  parts,
  pegs: (p) => [
    { id: PINS, label: "", item: p.pin.item, many: p.formation.count, distance: p.distance, kind: "target" },
  ],
  probes: (p) => {
    const standing = spotsOf(p);
    const aim = { kind: "fall", standing, each: p.points, all: p.bonus, ...knocksIn(p) } as const;
    return [
      {
        id: PINS,
        peg: PINS,
        ask: { kind: "send", player: 0, from: "start", manner: {}, aim, fetch: true },
        hits: (e) => Number(e.kind === "send" && Array.isArray(e.fell) && e.fell.length > 0),
        counts: (e) => (e.kind === "send" && Array.isArray(e.fell) ? e.fell.length / standing.length : 0),
      },
    ];
  },
  moves: "each",
  /** Whichever pin is moved, the others keep their places beside it. */
  move: (p, id, { along, across }) => {
    const spot = spotsOf(p).find((s) => s.id === id) ?? { along: p.distance, across: p.across };
    return {
      ...p,
      ...(along !== undefined && { distance: held(p.distance + along - spot.along, 0.3, 30) }),
      ...(across !== undefined && { across: held(p.across + across - spot.across, -10, 10) }),
    };
  },
  add: (p) => (p.formation.count >= MAX_PINS ? null : withCount(p, p.formation.count + 1)),
  remove: (p) => (p.formation.count <= FEWEST_PINS ? null : withCount(p, p.formation.count - 1)),
  squeeze: (p, k) => {
    const f = p.formation;
    if (f.kind === "own") return { ...p, formation: { ...f, width: Math.max(0.3, cm(f.width * k)) } };
    return { ...p, across: cm(p.across * k), formation: { ...f, gap: Math.max(0.01, cm(f.gap * k)) } };
  },
  swap: (p, _id, face) => ({ ...p, pin: pinFaced(p.pin, face) }),
  touchCounts: (p) => ({ ...p, pin: pinTouched(p.pin) }),
};
