import type { Card } from "#core/compile/card.ts";
import type { Knob } from "#core/contract/contract.ts";
import { setTo } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternOf } from "#core/patterns/registry.ts";
import { enSheet } from "./en-sheet.ts";
import { sheetWords } from "./generated/sheet.ts";
import { ruleOf } from "./rules.ts";
import { addWords, itemName, namesOf, say, targetName } from "./say.ts";
import "./set-up.ts";
import { label } from "./teacher.ts";
import { attemptWords } from "./verbs.ts";

addWords(enSheet);
addWords(sheetWords);

/** The rules of a game for a sheet of paper, where nobody is there to ask. */
export interface SheetRules {
  /** What to do, what a hit is worth and when the game ends, in a few sentences. */
  how: string;
  /** What each target is worth. Null if points do not depend on targets. */
  points: string | null;
  /** Every other fact that affects a score, one sentence each. */
  facts: string[];
  /** Who may play, and in which way. */
  players: string;
}

/** A list of words is printed in full. */
const WHOLE_TEXT = 1000;
/** Fields that only concern the screen or its pictures. They do not affect a score. */
const OF_THE_SCREEN: ReadonlySet<string> = new Set(["knob.told", "knob.how", "knob.calls", "knob.carry", "knob.mix"]);
/** Fields that only matter when a bell rings. */
const OF_A_BELL: ReadonlySet<string> = new Set(["knob.inAir"]);
/** False if the game's bell comes from its match and is off. */
const mayRing = ({ pattern, match }: Activity): boolean =>
  match.seconds !== null || !patternOf(pattern.name).match.fields.includes("seconds");

/** Fields that the plan, the set-up steps or the points show completely. */
const ON_THE_PLAN: ReadonlySet<string> = new Set([
  "knob.board",
  "knob.cards",
  "knob.cardsUp",
  "knob.formation",
  "knob.shape",
  "knob.pinGap",
  "knob.bandWidth",
  "knob.laneWidth",
  "knob.cellSize",
  "knob.squareCell",
  "knob.marked",
  "knob.goalsWidth",
  "knob.courtNear",
  "knob.courtFar",
  "knob.netHeight",
  "knob.grow",
]);

/** A field without a sentence of its own: its name and its value. Null if it is off. */
function plainFact(knob: Knob, value: unknown, noun: Record<string, string>): string | null {
  if (value === null || value === undefined) return null;
  const fact = (is: string | number) => say("sheet.fact", { name: label(knob.label, noun), value: is });
  switch (knob.kind) {
    case "toggle":
      return fact(say(value === true ? "sheet.yes" : "sheet.no"));
    case "choice": {
      const is = knob.options.find((option) => JSON.stringify(option.value) === JSON.stringify(value));
      return is ? fact(label(is.label, noun)) : null;
    }
    case "number":
    case "text":
      return fact(value as string | number);
    default:
      return Array.isArray(value) && value.length > 0 ? fact(value.map(String).join(", ")) : null;
  }
}

/** The part of a sentence between its stars. */
const starred = (text: string) => text.split("*")[1] ?? text;
const whole = (text: string) => text.replaceAll("*", "");

/** Every fact that affects a score. Those of one stage, round or task are on one line. */
function factsOf(card: Card): string[] {
  const activity = card.activity;
  const game = { params: activity.pattern.params, match: activity.match };
  const lines: string[] = [];
  const parts = new Map<number, string[]>();
  const noun = attemptWords(activity.aim.action);
  const all = opened(activity).knobs();
  for (const knob of all) {
    if (OF_THE_SCREEN.has(knob.label) || ON_THE_PLAN.has(knob.label)) continue;
    if (OF_A_BELL.has(knob.label) && !mayRing(activity)) continue;
    const value = setTo(knob, game);
    const part = knob.path.find((x): x is number => typeof x === "number");
    const rule = ruleOf(knob, value, activity.aim.action, WHOLE_TEXT);
    if (part !== undefined) {
      const text = rule ? starred(rule) : plainFact(knob, value, noun);
      if (text) parts.set(part, [...(parts.get(part) ?? []), text]);
      continue;
    }
    // A setting that is off has no effect.
    if (value === null || (knob.label === "knob.goes" && value === 1)) continue;
    const text = rule ? whole(rule) : plainFact(knob, value, noun);
    if (text) lines.push(text);
  }
  const staged = [...parts].map(([i, texts]) => say("sheet.part", { number: i + 1, what: texts.join(", ") }));
  return [...staged, ...lines];
}

/** Rules for rare moments that nobody could guess. Each is printed if it may be needed. */
const seldomOf = ({ pattern, players }: Activity): string[] =>
  (patternOf(pattern.name).seldom?.(pattern.params, players.modes) ?? []).map((key) => say(`sheet.seldom.${key}`));

/** What each target is worth. */
function pointsOf(card: Card): string | null {
  const list = card.parts.flatMap((part) => {
    if (part.kind === "target" && part.points !== undefined)
      return [say("sheet.brings", { what: targetName(part), points: part.points })];
    if (part.kind === "zone")
      return [
        say("sheet.brings", { what: say("sheet.band", { number: Number(part.id.slice(1)) }), points: part.points }),
      ];
    return [];
  });
  return list.length === 0 ? null : list.join(", ");
}

/** The rules of a card in the words of the screens, as far as nobody can look them up on paper. */
export function sheetRules(card: Card): SheetRules {
  const activity = card.activity;
  const names = namesOf(activity.kit.own);
  return {
    how: say(`sheet.how.${activity.pattern.name}`, {
      ...attemptWords(activity.aim.action),
      item: itemName(activity.kit.send, names),
      posture: card.self?.posture ?? "standing",
    }),
    points: pointsOf(card),
    facts: [...factsOf(card), ...seldomOf(activity)],
    players: say("sheet.players", {
      modes: activity.players.modes.map((mode) => say(`sheet.mode.${mode}`)).join(", "),
    }),
  };
}
