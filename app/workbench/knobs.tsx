import { Plus, Trash2 } from "lucide-react";
import { useId, useState } from "react";
import type { Knob } from "#core/contract/contract.ts";
import { exercises } from "#core/exercises/library.ts";
import type { Problem } from "#core/formats/activity.ts";
import { faceOf } from "#core/kit/face.ts";
import { label } from "#words/teacher.ts";
import { useWords } from "./attempt-words.ts";
import { useSchool } from "./items.tsx";
import { ThingPicker } from "./thing-picker.tsx";

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
  if (Array.isArray(o)) return o.map((x, i) => (i === k ? setIn(x, rest, value) : x)) as T;
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
  change: (n: number) => void;
}

/** A number: what is typed stays as typed; only a number in its bounds is taken over, and the bounds are said otherwise. */
export function NumberField({ name, value, least, most, step, unit, hint, problem, change }: NumberProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const id = useId();
  const text = typed ?? String(value);
  const n = Number(text.replace(",", "."));
  const bad =
    text.trim() === "" || !Number.isFinite(n)
      ? `a number from ${least} to ${most}`
      : n < least || n > most
        ? `from ${least} to ${most}${unit ? ` ${unit}` : ""}`
        : null;
  const told = bad ? `${name} cannot be ${bad}` : problem;
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
          aria-invalid={told ? true : undefined}
          aria-describedby={told ? `${id}-told` : undefined}
          onChange={(e) => {
            setTyped(e.target.value);
            const v = Number(e.target.value.replace(",", "."));
            if (e.target.value.trim() !== "" && Number.isFinite(v) && v >= least && v <= most) change(v);
          }}
          onKeyDown={(e) => {
            if (e.key !== "ArrowUp" && e.key !== "ArrowDown") return;
            e.preventDefault();
            setTyped(null);
            change(
              Math.round(Math.min(most, Math.max(least, value + (e.key === "ArrowUp" ? step : -step))) * 1000) / 1000,
            );
          }}
          onBlur={() => !bad && setTyped(null)}
        />
        <span className="w-5 text-sm text-quiet">{unit}</span>
      </span>
      {told && (
        <p id={`${id}-told`} role="alert" className="problem col-span-2">
          {told}
        </p>
      )}
    </div>
  );
}

