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
import { Heads } from "../ui/heads.tsx";
import { levelTexts } from "../ui/level-text.ts";
import { Problems } from "../ui/problems.tsx";
import { fromLocalInput, localInput } from "../when.ts";
import type { Route } from "./+types/next-week";

const WEEK = 7 * 86_400_000;

export const meta: Route.MetaFunction = () => [{ title: "Next week · Daring Yard" }];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const [next, { zone }] = await Promise.all([found(nextWeekFor(who, idOf(params.id, "assignment"))), shellOf(who)]);
  const { activity, ...rest } = next;
  const middle = next.rows[Math.floor((next.rows.length - 1) / 2)]?.age ?? 8;
  const names = namesOf(activity.kit.own);
  return {
    ...rest,
    title: activity.title,
    did: countsTouches(activity) ? "touch" : "hit",
    middle,
    words: levelTexts(activity, next.levels.list, paces(middle).step, names),
    zone,
    opens: localInput(new Date(), zone),
    closes: localInput(new Date(Date.now() + WEEK), zone),
    orderId: crypto.randomUUID(),
  };
}

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

export default function NextWeekPage({ loaderData: d, actionData, params }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const problems = actionData && "problems" in actionData ? actionData.problems : [];
  const of = (name: "stuck" | "bored" | "absent") => d.rows.filter((row) => row.notice === name);
  const byEnd = d.levels.of === "end";
  const sentence = (name: "up" | "down" | "stay" | "none") =>
    byEnd && name !== "none" ? (`next.end.${name}` as const) : (`next.${name}` as const);
  const percent = (x: number | null) => Math.round(100 * (x ?? 0));
  return (
    <main className="mx-auto w-full max-w-6xl p-6">
      <h1 className="text-3xl">Next week</h1>
      <p className="mb-3 text-quiet">
        <Link to={`/results/${params.id}`} className="underline">
          {d.title}
        </Link>
        , {d.className}: the level that should bring each child {percent(d.levels.low)}–{percent(d.levels.high)}%{" "}
        {byEnd ? "finished goes" : d.did === "touch" ? "of touches kept up" : "hits"}.
      </p>
      <Problems list={problems} />
      <div className="mb-4 grid gap-4 sm:grid-cols-3">
        {(["stuck", "bored", "absent"] as const)
          // A list without entries is left out.
          .filter((name) => name === "absent" || of(name).length > 0)
          .map((name) => (
            <section key={name} className="note">
              <p className="font-semibold">
                {tell(byEnd && name !== "absent" ? `next.end.${name}` : `next.${name}`, {
                  count: of(name).length,
                  low: percent(d.levels.low),
                  high: percent(d.levels.high),
                })}
              </p>
              <p>
                {of(name).map((r, i) => (
                  <span key={r.childId}>
                    {i > 0 && ", "}
                    <Link to={`/children/${r.childId}`} className="underline">
                      {r.child}
                    </Link>
                  </span>
                ))}
              </p>
            </section>
          ))}
      </div>
      <ol className="mb-4 grid gap-x-6 text-sm sm:grid-cols-2">
        {d.words.map((word, i) => (
          <li key={i}>
            <strong>{tell("level.number", { number: i + 1 })}</strong>: {word}
          </li>
        ))}
      </ol>
      {allAlike(d.levels.list) && <p className="note mb-3">{tell("level.alike")}</p>}
      {!d.own && <p className="mb-3 text-sm text-quiet">{tell("next.proposed", { age: d.middle })}</p>}
      <Form method="post">
        <input type="hidden" name="orderId" value={d.orderId} />
        <table className="w-full text-left">
          <Heads of={["Child", "Suggestion", "Level"]} />
          <tbody>
            {d.rows.map((row) => (
              <Proposal key={row.childId} row={row} sentence={sentence} percent={percent} d={d} />
            ))}
          </tbody>
        </table>
        <fieldset className="mt-5 flex flex-wrap items-end gap-4">
          <legend className="mb-1 font-semibold">Create a copy with these levels</legend>
          <label className="field">
            <span>Title</span>
            <input name="title" defaultValue={`${d.title}, next`} maxLength={80} required />
          </label>
          <label className="field">
            <span>
              Opens <span className="hint">{d.zone}</span>
            </span>
            <input type="datetime-local" name="opensAt" defaultValue={d.opens} required />
          </label>
          <label className="field">
            <span>Closes</span>
            <input type="datetime-local" name="closesAt" defaultValue={d.closes} required />
          </label>
          <label className="field">
            <span>Goes that count</span>
            <input name="tries" inputMode="numeric" className="w-20" defaultValue={d.tries} required />
          </label>
          <button type="submit" className="btn btn-main" disabled={busy}>
            {busy ? "Sending …" : "Create copy and send"}
          </button>
        </fieldset>
      </Form>
    </main>
  );
}

/** Shows the suggestion for a child, and the reason. */
const Proposal = ({
  row,
  sentence: said,
  percent,
  d,
}: {
  row: Route.ComponentProps["loaderData"]["rows"][number];
  sentence: (name: "up" | "down" | "stay" | "none") => Parameters<typeof tell>[0];
  percent: (x: number | null) => number;
  d: Route.ComponentProps["loaderData"];
}) => (
  <tr className="row-line">
    <td className="py-1.5">
      <Link to={`/children/${row.childId}`} className="font-semibold hover:underline">
        {row.child}
      </Link>{" "}
      <span className="text-sm text-quiet">{row.age}</span>
    </td>
    <td className={row.move === "stay" ? "text-quiet" : ""}>
      {tell(said(row.move), {
        now: percent(row.now),
        rate: percent(row.rate),
        level: row.level + 1,
        did: d.did,
      })}
    </td>
    <td>
      <select name={`level ${row.childId}`} defaultValue={row.level} aria-label={`Level of ${row.child}`}>
        {d.levels.list.map((_, i) => (
          <option key={i} value={i}>
            {i + 1}
          </option>
        ))}
      </select>
    </td>
  </tr>
);
