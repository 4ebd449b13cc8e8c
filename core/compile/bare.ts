import { exerciseOf } from "../exercises/library.ts";
import type { Activity } from "../formats/activity.ts";
import { type AnyPattern, patternOf, patterns } from "../patterns/registry.ts";

/** Cues shown of each exercise. */
const CUES = 2;
const capital = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1);
/** The field by which a go without things is told apart: it compares with others like it, never with the game itself. */
export const BARE_FIELD = "bare";
/** And the one of a go that is counted in another unit than a go alone. */
export const UNIT_FIELD = "unit";

/** The one game that can be made of exercises alone. */
const counted = (Object.values(patterns) as AnyPattern[]).find((pattern) => pattern.ofExercises)!;

/**
 * The version of an activity that takes nothing but the body: how many of the exercises that stand for its pattern in so many seconds each. Its
 * moods and who may play stay; distances, things, the question about the throw and what the family might have set do not.
 */
export function bareOf(activity: Activity): Activity {
  const { bare } = patternOf(activity.pattern.name);
  const exercises = bare.flatMap((id) => exerciseOf(id) ?? []);
  const cues = exercises.flatMap((exercise) =>
    exercise.cues
      .slice(0, CUES)
      .map((text, i) => ({ id: `${exercise.id}${i + 1}`, text: `${capital(exercise.name)}: ${text.toLowerCase()}` })),
  );
  const { name, modes, ofExercises } = counted;
  const { params, match } = ofExercises!(exercises);
  const { ramp: _, off: __, wall: ___, ...rest } = activity;
  return {
    ...rest,
    aim: { ...activity.aim, action: "balance", also: [] },
    pattern: { name, params } as Activity["pattern"],
    cues,
    criteria: [],
    watch: [],
    match,
    kit: { ...activity.kit, implement: null, others: [], roles: [] },
    behind: "open",
    family: [],
    setOut: null,
    between: null,
    layout: null,
    // Asked of the throw that is not made.
    question: "",
    answers: null,
    players: { ...activity.players, modes: activity.players.modes.filter((mode) => modes.includes(mode)) },
  };
}
