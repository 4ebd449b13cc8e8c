/** A word in signs: letters, and groups of letters that are written on one card. */
export interface Word {
  /** What the child is shown, hears or works out. The word itself by default. */
  prompt: string;
  text: string;
  /** The word in the signs of the cards. */
  signs: readonly string[];
}
/** One spelling for all comparisons: composed characters, small letters. */
export const plain = (text: string): string => text.normalize("NFC").toLowerCase().trim();

/** The entries of a list: `cat, sun, 3 + 4 = 7`. The text before the equals sign is the prompt. */
export function entriesOf(list: string): { prompt: string; text: string }[] {
  return list
    .split(/[,;\n]/)
    .map((text) => text.trim())
    .filter((text) => text !== "")
    .map((eachText) => {
      const at = eachText.lastIndexOf("=");
      const text = plain(at < 0 ? eachText : eachText.slice(at + 1)).replace(/\s+/g, "");
      const prompt = at < 0 ? eachText : eachText.slice(0, at).trim();
      return { prompt: prompt === "" ? text : prompt, text };
    });
}

/**
 * A word in the signs of the cards, with as few signs as possible, so that a sign of two letters stays together. Null
 * if the cards cannot spell it.
 */
export function signsOf(text: string, cards: readonly string[]): string[] | null {
  const signs = [...new Set(cards.map(plain))].filter((eachText) => eachText !== "");
  const best: (string[] | null)[] = [[]];
  for (let end = 1; end <= text.length; end++) {
    let way: string[] | null = null;
    for (const sign of signs) {
      const before = sign.length <= end && text.slice(end - sign.length, end) === sign ? best[end - sign.length] : null;
      if (before && (way === null || before.length + 1 < way.length)) way = [...before, sign];
    }
    best[end] = way;
  }
  return best[text.length] ?? null;
}
/** The first sign without a card, for a word that cannot be spelled. */
export function missingIn(text: string, cards: readonly string[]): string {
  const all = [...text];
  for (let n = 1; n <= all.length; n++) if (!signsOf(all.slice(0, n).join(""), cards)) return all[n - 1]!;
  return text;
}

export type Knock = "once" | "word" | "down";
const counted = (signs: readonly string[]): Map<string, number> => {
  const n = new Map<string, number>();
  for (const sign of signs) n.set(sign, (n.get(sign) ?? 0) + 1);
  return n;
};
/**
 * The least number of cards of each sign for a list: one each if cards are stood up at once; as many as the hardest
 * word needs if they are stood up after the word; as many as all words need if they stay down.
 */
export function fewestCards(words: readonly (readonly string[])[], knock: Knock): Map<string, number> {
  const need = new Map<string, number>();
  for (const signs of words)
    for (const [text, count] of counted(signs)) {
      const has = need.get(text) ?? 0;
      need.set(text, knock === "once" ? 1 : knock === "word" ? Math.max(has, count) : has + count);
    }
  return need;
}

/**
 * What the cards cannot spell: the first word of the list that lacks a card, and the sign. Null if all words can be
 * spelled.
 */
export function cannotSpell(
  words: readonly { text: string }[],
  cards: readonly string[],
  knock: Knock,
): { word: number; text: string; card: string; more: boolean } | null {
  const have = counted(cards.map(plain));
  const used: string[][] = [];
  for (const [i, { text }] of words.entries()) {
    const signs = signsOf(text, cards);
    if (!signs) return { word: i + 1, text, card: missingIn(text, cards), more: false };
    used.push(signs);
    for (const [card, count] of fewestCards(used, knock))
      if (count > (have.get(card) ?? 0)) return { word: i + 1, text, card, more: true };
  }
  return null;
}

/** The words of a list. A list is parsed once. */
export function wordsFrom(list: string, cards: readonly string[]): Word[] {
  return entriesOf(list).flatMap((e) => {
    const signs = signsOf(e.text, cards);
    return signs ? [{ ...e, signs }] : [];
  });
}
