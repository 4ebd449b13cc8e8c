import { z } from "zod";
import { ACTIONS } from "../actions/actions.ts";
import { MAX_PLAYERS, MODES, type Role } from "../contract/contract.ts";
import { USUAL_MATCH } from "../contract/match.ts";
import { match } from "../contract/match-schema.ts";
import { FAIR_KNOBS } from "../contract/people.ts";
import { whole } from "../contract/schema.ts";
import { MAX_IN_ACTIVITY, ownExercise } from "../exercises/own.ts";
import { FLOORS } from "../items/floors.ts";
import { item } from "../items/item.ts";
import { EXTRA_OBJECTS } from "../kit/extra-objects.ts";
import { roleWords } from "../kit/role.ts";
import { COUNTED } from "../measures/count.ts";
import { type PatternName, patternNames, patterns } from "../patterns/registry.ts";
import { MAX_ROUNDS } from "../plan/plan.ts";
import { laid } from "../yard/layouts/laid-schema.ts";
import { answers } from "./answers.ts";

export const ACTIVITY_FORMAT = "daring-yard/activity";
export const ACTIVITY_VERSION = 2;
/** What is behind the targets: nothing, a wall that sends things back, or something soft that stops them. */
export const BEHIND = ["open", "wall", "soft"] as const;
/** How far behind the start line somebody may stand, metres. */
export const BEHIND_START = 0.6;

export const text = (name: string, most: number) =>
  z
    .string({ error: `${name} must be text` })
    .trim()
    .max(most, `${name} must be ${most} letters or fewer`);
const entry = z.strictObject({
  id: z.string().min(1).max(40),
  text: text("text", 160).min(1, "text must not be empty"),
});
/** The most levels of one activity. */
export const MAX_LEVELS = 7;
/** The most settings of the game that a level may change. */
const MAX_SETTINGS = 8;
/** The most settings that may be left to a family. */
export const MAX_FAMILY = 12;
/** The most active minutes in a week. */
export const MAX_GOAL = 600;
/** Postures below standing that a level may ask for. */
export const LOW_POSTURES = ["kneeling", "sitting"] as const;
/** How somebody who has no turn may help on a level. */
export const HELPERS = ["feeds", "catches"] as const satisfies readonly Role["role"][];
export const share = (name: string) =>
  z
    .number({ error: `${name} must be between 5% and 95%` })
    .min(0.05, `${name} must be at least 5%`)
    .max(0.95, `${name} must be at most 95%`);
export const length = (name: string, least = 0.5) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(least, `${name} must be ${least} m or more`)
    .max(60, `${name} must be 60 m or less`);
/** The lists of short exercises by their field, and what messages call them. */
export const EXERCISE_LISTS = { warmUp: "warm-up", coolDown: "cool-down" } as const;
const exercisesOf = (name: string) =>
  z.array(z.string().min(1).max(40)).max(6, `at most 6 exercises in a ${name}`).default([]);
type ChosenPattern = { [K in PatternName]: { name: K; params: z.infer<(typeof patterns)[K]["params"]> } }[PatternName];
const choices = patternNames.map((name) => z.strictObject({ name: z.literal(name), params: patterns[name].params }));
export const pattern = z.discriminatedUnion("name", choices as unknown as [(typeof choices)[number]], {
  error: (issue) =>
    issue.code === "invalid_union" ? `pattern name must be one of ${patternNames.join(", ")}` : undefined,
}) as unknown as z.ZodType<ChosenPattern>;

