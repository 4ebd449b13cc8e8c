import { Minus, Plus } from "lucide-react";
import { say } from "#words/say.ts";

/**
 * How far from the line somebody stands. `nearer` is in metres, and the text counts half steps of the child whose
 * card it is.
 */
export function lineText(nearer: number, step: number): string {
  const halves = Math.round((2 * Math.abs(nearer)) / step);
  // A distance that was changed is never described as unchanged.
  const count = nearer === 0 ? 0 : Math.max(1, halves);
  if (count === 0) return say("set.onLine");
  const steps = `${count > 1 ? Math.floor(count / 2) : ""}${count % 2 === 1 ? "½" : ""}`;
  return say(nearer > 0 ? "set.nearer" : "set.back", { steps, of: count <= 2 ? 1 : 2 });
}

/** Buttons to stand a step farther back or a step nearer. */
export function LineStepper({
  what,
  value,
  values,
  step,
  set,
}: {
  what: string;
  value: number;
  values: readonly number[];
  step: number;
  set: (givenValue: number) => void;
}) {
  const at = values.indexOf(value);
  const go = (by: number, key: string, icon: React.ReactNode) => {
    const next = values[at + by];
    return (
      <button
        type="button"
        className="grid size-11 shrink-0 place-items-center rounded-md border-2 border-current disabled:opacity-35"
        aria-label={say(key, { what })}
        disabled={next === undefined}
        onClick={() => next !== undefined && set(next)}
      >
        {icon}
      </button>
    );
  };
  return (
    <span className="flex items-center gap-2">
      {go(-1, "set.fartherBy", <Minus aria-hidden="true" />)}
      <output className="min-w-28 text-center text-base leading-tight font-bold" aria-live="polite">
        {lineText(value, step)}
      </output>
      {go(1, "set.nearerBy", <Plus aria-hidden="true" />)}
    </span>
  );
}
