import { z } from "zod";
import { hitChance } from "#core/aim/hit.ts";
import { POLICIES } from "#core/chances/kind.ts";
import { compileFor } from "#core/compile/card.ts";
import { fitAsDesigned, forHome } from "#core/compile/for-home.ts";
import { MAX_PLAYERS, MODES, type Phrase } from "#core/contract/contract.ts";
import { fieldOf } from "#core/contract/range.ts";
import { evidenceOf } from "#core/estimate/evidence.ts";
import { plainly } from "#core/estimate/plainly.ts";
import { estimateOf, posterior } from "#core/estimate/posterior.ts";
import { recordedEvent } from "#core/events/event-schema.ts";
import { MAX_EVENTS } from "#core/events/limits.ts";
import { FAIR_KNOBS, fairMatch } from "#core/fair/fair.ts";
import { type Distribution, mean, mode, quantile } from "#core/forecast/distribution.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import { forecastActivity } from "#core/forecast/for-activity.ts";
import {
  type Activity,
  fromPattern,
  gameSettingsOf,
  type Problem,
  parseActivity,
  problemsOf,
} from "#core/formats/activity.ts";
import { listOf } from "#core/kit/items.ts";
import { amountsOf, proposeAmount } from "#core/levels/amounts.ts";
import { sendsUntil, settles, USUAL_TURNS } from "#core/levels/ladder.ts";
import {
  CORRIDOR,
  LEVEL_KNOBS,
  type Level,
  levelWords,
  proposeLevels,
  USUAL_KNOBS,
  USUAL_LEVELS,
} from "#core/levels/levels.ts";
import { paces } from "#core/measures/step.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { cannotSpell, entriesOf, fewestCards, signsOf } from "#core/patterns/speller/words.ts";
import { homeAnswers, homeSpace, NOTHING_SAID } from "#core/records/home.ts";
import { outlook, replay, view } from "#core/referee/referee.ts";
import { hitRule } from "#core/rules/hit-rule.ts";
import { fewestTrips } from "#core/sorting-grid/fewest.ts";
import { collected, greedyTrips, isWhole, MAX_N, MIN_N, REACHES } from "#core/sorting-grid/grid.ts";
import { mixed } from "#core/sorting-grid/mix.ts";
import { enGame } from "#words/en-game.ts";
import { enRules } from "#words/en-rules.ts";
import { enTeacher } from "#words/en-teacher.ts";
import { gameWords } from "#words/generated/all.ts";
import { ruleWords } from "#words/generated/rules.ts";
import { addWords, itemName, namesOf, sayPhrase, sayWorking } from "#words/say.ts";
import { verbOf } from "#words/verbs.ts";

for (const words of [enGame, ...Object.values(gameWords), enTeacher, enRules, ruleWords]) addWords(words);

/** Input that is not allowed. The message is one line that names the field. */
class Bad extends Error {}
const bad = (problems: readonly Problem[]): never => {
  throw new Bad(
    problems.map((problem) =>
      problem.message.startsWith(problem.field) ? problem.message : `${problem.field}: ${problem.message}`,
    )[0] ?? "this input is not allowed",
  );
};

function read<T>(schema: z.ZodType<T>, json: unknown): T {
  const done = schema.safeParse(json);
  return done.success ? done.data : bad(problemsOf(done.error));
}

const positive = (most: number) =>
  z.number({ error: "must be a number" }).gt(0, "must be more than 0").max(most, `must be at most ${most}`);
const spread = z.number({ error: "must be a number" }).min(0, "must be 0 or more").max(5, "must be at most 5");
const hitInput = z.strictObject({
  rule: hitRule,
  object: z.strictObject({ diameter: positive(2), mass: positive(50).optional(), speed: positive(60).optional() }),
  distance: positive(60),
  spread: z.strictObject({ lateral: spread, range: spread, vertical: spread }),
  off: z
    .strictObject({ across: z.number().optional(), along: z.number().optional(), up: z.number().optional() })
    .optional(),
  reach: z.number().min(0, "must be 0 or more").max(1, "must be at most 1").optional(),
});

const squareInput = z.strictObject({
  n: z.number().int().min(MIN_N, `must be ${MIN_N} or more`).max(MAX_N, `must be at most ${MAX_N}`).default(3),
  reach: z.enum(REACHES, { error: `must be one of ${REACHES.join(", ")}` }).default("line"),
  /** Kinds from 0, row by row, starting with the near row. If left out, the square is mixed. */
  cells: z
    .array(
      z
        .number()
        .int()
        .min(0)
        .max(MAX_N - 1),
    )
    .max(MAX_N * MAX_N)
    .optional(),
  least: z.number().int().min(1, "must be 1 or more").max(20).default(3),
  most: z.number().int().min(1, "must be 1 or more").max(20).default(4),
  seed: z.number().int().min(0).default(1),
});

