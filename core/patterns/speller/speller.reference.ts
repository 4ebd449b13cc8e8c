import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { SpellerParams } from "./params.ts";

/** A child with a sheet: the words cut up, and what is crossed off. Cards of one letter only. */
function story(p: SpellerParams, bell: number | null): Story {
  const words = p.list.split(",").map((w) => [...w.trim().toLowerCase()]);
  const cards = new Map(p.cards.map((c) => [c.id, { letter: c.text.toLowerCase(), up: true, now: false }]));
  let w = 0;
  let found = "";
  let points = 0;
  let sends = 0;
  const done = () => w === words.length;
  const value = () => (p.score === "letters" ? points : p.score === "words" ? w : sends);
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    finished: done,
    value,
    rank: () => (p.score !== "sends" ? value() : done() ? 1e8 - sends : w * 1000),
    take(e) {
      const way = p.does[w % Math.max(1, p.does.length)] ?? "send";
      if (way === "write") {
        if (e.kind !== "task") return "no";
        points += words[w]!.length;
        w++;
        if (p.knock === "word") for (const c of cards.values()) c.up = true;
        return done() ? "end" : "hit";
      }
      if (way === "travel") {
        if (e.kind !== "choose" || e.of !== "letter" || e.pick === null || !cards.get(e.pick)?.up) return "no";
        if (cards.get(e.pick)!.letter === words[w]![found.length]) {
          points++;
          found += words[w]![found.length];
          if (found.length < words[w]!.length) return "hit";
          found = "";
          w++;
          if (p.knock === "word") for (const c of cards.values()) c.up = true;
          return done() ? "end" : "hit";
        }
        if (p.wrong === "costs") points = Math.max(0, points - 1);
        if (p.wrong === "restarts") {
          points -= found.length;
          found = "";
        }
        return "miss";
      }
      if (e.kind !== "send" || e.hit === undefined) return "no";
      const card = e.hit === null ? null : cards.get(e.hit);
      if (card === undefined || card?.up === false) return "no";
      sends++;
      let took: "hit" | "miss" = "miss";
      if (card && card.letter === words[w]![found.length]) {
        took = "hit";
        points++;
        found += card.letter;
        if (p.knock !== "once") {
          card.up = false;
          card.now = true;
        }
        if (found.length === words[w]!.length) {
          w++;
          found = "";
          for (const c of cards.values()) {
            c.now = false;
            if (p.knock === "word") c.up = true;
          }
        }
      } else if (card && p.wrong === "costs") points = Math.max(0, points - 1);
      else if (card && p.wrong === "restarts") {
        points -= found.length;
        found = "";
        for (const c of cards.values())
          if (c.now) {
            c.now = false;
            c.up = true;
          }
      }
      return done() || sends === p.sends ? "end" : took;
    },
  };
}

/** A second, plain telling of Speller by letters, words or sends. It shares no code with the rules. */
export const tellSpeller = (p: SpellerParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told =>
  tellMatch(() => story(p, match.seconds), { match, each: false }, setup, events);
