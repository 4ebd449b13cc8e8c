import { Check, Undo2 } from "lucide-react";
import { useMemo, useState } from "react";
import { Form, Link, redirect, useNavigation } from "react-router";
import { allAlike, countsTouches } from "#core/levels/levels.ts";
import { paces } from "#core/measures/step.ts";
import { nextWeekFor, sendNextWeek } from "#server/assignments/next-week.ts";
import { shellOf } from "#server/school/classes.ts";
import { namesOf } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { fieldsOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button } from "../ui/button.tsx";
import { DateTimeField } from "../ui/date-time-field.tsx";
import { Select, TextField } from "../ui/field.tsx";
import { levelTexts } from "../ui/level-text.ts";
import { Page, PageHead } from "../ui/page.tsx";
import { problemText } from "../ui/problem-text.ts";
import { Problems } from "../ui/problems.tsx";
import { type Column, exceptForView, type Filter, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { Tip } from "../ui/tip.tsx";
import { useHydrated } from "../ui/use-hydrated.ts";
import { fromLocalInput, localInput } from "../when.ts";
import type { Route } from "./+types/next-week";

const WEEK = 7 * 86_400_000;

export const meta: Route.MetaFunction = () => [{ title: "Next week · Daring Yard" }];

const NOTICES = ["stuck", "bored", "absent"] as const;

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const [next, { zone }] = await Promise.all([found(nextWeekFor(who, idOf(params.id, "assignment"))), shellOf(who)]);
  const { activity, levels } = next;
  const middle = next.rows[Math.floor((next.rows.length - 1) / 2)]?.age ?? 8;
  const did = countsTouches(activity) ? "touch" : "hit";
  const byEnd = levels.of === "end";
  const percent = (x: number | null) => Math.round(100 * (x ?? 0));
  const reason = (row: (typeof next.rows)[number]) =>
    tell(byEnd && row.move !== "none" ? `next.end.${row.move}` : `next.${row.move}`, {
      now: percent(row.now),
      rate: percent(row.rate),
      level: row.level + 1,
      did,
    });
  // A child who needs another level comes first.
  const order = { stuck: 0, bored: 1, absent: 3 } as const;
  const rank = (row: (typeof next.rows)[number]) =>
    row.notice ? order[row.notice] : row.move === "up" || row.move === "down" ? 2 : 4;
  const rows = next.rows
    .map((row) => ({
      childId: row.childId,
      child: row.child,
      age: row.age,
      had: row.had,
      level: row.level,
      move: row.move,
      notice: row.notice,
      now: row.now,
      rate: row.rate,
      reason: reason(row),
      rank: rank(row),
    }))
    .sort((x, y) => x.rank - y.rank);
  const notices = NOTICES.flatMap((name) => {
    const of = rows.filter((row) => row.notice === name);
    if (of.length === 0) return [];
    return [
      {
        name,
        children: of.map(({ childId, child }) => ({ childId, child })),
        words: tell(byEnd && name !== "absent" ? `next.end.${name}` : `next.${name}`, {
          count: of.length,
          low: percent(levels.low),
          high: percent(levels.high),
        }),
      },
    ];
  });
  return {
    rows,
    notices,
    title: activity.title,
    className: next.className,
    tries: next.tries,
    low: levels.low,
    high: levels.high,
    counted: byEnd ? "finished goes" : did === "touch" ? "of touches kept up" : "hits",
    words: levelTexts(activity, levels.list, paces(middle).step, namesOf(activity.kit.own)),
    alike: allAlike(levels.list) ? tell("level.alike") : "",
    proposed: next.own ? "" : tell("next.proposed", { age: middle }),
    zone,
    opens: localInput(new Date(), zone),
    closes: localInput(new Date(Date.now() + WEEK), zone),
    orderId: crypto.randomUUID(),
  };
}

export const shouldRevalidate = exceptForView("show");

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "assignment");
  const fields = await fieldsOf(request);
  const { zone } = await shellOf(who);
  return answered(async () => {
    const levels = Object.fromEntries(
      Object.entries(fields).flatMap(([name, value]) =>
        name.startsWith("level ") ? [[name.slice(6), Number(value)]] : [],
      ),
    );
    const at = (name: string) => fromLocalInput(fields[name] ?? "", zone) ?? new Date(Number.NaN);
    const sent = await sendNextWeek(who, id, {
      orderId: fields.orderId ?? "",
      title: fields.title ?? "",
      opensAt: at("opensAt"),
      closesAt: at("closesAt"),
      tries: Number(fields.tries),
      levels,
    });
    throw redirect(`/results/${sent}?sent`);
  });
}

