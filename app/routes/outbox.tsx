import { Link } from "react-router";
import { MESSAGES_A_PAGE, outboxFor } from "#server/outbox/outbox.ts";
import { shellOf } from "#server/school/classes.ts";
import { tell } from "#words/tell.ts";
import { originFor } from "../origin.server.ts";
import { searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { when } from "../when.ts";
import type { Route } from "./+types/outbox";

/** More pages than any school has. */
const MAX_PAGES = 100_000;

export const meta: Route.MetaFunction = () => [{ title: "Outbox · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const { zone } = await shellOf(who);
  const page = Math.min(MAX_PAGES, Math.max(0, Math.floor(Number(searchOf(request).get("page") ?? 0)) || 0));
  const { rows, total } = await outboxFor(who, page);
  const origin = originFor(request);
  return {
    page,
    pages: Math.ceil(total / MESSAGES_A_PAGE),
    total,
    rows: rows.map((row) => ({
      id: row.id,
      to: row.to,
      subject: row.subject,
      at: when(row.createdAt, zone),
      link: row.token ? `${origin}/f/${row.token}${row.kind === "survey" ? "/home" : ""}` : null,
      body: row.body.split(row.kind === "survey" ? "{survey}" : "{link}"),
    })),
  };
}

export default function Outbox({ loaderData }: Route.ComponentProps) {
  const { rows, total, page, pages } = loaderData;
  return (
    <main className="mx-auto w-full max-w-4xl p-6">
      <h1 className="mb-1 text-3xl">Outbox</h1>
      <p className="mb-4 text-quiet">
        Messages for families. Nothing leaves this server: copy a message or its link and send it yourself.{" "}
        {tell("outbox.total", { n: total })}
      </p>
      {rows.length === 0 && <p>Sending an activity creates one message for each child.</p>}
      <ul>
        {rows.map((row) => (
          <li key={row.id} className="row-line py-2">
            <details>
              <summary className="grid grid-cols-[9rem_1fr_auto] gap-4">
                <strong>{row.to}</strong>
                <span>{row.subject}</span>
                <span className="text-sm text-quiet">{row.at}</span>
              </summary>
              <div className="my-3 ml-6 border-l-4 border-hair pl-4 whitespace-pre-line">
                {row.body[0]}
                {row.link ? (
                  <a className="font-semibold break-all underline" href={row.link}>
                    {row.link}
                  </a>
                ) : (
                  <span className="problem">(this link is off)</span>
                )}
                {row.body[1]}
              </div>
            </details>
          </li>
        ))}
      </ul>
      {pages > 1 && (
        <nav aria-label="Pages" className="mt-4 flex items-center gap-3">
          {page > 0 && (
            <Link className="btn btn-quiet btn-small" to={`?page=${page - 1}`}>
              Newer
            </Link>
          )}
          <span className="text-sm text-quiet">
            {page + 1} of {pages}
          </span>
          {page + 1 < pages && (
            <Link className="btn btn-quiet btn-small" to={`?page=${page + 1}`}>
              Older
            </Link>
          )}
        </nav>
      )}
    </main>
  );
}
