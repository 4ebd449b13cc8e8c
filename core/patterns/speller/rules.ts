import type { AimOf, Ask, Spelled } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { note } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { raced } from "../../match/raced.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { mannerOfTurn } from "../../targets/ways.ts";
import { doesAt, wordsOf } from "./params.ts";
import type { SpellerParams } from "./schema.ts";
import { plain } from "./words.ts";

/** One go: the word, its next letter, and the cards that lie down. */
export interface SpellerGo {
  word: number;
  at: number;
  /** The cards that lie down, and those of them that this word used. */
  down: readonly string[];
  taken: readonly string[];
  sends: number;
  letters: number;
  /** The letters that were right, whatever became of them. For the working. */
  right: number;
  /** The card at which the player stands. Null: at the line. */
  stands: string | null;
}

/**
 * The speed of a child of 8 by the way of moving, metres a second; the time to read a card and to write a letter,
 * seconds. Assumptions.
 */
const SPEED = { walk: 1.1, hop: 0.9, crawl: 0.5, dribble: 1 } as const;
const READ = 1;
const WRITE = 2;

const textsOf = memoizeByIdentity(
  (params: SpellerParams) => new Map(params.cards.map((card) => [card.id, plain(card.text)] as const)),
);
const standing = (params: SpellerParams, go: SpellerGo) =>
  params.cards.filter((card) => !go.down.includes(card.id)).map((card) => card.id);
/** The letter that is wanted now. Null once all words are spelled. */
const wanted = (params: SpellerParams, go: SpellerGo): string | null => wordsOf(params)[go.word]?.signs[go.at] ?? null;

const aimsOf = memoizeByIdentity((_: SpellerParams) => new Map<string, AimOf<"any">>());
function aimOf(params: SpellerParams, go: SpellerGo): AimOf<"any"> {
  const sign = wanted(params, go);
  const key = `${sign} ${go.down.join(" ")}`;
  const aims = aimsOf(params);
  let aim = aims.get(key);
  if (!aim) {
    const among = standing(params, go);
    aim = { kind: "any", want: among.filter((id) => textsOf(params).get(id) === sign), among };
    aims.set(key, aim);
  }
  return aim;
}

/** From one card to another, or from the line, metres. */
function path(params: SpellerParams, from: string | null, to: string): number {
  const at = (id: string | null) => params.cards.find((card) => card.id === id) ?? { distance: 0, across: 0 };
  const [a, b] = [at(from), at(to)];
  return Math.hypot(a.distance - b.distance, a.across - b.across);
}
/** Moves to the next letter. The nearest card that has it comes first. */
function goingTo(params: SpellerParams, go: SpellerGo, player: number, spell: Spelled): Ask {
  const far = (id: string) => path(params, go.stands, id);
  const sign = wanted(params, go);
  const isRight = (id: string) => textsOf(params).get(id) === sign;
  const options = standing(params, go).sort(
    (a, b) => Number(isRight(b)) - Number(isRight(a)) || far(a) - far(b) || a.localeCompare(b),
  );
  const seconds = READ + far(options[0]!) / SPEED[params.travel ?? "hop"];
  const takes = { by: [player], seconds, walk: 0, moving: true };
  return { kind: "choose", player, of: "letter", options, must: true, alike: true, takes, spell };
}

function asks(params: SpellerParams, go: SpellerGo, player: number): Ask[] {
  const word = wordsOf(params)[go.word]!;
  const spell: Spelled = {
    signs: word.signs,
    at: go.at,
    show: params.show,
    prompt: word.prompt,
  };
  const does = doesAt(params, go.word);
  if (does === "travel") return [goingTo(params, go, player, spell)];
  if (does === "write") {
    const dose = word.signs.length;
    const takes = { by: [player], seconds: WRITE * dose, walk: 0, moving: false };
    return [{ kind: "task", player, exercise: "write", dose, takes, spell }];
  }
  const manner = mannerOfTurn(params.ways, params.things, go.word);
  return [{ kind: "send", player, from: "start", manner, aim: aimOf(params, go), fetch: true, spell }];
}

