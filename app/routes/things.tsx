import { Download, Eye, EyeOff, Pencil, Trash2, Undo2 } from "lucide-react";
import { useMemo } from "react";
import { data, Form } from "react-router";
import { problemsOf } from "#core/formats/activity.ts";
import { itemsFile } from "#core/items/item.ts";
import { ROOMS, USES } from "#core/items/lists.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { listOf } from "#core/kit/items.ts";
import { SENSE } from "#core/kit/sense.ts";
import { deleteItem, hideItem, readItemsCsv, saveItems, schoolItemsFor } from "#server/kit/items.ts";
import { NotAllowed } from "#server/problem.ts";
import { itemName, namesOf } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { answered } from "../answer.server.ts";
import { drawingsOf, ItemDrawing, OwnDrawings } from "../drawings/items.tsx";
import { formOf, jsonIn } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { Menu, type MenuEntry } from "../ui/menu.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { problemText } from "../ui/problem-text.ts";
import { type Column, exceptForView, type Filter, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { Done } from "../ui/toasts.tsx";
import type { Route } from "./+types/things";

/** The largest file accepted, bytes. A list of items takes some hundred kilobytes at most. */
const LARGEST_FILE = 500_000;

export const meta: Route.MetaFunction = () => [{ title: "Household items · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const items = await schoolItemsFor(await teacherOf(request));
  const names = namesOf(items.own);
  const all = listOf(items.own);
  const rows = all.map((item) => ({
    id: item.id,
    name: itemName(item.id, names),
    // Square centimetres, for sorting.
    area: Math.round(item.width * 100) * Math.round(item.height * 100),
    size: `${Math.round(item.width * 100)} × ${Math.round(item.height * 100)} cm`,
    mass: item.mass,
    massText: item.mass < 1 ? `${Math.round(item.mass * 1000)} g` : `${item.mass} kg`,
    uses: [...item.uses],
    usesText: item.uses.map((use) => label(`use.${use}`)).join(", "),
    room: item.room ?? "",
    roomText: item.room ? label(`room.${item.room}`) : "",
    hidden: items.hidden.includes(item.id),
    state: items.own.some(({ id }) => id === item.id)
      ? catalogueItem(item.id)
        ? ("changed" as const)
        : ("own" as const)
      : ("listed" as const),
  }));
  // The school's own come first, then those it changed or hid.
  const rank = (row: (typeof rows)[number]) =>
    row.state === "own" ? 0 : row.state === "changed" || row.hidden ? 1 : 2;
  return {
    rows: rows.sort((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name)),
    own: items.own,
    uses: USES.map((use) => ({ id: use, name: label(`use.${use}`) })),
    rooms: ROOMS.map((room) => ({ id: room, name: label(`room.${room}`) })),
    safety: SENSE.map((rule) => ({ id: rule, words: label(`sense.${rule}`) })),
    count: tell("things.count", {
      n: all.length,
      own: items.own.filter((item) => !catalogueItem(item.id)).length,
      hidden: items.hidden.length,
    }),
  };
}

export const shouldRevalidate = exceptForView("use", "room", "state");

/** What an action of this page returns: who still uses an item, and how to undo. */
interface Changed {
  usedBy: string[];
  id: string;
  undo: { intent: "show" | "hide" | "putBack"; id: string; item?: string } | null;
}

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  const text = (name: string) => form.text(name);
  const done = (told: string, { usedBy = [], id = "", undo = null }: Partial<Changed> = {}) => ({
    ok: true as const,
    problems: [],
    told,
    usedBy,
    id,
    undo,
  });
  return answered(async () => {
    switch (text("intent")) {
      case "hide":
        await hideItem(who, text("id"), true);
        return done("Hidden. Cards no longer use it.", { undo: { intent: "show", id: text("id") } });
      case "show":
        await hideItem(who, text("id"), false);
        return done("Back in use.", { undo: { intent: "hide", id: text("id") } });
      case "delete": {
        const id = text("id");
        const { usedBy, done: gone, item } = await deleteItem(who, id, text("yes") === "yes");
        if (!gone) return done("", { usedBy, id });
        return done("Removed from the list.", { undo: { intent: "putBack", id, item: JSON.stringify(item) } });
      }
      case "putBack":
        await saveItems(who, [jsonIn(text("item"))]);
        return done("Back in the list.");
      case "file": {
        const given = (await form.file("file", LARGEST_FILE))?.text ?? text("text");
        const count = await saveItems(who, itemsIn(given));
        return done(tell("things.saved", { n: count }));
      }
      default:
        return data(
          {
            ok: false as const,
            problems: [{ field: "intent", message: "This page cannot do that. Load it again." }],
            told: "",
            usedBy: [],
            id: "",
            undo: null,
          },
          { status: 400 },
        );
    }
  });
}

/** Reads items from a file: JSON if it starts like JSON, otherwise CSV. */
function itemsIn(given: string): readonly unknown[] {
  if (given.trim() === "") throw NotAllowed.of("file", "Choose a file, or paste its contents.");
  if (!given.trim().startsWith("{")) return readItemsCsv(given);
  let json: unknown;
  try {
    json = JSON.parse(given);
  } catch {
    throw NotAllowed.of("file", "The file starts like JSON but is not valid JSON.");
  }
  const read = itemsFile.safeParse(json);
  if (!read.success)
    throw new NotAllowed(
      problemsOf(read.error).map((problem) => ({
        ...problem,
        message: `${problem.field}: ${problemText(problem.message)}`,
      })),
    );
  return read.data.items;
}

type Data = Route.ComponentProps["loaderData"];
type Row = Data["rows"][number];
const STATE = { own: "your own", changed: "changed by you", listed: "" } as const;
const rowId = (row: Row) => row.id;
const rowName = (row: Row) => row.name;
const text = (row: Row) => `${row.name} ${row.usesText} ${row.roomText}`;
const toItem = (row: Row) => `/things/${row.id}`;
const menu = (row: Row): MenuEntry[] => [
  { label: "Change", to: `/things/${row.id}`, icon: <Pencil size={16} /> },
  row.hidden
    ? { label: "Offer again", fields: { intent: "show", id: row.id }, icon: <Eye size={16} /> }
    : { label: "Hide", fields: { intent: "hide", id: row.id }, icon: <EyeOff size={16} /> },
  ...(row.state === "listed"
    ? []
    : [
        {
          label: row.state === "changed" ? "Undo changes" : "Delete",
          fields: { intent: "delete", id: row.id },
          icon: row.state === "changed" ? <Undo2 size={16} /> : <Trash2 size={16} />,
          apart: true,
        },
      ]),
];
const COLUMNS: Column<Row>[] = [
  {
    id: "name",
    head: "Item",
    sort: rowName,
    cell: (row) => (
      <span className={`flex items-center gap-2 ${row.hidden ? "opacity-60" : ""}`}>
        <ItemDrawing item={row.id} size={36} />
        {row.name}
      </span>
    ),
  },
  {
    id: "size",
    head: "Width and height",
    sort: (row) => row.area,
    cell: (row) => row.size,
    className: "whitespace-nowrap",
  },
  { id: "mass", head: "Mass", sort: (row) => row.mass, cell: (row) => row.massText, figures: true },
  { id: "uses", head: "Used", sort: (row) => row.usesText, cell: (row) => row.usesText, className: "text-sm" },
  { id: "room", head: "Found in", sort: (row) => row.roomText || null, cell: (row) => row.roomText || "–" },
  {
    id: "state",
    head: "State",
    sort: (row) => (row.hidden ? "hidden" : STATE[row.state]) || null,
    cell: (row) => (
      <>
        {STATE[row.state] && <span className="tag">{STATE[row.state]}</span>}
        {row.hidden && <span className="tag border-coral">hidden</span>}
      </>
    ),
  },
];

export default function Things({ loaderData: d, actionData: a }: Route.ComponentProps) {
  const filters = useMemo(
    (): Filter<Row>[] => [
      {
        id: "use",
        label: "Used",
        options: [
          { id: "all", label: "for anything", keeps: keepAll },
          ...d.uses.map(({ id, name }) => ({
            id,
            label: name,
            keeps: (row: Row) => (row.uses as readonly string[]).includes(id),
          })),
        ],
      },
      {
        id: "room",
        label: "Found in",
        options: [
          { id: "all", label: "any room", keeps: keepAll },
          ...d.rooms.map(({ id, name }) => ({ id, label: name, keeps: (row: Row) => row.room === id })),
        ],
      },
      {
        id: "state",
        label: "Show",
        options: [
          { id: "all", label: "all items", keeps: keepAll },
          { id: "own", label: "your own", keeps: (row) => row.state === "own" },
          { id: "changed", label: "changed by you", keeps: (row) => row.state === "changed" },
          { id: "hidden", label: "hidden", keeps: (row) => row.hidden },
        ],
      },
    ],
    [d.uses, d.rooms],
  );
  const used = a && "usedBy" in a ? a.usedBy : [];
  const undo = a?.ok && "undo" in a ? a.undo : null;
  const nameOf = (id: string) => d.rows.find((row) => row.id === id)?.name ?? id;
  return (
    <OwnDrawings value={drawingsOf(d.own)}>
      <Page>
        <PageHead above={{ to: "/homes", name: "Homes" }} title="Household items" about={d.count}>
          <ButtonLink look="main" to="/things/new">
            Add item
          </ButtonLink>
          <Menu
            label="More about items"
            size="usual"
            entries={[
              { label: "Export CSV", file: "/things/file?as=csv", icon: <Download size={16} /> },
              { label: "Export JSON", file: "/things/file?as=json", icon: <Download size={16} /> },
            ]}
          >
            More
          </Menu>
        </PageHead>
        {a && !a.ok && (
          <ul role="alert" className="note problem mb-3">
            {a.problems.map((problem) => (
              <li key={problem.message}>{problemText(problem.message)}</li>
            ))}
          </ul>
        )}
        <Done
          text={a?.ok ? a.told : ""}
          undo={
            undo && {
              fields: { intent: undo.intent, id: undo.id, ...(undo.item && { item: undo.item }) },
              action: "/things",
              what: "this change",
            }
          }
          of={a}
        />
        {used.length > 0 && a && "id" in a && (
          <Form method="post" className="note mb-3 flex flex-wrap items-center gap-3">
            <span className="grow">
              {nameOf(a.id)} is used in {used.join(", ")}. They keep their own copy. Remove it from the list?
            </span>
            <input type="hidden" name="id" value={a.id} />
            <input type="hidden" name="yes" value="yes" />
            <Button type="submit" size="small" name="intent" value="delete">
              Remove item
            </Button>
          </Form>
        )}
        <DataTable
          name="Household items"
          noun={["item", "items"]}
          rows={d.rows}
          rowId={rowId}
          rowName={rowName}
          text={text}
          columns={COLUMNS}
          filters={filters}
          to={toItem}
          menu={menu}
          empty={null}
        />
        <section className="mt-8 max-w-3xl">
          <h2 className="text-xl">Safety rules</h2>
          <p className="text-sm text-quiet">
            Cards always follow these rules, whatever an activity says. Where a rule leaves nothing, the card uses
            another item, another action you allow, or a rolled T-shirt, and says why.
          </p>
          <ul className="mt-1 list-disc pl-5 text-sm">
            {d.safety.map(({ id, words }) => (
              <li key={id}>{words}</li>
            ))}
          </ul>
        </section>
        <ImportForm />
      </Page>
    </OwnDrawings>
  );
}

/** Imports items from a file. */
const ImportForm = () => (
  <Form method="post" encType="multipart/form-data" className="mt-8 grid max-w-xl gap-2">
    <h2 className="text-xl">Import items</h2>
    <p className="text-sm text-quiet">
      A JSON or CSV file exported from this page. The whole file is checked before anything is saved.
    </p>
    <input type="file" name="file" aria-label="File of items" accept=".csv,.json,text/csv,application/json" />
    <textarea name="text" rows={3} aria-label="Or paste it" placeholder="Or paste it" className="font-mono text-sm" />
    <Button type="submit" name="intent" value="file" className="justify-self-start">
      Import
    </Button>
  </Form>
);