type Data = Route.ComponentProps["loaderData"];
type Row = Data["rows"][number];
const percent = (x: number) => Math.round(100 * x);
const FORM = "next-week";

export default function NextWeekPage({ loaderData: d, actionData, params }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const problems = actionData && "problems" in actionData ? actionData.problems : [];
  const problemOf = (field: string) => {
    const problem = problems.find((each) => each.field === field);
    return problem && problemText(problem.message);
  };
  const fields = ["title", "opensAt", "closesAt", "tries"];
  return (
    <Page>
      <PageHead
        above={{ to: `/results/${params.id}`, name: d.title }}
        title="Next week"
        about={`${d.className}: the level that should bring each child ${percent(d.low)}–${percent(d.high)}% ${d.counted}.`}
      />
      <Problems list={problems.filter(({ field }) => !fields.includes(field))} />
      {d.notices.length > 0 && (
        <div className="mb-4 grid gap-4 sm:grid-cols-3">
          {d.notices.map(({ name, words, children }) => (
            <section key={name} className="note">
              <p className="font-semibold">{words}</p>
              <p>
                {children.map(({ childId, child }, i) => (
                  <span key={childId}>
                    {i > 0 && ", "}
                    <Link to={`/children/${childId}`} className="underline">
                      {child}
                    </Link>
                  </span>
                ))}
              </p>
            </section>
          ))}
        </div>
      )}
      <ol className="mb-4 grid gap-x-6 text-sm sm:grid-cols-2">
        {d.words.map((word, i) => (
          <li key={i}>
            <strong>Level {i + 1}</strong>: {word}
          </li>
        ))}
      </ol>
      {d.alike && <p className="note mb-3">{d.alike}</p>}
      {d.proposed && <p className="mb-3 text-sm text-quiet">{d.proposed}</p>}
      <Levels key={params.id} data={d} />
      <Form method="post" id={FORM} className="mt-5">
        <input type="hidden" name="orderId" value={d.orderId} />
        <fieldset className="flex flex-wrap items-start gap-4">
          <legend className="mb-1 font-head text-xl font-bold">Create a copy with these levels</legend>
          <TextField
            label="Title"
            name="title"
            defaultValue={`${d.title}, next`}
            maxLength={80}
            required
            problem={problemOf("title")}
          />
          <DateTimeField
            label="Opens"
            hint={d.zone}
            name="opensAt"
            defaultValue={d.opens}
            problem={problemOf("opensAt")}
          />
          <DateTimeField label="Closes" name="closesAt" defaultValue={d.closes} problem={problemOf("closesAt")} />
          <TextField
            label="Goes that count"
            name="tries"
            inputMode="numeric"
            className="w-20"
            defaultValue={d.tries}
            required
            problem={problemOf("tries")}
          />
          <Button type="submit" look="main" disabled={busy} className="mt-6">
            {busy ? "Sending …" : "Create copy and send"}
          </Button>
        </fieldset>
      </Form>
    </Page>
  );
}

