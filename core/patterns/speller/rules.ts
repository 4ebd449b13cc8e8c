import type { AimOf, Ask, Spelled } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { note } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { raced } from "../../match/raced.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { mannerOfTurn } from "../../targets/ways.ts";
import { doesAt, type SpellerParams, wordsOf } from "./params.ts";
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
  /** Letters that were right, whatever became of them: for the working. */
  right: number;
  /** The card that whoever travels stands at; null: the line. */
  stands: string | null;
}

/** Metres a second of a child of 8, by how it goes; reading a card, and writing a letter, seconds: assumptions. */
const SPEED = { walk: 1.1, hop: 0.9, crawl: 0.5, dribble: 1 } as const;
const READ = 1;
const WRITE = 2;

const textsOf = memoizeByIdentity((p: SpellerParams) => new Map(p.cards.map((c) => [c.id, plain(c.text)] as const)));
const standing = (p: SpellerParams, g: SpellerGo) => p.cards.filter((c) => !g.down.includes(c.id)).map((c) => c.id);
/** The sign that is wanted now; null once all words are spelled. */
const wanted = (p: SpellerParams, g: SpellerGo): string | null => wordsOf(p)[g.word]?.signs[g.at] ?? null;

const aimsOf = memoizeByIdentity((_: SpellerParams) => new Map<string, AimOf<"any">>());
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

/** From one card to another, or from the line, metres. */
function path(p: SpellerParams, from: string | null, to: string): number {
  const at = (id: string | null) => p.cards.find((c) => c.id === id) ?? { distance: 0, across: 0 };
  const [a, b] = [at(from), at(to)];
  return Math.hypot(a.distance - b.distance, a.across - b.across);
}
/** Going to the next letter: the nearest card that has it comes first. */
function goingTo(p: SpellerParams, g: SpellerGo, player: number, spell: Spelled): Ask {
  const far = (id: string) => path(p, g.stands, id);
  const sign = wanted(p, g);
  const isRight = (id: string) => textsOf(p).get(id) === sign;
  const options = standing(p, g).sort(
    (a, b) => Number(isRight(b)) - Number(isRight(a)) || far(a) - far(b) || a.localeCompare(b),
  );
  const seconds = READ + far(options[0]!) / SPEED[p.travel ?? "hop"];
  const takes = { by: [player], seconds, walk: 0, moving: true };
  return { kind: "choose", player, of: "letter", options, must: true, alike: true, takes, spell };
}

function asks(p: SpellerParams, g: SpellerGo, player: number): Ask[] {
  const word = wordsOf(p)[g.word]!;
  const spell: Spelled = {
    signs: word.signs,
    at: g.at,
    show: p.show,
    prompt: word.prompt,
  };
  const does = doesAt(p, g.word);
  if (does === "travel") return [goingTo(p, g, player, spell)];
  if (does === "write") {
    const dose = word.signs.length;
    const takes = { by: [player], seconds: WRITE * dose, walk: 0, moving: false };
    return [{ kind: "task", player, exercise: "write", dose, takes, spell }];
  }
  const manner = mannerOfTurn(p.ways, p.things, g.word);
  return [{ kind: "send", player, from: "start", manner, aim: aimOf(p, g), fetch: true, spell }];
}

function step(p: SpellerParams, g: SpellerGo, e: GameEvent): StepResult<SpellerGo> | Refusal {
  const does = doesAt(p, g.word);
  if (does === "travel" && e.kind === "choose") return travelled(p, g, e);
  if (does === "write" && e.kind === "task") return written(p, g);
  if (does !== "send" || e.kind !== "send" || e.hit === undefined) return refuse("refused.notInGame", { kind: e.kind });
  if (e.hit !== null && !textsOf(p).has(e.hit)) return refuse("refused.unknownTarget", { target: e.hit });
  if (e.hit !== null && g.down.includes(e.hit)) return refuse("refused.cardDown");
  const sent = { ...g, sends: g.sends + 1 };
  const spent = p.sends !== null && sent.sends >= p.sends;
  if (e.hit === null) return { go: sent, after: spent ? "end" : "miss" };
  if (textsOf(p).get(e.hit) !== wanted(p, g)) return { go: wrong(p, sent), after: spent ? "end" : "miss" };
  const go = right(p, sent, e.hit);
  return { go, after: spent || go.word >= wordsOf(p).length ? "end" : "hit" };
}

