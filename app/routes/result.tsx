import { Download, Printer } from "lucide-react";
import { useEffect, useRef } from "react";
import { data, Form, Link, useFetcher } from "react-router";
import { problemsOf } from "#core/formats/activity.ts";
import { beatsMark, settingOf } from "#core/records/rank.ts";
import { readScore } from "#core/records/score-text.ts";
import { closeAt, sendToChild, setLevel, withdraw } from "#server/assignments/change.ts";
import { codedResult, correctResult, paperResult } from "#server/assignments/corrections.ts";
import { askForLooks, criterionOrder, markCriterion, resultsFor } from "#server/assignments/results.ts";
import { matchesOf, pairHomes, unpairHomes } from "#server/assignments/two-homes.ts";
import { NotAllowed } from "#server/problem.ts";
import { shellOf } from "#server/school/classes.ts";
import { label } from "#words/teacher.ts";
import { tell, tellScore } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { fieldsOf, searchOf } from "../read.server.ts";
import { ByTarget } from "../results/by-target.tsx";
import { ChildrenStrip } from "../results/children-strip.tsx";
import { Chosen } from "../results/chosen.tsx";
import { HomeMatches } from "../results/home-matches.tsx";
import { arranged, NOTICES, noticesOf, SORTS } from "../results/notice.ts";
import { AddPaper } from "../results/paper.tsx";
import { ResultLine } from "../results/result-line.tsx";
import { Sending } from "../results/sending.tsx";
import { teacherOf } from "../session.server.ts";
import { Problems } from "../ui/problems.tsx";
import { useLookAgain } from "../ui/use-look-again.ts";
import { fromLocalInput, localInput, when } from "../when.ts";
import type { Route } from "./+types/result";

export const meta: Route.MetaFunction = ({ data: d }) => [
  { title: `${d?.results.activity.title ?? "Results"} · Daring Yard` },
];
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
    // The half of a class to which another game was sent.
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

