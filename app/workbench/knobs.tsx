import { Plus, Trash2 } from "lucide-react";
import { useId, useState } from "react";
import type { Knob } from "#core/contract/contract.ts";
import { exercises } from "#core/exercises/library.ts";
import type { Problem } from "#core/formats/activity.ts";
import { faceOf } from "#core/kit/face.ts";
import { label } from "#words/teacher.ts";
import { problemText } from "../ui/problem-text.ts";
import { useWords } from "./attempt-words.ts";
import { ItemPicker } from "./item-picker.tsx";
import { useSchool } from "./items.tsx";

type Path = readonly (string | number)[];

export function getIn(o: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (x, k) => (x === null || x === undefined ? undefined : (x as Record<string | number, unknown>)[k]),
    o,
  );
}
/** A copy with one place changed. */
export function setIn<T>(o: T, [k, ...rest]: Path, value: unknown): T {
  if (k === undefined) return value as T;
  if (Array.isArray(o)) return o.map((eachValue, i) => (i === k ? setIn(eachValue, rest, value) : eachValue)) as T;
  return { ...o, [k]: setIn((o as Record<string | number, unknown>)[k], rest, value) };
}

interface NumberProps {
  name: string;
  value: number;
  least: number;
  most: number;
  step: number;
  unit?: string;
  hint?: string;
  problem?: string;
  change: (count: number) => void;
}

/**
 * A number field. What is typed stays as typed. Only a number within the limits is used; otherwise the limits are
 * shown.
 */
export function NumberField({ name, value, least, most, step, unit, hint, problem, change }: NumberProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const id = useId();
  const text = typed ?? String(value);
  const count = Number(text.replace(",", "."));
  const bad =
    text.trim() === "" || !Number.isFinite(count)
      ? `a number from ${least} to ${most}`
      : count < least || count > most
        ? `from ${least} to ${most}${unit ? ` ${unit}` : ""}`
        : null;
  const message = bad ? `${name} must be ${bad}.` : problem;
  return (
    <div className="row-line grid grid-cols-[1fr_auto] items-center gap-x-3 py-2">
      <label htmlFor={id} className="text-[0.92rem]">
        {name}
        {hint && <span className="block text-xs text-quiet">{hint}</span>}
      </label>
      <span className="flex items-center gap-1.5">
        <input
          id={id}
          inputMode="decimal"
          className="w-20 text-right font-bold"
          value={text}
          aria-invalid={message ? true : undefined}
          aria-describedby={message ? `${id}-told` : undefined}
          onChange={(event) => {
            setTyped(event.target.value);
            const v = Number(event.target.value.replace(",", "."));
            if (event.target.value.trim() !== "" && Number.isFinite(v) && v >= least && v <= most) change(v);
          }}
          onKeyDown={(event) => {
            if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
            event.preventDefault();
            setTyped(null);
            change(
              Math.round(Math.min(most, Math.max(least, value + (event.key === "ArrowUp" ? step : -step))) * 1000) /
                1000,
            );
          }}
          onBlur={() => !bad && setTyped(null)}
        />
        <span className="w-5 text-sm text-quiet">{unit}</span>
      </span>
      {message && (
        <p id={`${id}-told`} role="alert" className="problem col-span-2">
          {message}
        </p>
      )}
    </div>
  );
}

