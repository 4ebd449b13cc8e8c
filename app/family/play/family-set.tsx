import { Minus, Plus } from "lucide-react";
import { LINE_FIELD } from "#core/contract/standing.ts";
import { say } from "#words/say.ts";
import type { Choosable, SetValue, SetValues } from "./choosable.ts";
import { LineStepper } from "./own-line.tsx";

/** One line for each setting: less and more, or yes and no. */
export function FamilySet({
  list,
  now,
  attempt,
  step: pace,
  set,
}: {
  list: readonly Choosable[];
  now: SetValues;
  /** The words for an attempt: `attemptWords`. */
  attempt: Record<string, string>;
  /** The length of the child's own step, metres. */
  step: number;
  set: (field: string, value: SetValue) => void;
}) {
  return (
    <div className="grid gap-2">
      {list.map(({ knob, field, values, usual }) => {
        const value = now[field] ?? usual;
        const at = values.indexOf(value);
        const what = say(knob.family.key, { number: knob.family.number ?? 1, ...attempt });
        const step = (by: number) => {
          const next = values[at + by];
          if (next !== undefined) set(field, next);
        };
        return (
          <div
            key={field}
            data-set={field}
            className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3"
            role="group"
            aria-label={what}
          >
            <span className="text-lg leading-tight font-semibold">{what}</span>
            {field === LINE_FIELD ? (
              <LineStepper
                what={what}
                value={Number(value)}
                values={values.map(Number)}
                step={pace}
                set={(givenValue) => set(field, givenValue)}
              />
            ) : knob.kind === "toggle" ? (
              <button
                type="button"
                role="switch"
                aria-checked={value === true}
                aria-label={what}
                className={`min-h-12 min-w-32 rounded-md border-2 px-4 text-xl font-bold ${value === true ? "border-night bg-mustard text-night" : "border-current"}`}
                onClick={() => set(field, value !== true)}
              >
                {say(value === true ? "set.yes" : "set.no")}
              </button>
            ) : (
              <span className="grid grid-cols-[3rem_3.5rem_3rem] items-center text-center">
                <button
                  type="button"
                  className="grid min-h-12 place-items-center rounded-md border-2 border-current disabled:opacity-35"
                  aria-label={say("set.less", { what })}
                  disabled={at <= 0}
                  onClick={() => step(-1)}
                >
                  <Minus aria-hidden="true" />
                </button>
                <output className="text-2xl font-bold" aria-live="polite">
                  {String(value)}
                </output>
                <button
                  type="button"
                  className="grid min-h-12 place-items-center rounded-md border-2 border-current disabled:opacity-35"
                  aria-label={say("set.more", { what })}
                  disabled={at >= values.length - 1}
                  onClick={() => step(1)}
                >
                  <Plus aria-hidden="true" />
                </button>
              </span>
            )}
          </div>
        );
      })}
    </div>
  );
}
