import { IntlMessageFormat } from "intl-messageformat";
import type { Phrase } from "#core/patterns/contract.ts";
import { en } from "./en.ts";

export type Key = keyof typeof en;
const LANGUAGE = "en";
const made = new Map<string, IntlMessageFormat>();
// One language, known beforehand: asking the browser which locales it supports costs a slow phone a fifth of a second.
IntlMessageFormat.resolveLocale = () => new Intl.Locale(LANGUAGE);

/** The sentence of a key with its parameters. An unknown key is a fault of ours and shows itself in brackets. */
export function say(key: Key | (string & {}), params?: Record<string, string | number>): string {
  let m = made.get(key);
  if (!m) {
    const text = (en as Record<string, string>)[key];
    if (text === undefined) return `[${key}]`;
    if (!text.includes("{")) return text;
    m = new IntlMessageFormat(text, LANGUAGE);
    made.set(key, m);
  }
  return String(m.format(params));
}

export const sayPhrase = (p: Phrase): string => say(p.key, p.params);

/** A count in whole or half steps: `5½`. */
export const sayCount = (n: number): string => `${Math.floor(n) || (n % 1 ? "" : 0)}${n % 1 === 0.5 ? "½" : ""}`;

/** A score with its unit; tenths of a second are shown as seconds. */
export function sayScore(value: number, unit: "points" | "sends" | "tenths"): string {
  return say(`score.${unit}`, { value: unit === "tenths" ? value / 10 : value });
}
