import { type FamilyKnob, familyKnobs, fieldOf, setTo, valuesBetween } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { Group } from "../ui/group.tsx";
import { useWords } from "./attempt-words.ts";
import { NumberField } from "./fields.tsx";

type Range = Activity["family"][number];

/**
 * Which settings the family may change, and within which limits. They are chosen before the first attempt and stored
 * with the score, so that only goes with the same settings are compared.
 */
export function FamilyRange({
  activity,
  change,
}: {
  activity: Activity;
  change: (next: Activity, key?: string) => void;
}) {
  const game = { params: activity.pattern.params, match: activity.match };
  const knobs = familyKnobs(opened(activity).familyKnobs(), game);
  if (knobs.length === 0) return null;
  const put = (field: string, values: Range["values"] | null, key?: string) => {
    const rest = activity.family.filter((range) => range.field !== field);
    change({ ...activity, family: values ? [...rest, { field, values }] : rest }, key);
  };
  return (
    <Group title="What the family may change">
      <p className="pt-2 text-sm text-quiet">
        They choose before the game starts. Scores made with different settings are not compared.
      </p>
      {knobs.map((knob) => {
        const field = fieldOf(knob);
        return (
          <OneRange
            key={field}
            knob={knob}
            now={setTo(knob, game)}
            range={activity.family.find((range) => range.field === field)}
            put={(values, key) => put(field, values, key)}
          />
        );
      })}
    </Group>
  );
}

function OneRange({
  knob: familyKnob,
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
  const name = familyKnob.family.number
    ? `${label(familyKnob.label)}, round ${familyKnob.family.number}`
    : label(familyKnob.label);
  const numbers = (range?.values ?? []).filter((value) => typeof value === "number");
  const [from, to] = [Math.min(...numbers), Math.max(...numbers)];
  const begin = () =>
    familyKnob.kind === "toggle"
      ? [false, true]
      : valuesBetween(
          familyKnob,
          Math.max(familyKnob.least, Number(now) - familyKnob.step),
          Math.min(familyKnob.most, Number(now) + familyKnob.step),
        );
  return (
    <div className="row-line py-1.5">
      <label className="flex items-center justify-between gap-3 text-[0.92rem]">
        {name}
        <input type="checkbox" checked={range !== undefined} onChange={() => put(range ? null : begin())} />
      </label>
      {range && familyKnob.kind === "number" && (
        <div className="grid grid-cols-2 gap-x-3 pl-3" role="group" aria-label={`${name}: what the family may choose`}>
          <NumberField
            name="from"
            value={from}
            least={familyKnob.least}
            most={to}
            step={familyKnob.step}
            change={(count) => put(valuesBetween(familyKnob, count, to), `family ${fieldOf(familyKnob)}`)}
          />
          <NumberField
            name="to"
            value={to}
            least={from}
            most={familyKnob.most}
            step={familyKnob.step}
            change={(count) => put(valuesBetween(familyKnob, from, count), `family ${fieldOf(familyKnob)}`)}
          />
        </div>
      )}
    </div>
  );
}