/** Reads the score fields of a form, in the unit of the game. */
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
  const { results: r, zone, state } = loaderData;
  const skill = r.activity.aim.action;
  const show = (value: number) => (r.unit === "tenths" ? tellScore(value, r.unit, skill) : String(value));
  const problems = actionData && !actionData.ok ? actionData.problems : [];
  const saved = actionData?.ok ? actionData : null;
  useWorkingOut(r);
  return (
    <main className="mx-auto w-full max-w-7xl p-6">
      <Head data={loaderData} id={params.id} />
      {loaderData.sent && !saved && <SentNote data={loaderData} />}
      {saved?.told && saved.intent !== "pair" && (
        <p role="status" className="note note-good mb-3">
          {saved.told}
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
            message={saved?.intent === "pair" ? saved.told : ""}
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
      <Children
        data={loaderData}
        problems={problems.filter((problem) => problem.field === "result" || problem.field === "reason")}
      />
      <Chosen activity={r.activity} rows={r.rows} />
      <ByTarget activity={r.activity} rows={r.rows} />
      <ByHand data={loaderData} problems={problems} told={saved} />
    </main>
  );
}

type Data = Route.ComponentProps["loaderData"];
type Told = Extract<Route.ComponentProps["actionData"], { ok: true }> | null;
type ProblemList = readonly { field: string; message: string }[];

/** Reloads the page while results are being computed. Goes to check are computed only once somebody opens the page. */
function useWorkingOut(r: Data["results"]): void {
  // Which goes are worth a look is worked out only if somebody opens them, and shown when the page is opened again.
  const looks = useFetcher();
  const asked = useRef(false);
  useEffect(() => {
    if (!r.unlooked || asked.current) return;
    asked.current = true;
    void looks.submit({ intent: "looks" }, { method: "post" });
  }, [r.unlooked, looks]);
  useLookAgain(r.working);
}

/** Shows the title, how many children opened and played it, and the main actions. */
function Head({ data, id }: { data: Data; id: string }) {
  const { results: r } = data;
  const skill = r.activity.aim.action;
  const opened = r.rows.filter((row) => row.openedAt).length;
  const played = r.rows.filter((row) => row.goes.some((go) => go.corrected?.score !== null)).length;
  const beat = r.rows.filter(
    (row) => row.best && settingOf(row.best.score) === "" && beatsMark(row.best.score, r.mark),
  ).length;
  return (
    <div className="mb-3 flex flex-wrap items-end gap-x-5 gap-y-2">
      <div className="grow">
        <h1 className="text-3xl">{r.activity.title}</h1>
        <p className="text-quiet">
          {r.className}, {data.opens} – {data.closes}.{" "}
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
      <div className="flex flex-wrap gap-x-5 gap-y-2">
        <Link className="btn btn-main" to={`/results/${id}/next`}>
          Next week
        </Link>
        <Link className="btn" to={`/results/${id}/sheets`}>
          <Printer size={17} aria-hidden="true" /> Print cards
        </Link>
        <a className="btn" href={`/results/${id}/csv`} download>
          <Download size={17} aria-hidden="true" /> Export CSV
        </a>
      </div>
    </div>
  );
}

/** Confirms what was sent, and says where the links are. */
function SentNote({ data }: { data: Data }) {
  const { results: r } = data;
  return (
    <p role="status" className="note note-good mb-3">
      {tell("sent.told", { title: r.activity.title, n: r.rows.length, class: r.className })}{" "}
      <Link to={`/classes/${r.classId}/links`} className="underline">
        {tell("links.see", { class: r.className })}
      </Link>
      {" · "}
      <Link to="/outbox" className="underline">
        Open outbox
      </Link>
      {data.other && (
        <>
          {" "}
          {tell("sent.other")}{" "}
          <Link to={`/results/${data.other}`} className="underline">
            {tell("sent.otherLink")}
          </Link>
        </>
      )}
    </p>
  );
}

/** Lists the children with their goes and criteria, filtered and sorted as the teacher chose. */
function Children({ data, problems }: { data: Data; problems: ProblemList }) {
  const { results: r } = data;
  const rows = arranged(r.rows, r.expected, data);
  return (
    <section className="mt-6">
      <div className="mb-1 flex flex-wrap items-end gap-x-4 gap-y-2">
        <h2 className="grow text-xl">Children</h2>
        <Form method="get" className="flex min-w-0 flex-wrap items-center gap-3 text-sm" preventScrollReset>
          <label className="flex min-w-0 items-center gap-1.5">
            Show
            <select name="show" defaultValue={data.show} className="py-0.5">
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
            <select name="sort" defaultValue={data.sort} className="py-0.5">
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
        “Felt” shows how it felt before, while playing and after, from 1 (very bad) to 5 (great). “Best” is the best go
        that counts. In the criteria columns, press Enter to go to the next child. ✓ means the child ticked it
        themselves.
      </p>
      <Problems list={problems} />
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
              <ResultLine
                key={row.cardId}
                row={row}
                notices={noticesOf(row, r.expected[row.age])}
                expected={r.expected[row.age]}
                criteria={r.activity.criteria}
                zone={data.zone}
                possible={r.possible}
                orderId={data.orderId}
                activity={r.activity}
              />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Adds results from paper, or from the code that a device shows when it cannot hand in. */
function ByHand({ data, problems, told: saved }: { data: Data; problems: ProblemList; told: Told }) {
  const { results: r } = data;
  return (
    <section className="mt-8 max-w-3xl">
      <h2 className="mb-1 text-xl">Add a paper result</h2>
      <AddPaper
        rows={r.rows}
        skill={r.activity.aim.action}
        possible={r.possible}
        orderId={data.orderId}
        problems={problems.filter((problem) => ["value", "stage", "cardId", "orderId"].includes(problem.field))}
        added={saved?.intent === "paper"}
      />
      <h3 className="mt-5 mb-1 text-lg">Add a result by code</h3>
      <p className="text-sm text-quiet">
        A device that cannot save a game or hand it in shows a code. Type the code here to add the score.
      </p>
      <Problems list={problems.filter((problem) => problem.field === "code")} />
      {saved?.intent === "code" && (
        <p role="status" className="note note-good">
          {saved.told}
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
  );
}

function Figure({ n: name, what }: { n: string; what: string }) {
  return (
    <p className="leading-tight">
      <strong className="block font-head text-2xl">{name}</strong>
      <span className="text-sm text-quiet">{what}</span>
    </p>
  );
}
