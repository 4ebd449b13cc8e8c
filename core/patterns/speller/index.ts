import { isSend } from "../../actions/actions.ts";
import type { Knob, Pattern, Phrase } from "../../contract/contract.ts";
import { fieldsOf } from "../../contract/fields.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { catalogueItem } from "../../kit/catalogue.ts";
import { spelledBy, WORD_LISTS } from "../../letters/lists.ts";
import type { MatchState } from "../../match/match-state.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { objectsKnob, waysKnob } from "../../targets/ways-knobs.ts";
import { DOES, MAX_DOES, TRAVELS } from "./limits.ts";
import { doesAt, fewestOf, laidOut, wordsByEase, wordsOf } from "./params.ts";
import { play } from "./play.ts";
import { possible, type SpellerGo } from "./rules.ts";
import { type SpellerParams, spellerParams } from "./schema.ts";
import { cannotSpell, plain } from "./words.ts";

/** How wide the cards may be laid out if a station does not know the space, metres. */
const WIDE = 2.2;
/** How many more words are listed that the cards can spell. */
const ALSO = 8;

/** Our own lists, each with the fewest cards that spell it, at the place of the present cards. */
const offered = memoizeByIdentity((params: SpellerParams): (readonly [SpellerParams, string])[] =>
  WORD_LISTS.flatMap((wordList) => {
    // One card for each letter first, because the number needed is computed from those.
    const distance = Math.min(...params.cards.map((card) => card.distance));
    const letters = [...new Set(wordList.words.join(""))].map((text, i) => ({
      id: `c${i + 1}`,
      text,
      distance,
      across: 0,
    }));
    const next = { ...params, list: wordList.words.join(", "), show: "word" as const, cards: letters };
    const cards = laidOut(next, { width: WIDE });
    return cards ? [[{ ...next, cards }, `words.${wordList.id}`] as const] : [];
  }),
);

function knobs(params: SpellerParams): Knob[] {
  const fields = fieldsOf(spellerParams, params);
  const fewest = laidOut(params, { width: WIDE });
  return [
    fields.choice("score", [], "knob.wordList", [[params, "knob.wordListOwn"], ...offered(params)]),
    fields.text("score", ["list"], "knob.words"),
    fields.choice("score", ["show"], "knob.shown", [
      ["word", "knob.shownWord"],
      ["voice", "knob.shownVoice"],
      ["picture", "knob.shownPicture"],
      ["prompt", "knob.shownPrompt"],
    ]),
    fields.choice("score", ["wrong"], "knob.wrongCard", [
      ["stays", "knob.wrongStays"],
      ["costs", "knob.wrongCosts"],
      ["restarts", "knob.wrongRestarts"],
    ]),
    // Only what the present cards allow.
    fields.choice(
      "score/fine",
      ["knock"],
      "knob.rightCard",
      (
        [
          ["once", "knob.rightOnce"],
          ["word", "knob.rightWord"],
          ["down", "knob.rightDown"],
        ] as const
      ).filter(
        ([knock]) =>
          !cannotSpell(
            wordsOf(params),
            params.cards.map((card) => card.text),
            knock,
          ),
      ),
      { hint: "knob.rightCardHint" },
    ),
    {
      kind: "turns",
      station: "score",
      path: ["does"],
      label: "knob.does",
      hint: "knob.doesHint",
      options: DOES.map((value) => ({ value, label: `does.${value}` })),
      least: 0,
      most: MAX_DOES,
      more: "knob.doesMore",
    },
    ...((params.does ?? []).includes("travel")
      ? [
          fields.choice(
            "score",
            ["travel"],
            "knob.travel",
            TRAVELS.map((travel) => [travel, `travel.${travel}`]),
          ),
        ]
      : []),
    waysKnob("knob.waysWord"),
    objectsKnob("knob.thingsWord"),
    fields.number("score/length", ["sends"], "knob.sendsAll", {
      off: { label: "knob.noCap", initial: 30 },
      family: { key: "set.sends" },
    }),
    fields.choice("score", ["score"], "knob.scoring", [
      ["letters", "knob.byLetters"],
      ["words", "knob.byWords"],
      ["sends", "knob.byTries"],
      ["time", "knob.byTime"],
    ]),
    ...(fewest
      ? [
          fields.choice("yard", ["cards"], "knob.cards", [
            [params.cards, "knob.cardsAsTheyAre"],
            [fewest, "knob.cardsFewest"],
          ]),
        ]
      : []),
    fields.number("yard", ["up"], "knob.cardsUp", { unit: "m", step: 0.05, hint: "knob.cardsUpHint" }),
  ];
}

