import { USUAL_MATCH } from "../contract/match.ts";

/**
 * Documents of the first version in today's shape. Stored files and rows are never rewritten but translated when
 * read.
 */
type Loose = Record<string, unknown>;
const isObject = (x: unknown): x is Loose => typeof x === "object" && x !== null && !Array.isArray(x);

/** A game of the first version had its match among its parameters. */
export function gameNow(game: unknown): unknown {
  if (!isObject(game) || !isObject(game.params) || game.match !== undefined) return game;
  if (game.name === "climb") {
    const { goes, swap, end, timeLimit, ...params } = game.params;
    if (goes === undefined && swap === undefined && end === undefined && timeLimit === undefined) return game;
    const match = { goes, swap, end, seconds: timeLimit ?? null, carry: false };
    return { ...game, params, match };
  }
  if (game.name === "bands" && "carry" in game.params) {
    const { carry, ...params } = game.params;
    return { ...game, params, match: { ...USUAL_MATCH, carry } };
  }
  return game;
}

/** An activity document of version 1 as one of version 2. Anything else is unchanged. */
export function documentNow(json: unknown): unknown {
  if (!isObject(json) || json.version !== 1) return json;
  const { match, ...pattern } = { ...(gameNow(json.pattern) as Loose) };
  const around = { ...USUAL_MATCH, ...(isObject(match) ? match : {}) };
  const kit = isObject(json.kit) ? { implement: null, ...json.kit } : json.kit;
  return { ...json, version: 2, kit, pattern, match: around, family: [] };
}

/** A card as it was compiled, with its activities in today's shape. */
export function cardNow<T>(card: T): T {
  if (!isObject(card)) return card;
  const { making } = card as Loose;
  return {
    ...card,
    activity: documentNow((card as Loose).activity),
    ...(isObject(making) && { making: { ...making, designed: documentNow(making.designed) } }),
  };
}
/** The game that was really played, in today's shape. */
export function playedNow<T>(played: T): T {
  return isObject(played) ? ({ ...played, pattern: gameNow((played as Loose).pattern) } as T) : played;
}
