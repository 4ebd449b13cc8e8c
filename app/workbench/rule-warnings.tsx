import { useMemo } from "react";
import type { Phrase } from "#core/contract/contract.ts";
import { fairPoints, withPoints } from "#core/forecast/fair-points.ts";
import type { Fix } from "#core/forecast/fixes.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { itemName } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { Button } from "../ui/button.tsx";
import { useAttemptWords } from "./attempt-words.ts";
import { useWarnings } from "./use-forecast.ts";

/** What to check before sending, found by searching the states of the game. */
export function RuleWarnings({
  activity,
  people,
  change,
}: {
  activity: Activity;
  people: readonly [Who, Who, Who];
  change: (next: Activity) => void;
}) {
  const list = useWarnings(activity, people);
  if (!list) return <p className="mb-2 text-sm text-quiet">Checking the game …</p>;
  if (list.length === 0)
    return (
      <p role="status" className="mb-2 text-sm text-quiet" data-warnings="none">
        Checked: the game always ends, fits the time, and anyone can win.
      </p>
    );
  return (
    <ul role="status" className="mb-2 grid gap-1.5" data-warnings="some">
      {list.map((warning) => (
        <li key={warning.kind} className="note problem text-sm">
          {tell(warning.phrase.key, warning.phrase.params)}
          {warning.fix && (
            <Button size="small" className="mt-1 block" onClick={() => change(withFix(activity, warning.fix!))}>
              {fixText(warning.fix.phrase)}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Takes over only what the fix changes, so that anything typed in the meantime stays. */
const withFix = (activity: Activity, { activity: { pattern, match, minutes } }: Fix): Activity => ({
  ...activity,
  pattern,
  match,
  minutes,
});

/** Says what the fix will do: `Set sends in a go to 12`. */
function fixText({ key, params }: Phrase): string {
  const named = Object.entries(params ?? {}).map(([k, value]) => [
    k,
    k === "knob" || k === "option" ? label(String(value)).toLowerCase() : value,
  ]);
  return tell(key, Object.fromEntries(named));
}

/** Suggests points that make every choice worthwhile, if targets have points of their own. */
export function PointsSuggested({
  activity,
  who,
  change,
}: {
  activity: Activity;
  who: Who;
  change: (next: Activity) => void;
}) {
  const attempt = useAttemptWords();
  const list = useMemo(() => {
    try {
      return fairPoints(activity, who);
    } catch {
      return null;
    }
  }, [activity, who]);
  if (!list) return null;
  const { pegs } = opened(activity);
  const next = withPoints(activity, list);
  const same = JSON.stringify(next.pattern.params) === JSON.stringify(activity.pattern.params);
  return (
    <section aria-label="Suggested points" className="row-line mb-2 py-2">
      <h3 className="text-base">Suggested points</h3>
      <p className="text-sm text-quiet">
        With these points, every target is worth trying for: a typical child scores the same{" "}
        {activity.match.seconds === null ? `per ${attempt.one}` : "per second"} at each.
      </p>
      <ul className="my-1 text-sm">
        {list.map((eachFairPoints) => {
          const at = pegs.findIndex((eachPeg) => eachPeg.id === eachFairPoints.peg);
          const peg = pegs[at]!;
          return (
            <li key={eachFairPoints.peg} className="flex justify-between gap-2">
              <span>
                {peg.kind === "line" ? `line ${at + 1}` : peg.label || itemName(peg.item ?? "")}
                <span className="text-quiet"> hit {Math.round(100 * eachFairPoints.rate)}%</span>
              </span>
              <strong>{eachFairPoints.points}</strong>
            </li>
          );
        })}
      </ul>
      <Button look="quiet" size="small" disabled={same} onClick={() => change(next)}>
        {same ? "In use" : "Use these points"}
      </Button>
    </section>
  );
}
