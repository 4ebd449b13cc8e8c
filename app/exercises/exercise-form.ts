import { z } from "zod";
import { exerciseOf, exercises } from "#core/exercises/library.ts";
import { type OwnExercise, ownExercise } from "#core/exercises/own.ts";
import { wordFrom } from "#core/measures/id-from-name.ts";

const { shape } = ownExercise;

/**
 * The form of a school's own exercise. The browser and the server read it alike. A field that is left empty arrives
 * as nothing.
 */
export const exerciseForm = z.object({
  name: shape.name,
  kind: shape.kind,
  drawing: z.string().default(""),
  dose: shape.dose,
  unit: shape.unit,
  each: shape.each,
  trains: shape.trains.default(""),
  cues: z.tuple([shape.cues.def.items[0], shape.cues.def.items[1].default(""), shape.cues.def.items[2].default("")]),
  easier: shape.easier.default(""),
  harder: shape.harder.default(""),
  seated: shape.seated.default(""),
  caution: shape.caution.default(null),
  room: shape.room,
  quiet: shape.quiet.default(false),
  thing: shape.thing.default(null),
});
export type ExerciseForm = z.infer<typeof exerciseForm>;

/** Makes an id from a name: `wall sits` becomes ownWallSits. A name in another script has no letters for one. */
function idFrom(name: string): string {
  const word = wordFrom(name, 36);
  return /^[A-Z]/.test(word) ? `own${word}` : `ownE${Date.now().toString(36)}`;
}

/**
 * The exercise that a form describes: the one with this id, or a new one. It uses the drawing of one of the library's.
 */
export const exerciseIn = ({ drawing, ...form }: ExerciseForm, id: string | null): OwnExercise => ({
  ...form,
  id: id ?? idFrom(form.name),
  each: form.unit === "seconds" ? 1 : form.each,
  poses: (exerciseOf(drawing) ?? exercises[0]!).poses as OwnExercise["poses"],
});

/** What the form shows first, for an exercise or for a new one. */
export function formOfExercise(is: OwnExercise | null): Partial<ExerciseForm> {
  if (!is)
    return {
      kind: "strength",
      unit: "times",
      dose: [6, 10, 15],
      cues: ["", "", ""],
      each: 1.5,
      room: 1,
      quiet: true,
    };
  const { poses, ...rest } = is;
  const drawing = exercises.find((exercise) => JSON.stringify(exercise.poses) === JSON.stringify(poses))?.id ?? "";
  return { ...rest, drawing };
}
