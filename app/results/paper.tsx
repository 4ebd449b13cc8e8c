import { useEffect, useRef } from "react";
import { Form, useNavigation } from "react-router";
import type { Problem } from "#core/formats/activity.ts";
import { Button } from "../ui/button.tsx";
import { CheckField, SelectField, TextField } from "../ui/field.tsx";
import { Options } from "../ui/options.tsx";
import { problemText } from "../ui/problem-text.ts";
import type { GoView, ResultView } from "./view.server.ts";

type Paper = ResultView["paper"];

/** The fields of a score on paper: the score itself, whether the child finished, and how far if not. */
function ScoreFields({
  paper,
  was,
  problemOf = () => undefined,
}: {
  paper: Paper;
  was?: GoView["paper"];
  problemOf?: (field: string) => string | undefined;
}) {
  return (
    <>
      <TextField
        label={`Score in ${paper.unit}`}
        hint={paper.range}
        name="value"
        className="w-36"
        required
        problem={problemOf("value")}
        defaultValue={was?.typed ?? ""}
      />
      {paper.finishes && (
        <>
          <CheckField label="finished" name="reachedTop" defaultChecked={was?.finished} />
          {paper.stages > 1 && (
            <TextField
              label="If not,"
              hint={paper.reached}
              name="stage"
              inputMode="numeric"
              className="w-20"
              problem={problemOf("stage")}
              defaultValue={was && !was.finished ? was.stage : ""}
            />
          )}
        </>
      )}
    </>
  );
}

/** A result typed from paper. Its fields are empty again after it was added. */
export function AddPaper({
  rows,
  paper,
  orderId,
  problems,
  added,
}: {
  rows: readonly { cardId: string; child: string }[];
  paper: Paper;
  orderId: string;
  problems: readonly Problem[];
  added: boolean;
}) {
  const busy = useNavigation().formData?.get("intent") === "paper";
  const form = useRef<HTMLFormElement>(null);
  const problemOf = (field: string) => {
    const problem = problems.find((each) => each.field === field);
    return problem && problemText(problem.message);
  };
  // A new order comes with every answer: after one that was taken the form starts again.
  useEffect(() => {
    if (added && orderId) form.current?.reset();
  }, [added, orderId]);
  useEffect(() => {
    const first = problems[0]?.field;
    if (first) form.current?.querySelector<HTMLElement>(`[name="${first}"]`)?.focus();
  }, [problems]);
  return (
    <Form method="post" preventScrollReset className="flex flex-wrap items-start gap-3" ref={form}>
      <input type="hidden" name="orderId" value={orderId} />
      <SelectField label="Child" name="cardId" required problem={problemOf("cardId") ?? problemOf("orderId")}>
        <Options of={rows.map((row) => ({ id: row.cardId, name: row.child }))} />
      </SelectField>
      <ScoreFields paper={paper} problemOf={problemOf} />
      <Button type="submit" name="intent" value="paper" disabled={busy} className="mt-6">
        {busy ? "Adding …" : "Add score"}
      </Button>
    </Form>
  );
}

/**
 * A paper score and what can be done about it: another score, removing it, restoring it. Each is kept with its author
 * and reason.
 */
export function PaperGo({ go, paper, orderId, child }: { go: GoView; paper: Paper; orderId: string; child: string }) {
  const was = go.paper!;
  const hidden = (
    <>
      <input type="hidden" name="intent" value="correct" />
      <input type="hidden" name="orderId" value={orderId} />
      <input type="hidden" name="playId" value={go.id} />
      <input type="hidden" name="replaces" value={was.correctionId} />
    </>
  );
  return (
    <details>
      <summary className="tag w-fit" aria-label={`${child}: ${go.score}, from paper`}>
        <span className={go.gone ? "line-through" : ""}>{go.score}</span>{" "}
        <span className="font-normal text-quiet">{was.state}</span>
      </summary>
      <div className="mt-1 grid gap-2 border-l-4 border-hair pl-3">
        {was.reason && (
          <p className="text-sm text-quiet">
            {was.reason}
            {!go.gone && `, ${was.before} → ${go.score}`}
          </p>
        )}
        {!go.gone && (
          <Form method="post" preventScrollReset className="flex flex-wrap items-end gap-2">
            {hidden}
            <ScoreFields paper={paper} was={was} />
            <Reason />
            <Button type="submit" size="small" name="to" value="score">
              Correct score
            </Button>
          </Form>
        )}
        <Form method="post" preventScrollReset className="flex flex-wrap items-end gap-2">
          {hidden}
          <Reason />
          <Button type="submit" look="quiet" size="small" name="to" value={go.gone ? "again" : "gone"}>
            {go.gone ? "Restore score" : "Remove score"}
          </Button>
        </Form>
      </div>
    </details>
  );
}
const Reason = () => <TextField label="Reason" name="reason" required maxLength={200} className="w-48" />;
