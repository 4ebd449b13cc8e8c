import { Download } from "lucide-react";
import { data, Form, Link, useFetcher } from "react-router";
import { problemsOf } from "#core/formats/activity.ts";
import { MARKS } from "#core/records/play.ts";
import { criterionOrder, markCriterion, paperResult, type ResultRow, resultsFor } from "#server/assignments/results.ts";
import { shellOf } from "#server/school/classes.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { fieldsOf } from "../read.server.ts";
import { ChildrenStrip } from "../results/children-strip.tsx";
import { teacherOf } from "../session.server.ts";
import { Problems } from "../ui/problems.tsx";
import { when } from "../when.ts";
import { say, sayScore } from "../words/say.ts";
import { label } from "../words/teacher.ts";
import type { Route } from "./+types/result";

export const meta: Route.MetaFunction = ({ data: d }) => [
  { title: `${d?.results.activity.title ?? "Results"} · Daring Yard` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const [results, { zone }] = await Promise.all([found(resultsFor(who, idOf(params.id, "assignment"))), shellOf(who)]);
  return { results, zone, opens: when(results.opensAt, zone), closes: when(results.closesAt, zone) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "assignment");
  const fields = await fieldsOf(request);
  return answered(async () => {
    if (fields.intent === "paper") {
      const typed = String(fields.value ?? "").replace(",", ".");
      await paperResult(who, id, {
        cardId: String(fields.cardId),
        value: typed.trim() === "" ? Number.NaN : Number(typed),
        reachedTop: fields.reachedTop === "on",
      });
      return { ok: true as const, problems: [] };
    }
    const read = criterionOrder.safeParse({
      cardId: fields.cardId,
      criterion: fields.criterion,
      mark: fields.mark === "" ? null : fields.mark,
    });
    if (!read.success) return data({ ok: false as const, problems: problemsOf(read.error) }, { status: 422 });
    await markCriterion(who, id, read.data);
    return { ok: true as const, problems: [] };
  });
}

export default function Result({ loaderData, actionData, params }: Route.ComponentProps) {
  const { results: r, zone } = loaderData;
  const opened = r.rows.filter((x) => x.openedAt).length;
  const played = r.rows.filter((x) => x.goes.length > 0).length;
  const beat =
    r.mark === null
      ? 0
      : r.rows.filter(
          (x) => x.best && (r.unit === "points" ? x.best.score.value > r.mark! : x.best.score.value < r.mark!),
        ).length;
  const show = (v: number) => (r.unit === "tenths" ? (v / 10).toFixed(0) : String(v));
  return (
    <main className="mx-auto w-full max-w-7xl p-6">
      <div className="mb-3 flex flex-wrap items-end gap-x-5 gap-y-2">
        <div className="grow">
          <h1 className="text-3xl">{r.activity.title}</h1>
          <p className="text-quiet">
            {r.className}, {loaderData.opens} to {loaderData.closes}.{" "}
            <Link className="underline" to={`/activities/${r.activityId}`}>
              The activity
            </Link>
          </p>
        </div>
        <Figure n={`${opened} of ${r.rows.length}`} what="opened" />
        <Figure n={`${played} of ${r.rows.length}`} what="played" />
        {r.mark !== null && <Figure n={`${beat}`} what={`beat your ${show(r.mark)}`} />}
        <a className="btn" href={`/results/${params.id}/csv`} download>
          <Download size={17} aria-hidden="true" /> CSV
        </a>
      </div>
      <ChildrenStrip
        rows={r.rows}
        expected={r.expected}
        mark={r.mark}
        unit={say(`unit.${r.unit}`, { value: 2 })}
        show={show}
      />
      <section className="mt-6">
        <h2 className="mb-1 text-xl">Children</h2>
        <div className="overflow-x-auto">
          <table className="w-full text-left text-[0.95rem]">
            <thead>
              <tr className="border-b-2 border-ink align-bottom text-sm">
                <th className="py-1.5 font-semibold">Child</th>
                <th className="pr-3 font-semibold">Age</th>
                <th className="font-semibold">Best</th>
                <th className="font-semibold">All goes</th>
                <th className="font-semibold">Felt</th>
                {r.activity.criteria.map((c) => (
                  <th key={c.id} className="max-w-44 pr-2 font-semibold">
                    {c.text}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {r.rows.map((row) => (
                <Row key={row.cardId} row={row} criteria={r.activity.criteria} zone={zone} />
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <section className="mt-8 max-w-2xl">
        <h2 className="mb-1 text-xl">A result from paper</h2>
        <Problems list={actionData && !actionData.ok ? actionData.problems : []} />
        {actionData?.ok && <p className="note note-good">It was added.</p>}
        <Form method="post" className="mt-2 flex flex-wrap items-end gap-3">
          <label className="field">
            <span>Child</span>
            <select name="cardId" required>
              {r.rows.map((x) => (
                <option key={x.cardId} value={x.cardId}>
                  {x.child}
                </option>
              ))}
            </select>
          </label>
          <label className="field">
            <span>Score in {say(`unit.${r.unit}`, { value: 2 })}</span>
            <input name="value" inputMode="decimal" className="w-28" required />
          </label>
          <label className="flex h-9 items-center gap-2">
            <input type="checkbox" name="reachedTop" /> reached the end
          </label>
          <button type="submit" name="intent" value="paper" className="btn">
            Add
          </button>
        </Form>
      </section>
    </main>
  );
}

function Figure({ n, what }: { n: string; what: string }) {
  return (
    <p className="leading-tight">
      <strong className="block font-head text-2xl">{n}</strong>
      <span className="text-sm text-quiet">{what}</span>
    </p>
  );
}

function Row({
  row: r,
  criteria,
  zone,
}: {
  row: ResultRow;
  criteria: readonly { id: string; text: string }[];
  zone: string;
}) {
  const last = r.goes[r.goes.length - 1];
  const answers = r.goes.flatMap((g) => g.reflection.answers.filter(Boolean));
  return (
    <tr className="row-line align-top">
      <td className="py-2 pr-2 font-semibold whitespace-nowrap">{r.child}</td>
      <td className="py-2 pr-3">{r.age}</td>
      <td className="py-2 pr-3 font-bold whitespace-nowrap">
        {r.best ? (
          sayScore(r.best.score.value, r.best.score.unit)
        ) : (
          <span className="font-normal text-quiet">
            {r.goes.length > 0 ? "none counts" : r.openedAt ? "only looked" : "not opened"}
          </span>
        )}
      </td>
      <td className="py-2 pr-3">
        <span className="flex flex-wrap gap-1.5">
          {r.goes.map((g) => {
            const notes = [
              g.score.match !== null && `match ${g.score.match}`,
              g.source === "paper" && "paper",
              g.timing === "sentLater" && "sent later",
              g.timing === "tooLate" && "too late",
              g.beyond && "beyond the tries",
              g.score.stopped && "stopped",
              g.clockDoubt && "clock?",
            ].filter(Boolean);
            return (
              <span
                key={g.playId}
                className={`tag ${g.counts ? "" : "border-coral border-dashed"}`}
                title={`${when(g.startedAt, zone)}, ${g.score.working}`}
              >
                {g.score.unit === "tenths" ? (g.score.value / 10).toFixed(1) : g.score.value}
                {g.setup.players > 1 && <span className="font-normal"> with {g.setup.players - 1}</span>}
                {notes.length > 0 && <span className="font-normal text-quiet"> {notes.join(", ")}</span>}
              </span>
            );
          })}
          {r.begun > 0 && <span className="tag border-dashed border-hair font-normal">{r.begun} begun</span>}
          {r.conflicts > 0 && <span className="tag border-coral">two versions arrived</span>}
        </span>
        {answers.length > 0 && (
          <details className="text-sm text-quiet">
            <summary>answers</summary>
            {answers.map((a, i) => (
              <p key={`${i + 1} ${a}`}>{a}</p>
            ))}
          </details>
        )}
      </td>
      <td className="py-2 pr-3 text-sm whitespace-nowrap">
        {last
          ? [last.reflection.before, last.reflection.during, last.reflection.after].map((f) => f ?? "–").join(" ")
          : ""}
      </td>
      {criteria.map((c) => (
        <td key={c.id} className="py-1.5 pr-2">
          <Mark
            cardId={r.cardId}
            criterion={c}
            child={r.child}
            mark={r.marks[c.id] ?? null}
            says={last?.reflection.criteria.includes(c.id) ?? false}
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
        onChange={(e) => fetcher.submit(e.currentTarget.form)}
        aria-label={`${child}: ${criterion.text}`}
        className={`py-0.5 text-sm ${now === "yes" ? "border-teal font-bold" : ""}`}
      >
        <option value="">–</option>
        {MARKS.map((m) => (
          <option key={m} value={m}>
            {label(`mark.${m}`)}
          </option>
        ))}
      </select>
      {says && (
        <span title="The child says so" className="text-plum">
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
