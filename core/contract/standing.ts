import { fromLine } from "../asks/ask.ts";
import type { AnyPattern, AnyPlayPattern, Knob } from "./contract.ts";
import { MAX_NEARER } from "./contract.ts";

/** Where somebody stands who may come nearer, metres before the line; and how many of the targets are played. */
export const LINE_FIELD = "standing.line";
export const TARGETS_FIELD = "standing.targets";
/** Lines are moved by so much, metres: about half a step of a child; and nobody comes nearer to anything than this. */
const BY = 0.25;
const NEAREST = 0.5;

type Fields = Readonly<Record<string, unknown>>;
const isFields = (x: unknown): x is Fields => typeof x === "object" && x !== null && !Array.isArray(x);
/** The targets of a game that has a list of them: its own, or of one of its parts; where they are, by the name of that part. */
function holderOf(params: unknown): { of: string | null; list: readonly unknown[] } | null {
  if (!isFields(params)) return null;
  if (Array.isArray(params.targets)) return { of: null, list: params.targets };
  for (const [of, part] of Object.entries(params))
    if (isFields(part) && Array.isArray(part.targets)) return { of, list: part.targets };
  return null;
}
const listOf = (params: unknown) => holderOf(params)?.list ?? null;
/** What of a game that stands on the floor is set to: the line as it is drawn, all targets. */
export function standsAs(path: readonly (string | number)[], params: unknown): number | undefined {
  if (path[0] === "line") return 0;
  return path[0] === "targets" ? listOf(params)?.length : undefined;
}
/** Only the first so many targets of a game; the same where it has no list of them. */
export const withTargets = (params: unknown, count: number): unknown => {
  const at = holderOf(params);
  if (!at || count >= at.list.length) return params;
  const targets = at.list.slice(0, count);
  const all = params as Fields;
  return at.of === null ? { ...all, targets } : { ...all, [at.of]: { ...(all[at.of] as Fields), targets } };
};

/** Whether each side has a court or a goal of its own to guard, that may be narrower. */
export const hasGuards = (pattern: AnyPlayPattern, params: unknown): boolean =>
  pattern.ground.probes(params).some((probe) => probe.ask.aim.kind === "point" || probe.ask.aim.kind === "goal");

/** The least metres between the line and something that is sent at from it. */
function room(pattern: AnyPlayPattern, params: unknown): number | null {
  const probes = pattern.ground.probes(params).filter((probe) => fromLine(probe.ask));
  if (probes.length === 0) return null;
  const pegs = pattern.ground.pegs(params).map((peg) => peg.distance);
  return pegs.length === 0 ? MAX_NEARER : Math.min(...pegs);
}
/** How much nearer to and farther from the line somebody may stand in a game, metres in steps of `by`; null: nothing is sent from a line. */
export function lineRange(
  pattern: AnyPlayPattern,
  params: unknown,
): { least: number; most: number; by: number } | null {
  const free = room(pattern, params);
  if (free === null) return null;
  const most = Math.max(0, Math.min(MAX_NEARER, Math.floor((free - NEAREST) / BY) * BY));
  return { least: -MAX_NEARER, most, by: BY };
}

/** Of the lines that a teacher allows those that there is room for, from the farthest back to the nearest. A home may stand things nearer than they were drawn. */
export function linesOf(pattern: AnyPlayPattern, params: unknown, allowed: readonly unknown[]): number[] {
  const range = lineRange(pattern, params);
  const values = allowed.flatMap((v) => (typeof v === "number" && range && v <= range.most + 1e-9 ? [v] : []));
  return [...new Set([...values, 0])].sort((a, b) => a - b);
}
/** All of these, from the farthest back to the nearest. */
export const linesIn = ({ least, most, by }: NonNullable<ReturnType<typeof lineRange>>): number[] =>
  Array.from({ length: Math.round((most - least) / by) + 1 }, (_, i) => Math.round((least + i * by) * 100) / 100);

/** What of the things on the floor may be left to the family: where to stand, and how many of the targets are played. */
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
