import { beforePlay } from "./before-play.ts";
import { withBetween } from "./between.ts";
import { withCompany } from "./company.ts";
import type { AnyPattern, GamePart, Setup } from "./contract.ts";
import type { Match } from "./match.ts";
import type { Game } from "./opened-game.ts";
import { ownWay } from "./people.ts";

/** Opens a game of a pattern. `version`: the rules that a play began with; those of now unless given. RangeError names a version that is not there. */
export function openGame(pattern: AnyPattern, part: Omit<GamePart, "name">, version?: number): Game {
  const { params, match = pattern.match.initial, family = [], setOut = null, between = null } = part;
  const current = version === undefined || version === pattern.rulesVersion;
  const rules = current ? pattern.rules : pattern.earlier?.[version];
  if (!rules) throw new RangeError(`rulesVersion: ${pattern.name} has no rules of version ${version}`);
  /** A child that plays otherwise than the others is told apart from the first on. */
  const first = (p: unknown, givenMatch: Match, setup: Setup) => {
    const state = rules.start(p, givenMatch, setup);
    const way = ownWay(setup);
    return way ? { ...state, set: way } : state;
  };
  const { leave: _, join: __, ...told } = rules;
  const table: Omit<Game, "company"> = {
    ...told,
    name: pattern.name,
    params,
    match,
    pattern,
    start: (setup) => first(params, match, setup),
    clock: (setup) => rules.clock(params, match, setup),
    sidesMeet: (setup) => rules.sidesMeet(params, match, setup),
    // What stands around a game may count too.
    counters: (setup) =>
      between || family.length > 0 || setOut ? null : (rules.counters?.(params, match, setup) ?? null),
    starting: (setup, side) => {
      const sides = rules.score(rules.start(params, match, setup)).map((score) => score.players);
      return rules.starting?.(setup, side) ?? { ...setup, sides: [...sides.slice(side), ...sides.slice(0, side)] };
    },
    firstEnds: (setup) => rules.firstEnds?.(params, match, setup) ?? false,
  };
  const plain = withCompany(table, rules);
  const game = between ? withBetween(plain, between) : plain;
  return family.length === 0 && !setOut ? game : beforePlay(game, { family, setOut }, first);
}

/** Whether a pattern still has the rules of a version. */
export function hasRules(pattern: AnyPattern, version: number): boolean {
  return version === pattern.rulesVersion || pattern.earlier?.[version] !== undefined;
}
