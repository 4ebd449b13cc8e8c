import { remember, remembered } from "../../kept.ts";
import type { CardData } from "../card/card-data.ts";

const keyOf = (card: string) => `yard-question-${card}`;
/** Returns true if a card's question has not been answered on this device. */
export const toAsk = (data: CardData): boolean =>
  data.card.activity.answers !== null &&
  data.card.activity.answers !== undefined &&
  remembered(keyOf(data.id)) === null;
/** Returns the answer to hand in with the next go, once. Null means that it is handed in already or was never given. */
export function takeChosen(card: string): number | null {
  const kept = remembered(keyOf(card));
  if (kept === null || kept === "") return null;
  remember(keyOf(card), "");
  return Number(kept);
}

/** Keeps the answer until the first go is handed in with it. */
export const keepAnswer = (card: string, answer: number): void => remember(keyOf(card), String(answer));
