import { Download, Printer } from "lucide-react";
import { useEffect, useRef } from "react";
import { data, Form, Link, useFetcher, useRevalidator } from "react-router";
import type { Unlikely } from "#core/estimate/unlikely.ts";
import type { Activity } from "#core/formats/activity.ts";
import { problemsOf } from "#core/formats/activity.ts";
import { MARKS } from "#core/records/play.ts";
import { beatsMark, settingOf } from "#core/records/rank.ts";
import { readScore } from "#core/records/score-text.ts";
import { closeAt, sendToChild, setLevel, withdraw } from "#server/assignments/change.ts";
import { codedResult, correctResult, paperResult } from "#server/assignments/corrections.ts";
import type { Go } from "#server/assignments/goes.ts";
import { askForLooks, criterionOrder, markCriterion, type ResultRow, resultsFor } from "#server/assignments/results.ts";
import { matchesOf, pairHomes, unpairHomes } from "#server/assignments/two-homes.ts";
import type { Expected } from "#server/compute/work.ts";
import { NotAllowed } from "#server/problem.ts";
import { shellOf } from "#server/school/classes.ts";
import { sayWorking } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell, tellScore } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { fieldsOf, searchOf } from "../read.server.ts";
import { ByTarget } from "../results/by-target.tsx";
import { ChildrenStrip } from "../results/children-strip.tsx";
import { Chosen, chosenBy } from "../results/chosen.tsx";
import { HomeMatches } from "../results/home-matches.tsx";
import { arranged, looksAt, NOTICES, type Notice, noticesOf, SORTS } from "../results/notice.ts";
import { AddPaper, PaperGo } from "../results/paper.tsx";
import { Sending } from "../results/sending.tsx";
import { setWords } from "../results/set-words.ts";
import { teacherOf } from "../session.server.ts";
import { problemText } from "../ui/problem-text.ts";
import { Problems } from "../ui/problems.tsx";
import { fromLocalInput, localInput, when } from "../when.ts";
import type { Route } from "./+types/result";

export const meta: Route.MetaFunction = ({ data: d }) => [
  { title: `${d?.results.activity.title ?? "Results"} · Daring Yard` },
];
/** While the expected bands are being worked out the page looks again so often, milliseconds. */
const LOOK_AGAIN = 2000;

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "assignment");
  const [results, pairs, { zone }] = await Promise.all([
    found(resultsFor(who, id)),
    found(matchesOf(who, id)),
    shellOf(who),
  ]);
  const now = Date.now();
  const asked = searchOf(request);
  return {
    results,
    pairs,
    zone,
    opens: when(results.opensAt, zone),
    closes: when(results.closesAt, zone),
    closesLocal: localInput(results.closesAt, zone),
    state: results.withdrawnAt
      ? ("withdrawn" as const)
      : results.opensAt.getTime() > now
        ? ("opens" as const)
        : results.closesAt.getTime() > now
          ? ("open" as const)
          : ("closed" as const),
    sent: asked.has("sent"),
    // Half of a class that another game was sent to.
    other: asked.get("other") ? idOf(asked.get("other")!, "assignment") : null,
    show: NOTICES.find((notice) => notice === asked.get("show")) ?? ("all" as const),
    sort: SORTS.find((sort) => sort === asked.get("sort")) ?? ("age" as const),
    orderId: crypto.randomUUID(),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "assignment");
  const fields = await fieldsOf(request);
  const done = (intent: string, told = "") => ({ ok: true as const, problems: [], intent, told });
  return answered(async () => {
    switch (fields.intent) {
      case "paper":
        await paperResult(who, id, {
          orderId: fields.orderId ?? "",
          cardId: fields.cardId ?? "",
          ...(await typedScore(who, id, fields)),
        });
        return done("paper");
      case "code":
        return done("code", tell("result.coded", { name: await codedResult(who, id, fields.code ?? "") }));
      case "correct":
        await correctResult(who, id, {
          orderId: fields.orderId ?? "",
          playId: fields.playId ?? "",
          replaces: fields.replaces || null,
          reason: fields.reason ?? "",
          to: fields.to === "gone" || fields.to === "again" ? fields.to : await typedScore(who, id, fields),
        });
        return done("correct");
      case "takeBack":
      case "putBack":
        await withdraw(who, id, fields.intent === "putBack");
        return done(fields.intent);
      case "closeNow":
      case "closeAt": {
        const { zone } = await shellOf(who);
        const at = fields.intent === "closeNow" ? new Date() : fromLocalInput(fields.closesAt ?? "", zone);
        await closeAt(who, id, at ?? new Date(Number.NaN));
        return done(fields.intent);
      }
      case "pairAll":
        return done("pair", tell("pair.done", { count: await pairHomes(who, id, null) }));
      case "pair": {
        const two = [fields.one, fields.two].map((child) => {
          if (!child) throw NotAllowed.of("pair", "Choose two children to pair.");
          return idOf(child, "child");
        });
        return done("pair", tell("pair.done", { count: await pairHomes(who, id, [two[0]!, two[1]!]) }));
      }
      case "unpair":
        await unpairHomes(who, id, idOf(fields.matchId, "match"));
        return done("pair", tell("pair.gone"));
      case "level":
        await setLevel(who, id, idOf(fields.childId, "child"), Number(fields.level));
        return done("level", tell("level.changed"));
      case "looks":
        await askForLooks(who, id);
        return done("looks");
      case "oneMore": {
        const childId = idOf(fields.childId, "child");
        const got = await sendToChild(who, id, childId);
        const { rows } = await resultsFor(who, id);
        const name = rows.find((row) => row.childId === childId)?.child ?? "";
        return done("oneMore", tell(got ? "sent.oneMore" : "sent.hadIt", { name }));
      }
    }
    const read = criterionOrder.safeParse({
      cardId: fields.cardId,
      criterion: fields.criterion,
      mark: fields.mark === "" ? null : fields.mark,
    });
    if (!read.success) return data({ ok: false as const, problems: problemsOf(read.error) }, { status: 422 });
    await markCriterion(who, id, read.data);
    return done("mark");
  });
}