const setup = {
  mode: z.enum(MODES, { error: `must be one of ${MODES.join(", ")}` }).default("alone"),
  seed: z.number().int().min(0).default(1),
};
const forecastInput = z.strictObject({
  activity: z.unknown(),
  players: z
    .array(
      z.strictObject({
        age: z.union([z.number().min(4, "must be 4 or more").max(18, "must be at most 18"), z.literal("adult")]),
        multiplier: positive(10).optional(),
      }),
    )
    .min(1, "at least 1 player")
    .max(MAX_PLAYERS, `at most ${MAX_PLAYERS} players`),
  ...setup,
  policy: z.enum(POLICIES, { error: `must be one of ${POLICIES.join(", ")}` }).default("middle"),
  method: z.enum(["auto", "exact", "sampled"]).default("auto"),
  /** In games against each other, whether the starting side is drawn or is the first. */
  starts: z.enum(["drawn", "first"], { error: "must be drawn or first" }).default("drawn"),
  samples: z.number().int().min(100).max(200_000).optional(),
  /** Chances by target or zone, instead of the computed ones. */
  chances: z.record(z.string(), z.number().min(0, "must be 0 or more").max(1, "must be at most 1")).optional(),
});
const refereeInput = z.strictObject({
  activity: z.unknown(),
  players: z.number().int().min(1).max(MAX_PLAYERS, `at most ${MAX_PLAYERS}`).default(1),
  ...setup,
  events: z.array(recordedEvent).max(MAX_EVENTS),
});

const substituteInput = z.strictObject({
  activity: z.unknown(),
  /** What is known about the home. Whatever is left out is unknown. */
  home: homeAnswers.partial().strict().default({}),
  age: z
    .number({ error: "must be a number of years" })
    .min(4, "must be 4 or more")
    .max(15, "must be 15 or less")
    .default(8),
  /** Items chosen beforehand, by role. */
  fixed: z.record(z.string(), z.string()).default({}),
});

const person = z.strictObject({
  age: z.union([z.number().min(4, "must be 4 or more").max(18, "must be at most 18"), z.literal("adult")]),
  multiplier: positive(10).optional(),
  skill: z.number().min(-5).max(5).optional(),
});
const levelsInput = z.strictObject({
  activity: z.unknown(),
  player: person.default({ age: 8 }),
  corridor: z.strictObject({ low: z.number().gt(0).lt(1), high: z.number().gt(0).lt(1) }).default(CORRIDOR),
  count: z.number().int().min(3, "must be 3 or more").max(7, "must be at most 7").default(USUAL_LEVELS),
  knobs: z
    .array(z.enum(LEVEL_KNOBS, { error: `must be one of ${LEVEL_KNOBS.join(", ")}` }))
    .min(1, "at least one knob")
    .default([...USUAL_KNOBS]),
  things: z.array(z.string()).max(20).default([]),
  targets: z.array(z.string()).max(20).default([]),
  /** One number of the game to change instead, by how often its end is reached. */
  amount: z.string().max(80).optional(),
  /** The number of hits in a row that leads to a harder level, and of misses in a row that leads to an easier one. */
  up: z.number().int().min(1).max(5).default(2),
  down: z.number().int().min(1).max(5).default(1),
});
function byAmount(
  activity: Activity,
  player: Who,
  amount: string,
  want: { corridor: { low: number; high: number }; count: number },
): Level[] {
  const fields = amountsOf(activity).map(fieldOf);
  if (!fields.includes(amount))
    bad([{ field: "amount", message: `must be one of ${fields.join(", ") || "none, for this game has none"}` }]);
  const list = proposeAmount(activity, player, amount, want);
  if (list.length === 0)
    bad([{ field: "amount", message: "changing it makes no difference to finishing, or far too much" }]);
  return list;
}
const estimateInput = z.strictObject({
  activity: z.unknown(),
  age: z
    .number({ error: "must be a number of years" })
    .min(4, "must be 4 or more")
    .max(15, "must be 15 or less")
    .default(8),
  /** Goes in any order: the week of each, and its events. */
  goes: z
    .array(
      z.strictObject({
        week: z.number().int().min(0).max(5000).default(0),
        players: z.number().int().min(1).max(MAX_PLAYERS).default(1),
        mode: z.enum(MODES).default("alone"),
        events: z.array(recordedEvent).max(MAX_EVENTS),
      }),
    )
    .min(1, "at least 1 go")
    .max(400, "at most 400 goes"),
});
const lettersInput = z.strictObject({
  /** Words separated by commas. A text before `=` is shown instead of the word. */
  list: z.string().min(1, "must not be empty").max(2000),
  /** The cards available. If left out, the signs in the list. */
  cards: z.array(z.string().min(1).max(4)).min(1, "at least 1 card").max(40, "at most 40 cards").optional(),
  knock: z.enum(["once", "word", "down"], { error: "must be once, word or down" }).default("once"),
});
const fairInput = z.strictObject({
  activity: z.unknown(),
  players: z.array(person).min(2, "at least 2 players").max(MAX_PLAYERS, `at most ${MAX_PLAYERS} players`),
  order: z
    .array(z.enum(FAIR_KNOBS, { error: `must be one of ${FAIR_KNOBS.join(", ")}` }))
    .min(1, "at least one change")
    .optional(),
});