function step(params: SpellerParams, givenGo: SpellerGo, event: GameEvent): StepResult<SpellerGo> | Refusal {
  const does = doesAt(params, givenGo.word);
  if (does === "travel" && event.kind === "choose") return travelled(params, givenGo, event);
  if (does === "write" && event.kind === "task") return written(params, givenGo);
  if (does !== "send" || event.kind !== "send" || event.hit === undefined)
    return refuse("refused.notInGame", { kind: event.kind });
  if (event.hit !== null && !textsOf(params).has(event.hit))
    return refuse("refused.unknownTarget", { target: event.hit });
  if (event.hit !== null && givenGo.down.includes(event.hit)) return refuse("refused.cardDown");
  const sent = { ...givenGo, sends: givenGo.sends + 1 };
  const spent = params.sends !== null && sent.sends >= params.sends;
  if (event.hit === null) return { go: sent, after: spent ? "end" : "miss" };
  if (textsOf(params).get(event.hit) !== wanted(params, givenGo))
    return { go: wrong(params, sent), after: spent ? "end" : "miss" };
  const go = right(params, sent, event.hit);
  return { go, after: spent || go.word >= wordsOf(params).length ? "end" : "hit" };
}

/** A card that the player moved to. It stays where it is. */
function travelled(
  params: SpellerParams,
  givenGo: SpellerGo,
  e: Extract<GameEvent, { kind: "choose" }>,
): StepResult<SpellerGo> | Refusal {
  if (e.of !== "letter" || e.pick === null) return refuse("refused.notInGame", { kind: e.kind });
  if (!textsOf(params).has(e.pick)) return refuse("refused.unknownTarget", { target: e.pick });
  if (givenGo.down.includes(e.pick)) return refuse("refused.cardDown");
  const there = { ...givenGo, stands: e.pick };
  if (textsOf(params).get(e.pick) !== wanted(params, givenGo)) return { go: wrong(params, there), after: "miss" };
  const at = givenGo.at + 1;
  const go = { ...there, letters: givenGo.letters + 1, right: givenGo.right + 1, at };
  return ended(
    params,
    at < wordsOf(params)[givenGo.word]!.signs.length ? go : fresh(params, { ...go, word: givenGo.word + 1, at: 0 }),
  );
}
/** The whole word, letter by letter. */
function written(params: SpellerParams, go: SpellerGo): StepResult<SpellerGo> {
  const count = wordsOf(params)[go.word]!.signs.length;
  return ended(
    params,
    fresh(params, { ...go, letters: go.letters + count, right: go.right + count, word: go.word + 1, at: 0 }),
  );
}
/** A new word. Cards that the last word used stand again, if the settings allow it. */
const fresh = (params: SpellerParams, go: SpellerGo): SpellerGo => ({
  ...go,
  taken: [],
  down: params.knock === "word" ? [] : go.down,
  stands: null,
});
const ended = (params: SpellerParams, go: SpellerGo): StepResult<SpellerGo> => ({
  go,
  after: go.word >= wordsOf(params).length ? "end" : "hit",
});

/** A wrong card that fell stands again at once. */
function wrong(params: SpellerParams, go: SpellerGo): SpellerGo {
  if (params.wrong === "costs") return { ...go, letters: Math.max(0, go.letters - 1) };
  if (params.wrong === "stays") return go;
  const down = go.down.filter((id) => !go.taken.includes(id));
  return { ...go, at: 0, taken: [], down, letters: go.letters - go.at };
}
function right(params: SpellerParams, go: SpellerGo, id: string): SpellerGo {
  const lies = params.knock !== "once";
  const next = {
    ...go,
    letters: go.letters + 1,
    right: go.right + 1,
    at: go.at + 1,
    down: lies ? [...go.down, id] : go.down,
    taken: lies ? [...go.taken, id] : go.taken,
  };
  if (next.at < wordsOf(params)[go.word]!.signs.length) return next;
  return fresh(params, { ...next, word: go.word + 1, at: 0 });
}

