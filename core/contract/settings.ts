import type { Setting } from "./setting.ts";
import { LINE_FIELD, standsAs, TARGETS_FIELD, withTargets } from "./standing.ts";

/** The part of a game that can be set: its parameters, and the match around it. */
interface Settable {
  params: unknown;
  match: unknown;
}

/** True if a game has a field. */
export function hasField(game: Settable, field: string): boolean {
  if (field === TARGETS_FIELD) return standsAs(["targets"], game.params) !== undefined;
  let at: unknown = game;
  for (const key of field.split(".")) {
    if (typeof at !== "object" || at === null || !Object.hasOwn(at, key)) return false;
    at = (at as Record<string, unknown>)[key];
  }
  return true;
}

function put(o: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  if (Array.isArray(o)) return o.map((eachValue, i) => (String(i) === key ? put(eachValue, rest, value) : eachValue));
  return { ...(o as object), [key]: put((o as Record<string, unknown>)[key], rest, value) };
}

/** The same game with one setting changed. Throws RangeError with the name of a field that does not exist. */
export function withSetting<G extends Settable>(game: G, { field, value }: Setting): G {
  // A player's own line is not a setting of the game.
  if (field === LINE_FIELD) return game;
  if (!hasField(game, field)) throw new RangeError(`field: this game has no ${field}`);
  if (field === TARGETS_FIELD) return { ...game, params: withTargets(game.params, Number(value)) };
  const { params, match } = put({ params: game.params, match: game.match }, field.split("."), value) as Settable;
  return { ...game, params, match };
}