const fitInput = z.strictObject({
  activity: z.unknown(),
  space: homeSpace,
  age: z
    .number({ error: "must be a number of years" })
    .min(4, "must be 4 or more")
    .max(15, "must be 15 or less")
    .default(8),
});

/** The document, or the example of a pattern by its name. */
function activityOf(json: unknown) {
  const name = patternNames.find((patternName) => patternName === json);
  if (name) return fromPattern(name);
  const parsed = parseActivity(json);
  return parsed.ok
    ? parsed.value
    : bad(parsed.problems.map((problem) => ({ field: `activity.${problem.field}`, message: problem.message })));
}

/** Checks that the activity allows the mode and the number of players. */
function allowed(activity: Activity, mode: (typeof MODES)[number], players: number): void {
  const { modes, least, most } = activity.players;
  if (!modes.includes(mode)) bad([{ field: "mode", message: `must be one of ${modes.join(", ")} for this activity` }]);
  if (players < least || players > most)
    bad([{ field: "players", message: `must be ${least} to ${most} for this activity` }]);
}

const summary = (distribution: Distribution) => ({
  mean: mean(distribution),
  mode: mode(distribution),
  low: quantile(distribution, 0.1),
  median: quantile(distribution, 0.5),
  high: quantile(distribution, 0.9),
  at: distribution.at,
  p: distribution.p,
});

/**
 * The line at which a ladder settles, and the number of attempts until then, starting at the line where most time is
 * spent. Null if it seldom settles within one go.
 */
function ladderOf(rates: readonly number[], up: number, down: number) {
  const settled = settles(rates, up, down);
  const begin = settled.shares.indexOf(Math.max(...settled.shares));
  return { ...settled, sends: sendsUntil(rates, { up, down, begin, turns: USUAL_TURNS }) };
}

