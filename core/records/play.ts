import { z } from "zod";
import {
  type Better,
  MAX_HEAD,
  MAX_NEARER,
  MAX_PLAYERS,
  MIN_COURT,
  MODES,
  ROLES,
  type Unit,
} from "../contract/contract.ts";
import { recordedEvent } from "../events/event-schema.ts";
import { MAX_EVENTS } from "../events/limits.ts";
import { POSTURES } from "../physics/release.ts";

const player = z
  .number()
  .int()
  .min(0)
  .max(MAX_PLAYERS - 1);
const eachOnce = (all: readonly number[], players: number) =>
  new Set(all).size === all.length && all.every((i) => i < players);

export const playSetup = z
  .strictObject({
    players: z.number().int().min(1).max(MAX_PLAYERS),
    mode: z.enum(MODES),
    seed: z.number().int().min(0).max(0xffffffff),
    /** Which players play together, by number, and what each does beside sending. */
    sides: z.array(z.array(player).min(1)).min(2).max(MAX_PLAYERS).optional(),
    people: z
      .array(
        z.strictObject({
          role: z.enum(ROLES),
          otherHand: z.boolean().optional(),
          head: z.number().int().min(0).max(MAX_HEAD).optional(),
          posture: z.enum(POSTURES).optional(),
          wider: z.number().min(1).max(3).optional(),
          court: z.number().min(MIN_COURT).max(1).optional(),
          nearer: z.number().min(-MAX_NEARER).max(MAX_NEARER).optional(),
        }),
      )
      .max(MAX_PLAYERS)
      .optional(),
  })
  .refine((s) => s.sides === undefined || eachOnce(s.sides.flat(), s.players), {
    error: "each player can be on one side only",
    path: ["sides"],
  })
  .refine((s) => s.people?.[0]?.role !== "feeds" && (s.sides === undefined || s.sides.flat().includes(0)), {
    error: "the child plays too, so they are not listed",
    path: ["people"],
  })
  .refine((s) => s.people === undefined || s.people.length === s.players, {
    error: "each player has one entry",
    path: ["people"],
  })
  .refine((s) => (s.mode === "alone") === (s.players === 1), {
    error: "mode: alone is for 1 player, the others for 2 or more",
    path: ["mode"],
  });
export type PlaySetup = z.infer<typeof playSetup>;

/** How it felt, 1 to 5, and the child's answers. All of it may be left out. */
export const reflection = z.strictObject({
  before: z.number().int().min(1).max(5).nullable(),
  during: z.number().int().min(1).max(5).nullable(),
  after: z.number().int().min(1).max(5).nullable(),
  answers: z.array(z.string().max(300, "an answer must be 300 letters or fewer")).max(2),
  /** The success criteria that the child says they met, by id. */
  criteria: z.array(z.string().max(40)).max(6),
  grownUp: z.boolean(),
  /** The answer to the question before play, from 0. Only with the first go after it. */
  chose: z.number().int().min(0).max(9).optional(),
});
export type Reflection = z.infer<typeof reflection>;

/** How a success criterion is marked. */
export const MARKS = ["notYet", "nearly", "yes"] as const;

/** What is stored of a finished go, for the child's side. */
export interface PlayScore {
  /** The value that compares with other goes. In a match by difference, the child's own points. */
  value: number;
  /** The score of the match, if it differs. */
  match: number | null;
  unit: Unit;
  /** Whether more or less is better. Scores from earlier versions do not say, see rank.ts. */
  better?: Better;
  /** More is better; see rank.ts. */
  rank: number;
  working: string;
  /** What the family set before the first send, by field. Only goes with the same settings are compared. */
  set?: Readonly<Record<string, string | number | boolean>>;
  /**
   * The child's own sends at each target, and the hits. Goes from earlier versions do not say. See
   * core/referee/aimed.ts.
   */
  aimed?: Readonly<Record<string, readonly [sends: number, hits: number]>>;
  sends: number;
  stage: number;
  stages: number;
  finished: boolean;
  stopped: boolean;
  /** The child's side won. Null if nobody wins. */
  won: boolean | null;
  /** From the first event to the last, seconds. */
  seconds: number;
  /** Faster than the object could be fetched, see core/referee/hurried.ts. */
  hurried?: true;
  /** Throws in a more even rhythm than throwing and fetching allow, see core/referee/even.ts. */
  even?: true;
}

const ref = z.string().min(1).max(40);
/** What a family decided before play; see core/compile/swap.ts. */
export const decidedBefore = z.strictObject({
  home: ref.nullable(),
  fixed: z.record(ref, ref).refine((r) => Object.keys(r).length <= 40, "decided: 40 roles or fewer"),
  also: z.array(ref).max(60),
  bare: z.literal(true).optional(),
});

/** What was really played: the game as this home had it, for later calculations. */
export interface PlayedGame {
  pattern: { name: string; params: unknown; match?: unknown; family?: unknown; setOut?: unknown; between?: unknown };
  action: string;
  /** The object that was sent, and the floor it was sent over. */
  send: string;
  floor: string;
  /** The distance of each target, metres, by id. */
  distances: Record<string, number>;
}

const hash = z.string().regex(/^[0-9a-f]{64}$/, "hash must be 64 hexadecimal digits");
/** One go on its way from a device: whatever of it has no receipt yet. */
export const handIn = z.strictObject({
  play: z.uuid(),
  card: z.uuid(),
  device: z.string().min(8).max(64),
  setup: playSetup,
  rulesVersion: z.number().int().min(1).max(1000),
  /** The version of the card that was played. Pages from earlier versions do not say. */
  cardHash: hash.nullable().default(null),
  decided: decidedBefore.nullable().default(null),
  /** Device time of the start, milliseconds since 1970. */
  startedAt: z.number().int().min(0).max(4102444800000),
  /** The events, with their places in the record. */
  events: z
    .array(z.strictObject({ seq: z.number().int().min(0).max(MAX_EVENTS), event: recordedEvent }))
    .max(MAX_EVENTS),
  /** Given once the go is handed in: how many events it has, and the reflection. */
  result: z
    .strictObject({
      events: z
        .number()
        .int()
        .min(0)
        .max(MAX_EVENTS + 1),
      reflection,
    })
    .nullable(),
});
export type HandIn = z.infer<typeof handIn>;
/** As it is sent, with optional parts left out. */
export type HandInSent = z.input<typeof handIn>;

export const receipt = z.strictObject({
  play: z.uuid(),
  /** The places of events that are stored, now or before. */
  kept: z.array(z.number().int()),
  /** The places at which other content was stored before. */
  conflicts: z.array(z.number().int()),
  /** The receipt of the result. Equal for equal content. */
  result: hash.nullable(),
});
export type Receipt = z.infer<typeof receipt>;
