import { Printer } from "lucide-react";
import { Link, useFetcher } from "react-router";
import type { Possible } from "#core/contract/contract.ts";
import type { Unlikely } from "#core/estimate/unlikely.ts";
import type { Activity } from "#core/formats/activity.ts";
import { MARKS } from "#core/records/play.ts";
import type { Go } from "#server/assignments/goes.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import type { Expected } from "#server/compute/work.ts";
import { sayWorking } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell, tellScore } from "#words/tell.ts";
import { problemText } from "../ui/problem-text.ts";
import { when } from "../when.ts";
import { chosenBy } from "./chosen.tsx";
import { looksAt, type Notice } from "./notice.ts";
import { PaperGo } from "./paper.tsx";
import { setWords } from "./set-words.ts";

/** Shows and changes a child's level. A change makes the card again unless the child has started it. */
function LevelOf({ row, count }: { row: ResultRow; count: number }) {
  const fetcher = useFetcher();
  const refused = (fetcher.data as { problems?: { message: string }[] } | undefined)?.problems ?? [];
  return (
    <fetcher.Form method="post" className="inline-flex items-center gap-1 align-middle">
      <input type="hidden" name="intent" value="level" />
      <input type="hidden" name="childId" value={row.childId} />
      <select
        name="level"
        defaultValue={row.level!}
        aria-label={`Level of ${row.child}`}
        title="Level"
        className="py-0 text-sm font-normal"
        onChange={(event) => void fetcher.submit(event.currentTarget.form)}
      >
        {Array.from({ length: count }, (_, i) => (
          <option key={`level${i + 1}`} value={i}>
            {i + 1}
          </option>
        ))}
      </select>
      <noscript>
        <button type="submit" className="btn btn-small">
          Save
        </button>
      </noscript>
      {refused.map((p) => (
        <span key={p.message} role="alert" className="problem">
          {problemText(p.message)}
        </span>
      ))}
    </fetcher.Form>
  );
}

/** Returns the reasons to check a go, in words. */
const lookWords = (go: Go, expected: Expected | undefined, unlikely: Unlikely | undefined): string[] =>
  looksAt(go, expected, unlikely).map((line) =>
    line === "unlikely" && unlikely
      ? tell("look.unlikely", { ...unlikely, expected: Math.round(unlikely.expected) })
      : label(`look.${line}`),
  );

export function ResultLine({
  row,
  notices,
  expected,
  criteria,
  zone,
  possible,
  orderId,
  activity,
}: {
  row: ResultRow;
  notices: readonly Notice[];
  expected: Expected | undefined;
  criteria: readonly { id: string; text: string }[];
  zone: string;
  possible: Possible;
  orderId: string;
  activity: Activity;
}) {
  // Results from paper do not say how it felt.
  const last = row.goes.findLast((go) => go.source === "device");
  const chosen = chosenBy(activity, row);
  const answers = [
    ...(chosen === null ? [] : [tell("result.chose", { answer: activity.answers!.list[chosen]!.text })]),
    ...row.goes.flatMap((go) => go.reflection.answers.filter(Boolean)),
  ];
  return (
    <tr className="row-line align-top">
      <td className="py-2 pr-2 font-semibold whitespace-nowrap">
        <Link to={`/children/${row.childId}`} className="hover:underline">
          {row.child}
        </Link>{" "}
        {row.level !== null && activity.levels && <LevelOf row={row} count={activity.levels.list.length} />}
        <Link
          to={`sheets?card=${row.cardId}`}
          aria-label={`Print the card for ${row.child}`}
          title="Print this card"
          className="inline-grid size-6 place-items-center align-middle text-quiet hover:text-ink"
        >
          <Printer size={14} aria-hidden="true" />
        </Link>
      </td>
      <td className="py-2 pr-3">{row.age}</td>
      <BestCell row={row} activity={activity} notices={notices} />
      <td className="py-2 pr-3">
        <span className="flex flex-wrap gap-1.5">
          {row.goes.map((go) =>
            go.source === "paper" ? (
              <PaperGo
                key={go.playId}
                skill={activity.aim.action}
                go={go}
                possible={possible}
                orderId={orderId}
                child={row.child}
              />
            ) : (
              <GoTag
                key={go.playId}
                go={go}
                activity={activity}
                zone={zone}
                looks={go.corrected?.score === null ? [] : lookWords(go, expected, row.unlikely.get(go.playId))}
              />
            ),
          )}
          {row.begun > 0 && (
            <span className="tag border-dashed border-hair font-normal">{tell("result.begun", { n: row.begun })}</span>
          )}
          {row.conflicts > 0 && <span className="tag border-coral">two versions arrived</span>}
        </span>
        {answers.length > 0 && (
          <details className="text-sm text-quiet">
            <summary>answers</summary>
            {answers.map((answer, i) => (
              <p key={`${i + 1} ${answer}`}>{answer}</p>
            ))}
          </details>
        )}
      </td>
      <td className="py-2 pr-3 text-sm whitespace-nowrap">
        {last
          ? [last.reflection.before, last.reflection.during, last.reflection.after].map((f) => f ?? "–").join(" ")
          : ""}
      </td>
      {criteria.map((criterion) => (
        <td key={criterion.id} className="py-1.5 pr-2">
          <Mark
            cardId={row.cardId}
            criterion={criterion}
            child={row.child}
            mark={row.marks.get(criterion.id) ?? null}
            says={last?.reflection.criteria.includes(criterion.id) ?? false}
          />
        </td>
      ))}
    </tr>
  );
}

