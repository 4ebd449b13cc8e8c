import { data, Form, Link, redirect } from "react-router";
import { CAUTIONS } from "#core/items/cautions.ts";
import type { Item } from "#core/items/item.ts";
import { MATERIALS, MOVES, ROOMS, SOURCE_ESTIMATED, USES } from "#core/items/lists.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { listOf } from "#core/kit/items.ts";
import { rowToItem, saveItem, schoolItemsFor } from "#server/kit/items.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";
import { itemName, namesOf, say } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { missing } from "../answer.server.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { paths } from "../drawings/paths.ts";
import { formOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { ModelNotes } from "../things/model-notes.tsx";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { problemText } from "../ui/problem-text.ts";
import type { Route } from "./+types/thing-edit";

export const meta: Route.MetaFunction = () => [{ title: "Item · Daring Yard" }];
const NEW = "new";

export async function loader({ request, params }: Route.LoaderArgs) {
  const { own } = await schoolItemsFor(await teacherOf(request));
  if (params.id === NEW) return { item: null, own };
  const item = listOf(own).find((eachItem) => eachItem.id === params.id);
  if (!item) throw missing(new NotFound("thing"));
  return { item, own };
}

/** Makes an id from a name: `foam disc` becomes foamDisc. */
const idFrom = (name: string) =>
  name
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9 ]/g, "")
    .trim()
    .split(/\s+/)
    .map((word, i) => (i === 0 ? word.toLowerCase() : word[0]!.toUpperCase() + word.slice(1).toLowerCase()))
    .join("")
    .slice(0, 40);

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  const adding = params.id === NEW;
  const fields = form.joined();
  for (const key of ["breakable", "kinds", "ask", "outdoorsOnly", "endless"])
    fields[key] = fields[key] === "yes" ? "yes" : "no";
  // People measure items in centimetres, grams and per cent.
  for (const key of ["width", "depth", "height", "opening", "openingDepth", "gap"])
    fields[key] = scaled(fields[key], 0.01);
  fields.mass = scaled(fields.mass, 0.001);
  for (const key of ["softness", "rebound", "homes"]) fields[key] = scaled(fields[key], 0.01);
  const id = adding ? idFrom(fields.name ?? "") : params.id;
  try {
    if (adding && id === "") throw NotAllowed.of("name", "Name must contain letters.");
    const kept = adding ? null : listOf((await schoolItemsFor(who)).own).find((item) => item.id === id);
    await saveItem(who, { ...(rowToItem({ ...fields, id }) as object), made: kept?.made ?? null }, adding);
  } catch (error) {
    if (!(error instanceof NotAllowed)) throw error;
    return data({ problems: error.problems, typed: form.joined() }, { status: 422 });
  }
  throw redirect("/things");
}
function scaled(text: string | undefined, by: number): string {
  const words = (text ?? "").trim().replace(",", ".");
  const count = Number(words);
  return words === "" || !Number.isFinite(count) ? words : String(Math.round(count * by * 1e6) / 1e6);
}

const BLANK: Partial<Item> = {
  room: "living",
  uses: [],
  moves: [],
  softness: 0.5,
  rebound: 0.1,
  noise: 1,
  material: "plastic",
  handling: 1,
  homes: 0.5,
  count: 1,
  source: SOURCE_ESTIMATED,
  drawing: "line",
};