const UNIT: Record<SpellerParams["score"], Unit> = {
  letters: "letters",
  words: "words",
  sends: "sends",
  time: "tenths",
};
/** What wrong cards cost: `5 (right) - 2 (wrong) = 3`. */
function costs(params: SpellerParams, { right, letters }: SpellerGo): string {
  if (right === letters) return "";
  const lost = note(params.wrong === "costs" ? "wrong" : "again");
  return `${right} ${note("right")} - ${right - letters} ${lost} = ${letters}`;
}
function sum(params: SpellerParams, go: SpellerGo, ms: number): Sum {
  const value = { letters: go.letters, words: go.word, sends: go.sends, time: Math.round(ms / 100) }[params.score];
  const stages = wordsOf(params).length;
  const finished = go.word >= stages;
  return {
    value,
    ...raced(UNIT[params.score], { value, finished, stage: go.word }),
    working: params.score === "letters" ? costs(params, go) : "",
    sends: go.sends,
    stage: go.word,
    stages,
    finished,
  };
}

function now(givenParams: SpellerParams, go: SpellerGo): Phrase {
  const does = doesAt(givenParams, go.word);
  const word = { word: go.word + 1, words: wordsOf(givenParams).length };
  if (does === "write") return { key: "speller.write", params: word };
  const sign = wanted(givenParams, go);
  const params = {
    word: go.word + 1,
    words: wordsOf(givenParams).length,
    letter: go.at + 1,
    sign: sign?.toUpperCase() ?? "",
  };
  const shown = givenParams.show === "word" ? "letter" : "next";
  return { key: does === "send" ? `speller.${shown}` : `speller.${shown}.${givenParams.travel ?? "hop"}`, params };
}

/** One go: word by word, letter by letter in order. */
export const spellerGo: GoRules<SpellerParams, SpellerGo> = {
  begin: () => ({ word: 0, at: 0, down: [], taken: [], sends: 0, letters: 0, right: 0, stands: null }),
  asks,
  step,
  clock: (params, match) =>
    match.seconds !== null || params.score === "time" ? { limit: match.seconds, rest: 0 } : null,
  sum,
  key: (params, go) =>
    `${go.word} ${go.at} ${params.knock === "once" ? "" : [...go.down].sort().join(",")} ${go.sends} ${go.letters} ${go.stands ?? ""}`,
  now,
  done: (_, go) => go.down,
  ended: (_, { finished }) => ({ key: finished ? "speller.end.all" : "speller.end" }),
  together: "share",
};

/** The score range for manual entry, see `Possible`. */
export function possible(params: SpellerParams, match: Match): Possible {
  const words = wordsOf(params);
  // Moving to a card or writing takes no send.
  const sent = words.reduce((eachSum, word, i) => eachSum + (doesAt(params, i) === "send" ? word.signs.length : 0), 0);
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const stages = words.length;
  if (params.score === "letters" || params.score === "words") {
    let left = params.sends ?? sent;
    let whole = 0;
    let signs = 0;
    for (const [i, word] of words.entries()) {
      const takes = doesAt(params, i) === "send" ? word.signs.length : 0;
      // The last send ends the go, within a word or with it.
      if (left < takes) {
        signs += left;
        break;
      }
      left -= takes;
      whole++;
      signs += word.signs.length;
      if (left === 0 && takes > 0) break;
    }
    const most = kept * (params.score === "words" ? whole : signs);
    return { unit: params.score, better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages };
  }
  const unit = UNIT[params.score];
  const cap = params.score === "sends" ? params.sends : match.seconds === null ? null : match.seconds * 10;
  const most = cap === null ? null : cap * kept;
  const least = params.score === "sends" ? sent * kept : 0;
  return { unit, better: "less", least: 0, most, values: null, finished: { least, most }, stages };
}
