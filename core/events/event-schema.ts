import { z } from "zod";
import { LONGEST_PLAY, MAX_EVENTS } from "./limits.ts";

export const at = z.number().int().min(0).max(LONGEST_PLAY);
const ref = z.string().min(1).max(40);
/** Where a piece stopped on the plan, millimetres from the start line and to the right of its middle. */
const spot = z.strictObject({
  along: z.number().int().min(-60000).max(60000),
  across: z.number().int().min(-60000).max(60000),
});
/** The player's number when several play at the same time. By default, the player whose turn it is. */
const by = z.number().int().min(0).max(20).optional();
const some = z.number().int().min(0).max(5000);

const game = [
  /**
   * A send, as a person sees it: the target first touched or hit (`hit`), what fell (`fell`: which, or how many),
   * where it came to rest (`rest`: a zone, a square, `short`, `over` or `out`), how far from the jack (`away`,
   * millimetres; or `spot`, from the jack). `foot`: the player stepped over the line, so it counts as a miss.
   */
  z.strictObject({
    kind: z.literal("send"),
    at,
    by,
    hit: ref.nullable().optional(),
    fell: z.union([z.array(ref).max(20), z.number().int().min(0).max(20)]).optional(),
    rest: ref.optional(),
    spot: spot.optional(),
    away: z.number().int().min(0).max(60000).optional(),
    foot: z.literal(true).optional(),
  }),
  /**
   * A point or a goal for a side, by number; null for nobody, with a reason (a let, a fault, out of play, a foul `by`
   * somebody). `n`: the touches of the rally, if they were counted.
   */
  z.strictObject({
    kind: z.literal("point"),
    at,
    by,
    side: z.number().int().min(0).max(5).nullable(),
    why: ref.optional(),
    n: some.optional(),
  }),
  /**
   * What happened after a ball was put into play: a miss, a catch, or the base that every runner and then the batter
   * reached (0: none; home is one more than there are bases), and who was out, by the same numbers.
   */
  z.strictObject({
    kind: z.literal("run"),
    at,
    by,
    missed: z.literal(true).optional(),
    caught: z.literal(true).optional(),
    reached: z.array(z.number().int().min(0).max(5)).max(7).optional(),
    out: z.array(z.number().int().min(0).max(6)).max(7).optional(),
  }),
  /** How a grid was shuffled: kinds from 0, row by row from the near one, with the fewest trips if they are known. */
  z.strictObject({
    kind: z.literal("mix"),
    at,
    by,
    cells: z.array(z.number().int().min(0).max(4)).min(4).max(25),
    fewest: z
      .strictObject({ lower: z.number().int().min(0).max(200), upper: z.number().int().min(0).max(200) })
      .optional(),
  }),
  /** Two places of the grid were swapped, by number from 0. */
  z.strictObject({
    kind: z.literal("swap"),
    at,
    by,
    a: z.number().int().min(0).max(24),
    b: z.number().int().min(0).max(24),
  }),
  /** Adds to a run, and says whether it ended with a drop. */
  z.strictObject({ kind: z.literal("count"), at, by, n: some, drop: z.literal(true).optional() }),
  /** The total, whatever was tapped before. */
  z.strictObject({ kind: z.literal("total"), at, by, n: some }),
  /** The exercise between attempts is done. */
  z.strictObject({ kind: z.literal("task"), at, by }),
  /** A choice by the player whose turn it is; null for none. */
  z.strictObject({ kind: z.literal("choose"), at, by, of: ref, pick: ref.nullable() }),
  /** Where the child put the targets, in millimetres. */
  z.strictObject({
    kind: z.literal("arrange"),
    at,
    by,
    spots: z.array(spot.extend({ id: ref })).max(20),
  }),
  /** A piece at rest was knocked to another place. */
  z.strictObject({
    kind: z.literal("move"),
    at,
    piece: z.number().int().min(0).max(200),
    place: ref,
    spot: spot.optional(),
  }),
  /** The measured distance of a piece from the jack, in millimetres. */
  z.strictObject({
    kind: z.literal("measure"),
    at,
    piece: z.number().int().min(1).max(200),
    away: z.number().int().min(0).max(60000),
  }),
  /** What fell was stood up again. */
  z.strictObject({ kind: z.literal("stand"), at }),
  /** The match goes on another day, perhaps with another object. */
  z.strictObject({ kind: z.literal("carry"), at, object: ref.optional() }),
  /** A field was changed within what the teacher allows, by its id. */
  z.strictObject({
    kind: z.literal("set"),
    at,
    by,
    field: ref,
    value: z.union([z.string().max(40), z.number(), z.boolean()]),
  }),
  /** A player stops, by number. */
  z.strictObject({ kind: z.literal("leave"), at, who: z.number().int().min(0).max(20) }),
  /** Another player joins with the next number, on a side or (null) as a side of their own. */
  z.strictObject({ kind: z.literal("join"), at, side: z.number().int().min(0).max(20).nullable() }),
  z.strictObject({ kind: z.literal("ready"), at }),
  z.strictObject({ kind: z.literal("bell"), at }),
] as const;
export const gameEvent = z.discriminatedUnion("kind", [...game]);

/** Event kinds of plays recorded before one event described a whole attempt. They are read but never written. See before.ts. */
const before = [
  z.strictObject({ kind: z.literal("rest"), at, zone: ref, spot: spot.optional() }),
  z.strictObject({
    kind: z.literal("knock"),
    at,
    piece: z.number().int().min(0).max(200),
    zone: ref,
    spot: spot.optional(),
  }),
  z.strictObject({ kind: z.literal("block"), at, zone: ref.nullable() }),
  z.strictObject({ kind: z.literal("forfeit"), at }),
] as const;

const seq = z.number().int().min(0).max(MAX_EVENTS);
const reason = z.string().min(1).max(200);
const people = [
  /** Undoes the last event that still stands. With `by`, the last one by that player. */
  z.strictObject({ kind: z.literal("undo"), at, by }),
  /** Another item fills a role from now on (or, for the role `home`, play moves to that home), so that later analyses know. */
  z.strictObject({ kind: z.literal("object"), at, role: ref, item: ref }),
  /** The last attempt is taken again and does not count: a foot was over the line, or the players disagreed. */
  z.strictObject({ kind: z.literal("again"), at, by, why: z.enum(["foot", "call"]) }),
  /** The players disagreed, and settled it without another attempt. `by` is who looked and decided. */
  z.strictObject({ kind: z.literal("dispute"), at, by }),
  /** The game and its clock pause until somebody resumes. */
  z.strictObject({ kind: z.literal("pause"), at }),
  z.strictObject({ kind: z.literal("goOn"), at }),
  /** The players stopped before the end. */
  z.strictObject({ kind: z.literal("stop"), at }),
] as const;
/** Everything a play can record: events of the game, and decisions of the players about the record. */
export const playEvent = z.discriminatedUnion("kind", [
  ...game,
  ...people,
  /** Replaces the event at `seq`, which was wrong. */
  z.strictObject({ kind: z.literal("correct"), at, seq, event: gameEvent, reason }),
]);

/** An event as stored on devices, in files and in rows, in the present or an earlier form. */
export const recordedGame = z.discriminatedUnion("kind", [...game, ...before]);
export const recordedEvent = z.discriminatedUnion("kind", [
  ...game,
  ...before,
  ...people,
  z.strictObject({ kind: z.literal("correct"), at, seq, event: recordedGame, reason }),
]);