/** The score fields of a form, in the unit of the game. */
async function typedScore(who: Parameters<typeof resultsFor>[0], id: string, fields: Record<string, string>) {
  const { unit } = await resultsFor(who, id);
  const stage = (fields.stage ?? "").trim();
  return {
    value: readScore(fields.value ?? "", unit) ?? Number.NaN,
    reachedTop: fields.reachedTop === "on",
    stage: stage === "" ? null : Number(stage),
  };
}

export default function Result({ loaderData, actionData, params }: Route.ComponentProps) {
  const { results: r, zone, state, orderId } = loaderData;
  const skill = r.activity.aim.action;
  const opened = r.rows.filter((row) => row.openedAt).length;
  const played = r.rows.filter((row) => row.goes.some((go) => go.corrected?.score !== null)).length;
  const beat = r.rows.filter(
    (row) => row.best && settingOf(row.best.score) === "" && beatsMark(row.best.score, r.mark),
  ).length;
  const rows = arranged(r.rows, r.expected, loaderData);
  const show = (value: number) => (r.unit === "tenths" ? tellScore(value, r.unit, skill) : String(value));
  const problems = actionData && !actionData.ok ? actionData.problems : [];
  const told = actionData?.ok ? actionData : null;
  const { revalidate } = useRevalidator();
  // Only where somebody looks at goes it is worked out which of them are worth a look; it shows when the page is opened again.
  const looks = useFetcher();
  const asked = useRef(false);
  useEffect(() => {
    if (!r.unlooked || asked.current) return;
    asked.current = true;
    void looks.submit({ intent: "looks" }, { method: "post" });
  }, [r.unlooked, looks]);
  useEffect(() => {
    if (!r.working) return;
    const timeout = setInterval(() => void revalidate(), LOOK_AGAIN);
    return () => clearInterval(timeout);
  }, [r.working, revalidate]);
  return (
    <main className="mx-auto w-full max-w-7xl p-6">
      <div className="mb-3 flex flex-wrap items-end gap-x-5 gap-y-2">
        <div className="grow">
          <h1 className="text-3xl">{r.activity.title}</h1>
          <p className="text-quiet">
            {r.className}, {loaderData.opens} – {loaderData.closes}.{" "}
            <Link className="underline" to={`/activities/${r.activityId}`}>
              Open activity
            </Link>
          </p>
        </div>
        <Figure n={tell("result.of", { n: opened, all: r.rows.length })} what="opened it" />
        <Figure n={tell("result.of", { n: played, all: r.rows.length })} what="played it" />
        {r.mark !== null && (
          <Figure n={`${beat}`} what={tell("result.beat", { n: beat, mark: tellScore(r.mark, r.unit, skill) })} />
        )}
        <Link className="btn btn-main" to={`/results/${params.id}/next`}>
          Next week
        </Link>
        <Link className="btn" to={`/results/${params.id}/sheets`}>
          <Printer size={17} aria-hidden="true" /> Print cards
        </Link>
        <a className="btn" href={`/results/${params.id}/csv`} download>
          <Download size={17} aria-hidden="true" /> Export CSV
        </a>
      </div>
      {loaderData.sent && !told && (
        <p role="status" className="note note-good mb-3">
          {tell("sent.told", { title: r.activity.title, n: r.rows.length, class: r.className })}{" "}
          <Link to={`/classes/${r.classId}/links`} className="underline">
            {tell("links.see", { class: r.className })}
          </Link>
          {" · "}
          <Link to="/outbox" className="underline">
            Open outbox
          </Link>
          {loaderData.other && (
            <>
              {" "}
              {tell("sent.other")}{" "}
              <Link to={`/results/${loaderData.other}`} className="underline">
                {tell("sent.otherLink")}
              </Link>
            </>
          )}
        </p>
      )}
      {told?.told && told.intent !== "pair" && (
        <p role="status" className="note note-good mb-3">
          {told.told}
        </p>
      )}
      <section aria-label="This activity" className="mb-4">
        <Sending
          state={state}
          closes={loaderData.closes}
          closesLocal={loaderData.closesLocal}
          zone={zone}
          without={r.without}
          problems={problems}
        />
        {loaderData.pairs.can && (
          <HomeMatches
            matches={loaderData.pairs.matches}
            skill={skill}
            free={loaderData.pairs.free}
            problems={problems}
            told={told?.intent === "pair" ? told.told : ""}
            open={state === "open" || state === "opens"}
          />
        )}
      </section>
      <ChildrenStrip
        rows={r.rows}
        expected={r.expected}
        mark={r.mark}
        of={r.unit}
        unit={label(`unit.${r.unit}`, attemptWordsForTeacher(skill))}
        show={show}
        sayMark={(value) => tellScore(value, r.unit, skill)}
      />
      {r.working && (
        <p role="status" className="text-sm text-quiet">
          Working out what to expect at each age …
        </p>
      )}
      <section className="mt-6">
        <div className="mb-1 flex flex-wrap items-end gap-x-4 gap-y-2">
          <h2 className="grow text-xl">Children</h2>
          <Form method="get" className="flex flex-wrap items-center gap-3 text-sm" preventScrollReset>
            <label className="flex items-center gap-1.5">
              Show
              <select name="show" defaultValue={loaderData.show} className="py-0.5">
                <option value="all">all ({r.rows.length})</option>
                {NOTICES.map((notice) => (
                  <option key={notice} value={notice}>
                    {label(`notice.${notice}`)} (
                    {r.rows.filter((row) => noticesOf(row, r.expected[row.age]).includes(notice)).length})
                  </option>
                ))}
              </select>
            </label>
            <label className="flex items-center gap-1.5">
              Sort by
              <select name="sort" defaultValue={loaderData.sort} className="py-0.5">
                {SORTS.map((sort) => (
                  <option key={sort} value={sort}>
                    {label(`sort.${sort}`)}
                  </option>
                ))}
              </select>
            </label>
            <button type="submit" className="btn btn-quiet btn-small">
              Show
            </button>
          </Form>
        </div>
        <p className="text-sm text-quiet">
          “Felt” shows how it felt before, while playing and after, from 1 (very bad) to 5 (great). “Best” is the best
          go that counts. In the criteria columns, press Enter to go to the next child. ✓ means the child ticked it
          themselves.
        </p>
        <Problems list={problems.filter((problem) => problem.field === "result" || problem.field === "reason")} />
        <div className="overflow-x-auto">
          <table className="w-full text-left text-[0.95rem]">
            <thead>
              <tr className="border-b-2 border-ink align-bottom text-sm">
                <th className="py-1.5 font-semibold">Child</th>
                <th className="pr-3 font-semibold">Age</th>
                <th className="font-semibold">Best</th>
                <th className="font-semibold">All goes</th>
                <th className="font-semibold">Felt</th>
                {r.activity.criteria.map((criterion) => (
                  <th key={criterion.id} className="max-w-44 pr-2 font-semibold">
                    {criterion.text}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row
                  key={row.cardId}
                  row={row}
                  notices={noticesOf(row, r.expected[row.age])}
                  expected={r.expected[row.age]}
                  criteria={r.activity.criteria}
                  zone={zone}
                  possible={r.possible}
                  orderId={orderId}
                  activity={r.activity}
                />
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <Chosen activity={r.activity} rows={r.rows} />
      <ByTarget activity={r.activity} rows={r.rows} />
      <section className="mt-8 max-w-3xl">
        <h2 className="mb-1 text-xl">Add a paper result</h2>
        <AddPaper
          rows={r.rows}
          skill={skill}
          possible={r.possible}
          orderId={orderId}
          problems={problems.filter((problem) => ["value", "stage", "cardId", "orderId"].includes(problem.field))}
          added={told?.intent === "paper"}
        />
        <h3 className="mt-5 mb-1 text-lg">Add a result by code</h3>
        <p className="text-sm text-quiet">
          A device that cannot save a game or hand it in shows a code. Type the code here to add the score.
        </p>
        <Problems list={problems.filter((problem) => problem.field === "code")} />
        {told?.intent === "code" && (
          <p role="status" className="note note-good">
            {told.told}
          </p>
        )}
        <Form method="post" className="mt-2 flex flex-wrap items-end gap-3">
          <label className="field">
            <span>Code</span>
            <input name="code" required maxLength={40} autoComplete="off" className="w-80 font-mono" />
          </label>
          <button type="submit" name="intent" value="code" className="btn">
            Add result
          </button>
        </Form>
      </section>
    </main>
  );
}

/** The level that a child has; another one makes its card again, unless it was begun. */
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

/** Why a go is worth a look, in words. */
const lookWords = (go: Go, expected: Expected | undefined, unlikely: Unlikely | undefined): string[] =>
  looksAt(go, expected, unlikely).map((line) =>
    line === "unlikely" && unlikely
      ? tell("look.unlikely", { ...unlikely, expected: Math.round(unlikely.expected) })
      : label(`look.${line}`),
  );

function Figure({ n: name, what }: { n: string; what: string }) {
  return (
    <p className="leading-tight">
      <strong className="block font-head text-2xl">{name}</strong>
      <span className="text-sm text-quiet">{what}</span>
    </p>
  );
}

function Row({
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
  possible: Route.ComponentProps["loaderData"]["results"]["possible"];
  orderId: string;
  activity: Activity;
}) {
  // A sheet of paper says nothing of how it felt.
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
      <td className="py-2 pr-3">
        <span className="flex flex-wrap gap-1.5">
          {row.goes.map((go) => {
            const notes = [
              go.score.match !== null && tell("result.match", { n: go.score.match }),
              go.timing === "sentLater" && label("go.sentLater"),
              go.timing === "tooLate" && label("go.tooLate"),
              go.beyond && label("go.beyond"),
              go.score.stopped && label("go.stopped"),
              ...setWords(activity, go.score),
              go.clockDoubt && label("go.clock"),
              go.unversioned && label("go.unversioned"),
              ...(go.corrected?.score === null ? [] : lookWords(go, expected, row.unlikely.get(go.playId))),
            ].filter(Boolean);
            if (go.source === "paper")
              return (
                <PaperGo
                  key={go.playId}
                  skill={activity.aim.action}
                  go={go}
                  possible={possible}
                  orderId={orderId}
                  child={row.child}
                />
              );
            return (
              <span
                key={go.playId}
                className={`tag ${go.counts ? "" : "border-coral border-dashed"}`}
                title={`${when(go.startedAt, zone)}, ${sayWorking(go.score.working)}`}
              >
                {go.score.unit === "tenths" ? tellScore(go.score.value, go.score.unit) : go.score.value}
                {go.setup.players > 1 && (
                  <span className="font-normal"> {tell("result.with", { n: go.setup.players - 1 })}</span>
                )}
                {notes.length > 0 && <span className="font-normal text-quiet"> {notes.join(", ")}</span>}
              </span>
            );
          })}
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
          // Down the column, and with Shift up again.
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
