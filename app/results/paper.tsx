import { useEffect, useRef } from "react";
import { Form, useNavigation } from "react-router";
import type { Action } from "#core/actions/actions.ts";
import type { Possible } from "#core/contract/contract.ts";
import type { Problem } from "#core/formats/activity.ts";
import { clockText } from "#core/records/score-text.ts";
import type { Go } from "#server/assignments/goes.ts";
import { label } from "#words/teacher.ts";
import { tell, tellScore } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { Problems } from "../ui/problems.tsx";

/** What the game can give, as a hint beside the field. */
function rangeOf({ unit, least, most, values }: Possible): string {
  if (values && values.length <= 12) return values.join(", ");
  const show = (count: number) => (unit === "tenths" ? clockText(count) : String(count));
  return tell("result.range", { least: show(least), most: most === null ? "none" : show(most) });
}

/** The fields of a score on paper: the score itself, whether the end was reached, and how far if it was not. */
function ScoreFields({ possible, skill, go }: { possible: Possible; skill: Action; go?: Go }) {
  const was = go?.score;
  return (
    <>
      <label className="field">
        <span>
          Score in {label(`unit.${possible.unit}`, attemptWordsForTeacher(skill))}{" "}
          <span className="hint">{rangeOf(possible)}</span>
        </span>
        <input
          name="value"
          className="w-36"
          required
          defaultValue={was ? (was.unit === "tenths" ? clockText(was.value) : was.value) : ""}
        />
      </label>
      {possible.unit !== "points" && (
        <>
          <label className="flex h-9 items-center gap-2">
            <input type="checkbox" name="reachedTop" defaultChecked={was?.finished} /> finished
          </label>
          {possible.stages > 1 && (
            <label className="field">
              <span>
                If not, <span className="hint">{tell("result.reached", { most: possible.stages - 1 })}</span>
              </span>
              <input
                name="stage"
                inputMode="numeric"
                className="w-20"
                defaultValue={was && !was.finished ? was.stage : ""}
              />
            </label>
          )}
        </>
      )}
    </>
  );
}

interface AddProps {
  rows: readonly { cardId: string; child: string }[];
  skill: Action;
  possible: Possible;
  orderId: string;
  problems: readonly Problem[];
  added: boolean;
}
/** A result typed from paper. Its field is empty again once it was added. */
export function AddPaper({ rows, skill, possible, orderId, problems, added }: AddProps) {
  const busy = useNavigation().formData?.get("intent") === "paper";
  const form = useRef<HTMLFormElement>(null);
  // A new order comes with every answer: after one that was taken the form starts again.
  useEffect(() => {
    if (added && orderId) form.current?.reset();
  }, [added, orderId]);
  return (
    <>
      <Problems list={problems} />
      {added && (
        <p role="status" className="note note-good">
          The score has been added.
        </p>
      )}
      <Form method="post" className="mt-2 flex flex-wrap items-end gap-3" ref={form}>
        <input type="hidden" name="orderId" value={orderId} />
        <label className="field">
          <span>Child</span>
          <select name="cardId" required>
            {rows.map((row) => (
              <option key={row.cardId} value={row.cardId}>
                {row.child}
              </option>
            ))}
          </select>
        </label>
        <ScoreFields possible={possible} skill={skill} />
        <button type="submit" name="intent" value="paper" className="btn" disabled={busy}>
          {busy ? "Adding …" : "Add score"}
        </button>
      </Form>
    </>
  );
}

/** A paper score and what can be done about it: another score, taken back, standing again. Each is kept with its author and reason. */
export function PaperGo({
  go,
  skill,
  possible,
  orderId,
  child,
}: {
  go: Go;
  skill: Action;
  possible: Possible;
  orderId: string;
  child: string;
}) {
  const corrected = go.corrected;
  const gone = corrected !== null && corrected.score === null;
  const hidden = (
    <>
      <input type="hidden" name="intent" value="correct" />
      <input type="hidden" name="orderId" value={orderId} />
      <input type="hidden" name="playId" value={go.playId} />
      <input type="hidden" name="replaces" value={corrected?.id ?? ""} />
    </>
  );
  return (
    <details className="inline-block">
      <summary
        className="tag w-fit"
        aria-label={`${child}: ${tellScore(go.score.value, go.score.unit, skill)}, from paper`}
      >
        <span className={gone ? "line-through" : ""}>{tellScore(go.score.value, go.score.unit, skill)}</span>{" "}
        <span className="font-normal text-quiet">
          {label(gone ? "paper.gone" : corrected ? "paper.corrected" : "paper.from")}
        </span>
      </summary>
      <div className="mt-1 grid gap-2 border-l-4 border-hair pl-3">
        {corrected && (
          <p className="text-sm text-quiet">
            {tell("result.corrected", { by: corrected.by, reason: corrected.reason })}
            {!gone &&
              `, ${tellScore(corrected.before.value, corrected.before.unit, skill)} → ${tellScore(go.score.value, go.score.unit, skill)}`}
          </p>
        )}
        {!gone && (
          <Form method="post" className="flex flex-wrap items-end gap-2">
            {hidden}
            <ScoreFields possible={possible} skill={skill} go={go} />
            <Reason />
            <button type="submit" name="to" value="score" className="btn btn-small">
              Correct score
            </button>
          </Form>
        )}
        <Form method="post" className="flex flex-wrap items-end gap-2">
          {hidden}
          <Reason />
          <button type="submit" name="to" value={gone ? "again" : "gone"} className="btn btn-quiet btn-small">
            {gone ? "Restore score" : "Remove score"}
          </button>
        </Form>
      </div>
    </details>
  );
}
const Reason = () => (
  <label className="field">
    <span>Reason</span>
    <input name="reason" required maxLength={200} className="w-48" />
  </label>
);
