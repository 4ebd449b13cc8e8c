import { Plus, Trash2 } from "lucide-react";
import type { Knob } from "#core/contract/contract.ts";
import { exercises } from "#core/exercises/library.ts";
import type { Problem } from "#core/formats/activity.ts";
import { faceOf } from "#core/kit/face.ts";
import { label } from "#words/teacher.ts";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { Help } from "../ui/help.tsx";
import { problemText } from "../ui/problem-text.ts";
import { useWords } from "./attempt-words.ts";
import { Choice, NumberField, TextField, Toggle } from "./fields.tsx";
import { ItemPicker } from "./item-picker.tsx";
import { useSchool } from "./items.tsx";
import { getIn, same, setIn } from "./paths.ts";
import { Reset } from "./reset.tsx";

/** Renders the settings that a pattern declares. No station knows a particular pattern. */
export function Knobs({
  list,
  params,
  problems,
  usual,
  change,
}: {
  list: readonly Knob[];
  params: unknown;
  problems: readonly Problem[];
  /** The value that the game comes with for a setting, if any. */
  usual: (knob: Knob) => unknown;
  change: (params: unknown, key: string) => void;
}) {
  return (
    <>
      {list.map((knob) => (
        <OneKnob
          key={knob.path.join(".") + knob.label}
          knob={knob}
          params={params}
          usual={usual(knob)}
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
  usual,
  change,
}: {
  knob: Knob;
  params: unknown;
  usual: unknown;
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
              note={value === null ? label(knob.off.label) : undefined}
              value={value !== null}
              usual={usual === undefined ? undefined : usual !== null}
              change={(on) => change(setIn(params, knob.path, on ? (usual ?? knob.off!.initial) : null), `${key} on`)}
            />
          )}
          {value !== null && (
            <NumberField
              name={knob.off ? (knob.unit === "s" ? "Seconds" : "Number") : name}
              hint={hint}
              value={(value ?? 0) as number}
              usual={typeof usual === "number" ? usual : undefined}
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
          usual={usual}
          change={(v) => change(setIn(params, knob.path, v), `${key} ${String(JSON.stringify(v)).slice(0, 40)}`)}
        />
      );
    case "toggle":
      return (
        <Toggle name={name} hint={hint} value={value as boolean} usual={usual as boolean | undefined} change={set} />
      );
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
          {...(usual !== undefined && { usual: (usual ?? []) as readonly string[] })}
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
          {...(usual !== undefined && { usual: (usual ?? []) as readonly string[] })}
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
  usual,
  problem,
  change,
}: {
  name: string;
  hint?: string;
  usual?: readonly string[];
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
    <div role="group" aria-label={name} data-setting className="row-line py-2">
      <p className="mb-1 text-[0.92rem]">
        {name} {hint && <Help about={name}>{hint}</Help>}
        {usual && !same(usual, value) && (
          <Reset
            name={name}
            to={usual.map((id) => options.find((option) => option.id === id)?.name ?? id).join(", ") || "none"}
            reset={() => change(usual)}
          />
        )}
      </p>
      <ol className="grid gap-1">
        {value.map((way, i) => (
          <li key={`${i + 1} ${way}`} className="flex items-center gap-2">
            <span className="w-5 text-right text-sm text-quiet">{i + 1}</span>
            <Select
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
            </Select>
            <Button
              look="bare"
              size="icon"
              aria-label={`Remove ${name} ${i + 1}`}
              onClick={() => change(value.filter((_, k) => k !== i))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </Button>
          </li>
        ))}
      </ol>
      {value.length < most && (
        <Button look="quiet" size="small" className="mt-1" onClick={() => change([...value, free])}>
          <Plus size={15} aria-hidden="true" /> {value.length === 0 ? more : "Add"}
        </Button>
      )}
      {problem && (
        <p role="alert" className="text-sm font-semibold text-coral">
          {problemText(problem)}
        </p>
      )}
    </div>
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
