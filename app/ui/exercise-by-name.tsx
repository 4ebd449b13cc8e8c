import { type Exercise, exerciseNamed } from "#core/exercises/library.ts";
import { ExerciseFigure } from "./exercises.tsx";

/** The drawing and the cues of an exercise of the library, by its name; nothing where somebody has named another one. */
export default function ExerciseByName({ name, own }: { name: string; own: readonly Exercise[] }) {
  const e = exerciseNamed(name, own);
  if (!e) return null;
  return (
    <div className="flex items-center gap-3" data-exercise={e.id}>
      <ExerciseFigure poses={e.poses} width={150} />
      <p className="text-lg leading-snug">{e.cues.filter(Boolean).join(". ")}.</p>
    </div>
  );
}
