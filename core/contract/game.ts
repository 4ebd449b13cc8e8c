import { beforePlay } from "./before-play.ts";
import { withBetween } from "./between.ts";
import { withCompany } from "./company.ts";
import { type AnyPlayPattern, type GameSettings, isWhole, type Setup } from "./contract.ts";
import type { Match } from "./match.ts";
import type { Game } from "./opened-game.ts";
import { ownWay } from "./people.ts";

/**
 * Opens a game of a pattern. `version` is the rules version that a play began with; the current one by default. Throws RangeError if that
 * version does not exist, or if something is set before play and the pattern comes without its schema.
 */
export function openGame(pattern: AnyPlayPattern, part: Omit<GameSettings, "name">, version?: number): Game {
  const { params, match = pattern.match.initial, family = [], setOut = null, between = null } = part;
  const current = version === undefined || version === pattern.rulesVersion;
  const rules = current ? pattern.rules : pattern.earlier?.[version];
  if (!rules) throw new RangeError(`rulesVersion: ${pattern.name} has no rules of version ${version}`);
  /** A child who plays differently from the others is marked from the first state on. */
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
    // The layers around a game may have counters too.
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
  if (!setBeforePlay(part)) return game;
  if (!isWhole(pattern)) throw new RangeError(`pattern: what is set before play takes the whole of ${pattern.name}`);
  return beforePlay({ ...game, pattern }, { family, setOut }, first);
}

/** True if a family may set something before play. The pattern's schema then checks it. */
export const setBeforePlay = ({ family = [], setOut = null }: Pick<GameSettings, "family" | "setOut">): boolean =>
  family.length > 0 || setOut !== null;

/** True if a pattern still has the rules of a version. */
export function hasRules(pattern: AnyPlayPattern, version: number): boolean {
  return version === pattern.rulesVersion || pattern.earlier?.[version] !== undefined;
}