/** More choices than this do not stand side by side. */
const MAX_BESIDE = 12;
/** A few choices side by side, as radio buttons; many as a list. */
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
          value={options.findIndex((o) => same(o.value, value))}
          onChange={(e) => change(options[Number(e.target.value)]!.value)}
        >
          {options.map((o, i) => (
            <option key={o.label} value={i}>
              {o.label}
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
        {options.map((o) => {
          const on = same(o.value, value);
          return (
            <label
              key={o.label}
              className={`grow px-2.5 py-1 text-center font-semibold has-focus-visible:outline-3 ${on ? "bg-ink text-page" : ""}`}
            >
              <input type="radio" name={group} className="sr-only" checked={on} onChange={() => change(o.value)} />
              {o.label}
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
      <input type="checkbox" checked={value} onChange={(e) => change(e.target.checked)} />
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
  /** Words that may be taken instead of typed. */
  offers?: readonly string[];
  value: string;
  most: number;
  change: (v: string) => void;
  rows?: number;
}) {
  const id = useId();
  return (
    <div className="field py-2">
      <label htmlFor={id}>
        {name} {hint && <span className="hint">{hint}</span>}
      </label>
      {rows ? (
        <textarea id={id} rows={rows} maxLength={most} value={value} onChange={(e) => change(e.target.value)} />
      ) : (
        <input
          id={id}
          maxLength={most}
          value={value}
          {...(offers && { list: `${id}-offers` })}
          onChange={(e) => change(e.target.value)}
        />
      )}
      {offers && (
        <datalist id={`${id}-offers`}>
          {offers.map((o) => (
            <option key={o} value={o} />
          ))}
        </datalist>
      )}
    </div>
  );
}

/** Renders whatever a pattern says can be set: no station knows a pattern. */
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
      {list.map((k) => (
        <OneKnob
          key={k.path.join(".") + k.label}
          knob={k}
          params={params}
          problem={problems.find((p) => p.field === `pattern.params.${k.path.join(".")}`)?.message}
          change={change}
        />
      ))}
    </>
  );
}

function OneKnob({
  knob: k,
  params,
  problem,
  change,
}: {
  knob: Knob;
  params: unknown;
  problem?: string;
  change: (params: unknown, key: string) => void;
}) {
  // What a document from before does not have is off, or empty.
  const value = getIn(params, k.path) ?? (k.kind === "text" ? "" : null);
  const key = `knob ${k.path.join(".")}`;
  const set = (v: unknown) => change(setIn(params, k.path, v), key);
  const { label } = useWords();
  const name = label(k.label);
  const hint = k.hint ? label(k.hint) : undefined;
  switch (k.kind) {
    case "number":
      return (
        <>
          {k.off && (
            <Toggle
              name={name}
              hint={value === null ? label(k.off.label) : undefined}
              value={value !== null}
              change={(on) => change(setIn(params, k.path, on ? k.off!.initial : null), `${key} on`)}
            />
          )}
          {value !== null && (
            <NumberField
              name={k.off ? (k.unit === "s" ? "Seconds" : "Number") : name}
              hint={hint}
              value={(value ?? 0) as number}
              least={k.least}
              most={k.most}
              step={k.step}
              unit={k.unit}
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
          options={k.options.map((o) => ({ value: o.value, label: label(o.label) }))}
          value={value}
          change={(v) => change(setIn(params, k.path, v), `${key} ${String(JSON.stringify(v)).slice(0, 40)}`)}
        />
      );
    case "toggle":
      return <Toggle name={name} hint={hint} value={value as boolean} change={set} />;
    case "text":
      return (
        <TextField
          name={name}
          value={value as string}
          most={k.most}
          change={set}
          {...(k.label.startsWith("knob.exercise") && { offers: exercises.map((e) => e.name) })}
        />
      );
    case "turns":
      return (
        <InTurn
          name={name}
          {...(hint && { hint })}
          options={k.options.map((o) => ({ id: o.value, name: label(o.label) }))}
          most={k.most}
          more={label(k.more)}
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
          options={k.options.map((o) => ({ id: o, name: label(`action.${o}`) }))}
          most={k.most}
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

/** Ways or things in their order: each can be another one, go, or be followed by one more. */
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
  /** What adds the first one. */
  more: string;
  value: readonly string[];
  problem?: string;
  change: (v: readonly string[]) => void;
}) {
  const free = (options.find((o) => !value.includes(o.id)) ?? options[0]!).id;
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
              onChange={(e) => change(value.map((w, k) => (k === i ? e.target.value : w)))}
            >
              {options.map((o) => (
                <option key={o.id} value={o.id}>
                  {o.name}
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
          {problem}
        </p>
      )}
    </fieldset>
  );
}

/** Choosing another thing brings its size, opening and name along. */
function ItemPick({ value, change }: { value: { item: string }; change: (v: unknown) => void }) {
  const { list, name } = useSchool();
  return (
    <div className="row-line py-2">
      <p className="text-[0.92rem]" aria-hidden="true">
        {label("knob.item")}
      </p>
      <ThingPicker
        title={label("knob.item")}
        items={list.filter((t) => t.uses.includes("target"))}
        is={value.item}
        pick={(t) => {
          const { opening, openingDepth, gap, mass, contents, ...face } = faceOf(t);
          const kept = { ...value, ...face, label: name(t.id), opening, openingDepth, gap };
          const was = "weight" in value ? (value.weight as { filling: number } | undefined) : undefined;
          const weight = { weight: { mass, contents, filling: contents > 0 ? (was?.filling ?? 0) : 0 } };
          change(JSON.parse(JSON.stringify({ ...kept, ...weight })));
        }}
      />
    </div>
  );
}
