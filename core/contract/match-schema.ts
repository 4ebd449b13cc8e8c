import { z } from "zod";
import { whole } from "./schema.ts";
import { SWAPS } from "./swaps.ts";

/** The settings around a single go. They stand beside the pattern in the document. */
export const match = z.strictObject({
  /** How many goes each side has, and whether the best or all of them count. */
  goes: z
    .strictObject({ count: whole("count", 1, 5), keep: z.enum(["best", "total"]) })
    .default({ count: 1, keep: "best" }),
  /** With a clock, each side has a whole go unless they share one. */
  swap: z.enum(SWAPS).default("send"),
  /** Head to head: play until all are done, or until one side has finished and all have had equally many attempts (one go, swap `send`). */
  end: z.enum(["all", "first"]).default("all"),
  /** Seconds after which the bell ends a go; null for no bell. */
  seconds: whole("seconds", 10, 1800).nullable().default(null),
  /** What a foot over the line means: the attempt is used up (the default), it is taken again, or it is ignored. */
  foot: z.enum(["spent", "again", "ignored"], { error: "foot must be spent, again or ignored" }).default("spent"),
  /** What happens when players disagree: the attempt is taken again, the other player decides, or they talk until they agree. */
  calls: z
    .enum(["replayed", "looks", "agreed"], { error: "calls must be replayed, looks or agreed" })
    .default("replayed"),
  /** If true, play may go on another day or with another object. */
  carry: z.boolean().default(false),
});
