import { ArrowUp } from "lucide-react";
import { useState } from "react";
import { FAIR_KNOBS, type FairKnob, MANY_TIES } from "#core/contract/people.ts";
import type { Fair } from "#core/fair/fair.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { paces } from "#core/measures/step.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { useFair } from "../ui/use-fair.ts";

const OTHERS = [6, 8, 10, 12, 14, "adult"] as const;

/** What would make a match of the middle child fair: before and after, as the family's card works it out too. */
export function FairHere({
  activity: a,
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
  const told = found && found.of === a ? found.fair : null;
  const step = paces(18).step;
  const changes = (told?.people ?? []).flatMap((p, i) => {
    const who =
      i === 0
        ? tell("fairHere.child", { age: String(middle.age) })
        : label(other === "adult" ? "fairHere.adult" : "fairHere.other");
    const what = [
      ...(p.head ? [tell("fairHere.head", { points: p.head })] : []),
      ...(p.nearer ? [tell("fairHere.back", { ...inSteps(-p.nearer, step), metres: (-p.nearer).toFixed(2) })] : []),
      ...(p.wider ? [label("fairHere.wide")] : []),
      ...(p.court ? [tell("fairHere.court", { tenths: Math.round(10 * p.court) })] : []),
      ...(p.otherHand ? [label("fairHere.hand")] : []),
      ...(p.posture ? [label("fairHere.kneels")] : []),
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
          <select
            value={String(other)}
            onChange={(e) => setOther(e.target.value === "adult" ? "adult" : Number(e.target.value))}
          >
            {OTHERS.map((o) => (
              <option key={o} value={o}>
                {o === "adult" ? "a grown-up" : `someone aged ${o}`}
              </option>
            ))}
          </select>
        </label>
        {fair.state === "working" ? (
          <button type="button" className="btn btn-small" onClick={fair.stop}>
            Stop
          </button>
        ) : (
          <button
            type="button"
            className="btn btn-small"
            onClick={() => fair.find(a, [middle, { age: other }], (f) => setFound({ of: a, fair: f }))}
          >
            Make it fair
          </button>
        )}
      </div>
      <FairOrder
        order={a.players.fair ?? FAIR_KNOBS}
        put={(order) => change({ ...a, players: { ...a.players, fair: order } })}
      />
      <div role="status" className="text-sm">
        {fair.state === "working" && "Playing it many times …"}
        {fair.state === "failed" && "This game could not be worked out. Change it, then try again."}
        {told && (
          <>
            <p>
              Wins in 100 games: {percent(told.before)} before, <strong>{percent(told.after)}</strong> after
              {told.standardError > 0 && `, give or take ${Math.ceil(200 * told.standardError)}`}.
            </p>
            {told.ties >= MANY_TIES && <p>{tell("fairHere.ties", { ties: Math.round(100 * told.ties) })}</p>}
            {told.starter !== null && <p>{tell("fairHere.starter", { wins: Math.round(100 * told.starter) })}</p>}
            {changes.map((c) => (
              <p key={c}>{c}</p>
            ))}
            {changes.length === 0 && <p>It is fair already.</p>}
            {!told.fair && <p>Nothing allowed brings it within 3 points. This is the nearest.</p>}
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

/** What may be changed for somebody, the first one first: moved up by a button, left out by its box. Here and on the family's device. */
function FairOrder({ order, put }: { order: readonly FairKnob[]; put: (order: FairKnob[]) => void }) {
  const rest = FAIR_KNOBS.filter((k) => !order.includes(k));
  return (
    <details className="py-1">
      <summary className="cursor-pointer text-sm text-quiet">What may change, and in which order</summary>
      <ol className="grid">
        {[...order, ...rest].map((k, i) => {
          const on = order.includes(k);
          return (
            <li key={k} className="flex items-center gap-2 py-0.5 text-sm">
              <label className="flex grow items-center gap-2">
                <input
                  type="checkbox"
                  checked={on}
                  onChange={() => put(on ? order.filter((x) => x !== k) : [...order, k])}
                />
                {label(`fairKnob.${k}`)}
              </label>
              {on && i > 0 && (
                <button
                  type="button"
                  className="grid size-8 place-items-center"
                  aria-label={`Earlier: ${label(`fairKnob.${k}`)}`}
                  onClick={() => put(order.map((x, n) => (n === i - 1 ? k : n === i ? order[i - 1]! : x)))}
                >
                  <ArrowUp size={16} aria-hidden="true" />
                </button>
              )}
            </li>
          );
        })}
      </ol>
    </details>
  );
}
