import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";

/** What is counted: touches that keep a thing up, or sends off a wall onto a mark on the floor. */
export const TASKS = ["keepUp", "rebound"] as const;
export const MOST_ROUNDS = 6;
/** What is aimed at on the wall, and the mark on the floor. */
export const WALL = "wall";
export const MARK = "mark";
export const round = z.strictObject({
  task: z.enum(TASKS, { error: `task must be one of ${TASKS.join(", ")}` }),
  seconds: whole("seconds", 10, 300),
  /** Before the next one, seconds. */
  rest: whole("rest", 0, 120),
  hand: z.enum(["usual", "other", "alternate"]),
  /** On the move all the while. */
  moving: z.boolean(),
  /** One bounce on the floor is allowed between two touches. */
  bounce: z.boolean(),
});
export type Round = z.infer<typeof round>;

export const tallyParams = z.strictObject({
  rounds: z.array(round).min(1, "at least 1 round").max(MOST_ROUNDS, `at most ${MOST_ROUNDS} rounds`),
  /** All rounds together, or the best one. */
  keep: z.enum(["sum", "best"]),
  /** What is in the air at the bell counts when it lands. */
  inAir: z.boolean(),
  /** For sends off a wall: how it is sent, how far the line is from the wall, how far back from it the mark lies, and how wide that is. */
  wall: z.strictObject({
    action: z.enum(["underarmThrow", "overarmThrow", "pushThrow"], {
      error: "action must be one of underarmThrow, overarmThrow, pushThrow",
    }),
    distance: metres("distance", 0.8, 8),
    landing: metres("landing", 0.2, 4),
    size: metres("size", 0.1, 1.5),
    item: z.string().min(1).max(40),
  }),
});
export type TallyParams = z.infer<typeof tallyParams>;
export const walled = (p: TallyParams): boolean => p.rounds.some((r) => r.task === "rebound");
export const kept = (p: TallyParams): boolean => p.rounds.some((r) => r.task === "keepUp");
