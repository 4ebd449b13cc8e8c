/** Our own word lists, by theme and reading level. Each can be spelled with few cards. */
export const BANDS = ["first", "next", "more"] as const;
export type ListBand = (typeof BANDS)[number];
export interface WordList {
  id: string;
  theme: string;
  band: ListBand;
  words: readonly string[];
}
const list = (id: string, theme: string, band: ListBand, words: string): WordList => ({
  id,
  theme,
  band,
  words: words.split(" "),
});

export const WORD_LISTS: readonly WordList[] = [
  list("sounds-s", "first sounds", "first", "sun sat pin tap"),
  list("sounds-m", "first sounds", "first", "mat man map nap"),
  list("rhyme-at", "words that rhyme", "first", "sat mat pat flat gnat"),
  list("rhyme-op", "words that rhyme", "first", "hop top mop pop"),
  list("animals-1", "animals", "first", "cat hen ant hat"),
  list("animals-2", "animals", "next", "goat toad newt stag"),
  list("animals-3", "animals", "more", "otter stoat tern heron"),
  list("kitchen-1", "kitchen", "first", "pan pot cup lid"),
  list("kitchen-2", "kitchen", "next", "plate apple leek kale"),
  list("kitchen-3", "kitchen", "more", "kettle ladle nettle"),
  list("garden-1", "garden", "first", "bud bug mud sun"),
  list("garden-2", "garden", "next", "seed weed reed rose"),
  list("garden-3", "garden", "more", "petal plant leaf"),
  list("weather-1", "weather", "next", "rain wind warm dawn"),
  list("weather-2", "weather", "more", "storm mist moist"),
  list("colours-1", "colours", "next", "red tan teal rose"),
  list("colours-2", "colours", "more", "green teal orange"),
  list("body-1", "body", "first", "arm toe hip lip"),
  list("body-2", "body", "next", "knee heel neck nose"),
  list("move-1", "moves", "first", "hop run spin hip"),
  list("move-2", "moves", "next", "roll toss stop spot"),
  list("move-3", "moves", "more", "stretch catch reach"),
  list("school-1", "school bag", "next", "pen note test tape"),
  list("numbers-1", "numbers", "next", "one ten nine net"),
];
/** All words of the lists, without repetition. */
export const ALL_WORDS: readonly string[] = [...new Set(WORD_LISTS.flatMap((wordList) => wordList.words))].sort();

/**
 * True if the cards can spell a word. Each card is used once, or again with `reuse`, if it is stood up again at once.
 */
export function spells(cards: readonly string[], word: string, reuse: boolean): boolean {
  const left = new Map<string, number>();
  for (const card of cards) left.set(card, (left.get(card) ?? 0) + 1);
  // Longer cards first, then the rest of the word.
  const go = (rest: string): boolean => {
    if (rest === "") return true;
    for (const [card, count] of left) {
      if (count === 0 || card === "" || !rest.startsWith(card)) continue;
      if (!reuse) left.set(card, count - 1);
      const done = go(rest.slice(card.length));
      if (!reuse) left.set(card, count);
      if (done) return true;
    }
    return false;
  };
  return go(word);
}
/** The words of our lists that a set of cards can spell, in alphabetical order, without those in `but`. */
export const spelledBy = (cards: readonly string[], reuse: boolean, but: readonly string[] = []): string[] =>
  ALL_WORDS.filter((allWord) => !but.includes(allWord) && spells(cards, allWord, reuse));
