import type { Action } from "#core/actions/actions.ts";
import type { ScoreUnit } from "#core/records/score-text.ts";
import type { Run } from "#core/rehearsal/at.ts";
import type { Foreseen } from "#core/rehearsal/rehearsal.ts";
import type { RehearsalChild } from "#server/activities/rehearsal.ts";
import { tell, tellScore } from "#words/tell.ts";
import { Heads } from "../ui/heads.tsx";

const percent = (x: number) => Math.round(100 * x);
const minutes = (seconds: number) => (seconds / 60).toFixed(1);

/** What this draw gave, child by child, beside what the forecast says. */
export function Beside({
  kids,
  goes,
  foreseen,
  unit,
  action,
}: {
  kids: readonly RehearsalChild[];
  goes: readonly (Run | null)[];
  foreseen: readonly (Foreseen | null)[];
  unit: ScoreUnit;
  action: Action;
}) {
  const ends = foreseen.flatMap((eachForeseen) => (eachForeseen ? [eachForeseen.low, eachForeseen.high] : []));
  const values = goes.flatMap((go) => (go ? [go.go.value] : []));
  const [least, most] = [Math.min(...ends, ...values), Math.max(...ends, ...values, 1)];
  const at = (value: number) => (most > least ? (100 * (value - least)) / (most - least) : 50);
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left text-[0.94rem]">
        <Heads
          of={["Child", "This run", "Likely range", "", "Finishes", "Minutes", "Time spent playing, fetching, waiting"]}
        />
        <tbody>
          {kids.map((kid, i) => {
            const go = goes[i]?.go;
            const f = foreseen[i];
            const inside = go && f ? go.value >= f.low && go.value <= f.high : null;
            return (
              <tr key={kid.id} className="row-line">
                <td className="py-1.5 pr-3">
                  <span className="font-semibold">{kid.name}</span>{" "}
                  <span className="text-sm text-quiet">{kid.age}</span>
                </td>
                <td className={inside === false ? "font-bold text-coral-ink" : ""}>
                  {go && tellScore(go.value, unit, action)}
                </td>
                <td>
                  {f &&
                    tell("rehearsal.band", {
                      low: tellScore(f.low, unit, action),
                      high: tellScore(f.high, unit, action),
                      n: Math.round(10 * f.holds),
                    })}
                </td>
                <td className="w-40 pr-3">
                  {go && f && (
                    <svg
                      viewBox="0 0 100 12"
                      className="block h-3 w-full"
                      preserveAspectRatio="none"
                      aria-hidden="true"
                    >
                      <path d="M0 6h100" stroke="var(--color-hair)" strokeWidth="1" />
                      <path
                        d={`M${at(f.low)} 6H${Math.max(at(f.high), at(f.low) + 1)}`}
                        stroke="var(--color-teal)"
                        strokeWidth="7"
                      />
                      <path d={`M${at(go.value)} 0v12`} stroke="var(--color-plum)" strokeWidth="2" />
                    </svg>
                  )}
                </td>
                <td className="pr-3">
                  {go && (go.finished ? "yes" : "no")}
                  {f && <span className="text-quiet"> ({percent(f.finish)}%)</span>}
                </td>
                <td className="pr-3">
                  {go && minutes(go.seconds)}
                  {f && <span className="text-quiet"> ({f.minutes.toFixed(1)})</span>}
                </td>
                <td>
                  {go && `${percent(go.spent.acting)}, ${percent(go.spent.fetching)}, ${percent(go.spent.waiting)}%`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
