import type { PlayScore } from "./play.ts";
import { rankOf, settingOf } from "./rank.ts";

/** Words that a child may go by in a match with another home: nothing else of it is shown there. */
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

/** What came of two whole goes in two homes. `missing`: it closed before both were played; `unlike`: one was set otherwise, so that they do not compare. */
export type Joined =
  | { state: "waits" | "missing" | "unlike"; winner: null }
  | { state: "played" /** Null: level. */; winner: 0 | 1 | null };

/** Joins two whole goes, as the match layer ranks two sides of one: the better rank wins, equal is a draw. Null: not played. */
export function joinGoes(goes: readonly [PlayScore | null, PlayScore | null], closed: boolean): Joined {
  const [playScore, b] = goes;
  if (!playScore || !b) return { state: closed ? "missing" : "waits", winner: null };
  if (playScore.unit !== b.unit || settingOf(playScore) !== settingOf(b)) return { state: "unlike", winner: null };
  const [x, y] = [rankOf(playScore), rankOf(b)];
  return { state: "played", winner: x === y ? null : x > y ? 0 : 1 };
}
