import { type Refusal, refuse } from "../contract/contract.ts";

/** The pins as far as they are known: which ones stand, or only how many. */
export interface Standing {
  ids: readonly string[];
  /** True if it is known which ones stand. After a number was reported, only how many. */
  known: boolean;
  left: number;
}
export const allStanding = (ids: readonly string[]): Standing => ({ ids, known: true, left: ids.length });

/**
 * What a send knocked down as it was reported (which pins, or how many), and what stands afterwards. After a number,
 * only a number or all of them can follow.
 */
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
/** Equal if the same is known about the same pins. */
export const standingKey = (standing: Standing): string =>
  standing.known ? standing.ids.join(",") : `#${standing.left}`;
