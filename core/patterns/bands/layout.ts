import type { Ground, Peg, Probe } from "../../contract/contract.ts";
import type { Part } from "../../yard/parts.ts";
import { addPeg, removePeg } from "./pegs.ts";
import type { BandsParams } from "./schema.ts";

const MIN_DEPTH = 0.1;
const cm = (metres: number) => Math.round(metres * 100) / 100;

/** A start line, the lines across, and the bands between them. */
function parts(params: BandsParams, space: { length: number; width: number }): Part[] {
  const width = Math.min(params.width, space.width);
  return [
    { kind: "line", id: "start", along: 0, across: 0, width: Math.min(1.2, space.width), role: "start" },
    { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
    ...params.points.map(
      (points, i): Part => ({
        kind: "zone",
        id: `z${i + 1}`,
        near: params.lines[i]!,
        far: params.lines[i + 1]!,
        across: 0,
        width,
        points,
        lineRule: params.lineRule,
        lastLine: params.lastLine ?? "out",
      }),
    ),
    ...params.lines.map(
      (along, i): Part => ({ kind: "line", id: `b${i + 1}`, along, across: 0, width, role: "band", label: `${i + 1}` }),
    ),
  ];
}

function pegs(params: BandsParams): Peg[] {
  return params.lines.map((distance, i) => ({ id: `b${i + 1}`, label: `${i + 1}`, distance, kind: "line" }));
}

/** A line stops 10 cm before its neighbour, so bands never overlap. */
function movePeg(params: BandsParams, id: string, metres: number): BandsParams {
  const i = Number(id.slice(1)) - 1;
  const low = i > 0 ? params.lines[i - 1]! + MIN_DEPTH : 0.3;
  const high = i < params.lines.length - 1 ? params.lines[i + 1]! - MIN_DEPTH : 30;
  return {
    ...params,
    lines: params.lines.map((line, k) => (k === i ? cm(Math.min(high, Math.max(low, metres))) : line)),
  };
}

/** For each line except the last: the chance to stop in the band that begins there, when aimed at its middle. */
const probes = (params: BandsParams): Probe[] =>
  params.points.map((_, i) => {
    const id = `z${i + 1}`;
    const worth = Object.fromEntries(params.points.map((_, k) => [`z${k + 1}`, k === i ? 1 : 0]));
    return {
      id,
      peg: `b${i + 1}`,
      ask: { kind: "send", player: 0, from: "start", manner: {}, aim: { kind: "zones", worth }, fetch: false },
      counts: (event) => (event.kind === "send" && event.rest === id ? 1 : 0),
    };
  });

export const bandsGround: Ground<BandsParams> = {
  parts,
  pegs,
  probes,
  moves: "together",
  move: (params, id, { along }) => (along === undefined ? params : movePeg(params, id, along)),
  add: addPeg,
  remove: removePeg,
  squeeze: (params, k) => ({ ...params, width: Math.max(0.3, Math.round(params.width * k * 100) / 100) }),
  swap: (params) => params,
  touchCounts: (params) => params,
};
