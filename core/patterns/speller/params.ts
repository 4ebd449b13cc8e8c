import { z } from "zod";
import { across, cm, distance, metres, whole } from "../../contract/schema.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { things, ways } from "../../targets/ways.ts";
import { cannotSpell, entriesOf, fewestCards, plain, type Word, wordsFrom } from "./words.ts";

export const MAX_CARDS = 16;
export const MAX_WORDS = 30;
const LONGEST_WORD = 12;
export const DOES = ["send", "travel", "write"] as const;
export const MAX_DOES = 6;
export const TRAVELS = ["walk", "hop", "crawl", "dribble"] as const;

const card = z.strictObject({
  id: z.string().min(1).max(40),
  /** A letter, a sign of several letters, a number or a word. */
  text: z.string().min(1, "a card needs a letter, a number or a word").max(8, "a card can have at most 8 letters"),
  distance,
  across,
});
export type Card = z.infer<typeof card>;

export const spellerParams = z
  .strictObject({
    /** What the letters are written on, and how high its lower edge is: 0 on the floor, more on a wall. Metres. */
    card: z.strictObject({
      item: z.string().min(1).max(40),
      width: metres("width", 0.05, 0.6),
      height: metres("height", 0.05, 0.6),
    }),
    up: metres("up", 0, 1.5),
    cards: z
      .array(card)
      .min(2, "the speller needs at least 2 cards")
      .max(MAX_CARDS, `the speller can have at most ${MAX_CARDS} cards`),
    /** Words, parted by commas; `3 + 4 = 7`: the answer is hit. */
    list: z.string().min(1, "the list needs a word").max(400, "the list can have up to 400 characters"),
    /** The word is read, heard, seen as a picture of ours, or worked out from what stands before the sign. */
    show: z.enum(["word", "voice", "picture", "prompt"], { error: "show must be word, voice, picture or prompt" }),
    /** A right card stands again at once, after the word, or not at all. */
    knock: z.enum(["once", "word", "down"], { error: "knock must be once, word or down" }),
    /** A wrong one changes nothing, costs a point, or starts the word again. */
    wrong: z.enum(["stays", "costs", "restarts"], { error: "wrong must be stays, costs or restarts" }),
    /** Word by word, in turn: sent at, its letters gone to one after the other, or written down by the child; none: sent at. */
    does: z
      .array(z.enum(DOES, { error: `does must be ${DOES.join(", ")}` }))
      .max(MAX_DOES, `at most ${MAX_DOES} in turn`)
      .default([]),
    /** How the letters are gone to. */
    travel: z.enum(TRAVELS, { error: `travel must be ${TRAVELS.join(", ")}` }).default("hop"),
    /** How each word is sent at, in turn; none: as the activity says. */
    ways,
    /** With what, in turn; none: always the one thing. */
    things,
    sends: whole("sends", 1, 200).nullable(),
    score: z.enum(["letters", "words", "sends", "time"], { error: "score must be letters, words, sends or time" }),
  })
  .superRefine((params, ctx) => {
    const wrong = (path: (string | number)[], message: string) => ctx.addIssue({ code: "custom", path, message });
    const seen = new Set<string>();
    for (const [i, c] of params.cards.entries()) {
      if (seen.has(c.id) || c.id === "none") wrong(["cards", i, "id"], `id "${c.id}" is used twice or not allowed`);
      seen.add(c.id);
      if (/[,;=\n\s]/.test(c.text))
        wrong(["cards", i, "text"], `card ${i + 1} cannot contain a comma, an equals sign or a space`);
    }
    const words = entriesOf(params.list);
    if (words.length === 0 || words.length > MAX_WORDS)
      return wrong(["list"], `the list can have 1 to ${MAX_WORDS} words; it has ${words.length}`);
    const long = words.find((word) => word.text.length === 0 || word.text.length > LONGEST_WORD);
    if (long) return wrong(["list"], `"${long.text}" is too long: a word can have up to ${LONGEST_WORD} letters`);
    const cannot = cannotSpell(
      words,
      params.cards.map((eachCard) => eachCard.text),
      params.knock,
    );
    if (cannot)
      wrong(
        ["list"],
        `"${cannot.text}" (word ${cannot.word}) needs ${cannot.more ? "another" : "a"} card "${cannot.card}". Add the card, or remove the word.`,
      );
  });
export type SpellerParams = z.infer<typeof spellerParams>;

/** What is done with the nth word, from 0. A card from earlier versions knows only sending. */
export const doesAt = (params: SpellerParams, word: number): (typeof DOES)[number] =>
  params.does?.[word % (params.does.length || 1)] ?? "send";
/** The words of the list, in the signs of the cards. */
export const wordsOf: (params: SpellerParams) => readonly Word[] = memoizeByIdentity((params: SpellerParams) =>
  wordsFrom(
    params.list,
    params.cards.map((eachCard) => eachCard.text),
  ),
);
/** How often each sign is asked for in the list. */
export const askedOf: (params: SpellerParams) => ReadonlyMap<string, number> = memoizeByIdentity(
  (params: SpellerParams) => {
    const times = new Map<string, number>();
    for (const text of wordsOf(params).flatMap((word) => word.signs)) times.set(text, (times.get(text) ?? 0) + 1);
    return times;
  },
);
/** Of so many lists by difficulty at most. */
const MAX_GRADES = 5;
/**
 * Parts of the list by difficulty, the easiest first, each about half of its words: a word is the harder the more metres all its letters are
 * sent together, its letters at the nearest card that has them. As they stand in the list, what is worked out before them as well.
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
/** How many cards the list takes at least. */
export const fewestOf = (params: SpellerParams): number =>
  [
    ...fewestCards(
      wordsOf(params).map((word) => word.signs),
      params.knock,
    ).values(),
  ].reduce((sum, b) => sum + b, 0);

/** The fewest cards that spell the list, in rows: neighbours in a word do not stand beside each other. */
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
  // One card a row in turn: the first letters are not all in front.
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
