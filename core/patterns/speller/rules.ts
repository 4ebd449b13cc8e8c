import type { AimOf, Ask, AskOf } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { keptBy } from "../../kept-by.ts";
import type { GoRules, Sum, Went } from "../../match/matched.ts";
import { raced } from "../../match/raced.ts";
import { mannerOfTurn } from "../../targets/ways.ts";
import { type SpellerParams, wordsOf } from "./params.ts";
import { plain } from "./words.ts";

/** One go: which word, which letter of it, and what lies down. */
export interface SpellerGo {
  word: number;
  at: number;
  /** Cards that lie down, and those of them that this word took. */
  down: readonly string[];
  taken: readonly string[];
  sends: number;
  letters: number;
}

const textsOf = keptBy((p: SpellerParams) => new Map(p.cards.map((c) => [c.id, plain(c.text)] as const)));
const standing = (p: SpellerParams, g: SpellerGo) => p.cards.filter((c) => !g.down.includes(c.id)).map((c) => c.id);
/** The sign that is wanted now; null once all words are spelled. */
const wanted = (p: SpellerParams, g: SpellerGo): string | null => wordsOf(p)[g.word]?.signs[g.at] ?? null;

const aimsOf = keptBy((_: SpellerParams) => new Map<string, AimOf<"any">>());
function aimOf(p: SpellerParams, g: SpellerGo): AimOf<"any"> {
  const sign = wanted(p, g);
  const key = `${sign} ${g.down.join(" ")}`;
  const aims = aimsOf(p);
  let aim = aims.get(key);
  if (!aim) {
    const among = standing(p, g);
    aim = { kind: "any", want: among.filter((id) => textsOf(p).get(id) === sign), among };
    aims.set(key, aim);
  }
  return aim;
}

function asks(p: SpellerParams, g: SpellerGo, player: number): Ask[] {
  const word = wordsOf(p)[g.word]!;
  const spell: NonNullable<AskOf<"send">["spell"]> = {
    signs: word.signs,
    at: g.at,
    show: p.show,
    prompt: word.prompt,
  };
  const manner = mannerOfTurn(p.ways, p.things, g.word);
  return [{ kind: "send", player, from: "start", manner, aim: aimOf(p, g), fetch: true, spell }];
}

function step(p: SpellerParams, g: SpellerGo, e: GameEvent): Went<SpellerGo> | Refusal {
  if (e.kind !== "send" || e.hit === undefined) return refuse("refused.notInGame", { kind: e.kind });
  if (e.hit !== null && !textsOf(p).has(e.hit)) return refuse("refused.unknownTarget", { target: e.hit });
  if (e.hit !== null && g.down.includes(e.hit)) return refuse("refused.cardDown");
  const sent = { ...g, sends: g.sends + 1 };
  const spent = p.sends !== null && sent.sends >= p.sends;
  if (e.hit === null) return { go: sent, after: spent ? "end" : "miss" };
  if (textsOf(p).get(e.hit) !== wanted(p, g)) return { go: wrong(p, sent), after: spent ? "end" : "miss" };
  const go = right(p, sent, e.hit);
  return { go, after: spent || go.word >= wordsOf(p).length ? "end" : "hit" };
}

/** A wrong one that fell stands again at once. */
function wrong(p: SpellerParams, g: SpellerGo): SpellerGo {
  if (p.wrong === "costs") return { ...g, letters: Math.max(0, g.letters - 1) };
  if (p.wrong === "stays") return g;
  const down = g.down.filter((id) => !g.taken.includes(id));
  return { ...g, at: 0, taken: [], down, letters: g.letters - g.at };
}
function right(p: SpellerParams, g: SpellerGo, id: string): SpellerGo {
  const lies = p.knock !== "once";
  const next = {
    ...g,
    letters: g.letters + 1,
    at: g.at + 1,
    down: lies ? [...g.down, id] : g.down,
    taken: lies ? [...g.taken, id] : g.taken,
  };
  if (next.at < wordsOf(p)[g.word]!.signs.length) return next;
  return { ...next, word: g.word + 1, at: 0, taken: [], down: p.knock === "word" ? [] : next.down };
}

const UNIT: Record<SpellerParams["score"], Unit> = {
  letters: "letters",
  words: "words",
  sends: "sends",
  time: "tenths",
};
function sum(p: SpellerParams, g: SpellerGo, ms: number): Sum {
  const value = { letters: g.letters, words: g.word, sends: g.sends, time: Math.round(ms / 100) }[p.score];
  const stages = wordsOf(p).length;
  const finished = g.word >= stages;
  return {
    value,
    ...raced(UNIT[p.score], { value, finished, stage: g.word }),
    working: "",
    sends: g.sends,
    stage: g.word,
    stages,
    finished,
  };
}

function now(p: SpellerParams, g: SpellerGo): Phrase {
  const sign = wanted(p, g);
  const params = { word: g.word + 1, words: wordsOf(p).length, letter: g.at + 1, sign: sign?.toUpperCase() ?? "" };
  return { key: p.show === "word" ? "speller.letter" : "speller.next", params };
}

/** One go: word by word, letter by letter in their order. */
export const spellerGo: GoRules<SpellerParams, SpellerGo> = {
  begin: () => ({ word: 0, at: 0, down: [], taken: [], sends: 0, letters: 0 }),
  asks,
  step,
  clock: (p, m) => (m.seconds !== null || p.score === "time" ? { limit: m.seconds, rest: 0 } : null),
  sum,
  key: (p, g) => `${g.word} ${g.at} ${p.knock === "once" ? "" : [...g.down].sort().join(",")} ${g.sends} ${g.letters}`,
  now,
  done: (_, g) => g.down,
  ended: (_, { finished }) => ({ key: finished ? "speller.end.all" : "speller.end" }),
  together: "share",
};

/** Written on paper: see `Possible`. */
export function possible(p: SpellerParams, m: Match): Possible {
  const words = wordsOf(p);
  const letters = words.reduce((n, w) => n + w.signs.length, 0);
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const stages = words.length;
  if (p.score === "letters" || p.score === "words") {
    let left = p.sends ?? letters;
    let whole = 0;
    for (const w of words) {
      if (left < w.signs.length) break;
      left -= w.signs.length;
      whole++;
    }
    const most = kept * (p.score === "words" ? whole : Math.min(letters, p.sends ?? letters));
    return { unit: p.score, better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages };
  }
  const unit = UNIT[p.score];
  const cap = p.score === "sends" ? p.sends : m.seconds === null ? null : m.seconds * 10;
  const most = cap === null ? null : cap * kept;
  const least = p.score === "sends" ? letters * kept : 0;
  return { unit, better: "less", least: 0, most, values: null, finished: { least, most }, stages };
}
