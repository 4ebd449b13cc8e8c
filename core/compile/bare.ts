import { exerciseOf } from "../exercises/library.ts";
import type { Activity } from "../formats/activity.ts";
import { type AnyPattern, patternOf, patterns } from "../patterns/registry.ts";

/** How many cues of each exercise are shown. */
const CUES = 2;
const capital = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1);
/** The field that marks a go without equipment. It is compared only with others of its kind. */
export const BARE_FIELD = "bare";
/** The field that marks a go whose score has another unit than a go alone. */
export const UNIT_FIELD = "unit";

/** The only game that can be made from exercises alone. */
const counted = (Object.values(patterns) as AnyPattern[]).find((pattern) => pattern.ofExercises)!;

/**
 * The version of an activity without equipment: how many of the exercises listed for its pattern a child does in a
 * number of seconds each. Moods and who may play stay. Distances, items, the question about the throw and the
 * family's settings do not.
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
    // The question is about a throw that does not happen.
    question: "",
    answers: null,
    players: { ...activity.players, modes: activity.players.modes.filter((mode) => modes.includes(mode)) },
  };
}
