import type { Phrase } from "../contract/contract.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";

/** Where players stand unless a pattern says otherwise. */
const AT_THE_LINE: Phrase = { key: "together.line" };

/**
 * What two or more players are told before they play: who stands where, whose items are whose, and what a grown-up
 * does. `sets`: what the home has for two sides (see `ForHome`); null if the family did not say.
 */
export function togetherOf(
  activity: Activity,
  home: { sets: "two" | "one" | null; marked: string | null } | null,
): Phrase[] {
  if (activity.players.most < 2 || activity.players.modes.every((mode) => mode === "alone")) return [];
  const { pattern, needs } = opened(activity);
  const against = needs.apart && activity.players.modes.includes("against");
  const whose = !against
    ? needs.pieces > 0
      ? "together.shared"
      : null
    : home?.sets === "two"
      ? home.marked
        ? "together.marked"
        : "together.twoSets"
      : home?.sets === "one"
        ? "together.oneSet"
        : "together.apart";
  return [
    pattern.together?.(activity.pattern.params) ?? AT_THE_LINE,
    ...(whose ? [{ key: whose }] : []),
    { key: "together.helper" },
    ...(activity.players.call ? [{ key: "call.card" }] : []),
  ];
}
