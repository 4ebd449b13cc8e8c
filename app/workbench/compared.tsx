import { useMemo } from "react";
import type { Knob } from "#core/contract/contract.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { withParams } from "#core/formats/opened.ts";
import { useWords } from "./attempt-words.ts";
import { getIn, setIn } from "./paths.ts";
import { useExpected } from "./use-forecast.ts";

/** The options of a setting side by side: what one child can expect of each in a go, with everything else unchanged. */
export function Compared({
  activity,
  knob,
  who,
}: {
  activity: Activity;
  knob: Extract<Knob, { kind: "choice" }>;
  who: Who;
}) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: the knob is rebuilt each time, and says the same for the same activity
  const all = useMemo(
    () => knob.options.map((option) => withParams(activity, setIn(activity.pattern.params, knob.path, option.value))),
    [activity],
  );
  const { label } = useWords();
  const expected = useExpected(all, who);
  const now = knob.options.findIndex(
    (option) => JSON.stringify(option.value) === JSON.stringify(getIn(activity.pattern.params, knob.path)),
  );
  const most = Math.max(1, ...(expected ?? []).map((x) => x ?? 0));
  return (
    <table className="my-2 w-full text-[0.86rem]" data-compared={expected ? "ready" : "working"}>
      <caption className="pb-1 text-left text-quiet">Points a typical child, {who.age}, can expect per go</caption>
      <tbody>
        {knob.options.map((option, i) => {
          const points = expected?.[i];
          return (
            <tr key={option.label} className={i === now ? "font-bold" : ""} aria-current={i === now || undefined}>
              <th scope="row" className="w-24 py-0.5 text-left font-[inherit]">
                {label(option.label)}
              </th>
              <td>
                <span
                  className={`drawn block h-2.5 rounded-sm ${i === now ? "bg-mustard" : "bg-teal/50"}`}
                  style={{ width: `${(100 * (points ?? 0)) / most}%` }}
                />
              </td>
              <td className="w-14 text-right tabular-nums">
                {points === undefined ? "…" : points === null ? "no room" : points.toFixed(1)}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
