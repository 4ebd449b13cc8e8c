import { IntlMessageFormat } from "intl-messageformat";
import type { Phrase } from "#core/contract/contract.ts";
import { own } from "#core/own.ts";
import { clockText, type ScoreUnit } from "#core/records/score-text.ts";
import { en } from "./en.ts";
import { togetherWords } from "./generated/together.ts";
import { ANY_TRY } from "./verbs.ts";

/** A message as it is written or, in the browser's files, as the build has parsed it (scripts/vite/ready-words.mjs). */
type Message = string | ConstructorParameters<typeof IntlMessageFormat>[0];
/** Sentences by key. Pages that need further parts of the catalogue add them. */
const all: Record<string, Message> = { ...en, ...togetherWords };
export function addWords(more: Readonly<Record<string, string>>): void {
  Object.assign(all, more);
}
export type Key = keyof typeof en;
export const LANGUAGE = "en";
const made = new Map<string, IntlMessageFormat>();
// There is one language, known beforehand. Asking the browser which locales it supports takes a slow phone a fifth of
// a second.
IntlMessageFormat.resolveLocale = () => new Intl.Locale(LANGUAGE);

/**
 * The sentence of a key with its parameters. A sentence that counts attempts takes the noun from `attemptWords`; without
 * one they are tries. An unknown key is a fault of ours and shows itself in brackets.
 */
export function say(key: Key | (string & {}), params?: Record<string, string | number>): string {
  let m = made.get(key);
  if (!m) {
    const text = all[key];
    if (text === undefined) return `[${key}]`;
    if (typeof text === "string" && !text.includes("{")) return text;
    m = new IntlMessageFormat(text, LANGUAGE);
    made.set(key, m);
  }
  return String(m.format({ ...ANY_TRY, ...params }));
}

/** The names of a school's own items, by id. */
export type ItemNames = Readonly<Record<string, string>>;
export const namesOf = (own: readonly { id: string; name: string }[]): ItemNames =>
  Object.fromEntries(own.filter((child) => child.name !== "").map((child) => [child.id, child.name]));

/** The name of an item: the school's, or the one in the catalogue. */
export function itemName(id: string, names: ItemNames = {}): string {
  return own(names, id) ?? (`item.${id}` in all ? say(`item.${id}`) : id);
}

/** Parameters that are ids or keys of something with a name. */
const NAMED: Record<string, string> = { floor: "floor", was: "floor", property: "property" };

/**
 * A phrase of the core as a sentence. Items, floors and properties among its parameters get their names. `more`:
 * further parameters (`attemptWords`).
 */
export function sayPhrase(phrase: Phrase, names: ItemNames = {}, more: Record<string, string> = {}): string {
  const params: Record<string, string | number> = { ...more, ...phrase.params };
  for (const [key, value] of Object.entries(params)) {
    if (key === "item" || key === "as") params[key] = itemName(String(value), names);
    else if (own(NAMED, key)) params[key] = say(`${NAMED[key]}.${value}`);
  }
  if (typeof params.label === "string" && phrase.params?.item)
    params.label = targetName({ label: params.label, item: String(phrase.params.item) }, names);
  return say(phrase.key, params);
}

/** The name of a target on the card: the teacher's, the item's, or (`#2`) the second item of its kind. */
export function targetName(target: { label: string; item: string }, names: ItemNames = {}): string {
  const numbered = /^#(\d+)$/.exec(target.label);
  if (numbered) return say("item.numbered", { item: itemName(target.item, names), number: numbered[1]! });
  return target.label || itemName(target.item, names);
}

/** A count in whole or half steps: `5½`. Other fractions are written as decimals: `2.3`. */
export const sayCount = (count: number): string =>
  count % 0.5 === 0 ? `${Math.floor(count) || (count % 1 ? "" : 0)}${count % 1 === 0.5 ? "½" : ""}` : count.toFixed(1);

/** A count as sentences need it: as text, as a number for the plural (a half counts as one), and its unit. */
export const countedIn = ({ count, unit }: { count: number; unit: string }) => ({
  count: sayCount(count),
  n: Math.max(1, count),
  unit,
});

/**
 * A score with its unit: `45 points`, `12 rolls`. Times look like a clock: `0:32.5`. `attempt`: the noun for
 * attempts, otherwise tries.
 */
export function sayScore(value: number, unit: ScoreUnit, attempt?: Record<string, string>): string {
  return unit === "tenths" ? clockText(value) : say(`score.${unit}`, { value, ...attempt });
}

/** A list of names: `Amina, Jo and Sam`. */
const listed = new Intl.ListFormat(LANGUAGE, { type: "conjunction" });
export const sayList = (names: readonly string[]): string => listed.format(names);

/** How a score adds up, with its notes in words: `12 (6 pins) + 3 (all at once) = 15`. See core/match/end.ts. */
export const sayWorking = (working: string): string =>
  working.replace(/\{(\w+)(?: (\d+))?\}/g, (_, of: string, name?: string) =>
    say(`working.${of}`, name === undefined ? {} : { n: Number(name) }),
  );