export default function ThingEdit({ loaderData: { item, own }, actionData }: Route.ComponentProps) {
  const is: Partial<Item> = item ?? BLANK;
  const typed = actionData?.typed;
  const problems = actionData?.problems ?? [];
  const problemOf = (field: string) =>
    problems.find((problem) => problem.field === field || problem.field.startsWith(`${field}.`));
  const of = (count: number | null | undefined, by: number) =>
    count === null || count === undefined ? "" : String(Math.round(count * by * 1000) / 1000);
  const text = (name: keyof Item & string, title: string, hint: string, value: string) => (
    <label className="field">
      <span>
        {title} <span className="hint">{hint}</span>
      </span>
      <input name={name} defaultValue={typed?.[name] ?? value} aria-invalid={problemOf(name) ? true : undefined} />
      {problemOf(name) && (
        <span role="alert" className="problem">
          {problemText(problemOf(name)!.message)}
        </span>
      )}
    </label>
  );
  const choice = (
    name: "room" | "material" | "drawing",
    title: string,
    options: readonly string[],
    word: (option: string) => string,
  ) => (
    <label className="field">
      <span>{title}</span>
      <Select name={name} defaultValue={typed?.[name] ?? is[name]}>
        {options.map((eachOption) => (
          <option key={eachOption} value={eachOption}>
            {word(eachOption)}
          </option>
        ))}
      </Select>
    </label>
  );
  const several = (
    name: "uses" | "moves" | "cautions",
    title: string,
    options: readonly string[],
    word: (option: string) => string,
  ) => (
    <fieldset>
      <legend className="font-semibold">{title}</legend>
      <div className="flex flex-wrap gap-x-4">
        {options.map((option) => (
          <label key={option} className="flex items-center gap-1.5 py-0.5 text-sm">
            <input
              type="checkbox"
              name={name}
              value={option}
              defaultChecked={(typed
                ? (typed[name] ?? "").split(" ")
                : ((is[name] as string[] | undefined) ?? [])
              ).includes(option)}
            />
            {word(option)}
          </label>
        ))}
      </div>
      {problemOf(name) && (
        <p role="alert" className="problem">
          {problemText(problemOf(name)!.message)}
        </p>
      )}
    </fieldset>
  );
  const flag = (name: "breakable" | "kinds" | "ask" | "outdoorsOnly" | "endless", title: string) => (
    <label className="flex items-center gap-2 py-0.5">
      <input
        type="checkbox"
        name={name}
        value="yes"
        defaultChecked={typed ? typed[name] === "yes" : (is[name] ?? false)}
      />{" "}
      {title}
    </label>
  );
  return (
    <main className="mx-auto w-full max-w-4xl p-6">
      <p className="mb-1 text-sm">
        <Link to="/things" className="underline">
          Household items
        </Link>
      </p>
      <div className="mb-3 flex items-center gap-4">
        {item && <ItemDrawing item={item.drawing} size={64} />}
        <h1 className="text-3xl">{item ? itemName(item.id, namesOf(own)) : "Your own item"}</h1>
      </div>
      {problems.length > 0 && (
        <p role="alert" className="note problem mb-3">
          {problems.map((problem) => problemText(problem.message)).join(" ")}
        </p>
      )}
      <Form method="post" className="grid gap-4">
        <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
          {text(
            "name",
            "Name",
            item && catalogueItem(item.id) ? "leave empty to keep the usual name" : "up to 30 letters",
            is.name ?? "",
          )}
          {choice("room", "Found in", ROOMS, (role) => label(`room.${role}`))}
          {choice("drawing", "Drawing", Object.keys(paths), (givenText) => itemName(givenText))}
        </div>
        {several("uses", "Used", USES, (url) => label(`use.${url}`))}
        {several("moves", "How it moves", MOVES, (mode) => label(`move.${mode}`))}
        <div className="grid grid-cols-2 gap-3 lg:grid-cols-4">
          {text("width", "Width", "cm", of(is.width, 100))}
          {text("depth", "Depth", "cm", of(is.depth, 100))}
          {text("height", "Height", "cm", of(is.height, 100))}
          {text("mass", "Mass, empty", "g", of(is.mass, 1000))}
          {text("opening", "Opening, width", "cm; leave empty for none", of(is.opening, 100))}
          {text("openingDepth", "Other side of the opening", "cm; empty: round", of(is.openingDepth ?? null, 100))}
          {text("gap", "Gap to pass through", "cm; leave empty for none", of(is.gap, 100))}
          {text("contents", "Weight when full", "kg; leave empty if it holds nothing", of(is.contents, 1))}
          {text("drag", "Rolling resistance", "1 is a ball; leave empty if it does not roll", of(is.drag, 1))}
          {text("softness", "Softness", "0 to 100", of(is.softness, 100))}
          {text("rebound", "Bounce", "0 to 100", of(is.rebound, 100))}
          {text("noise", "Noise", "0 to 3", of(is.noise, 1))}
          {text("handling", "Ease of handling", "1: easy, 1.2: harder", of(is.handling, 1))}
          {text("homes", "Share of homes that have it", "of 100", of(is.homes, 100))}
          {text("count", "How many they have", "", of(is.count, 1))}
          {choice("material", "Material", MATERIALS, (mode) => mode)}
          {text("source", "Source of the figures", "or estimated", is.source ?? "")}
        </div>
        <fieldset className="grid grid-cols-2">
          <legend className="font-semibold">About this item</legend>
          {flag("ask", "Ask a grown-up first")}
          {flag("outdoorsOnly", "Outdoors only")}
          {flag("breakable", "Can break")}
          {flag("kinds", "Comes in kinds you can tell apart")}
          {flag("endless", "One is enough for any number of lines")}
        </fieldset>
        {several("cautions", "Cautions on the card", CAUTIONS, (givenText) => say(`caution.${givenText}`))}
        {item && <ModelNotes item={item} />}
        <p>
          <Button type="submit" look="main">
            {item ? "Save item" : "Add item"}
          </Button>
        </p>
      </Form>
    </main>
  );
}
