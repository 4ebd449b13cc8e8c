import { type Refusal, refuse } from "../contract/contract.ts";

/** Pins as far as anybody knows them: which stand, or only how many. */
export interface Standing {
  ids: readonly string[];
  /** Which of them: where only a number was told, only how many. */
  known: boolean;
  left: number;
}
export const allStanding = (ids: readonly string[]): Standing => ({ ids, known: true, left: ids.length });

/** What a send felled, as it was told: which, or how many; and what stands then. After a number only a number or all may follow. */
export function felled(standing: Standing, fell: readonly string[] | number): { n: number; stand: Standing } | Refusal {
  const which = typeof fell === "number" ? null : fell;
  const count = which ? new Set(which).size : (fell as number);
  if (!which && count > standing.left) return refuse("refused.tooMany", { left: standing.left });
  if (which) {
    if (!standing.known && count > 0 && count !== standing.left) return refuse("refused.numberNow");
    const wrong = which.find((id) => !standing.ids.includes(id));
    if (wrong !== undefined || count !== which.length)
      return refuse("refused.notStanding", { pin: (wrong ?? which[0]!).slice(1) });
  }
  const all = count === standing.left;
  const known = which ? standing.known || all : standing.known && (count === 0 || all);
  const ids = all ? [] : which ? standing.ids.filter((id) => !which.includes(id)) : standing.ids;
  return { n: count, stand: { ids, known, left: standing.left - count } };
}
/** Equal where the same is known of the same pins. */
export const standingKey = (standing: Standing): string =>
  standing.known ? standing.ids.join(",") : `#${standing.left}`;
