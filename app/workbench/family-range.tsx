import { type FamilyKnob, familyKnobs, fieldOf, setTo, valuesBetween } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { useWords } from "./attempt-words.ts";
import { NumberField } from "./knobs.tsx";

type Range = Activity["family"][number];

/** What the family may set itself, and within what: chosen before the first send, and kept with the score, so that like is compared with like. */
export function FamilyRange({
  activity: a,
  change,
}: {
  activity: Activity;
  change: (next: Activity, key?: string) => void;
}) {
  const game = { params: a.pattern.params, match: a.match };
  const knobs = familyKnobs(opened(a).familyKnobs(), game);
  if (knobs.length === 0) return null;
  const put = (field: string, values: Range["values"] | null, key?: string) => {
    const rest = a.family.filter((f) => f.field !== field);
    change({ ...a, family: values ? [...rest, { field, values }] : rest }, key);
  };
  return (
    <fieldset className="py-2">
      <legend className="text-[0.92rem] font-semibold">The family may change, before the game starts</legend>
      {knobs.map((k) => {
        const field = fieldOf(k);
        return (
          <OneRange
            key={field}
            knob={k}
            now={setTo(k, game)}
            range={a.family.find((f) => f.field === field)}
            put={(values, key) => put(field, values, key)}
          />
        );
      })}
    </fieldset>
  );
}

function OneRange({
  knob: k,
  now,
  range,
  put,
}: {
  knob: FamilyKnob;
  now: unknown;
  range: Range | undefined;
  put: (values: Range["values"] | null, key?: string) => void;
}) {
  const { label } = useWords();
  const name = k.family.number ? `${label(k.label)}, round ${k.family.number}` : label(k.label);
  const numbers = (range?.values ?? []).filter((v) => typeof v === "number");
  const [from, to] = [Math.min(...numbers), Math.max(...numbers)];
  const begin = () =>
    k.kind === "toggle"
      ? [false, true]
      : valuesBetween(k, Math.max(k.least, Number(now) - k.step), Math.min(k.most, Number(now) + k.step));
  return (
    <div className="row-line py-1.5">
      <label className="flex items-center justify-between gap-3 text-[0.92rem]">
        {name}
        <input type="checkbox" checked={range !== undefined} onChange={() => put(range ? null : begin())} />
      </label>
      {range && k.kind === "number" && (
        <div className="grid grid-cols-2 gap-x-3 pl-3" role="group" aria-label={`${name}: what the family may choose`}>
          <NumberField
            name="from"
            value={from}
            least={k.least}
            most={to}
            step={k.step}
            change={(n) => put(valuesBetween(k, n, to), `family ${fieldOf(k)}`)}
          />
          <NumberField
            name="to"
            value={to}
            least={from}
            most={k.most}
            step={k.step}
            change={(n) => put(valuesBetween(k, from, n), `family ${fieldOf(k)}`)}
          />
        </div>
      )}
    </div>
  );
}
