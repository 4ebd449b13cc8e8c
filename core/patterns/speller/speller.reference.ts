import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { SpellerParams } from "./schema.ts";

/** A child with a sheet of paper: the words cut up, with letters crossed off. Cards have one letter only. */
function story(params: SpellerParams, bell: number | null): Story {
  const words = params.list.split(",").map((word) => [...word.trim().toLowerCase()]);
  const cards = new Map(
    params.cards.map((card) => [card.id, { letter: card.text.toLowerCase(), up: true, now: false }]),
  );
  let word = 0;
  let found = "";
  let points = 0;
  let sends = 0;
  const done = () => word === words.length;
  const value = () => (params.score === "letters" ? points : params.score === "words" ? word : sends);
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    finished: done,
    value,
    rank: () => (params.score !== "sends" ? value() : done() ? 1e8 - sends : word * 1000),
    take(event) {
      const way = params.does[word % Math.max(1, params.does.length)] ?? "send";
      if (way === "write") {
        if (event.kind !== "task") return "no";
        points += words[word]!.length;
        word++;
        if (params.knock === "word") for (const eachCard of cards.values()) eachCard.up = true;
        return done() ? "end" : "hit";
      }
      if (way === "travel") {
        if (event.kind !== "choose" || event.of !== "letter" || event.pick === null || !cards.get(event.pick)?.up)
          return "no";
        if (cards.get(event.pick)!.letter === words[word]![found.length]) {
          points++;
          found += words[word]![found.length];
          if (found.length < words[word]!.length) return "hit";
          found = "";
          word++;
          if (params.knock === "word") for (const eachCard of cards.values()) eachCard.up = true;
          return done() ? "end" : "hit";
        }
        if (params.wrong === "costs") points = Math.max(0, points - 1);
        if (params.wrong === "restarts") {
          points -= found.length;
          found = "";
        }
        return "miss";
      }
      if (event.kind !== "send" || event.hit === undefined) return "no";
      const card = event.hit === null ? null : cards.get(event.hit);
      if (card === undefined || card?.up === false) return "no";
      sends++;
      let took: "hit" | "miss" = "miss";
      if (card && card.letter === words[word]![found.length]) {
        took = "hit";
        points++;
        found += card.letter;
        if (params.knock !== "once") {
          card.up = false;
          card.now = true;
        }
        if (found.length === words[word]!.length) {
          word++;
          found = "";
          for (const eachCard of cards.values()) {
            eachCard.now = false;
            if (params.knock === "word") eachCard.up = true;
          }
        }
      } else if (card && params.wrong === "costs") points = Math.max(0, points - 1);
      else if (card && params.wrong === "restarts") {
        points -= found.length;
        found = "";
        for (const eachCard of cards.values())
          if (eachCard.now) {
            eachCard.now = false;
            eachCard.up = true;
          }
      }
      return done() || sends === params.sends ? "end" : took;
    },
  };
}

/** Reference implementation of Speller. It shares no code with the rules. */
export const tellSpeller = (
  params: SpellerParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult => tellMatch(() => story(params, match.seconds), { match, each: false }, setup, events);
