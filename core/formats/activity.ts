import { z } from "zod";
import { ACTIONS, type Action, actionFacts, isSend } from "../actions/actions.ts";
import { type AimKind, fromLine } from "../asks/ask.ts";
import { aroundOf } from "../contract/around.ts";
import { type GamePart, MODES, MOST_NEARER, MOST_PLAYERS, type Role, SET_OUT_FIELD } from "../contract/contract.ts";
import { match, USUAL_MATCH } from "../contract/match.ts";
import { FAIR_KNOBS } from "../contract/people.ts";
import { fieldOf } from "../contract/range.ts";
import { whole } from "../contract/schema.ts";
import { hasField, withSetting } from "../contract/settings.ts";
import { LINE_FIELD, standingKnobs } from "../contract/standing.ts";
import { inTwoHomes } from "../contract/two-homes.ts";
import { exerciseOf } from "../exercises/library.ts";
import { MOST_IN_ACTIVITY, ownExercise } from "../exercises/own.ts";
import { thing } from "../kit/items.ts";
import { OTHERS, others, type ThingRole } from "../kit/others.ts";
import { roleWords } from "../kit/role.ts";
import { COUNTED } from "../measures/count.ts";
import { type PatternName, patternNames, patternOf, patterns } from "../patterns/registry.ts";
import { MOST_ROUNDS } from "../plan/plan.ts";
import { FLOORS } from "../things/floors.ts";
import { item } from "../things/item.ts";
import { laid, laidParts } from "../yard/layouts/laid.ts";
import { boundsOf, partsOf, reachOfLayout } from "../yard/parts.ts";
import { answers, PICTURES } from "./answers.ts";
import { documentNow } from "./before.ts";
import { opened } from "./opened.ts";
import { type Problem, problemsOf, repeated } from "./problems.ts";

export const ACTIVITY_FORMAT = "daring-yard/activity";
export const ACTIVITY_VERSION = 2;
/** What is behind the targets: nothing, a wall that throws things back, or something soft that stops them. */
export const BEHIND = ["open", "wall", "soft"] as const;
/** Somebody may stand so far behind the start line, metres. */
const BEHIND_START = 0.6;

const text = (name: string, most: number) =>
  z
    .string({ error: `${name} must be text` })
    .trim()
    .max(most, `${name} must be ${most} letters or fewer`);
const entry = z.strictObject({
  id: z.string().min(1).max(40),
  text: text("text", 160).min(1, "text must not be empty"),
});
/** Levels of one activity. */
export const MOST_LEVELS = 7;
/** What of the game a level sets otherwise, at most. */
const MOST_SETTINGS = 8;
/** Things that a family may be left to set, at most. */
export const MOST_FAMILY = 12;
/** Minutes of moving in a week, at most. */
export const MOST_GOAL = 600;
/** Lower than standing, as a level may ask for it. */
export const LOW_POSTURES = ["kneeling", "sitting"] as const;
/** How somebody who has no turn may help on a level. */
export const HELPERS = ["feeds", "catches"] as const satisfies readonly Role["role"][];
const share = (name: string) =>
  z
    .number({ error: `${name} must be between 5% and 95%` })
    .min(0.05, `${name} must be at least 5%`)
    .max(0.95, `${name} must be at most 95%`);
const length = (name: string, least = 0.5) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(least, `${name} must be ${least} m or more`)
    .max(60, `${name} must be 60 m or less`);
/** What two sides fight for: told as a whole, and not send by send. */
const FOUGHT = new Set<AimKind>(["point", "goal", "bat"]);
/** And what is done, and not sent at something. */
const UNSENT = new Set<AimKind>([...FOUGHT, "skill"]);
/** Whether somebody sends one by one, so that something may come between. */
export const sendsOneByOne = (a: Pick<Activity, "pattern">): boolean =>
  opened(a as Activity).probes.some((x) => x.ask.kind === "send" && !FOUGHT.has(x.ask.aim.kind));
