import { cm } from "../../contract/round.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { type DOES, MAX_CARDS } from "./limits.ts";
import type { Card, SpellerParams } from "./schema.ts";
import { fewestCards, plain, type Word, wordsFrom } from "./words.ts";

/** What is done with word number n, from 0. Cards from earlier versions only have sending. */
export const doesAt = (params: SpellerParams, word: number): (typeof DOES)[number] =>
  params.does?.[word % (params.does.length || 1)] ?? "send";
/** The words of the list, in the signs of the cards. */
export const wordsOf: (params: SpellerParams) => readonly Word[] = memoizeByIdentity((params: SpellerParams) =>
  wordsFrom(
    params.list,
    params.cards.map((eachCard) => eachCard.text),
  ),
);
/** How often the list needs each sign. */
export const askedOf: (params: SpellerParams) => ReadonlyMap<string, number> = memoizeByIdentity(
  (params: SpellerParams) => {
    const times = new Map<string, number>();
    for (const text of wordsOf(params).flatMap((word) => word.signs)) times.set(text, (times.get(text) ?? 0) + 1);
    return times;
  },
);
/** The most lists by difficulty. */
const MAX_GRADES = 5;
/**
 * Parts of the list by difficulty, the easiest first, each about half of its words. A word is harder the more metres
 * all its letters add up to, each sent at the nearest card that has it. The words keep the order of the list, as do
 * the values computed from it.
 */
export function wordsByEase(params: SpellerParams): string[] {
  const texts = params.cards.map((eachCard) => eachCard.text);
  const far = (sign: string) =>
    Math.min(...params.cards.flatMap((eachCard) => (plain(eachCard.text) === sign ? [eachCard.distance] : [])));
  const items = params.list.split(/[,;\n]/).flatMap((item) => {
    const [word] = wordsFrom(item, texts);
    return word ? [{ item: item.trim(), hard: word.signs.reduce((sum, sign) => sum + far(sign), 0) }] : [];
  });
  if (items.length < 2) return [];
  const sorted = items.sort((a, b) => a.hard - b.hard);
  const size = Math.ceil(sorted.length / 2);
  const last = sorted.length - size;
  const by = Math.max(1, Math.ceil(last / (MAX_GRADES - 1)));
  const starts = [...Array.from({ length: Math.ceil(last / by) }, (_, i) => i * by), last];
  return starts.map((at) =>
    sorted
      .slice(at, at + size)
      .map((x) => x.item)
      .join(", "),
  );
}
/** The least number of cards for the list. */
export const fewestOf = (params: SpellerParams): number =>
  [
    ...fewestCards(
      wordsOf(params).map((word) => word.signs),
      params.knock,
    ).values(),
  ].reduce((sum, b) => sum + b, 0);

/** The fewest cards that spell the list, in rows. Neighbours in a word are not placed side by side. */
export function laidOut(params: SpellerParams, space: { width: number }): Card[] | null {
  const need = fewestCards(
    wordsOf(params).map((word) => word.signs),
    params.knock,
  );
  const texts = [...need].flatMap(([text, count]) => Array.from({ length: count }, () => text));
  if (texts.length > MAX_CARDS || texts.length < 2) return null;
  const step = params.card.width + 0.15;
  const perRow = Math.max(1, Math.min(5, Math.floor((space.width - 0.2) / step)));
  const rows = Math.ceil(texts.length / perRow);
  // Cards are dealt to the rows in turn, so that the first letters are not all in front.
  return texts.map((text, i) => {
    const row = i % rows;
    const column = Math.floor(i / rows);
    const inRow = Math.ceil((texts.length - row) / rows);
    const nearest = Math.min(...params.cards.map((eachCard) => eachCard.distance));
    return {
      id: `c${i + 1}`,
      text,
      distance: cm(nearest + row * 0.5),
      across: cm((column - (inRow - 1) / 2) * step + (row % 2) * 0.12),
    };
  });
}
