import { type Exercise, exerciseNamed } from "#core/exercises/library.ts";
import { ExerciseFigure } from "./exercises.tsx";

/** The drawing and the cues of a library exercise, by its name. Nothing if somebody has named another exercise. */
export default function ExerciseByName({ name, own }: { name: string; own: readonly Exercise[] }) {
  const exercise = exerciseNamed(name, own);
  if (!exercise) return null;
  return (
    <div className="flex items-center gap-3" data-exercise={exercise.id}>
      <ExerciseFigure poses={exercise.poses} width={150} />
      <p className="text-lg leading-snug">{exercise.cues.filter(Boolean).join(". ")}.</p>
    </div>
  );
}
