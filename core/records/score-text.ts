import { UNITS, type Unit } from "../contract/contract.ts";

export type ScoreUnit = Unit;
export const SCORE_UNITS: readonly ScoreUnit[] = UNITS;

/** Tenths of a second as a clock shows them: `325` -> `0:32.5`, `600` -> `1:00.0`. */
export function clockText(tenths: number): string {
  const whole = Math.floor(tenths / 10);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}.${tenths % 10}`;
}

/**
 * Reads a score as people write it, in the unit of the game: `45`, `45 points`, `12 sends`, `0:32.5`, `32,5`. Returns
 * whole points or sends, or tenths of a second. Null if it is none of these.
 */
export function readScore(text: string, unit: ScoreUnit): number | null {
  const words = text.trim().toLowerCase().replace(",", ".");
  if (unit === "tenths") {
    const match = /^(?:(\d{1,3}):([0-5]?\d)|(\d{1,5}))(?:\.(\d))?\s*(?:s|sec|seconds?)?$/.exec(words);
    if (!match) return null;
    const seconds = match[3] !== undefined ? Number(match[3]) : Number(match[1]) * 60 + Number(match[2]);
    return seconds * 10 + Number(match[4] ?? 0);
  }
  const m = /^(\d{1,6})\s*(\p{L}+)?$/u.exec(words);
  if (!m) return null;
  // The unit in the plural and in the singular.
  const of = [unit, unit.replace(/(?<=s|ch|sh)es$|s$/, "")] as string[];
  return m[2] === undefined || of.includes(m[2]) ? Number(m[1]) : null;
}
