import { z } from "zod";

/** No play lasts longer than this, milliseconds (a match carried over may run for weeks). */
export const LONGEST_PLAY = 60 * 24 * 3600 * 1000;
export const MOST_EVENTS = 2000;

const at = z.number().int().min(0).max(LONGEST_PLAY);
const ref = z.string().min(1).max(40);
/** Where a piece stopped on the plan, millimetres from the start line and to the right of its middle. */
const spot = z.strictObject({
  along: z.number().int().min(-60000).max(60000),
  across: z.number().int().min(-60000).max(60000),
});

const game = [
  /** A send: the target first touched or hit, or null. */
  z.strictObject({ kind: z.literal("send"), at, hit: ref.nullable() }),
  /** A piece came to rest in a zone, `short`, or `over`. */
  z.strictObject({ kind: z.literal("rest"), at, zone: ref, spot: spot.optional() }),
  /** A resting piece was knocked to another zone. */
  z.strictObject({
    kind: z.literal("knock"),
    at,
    piece: z.number().int().min(0).max(200),
    zone: ref,
    spot: spot.optional(),
  }),
  /** A blocker placed in a zone, or null for none this time. */
  z.strictObject({ kind: z.literal("block"), at, zone: ref.nullable() }),
  /** The forfeit exercise was done. */
  z.strictObject({ kind: z.literal("forfeit"), at }),
  /** A knocked-over marker was stood up again. */
  z.strictObject({ kind: z.literal("stand"), at }),
  /** The match goes on another day, perhaps with another thing. */
  z.strictObject({ kind: z.literal("carry"), at, object: ref.optional() }),
  z.strictObject({ kind: z.literal("ready"), at }),
  z.strictObject({ kind: z.literal("bell"), at }),
] as const;
export const gameEvent = z.discriminatedUnion("kind", [...game]);
export type GameEvent = z.infer<typeof gameEvent>;

const correct = z.strictObject({
  kind: z.literal("correct"),
  at,
  /** Position of the event that was wrong. */
  seq: z.number().int().min(0).max(MOST_EVENTS),
  event: gameEvent,
  reason: z.string().min(1).max(200),
});
/** Everything a play can record: what the game saw, and what the people at it decided about the record. */
export const playEvent = z.discriminatedUnion("kind", [
  ...game,
  /** Takes back the last thing that still stands. */
  z.strictObject({ kind: z.literal("undo"), at }),
  correct,
  /** Something else serves in a role from now on (or, in role `home`, it is played in that home): later sums know. */
  z.strictObject({ kind: z.literal("object"), at, role: ref, item: ref }),
  /** The people stopped before the end. */
  z.strictObject({ kind: z.literal("stop"), at }),
]);
export type PlayEvent = z.infer<typeof playEvent>;
