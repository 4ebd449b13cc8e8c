import { MODES, type Mode } from "#core/contract/contract.ts";
import { inTwoHomes } from "#core/contract/two-homes.ts";
import { opened } from "#core/formats/opened.ts";
import { label } from "#words/teacher.ts";
import { Group } from "../ui/group.tsx";
import { FairHere } from "./fair-here.tsx";
import { FamilyRange } from "./family-range.tsx";
import { FromTo } from "./fields.tsx";
import { GroupedFields } from "./station-parts.tsx";
import type { PanelProps } from "./stations.ts";
import { usualOf } from "./usual.ts";

export function PlayersPanel({ activity, problems, change, middle }: PanelProps) {
  const game = opened(activity);
  const { modes: able } = game.pattern;
  const { players } = activity;
  const usual = usualOf(activity.pattern.name).activity.players;
  const turn = (mode: Mode) => {
    const modes = MODES.filter((text) =>
      text === mode ? !activity.players.modes.includes(mode) : activity.players.modes.includes(text),
    );
    if (modes.length > 0) change({ ...activity, players: { ...activity.players, modes } });
  };
  return (
    <>
      <Group title="Who plays">
        <FromTo
          name="From"
          value={{ from: players.least, to: players.most }}
          usual={{ from: usual.least, to: usual.most }}
          least={1}
          most={6}
          change={({ from, to }) => change({ ...activity, players: { ...players, least: from, most: to } }, "players")}
        />
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