/** Lists of short exercises by their field, and what messages call them. */
const EXERCISE_LISTS = { warmUp: "warm-up", coolDown: "cool-down" } as const;
const exercisesOf = (name: string) =>
  z.array(z.string().min(1).max(40)).max(6, `at most 6 exercises in a ${name}`).default([]);
type ChosenPattern = { [K in PatternName]: { name: K; params: z.infer<(typeof patterns)[K]["params"]> } }[PatternName];
const choices = patternNames.map((name) => z.strictObject({ name: z.literal(name), params: patterns[name].params }));
const pattern = z.discriminatedUnion("name", choices as unknown as [(typeof choices)[number]], {
  error: (issue) =>
    issue.code === "invalid_union" ? `pattern name must be one of ${patternNames.join(", ")}` : undefined,
}) as unknown as z.ZodType<ChosenPattern>;

const shape = z.strictObject({
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
    /** What may be done instead in a home where that makes no sense, in this order; nothing unless given. */
    also: z.array(z.enum(ACTIONS)).max(3, "at most 3 other actions").optional(),
    outcome: text("outcome", 200),
    standards: z.array(text("standard", 60).min(1)).max(8),
  }),
  cues: z.array(entry).max(6, "at most 6 cues"),
  criteria: z.array(entry).max(6, "at most 6 success criteria"),
  /** Short exercises before and after the game, by their ids in the library. */
  warmUp: exercisesOf(EXERCISE_LISTS.warmUp),
  coolDown: exercisesOf(EXERCISE_LISTS.coolDown),
  /** So many goes one after the other, as a time plan asks for. */
  rounds: z
    .number({ error: "rounds must be a number" })
    .int("rounds must be a whole number")
    .min(1, "rounds must be 1 or more")
    .max(MOST_ROUNDS, `rounds must be ${MOST_ROUNDS} or fewer`)
    .default(1),
  /** On so many days of a week, and the minutes of moving that a child should come to in one; null: nothing is said of it. */
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
        .max(MOST_GOAL, `goal must be ${MOST_GOAL} minutes or fewer`),
    })
    .nullable()
    .default(null),
  /** A short exercise that is done after every so many sends of a player; null: none. By its name, as forfeits are. */
  between: z
    .strictObject({
      exercise: text("exercise", 40).min(1, "exercise must not be empty"),
      dose: whole("dose", 1, 120),
      every: whole("every", 1, 20),
      /** Seconds of one. */
      each: z.number({ error: "each must be a number of seconds" }).min(0.2).max(30),
    })
    .nullable()
    .default(null),
  /** Exercises of the school's own that this activity speaks of: a file can be read anywhere. */
  exercises: z.array(ownExercise).max(MOST_IN_ACTIVITY, `at most ${MOST_IN_ACTIVITY} exercises of its own`).default([]),
  /** What somebody at home can watch for. */
  watch: z
    .array(text("watch for", 100).min(1, "watch for must not be empty"))
    .max(2, "at most 2 things to watch for")
    .default([]),
  /** The quick question. */
  question: text("question", 200),
  answers: answers.nullable().default(null),
  kit: z.strictObject({
    /** What is sent; see the kit list. */
    send: z.string().min(1).max(40),
    marker: z.string().min(1).max(40),
    blocker: z.string().min(1).max(40),
    /** What is struck with, where the game is played with something in the hand; null: the bare hand. */
    implement: z.string().min(1).max(40).nullable().default(null),
    /** What else is sent, each in its turn where the game says so: roles `other1`, `other2`, `other3`. */
    others: z.array(z.string().min(1).max(40)).max(OTHERS.length, `at most ${OTHERS.length} more objects`).default([]),
    /** Limits and wishes of single roles, beside what the game itself needs. */
    roles: z.array(roleWords).max(20, "at most 20 roles").default([]),
    /** Things of the school's own that this activity speaks of: a file can be read anywhere. */
    own: z.array(item).max(40, "at most 40 items of its own").default([]),
  }),
  space: z.strictObject({
    length: length("space length"),
    width: length("space width"),
    floor: z.enum(FLOORS),
    indoors: z.boolean(),
  }),
  /** What more is laid out, beside what the game needs. */
  layout: laid.nullable().default(null),
  /** What the card counts distances in. */
  counted: z.enum(COUNTED, { error: `counted must be one of ${COUNTED.join(", ")}` }).default("steps"),
  behind: z.enum(BEHIND, { error: `behind must be one of ${BEHIND.join(", ")}` }).default("open"),
  /** Sent down a propped board instead of by hand: how high it begins, metres, and where whoever sends stands. */
  ramp: z
    .strictObject({
      height: z
        .number({ error: "ramp height must be a number" })
        .min(0.05, "ramp height must be 0.05 m or more")
        .max(0.8, "ramp height must be 0.8 m or less"),
      stand: z.enum(["behind", "beside"], { error: "stand must be behind or beside" }),
    })
    .optional(),
  /** What a send must touch first, once: the floor or a table (a throw), or the wall behind the targets; straight unless given. */
  off: z.enum(["floor", "table", "wall"], { error: "off must be floor, table or wall" }).optional(),
  /** How far that wall is behind what is farthest, metres. */
  wall: z
    .number({ error: "wall must be a number of metres" })
    .min(0.2, "wall must be 0.2 m or more")
    .max(5, "wall must be 5 m or less")
    .optional(),
  pattern,
  /** What surrounds a go of the pattern: goes, turns, the bell. */
  match: match.default(USUAL_MATCH),
  /** What the family may set before the first send, and to what. */
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
    .max(MOST_FAMILY, `at most ${MOST_FAMILY} settings for the family to choose`)
    .default([]),
  /** Where the child itself sets the targets out, before the first send; null: they stand as they are drawn. */
  setOut: z
    .strictObject({
      near: length("near", 0.3),
      far: length("far", 0.3),
      width: length("width", 0.3),
      farther: z.boolean({ error: "“farther” must be true or false" }),
    })
    .refine((f) => f.far > f.near, { error: "the farthest distance must be more than the nearest", path: ["far"] })
    .nullable()
    .default(null),
  /** Levels of difficulty, the easiest first; null: everybody plays it as it is drawn. */
  levels: z
    .strictObject({
      /** Shares of sends that should count (`end`: of goes that should reach the end): of the hardest level, and of the easiest. */
      of: z.literal("end").optional(),
      low: share("low"),
      high: share("high"),
      list: z
        .array(
          z.strictObject({
            /** Everything so much farther away, metres; below nought: nearer. */
            line: z.number({ error: "line must be a number of metres" }).min(-10).max(10),
            /** Another thing that is sent, and another that stands as every target; null: as drawn. */
            thing: z.string().min(1).max(40).nullable(),
            target: z.string().min(1).max(40).nullable(),
            /** Sent in another way; with the other hand; kneeling or sitting; null: as drawn. */
            action: z.enum(ACTIONS).nullable().default(null),
            hand: z.literal("other").nullable().default(null),
            posture: z.enum(LOW_POSTURES).nullable().default(null),
            /** Somebody helps: hands each one over, or catches it and sends it back; nobody unless given. */
            helper: z.enum(HELPERS).optional(),
            /** Numbers of the game, what is a yes or a no in it, and its texts: seconds, counts, a bounce, how many targets, words. */
            settings: z
              .array(
                z.strictObject({
                  field: z.string().min(1).max(80),
                  value: z.union([z.number(), z.boolean(), z.string().max(400)]),
                }),
              )
              .max(MOST_SETTINGS, `at most ${MOST_SETTINGS} other changes at a level`)
              .default([]),
          }),
        )
        .min(2, "at least 2 levels")
        .max(MOST_LEVELS, `at most ${MOST_LEVELS} levels`),
      /** While playing: hits in a row that lead a level up, and misses in a row that lead one down. */
      up: z.number().int().min(1).max(5),
      down: z.number().int().min(1).max(5),
      /** A child whose lines have turned round so often has found its level, and is asked no more; null: it goes on; 4 unless given. */
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
        .max(MOST_PLAYERS),
      most: z
        .number({ error: "the most players must be a number" })
        .int()
        .min(1)
        .max(MOST_PLAYERS, `at most ${MOST_PLAYERS} players`),
      modes: z.array(z.enum(MODES)).min(1, "choose at least one way to play"),
      /** Two may play over a call, each in its own home. */
      call: z.boolean({ error: "call must be true or false" }).default(false),
      /** What may be changed for somebody so that a match is fair, the first one first. */
      fair: z
        .array(z.enum(FAIR_KNOBS))
        .refine((list) => new Set(list).size === list.length, { error: "each kind of change can be listed only once" })
        .default([...FAIR_KNOBS]),
    })
    .refine((p) => p.most >= p.least, { error: "the most players must not be below the fewest", path: ["most"] }),
  /** Two questions for after the game. */
  reflection: z.array(text("reflection", 160)).max(2, "at most 2 reflection questions"),
  /** The teacher's own words of caution, beside those that the tool gathers. */
  caution: text("caution", 200),
  minutes: z
    .number({ error: "minutes must be a number" })
    .int()
    .min(1, "minutes must be 1 or more")
    .max(60, "minutes must be 60 or less"),
});