/** Cards with letters. Words are spelled letter by letter, and each letter is sent at in turn. */
export const speller: Pattern<SpellerParams, MatchState<SpellerParams, SpellerGo>> = {
  ...play,
  rank: 12,
  params: spellerParams,
  actions: isSend,
  problems: (params, match) => {
    const unseen = params.show === "picture" ? wordsOf(params).find((word) => !catalogueItem(word.prompt)) : undefined;
    if (unseen)
      return [
        {
          path: ["params", "list"],
          message: `there is no picture of "${unseen.prompt}". Write the id of an item before the sign, as in "bucket = pail".`,
        },
      ];
    if (params.score === "sends" && wordsOf(params).every((_, i) => doesAt(params, i) !== "send"))
      return [
        {
          path: ["params", "score"],
          message: "the score must be letters, words or time, because the children do not aim at any word",
        },
      ];
    if (params.sends === null && match.seconds === null && (params.score === "letters" || params.score === "words"))
      return [
        { path: ["params", "sends"], message: "counting letters or words needs a number of attempts, or a time limit" },
      ];
    return [];
  },
  possible,
  setUp: (params) => [
    {
      key: params.up > 0 ? "speller.setUp.wall" : "speller.setUp.floor",
      params: { cm: Math.round(params.up * 100), wide: Math.round(params.card.width * 100) },
    },
    { key: `speller.setUp.${params.knock}` },
    ...((params.does ?? []).includes("travel") ? [{ key: "speller.setUp.travel" }] : []),
  ],
  advice: (params): Phrase[] => {
    const also = spelledBy(
      params.cards.map((card) => plain(card.text)),
      params.knock === "once",
      wordsOf(params).map((word) => word.text),
    );
    return [
      { key: "speller.cards", params: { fewest: fewestOf(params), lie: params.cards.length } },
      ...(also.length > 0 ? [{ key: "speller.also", params: { words: also.slice(0, ALSO).join(", ") } }] : []),
    ];
  },
  knobs,
  pegKnobs: (params, id) => {
    const fields = fieldsOf(spellerParams, params);
    const at = params.cards.findIndex((card) => card.id === id);
    return [
      fields.text("yard", ["cards", at, "text"], "knob.cardText"),
      fields.number("yard", ["cards", at, "distance"], "knob.distance", { unit: "m", step: 0.05 }),
      fields.number("yard", ["cards", at, "across"], "knob.across", { unit: "m", step: 0.05, hint: "knob.acrossHint" }),
      fields.item(["card"]),
      fields.number("yard", ["card", "width"], "knob.width", { unit: "m", step: 0.01 }),
      fields.number("yard", ["card", "height"], "knob.height", { unit: "m", step: 0.01 }),
    ];
  },
  graded: (params) => wordsByEase(params).map((list) => [{ field: "params.list", value: list }]),
  summary: (params) => ({
    key: "speller.summary",
    params: { words: wordsOf(params).length, sends: params.sends ?? 0 },
  }),
  phrases: [
    "speller.letter",
    "speller.next",
    "speller.write",
    ...TRAVELS.flatMap((travel) => [`speller.letter.${travel}`, `speller.next.${travel}`]),
    "speller.end",
    "speller.end.all",
    "speller.summary",
    "speller.setUp.floor",
    "speller.setUp.wall",
    "speller.setUp.once",
    "speller.setUp.word",
    "speller.setUp.down",
    "speller.setUp.travel",
    "refused.unknownTarget",
    "refused.cardDown",
  ],
  bare: ["wallThrowless", "starJump"],
  example: {
    title: "Words on the wall",
    action: "underarmThrow",
    send: "sockBall",
    behind: "wall",
    space: { length: 3, width: 2.4, floor: "carpet", indoors: true },
    params: {
      card: { item: "paperSheet", width: 0.21, height: 0.3 },
      up: 0.5,
      cards: [
        { id: "c1", text: "s", distance: 1.8, across: -0.72 },
        { id: "c2", text: "a", distance: 1.8, across: -0.36 },
        { id: "c3", text: "n", distance: 1.8, across: 0 },
        { id: "c4", text: "u", distance: 1.8, across: 0.36 },
        { id: "c5", text: "d", distance: 1.8, across: 0.72 },
      ],
      list: "sun, sand, and",
      show: "word",
      knock: "once",
      wrong: "stays",
      does: [],
      travel: "hop",
      ways: [],
      things: [],
      sends: 30,
      score: "letters",
    },
    match: USUAL_MATCH,
  },
};
