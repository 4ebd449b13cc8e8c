import type { Unlikely } from "#core/estimate/unlikely.ts";
import { betterOf, settingOf } from "#core/records/rank.ts";
import type { Expected } from "../compute/work.ts";
import type { Go } from "./goes.ts";

/**
 * What makes a go worth a look: better than nearly all children of the age, more hits than the child's own games let expect, faster than what was sent
 * can be fetched, or taps as even as no throws are.
 */
export const LOOKS = ["rare", "unlikely", "hurried", "even"] as const;
/** Why a go is worth a look; none for most. Only a teacher sees it. Games set or played otherwise than sent are compared with nothing. */
export function looksAt(
  g: Pick<Go, "score" | "setup" | "source">,
  expected: Expected | undefined,
  unlikely?: Unlikely,
): (typeof LOOKS)[number][] {
  const { score } = g;
  const from = expected?.rare ?? null;
  const alike = settingOf(score) === "" && (g.source === "paper" || g.setup.players === 1) && !score.stopped;
  const better =
    betterOf(score) === "less"
      ? score.finished && from !== null && score.value <= from
      : from !== null && score.value >= from;
  const is = { rare: alike && better, unlikely: unlikely !== undefined, hurried: score.hurried, even: score.even };
  return LOOKS.filter((look) => is[look]);
}
