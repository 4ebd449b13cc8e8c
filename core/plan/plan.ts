import { doseAt, type Exercise, type ExerciseKind, exercises, secondsAt, timeOf } from "../exercises/library.ts";

/** One go of the game, as a forecast has it: the middle of its minutes, and the share of them that one moves. */
export interface GoTimes {
  minutes: number;
  moving: number;
}
/** What fills the minutes asked for: before, so many goes, after. Minutes. */
export interface TimePlan {
  warmUp: string[];
  coolDown: string[];
  rounds: number;
  before: number;
  game: number;
  after: number;
  minutes: number;
  /** Of these moving: the exercises that are no stretching or balancing, and the game's own share. */
  active: number;
  /** Even the shortest plan is longer than that, by so many minutes. */
  over: number;
}

/** Shares of the time that go on getting warm and on cooling down, and the least and most of each in minutes: assumptions of a teacher's kind. */
const WARM = { share: 0.2, least: 1, most: 5 } as const;
const COOL = { share: 0.12, least: 0.5, most: 3 } as const;
/** A rest between two goes, minutes: an assumption. */
export const REST = 0.5;
/** Minutes of an activity as it is done: warm-up, its games with a rest between them, cool-down. `game`: minutes of one game. */
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
/** A list holds so many exercises. */
const MAX_LISTED = 6;
/** More than this left over is worth one exercise more, minutes. */
const WORTH = 0.5;

const KINDS_OF: Record<"warmUp" | "coolDown", readonly ExerciseKind[]> = {
  warmUp: ["warmUp", "jump"],
  coolDown: ["stretch", "balance"],
};

/** What may be done at an age, with nothing fetched for it, quietly where that is asked for; the kind that fits best first. */
const offered = (part: keyof typeof KINDS_OF, age: number, own: readonly Exercise[], quiet: boolean): Exercise[] =>
  KINDS_OF[part].flatMap((kind) =>
    [...own, ...exercises].filter(
      (exercise) =>
        exercise.kind === kind && exercise.thing === null && doseAt(exercise, age) > 0 && (!quiet || exercise.quiet),
    ),
  );

/** Exercises one after the other until so many minutes are filled, the last one only where it brings the sum nearer. */
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
 * A plan for so many minutes at an age: getting warm, as many whole goes as fit with a rest between them, cooling down; what is left over goes
 * into more exercises. Never longer than asked for, unless one go with the least around it is. RangeError where minutes are not above 0.
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
  // One go comes before everything around it.
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
