import { fromLine } from "../asks/ask.ts";
import type { AnyPattern, AnyPlayPattern, Knob } from "./contract.ts";
import { MAX_NEARER } from "./contract.ts";

/**
 * The fields for where a player stands who may come nearer (metres before the line), and for how many of the targets
 * are played.
 */
export const LINE_FIELD = "standing.line";
export const TARGETS_FIELD = "standing.targets";
/** Lines move by this much, about half a child's step, and nobody comes nearer to anything than `NEAREST`, metres. */
const BY = 0.25;
const NEAREST = 0.5;

type Fields = Readonly<Record<string, unknown>>;
const isFields = (x: unknown): x is Fields => typeof x === "object" && x !== null && !Array.isArray(x);
/**
 * The targets of a game with a list of them, and the name of the part that has the list. Null: the game itself has
 * it.
 */
function holderOf(params: unknown): { of: string | null; list: readonly unknown[] } | null {
  if (!isFields(params)) return null;
  if (Array.isArray(params.targets)) return { of: null, list: params.targets };
  for (const [of, part] of Object.entries(params))
    if (isFields(part) && Array.isArray(part.targets)) return { of, list: part.targets };
  return null;
}
const listOf = (params: unknown) => holderOf(params)?.list ?? null;
/** The value a standing field has as designed: the line as drawn, and all targets. */
export function standsAs(path: readonly (string | number)[], params: unknown): number | undefined {
  if (path[0] === "line") return 0;
  return path[0] === "targets" ? listOf(params)?.length : undefined;
}
/** The parameters with only the first few targets. Unchanged in a game without a list of targets. */
export const withTargets = (params: unknown, count: number): unknown => {
  const at = holderOf(params);
  if (!at || count >= at.list.length) return params;
  const targets = at.list.slice(0, count);
  const all = params as Fields;
  return at.of === null ? { ...all, targets } : { ...all, [at.of]: { ...(all[at.of] as Fields), targets } };
};

/** True if each side has a court or a goal to guard that may be narrower. */
export const hasGuards = (pattern: AnyPlayPattern, params: unknown): boolean =>
  pattern.ground.probes(params).some((probe) => probe.ask.aim.kind === "point" || probe.ask.aim.kind === "goal");

/** The shortest distance between the line and a target, metres. */
function room(pattern: AnyPlayPattern, params: unknown): number | null {
  const probes = pattern.ground.probes(params).filter((probe) => fromLine(probe.ask));
  if (probes.length === 0) return null;
  const pegs = pattern.ground.pegs(params).map((peg) => peg.distance);
  return pegs.length === 0 ? MAX_NEARER : Math.min(...pegs);
}
/**
 * How far from the line somebody may stand in a game, nearer and farther, metres in steps of `by`. Null: nothing is
 * sent from a line.
 */
export function lineRange(
  pattern: AnyPlayPattern,
  params: unknown,
): { least: number; most: number; by: number } | null {
  const free = room(pattern, params);
  if (free === null) return null;
  const most = Math.max(0, Math.min(MAX_NEARER, Math.floor((free - NEAREST) / BY) * BY));
  return { least: -MAX_NEARER, most, by: BY };
}

/**
 * The lines that a teacher allows and that there is room for, from the farthest back to the nearest. A home may have
 * to put things nearer than drawn.
 */
export function linesOf(pattern: AnyPlayPattern, params: unknown, allowed: readonly unknown[]): number[] {
  const range = lineRange(pattern, params);
  const values = allowed.flatMap((v) => (typeof v === "number" && range && v <= range.most + 1e-9 ? [v] : []));
  return [...new Set([...values, 0])].sort((a, b) => a - b);
}
/** All lines of a range, from the farthest back to the nearest. */
export const linesIn = ({ least, most, by }: NonNullable<ReturnType<typeof lineRange>>): number[] =>
  Array.from({ length: Math.round((most - least) / by) + 1 }, (_, i) => Math.round((least + i * by) * 100) / 100);

/** What a family may be left to set on the floor: where to stand, and how many targets to play. */
export function standingKnobs(pattern: AnyPattern, params: unknown): Knob[] {
  const of = "standing" as const;
  const line = lineRange(pattern, params);
  const list = listOf(params);
  const least = list ? list.findIndex((_, i) => pattern.params.safeParse(withTargets(params, i + 1)).success) + 1 : 0;
  return [
    ...(line
      ? [
          {
            kind: "number" as const,
            of,
            station: "players" as const,
            path: ["line"],
            label: "knob.standNearer",
            unit: "m" as const,
            least: line.least,
            most: line.most,
            step: line.by,
            family: { key: "set.line" },
          },
        ]
      : []),
    ...(list && least > 0 && least < list.length
      ? [
          {
            kind: "number" as const,
            of,
            station: "players" as const,
            path: ["targets"],
            label: "knob.howManyTargets",
            least,
            most: list.length,
            step: 1,
            family: { key: "set.targets" },
          },
        ]
      : []),
  ];
}
