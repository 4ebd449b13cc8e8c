import type { Ground } from "../contract/contract.ts";
import { held } from "../contract/round.ts";
import { lineId, lineIndex, lineParts, linePegs, lineProbes, movedLine, nextLine } from "./lines.ts";
import {
  ACROSS,
  added,
  changed,
  faced,
  moved,
  squeezed,
  targetParts,
  targetPegs,
  targetProbes,
  untilHit,
} from "./list.ts";
import type { Standing } from "./target.ts";
import type { Target } from "./target-schema.ts";

/** One target, and the lines from which it is sent at. */
interface Lines {
  target: Standing;
  lines: readonly number[];
  /** What a send from each line is worth, if that is written beside it. */
  points?: readonly number[];
}

/** Where the parameters of a game have its targets, and how to change them. */
export interface TargetsOf<P, T extends Target> {
  /** The targets in front of one line; or one target and the lines. */
  read(params: P): readonly T[] | Lines;
  targets(params: P, targets: T[]): P;
  /** The fewest and the most targets, or lines. */
  least: number;
  most: number;
  /** A new target with whatever the game adds to it. */
  begin(target: Target): T;
  /** True if each target is sent at until it is hit. */
  untilHit?: true;
  /** How to change the one target and its lines, in games that may have them. `move` keeps the number of lines. */
  lines?: {
    target(params: P, target: Standing): P;
    move(params: P, lines: readonly number[]): P;
    add(params: P, line: number): P;
    remove(params: P, index: number): P;
  };
}

const isList = <T extends Target>(read: readonly T[] | Lines): read is readonly T[] => Array.isArray(read);

/** The ground of a game with a list of targets or, in some games, one target and lines at distances from it. */
export function targetsGround<P, T extends Target>(of: TargetsOf<P, T>): Ground<P> {
  const change = (params: P, id: string, to: <S extends Standing>(target: S) => S): P => {
    const now = of.read(params);
    if (isList(now)) return of.targets(params, changed(now, id, to));
    return now.target.id === id ? of.lines!.target(params, to(now.target)) : params;
  };
  return {
    parts: (params, space) => {
      const now = of.read(params);
      return isList(now) ? targetParts(now, space) : lineParts(now.target, now.lines, space, now.points);
    },
    pegs: (params) => {
      const now = of.read(params);
      return isList(now) ? targetPegs(now) : linePegs(now.lines);
    },
    probes: (params) => {
      const now = of.read(params);
      const all = isList(now) ? targetProbes(now.map((target) => target.id)) : lineProbes(now.target.id, now.lines);
      return of.untilHit ? untilHit(all) : all;
    },
    moves: "each",
    // The only target of lines moves sideways, and the lines along.
    move: (params, id, to) => {
      const now = of.read(params);
      if (isList(now)) return of.targets(params, moved(now, id, to));
      const there = to.along === undefined ? params : of.lines!.move(params, movedLine(now.lines, id, to.along));
      const { across } = to;
      return across === undefined
        ? there
        : change(there, id, (target) => ({ ...target, across: held(across, ACROSS.least, ACROSS.most) }));
    },
    add: (params, space) => {
      const now = of.read(params);
      if (isList(now)) return now.length >= of.most ? null : of.targets(params, [...now, of.begin(added(now, space))]);
      const next = nextLine(now.lines, space);
      return now.lines.length >= of.most || next === null ? null : of.lines!.add(params, next);
    },
    remove: (params, id) => {
      const now = of.read(params);
      const list = isList(now) ? now : now.lines;
      if (list.length <= of.least) return null;
      if (isList(now))
        return of.targets(
          params,
          now.filter((target) => target.id !== id),
        );
      const index = lineIndex(id);
      return lineId(index) === id && index < now.lines.length ? of.lines!.remove(params, index) : params;
    },
    squeeze: (params, k) => {
      const now = of.read(params);
      return isList(now) ? of.targets(params, squeezed(now, k)) : params;
    },
    swap: (params, id, face) => change(params, id, (target) => faced(target, face)),
    touchCounts: (params, id) => change(params, id, (target) => ({ ...target, counts: ["touch"] })),
  };
}