/** The activity document: all that a teacher decides. Distances in metres. Its JSON Schema is `schemas/activity-2.schema.json`. */
export const activity = shape.superRefine((a, ctx) => {
  const sent = thing(a.kit, a.kit.send);
  if (!sent?.uses.includes("send")) {
    ctx.addIssue({
      code: "custom",
      path: ["kit", "send"],
      message: "choose an object from the list that can be thrown, rolled or kicked",
    });
    return;
  }
  a.kit.others.forEach((id, i) => {
    if (!thing(a.kit, id)?.uses.includes("send"))
      ctx.addIssue({
        code: "custom",
        path: ["kit", "others", i],
        message: `object ${i + 2} must be an item from the list that can be thrown, rolled or kicked`,
      });
  });
  const missing = turnsIn(a).find((role) => role !== "send" && OTHERS.indexOf(role) >= a.kit.others.length);
  if (missing)
    ctx.addIssue({
      code: "custom",
      path: ["pattern", "params", "things"],
      message: `there is no object ${OTHERS.indexOf(missing as (typeof OTHERS)[number]) + 2} yet. Add it in Kit.`,
    });
  for (const field of Object.keys(EXERCISE_LISTS) as (keyof typeof EXERCISE_LISTS)[])
    a[field].forEach((id, i) => {
      if (!exerciseOf(id, a.exercises))
        ctx.addIssue({
          code: "custom",
          path: [field, i],
          message: `${EXERCISE_LISTS[field]} must come from the library of exercises, or from your own`,
        });
    });
  if (a.answers && a.question === "")
    ctx.addIssue({ code: "custom", path: ["question"], message: "the question needs a text, because it has answers" });
  a.answers?.list.forEach(({ picture }, i) => {
    if (!thing(a.kit, picture) && !(PICTURES as readonly string[]).includes(picture))
      ctx.addIssue({
        code: "custom",
        path: ["answers", "list", i, "picture"],
        message: `there is no picture "${picture}". Use an item from the list, or one of ${PICTURES.join(", ")}.`,
      });
  });
  const o = opened(a);
  const { pattern: p, parts, pegs } = o;
  if (!p.actions(a.aim.action))
    ctx.addIssue({
      code: "custom",
      path: ["aim", "action"],
      message: `${p.name} cannot be played with ${a.aim.action}`,
    });
  const unsaid = (x: (typeof o.probes)[number]) =>
    x.ask.kind === "send" && !UNSENT.has(x.ask.aim.kind) && x.ask.manner.action === undefined;
  if (!isSend(a.aim.action) && o.probes.some(unsaid))
    ctx.addIssue({
      code: "custom",
      path: ["pattern", "params", "ways"],
      message: `no list of actions is possible here, because ${a.aim.action} has no single attempts`,
    });
  if (a.ramp && a.aim.action !== "underarmRoll")
    ctx.addIssue({ code: "custom", path: ["ramp"], message: "only a rolled object goes down a ramp" });
  if (a.off && a.off !== "wall" && actionsIn(a).some((x) => actionFacts[x].travel !== "air"))
    ctx.addIssue({
      code: "custom",
      path: ["off"],
      message: "only a thrown object can touch the floor or a table first",
    });
  if (a.off === "wall" && !o.probes.some((x) => fromLine(x.ask) && x.ask.aim.kind !== "rebound"))
    ctx.addIssue({
      code: "custom",
      path: ["off"],
      message: `in ${p.name}, no target is hit by way of a wall`,
    });
  if (a.between && !sendsOneByOne(a))
    ctx.addIssue({
      code: "custom",
      path: ["between"],
      message: `in ${p.name}, there are no single attempts to put an exercise between`,
    });
  if (a.setOut) {
    const tell = (field: string, message: string) => ctx.addIssue({ code: "custom", path: ["setOut", field], message });
    if (!canSetOut(a)) tell("near", `${p.name} has no targets for the child to set out`);
    if (a.setOut.far > a.space.length)
      tell("far", `the farthest distance must be ${a.space.length} m or less, the length of the space`);
    if (a.setOut.width > a.space.width)
      tell("width", `the width must be ${a.space.width} m or less, the width of the space`);
  }
  for (const [i, l] of (a.levels?.list ?? []).entries()) {
    const says = (field: "thing" | "target", use: "send" | "target") => {
      const id = l[field];
      if (id !== null && !thing(a.kit, id)?.uses.includes(use))
        ctx.addIssue({
          code: "custom",
          path: ["levels", "list", i, field],
          message: `level ${i + 1}: ${field} must be an item from the list that can be ${use === "send" ? "thrown, rolled or kicked" : "a target"}`,
        });
    };
    says("thing", "send");
    says("target", "target");
  }
  const modes = a.players.modes.filter((m) => !p.modes.includes(m));
  if (modes.length > 0)
    ctx.addIssue({
      code: "custom",
      path: ["players", "modes"],
      message: `${p.name} can be played ${p.modes.join(", ")}, not ${modes.join(", ")}`,
    });
  const game = { params: a.pattern.params, match: a.match };
  if (a.players.call && !inTwoHomes(p, game, true))
    ctx.addIssue({
      code: "custom",
      path: ["players", "call"],
      message: `in ${p.name} both sides share the same items, so it cannot be played on a call`,
    });
  const standing = standingKnobs(p, a.pattern.params);
  const knobOf = (field: string) => standing.find((k) => fieldOf(k) === field);
  const lacks = (field: string) => !knobOf(field) && (field.startsWith("standing.") || !hasField(game, field));
  /** Whether the game may be set so. */
  const allowed = (field: string, value: string | number | boolean): boolean => {
    const knob = knobOf(field);
    const most = knob?.kind === "number" && field !== LINE_FIELD ? knob.most : MOST_NEARER;
    if (knob?.kind === "number" && !(typeof value === "number" && value >= knob.least && value <= most)) return false;
    const set = withSetting(game, { field, value });
    return p.params.safeParse(set.params).success && match.safeParse(set.match).success;
  };
  a.family.forEach(({ field, values }, i) => {
    const bad = lacks(field)
      ? `this game has no ${field} for the family to choose`
      : values.every((value) => allowed(field, value))
        ? null
        : `not every value of ${field} is allowed in this game`;
    if (bad) ctx.addIssue({ code: "custom", path: ["family", i], message: bad });
  });
  for (const [i, l] of (a.levels?.list ?? []).entries()) {
    const tell = (field: string, message: string) =>
      ctx.addIssue({ code: "custom", path: ["levels", "list", i, field], message: `level ${i + 1}: ${message}` });
    if (l.action !== null && !(isSend(l.action) === isSend(a.aim.action) && p.actions(l.action)))
      tell("action", `${p.name} cannot be played this way`);
    const there = l.settings.filter(({ field }) => field !== LINE_FIELD && !lacks(field));
    for (const s of l.settings) if (!there.includes(s)) tell("settings", `this game has no ${s.field}`);
    // What is not allowed by itself may be together with the others: a least number beside its most.
    const set = there.reduce(withSetting<typeof game>, game);
    const bad = there.filter((s) => !allowed(s.field, s.value));
    if (p.params.safeParse(set.params).success && match.safeParse(set.match).success) {
      for (const s of bad)
        if (knobOf(s.field)) tell("settings", `${s.field} cannot be ${JSON.stringify(s.value)} in this game`);
    } else
      for (const s of bad.length > 0 ? bad : there)
        tell("settings", `${s.field} cannot be ${JSON.stringify(s.value)} in this game`);
  }
  for (const { path, message } of p.problems(a.pattern.params, a.match))
    ctx.addIssue({ code: "custom", path: path[0] === "params" ? ["pattern", ...path] : [...path], message });
  // The field for setting out says by itself what is wrong with it.
  const far = reachOfLayout(parts.filter((part) => part.id !== SET_OUT_FIELD));
  const beyond = (along: number) => along > a.space.length + 1e-9;
  pegs.forEach((peg, i) => {
    if (!beyond(peg.distance)) return;
    ctx.addIssue({
      code: "custom",
      path: ["pattern", "params", "peg", peg.id],
      message: `${peg.kind} ${i + 1} at ${peg.distance} m is outside the space, which is ${a.space.length} m long`,
    });
  });
  if (beyond(far) && !pegs.some((peg) => beyond(peg.distance)))
    ctx.addIssue({
      code: "custom",
      path: ["space", "length"],
      message: `the layout needs ${far.toFixed(2)} m, but the space is ${a.space.length} m long`,
    });
  if (a.layout) {
    const { along, across } = boundsOf(laidParts(a.layout));
    const aside = Math.max(-across[0], across[1]);
    const tell = (message: string) => ctx.addIssue({ code: "custom", path: ["layout"], message });
    if (beyond(along[1]))
      tell(`layout ${a.layout.name} reaches ${along[1].toFixed(2)} m, but the space is ${a.space.length} m long`);
    if (along[0] < -BEHIND_START)
      tell(
        `layout ${a.layout.name} starts ${(-along[0]).toFixed(2)} m behind the start line; ${BEHIND_START} m is the most`,
      );
    if (aside > a.space.width / 2 + 1e-9)
      tell(
        `layout ${a.layout.name} reaches ${aside.toFixed(2)} m to the side, but the space is ${a.space.width} m wide`,
      );
  }
  for (const t of partsOf(parts, "target"))
    if (Math.abs(t.across) + t.width / 2 > a.space.width / 2 + 1e-9)
      ctx.addIssue({
        code: "custom",
        path: ["pattern", "params", "peg", t.id],
        message: `${t.label} is ${Math.abs(t.across)} m to the side, outside the space, which is ${a.space.width} m wide`,
      });
});
export type Activity = z.infer<typeof activity>;

