import { useEffect, useRef } from "react";
import { Link } from "react-router";
import { inSteps } from "#server/breathe.ts";
import { MAX_MESSAGES, messageFor, outboxFor } from "#server/outbox/outbox.ts";
import { shellOf } from "#server/school/classes.ts";
import { found, idOf } from "../answer.server.ts";
import { originFor } from "../origin.server.ts";
import { searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { ButtonLink } from "../ui/button.tsx";
import { CopyButton } from "../ui/copy-button.tsx";
import { Empty, Page, PageHead } from "../ui/page.tsx";
import { type Column, exceptForView, type Filter, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { when } from "../when.ts";
import type { Route } from "./+types/outbox";

export const meta: Route.MetaFunction = () => [{ title: "Outbox · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const search = searchOf(request);
  const asked = search.get("message");
  const all = search.has("all") || search.has("find");
  const [shell, { rows, total }, one] = await Promise.all([
    shellOf(who),
    outboxFor(who, all ? MAX_MESSAGES : RECENT),
    asked ? found(messageFor(who, idOf(asked, "message"))) : null,
  ]);
  const hole = one?.kind === "survey" ? "{survey}" : "{link}";
  return {
    total,
    most: all ? MAX_MESSAGES : RECENT,
    classes: shell.classes.map(({ id, name }) => ({ id, name })),
    rows: await inSteps(rows, ({ createdAt, ...row }) => ({
      ...row,
      at: when(createdAt, shell),
      sent: createdAt.getTime(),
    })),
    message: one && {
      id: one.id,
      to: one.to,
      subject: one.subject,
      at: when(one.createdAt, shell),
      link: one.token ? `${originFor(request)}/f/${one.token}${one.kind === "survey" ? "/home" : ""}` : null,
      body: one.body.split(hole),
    },
  };
}

/** How many are listed at first, and at most. */
const RECENT = 80;
const MOST = 1000;

export const shouldRevalidate = exceptForView("class", "kind");

type Data = Route.ComponentProps["loaderData"];
type Row = Data["rows"][number];

const KIND = { game: "game", survey: "home survey" } as const;
const rowId = (row: Row) => row.id;
const rowName = (row: Row) => `${row.to}: ${row.subject}`;
const text = (row: Row) => `${row.to} ${row.subject} ${row.className}`;
const toMessage = (row: Row) => `/outbox?message=${row.id}`;
const COLUMNS: Column<Row>[] = [
  { id: "to", head: "To the family of", sort: (row) => row.to, cell: (row) => row.to, className: "whitespace-nowrap" },
  { id: "class", head: "Class", sort: (row) => row.className, cell: (row) => row.className },
  { id: "subject", head: "Subject", sort: (row) => row.subject, cell: (row) => row.subject },
  { id: "kind", head: "About", sort: (row) => row.kind, cell: (row) => KIND[row.kind] },
  {
    id: "at",
    head: "Made",
    sort: (row) => row.sent,
    highFirst: true,
    cell: (row) => row.at,
    className: "text-sm whitespace-nowrap",
  },
];

export default function Outbox({ loaderData: d }: Route.ComponentProps) {
  const filters: Filter<Row>[] = [
    ...(d.classes.length > 1
      ? [
          {
            id: "class",
            label: "Class",
            options: [
              { id: "all", label: "all classes", keeps: keepAll },
              ...d.classes.map(({ id, name }) => ({ id, label: name, keeps: (row: Row) => row.className === name })),
            ],
          },
        ]
      : []),
    {
      id: "kind",
      label: "About",
      options: [
        { id: "all", label: "everything", keeps: keepAll },
        { id: "game", label: "games", keeps: (row) => row.kind === "game" },
        { id: "survey", label: "home surveys", keeps: (row) => row.kind === "survey" },
      ],
    },
  ];
  return (
    <Page>
      <PageHead
        title="Outbox"
        about={
          <p className="max-w-prose">
            Messages for families. Nothing leaves this server: open a message, copy it or its link, and send it
            yourself.
          </p>
        }
      />
      {d.message && <Message key={d.message.id} message={d.message} />}
      <DataTable
        name="Outbox"
        noun={["message", "messages"]}
        rows={d.rows}
        rowId={rowId}
        rowName={rowName}
        text={text}
        columns={COLUMNS}
        filters={filters}
        to={toMessage}
        extra={
          d.total > d.most ? (
            <span className="text-quiet">
              the newest {d.most} of {d.total}{" "}
              {d.most < MOST && (
                <Link to="/outbox?all" className="underline">
                  Show more
                </Link>
              )}
            </span>
          ) : undefined
        }
        empty={
          <Empty>
            <p>Sending an activity makes one message here for each child.</p>
            <ButtonLink look="main" to="/activities">
              Choose an activity
            </ButtonLink>
          </Empty>
        }
      />
    </Page>
  );
}

/** A message as its family reads it. */
function Message({ message }: { message: NonNullable<Data["message"]> }) {
  const section = useRef<HTMLElement>(null);
  useEffect(() => section.current?.focus(), []);
  const words = message.body.join(message.link ?? "");
  return (
    <section
      ref={section}
      tabIndex={-1}
      aria-label={`Message to the family of ${message.to}`}
      className="mb-5 max-w-3xl border-l-4 border-teal bg-raised p-4 outline-none"
    >
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <div className="grow">
          <h2 className="text-lg">{message.subject}</h2>
          <p className="text-sm text-quiet">
            To the family of {message.to}, {message.at}
          </p>
        </div>
        <CopyButton text={words} words="Copy message" small />
        <ButtonLink look="quiet" size="small" to="/outbox">
          Close
        </ButtonLink>
      </div>
      <div className="whitespace-pre-line">
        {message.body[0]}
        {message.link ? (
          <a className="font-semibold break-all underline" href={message.link}>
            {message.link}
          </a>
        ) : (
          <span className="problem">(this link is off)</span>
        )}
        {message.body[1]}
      </div>
    </section>
  );
}
