import type { Ground, Peg, Probe } from "../../contract/contract.ts";
import type { Face } from "../../kit/face.ts";
import type { HitRule, SingleRule } from "../../rules/hit-rule.ts";
import type { Part } from "../../yard/parts.ts";
import { addPeg, removePeg } from "./knobs.ts";
import type { ClimbParams, ClimbTarget } from "./params.ts";

/** Room behind the one target of a line ladder, metres. */
const BEHIND = 0.5;
const LINE_WIDTH = 1.2;
/** The rim of what lies on its side is so thick, metres: an assumption. */
const LIP = 0.008;
/** Rim of a container beside its outer width. */
const WALL = 0.02;
/** A thing that nobody weighed: an empty bottle, kilograms. */
const LIGHT = { mass: 0.03, contents: 0, filling: 0 };
/** Pegs snap to whole centimetres. */
const cm = (m: number) => Math.round(m * 100) / 100;

function ruleOf(t: Omit<ClimbTarget, "distance">): HitRule {
  const within = Math.max(0.02, t.width - WALL);
  const rules = t.counts.map((c): SingleRule => {
    switch (c) {
      case "touch":
        return { kind: "touch", width: t.width };
      case "into":
        return {
          kind: "into",
          opening: t.opening ?? within,
          ...(t.opening !== undefined && t.openingDepth !== undefined && { depth: t.openingDepth }),
          ...(t.turn && { turn: (t.turn * Math.PI) / 180 }),
          ...(t.lies !== undefined && { facing: t.lies ? "mouth" : "up" }),
          lip: LIP,
        };
      case "through":
        return { kind: "through", gap: t.gap ?? within };
      default:
        return { kind: "topple", width: t.width, height: t.height, ...(t.weight ?? LIGHT) };
    }
  });
  return rules.length === 1 ? rules[0]! : { kind: "anyOf", rules };
}

function targetPart(t: Omit<ClimbTarget, "distance">, along: number): Part {
  const { id, across, width, height, item, label } = t;
  return { kind: "target", id, along, across, width, height, item, label, rule: ruleOf(t) };
}

/** Targets in front of one line; or, where the line moves, one target near the far end and a line a level. */
function parts({ ladder }: ClimbParams, space: { length: number; width: number }): Part[] {
  if (ladder.kind === "targets")
    return [
      { kind: "line", id: "start", along: 0, across: 0, width: Math.min(LINE_WIDTH, space.width), role: "start" },
      { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
      ...ladder.targets.map((t) => targetPart(t, t.distance)),
    ];
  const target = Math.max(space.length - BEHIND, ...ladder.lines);
  return [
    ...ladder.lines.map(
      (d, i): Part => ({
        kind: "line",
        id: `l${i + 1}`,
        along: target - d,
        across: 0,
        width: Math.min(LINE_WIDTH, space.width),
        role: "start",
        label: `${i + 1}`,
      }),
    ),
    { kind: "person", id: "sender", along: target - ladder.lines[0]!, across: 0, role: "sender" },
    targetPart(ladder.target, target),
  ];
}

function pegs({ ladder }: ClimbParams): Peg[] {
  return ladder.kind === "targets"
    ? ladder.targets.map((t) => ({ id: t.id, label: t.label, item: t.item, distance: t.distance, kind: "target" }))
    : ladder.lines.map((d, i) => ({ id: `l${i + 1}`, label: `${i + 1}`, distance: d, kind: "line" }));
}

/** Lines keep their order: one stops 5 cm before its neighbour. Everything stays between 0.3 m and 30 m. */
function movePeg(p: ClimbParams, id: string, metres: number): ClimbParams {
  const { ladder } = p;
  const held = cm(Math.min(30, Math.max(0.3, metres)));
  if (ladder.kind === "targets")
    return {
      ...p,
      ladder: { ...ladder, targets: ladder.targets.map((t) => (t.id === id ? { ...t, distance: held } : t)) },
    };
  const i = Number(id.slice(1)) - 1;
  const low = i > 0 ? ladder.lines[i - 1]! + 0.05 : 0.3;
  const high = i < ladder.lines.length - 1 ? ladder.lines[i + 1]! - 0.05 : 30;
  const lines = ladder.lines.map((d, k) => (k === i ? cm(Math.min(high, Math.max(low, held))) : d));
  return { ...p, ladder: { ...ladder, lines } };
}

function changeTarget(
  p: ClimbParams,
  id: string,
  change: <T extends Omit<ClimbTarget, "distance">>(t: T) => T,
): ClimbParams {
  const { ladder } = p;
  if (ladder.kind === "line")
    return ladder.target.id === id ? { ...p, ladder: { ...ladder, target: change(ladder.target) } } : p;
  return { ...p, ladder: { ...ladder, targets: ladder.targets.map((t) => (t.id === id ? change(t) : t)) } };
}

/** Another thing in the place of a target, with its sizes; what counts, and how full it is, stays. */
const swapTarget = (p: ClimbParams, id: string, face: Face): ClimbParams =>
  changeTarget(p, id, (t) => {
    const { opening: _o, openingDepth: _d, gap: _g, weight, ...rest } = t;
    const { mass, contents, ...as } = face;
    return { ...rest, ...as, ...(weight && { weight: { mass, contents, filling: weight.filling } }) } as typeof t;
  });

const touchCounts = (p: ClimbParams, id: string): ClimbParams =>
  changeTarget(p, id, (t) => ({ ...t, counts: ["touch"] }));

function squeeze(p: ClimbParams, k: number): ClimbParams {
  const { ladder } = p;
  if (ladder.kind === "line") return p;
  return { ...p, ladder: { ...ladder, targets: ladder.targets.map((t) => ({ ...t, across: cm(t.across * k) })) } };
}

/** Targets stay within 10 m of the middle; the target of a line ladder moves aside too. */
const moveAside = (p: ClimbParams, id: string, across: number): ClimbParams =>
  changeTarget(p, id, (t) => ({ ...t, across: cm(Math.min(10, Math.max(-10, across))) }));

/** Under each peg: the chance to hit that target, or the one target from that line. */
function probes({ ladder }: ClimbParams): Probe[] {
  const among = ladder.kind === "line" ? [ladder.target.id] : ladder.targets.map((t) => t.id);
  const probe = (id: string, from: string, want: string): Probe => ({
    id,
    peg: id,
    ask: { kind: "send", player: 0, from, manner: {}, aim: { kind: "any", want: [want], among }, fetch: true },
    counts: (e) => (e.kind === "send" && e.hit === want ? 1 : 0),
  });
  return ladder.kind === "line"
    ? ladder.lines.map((_, i) => probe(`l${i + 1}`, `l${i + 1}`, ladder.target.id))
    : ladder.targets.map((t) => probe(t.id, "start", t.id));
}

export const climbGround: Ground<ClimbParams> = {
  parts,
  pegs,
  probes,
  moves: "each",
  move: (p, id, { along, across }) => {
    const there = along === undefined ? p : movePeg(p, id, along);
    return across === undefined ? there : moveAside(there, id, across);
  },
  add: addPeg,
  remove: removePeg,
  squeeze,
  swap: swapTarget,
  touchCounts,
};
