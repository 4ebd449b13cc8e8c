import { data, Form, Link } from "react-router";
import { problemsOf } from "#core/formats/activity.ts";
import { type Item, itemsFile } from "#core/items/item.ts";
import { ROOMS, USES } from "#core/items/lists.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { listOf } from "#core/kit/items.ts";
import { SENSE } from "#core/kit/sense.ts";
import { deleteItem, hideItem, readItemsCsv, saveItems, schoolItemsFor } from "#server/kit/items.ts";
import { NotAllowed } from "#server/problem.ts";
import { type ItemNames, itemName, namesOf, sayList } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { answered } from "../answer.server.ts";
import { drawingsOf, ItemDrawing, OwnDrawings } from "../drawings/items.tsx";
import { formOf, jsonIn, searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { FilterField, FilterForm } from "../ui/filter-form.tsx";
import { problemText } from "../ui/problem-text.ts";
import type { Route } from "./+types/things";

/** The largest file accepted, bytes. A list of items takes some hundred kilobytes at most. */
const LARGEST_FILE = 500_000;

export const meta: Route.MetaFunction = () => [{ title: "Household items · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const items = await schoolItemsFor(await teacherOf(request));
  const asked = searchOf(request);
  return {
    ...items,
    use: USES.find((use) => use === asked.get("use")) ?? null,
    room: ROOMS.find((room) => room === asked.get("room")) ?? null,
    find: asked.get("find") ?? "",
  };
}

/** What an action of this page returns: who still uses an item, and how to undo. */
interface Done {
  usedBy: string[];
  id: string;
  undo: { intent: "show" | "hide" | "putBack"; id: string; item?: string } | null;
}

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  const text = (name: string) => form.text(name);
  const done = (told: string, { usedBy = [], id = "", undo = null }: Partial<Done> = {}) => ({
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

export default function Things({ loaderData: d, actionData: a }: Route.ComponentProps) {
  const names = namesOf(d.own);
  const find = d.find.trim().toLowerCase();
  const all = listOf(d.own);
  const shown = all.filter(
    (item) =>
      (!d.use || item.uses.includes(d.use)) &&
      (!d.room || item.room === d.room) &&
      (find === "" || itemName(item.id, names).toLowerCase().includes(find)),
  );
  const used = a && "usedBy" in a ? a.usedBy : [];
  return (
    <OwnDrawings value={drawingsOf(d.own)}>
      <main className="mx-auto w-full max-w-7xl p-6">
        <div className="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
          <h1 className="text-3xl">Household items</h1>
          <p className="text-quiet">
            {tell("things.count", {
              n: all.length,
              own: d.own.filter((item) => !catalogueItem(item.id)).length,
              hidden: d.hidden.length,
            })}
          </p>
          <div className="ml-auto flex flex-wrap gap-2">
            <Link to="/things/new" className="btn btn-main btn-small">
              Add item
            </Link>
            <a href="/things/file?as=csv" download className="btn btn-quiet btn-small">
              Export CSV
            </a>
            <a href="/things/file?as=json" download className="btn btn-quiet btn-small">
              Export JSON
            </a>
          </div>
        </div>
        {a && !a.ok && (
          <ul role="alert" className="note problem mb-3">
            {a.problems.map((problem) => (
              <li key={problem.message}>{problemText(problem.message)}</li>
            ))}
          </ul>
        )}
        {a?.ok && a.told && (
          <Form method="post" className="note note-good mb-3 flex flex-wrap items-center gap-3">
            <span role="status">{a.told}</span>
            {"undo" in a && a.undo && (
              <>
                <input type="hidden" name="id" value={a.undo.id} />
                {a.undo.item && <input type="hidden" name="item" value={a.undo.item} />}
                <button type="submit" name="intent" value={a.undo.intent} className="btn btn-small">
                  Undo
                </button>
              </>
            )}
          </Form>
        )}
        {used.length > 0 && a && "id" in a && (
          <Form method="post" className="note mb-3 flex flex-wrap items-center gap-3">
            <span className="grow">
              {itemName(a.id, names)} is used in {sayList(used)}. They keep their own copy. Remove it from the list?
            </span>
            <input type="hidden" name="id" value={a.id} />
            <input type="hidden" name="yes" value="yes" />
            <button type="submit" name="intent" value="delete" className="btn btn-small">
              Remove item
            </button>
          </Form>
        )}
        <Filter d={d} />
        <ItemGrid shown={shown} d={d} names={names} />
        {shown.length === 0 && <p className="py-6 text-quiet">No item matches.</p>}
        <section className="mt-8 max-w-3xl">
          <h2 className="text-lg">Safety rules</h2>
          <p className="text-sm text-quiet">
            Cards always follow these rules, whatever an activity says. Where a rule leaves nothing, the card uses
            another item, another action you allow, or a rolled T-shirt, and says why.
          </p>
          <ul className="mt-1 list-disc pl-5 text-sm">
            {SENSE.map((rule) => (
              <li key={rule}>{label(`sense.${rule}`)}</li>
            ))}
          </ul>
        </section>
        <ImportForm />
      </main>
    </OwnDrawings>
  );
}

/** Filters the items. */
const Filter = ({ d }: { d: Route.ComponentProps["loaderData"] }) => (
  <FilterForm find={d.find}>
    <FilterField label="Used">
      <select name="use" defaultValue={d.use ?? ""} className="py-0.5">
        <option value="">for anything</option>
        {USES.map((use) => (
          <option key={use} value={use}>
            {label(`use.${use}`)}
          </option>
        ))}
      </select>
    </FilterField>
    <FilterField label="Found in">
      <select name="room" defaultValue={d.room ?? ""} className="py-0.5">
        <option value="">any room</option>
        {ROOMS.map((room) => (
          <option key={room} value={room}>
            {label(`room.${room}`)}
          </option>
        ))}
      </select>
    </FilterField>
  </FilterForm>
);

/** Lists the items with the school's actions for each. */
const ItemGrid = ({
  shown,
  d,
  names,
}: {
  shown: readonly Item[];
  d: Route.ComponentProps["loaderData"];
  names: ItemNames;
}) => (
  <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-2">
    {shown.map((item) => {
      const hidden = d.hidden.includes(item.id);
      const changed = d.own.some((eachItem) => eachItem.id === item.id);
      return (
        <li
          key={item.id}
          className={`grid justify-items-center gap-1 rounded-sm border-2 border-hair p-2 text-center ${hidden ? "opacity-60" : ""}`}
        >
          <ItemDrawing item={item.id} size={48} />
          <Link to={`/things/${item.id}`} className="leading-tight font-semibold underline">
            {itemName(item.id, names)}
          </Link>
          <span className="text-xs text-quiet">
            {Math.round(item.width * 100)} × {Math.round(item.height * 100)} cm,{" "}
            {item.mass < 1 ? `${Math.round(item.mass * 1000)} g` : `${item.mass} kg`}
          </span>
          {changed && <span className="tag">{catalogueItem(item.id) ? "changed by you" : "your own"}</span>}
          {hidden && <span className="tag border-coral">hidden</span>}
          <Form method="post" className="flex flex-wrap justify-center gap-1">
            <input type="hidden" name="id" value={item.id} />
            <button
              type="submit"
              name="intent"
              value={hidden ? "show" : "hide"}
              className="btn btn-quiet btn-small"
              aria-label={`${hidden ? "Offer" : "Hide"} ${itemName(item.id, names)}`}
            >
              {hidden ? "Offer" : "Hide"}
            </button>
            {changed && (
              <button
                type="submit"
                name="intent"
                value="delete"
                className="btn btn-quiet btn-small"
                aria-label={`${catalogueItem(item.id) ? "Undo changes to" : "Delete"} ${itemName(item.id, names)}`}
              >
                {catalogueItem(item.id) ? "Undo changes" : "Delete"}
              </button>
            )}
          </Form>
        </li>
      );
    })}
  </ul>
);

/** Imports items from a file. */
const ImportForm = () => (
  <Form method="post" encType="multipart/form-data" className="mt-8 grid max-w-xl gap-2">
    <h2 className="text-lg">Import items</h2>
    <p className="text-sm text-quiet">
      A JSON or CSV file exported from this page. The whole file is checked before anything is saved.
    </p>
    <input type="file" name="file" aria-label="File of items" accept=".csv,.json,text/csv,application/json" />
    <textarea name="text" rows={3} aria-label="Or paste it" placeholder="Or paste it" className="font-mono text-sm" />
    <button type="submit" name="intent" value="file" className="btn justify-self-start">
      Import
    </button>
  </Form>
);
