import { Printer } from "lucide-react";
import { lazy, Suspense } from "react";
import { Form, Link } from "react-router";
import { isSend } from "#core/actions/actions.ts";
import { SUPPORT_IDS, SUPPORT_KINDS, SUPPORTS } from "#core/compile/support.ts";
import { type Lean, pulls } from "#core/estimate/lean.ts";
import { plainly, plateChance, usualRun } from "#core/estimate/plainly.ts";
import { breather, inSteps } from "#server/breathe.ts";
import { childPage } from "#server/children/child.ts";
import { saveSupports } from "#server/children/supports.ts";
import { shellOf } from "#server/school/classes.ts";
import { sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell, tellScore } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { answered, foundOwn, idOf } from "../answer.server.ts";
import type { Point } from "../children/accuracy-chart.tsx";
import { GoesTable, type GoRow } from "../children/goes-table.tsx";
import { bestsOf, changesOf, marksOf, moodOf } from "../children/of-goes.ts";
import { fieldsOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { exceptForView } from "../ui/table/columns.ts";
import { useLookAgain } from "../ui/use-look-again.ts";
import { day, when } from "../when.ts";
import type { Route } from "./+types/child";

const AccuracyChart = lazy(() => import("../children/accuracy-chart.tsx"));

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `${d?.child.name ?? "Child"} · Daring Yard` }];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "child");
  const [child, shell] = await Promise.all([foundOwn(who, "child", id, childPage(who, id)), shellOf(who)]);
  const { age, goes, cards, ...rest } = child;
  const breathe = breather();
  const courses = [];
  for (const course of child.courses) {
    const of = (value: number) =>
      course.axis === "spread" && isSend(course.action)
        ? Math.round(100 * plateChance(course.action, value, age)) / 10
        : Math.round(10 * usualRun(value, age)) / 10;
    const rises = (x: { low: number; high: number }) => [of(x.low), of(x.high)].sort((a, b) => a - b);
    courses.push({
      action: course.action,
      axis: course.axis,
      now: plainly(course.action, course.axis, course.now.middle, age),
      ends: rises(course.now),
      points: await inSteps(
        course.weeks,
        (week): Point => ({
          week: day(week.at, shell),
          middle: of(week.middle),
          range: rises(week) as [number, number],
          tries: week.tries,
        }),
        breathe,
      ),
    });
  }
  return {
    child: {
      ...rest,
      age,
      known: child.known.map(
        ([action, knownAction]) => [action, { ...knownAction, last: day(knownAction.last, shell) }] as const,
      ),
      courses,
      bests: bestsOf(goes),
      marks: marksOf(cards),
      changes: changesOf(cards),
      mood: moodOf(goes),
      // Only what the page shows of each game, because a year has many.
      games: await inSteps(
        cards,
        (card) => ({ assignmentId: card.assignmentId, name: `${card.title}, ${day(card.opensAt, shell)}` }),
        breathe,
      ),
      goes: await inSteps(
        goes,
        (go): GoRow => ({
          id: go.playId,
          assignmentId: go.assignmentId,
          at: when(go.startedAt, shell),
          began: go.startedAt.getTime(),
          title: go.title,
          score: tellScore(go.score.value, go.score.unit, go.action),
          value: go.score.value,
          sends: go.score.sends,
          with: go.source === "paper" ? "on paper" : go.setup.players === 1 ? "alone" : `${go.setup.players}`,
        }),
        breathe,
      ),
    },
  };
}

/** A new order or search of the goes needs nothing from the server. */
export const shouldRevalidate = exceptForView();

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const fields = await fieldsOf(request);
  return answered(async () => {
    await saveSupports(
      who,
      idOf(params.id, "child"),
      Object.keys(fields).flatMap((key) => (key.startsWith("support ") ? [key.slice(8)] : [])),
    );
    return { ok: true as const, problems: [] };
  });
}