const commands: Record<string, { about: string; run: (json: unknown) => unknown }> = {
  hit: {
    about: "the chance that one attempt counts under a hit rule",
    run: (json) => {
      const { rule, ...shot } = read(hitInput, json);
      return { p: hitChance(rule, shot) };
    },
  },
  forecast: {
    about: "what will happen when these people play an activity",
    run: (json) => {
      const { activity, players, mode: how, seed, policy, starts, ...more } = read(forecastInput, json);
      if ((how === "alone") !== (players.length === 1))
        bad([{ field: "mode", message: "alone is for 1 player, the others for 2 or more" }]);
      const design = activityOf(activity);
      allowed(design, how, players.length);
      const forecast = forecastActivity(design, players, { players: players.length, mode: how, seed }, policy, {
        ...more,
        firstStarts: starts === "first",
      });
      return {
        ...forecast,
        sides: forecast.sides.map((side) => ({
          ...side,
          sends: summary(side.sends),
          points: summary(side.points),
          stage: summary(side.stage),
        })),
        rounds: summary(forecast.rounds),
        time: summary(forecast.time),
      };
    },
  },
  substitute: {
    about: "what a home can use for an activity, why, and how it changes the challenge",
    run: (json) => {
      const { activity, home, age, fixed } = read(substituteInput, json);
      const design = activityOf(activity);
      const names = namesOf(design.kit.own);
      const facts = { ...NOTHING_SAID, ...home, id: "home", label: "" };
      const { activity: ready, ...told } = forHome(design, { age }, facts, listOf(design.kit.own), fixed);
      const text = (phrase: Phrase) => ({ ...phrase, text: sayPhrase(phrase, names) });
      return {
        ...told,
        picks: told.picks.map((pick) => ({ ...pick, name: itemName(pick.item, names), why: text(pick.why) })),
        unmet: told.unmet.map((unmet) => ({ ...unmet, why: text(unmet.why) })),
        changes: told.changes.map(text),
        activity: ready,
      };
    },
  },
  levels: {
    about: "levels of difficulty for someone, each with its chance of a hit, and where up-and-down rules settle",
    run: (json) => {
      const { activity, player, corridor, up, down, amount, ...more } = read(levelsInput, json);
      if (corridor.low >= corridor.high) bad([{ field: "corridor", message: "low must be less than high" }]);
      const design = activityOf(activity);
      const list =
        amount === undefined
          ? proposeLevels(design, player, { corridor, ...more })
          : byAmount(design, player, amount, { corridor, count: more.count });
      const { step } = paces(player.age === "adult" ? 18 : player.age);
      return {
        levels: list.map((level) => ({
          ...level,
          text: [
            ...levelWords(level.setting, step).map((levelWord) => sayPhrase(levelWord)),
            ...level.setting.settings.map((setting) => `${setting.field}: ${setting.value}`),
          ].join(", "),
        })),
        // Hits and misses move the child between lines. A number of the game stays as it is during play.
        ladder:
          amount === undefined
            ? ladderOf(
                list.map((level) => level.rate),
                up,
                down,
              )
            : null,
      };
    },
  },
  estimate: {
    about: "what a child's own attempts say about their skill: a multiplier or log-odds, with an 80% interval",
    run: (json) => {
      const { activity, age, goes } = read(estimateInput, json);
      const design = activityOf(activity);
      const evidence = goes.map((go, i) => {
        if ((go.mode === "alone") !== (go.players === 1))
          bad([{ field: `goes.${i}.mode`, message: "alone is for 1 player, the others for 2 or more" }]);
        const replayed = replay(gameSettingsOf(design), { players: go.players, mode: go.mode, seed: 1 }, go.events);
        if (replayed.refused)
          bad([{ field: `goes.${i}.events.${replayed.seq}`, message: sayPhrase(replayed.refused) }]);
        return { week: go.week, evidence: evidenceOf(design, replayed.play, age) };
      });
      const keys = [
        ...new Set(evidence.flatMap((g) => g.evidence.map((evidence) => `${evidence.action} ${evidence.axis}`))),
      ];
      return {
        known: keys.map((key) => {
          const list = evidence.flatMap((g) =>
            g.evidence
              .filter((evidence) => `${evidence.action} ${evidence.axis}` === key)
              .map((evidence) => ({ ...evidence, week: g.week })),
          );
          const { action, axis } = list[0]!;
          const is = estimateOf(posterior(axis, age, list));
          return {
            action,
            ...is,
            tries: list.reduce((sum, e) => sum + e.tries, 0),
            text: sayPhrase(plainly(action, axis, is.middle, age)),
          };
        }),
      };
    },
  },
  letters: {
    about: "the fewest cards that spell a list, the words a set of cards spells, and the words from easy to hard",
    run: (json) => {
      const { list, cards, knock } = read(lettersInput, json);
      const words = entriesOf(list);
      if (words.length === 0) bad([{ field: "list", message: "must have at least one word" }]);
      const given = cards ?? [...new Set(words.flatMap((word) => [...word.text]))];
      const spelled = words.map((word) => ({ ...word, signs: signsOf(word.text, given) }));
      const can = spelled.filter((word) => word.signs !== null && !cannotSpell([word], given, cards ? knock : "once"));
      const need = fewestCards(
        can.map((word) => word.signs!),
        knock,
      );
      const hard = (w: { signs: readonly string[] | null }) => w.signs!.length;
      return {
        cards: Object.fromEntries([...need].sort(([text], [y]) => (text < y ? -1 : 1))),
        fewest: [...need.values()].reduce((sum, k) => sum + k, 0),
        spells: can.map((word) => word.text),
        cannot: spelled.filter((word) => !can.includes(word)).map((word) => word.text),
        easyToHard: [...can].sort((x, y) => hard(x) - hard(y) || (x.text < y.text ? -1 : 1)).map((word) => word.text),
      };
    },
  },
  fair: {
    about: "the smallest change that makes a match between unlike players fair",
    run: (json) => {
      const { activity, players, order } = read(fairInput, json);
      const design = activityOf(activity);
      if (!design.players.modes.includes("against"))
        bad([{ field: "activity", message: "this activity is not played head to head" }]);
      return fairMatch(design, players, order);
    },
  },
  compile: {
    about: "the card for one child in one home",
    run: (json) => {
      const { activity, home, age, fixed } = read(substituteInput, json);
      const design = activityOf(activity);
      const facts = { ...NOTHING_SAID, ...home, id: "home", label: "" };
      const { making: _, ...card } = compileFor(
        {
          designed: design,
          child: { age, step: null, leftHanded: false },
          homes: [facts],
          items: { own: [...design.kit.own], hidden: [] },
        },
        "home",
        fixed,
      );
      return card;
    },
  },
  fit: {
    about: "where an activity fits in a home's space, how much shorter it must be, or what is in the way",
    run: (json) => {
      const { activity, space, age } = read(fitInput, json);
      return fitAsDesigned(activityOf(activity), { age }, space);
    },
  },
  referee: {
    about: "the score, whose turn it is and what may happen next, after a list of events",
    run: (json) => {
      const { activity, events, ...how } = read(refereeInput, json);
      if ((how.mode === "alone") !== (how.players === 1))
        bad([{ field: "mode", message: "alone is for 1 player, the others for 2 or more" }]);
      const design = activityOf(activity);
      allowed(design, how.mode, how.players);
      const replayed = replay(gameSettingsOf(design), how, events);
      const names = namesOf(design.kit.own);
      const verb = verbOf(design.aim.action);
      const text = (phrase: Phrase) => sayPhrase(phrase, names, { verb });
      if (replayed.refused) bad([{ field: `events.${replayed.seq}`, message: text(replayed.refused) }]);
      const now = view(replayed.play);
      return {
        ...now,
        now: { ...now.now, text: text(now.now) },
        score: now.score.map((score) => ({ ...score, working: sayWorking(score.working) })),
        ending: now.ending && { ...now.ending, text: text(now.ending.reason) },
        outlook: outlook(replayed.play).map((eachOutlook) => ({
          ...eachOutlook,
          working: sayWorking(eachOutlook.working),
          turn: { ...eachOutlook.turn, now: { ...eachOutlook.turn.now, text: text(eachOutlook.turn.now) } },
          ending: eachOutlook.ending && { ...eachOutlook.ending, text: text(eachOutlook.ending.reason) },
        })),
      };
    },
  },
  square: {
    about: "the fewest trips to solve a Swap square, or a shuffle of the difficulty you want",
    run: (json) => {
      const { n: count, reach, cells, least, most, seed } = read(squareInput, json);
      if (cells) {
        if (!isWhole(cells, count))
          bad([{ field: "cells", message: `must be ${count} of each kind from 0 to ${count - 1}` }]);
        const { rows } = collected(cells, count);
        return {
          ...fewestTrips(cells, count, reach, { budget: SQUARE_BUDGET }),
          collected: rows,
          sensible: greedyTrips(cells, count, reach),
        };
      }
      if (most < least) bad([{ field: "most", message: `must not be below least (${least})` }]);
      return mixed({ n: count, reach, least, most, seed });
    },
  },
};

