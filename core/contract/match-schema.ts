import { z } from "zod";
import { whole } from "./schema.ts";
import { SWAPS } from "./swaps.ts";

/** What surrounds a go of one side: it stands beside the pattern in the document. */
export const match = z.strictObject({
  /** Goes that each side has, and whether the best or all of them count. */
  goes: z
    .strictObject({ count: whole("count", 1, 5), keep: z.enum(["best", "total"]) })
    .default({ count: 1, keep: "best" }),
  /** With a clock each has a whole go, unless they share one. */
  swap: z.enum(SWAPS).default("send"),
  /** Against: until all are done, or until somebody has finished and all have had as many sends (one go, swap `send`). */
  end: z.enum(["all", "first"]).default("all"),
  /** The bell ends a go after so many seconds; null: no bell. */
  seconds: whole("seconds", 10, 1800).nullable().default(null),
  /** A foot over the line: the send is spent (also where it is not said), is sent again and not counted, or nobody minds. */
  foot: z.enum(["spent", "again", "ignored"], { error: "foot must be spent, again or ignored" }).default("spent"),
  /** Where nobody agrees on what was seen: it is sent again, the one who did not send looks and says, or they talk until they agree. */
  calls: z
    .enum(["replayed", "looks", "agreed"], { error: "calls must be replayed, looks or agreed" })
    .default("replayed"),
  /** It may go on another day, or with another thing. */
  carry: z.boolean().default(false),
});
