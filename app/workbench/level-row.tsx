import type { Knob } from "#core/contract/contract.ts";
import { fieldOf, setTo } from "#core/contract/range.ts";
import { type Activity, HELPERS, LOW_POSTURES } from "#core/formats/activity.ts";
import { aimedAt, type LevelSetting, offered, otherActions, settable } from "#core/levels/levels.ts";
import { namesOf, sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { knobName } from "../ui/knob-name.ts";
import { Options } from "../ui/options.tsx";
import { useAttemptWords } from "./attempt-words.ts";
import { NumberField, TextField } from "./fields.tsx";
import { useSchool } from "./items.tsx";

interface RowProps {
  activity: Activity;
  /** The index of the level, from 0. */
  i: number;
  setting: LevelSetting;
  /** Changes part of the level. Edits with the same `key` become one undo step. */
  set: (change: Partial<LevelSetting>, key?: string) => void;
}

/** Shows one level with its chances, and the fields to edit it. */
export function LevelRow({
  text,
  children,
  ...row
}: RowProps & {
  text: string | undefined;
  /** The children's chances at this level. */
  children: React.ReactNode;
}) {
  const { activity, i, setting, set } = row;
  return (
    <li className="row-line grid gap-1 py-2">
      <p className="flex flex-wrap items-baseline justify-between gap-x-3">
        <strong>{tell("level.number", { number: i + 1 })}</strong>
        <span className="text-sm">{text}</span>
      </p>
      {children}
      <details>
        <summary className="cursor-pointer text-sm text-quiet">Edit level</summary>
        <NumberField
          name="Line: metres farther (below 0: nearer)"
          unit="m"
          value={setting.line}
          least={-10}
          most={10}
          step={0.1}
          change={(line) => set({ line }, `level ${i}`)}
        />
        <div className="grid grid-cols-2 gap-2 py-1">
          <ItemPicks {...row} />
          <BodyPicks {...row} />
          <GamePicks {...row} />
        </div>
        {setting.settings.map((changed) => (
          <ChangedField
            key={changed.field}
            changed={changed}
            more={settable(activity)}
            put={(value) =>
              set(
                { settings: setting.settings.map((other) => (other === changed ? { ...other, value } : other)) },
                `level ${i} ${changed.field}`,
              )
            }
            reset={() => set({ settings: setting.settings.filter((other) => other !== changed) })}
          />
        ))}
      </details>
    </li>
  );
}

/** Changes the object to throw and the target for this level. */
function ItemPicks({ activity, i, setting, set }: RowProps) {
  const { list } = useSchool();
  const names = namesOf(list);
  const { things, targets } = offered(activity, list);
  const thingsOf = (id: string | null, all: readonly string[]) =>
    [...new Set([...(id ? [id] : []), ...all])].map((item) => ({
      id: item,
      name: names[item] ?? sayPhrase({ key: `item.${item}` }),
    }));
  return (
    <>
      <Pick
        name={tell("level.sends", { number: i + 1 })}
        is={setting.thing}
        none="the same object"
        of={thingsOf(setting.thing, things)}
        put={(thing) => set({ thing })}
      />
      {aimedAt(activity) !== null && (
        <Pick
          name={tell("level.aims", { number: i + 1 })}
          is={setting.target}
          none="the same target"
          of={thingsOf(setting.target, targets)}
          put={(target) => set({ target })}
        />
      )}
    </>
  );
}

/** Changes the hand, the posture and the helper for this level. */
const BodyPicks = ({ i, setting, set }: RowProps) => (
  <>
    <Pick
      name={tell("level.hands", { number: i + 1 })}
      is={setting.hand}
      none="usual hand"
      of={[{ id: "other", name: "other hand" }]}
      put={(hand) => set({ hand: hand === "other" ? "other" : null })}
    />
    <Pick
      name={tell("level.postures", { number: i + 1 })}
      is={setting.posture}
      none="as designed"
      of={LOW_POSTURES.map((id) => ({ id, name: tell("level.posture", { posture: id }) }))}
      put={(posture) => set({ posture: LOW_POSTURES.find((low) => low === posture) ?? null })}
    />
    <Pick
      name={tell("level.helpers", { number: i + 1 })}
      is={setting.helper ?? null}
      none="no helper"
      of={HELPERS.map((id) => ({ id, name: tell("level.helper", { helper: id }) }))}
      put={(helper) => set({ helper: HELPERS.find((known) => known === helper) })}
    />
  </>
);

/** Changes the action, or any field of the game, for this level. */
function GamePicks({ activity, i, setting, set }: RowProps) {
  const attempt = useAttemptWords();
  const actions = otherActions(activity);
  const more = settable(activity);
  /** Adds a field to the level. A number starts with its present value; a yes or no starts reversed. */
  function begin(field: string | null) {
    const knob = more.find((one) => fieldOf(one) === field);
    const now = knob && setTo(knob, { params: activity.pattern.params, match: activity.match });
    if (!knob || (typeof now !== "number" && typeof now !== "boolean" && typeof now !== "string")) return;
    const others = setting.settings.filter((other) => other.field !== field);
    set({ settings: [...others, { field: fieldOf(knob), value: typeof now === "boolean" ? !now : now }] });
  }
  return (
    <>
      {(actions.length > 0 || setting.action) && (
        <Pick
          name={tell("level.actions", { number: i + 1 })}
          is={setting.action}
          none="the same action"
          of={actions.map((id) => ({ id, name: label(`action.${id}`) }))}
          put={(action) => set({ action: actions.find((one) => one === action) ?? null })}
        />
      )}
      {more.length > 0 && (
        <Pick
          name={tell("level.also", { number: i + 1 })}
          is={null}
          none="choose a field …"
          of={more.map((knob) => ({ id: fieldOf(knob), name: knobName(knob, more, attempt) }))}
          put={begin}
        />
      )}
    </>
  );
}

/** A field of the game that this level changes: a number, a text, or yes and no. */
function ChangedField({
  changed: { field, value },
  more,
  put,
  reset,
}: {
  changed: LevelSetting["settings"][number];
  more: readonly Knob[];
  put: (value: number | boolean | string) => void;
  reset: () => void;
}) {
  const attempt = useAttemptWords();
  const knob = more.find((one) => fieldOf(one) === field);
  const name = knob ? knobName(knob, more, attempt) : field;
  return (
    <div className="flex items-end gap-2">
      <div className="flex-1">
        {knob?.kind === "number" && typeof value === "number" ? (
          <NumberField name={name} value={value} least={knob.least} most={knob.most} step={knob.step} change={put} />
        ) : typeof value === "string" ? (
          <TextField name={name} rows={2} most={knob?.kind === "text" ? knob.most : 400} value={value} change={put} />
        ) : (
          <label className="flex items-center justify-between gap-3 py-1 text-[0.92rem]">
            {name}
            <input type="checkbox" checked={value === true} onChange={() => put(value !== true)} />
          </label>
        )}
      </div>
      <Button look="quiet" size="small" onClick={reset}>
        Reset
      </Button>
    </div>
  );
}

/** A select for one choice of a level. The first option leaves it as designed. */
function Pick({
  name,
  is,
  none,
  of,
  put,
}: {
  name: string;
  is: string | null;
  none: string;
  of: readonly { id: string; name: string }[];
  put: (id: string | null) => void;
}) {
  return (
    <Select
      aria-label={name}
      className="w-full py-0.5 text-sm"
      value={is ?? ""}
      onChange={(event) => put(event.target.value === "" ? null : event.target.value)}
    >
      <option value="">{none}</option>
      <Options of={of} />
    </Select>
  );
}