/** How many squares a search on the command line may examine. */
const SQUARE_BUDGET = 1_000_000;

const HELP = `npm run -s yard -- COMMAND < input.json\n\n${Object.entries(commands)
  .map(([name, value]) => `  ${name.padEnd(10)} ${value.about}`)
  .join("\n")}\n\ndocs/activity-format.md has an example of each.\n`;

/**
 * Runs one command on the text of its input. Code 2 means that the input is not allowed; `err` is then one line that
 * names the field.
 */
export function runCommand(name: string | undefined, text: string): { code: 0 | 2; out: string; err: string } {
  if (name === undefined) return { code: 2, out: "", err: HELP };
  if (name === "help") return { code: 0, out: HELP, err: "" };
  try {
    const command = commands[name];
    if (!command) throw new Bad(`command: "${name}" is not one of ${Object.keys(commands).join(", ")}, help`);
    let json: unknown;
    try {
      json = JSON.parse(text);
    } catch {
      throw new Bad("input: standard input is not a JSON document");
    }
    return { code: 0, out: `${JSON.stringify(command.run(json))}\n`, err: "" };
  } catch (error) {
    if (!(error instanceof Bad || error instanceof RangeError)) throw error;
    return { code: 2, out: "", err: `${error.message.replace(/\s+/g, " ")}\n` };
  }
}
