import { useState } from "react";
import type { Knob } from "#core/contract/contract.ts";
import { fieldOf } from "#core/contract/range.ts";
import { enRules } from "#words/en-rules.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";

/** More letters of a typed text are not read out. */
const MOST_TEXT = 40;
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** A field as its sentence says it, with what can be changed between stars; null: it has none. */
export function ruleOf(k: Knob, value: unknown): string | null {
  const key = k.label.replace("knob.", "rule.");
  const text = (at: string, told?: string | number) =>
    Object.hasOwn(enRules, at) ? tell(at, told === undefined ? undefined : { value: told }) : null;
  if (k.kind === "toggle") return text(`${key}.${value === true ? "yes" : "no"}`);
  const told = toldOf(k, value);
  return told === null ? text(`${key}.none`) : text(key, told);
}
function toldOf(k: Knob, value: unknown): string | number | null {
  switch (k.kind) {
    case "number":
      return typeof value === "number" ? value : null;
    case "choice": {
      const is = k.options.find((o) => same(o.value, value));
      return is ? label(is.label) : null;
    }
    case "text": {
      const text = String(value ?? "");
      return text.length > MOST_TEXT ? `${text.slice(0, MOST_TEXT)}...` : text;
    }
    default:
      return null;
  }
}

/** The rules read as sentences; what can be changed opens in place. `one`: the field itself, as the station has it. */
export function RuleSentences({
  list,
  valueAt,
  one,
}: {
  list: readonly Knob[];
  valueAt: (k: Knob) => unknown;
  one: (k: Knob) => React.ReactNode;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const told = list.flatMap((k) => {
    const text = ruleOf(k, valueAt(k));
    const id = fieldOf(k);
    const part = k.path.find((x): x is number => typeof x === "number");
    return text === null ? [] : [{ k, id, text, part }];
  });
  if (told.length === 0) return null;
  return (
    <section aria-label="The rules in sentences" className="mb-3">
      <h3 className="mb-1 text-base">The rules</h3>
      <ul className="grid gap-0.5 text-[0.95rem] leading-snug">
        {told.map(({ k, id, text, part }) => {
          const [before = "", what = "", after = ""] = text.split("*");
          return (
            <li key={id}>
              {part !== undefined && <span className="text-quiet">{part + 1}: </span>}
              {before}
              <button
                type="button"
                aria-expanded={open === id}
                className="font-bold underline decoration-2 underline-offset-2"
                onClick={() => setOpen(open === id ? null : id)}
              >
                {what}
              </button>
              {after}
              {open === id && <div className="my-1 rounded-md bg-raised px-2">{one(k)}</div>}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
