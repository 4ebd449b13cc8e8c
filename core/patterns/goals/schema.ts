import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";
import { FOULS, MAX_GOALS } from "./limits.ts";

export const goalsParams = z.strictObject({
  /** The distance between the goals, and the width of the field, metres. */
  length: metres("length", 1.5, 20),
  width: metres("width", 1, 12),
  /** The widths of the goals at the start line and at the other end. The stronger side's may be wider. Metres. */
  nearGoal: metres("nearGoal", 0.2, 4),
  farGoal: metres("farGoal", 0.2, 4),
  /** The item that serves as posts. */
  item: z.string().min(1).max(40),
  /** The number of goals that wins. Null: the bell ends the game. */
  points: whole("points", 1, MAX_GOALS).nullable(),
  /** One half, or two with ends changed, each as long as the bell says. */
  halves: z.union([z.literal(1), z.literal(2)], { error: "halves must be 1 or 2" }),
  /** How play goes on after a goal: from the middle for either side, or the side that conceded begins. */
  after: z.enum(["middle", "conceded"], { error: "after must be middle or conceded" }),
  /** When the ball is out of play: the other side brings it in, it begins in the middle, or it is played again. */
  out: z.enum(["other", "middle", "again"], { error: "out must be other, middle or again" }),
  fouls: z.array(z.enum(FOULS)).max(FOULS.length),
  /** What the other side gets for a foul: the ball there, in the middle, or a free shot. */
  penalty: z.enum(["there", "middle", "shot"], { error: "penalty must be there, middle or shot" }),
  /** One hand holds a broom or a cushion between the knees as a steed. */
  riding: z.boolean({ error: "riding must be true or false" }),
  /** For a child alone: goals before the bell, or a number of goals against time. */
  alone: z.strictObject({
    by: z.enum(["bell", "count"], { error: "alone by must be bell or count" }),
    seconds: whole("seconds", 10, 300),
    goals: whole("goals", 1, 30),
  }),
});

export type GoalsParams = z.infer<typeof goalsParams>;
