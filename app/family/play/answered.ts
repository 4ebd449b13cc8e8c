import { remember, remembered } from "../../kept.ts";
import type { CardData } from "../card/card-data.ts";

const keyOf = (card: string) => `yard-question-${card}`;
/** Whether the question of a card was not answered yet on this device. */
export const toAsk = (data: CardData): boolean =>
  data.card.activity.answers !== null &&
  data.card.activity.answers !== undefined &&
  remembered(keyOf(data.id)) === null;
/** The answer that goes along with the first go after it; null: it went already, or there is none. */
export function takeChosen(card: string): number | null {
  const kept = remembered(keyOf(card));
  if (kept === null || kept === "") return null;
  remember(keyOf(card), "");
  return Number(kept);
}

/** Keeps the answer until the first go takes it along. */
export const keepAnswer = (card: string, answer: number): void => remember(keyOf(card), String(answer));
