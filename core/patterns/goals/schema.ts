import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";
import { FOULS, MAX_GOALS } from "./limits.ts";

export const goalsParams = z.strictObject({
  /** From goal to goal, and how wide it is played, metres. */
  length: metres("length", 1.5, 20),
  width: metres("width", 1, 12),
  /** How wide the goals are that stand at the start line and at the other end: that of the stronger side may be wider. Metres. */
  nearGoal: metres("nearGoal", 0.2, 4),
  farGoal: metres("farGoal", 0.2, 4),
  /** What the posts are. */
  item: z.string().min(1).max(40),
  /** So many goals win; null: the bell ends it. */
  points: whole("points", 1, MAX_GOALS).nullable(),
  /** One half, or two with ends changed; each as long as the bell says. */
  halves: z.union([z.literal(1), z.literal(2)], { error: "halves must be 1 or 2" }),
  /** Where play goes on after a goal: from the middle for either, or the side that let it in begins. */
  after: z.enum(["middle", "conceded"], { error: "after must be middle or conceded" }),
  /** What is out of play: the other side brings it in, it begins in the middle, or it is played again. */
  out: z.enum(["other", "middle", "again"], { error: "out must be other, middle or again" }),
  fouls: z.array(z.enum(FOULS)).max(FOULS.length),
  /** What a foul brings the other side: the ball there, in the middle, or a free shot. */
  penalty: z.enum(["there", "middle", "shot"], { error: "penalty must be there, middle or shot" }),
  /** One hand holds a steed: a broom or a cushion between the knees. */
  riding: z.boolean({ error: "riding must be true or false" }),
  /** A child alone: goals before the bell, or so many against time. */
  alone: z.strictObject({
    by: z.enum(["bell", "count"], { error: "alone by must be bell or count" }),
    seconds: whole("seconds", 10, 300),
    goals: whole("goals", 1, 30),
  }),
});

export type GoalsParams = z.infer<typeof goalsParams>;
