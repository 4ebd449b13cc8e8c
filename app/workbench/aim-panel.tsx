import type { Action } from "#core/actions/actions.ts";
import { ACTIONS, actionFacts } from "#core/actions/actions.ts";
import { starters } from "#core/aim/starters.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { Item } from "#core/items/item.ts";
import { label } from "#words/teacher.ts";
import { SelectField } from "../ui/field.tsx";
import { Fold, Group } from "../ui/group.tsx";
import { FromTo, TextField } from "./fields.tsx";
import { useSchool } from "./items.tsx";
import { Offers } from "./station-parts.tsx";
import type { PanelProps } from "./stations.ts";

/** The most other actions that a child may choose instead. */
const MAX_ALSO = 3;

export function AimPanel({ activity, change }: PanelProps) {
  const able = opened(activity).pattern.actions;
  const { list } = useSchool();
  const starter = starters[activity.aim.action];
  const offered = starter.outcomes.filter((outcome) => outcome !== activity.aim.outcome);
  return (
    <>
      <Group title="What is practised">
        <ActionField activity={activity} list={list} change={change} able={able} />
      </Group>
      <Group title="What they learn">
        <TextField
          name="Outcome"
          hint="what the child will be able to do"
          rows={2}
          most={200}
          value={activity.aim.outcome}
          change={(outcome) => change({ ...activity, aim: { ...activity.aim, outcome } }, "outcome")}
        />
        {offered.length > 0 && (
          <Offers
            title="Ready-made outcomes"
            offers={offered}
            take={(outcome) => change({ ...activity, aim: { ...activity.aim, outcome } })}
          />
        )}
        <TextField
          name="Standards"
          hint="your own, separated by commas"
          most={200}
          value={activity.aim.standards.join(", ")}
          change={(text) =>
            change(
              {
                ...activity,
                aim: {
                  ...activity.aim,
                  standards: text
                    .split(",")
                    .map((eachText) => eachText.trimStart())
                    .filter((eachText, i, all) => eachText.trim() !== "" || i === all.length - 1)
                    .map((eachText) => eachText.slice(0, 60))
                    .filter((eachText) => eachText !== ""),
                },
              },
              "standards",
            )
          }
        />
      </Group>
      <Group title="Who it is for">
        <FromTo
          name="Ages from"
          value={activity.ages}
          least={4}
          most={15}
          change={(ages) => change({ ...activity, ages }, "ages")}
        />
      </Group>
      <OtherActions activity={activity} able={able} change={change} />
    </>
  );
}

/** Chooses the action to practise. */
const ActionField = ({
  activity,
  list,
  change,
  able,
}: Pick<PanelProps, "activity" | "change"> & { list: readonly Item[]; able: (action: Action) => boolean }) => (
  <div className="py-2">
    <SelectField
      label="Action"
      value={activity.aim.action}
      onChange={(event) => {
        const action = event.target.value as Activity["aim"]["action"];
        const travel = actionFacts[action].travel;
        const serving = (item: Item) => item.uses.includes("send") && item.moves.includes(travel);
        const fits = list.some((item) => item.id === activity.kit.send && serving(item));
        change({
          ...activity,
          aim: { ...activity.aim, action, also: activity.aim.also?.filter((text) => text !== action) },
          kit: { ...activity.kit, send: fits ? activity.kit.send : list.find(serving)!.id },
        });
      }}
    >
      {ACTIONS.filter(able).map((action) => (
        <option key={action} value={action}>
          {label(`action.${action}`)}
        </option>
      ))}
    </SelectField>
  </div>
);

/** Further actions that a child may choose. */
const OtherActions = ({
  activity,
  able,
  change,
}: Pick<PanelProps, "activity" | "change"> & { able: (action: Action) => boolean }) => (
  <Fold
    title="Another action where this one does not work"
    note={activity.aim.also?.map((text) => label(`action.${text}`).toLowerCase()).join(", ")}
  >
    <fieldset className="grid gap-1 py-1 text-sm">
      <legend className="pt-1 text-quiet">
        Up to three, in the order you tick them. If you tick none, homes without room use a rolled T-shirt.
      </legend>
      {ACTIONS.filter((action) => action !== activity.aim.action && able(action)).map((action) => {
        const on = activity.aim.also ?? [];
        return (
          <label key={action} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={on.includes(action)}
              disabled={!on.includes(action) && on.length >= MAX_ALSO}
              onChange={(event) => {
                const also = event.target.checked ? [...on, action] : on.filter((text) => text !== action);
                change({ ...activity, aim: { ...activity.aim, also: also.length > 0 ? also : undefined } });
              }}
            />
            {label(`action.${action}`)}
          </label>
        );
      })}
    </fieldset>
  </Fold>
);
