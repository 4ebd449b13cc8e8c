import { useMemo } from "react";
import { setTo } from "#core/contract/range.ts";
import { opened } from "#core/formats/opened.ts";
import { RuleSentences } from "./rule-sentences.tsx";
import { PointsSuggested, RuleWarnings } from "./rule-warnings.tsx";
import { SampleGame } from "./sample-game.tsx";
import { Fields, GroupedFields } from "./station-parts.tsx";
import type { PanelProps } from "./stations.ts";

export function ScorePanel({ activity, problems, change, middle, people }: PanelProps) {
  const list = opened(activity)
    .knobs()
    .filter((knob) => knob.station === "score");
  const three = useMemo(
    () => (people?.length === 3 ? ([people[0]!, people[1]!, people[2]!] as const) : null),
    [people],
  );
  return (
    <>
      <RuleSentences
        action={activity.aim.action}
        list={list}
        valueAt={(knob) => setTo(knob, { params: activity.pattern.params, match: activity.match })}
        one={(knob) => <Fields list={[knob]} activity={activity} problems={problems} change={change} />}
      />
      {three && <RuleWarnings activity={activity} people={three} change={change} />}
      <SampleGame activity={activity} who={middle} />
      <GroupedFields title="Scoring" list={list} activity={activity} problems={problems} change={change} />
      <PointsSuggested activity={activity} who={middle} change={change} />
    </>
  );
}