export { type Problem, problemsOf };
export type Parsed<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

/** Reads an activity from parsed JSON; a document of another format or version is named as such, before anything else. */
export function parseActivity(json: unknown): Parsed<Activity> {
  if (typeof json !== "object" || json === null || Array.isArray(json))
    return { ok: false, problems: [{ field: "document", message: "an activity is a JSON object" }] };
  const doc = documentNow(json);
  const { format, version } = doc as { format?: unknown; version?: unknown };
  if (format !== ACTIVITY_FORMAT)
    return {
      ok: false,
      problems: [{ field: "format", message: `format must be "${ACTIVITY_FORMAT}", not ${repeated(format)}` }],
    };
  if (version !== ACTIVITY_VERSION)
    return {
      ok: false,
      problems: [
        {
          field: "version",
          message: `this document has version ${repeated(version)}; this program reads versions 1 and ${ACTIVITY_VERSION}`,
        },
      ],
    };
  const done = activity.safeParse(doc);
  return done.success ? { ok: true, value: done.data } : { ok: false, problems: problemsOf(done.error) };
}

/** JSON Schema of the document; the checks across fields stay with the code. */
export function activitySchema(): unknown {
  return z.toJSONSchema(shape, { target: "draft-2020-12", io: "input" });
}

/** A new activity from a pattern's own example. */
export function fromPattern(name: PatternName): Activity {
  const { example, modes } = patternOf(name);
  return activity.parse({
    format: ACTIVITY_FORMAT,
    version: ACTIVITY_VERSION,
    title: example.title,
    ages: { from: 6, to: 8 },
    aim: { action: example.action, outcome: "", standards: [] },
    cues: [],
    criteria: [],
    watch: [],
    warmUp: [],
    between: null,
    exercises: [],
    coolDown: [],
    rounds: 1,
    week: null,
    question: "",
    answers: null,
    kit: {
      send: example.send,
      marker: "string",
      blocker: "shoe",
      implement: example.implement ?? null,
      others: [],
      roles: [],
      own: [],
    },
    space: example.space,
    behind: example.behind ?? "open",
    pattern: { name, params: example.params },
    match: example.match,
    players: { least: 1, most: 4, modes: [...modes] },
    layout: null,
    setOut: null,
    reflection: [],
    caution: "",
    minutes: 10,
  });
}

