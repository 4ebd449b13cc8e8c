import { ArrowUp } from "lucide-react";
import { useState } from "react";
import { FAIR_KNOBS, type FairKnob, MANY_TIES } from "#core/contract/people.ts";
import type { Fair } from "#core/fair/fair.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { paces } from "#core/measures/step.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { useFair } from "../ui/use-fair.ts";

const OTHERS = [6, 8, 10, 12, 14, "adult"] as const;

/** What would make a match between typical children fair: before and after, worked out as on the family's card. */
export function FairHere({
  activity,
  middle,
  change,
}: {
  activity: Activity;
  middle: Who;
  change: (next: Activity) => void;
}) {
  const [other, setOther] = useState<number | "adult">("adult");
  const [found, setFound] = useState<{ of: Activity; fair: Fair } | null>(null);
  const fair = useFair();
  const result = found && found.of === activity ? found.fair : null;
  const step = paces(18).step;
  const changes = (result?.people ?? []).flatMap((person, i) => {
    const who =
      i === 0
        ? tell("fairHere.child", { age: String(middle.age) })
        : label(other === "adult" ? "fairHere.adult" : "fairHere.other");
    const what = [
      ...(person.head ? [tell("fairHere.head", { points: person.head })] : []),
      ...(person.nearer
        ? [tell("fairHere.back", { ...inSteps(-person.nearer, step), metres: (-person.nearer).toFixed(2) })]
        : []),
      ...(person.wider ? [label("fairHere.wide")] : []),
      ...(person.court ? [tell("fairHere.court", { tenths: Math.round(10 * person.court) })] : []),
      ...(person.otherHand ? [label("fairHere.hand")] : []),
      ...(person.posture ? [label("fairHere.kneels")] : []),
    ];
    return what.length > 0 ? [`${who}: ${what.join(", ")}`] : [];
  });
  const percent = (w: readonly number[]) => w.map((x) => Math.round(100 * x)).join(" to ");
  return (
    <section className="row-line py-2" aria-label="Fair match">
      <h3 className="text-base">Fair match</h3>
      <div className="flex items-end gap-2 py-1">
        <label className="field grow">
          <span>A typical child, {middle.age}, plays</span>
          <Select
            value={String(other)}
            onChange={(event) => setOther(event.target.value === "adult" ? "adult" : Number(event.target.value))}
          >
            {OTHERS.map((eachOther) => (
              <option key={eachOther} value={eachOther}>
                {eachOther === "adult" ? "a grown-up" : `someone aged ${eachOther}`}
              </option>
            ))}
          </Select>
        </label>
        {fair.state === "working" ? (
          <Button size="small" onClick={fair.stop}>
            Stop
          </Button>
        ) : (
          <Button
            size="small"
            onClick={() =>
              fair.find({ activity, who: [middle, { age: other }] }, (eachFair) =>
                setFound({ of: activity, fair: eachFair }),
              )
            }
          >
            Make it fair
          </Button>
        )}
      </div>
      <FairOrder
        order={activity.players.fair ?? FAIR_KNOBS}
        put={(order) => change({ ...activity, players: { ...activity.players, fair: order } })}
      />
      <div role="status" className="text-sm">
        {fair.state === "working" && "Playing it many times …"}
        {fair.state === "failed" && "This game could not be worked out. Change it, then try again."}
        {result && (
          <>
            <p>
              Wins in 100 games: {percent(result.before)} before, <strong>{percent(result.after)}</strong> after
              {result.standardError > 0 && `, give or take ${Math.ceil(200 * result.standardError)}`}.
            </p>
            {result.ties >= MANY_TIES && <p>{tell("fairHere.ties", { ties: Math.round(100 * result.ties) })}</p>}
            {result.starter !== null && <p>{tell("fairHere.starter", { wins: Math.round(100 * result.starter) })}</p>}
            {changes.map((text) => (
              <p key={text}>{text}</p>
            ))}
            {changes.length === 0 && <p>It is fair already.</p>}
            {!result.fair && <p>Nothing allowed brings it within 3 points. This is the nearest.</p>}
          </>
        )}
      </div>
    </section>
  );
}

const inSteps = (metres: number, step: number) => {
  const steps = Math.round((2 * metres) / step) / 2;
  return { steps, half: steps === 0.5 ? "yes" : "no" };
};

/**
 * What may be changed for a player, in order of preference. A button moves an entry up, a checkbox leaves it out. The
 * order applies here and on the family's device.
 */
function FairOrder({ order, put }: { order: readonly FairKnob[]; put: (order: FairKnob[]) => void }) {
  const rest = FAIR_KNOBS.filter((fairKnob) => !order.includes(fairKnob));
  return (
    <details className="py-1">
      <summary className="cursor-pointer text-sm text-quiet">What may change, and in which order</summary>
      <ol className="grid">
        {[...order, ...rest].map((key, i) => {
          const on = order.includes(key);
          return (
            <li key={key} className="flex items-center gap-2 py-0.5 text-sm">
              <label className="flex grow items-center gap-2">
                <input
                  type="checkbox"
                  checked={on}
                  onChange={() => put(on ? order.filter((text) => text !== key) : [...order, key])}
                />
                {label(`fairKnob.${key}`)}
              </label>
              {on && i > 0 && (
                <Button
                  look="bare"
                  size="icon"
                  aria-label={`Earlier: ${label(`fairKnob.${key}`)}`}
                  onClick={() => put(order.map((text, n) => (n === i - 1 ? key : n === i ? order[i - 1]! : text)))}
                >
                  <ArrowUp size={16} aria-hidden="true" />
                </Button>
              )}
            </li>
          );
        })}
      </ol>
    </details>
  );
}