/** Describes a child's bias to one side, and wild attempts. A bias that may be chance is left out. */
function leanText({ pieces, along, across, wild }: Lean): string {
  const cm = (metres: number) => Math.round(100 * Math.abs(metres));
  return tell("child.lean", {
    n: pieces,
    along: !pulls(along) ? "no" : along.by < 0 ? "short" : "long",
    far: cm(along.by),
    across: !pulls(across) ? "no" : across.by < 0 ? "left" : "right",
    aside: cm(across.by),
    wild: Math.round(wild),
  });
}

type Child = Route.ComponentProps["loaderData"]["child"];

export default function ChildPage({ loaderData, actionData }: Route.ComponentProps) {
  const { child: c } = loaderData;
  useLookAgain(c.working);
  return (
    <Page className="print:max-w-none print:p-0 print:text-[13px]">
      <PageHead
        above={{ to: `/homes?class=${c.classId}`, name: c.className }}
        title={c.name}
        about={`${c.age} years${c.leftHanded ? ", left-handed" : ""}`}
      >
        <Button onClick={() => print()}>
          <Printer size={17} aria-hidden="true" /> Print for a parents' evening
        </Button>
        <ButtonLink to={`/homes/${c.id}`}>Home and link</ButtonLink>
      </PageHead>
      {c.working && (
        <p role="status" className="text-sm text-quiet print:hidden">
          Working out the latest games …
        </p>
      )}
      {c.courses.length === 0 && <p className="note">{tell("child.none", { name: c.name, age: c.age })}</p>}
      <div className="grid gap-6 lg:grid-cols-2 print:grid-cols-2 print:gap-x-5 print:gap-y-2">
        {c.courses.map((course) => (
          <Course key={`${course.action} ${course.axis}`} child={c} course={course} />
        ))}
      </div>
      <div className="mt-6 grid gap-6 lg:grid-cols-2 print:mt-3 print:block print:columns-2 print:gap-x-5">
        <Bests child={c} />
        <Criteria child={c} />
        {c.changes.length > 0 && <Changes child={c} />}
        <Support child={c} saved={actionData !== undefined && "ok" in actionData && actionData.ok === true} />
        <GoesTable goes={c.goes} />
      </div>
    </Page>
  );
}

