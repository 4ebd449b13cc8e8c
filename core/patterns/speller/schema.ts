import { z } from "zod";
import { across, distance, metres, whole } from "../../contract/schema.ts";
import { things, ways } from "../../targets/ways-schema.ts";
import { DOES, MAX_CARDS, MAX_DOES, MAX_WORDS, TRAVELS } from "./limits.ts";
import { cannotSpell, entriesOf } from "./words.ts";

const LONGEST_WORD = 12;

export const card = z.strictObject({
  id: z.string().min(1).max(40),
  /** A letter, a sign of several letters, a number or a word. */
  text: z.string().min(1, "a card needs a letter, a number or a word").max(8, "a card can have at most 8 letters"),
  distance,
  across,
});

export const spellerParams = z
  .strictObject({
    /** What the letters are written on, and the height of its lower edge in metres: 0 on the floor, more on a wall. */
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
    /** Words, separated by commas. In `3 + 4 = 7`, players hit the answer. */
    list: z.string().min(1, "the list needs a word").max(400, "the list can have up to 400 characters"),
    /** How the word is given: to read, to hear, as a picture, or as a sum to work out. */
    show: z.enum(["word", "voice", "picture", "prompt"], { error: "show must be word, voice, picture or prompt" }),
    /** When a correct card is stood up again: at once, after the word, or not at all. */
    knock: z.enum(["once", "word", "down"], { error: "knock must be once, word or down" }),
    /** What a wrong letter does: nothing, it costs a point, or the word starts again. */
    wrong: z.enum(["stays", "costs", "restarts"], { error: "wrong must be stays, costs or restarts" }),
    /** What is done for each word in turn: aim at its letters, travel to them, or write it down. Empty means aim. */
    does: z
      .array(z.enum(DOES, { error: `does must be ${DOES.join(", ")}` }))
      .max(MAX_DOES, `at most ${MAX_DOES} in turn`)
      .default([]),
    /** How the child moves to the letters. */
    travel: z.enum(TRAVELS, { error: `travel must be ${TRAVELS.join(", ")}` }).default("hop"),
    /** The action for each word in turn; empty for the activity's own. */
    ways,
    /** Objects in turn; empty for always the same one. */
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

export type Card = z.infer<typeof card>;

export type SpellerParams = z.infer<typeof spellerParams>;
