import { and, eq, sql } from "drizzle-orm";
import { exerciseNamed } from "#core/exercises/library.ts";
import { MAX_OWN_EXERCISES, type OwnExercise, ownExercise } from "#core/exercises/own.ts";
import { problemsOf } from "#core/formats/activity.ts";
import { neverIn } from "#core/kit/sense.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { NotAllowed, NotFound } from "../problem.ts";

const { schoolExercise } = schema;

/** The exercises that a school has added, by name. */
export const exercisesFor = (who: SignedIn): Promise<OwnExercise[]> =>
  withTenant(who.schoolId, async (tx) => {
    const rows = await tx.select().from(schoolExercise).orderBy(schoolExercise.id);
    return rows.map((row) => row.exercise).sort((a, b) => a.name.localeCompare(b.name));
  });

/**
 * Adds an exercise (`adding`), or changes the one with that id. The name must be unique, because forfeits refer to
 * it.
 */
export function saveExercise(who: SignedIn, given: unknown, adding: boolean): Promise<OwnExercise> {
  const read = ownExercise.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  const data = read.data;
  const word = data.thing === null ? null : neverIn(data.thing);
  if (word) throw NotAllowed.of("thing", `The item says "${word}", which children never play with.`);
  return withTenant(who.schoolId, async (tx) => {
    const all = (await tx.select().from(schoolExercise))
      .map((r) => r.exercise)
      .filter((x) => adding || x.id !== data.id);
    if (exerciseNamed(data.name, all))
      throw NotAllowed.of("name", `There is already an exercise called "${data.name}".`);
    if (all.length >= MAX_OWN_EXERCISES)
      throw NotAllowed.of("name", `A school can have at most ${MAX_OWN_EXERCISES} exercises of its own.`);
    // Two names may have the same letters: `wall sit` and `wall sit!`. The second one must not replace the first.
    const id = adding ? freeId(data.id, new Set(all.map((exercise) => exercise.id))) : data.id;
    const saved = { ...data, id };
    await tx
      .insert(schoolExercise)
      .values({ schoolId: who.schoolId, id, exercise: saved })
      .onConflictDoUpdate({
        target: [schoolExercise.schoolId, schoolExercise.id],
        set: { exercise: sql`excluded.exercise` },
      });
    return saved;
  });
}

/** The letters that an id leaves for a number behind it. */
const LETTERS = 36;
function freeId(id: string, taken: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const next = n === 1 ? id : `${id.slice(0, LETTERS)}${n}`;
    if (!taken.has(next)) return next;
  }
}

/**
 * Deletes an exercise from the list and returns it, so that it can be restored. Activities that use it have a copy of
 * their own.
 */
export function deleteExercise(who: SignedIn, id: string): Promise<OwnExercise> {
  return withTenant(who.schoolId, async (tx) => {
    const [gone] = await tx
      .delete(schoolExercise)
      .where(and(eq(schoolExercise.schoolId, who.schoolId), eq(schoolExercise.id, id)))
      .returning();
    if (!gone) throw new NotFound("exercise");
    return gone.exercise;
  });
}
