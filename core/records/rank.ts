import { type Better, betterIn } from "../contract/contract.ts";
import type { PlayScore } from "./play.ts";

/** More than any unfinished go can reach. */
const FINISHED = 1e9;

type Ranked = Pick<PlayScore, "unit" | "value" | "finished" | "stage" | "better">;
/** Whether more or less is better. For scores from earlier versions, this follows from the unit. */
export const betterOf = (s: Pick<PlayScore, "unit" | "better">): Better => s.better ?? betterIn(s.unit);

/**
 * The rank of a score among others of the same game; more is better. One rule for every unit and source: points by
 * points; fewest sends and shortest time by those who finished, before all who did not, and those by how far they
 * came. `{unit: "tenths", value: 325, finished: true}` comes before `{unit: "tenths", value: 400, finished: true}`.
 */
export function rankOf(ranked: Ranked): number {
  if (betterOf(ranked) === "more") return ranked.value;
  return ranked.finished ? FINISHED - ranked.value : ranked.stage;
}

/** True if a score is better than the teacher's score to beat, in the same unit. An unfinished go never is. */
export function beatsMark(s: Pick<Ranked, "unit" | "value" | "finished" | "better">, mark: number | null): boolean {
  if (mark === null) return false;
  return betterOf(s) === "more" ? s.value > mark : s.finished && s.value < mark;
}

/** The best of several by `rankOf`; of equal ones, the earliest. Null if there are none. */
export function bestBy<T>(list: readonly T[], score: (t: T) => Ranked): T | null {
  return list.reduce<T | null>((a, b) => (a === null || rankOf(score(b)) > rankOf(score(a)) ? b : a), null);
}

/** The family's settings for a go in one line, in a fixed order. Empty: as it was sent. `params.frames=3`. */
export function settingOf(s: Pick<PlayScore, "set">): string {
  return Object.entries(s.set ?? {})
    .map(([field, value]) => `${field}=${value}`)
    .sort()
    .join("; ");
}

/**
 * The best of several with the same settings: of the goes as they were sent, if there are any, otherwise of those
 * with the settings of the latest one. `list` in the order in which they were begun.
 */
export function bestAlike<T>(list: readonly T[], score: (t: T) => PlayScore): T | null {
  const last = list[list.length - 1];
  if (last === undefined) return null;
  const plain = list.filter((t) => settingOf(score(t)) === "");
  if (plain.length > 0) return bestBy(plain, score);
  return bestBy(
    list.filter((t) => settingOf(score(t)) === settingOf(score(last))),
    score,
  );
}