function Mark({
  cardId,
  criterion,
  child,
  mark,
  says,
}: {
  cardId: string;
  criterion: { id: string; text: string };
  child: string;
  mark: (typeof MARKS)[number] | null;
  says: boolean;
}) {
  const fetcher = useFetcher();
  const pending = fetcher.formData?.get("mark");
  const now = pending === undefined || pending === null ? (mark ?? "") : String(pending);
  return (
    <fetcher.Form method="post" className="flex items-center gap-1">
      <input type="hidden" name="cardId" value={cardId} />
      <input type="hidden" name="criterion" value={criterion.id} />
      <select
        name="mark"
        value={now}
        onChange={(event) => fetcher.submit(event.currentTarget.form)}
        onKeyDown={(event) => {
          // Enter moves down the column, and Shift with Enter moves up.
          if (event.key !== "Enter") return;
          event.preventDefault();
          const column = [...document.querySelectorAll<HTMLElement>(`select[data-criterion="${criterion.id}"]`)];
          column[column.indexOf(event.currentTarget) + (event.shiftKey ? -1 : 1)]?.focus();
        }}
        data-criterion={criterion.id}
        aria-label={`${child}: ${criterion.text}`}
        className={`py-0.5 text-sm ${now === "yes" ? "border-teal font-bold" : ""}`}
      >
        <option value="">–</option>
        {MARKS.map((mode) => (
          <option key={mode} value={mode}>
            {label(`mark.${mode}`)}
          </option>
        ))}
      </select>
      {says && (
        <span title="The child ticked it" className="text-plum">
          ✓
        </span>
      )}
      <noscript>
        <button type="submit" className="btn btn-small">
          Mark
        </button>
      </noscript>
    </fetcher.Form>
  );
}

/** Shows the score of a go played on a device, with notes about it. `looks` lists the reasons to check it. */
function GoTag({ go, activity, zone, looks }: { go: Go; activity: Activity; zone: string; looks: readonly string[] }) {
  const notes = [
    go.score.match !== null && tell("result.match", { n: go.score.match }),
    go.timing === "sentLater" && label("go.sentLater"),
    go.timing === "tooLate" && label("go.tooLate"),
    go.beyond && label("go.beyond"),
    go.score.stopped && label("go.stopped"),
    ...setWords(activity, go.score),
    go.clockDoubt && label("go.clock"),
    go.unversioned && label("go.unversioned"),
    ...looks,
  ].filter(Boolean);
  return (
    <span
      className={`tag ${go.counts ? "" : "border-coral border-dashed"}`}
      title={`${when(go.startedAt, zone)}, ${sayWorking(go.score.working)}`}
    >
      {go.score.unit === "tenths" ? tellScore(go.score.value, go.score.unit) : go.score.value}
      {go.setup.players > 1 && <span className="font-normal"> {tell("result.with", { n: go.setup.players - 1 })}</span>}
      {notes.length > 0 && <span className="font-normal text-quiet"> {notes.join(", ")}</span>}
    </span>
  );
}

/** Shows the best go, its settings, and any notices. */
const BestCell = ({ row, activity, notices }: { row: ResultRow; activity: Activity; notices: readonly Notice[] }) => (
  <td className="py-2 pr-3 font-bold whitespace-nowrap">
    {row.best ? (
      <>
        {tellScore(row.best.score.value, row.best.score.unit, activity.aim.action)}
        {setWords(activity, row.best.score).map((setWord) => (
          <span key={setWord} className="block text-sm font-normal text-quiet">
            {setWord}
          </span>
        ))}
      </>
    ) : (
      <span className="font-normal text-quiet">–</span>
    )}
    {notices.map((notice) => (
      <span
        key={notice}
        className="mt-0.5 block w-fit rounded-sm border-l-4 border-coral bg-raised px-1.5 text-sm font-semibold"
      >
        {label(`notice.${notice}`)}
      </span>
    ))}
  </td>
);
