import { doseAt, type Exercise, type ExerciseKind, exercises, secondsAt, timeOf } from "../exercises/library.ts";

/** One go of the game in the forecast: its median minutes, and the share of them spent moving. */
export interface GoTimes {
  minutes: number;
  moving: number;
}
/** How the minutes are filled: before, a number of goes, after. Minutes. */
export interface TimePlan {
  warmUp: string[];
  coolDown: string[];
  rounds: number;
  before: number;
  game: number;
  after: number;
  minutes: number;
  /** The active minutes: exercises other than stretching and balancing, and the game's own share. */
  active: number;
  /** How much longer than the time given even the shortest plan is, minutes. */
  over: number;
}

/**
 * The share of the time for warm-up and cool-down, and the least and most of each, minutes. A teacher's assumptions.
 */
const WARM = { share: 0.2, least: 1, most: 5 } as const;
const COOL = { share: 0.12, least: 0.5, most: 3 } as const;
/** A rest between two goes, minutes. An assumption. */
export const REST = 0.5;
/**
 * The minutes of an activity as a whole: warm-up, its games with rests between them, cool-down. `game`: the minutes
 * of one game.
 */
export function wholeMinutes(
  a: { rounds?: number | undefined; warmUp?: readonly string[] | undefined; coolDown?: readonly string[] | undefined },
  age: number,
  game: number,
  own: readonly Exercise[],
): number {
  const rounds = a.rounds ?? 1;
  const around = timeOf([...(a.warmUp ?? []), ...(a.coolDown ?? [])], age, own).seconds / 60;
  return around + rounds * game + (rounds - 1) * REST;
}
export const MAX_ROUNDS = 12;
/** The most exercises in a list. */
const MAX_LISTED = 6;
/** If more than this is left over, one more exercise is added, minutes. */
const WORTH = 0.5;

const KINDS_OF: Record<"warmUp" | "coolDown", readonly ExerciseKind[]> = {
  warmUp: ["warmUp", "jump"],
  coolDown: ["stretch", "balance"],
};

/** The exercises that suit an age and need nothing fetched, quiet ones if asked for, best kind first. */
const offered = (part: keyof typeof KINDS_OF, age: number, own: readonly Exercise[], quiet: boolean): Exercise[] =>
  KINDS_OF[part].flatMap((kind) =>
    [...own, ...exercises].filter(
      (exercise) =>
        exercise.kind === kind && exercise.thing === null && doseAt(exercise, age) > 0 && (!quiet || exercise.quiet),
    ),
  );

/** Exercises one after another until the minutes are filled. The last is added only if it brings the sum nearer. */
function filled(from: readonly Exercise[], age: number, minutes: number, own: readonly Exercise[]): string[] {
  const out: string[] = [];
  const takes = (ids: readonly string[]) => timeOf(ids, age, own).seconds / 60;
  for (const exercise of from) {
    if (out.length >= MAX_LISTED) break;
    const now = takes(out);
    const next = takes([...out, exercise.id]);
    if (out.length > 0 && Math.abs(next - minutes) >= Math.abs(now - minutes)) continue;
    out.push(exercise.id);
  }
  return out;
}
const within = (x: number, { least, most }: { least: number; most: number }) => Math.max(least, Math.min(most, x));

/**
 * A plan for a number of minutes at an age: warm-up, as many whole goes as fit with rests between them, cool-down.
 * What is left over becomes more exercises. It is never longer than asked for, unless one go with the least around it
 * already is. RangeError if minutes are not above 0.
 */
export function planFor(
  age: number,
  minutes: number,
  go: GoTimes,
  { own = [], quiet = false }: { own?: readonly Exercise[]; quiet?: boolean } = {},
): TimePlan {
  if (!(minutes > 0)) throw new RangeError("minutes: more than 0");
  const [warms, cools] = [offered("warmUp", age, own, quiet), offered("coolDown", age, own, quiet)];
  const long = (ids: readonly string[]) => timeOf(ids, age, own).seconds / 60;
  const shortest = (list: readonly Exercise[]) =>
    [...list].sort((x, y) => secondsAt(x, age) - secondsAt(y, age)).slice(0, 1);
  const gameOf = (rounds: number) => rounds * go.minutes + (rounds - 1) * REST;
  let warmUp = filled(warms, age, within(WARM.share * minutes, WARM), own);
  let coolDown = filled(cools, age, within(COOL.share * minutes, COOL), own);
  // One go matters more than everything around it.
  while (long(warmUp) + long(coolDown) + go.minutes > minutes && warmUp.length > 1) warmUp = warmUp.slice(0, -1);
  while (long(warmUp) + long(coolDown) + go.minutes > minutes && coolDown.length > 1) coolDown = coolDown.slice(0, -1);
  if (long(warmUp) + long(coolDown) + go.minutes > minutes) {
    warmUp = shortest(warms).map((exercise) => exercise.id);
    coolDown = shortest(cools).map((exercise) => exercise.id);
  }
  const around = () => long(warmUp) + long(coolDown);
  const fit = Math.floor((minutes - around() + REST) / (go.minutes + REST));
  const rounds = Math.max(1, Math.min(MAX_ROUNDS, fit));
  const left = () => minutes - around() - gameOf(rounds);
  for (const [list, from] of [
    [warmUp, warms],
    [coolDown, cools],
  ] as const)
    for (const exercise of from) {
      if (left() < WORTH) break;
      if (list.length < MAX_LISTED && !list.includes(exercise.id) && long([exercise.id]) <= left())
        list.push(exercise.id);
    }
  const moving = (ids: readonly string[]) => timeOf(ids, age, own).moving / 60;
  const all = around() + gameOf(rounds);
  return {
    warmUp,
    coolDown,
    rounds,
    before: long(warmUp),
    game: gameOf(rounds),
    after: long(coolDown),
    minutes: all,
    active: moving(warmUp) + moving(coolDown) + rounds * go.minutes * go.moving,
    over: Math.max(0, all - minutes),
  };
}