/** If there are more options than this, they are shown as a list instead of side by side. */
const MAX_BESIDE = 12;
/** A few options side by side as radio buttons, or many as a list. */
export function Choice<T>({
  name,
  hint,
  options,
  value,
  change,
}: {
  name: string;
  hint?: string;
  options: readonly { value: T; label: string }[];
  value: T;
  change: (v: T) => void;
}) {
  const group = useId();
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  if (options.length > MAX_BESIDE)
    return (
      <div className="field py-2">
        <label htmlFor={group}>
          {name} {hint && <span className="hint">{hint}</span>}
        </label>
        <select
          id={group}
          className="w-full"
          value={options.findIndex((option) => same(option.value, value))}
          onChange={(event) => change(options[Number(event.target.value)]!.value)}
        >
          {options.map((eachOption, i) => (
            <option key={eachOption.label} value={i}>
              {eachOption.label}
            </option>
          ))}
        </select>
      </div>
    );
  return (
    <fieldset className="row-line py-2">
      <legend className="float-left mb-1 w-full text-[0.92rem]">
        {name}
        {hint && <span className="block text-xs text-quiet">{hint}</span>}
      </legend>
      <div className="clear-both flex flex-wrap overflow-hidden rounded-sm border-2 border-ink text-[0.86rem]">
        {options.map((option) => {
          const on = same(option.value, value);
          return (
            <label
              key={option.label}
              className={`grow px-2.5 py-1 text-center font-semibold has-focus-visible:outline-3 ${on ? "bg-ink text-page" : ""}`}
            >
              <input type="radio" name={group} className="sr-only" checked={on} onChange={() => change(option.value)} />
              {option.label}
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}

export function Toggle({
  name,
  hint,
  value,
  change,
}: {
  name: string;
  hint?: string;
  value: boolean;
  change: (v: boolean) => void;
}) {
  return (
    <label className="row-line flex items-center justify-between gap-3 py-2.5 text-[0.92rem]">
      <span>
        {name}
        {hint && <span className="block text-xs text-quiet">{hint}</span>}
      </span>
      <input type="checkbox" checked={value} onChange={(event) => change(event.target.checked)} />
    </label>
  );
}

export function TextField({
  name,
  hint,
  value,
  most,
  change,
  rows,
  offers,
}: {
  name: string;
  hint?: string;
  /** Words to choose from instead of typing. */
  offers?: readonly string[];
  value: string;
  most: number;
  change: (givenValue: string) => void;
  rows?: number;
}) {
  const id = useId();
  return (
    <div className="field py-2">
      <label htmlFor={id}>
        {name} {hint && <span className="hint">{hint}</span>}
      </label>
      {rows ? (
        <textarea id={id} rows={rows} maxLength={most} value={value} onChange={(event) => change(event.target.value)} />
      ) : (
        <input
          id={id}
          maxLength={most}
          value={value}
          {...(offers && { list: `${id}-offers` })}
          onChange={(event) => change(event.target.value)}
        />
      )}
      {offers && (
        <datalist id={`${id}-offers`}>
          {offers.map((offer) => (
            <option key={offer} value={offer} />
          ))}
        </datalist>
      )}
    </div>
  );
}

/** Renders the settings that a pattern declares. No station knows a particular pattern. */
export function Knobs({
  list,
  params,
  problems,
  change,
}: {
  list: readonly Knob[];
  params: unknown;
  problems: readonly Problem[];
  change: (params: unknown, key: string) => void;
}) {
  return (
    <>
      {list.map((knob) => (
        <OneKnob
          key={knob.path.join(".") + knob.label}
          knob={knob}
          params={params}
          problem={problems.find((problem) => problem.field === `pattern.params.${knob.path.join(".")}`)?.message}
          change={change}
        />
      ))}
    </>
  );
}

function OneKnob({
  knob,
  params,
  problem,
  change,
}: {
  knob: Knob;
  params: unknown;
  problem?: string;
  change: (params: unknown, key: string) => void;
}) {
  // A setting that an older document does not have is off, or empty.
  const value = getIn(params, knob.path) ?? (knob.kind === "text" ? "" : null);
  const key = `knob ${knob.path.join(".")}`;
  const set = (v: unknown) => change(setIn(params, knob.path, v), key);
  const { label } = useWords();
  const name = label(knob.label);
  const hint = knob.hint ? label(knob.hint) : undefined;
  switch (knob.kind) {
    case "number":
      return (
        <>
          {knob.off && (
            <Toggle
              name={name}
              hint={value === null ? label(knob.off.label) : undefined}
              value={value !== null}
              change={(on) => change(setIn(params, knob.path, on ? knob.off!.initial : null), `${key} on`)}
            />
          )}
          {value !== null && (
            <NumberField
              name={knob.off ? (knob.unit === "s" ? "Seconds" : "Number") : name}
              hint={hint}
              value={(value ?? 0) as number}
              least={knob.least}
              most={knob.most}
              step={knob.step}
              unit={knob.unit}
              problem={problem}
              change={set}
            />
          )}
        </>
      );
    case "choice":
      return (
        <Choice
          name={name}
          hint={hint}
          options={knob.options.map((option) => ({ value: option.value, label: label(option.label) }))}
          value={value}
          change={(v) => change(setIn(params, knob.path, v), `${key} ${String(JSON.stringify(v)).slice(0, 40)}`)}
        />
      );
    case "toggle":
      return <Toggle name={name} hint={hint} value={value as boolean} change={set} />;
    case "text":
      return (
        <TextField
          name={name}
          value={value as string}
          most={knob.most}
          change={set}
          {...(knob.label.startsWith("knob.exercise") && { offers: exercises.map((exercise) => exercise.name) })}
        />
      );
    case "turns":
      return (
        <InTurn
          name={name}
          {...(hint && { hint })}
          options={knob.options.map((option) => ({ id: option.value, name: label(option.label) }))}
          most={knob.most}
          more={label(knob.more)}
          value={(value ?? []) as readonly string[]}
          {...(problem && { problem })}
          change={set}
        />
      );
    case "ways":
      return (
        <InTurn
          name={name}
          {...(hint && { hint })}
          options={knob.options.map((option) => ({ id: option, name: label(`action.${option}`) }))}
          most={knob.most}
          more="Add another action, in turn"
          value={(value ?? []) as readonly string[]}
          {...(problem && { problem })}
          change={set}
        />
      );
    case "item":
      return <ItemPick value={value as { item: string }} change={set} />;
  }
}

/** Actions or objects in order. Each can be replaced, removed, or followed by one more. */
function InTurn({
  name,
  hint,
  options,
  most,
  more,
  value,
  problem,
  change,
}: {
  name: string;
  hint?: string;
  options: readonly { id: string; name: string }[];
  most: number;
  /** The label of the button that adds the first one. */
  more: string;
  value: readonly string[];
  problem?: string;
  change: (v: readonly string[]) => void;
}) {
  const free = (options.find((option) => !value.includes(option.id)) ?? options[0]!).id;
  return (
    <fieldset className="row-line py-2">
      <legend className="float-left mb-1 w-full text-[0.92rem]">
        {name} {hint && <span className="block text-xs text-quiet">{hint}</span>}
      </legend>
      <ol className="clear-both grid gap-1">
        {value.map((way, i) => (
          <li key={`${i + 1} ${way}`} className="flex items-center gap-2">
            <span className="w-5 text-right text-sm text-quiet">{i + 1}</span>
            <select
              aria-label={`${name} ${i + 1}`}
              className="min-w-0 grow py-0.5 text-sm"
              value={way}
              onChange={(event) => change(value.map((word, k) => (k === i ? event.target.value : word)))}
            >
              {options.map((eachOption) => (
                <option key={eachOption.id} value={eachOption.id}>
                  {eachOption.name}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="grid size-8 place-items-center"
              aria-label={`Remove ${name} ${i + 1}`}
              onClick={() => change(value.filter((_, k) => k !== i))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ol>
      {value.length < most && (
        <button type="button" className="btn btn-quiet btn-small mt-1" onClick={() => change([...value, free])}>
          <Plus size={15} aria-hidden="true" /> {value.length === 0 ? more : "Add"}
        </button>
      )}
      {problem && (
        <p role="alert" className="text-sm font-semibold text-coral">
          {problemText(problem)}
        </p>
      )}
    </fieldset>
  );
}

/** Choosing another item also sets its size, opening and name. */
function ItemPick({ value, change }: { value: { item: string }; change: (v: unknown) => void }) {
  const { list, name } = useSchool();
  return (
    <div className="row-line py-2">
      <p className="text-[0.92rem]" aria-hidden="true">
        {label("knob.item")}
      </p>
      <ItemPicker
        title={label("knob.item")}
        items={list.filter((item) => item.uses.includes("target"))}
        is={value.item}
        pick={(item) => {
          const { opening, openingDepth, gap, mass, contents, ...face } = faceOf(item);
          const kept = { ...value, ...face, label: name(item.id), opening, openingDepth, gap };
          const was = "weight" in value ? (value.weight as { filling: number } | undefined) : undefined;
          const weight = { weight: { mass, contents, filling: contents > 0 ? (was?.filling ?? 0) : 0 } };
          change(JSON.parse(JSON.stringify({ ...kept, ...weight })));
        }}
      />
    </div>
  );
}
