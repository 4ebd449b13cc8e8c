import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/schema.ts";
import { lineId } from "../../targets/lines.ts";
import { startLine } from "../../targets/list.ts";
import { pinFaced, pinRule, pinTouched } from "../../targets/pin.ts";
import type { Part } from "../../yard/parts.ts";
import { backOf, LINES_BACK, type StackParams, spotsOf } from "./params.ts";

/** The row is one thing on the tape, and one role. */
export const ROW = "row";
const LINE_WIDTH = 1.2;

/** The line, or the lines that it moves back to: the first is nearest to the pins. */
function lines(p: StackParams, space: { width: number }): Part[] {
  if (p.after === "stop") return startLine(space);
  const first = backOf(p);
  return [
    ...Array.from(
      { length: LINES_BACK + 1 },
      (_, i): Part => ({
        kind: "line",
        id: lineId(i),
        along: first - i * p.back,
        across: 0,
        width: Math.min(LINE_WIDTH, space.width),
        role: "start",
        label: `${i + 1}`,
      }),
    ),
    { kind: "person", id: "sender", along: first, across: 0, role: "sender" },
  ];
}

export const stackGround: Ground<StackParams> = {
  parts: (p, space) => {
    const { pin } = p;
    const { item, width, height } = pin;
    const rule = pinRule(pin);
    return [
      ...lines(p, space),
      ...spotsOf(p, p.full).map(
        ({ id, along, across }, i): Part => ({
          kind: "target",
          id,
          group: ROW,
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
  },
  pegs: (p) => [
    { id: ROW, label: "", item: p.pin.item, many: p.full, distance: cm(p.distance + backOf(p)), kind: "target" },
  ],
  probes: (p) => {
    const standing = spotsOf(p, 1);
    const aim = { kind: "fall", standing, each: 1, all: 0 } as const;
    const from = p.after === "again" ? lineId(0) : "start";
    return [
      {
        id: ROW,
        peg: ROW,
        ask: { kind: "send", player: 0, from, manner: {}, aim, fetch: true },
        counts: (e) => (e.kind === "send" && Array.isArray(e.fell) ? e.fell.length : 0),
      },
    ];
  },
  moves: "each",
  /** Whichever pin is moved, the others keep their places beside it. */
  move: (p, id, { along, across }) => {
    const spot = spotsOf(p, p.full).find((s) => s.id === id) ?? { along: p.distance + backOf(p), across: p.across };
    return {
      ...p,
      ...(along !== undefined && { distance: held(p.distance + along - spot.along, 0.3, 30) }),
      ...(across !== undefined && { across: held(p.across + across - spot.across, -10, 10) }),
    };
  },
  add: (p) => (p.full >= 10 ? null : { ...p, full: p.full + 1 }),
  remove: (p) => (p.full <= 3 ? null : { ...p, full: p.full - 1 }),
  squeeze: (p, k) => ({
    ...p,
    across: cm(p.across * k),
    ...(p.grow === "beside" && { gap: Math.max(0.01, cm(p.gap * k)) }),
  }),
  swap: (p, _id, face) => ({ ...p, pin: pinFaced(p.pin, face) }),
  touchCounts: (p) => ({ ...p, pin: pinTouched(p.pin) }),
};
