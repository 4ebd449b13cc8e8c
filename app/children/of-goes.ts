import { betterOf, rankOf, settingOf } from "#core/records/rank.ts";
import type { ChildCard, ChildGo } from "#server/children/child.ts";
import { sayPhrase } from "#words/say.ts";
import { tellScore } from "#words/tell.ts";

/** What a child's page shows of a best: the game, the score in words, and where its results are. */
export interface Best {
  title: string;
  score: string;
  unfinished: boolean;
  assignmentId: string;
}
/** The best of each game, like compared with like; the games in the order of `goes`. */
export function bestsOf(goes: readonly ChildGo[]): Best[] {
  const bests = new Map<string, ChildGo>();
  for (const go of goes) {
    if (!go.counts || settingOf(go.score) !== "") continue;
    const best = bests.get(go.title);
    if (!best || rankOf(go.score) > rankOf(best.score)) bests.set(go.title, go);
  }
  return [...bests].map(([title, { score, assignmentId, action }]) => ({
    title,
    score: tellScore(score.value, score.unit, action),
    unfinished: betterOf(score) === "less" && !score.finished,
    assignmentId,
  }));
}

/** How far back it is shown how a criterion was marked. */
const MAX_MARKS = 4;
/** Each criterion once, with how it was last marked, from first to last; a mark that repeats the one before is left out. `cards` newest first. */
export function marksOf(cards: readonly Pick<ChildCard, "criteria">[]): { text: string; marks: string[] }[] {
  const all = new Map<string, string[]>();
  for (const { text, mark } of [...cards].reverse().flatMap((card) => card.criteria)) {
    const before = all.get(text) ?? [];
    if (before[before.length - 1] !== mark) all.set(text, [...before, mark]);
  }
  return [...all].map(([text, marks]) => ({ text, marks: marks.slice(-MAX_MARKS) }));
}

/** Each change for the child's home once, in words, with the games it was made for. */
export function changesOf(
  cards: readonly Pick<ChildCard, "title" | "changes">[],
): { words: string; games: string[] }[] {
  const all = new Map<string, Set<string>>();
  for (const { title, changes } of cards) {
    const words = changes.map((change) => sayPhrase(change)).join(". ");
    if (words !== "") all.set(words, (all.get(words) ?? new Set()).add(title));
  }
  return [...all].map(([words, games]) => ({ words, games: [...games] }));
}

/** How the child felt before and after, 1 to 5, over the goes in which both were told; null where none was. */
export function moodOf(
  goes: readonly Pick<ChildGo, "reflection">[],
): { before: number; after: number; goes: number } | null {
  const feelings = goes.flatMap(({ reflection: { before, after } }) =>
    before !== null && after !== null ? [{ before, after }] : [],
  );
  if (feelings.length === 0) return null;
  const mean = (of: "before" | "after") => feelings.reduce((sum, r) => sum + r[of], 0) / feelings.length;
  return { before: mean("before"), after: mean("after"), goes: feelings.length };
}
