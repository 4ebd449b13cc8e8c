import { lazy, Suspense, useState } from "react";
import { Form, Link } from "react-router";
import { Button } from "../ui/button.tsx";
import { PaperGo } from "./paper.tsx";
import type { ChildView, GoView, ResultView } from "./view.server.ts";

const Replay = lazy(() => import("./replay.tsx"));

/** A child's goes in full: when, the score, how it adds up, what to check, and each go played again on the plan. */
export function ChildDetail({
  row,
  view,
  assignment,
  orderId,
  open,
}: {
  row: ChildView;
  view: ResultView;
  assignment: string;
  orderId: string;
  /** True while the activity is out. */
  open: boolean;
}) {
  if (row.goes.length === 0)
    return (
      <p className="text-quiet">
        {row.child} has not handed in a go yet. {row.begun && `${row.begun}. `}
        <Link to={`/children/${row.childId}`} className="underline">
          Progress
        </Link>
      </p>
    );
  return (
    <ol className="grid gap-3">
      {row.goes.map((go, i) => (
        <li key={go.id} className="grid gap-1.5">
          <One go={go} number={i + 1} row={row} view={view} assignment={assignment} orderId={orderId} open={open} />
        </li>
      ))}
    </ol>
  );
}

interface OneProps {
  go: GoView;
  number: number;
  row: ChildView;
  view: ResultView;
  assignment: string;
  orderId: string;
  open: boolean;
}

function One({ go, number, row, view, assignment, orderId, open }: OneProps) {
  const [shown, setShown] = useState(false);
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong>
          Go {number}: {go.score}
        </strong>
        <span className="text-sm text-quiet">
          {go.at}
          {go.others && `, ${go.others}`}. {go.working}
        </span>
        {go.best && <span className="tag">best</span>}
        {!go.counts && <span className="tag border-dashed border-coral">does not count</span>}
        {go.notes.length > 0 && <span className="text-sm">{go.notes.join(", ")}</span>}
        {!go.paper && (
          <Button look="quiet" size="small" className="scripted" aria-expanded={shown} onClick={() => setShown(!shown)}>
            {shown ? "Close replay" : "Replay"}
          </Button>
        )}
      </p>
      {go.looks.length > 0 && <Check go={go} row={row} open={open} />}
      {go.paper && <PaperGo go={go} paper={view.paper} orderId={orderId} child={row.child} />}
      {shown && (
        <Suspense fallback={<div className="skeleton h-48 max-w-3xl" role="status" aria-label="Loading the go" />}>
          <Replay assignment={assignment} go={go.id} child={row.child} />
        </Suspense>
      )}
    </>
  );
}

/** Why a go is worth a look, and what to do about it. */
export function Check({ go, row, open }: { go: GoView; row: ChildView; open: boolean }) {
  return (
    <Form
      method="post"
      preventScrollReset
      className={`note flex flex-wrap items-center gap-2 ${go.checked ? "note-good" : ""}`}
    >
      <input type="hidden" name="playId" value={go.id} />
      <span className="min-w-0 grow">{go.checked ? "You have checked this go." : go.looks.join(" ")}</span>
      {go.checked ? (
        <Button type="submit" look="quiet" size="small" name="intent" value="unchecked">
          Check it again
        </Button>
      ) : (
        <>
          <Button type="submit" size="small" name="intent" value="checked" aria-label={`Seen: ${row.child}'s go`}>
            Seen, it is fine
          </Button>
          {open && (
            <Button
              type="submit"
              look="quiet"
              size="small"
              name="intent"
              value="again"
              aria-label={`Ask ${row.child} to play again`}
            >
              Ask them to play again
            </Button>
          )}
        </>
      )}
    </Form>
  );
}