/** Ids of all things that an activity speaks of. */
export function itemsIn(a: Activity): Set<string> {
  const targets = partsOf(opened(a).parts, "target").map((t) => t.item);
  const { send, marker, blocker, implement } = a.kit;
  const onLevels = (a.levels?.list ?? []).flatMap((l) => [l.thing, l.target]).filter((x) => x !== null);
  return new Set([
    send,
    ...onLevels,
    marker,
    blocker,
    ...(implement ? [implement] : []),
    ...others(a),
    ...targets,
    ...(a.layout ? [a.layout.item] : []),
  ]);
}

/** The things that take turns in it, or are called, by role. */
function turnsIn({ pattern: { params } }: Pick<Activity, "pattern">): readonly ThingRole[] {
  if ("stages" in params) return params.stages.map((s) => s.thing ?? "send");
  if (!("things" in params) || !Array.isArray(params.things)) return [];
  return "choice" in params && params.choice !== "thing" ? [] : params.things;
}
/** Everything that is done in it: the action, and the ways that take turns with it or are called. */
export const actionsIn = (a: Activity): readonly Action[] => [
  a.aim.action,
  ...("ways" in a.pattern.params && !("choice" in a.pattern.params && a.pattern.params.choice !== "action")
    ? (a.pattern.params.ways ?? [])
    : []),
];

/** Whether the targets of an activity can be set out by the child: each a thing of its own, before one line. */
export const canSetOut = (a: Activity): boolean => {
  const { pegs, pattern: p } = opened(a);
  return p.ground.moves === "each" && pegs.length > 0 && pegs.every((peg) => peg.kind === "target" && !peg.many);
};
/** What the rules of an activity run on. */
export const gamePartOf = (a: Activity): GamePart => ({
  ...a.pattern,
  ...aroundOf(a),
});
