import type { PlayScore } from "./play.ts";
import { rankOf, settingOf } from "./rank.ts";

/**
 * Words from which a child chooses one as a name in a match with another home. Nothing else about the child is shown
 * there.
 */
export const CHOSEN_WORDS = [
  "acorn",
  "badger",
  "cloud",
  "comet",
  "drum",
  "feather",
  "fern",
  "heron",
  "kite",
  "lantern",
  "maple",
  "marble",
  "moon",
  "mouse",
  "otter",
  "pebble",
  "puffin",
  "rocket",
  "seal",
  "snail",
  "spark",
  "thunder",
  "turtle",
  "walnut",
] as const;
export type ChosenWord = (typeof CHOSEN_WORDS)[number];

/**
 * The result of two complete goes in two homes. `missing`: it closed before both were played. `unlike`: they had
 * different settings, so they cannot be compared.
 */
export type Joined =
  | { state: "waits" | "missing" | "unlike"; winner: null }
  | { state: "played" /** Null: a draw. */; winner: 0 | 1 | null };

/**
 * Combines two complete goes as the match layer ranks two sides: the better rank wins, equal ranks are a draw. Null:
 * not played.
 */
export function joinGoes(goes: readonly [PlayScore | null, PlayScore | null], closed: boolean): Joined {
  const [playScore, b] = goes;
  if (!playScore || !b) return { state: closed ? "missing" : "waits", winner: null };
  if (playScore.unit !== b.unit || settingOf(playScore) !== settingOf(b)) return { state: "unlike", winner: null };
  const [x, y] = [rankOf(playScore), rankOf(b)];
  return { state: "played", winner: x === y ? null : x > y ? 0 : 1 };
}
