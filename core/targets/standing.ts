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
export function felled(s: Standing, fell: readonly string[] | number): { n: number; stand: Standing } | Refusal {
  const which = typeof fell === "number" ? null : fell;
  const n = which ? new Set(which).size : (fell as number);
  if (!which && n > s.left) return refuse("refused.tooMany", { left: s.left });
  if (which) {
    if (!s.known && n > 0 && n !== s.left) return refuse("refused.numberNow");
    const wrong = which.find((id) => !s.ids.includes(id));
    if (wrong !== undefined || n !== which.length)
      return refuse("refused.notStanding", { pin: (wrong ?? which[0]!).slice(1) });
  }
  const all = n === s.left;
  const known = which ? s.known || all : s.known && (n === 0 || all);
  const ids = all ? [] : which ? s.ids.filter((id) => !which.includes(id)) : s.ids;
  return { n, stand: { ids, known, left: s.left - n } };
}
/** Equal where the same is known of the same pins. */
export const standingKey = (s: Standing): string => (s.known ? s.ids.join(",") : `#${s.left}`);
