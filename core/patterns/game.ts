import type { Match } from "../match/match.ts";
import type { BaseState, GamePart, Rules, Setup } from "./contract.ts";
import { type AnyPattern, patternOf } from "./registry.ts";

/** A game opened: a pattern with its parameters and its match, under the rules of one version. What referee, forecast and screens run. */
export interface Game extends Omit<Rules<unknown, BaseState>, "start" | "clock" | "sidesMeet"> {
  name: string;
  params: unknown;
  match: Match;
  pattern: AnyPattern;
  start(setup: Setup): BaseState;
  clock(setup: Setup): "none" | "bell" | "state";
  sidesMeet(setup: Setup): boolean;
}

/**
 * Opens a game. `version`: the rules that a play began with; those of now unless given. RangeError names a pattern or a version that is
 * not there.
 */
export function openGame(part: GamePart, version?: number, pattern: AnyPattern = patternOf(part.name)): Game {
  const { params, match = pattern.match.initial } = part;
  const current = version === undefined || version === pattern.rulesVersion;
  const rules = current ? pattern.rules : pattern.earlier?.[version];
  if (!rules) throw new RangeError(`rulesVersion: ${part.name} has no rules of version ${version}`);
  return {
    ...rules,
    name: part.name,
    params,
    match,
    pattern,
    start: (setup) => rules.start(params, match, setup),
    clock: (setup) => rules.clock(params, match, setup),
    sidesMeet: (setup) => rules.sidesMeet(params, match, setup),
  };
}

/** Whether a pattern still has the rules of a version. */
export function hasRules(name: string, version: number): boolean {
  const pattern = patternOf(name);
  return version === pattern.rulesVersion || pattern.earlier?.[version] !== undefined;
}