/** A card that was gone to. It stays where it is. */
function travelled(
  p: SpellerParams,
  g: SpellerGo,
  e: Extract<GameEvent, { kind: "choose" }>,
): StepResult<SpellerGo> | Refusal {
  if (e.of !== "letter" || e.pick === null) return refuse("refused.notInGame", { kind: e.kind });
  if (!textsOf(p).has(e.pick)) return refuse("refused.unknownTarget", { target: e.pick });
  if (g.down.includes(e.pick)) return refuse("refused.cardDown");
  const there = { ...g, stands: e.pick };
  if (textsOf(p).get(e.pick) !== wanted(p, g)) return { go: wrong(p, there), after: "miss" };
  const at = g.at + 1;
  const go = { ...there, letters: g.letters + 1, right: g.right + 1, at };
  return ended(p, at < wordsOf(p)[g.word]!.signs.length ? go : fresh(p, { ...go, word: g.word + 1, at: 0 }));
}
/** The whole word, letter by letter. */
function written(p: SpellerParams, g: SpellerGo): StepResult<SpellerGo> {
  const n = wordsOf(p)[g.word]!.signs.length;
  return ended(p, fresh(p, { ...g, letters: g.letters + n, right: g.right + n, word: g.word + 1, at: 0 }));
}
/** A new word: cards that a word took stand again, where they may. */
const fresh = (p: SpellerParams, g: SpellerGo): SpellerGo => ({
  ...g,
  taken: [],
  down: p.knock === "word" ? [] : g.down,
  stands: null,
});
const ended = (p: SpellerParams, go: SpellerGo): StepResult<SpellerGo> => ({
  go,
  after: go.word >= wordsOf(p).length ? "end" : "hit",
});

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
    right: g.right + 1,
    at: g.at + 1,
    down: lies ? [...g.down, id] : g.down,
    taken: lies ? [...g.taken, id] : g.taken,
  };
  if (next.at < wordsOf(p)[g.word]!.signs.length) return next;
  return fresh(p, { ...next, word: g.word + 1, at: 0 });
}

const UNIT: Record<SpellerParams["score"], Unit> = {
  letters: "letters",
  words: "words",
  sends: "sends",
  time: "tenths",
};
/** What wrong cards cost: `5 (right) - 2 (wrong) = 3`. */
function costs(p: SpellerParams, { right, letters }: SpellerGo): string {
  if (right === letters) return "";
  const lost = note(p.wrong === "costs" ? "wrong" : "again");
  return `${right} ${note("right")} - ${right - letters} ${lost} = ${letters}`;
}
function sum(p: SpellerParams, g: SpellerGo, ms: number): Sum {
  const value = { letters: g.letters, words: g.word, sends: g.sends, time: Math.round(ms / 100) }[p.score];
  const stages = wordsOf(p).length;
  const finished = g.word >= stages;
  return {
    value,
    ...raced(UNIT[p.score], { value, finished, stage: g.word }),
    working: p.score === "letters" ? costs(p, g) : "",
    sends: g.sends,
    stage: g.word,
    stages,
    finished,
  };
}

function now(p: SpellerParams, g: SpellerGo): Phrase {
  const does = doesAt(p, g.word);
  const word = { word: g.word + 1, words: wordsOf(p).length };
  if (does === "write") return { key: "speller.write", params: word };
  const sign = wanted(p, g);
  const params = { word: g.word + 1, words: wordsOf(p).length, letter: g.at + 1, sign: sign?.toUpperCase() ?? "" };
  const shown = p.show === "word" ? "letter" : "next";
  return { key: does === "send" ? `speller.${shown}` : `speller.${shown}.${p.travel ?? "hop"}`, params };
}

/** One go: word by word, letter by letter in their order. */
export const spellerGo: GoRules<SpellerParams, SpellerGo> = {
  begin: () => ({ word: 0, at: 0, down: [], taken: [], sends: 0, letters: 0, right: 0, stands: null }),
  asks,
  step,
  clock: (p, m) => (m.seconds !== null || p.score === "time" ? { limit: m.seconds, rest: 0 } : null),
  sum,
  key: (p, g) =>
    `${g.word} ${g.at} ${p.knock === "once" ? "" : [...g.down].sort().join(",")} ${g.sends} ${g.letters} ${g.stands ?? ""}`,
  now,
  done: (_, g) => g.down,
  ended: (_, { finished }) => ({ key: finished ? "speller.end.all" : "speller.end" }),
  together: "share",
};

/** Written on paper: see `Possible`. */
export function possible(p: SpellerParams, m: Match): Possible {
  const words = wordsOf(p);
  // What is gone to or written takes no send.
  const sent = words.reduce((n, w, i) => n + (doesAt(p, i) === "send" ? w.signs.length : 0), 0);
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const stages = words.length;
  if (p.score === "letters" || p.score === "words") {
    let left = p.sends ?? sent;
    let whole = 0;
    let signs = 0;
    for (const [i, w] of words.entries()) {
      const takes = doesAt(p, i) === "send" ? w.signs.length : 0;
      // The last send ends the go, within a word or with it.
      if (left < takes) {
        signs += left;
        break;
      }
      left -= takes;
      whole++;
      signs += w.signs.length;
      if (left === 0 && takes > 0) break;
    }
    const most = kept * (p.score === "words" ? whole : signs);
    return { unit: p.score, better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages };
  }
  const unit = UNIT[p.score];
  const cap = p.score === "sends" ? p.sends : m.seconds === null ? null : m.seconds * 10;
  const most = cap === null ? null : cap * kept;
  const least = p.score === "sends" ? sent * kept : 0;
  return { unit, better: "less", least: 0, most, values: null, finished: { least, most }, stages };
}