/** The fields of an activity, before they are checked against each other (`activity.ts`). */
export const activityShape = z.strictObject({
  format: z.literal(ACTIVITY_FORMAT, { error: `format must be "${ACTIVITY_FORMAT}"` }),
  version: z.literal(ACTIVITY_VERSION, { error: `version must be ${ACTIVITY_VERSION}` }),
  title: text("title", 60).min(1, "title must not be empty"),
  ages: z
    .strictObject({
      from: z
        .number({ error: "the first age must be a number of years" })
        .int()
        .min(4, "the first age must be 4 or more")
        .max(15),
      to: z
        .number({ error: "the last age must be a number of years" })
        .int()
        .min(4)
        .max(15, "the last age must be 15 or less"),
    })
    .refine((a) => a.to >= a.from, { error: "the last age must not be below the first age", path: ["to"] }),
  aim: z.strictObject({
    action: z.enum(ACTIONS),
    /** What may be done instead, in this order, in a home where the action makes no sense. Nothing unless given. */
    also: z.array(z.enum(ACTIONS)).max(3, "at most 3 other actions").optional(),
    outcome: text("outcome", 200),
    standards: z.array(text("standard", 60).min(1)).max(8),
  }),
  cues: z.array(entry).max(6, "at most 6 cues"),
  criteria: z.array(entry).max(6, "at most 6 success criteria"),
  /** Short exercises before and after the game, by their ids in the library. */
  warmUp: exercisesOf(EXERCISE_LISTS.warmUp),
  coolDown: exercisesOf(EXERCISE_LISTS.coolDown),
  /** How many goes are played one after another, as a time plan asks for. */
  rounds: z
    .number({ error: "rounds must be a number" })
    .int("rounds must be a whole number")
    .min(1, "rounds must be 1 or more")
    .max(MAX_ROUNDS, `rounds must be ${MAX_ROUNDS} or fewer`)
    .default(1),
  /**
   * On how many days of a week it is played, and how many active minutes a child should reach in a week. Null: not
   * given.
   */
  week: z
    .strictObject({
      days: z
        .number({ error: "days must be a number" })
        .int()
        .min(1, "days must be 1 or more")
        .max(7, "days must be 7 or fewer"),
      goal: z
        .number({ error: "goal must be a number of minutes" })
        .int()
        .min(5, "goal must be 5 minutes or more")
        .max(MAX_GOAL, `goal must be ${MAX_GOAL} minutes or fewer`),
    })
    .nullable()
    .default(null),
  /** A short exercise, by its name, after every few sends of a player. Null: none. */
  between: z
    .strictObject({
      exercise: text("exercise", 40).min(1, "exercise must not be empty"),
      dose: whole("dose", 1, 120),
      every: whole("every", 1, 20),
      /** Seconds for one. */
      each: z.number({ error: "each must be a number of seconds" }).min(0.2).max(30),
    })
    .nullable()
    .default(null),
  /** Exercises of the school's own that this activity uses, because a file can be read anywhere. */
  exercises: z.array(ownExercise).max(MAX_IN_ACTIVITY, `at most ${MAX_IN_ACTIVITY} exercises of its own`).default([]),
  /** What somebody at home can watch for. */
  watch: z
    .array(text("watch for", 100).min(1, "watch for must not be empty"))
    .max(2, "at most 2 things to watch for")
    .default([]),
  /** The quick question. */
  question: text("question", 200),
  answers: answers.nullable().default(null),
  kit: z.strictObject({
    /** The object to send, see the list of items. */
    send: z.string().min(1).max(40),
    marker: z.string().min(1).max(40),
    blocker: z.string().min(1).max(40),
    /** The bat or racket, in games that use one. Null: the bare hand. */
    implement: z.string().min(1).max(40).nullable().default(null),
    /** Further objects, each sent in its turn if the game says so: roles `other1`, `other2`, `other3`. */
    others: z
      .array(z.string().min(1).max(40))
      .max(EXTRA_OBJECTS.length, `at most ${EXTRA_OBJECTS.length} more objects`)
      .default([]),
    /** Limits and wishes for single roles, beside what the game itself needs. */
    roles: z.array(roleWords).max(20, "at most 20 roles").default([]),
    /** Items of the school's own that this activity uses, because a file can be read anywhere. */
    own: z.array(item).max(40, "at most 40 items of its own").default([]),
  }),
  space: z.strictObject({
    length: length("space length"),
    width: length("space width"),
    floor: z.enum(FLOORS),
    indoors: z.boolean(),
  }),
  /** What is laid out beside what the game needs. */
  layout: laid.nullable().default(null),
  /** The unit in which the card counts distances. */
  counted: z.enum(COUNTED, { error: `counted must be one of ${COUNTED.join(", ")}` }).default("steps"),
  behind: z.enum(BEHIND, { error: `behind must be one of ${BEHIND.join(", ")}` }).default("open"),
  /**
   * The object is sent down a propped board instead of by hand: the height of its upper end, metres, and where the
   * player stands.
   */
  ramp: z
    .strictObject({
      height: z
        .number({ error: "ramp height must be a number" })
        .min(0.05, "ramp height must be 0.05 m or more")
        .max(0.8, "ramp height must be 0.8 m or less"),
      stand: z.enum(["behind", "beside"], { error: "stand must be behind or beside" }),
    })
    .optional(),
  /**
   * What a send must touch first, once: the floor or a table (a throw), or the wall behind the targets. Nothing
   * unless given.
   */
  off: z.enum(["floor", "table", "wall"], { error: "off must be floor, table or wall" }).optional(),
  /** How far that wall is behind the farthest target, metres. */
  wall: z
    .number({ error: "wall must be a number of metres" })
    .min(0.2, "wall must be 0.2 m or more")
    .max(5, "wall must be 5 m or less")
    .optional(),
  pattern,
  /** What surrounds a go of the pattern: goes, turns, the bell. */
  match: match.default(USUAL_MATCH),
  /** The fields that the family may set before the first send, and their allowed values. */
  family: z
    .array(
      z.strictObject({
        field: z.string().min(1).max(80),
        values: z
          .array(z.union([z.string().max(40), z.number(), z.boolean()]))
          .min(1)
          .max(20),
      }),
    )
    .max(MAX_FAMILY, `at most ${MAX_FAMILY} settings for the family to choose`)
    .default([]),
  /** The field in which the child sets the targets out before the first send. Null: they stand as drawn. */
  setOut: z
    .strictObject({
      near: length("near", 0.3),
      far: length("far", 0.3),
      width: length("width", 0.3),
      farther: z.boolean({ error: "“farther” must be true or false" }),
    })
    .refine((field) => field.far > field.near, {
      error: "the farthest distance must be more than the nearest",
      path: ["far"],
    })
    .nullable()
    .default(null),
  /** Levels of difficulty, easiest first. Null: everybody plays it as drawn. */
  levels: z
    .strictObject({
      /**
       * The share of sends that should count (`end`: of goes that should be finished), for the hardest level and for
       * the easiest.
       */
      of: z.literal("end").optional(),
      low: share("low"),
      high: share("high"),
      list: z
        .array(
          z.strictObject({
            /** How much farther away everything is, metres. Negative: nearer. */
            line: z.number({ error: "line must be a number of metres" }).min(-10).max(10),
            /** Another object, and another item for every target. Null: as designed. */
            thing: z.string().min(1).max(40).nullable(),
            target: z.string().min(1).max(40).nullable(),
            /** Another action, the other hand, kneeling or sitting. Null: as designed. */
            action: z.enum(ACTIONS).nullable().default(null),
            hand: z.literal("other").nullable().default(null),
            posture: z.enum(LOW_POSTURES).nullable().default(null),
            /** Somebody helps: hands each object over, or catches it and sends it back. Nobody unless given. */
            helper: z.enum(HELPERS).optional(),
            /**
             * Settings of the game: its numbers (seconds, counts, targets), its yes-or-no choices (a bounce) and its
             * texts (words).
             */
            settings: z
              .array(
                z.strictObject({
                  field: z.string().min(1).max(80),
                  value: z.union([z.number(), z.boolean(), z.string().max(400)]),
                }),
              )
              .max(MAX_SETTINGS, `at most ${MAX_SETTINGS} other changes at a level`)
              .default([]),
          }),
        )
        .min(2, "at least 2 levels")
        .max(MAX_LEVELS, `at most ${MAX_LEVELS} levels`),
      /** While playing: the hits in a row that lead one level up, and the misses in a row that lead one down. */
      up: z.number().int().min(1).max(5),
      down: z.number().int().min(1).max(5),
      /**
       * After this many changes of direction a child has found their level and is asked no more. Null: it goes on. 4
       * unless given.
       */
      stop: z.number().int().min(1).max(12).nullable().optional(),
    })
    .refine((l) => l.low < l.high, { error: "the first number must be less than the second", path: ["low"] })
    .nullable()
    .default(null),
  players: z
    .strictObject({
      least: z
        .number({ error: "the fewest players must be a number" })
        .int()
        .min(1, "at least 1 player")
        .max(MAX_PLAYERS),
      most: z
        .number({ error: "the most players must be a number" })
        .int()
        .min(1)
        .max(MAX_PLAYERS, `at most ${MAX_PLAYERS} players`),
      modes: z.array(z.enum(MODES)).min(1, "choose at least one way to play"),
      /** Two may play over a call, each in their own home. */
      call: z.boolean({ error: "call must be true or false" }).default(false),
      /** What may be changed for somebody to make a match fair, in this order. */
      fair: z
        .array(z.enum(FAIR_KNOBS))
        .refine((list) => new Set(list).size === list.length, { error: "each kind of change can be listed only once" })
        .default([...FAIR_KNOBS]),
    })
    .refine((p) => p.most >= p.least, { error: "the most players must not be below the fewest", path: ["most"] }),
  /** Two questions for after the game. */
  reflection: z.array(text("reflection", 160)).max(2, "at most 2 reflection questions"),
  /** The teacher's own words of caution, beside those that are gathered automatically. */
  caution: text("caution", 200),
  minutes: z
    .number({ error: "minutes must be a number" })
    .int()
    .min(1, "minutes must be 1 or more")
    .max(60, "minutes must be 60 or less"),
});

export type Activity = z.infer<typeof activityShape>;
