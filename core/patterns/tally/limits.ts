/**
 * What is counted: touches that keep an object up, sends off a wall onto a mark, hits back and forth between two
 * items, laps of a course, tosses that are caught, or repetitions of a short exercise.
 */
export const TASKS = ["keepUp", "rebound", "shuttle", "course", "catch", "exercise"] as const;

/** The item at each end. */
export const ENDS = ["near", "far"] as const;

export const MAX_ROUNDS = 6;

/** Ids of the target on the wall and of the mark on the floor. */
export const WALL = "wall";

export const MARK = "mark";

export const USUAL_EXERCISE = { exercise: "star jumps", each: 1.2 } as const;
