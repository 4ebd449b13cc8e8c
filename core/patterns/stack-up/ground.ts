import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import { lineId } from "../../targets/lines.ts";
import { startLine } from "../../targets/list.ts";
import { pinFaced, pinRule, pinTouched } from "../../targets/pin.ts";
import type { Part } from "../../yard/parts.ts";
import { LINES_BACK } from "./limits.ts";
import { backOf, spotsOf } from "./params.ts";
import type { StackParams } from "./schema.ts";

/** The row is one peg on the tape, and one role. */
export const ROW = "row";
const LINE_WIDTH = 1.2;

/** The line, or the lines to which it moves back. The first is nearest to the pins. */
function lines(params: StackParams, space: { width: number }): Part[] {
  if (params.after === "stop") return startLine(space);
  const first = backOf(params);
  return [
    ...Array.from(
      { length: LINES_BACK + 1 },
      (_, i): Part => ({
        kind: "line",
        id: lineId(i),
        along: first - i * params.back,
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
  parts: (params, space) => {
    const { pin } = params;
    const { item, width, height } = pin;
    const rule = pinRule(pin);
    return [
      ...lines(params, space),
      ...spotsOf(params, params.full).map(
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
  pegs: (params) => [
    {
      id: ROW,
      label: "",
      item: params.pin.item,
      many: params.full,
      distance: cm(params.distance + backOf(params)),
      kind: "target",
    },
  ],
  probes: (params) => {
    const standing = spotsOf(params, 1);
    const aim = { kind: "fall", standing, each: 1, all: 0 } as const;
    const from = params.after === "again" ? lineId(0) : "start";
    return [
      {
        id: ROW,
        peg: ROW,
        ask: { kind: "send", player: 0, from, manner: {}, aim, fetch: true },
        counts: (event) => (event.kind === "send" && Array.isArray(event.fell) ? event.fell.length : 0),
      },
    ];
  },
  moves: "each",
  /** Whichever pin is moved, the others keep their places relative to it. */
  move: (params, id, { along, across }) => {
    const spot = spotsOf(params, params.full).find((eachSpot) => eachSpot.id === id) ?? {
      along: params.distance + backOf(params),
      across: params.across,
    };
    return {
      ...params,
      ...(along !== undefined && { distance: held(params.distance + along - spot.along, 0.3, 30) }),
      ...(across !== undefined && { across: held(params.across + across - spot.across, -10, 10) }),
    };
  },
  add: (params) => (params.full >= 10 ? null : { ...params, full: params.full + 1 }),
  remove: (params) => (params.full <= 3 ? null : { ...params, full: params.full - 1 }),
  squeeze: (params, k) => ({
    ...params,
    across: cm(params.across * k),
    ...(params.grow === "beside" && { gap: Math.max(0.01, cm(params.gap * k)) }),
  }),
  swap: (params, _id, face) => ({ ...params, pin: pinFaced(params.pin, face) }),
  touchCounts: (params) => ({ ...params, pin: pinTouched(params.pin) }),
};