/** The level of each child: the one suggested at first, which the teacher keeps, changes or turns down. */
function Levels({ data: d }: { data: Data }) {
  const hydrated = useHydrated();
  const [levels, setLevels] = useState<Readonly<Record<string, number>>>(() =>
    Object.fromEntries(d.rows.map((row) => [row.childId, row.level])),
  );
  const kept = (row: Row) => row.had ?? row.level;
  const count = d.words.length;
  const columns = useMemo((): Column<Row>[] => {
    const give = (row: Row, level: number) => setLevels((was) => ({ ...was, [row.childId]: level }));
    return [
      {
        id: "child",
        head: "Child",
        sort: (row) => row.child,
        cell: (row) => row.child,
        className: "whitespace-nowrap",
      },
      { id: "age", head: "Age", sort: (row) => row.age, cell: (row) => row.age, figures: true },
      {
        id: "now",
        head: "Level now",
        sort: (row) => row.had,
        figures: true,
        cell: (row) => (row.had === null ? "as designed" : row.had + 1),
      },
      {
        id: "level",
        head: "Next level",
        sort: (row) => levels[row.childId] ?? null,
        cell: (row) => (
          <span className="flex items-center gap-2">
            <Select
              {...(hydrated ? {} : { form: FORM, name: `level ${row.childId}` })}
              value={levels[row.childId]}
              aria-label={`Level of ${row.child}`}
              className="py-0.5"
              onChange={(event) => give(row, Number(event.target.value))}
            >
              {Array.from({ length: count }, (_, i) => (
                <option key={i} value={i}>
                  {i + 1}
                </option>
              ))}
            </Select>
            {row.had !== null && row.had !== row.level && (
              <Button
                look="quiet"
                size="small"
                className="scripted"
                aria-label={
                  levels[row.childId] === row.level
                    ? `Keep ${row.child} at level ${row.had + 1}`
                    : `Accept level ${row.level + 1} for ${row.child}`
                }
                onClick={() => give(row, levels[row.childId] === row.level ? row.had! : row.level)}
              >
                {levels[row.childId] === row.level ? `Keep ${row.had + 1}` : `Accept ${row.level + 1}`}
              </Button>
            )}
          </span>
        ),
      },
      {
        id: "rate",
        head: "Now and next",
        about: "The share of hits now and at the suggested level, on the range you want",
        sort: (row) => row.now,
        cell: (row) => <RateBar row={row} low={d.low} high={d.high} />,
      },
      {
        id: "reason",
        head: "Why",
        sort: (row) => row.rank,
        className: "text-sm",
        cell: (row) => <span className={row.move === "stay" ? "text-quiet" : ""}>{row.reason}</span>,
      },
    ];
  }, [levels, hydrated, count, d.low, d.high]);
  const filters: Filter<Row>[] = [
    {
      id: "show",
      label: "Show",
      options: [
        { id: "all", label: "everyone", keeps: keepAll },
        { id: "moves", label: "who changes level", keeps: (row) => row.had !== null && row.had !== row.level },
        { id: "stuck", label: "finding it too hard", keeps: (row) => row.notice === "stuck" },
        { id: "bored", label: "finding it too easy", keeps: (row) => row.notice === "bored" },
        { id: "absent", label: "who has not played", keeps: (row) => row.notice === "absent" },
      ],
    },
  ];
  const all = (of: (row: Row) => number) => setLevels(Object.fromEntries(d.rows.map((row) => [row.childId, of(row)])));
  return (
    <>
      {hydrated &&
        d.rows.map((row) => (
          <input
            key={row.childId}
            type="hidden"
            form={FORM}
            name={`level ${row.childId}`}
            value={levels[row.childId]}
          />
        ))}
      <DataTable
        name="Levels for next week"
        noun={["child", "children"]}
        rows={d.rows}
        rowId={(row) => row.childId}
        rowName={(row) => row.child}
        text={(row) => row.child}
        columns={columns}
        filters={filters}
        to={(row) => `/children/${row.childId}`}
        extra={
          <span className="scripted flex gap-2">
            <Button size="small" onClick={() => all((row) => row.level)}>
              <Check size={15} aria-hidden="true" /> Accept all
            </Button>
            {d.rows.some((row) => row.had !== null) && (
              <Button look="quiet" size="small" onClick={() => all(kept)}>
                <Undo2 size={15} aria-hidden="true" /> Keep all as now
              </Button>
            )}
          </span>
        }
        empty={<p className="py-4 text-quiet">No child has a card for this activity.</p>}
      />
    </>
  );
}

/** A bar with two ends: the share of hits now (open ring) and at the suggested level (filled), over the range wanted. */
function RateBar({ row, low, high }: { row: Row; low: number; high: number }) {
  if (row.now === null || row.rate === null) return <span className="text-quiet">–</span>;
  const [from, to] = [Math.min(row.now, row.rate), Math.max(row.now, row.rate)];
  const at = (share: number) => `${(100 * share).toFixed(1)}%`;
  const words = `${percent(row.now)}% now, ${percent(row.rate)}% at level ${row.level + 1}`;
  return (
    <Tip words={`${row.reason}.`}>
      <button type="button" className="drawn relative block h-6 w-36 cursor-default rounded-sm" aria-label={words}>
        <span className="absolute inset-x-0 top-1.5 h-3 rounded-sm bg-ink/8" />
        <span
          className="absolute top-1.5 h-3 bg-teal/30"
          style={{ left: at(low), width: `calc(${at(high)} - ${at(low)})` }}
        />
        <span
          className="absolute top-[11px] h-0.5 bg-ink"
          style={{ left: at(from), width: `calc(${at(to)} - ${at(from)})` }}
        />
        <span
          className="absolute top-[7px] size-2.5 -translate-x-1/2 rounded-full border-2 border-ink bg-page"
          style={{ left: at(row.now) }}
        />
        <span
          className="absolute top-[7px] size-2.5 -translate-x-1/2 rounded-full bg-ink"
          style={{ left: at(row.rate) }}
        />
      </button>
    </Tip>
  );
}
