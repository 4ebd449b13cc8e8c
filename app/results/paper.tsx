import { useEffect } from "react";
import { Form, useNavigation } from "react-router";
import { Button } from "../ui/button.tsx";
import { CheckField, SelectField, TextField } from "../ui/field.tsx";
import { Options } from "../ui/options.tsx";
import { useRefused } from "./use-refused.ts";
import type { GoView, ResultView } from "./view.server.ts";

type Paper = ResultView["paper"];

/** The fields of a score on paper: the score itself, whether the child finished, and how far if not. */
function ScoreFields({
  paper,
  was,
  problemOf,
}: {
  paper: Paper;
  was: { typed: string; finished: boolean; stage: string | number } | undefined;
  problemOf: (field: string) => string | undefined;
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
          <CheckField label="finished" name="reachedTop" defaultChecked={was?.finished} className="mt-6" />
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

/** The score as it was typed into a form that was refused. */
const typedScore = ({ value, reachedTop, stage }: Readonly<Record<string, string>>) =>
  value === undefined ? undefined : { typed: value, finished: reachedTop === "on", stage: stage ?? "" };

/** A result typed from paper. Its fields are empty again after it was added. */
export function AddPaper({
  rows,
  paper,
  orderId,
  added,
}: {
  rows: readonly { cardId: string; child: string }[];
  paper: Paper;
  orderId: string;
  /** The server's answer, if a score was added just now. */
  added: object | null;
}) {
  const busy = useNavigation().formData?.get("intent") === "paper";
  const { form, typed, problemOf } = useRefused({ intent: "paper" });
  useEffect(() => {
    if (added) form.current?.reset();
  }, [added, form]);
  return (
    <Form method="post" preventScrollReset className="flex flex-wrap items-start gap-3" ref={form}>
      <input type="hidden" name="orderId" value={orderId} />
      <SelectField
        label="Child"
        name="cardId"
        required
        defaultValue={typed.cardId}
        problem={problemOf("cardId") ?? problemOf("orderId")}
      >
        <Options of={rows.map((row) => ({ id: row.cardId, name: row.child }))} />
      </SelectField>
      <ScoreFields paper={paper} was={typedScore(typed)} problemOf={problemOf} />
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
  const to = go.gone ? "again" : "gone";
  const correct = useRefused({ intent: "correct", playId: go.id, to: "score" });
  const remove = useRefused({ intent: "correct", playId: go.id, to });
  const refused = [correct, remove].some(({ typed }) => "playId" in typed);
  const hidden = (
    <>
      <input type="hidden" name="intent" value="correct" />
      <input type="hidden" name="orderId" value={orderId} />
      <input type="hidden" name="playId" value={go.id} />
      <input type="hidden" name="replaces" value={was.correctionId} />
    </>
  );
  return (
    <details open={refused || undefined}>
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
          <Form method="post" preventScrollReset className="flex flex-wrap items-start gap-2" ref={correct.form}>
            {hidden}
            <ScoreFields paper={paper} was={typedScore(correct.typed) ?? was} problemOf={correct.problemOf} />
            <Reason of={correct} />
            <Button type="submit" size="small" name="to" value="score" className="mt-6">
              Correct score
            </Button>
          </Form>
        )}
        <Form method="post" preventScrollReset className="flex flex-wrap items-start gap-2" ref={remove.form}>
          {hidden}
          <Reason of={remove} />
          <Button type="submit" look="quiet" size="small" name="to" value={to} className="mt-6">
            {go.gone ? "Restore score" : "Remove score"}
          </Button>
        </Form>
      </div>
    </details>
  );
}
const Reason = ({ of }: { of: ReturnType<typeof useRefused> }) => (
  <TextField
    label="Reason"
    name="reason"
    required
    maxLength={200}
    className="w-48"
    defaultValue={of.typed.reason ?? ""}
    problem={of.problemOf("reason")}
  />
);