/** How one action has developed: in words, as a chart, and as a table for people who hear the page. */
function Course({ child: c, course }: { child: Child; course: Child["courses"][number] }) {
  const k = new Map(c.known).get(course.action);
  const plate = course.axis === "spread" && isSend(course.action);
  const lean = c.leans[course.action];
  return (
    <section className="border-t-2 border-ink pt-3 print:break-inside-avoid print:pt-1">
      <h2 className="text-xl">{label(`action.${course.action}`)}</h2>
      <p className="text-lg print:text-sm">
        {c.name.split(" ")[0]} {sayPhrase(course.now)}.
      </p>
      <p className="text-sm text-quiet">
        {tell("child.likely", { low: course.ends[0]!, high: course.ends[1]! })}{" "}
        {k && tell("child.rests", { tries: k.tries, when: k.last, ...attemptWordsForTeacher(course.action) })}
      </p>
      {lean && course.axis === "spread" && <p className="text-sm text-quiet">{leanText(lean)}</p>}
      <div className="chart-print">
        <Suspense fallback={<div className="h-[220px]" />}>
          <AccuracyChart points={course.points} unit={plate ? "hits in 10" : "in a row"} {...(plate && { most: 10 })} />
        </Suspense>
      </div>
      <table className="sr-only">
        <caption>{tell("child.weeks", { what: label(`action.${course.action}`) })}</caption>
        <thead>
          <tr>
            <th>Week ending</th>
            <th>{plate ? "Hits in 10" : "In a row"}</th>
            <th>Attempts</th>
          </tr>
        </thead>
        <tbody>
          {course.points.map((point) => (
            <tr key={point.week}>
              <td>{point.week}</td>
              <td>
                {point.middle} ({point.range[0]}–{point.range[1]})
              </td>
              <td>{point.tries}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Shows the best results, how much the child has played, and how they felt. */
const Bests = ({ child: c }: { child: Child }) => (
  <section>
    <h2 className="text-xl">Best results</h2>
    {c.bests.length === 0 && <p className="text-quiet">No results yet.</p>}
    <ul>
      {c.bests.map((best) => (
        <li key={best.title} className="row-line flex justify-between gap-4 py-1.5 print:py-0.5">
          <Link to={`/results/${best.assignmentId}`} className="hover:underline">
            {best.title}
          </Link>
          <strong>
            {best.score}
            {best.unfinished ? " (not finished)" : ""}
          </strong>
        </li>
      ))}
    </ul>
    {c.goes.length > 0 && (
      <p className="mt-3">
        {tell("child.played", {
          lately: Math.round(c.played.lately),
          week: Math.round(c.played.aWeek),
          weeks: c.played.weeks,
          goal: c.goal ?? 0,
          asked: c.goal === null ? "no" : "yes",
        })}
      </p>
    )}
    {c.mood && (
      <p className="mt-3">
        Felt {c.mood.before.toFixed(1)} of 5 before, {c.mood.after.toFixed(1)} after, over {c.mood.goes} games.
      </p>
    )}
  </section>
);

/** How each success criterion was marked, the latest in bold. */
const Criteria = ({ child: c }: { child: Child }) => (
  <section>
    <h2 className="text-xl">Success criteria</h2>
    {c.marks.length === 0 && <p className="text-quiet">None marked yet.</p>}
    <ul>
      {c.marks.map(({ text, marks }) => (
        <li key={text} className="row-line flex justify-between gap-4 py-1.5 print:py-0.5">
          <span>{text}</span>
          <span className="text-right">
            {marks.slice(0, -1).map((mark, i) => (
              <span key={i} className="text-quiet">
                {label(`mark.${mark}`)},{" "}
              </span>
            ))}
            <strong>{label(`mark.${marks[marks.length - 1]!}`)}</strong>
          </span>
        </li>
      ))}
    </ul>
  </section>
);

/** Lists the changes made so that games work in this home. */
const Changes = ({ child: c }: { child: Child }) => (
  <section>
    <h2 className="text-xl">Changes made for this child's home</h2>
    <ul>
      {c.changes.map(({ words, games }) => (
        <li key={words} className="row-line py-1.5 print:py-0.5">
          <strong>{games.join(", ")}</strong>: {words}
        </li>
      ))}
    </ul>
  </section>
);

/** Edits the support for a child, and previews their card. */
const Support = ({ child: c, saved }: { child: Child; saved: boolean }) => (
  <section className="print:hidden">
    <h2 className="text-xl">Support</h2>
    {c.support !== "" && <p className="mb-2">{c.support}</p>}
    {c.familyNote !== "" && (
      <p className="mb-2">
        <span className="text-quiet">From the family:</span> {c.familyNote}
      </p>
    )}
    <p className="mb-2 text-sm text-quiet">
      Applied wherever it fits. The card never says why. Only this class's teachers can see it.
    </p>
    <Form method="post" className="grid gap-3">
      {SUPPORT_KINDS.map((kind) => (
        <fieldset key={kind}>
          <legend className="font-semibold">{label(`supportKind.${kind}`)}</legend>
          {SUPPORT_IDS.filter((id) => SUPPORTS[id] === kind).map((id) => (
            <label key={id} className="flex min-h-7 items-center gap-2">
              <input type="checkbox" name={`support ${id}`} defaultChecked={c.supports.includes(id)} />
              {label(`support.${id}`)}
            </label>
          ))}
        </fieldset>
      ))}
      <p className="flex items-center gap-3">
        <Button type="submit" size="small">
          Save support
        </Button>
        <span role="status">{saved ? "Saved. Cards not yet started have been updated." : ""}</span>
      </p>
      {c.games.length > 0 && (
        <p className="flex flex-wrap items-center gap-3">
          <label htmlFor="of">{tell("preview.game")}</label>
          <Select id="of" name="of" className="max-w-56">
            {c.games.map((game) => (
              <option key={game.assignmentId} value={game.assignmentId}>
                {game.name}
              </option>
            ))}
          </Select>
          <Button type="submit" formMethod="get" formAction={`/children/${c.id}/card`} size="small">
            {tell("preview.see")}
          </Button>
        </p>
      )}
    </Form>
  </section>
);
