import type { Action } from "#core/actions/actions.ts";
import type { Knob } from "#core/contract/contract.ts";
import { enRules } from "./en-rules.ts";
import { ruleWords } from "./generated/rules.ts";
import { label } from "./teacher.ts";
import { tell } from "./tell.ts";
import { attemptWords } from "./verbs.ts";

/** Sentences of fields that several games share, and of those in one game only. */
const RULES = { ...enRules, ...ruleWords };
/** The most letters of a typed text that a sentence shows. */
const MAX_TEXT = 40;
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** The sentence of a field, with the part that can be changed between stars. Null if it has none. */
export function ruleOf(knob: Knob, value: unknown, action: Action, longest = MAX_TEXT): string | null {
  const noun = attemptWords(action);
  const key = knob.label.replace("knob.", "rule.");
  const text = (at: string, told?: string | number) =>
    Object.hasOwn(RULES, at) ? tell(at, { ...noun, ...(told !== undefined && { value: told }) }) : null;
  if (knob.kind === "toggle") return text(`${key}.${value === true ? "yes" : "no"}`);
  const told = toldOf(knob, value, longest, noun);
  return told === null ? text(`${key}.none`) : text(key, told);
}
function toldOf(knob: Knob, value: unknown, longest: number, noun: Record<string, string>): string | number | null {
  switch (knob.kind) {
    case "number":
      return typeof value === "number" ? value : null;
    case "choice": {
      const is = knob.options.find((option) => same(option.value, value));
      return is ? label(is.label, noun) : null;
    }
    case "text": {
      const text = String(value ?? "");
      return text.length > longest ? `${text.slice(0, longest)}...` : text;
    }
    default:
      return null;
  }
}
