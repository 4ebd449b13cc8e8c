import { useState } from "react";
import type { Action } from "#core/actions/actions.ts";
import type { Knob } from "#core/contract/contract.ts";
import { fieldOf } from "#core/contract/range.ts";
import { ruleOf } from "#words/rules.ts";

/** The rules as sentences. Each setting in them opens in place. `one` renders the field, as the station does. */
export function RuleSentences({
  list,
  action,
  valueAt,
  one,
}: {
  list: readonly Knob[];
  /** The action of the activity, which decides the noun for an attempt. */
  action: Action;
  valueAt: (knob: Knob) => unknown;
  one: (knob: Knob) => React.ReactNode;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const sentences = list.flatMap((knob) => {
    const text = ruleOf(knob, valueAt(knob), action);
    const id = fieldOf(knob);
    const part = knob.path.find((x): x is number => typeof x === "number");
    return text === null ? [] : [{ k: knob, id, text, part }];
  });
  if (sentences.length === 0) return null;
  return (
    <section aria-label="Rules in sentences" className="mb-3">
      <h3 className="mb-1 text-base">Rules</h3>
      <ul className="grid gap-0.5 text-[0.95rem] leading-snug">
        {sentences.map(({ k: knob, id, text, part }) => {
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
              {open === id && <div className="my-1 rounded-md bg-raised px-2">{one(knob)}</div>}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
