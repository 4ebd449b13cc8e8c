import { MODES, type Mode } from "#core/contract/contract.ts";
import { inTwoHomes } from "#core/contract/two-homes.ts";
import { opened } from "#core/formats/opened.ts";
import { label } from "#words/teacher.ts";
import { Group } from "../ui/group.tsx";
import { FairHere } from "./fair-here.tsx";
import { FamilyRange } from "./family-range.tsx";
import { NumberField } from "./fields.tsx";
import { GroupedFields } from "./station-parts.tsx";
import type { PanelProps } from "./stations.ts";
import { usualOf } from "./usual.ts";

export function PlayersPanel({ activity, problems, change, middle }: PanelProps) {
  const game = opened(activity);
  const { modes: able } = game.pattern;
  const usual = usualOf(activity.pattern.name).activity;
  const turn = (mode: Mode) => {
    const modes = MODES.filter((text) =>
      text === mode ? !activity.players.modes.includes(mode) : activity.players.modes.includes(text),
    );
    if (modes.length > 0) change({ ...activity, players: { ...activity.players, modes } });
  };
  return (
    <>
      <Group title="Who plays">
        <div className="grid grid-cols-2 gap-x-3">
          <NumberField
            name="From"
            value={activity.players.least}
            usual={usual.players.least}
            least={1}
            most={6}
            step={1}
            change={(least) =>
              change(
                { ...activity, players: { ...activity.players, least, most: Math.max(least, activity.players.most) } },
                "players",
              )
            }
          />
          <NumberField
            name="to"
            value={activity.players.most}
            usual={usual.players.most}
            least={1}
            most={6}
            step={1}
            change={(most) =>
              change(
                { ...activity, players: { ...activity.players, most, least: Math.min(most, activity.players.least) } },
                "players",
              )
            }
          />
        </div>
        <fieldset className="row-line py-2">
          <legend className="text-[0.92rem]">Ways to play the family may choose</legend>
          {able.map((mode) => (
            <label key={mode} className="flex items-center gap-2 py-1">
              <input type="checkbox" checked={activity.players.modes.includes(mode)} onChange={() => turn(mode)} />
              {label(`mode.${mode}`)}
            </label>
          ))}
          {(activity.players.call ||
            inTwoHomes(game.pattern, { params: activity.pattern.params, match: activity.match }, true)) && (
            <label className="flex items-center gap-2 py-1">
              <input
                type="checkbox"
                checked={activity.players.call}
                onChange={() => change({ ...activity, players: { ...activity.players, call: !activity.players.call } })}
              />
              {label("players.call")}
            </label>
          )}
        </fieldset>
      </Group>
      <GroupedFields
        title="Taking turns"
        list={game.knobs().filter((knob) => knob.station === "players")}
        activity={activity}
        problems={problems}
        change={change}
      />
      {activity.players.modes.includes("against") && activity.players.most > 1 && (
        <FairHere activity={activity} middle={middle} change={change} />
      )}
      <FamilyRange activity={activity} change={change} />
    </>
  );
}
