import { getFormProps } from "@conform-to/react";
import { Form, redirect } from "react-router";
import { CAUTIONS } from "#core/items/cautions.ts";
import { MATERIALS, MOVES, ROOMS, USES } from "#core/items/lists.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { listOf } from "#core/kit/items.ts";
import { saveItem, schoolItemsFor } from "#server/kit/items.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";
import { itemName, namesOf, say } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { missing } from "../answer.server.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { paths } from "../drawings/paths.ts";
import { formAnswered } from "../form.server.ts";
import { teacherOf } from "../session.server.ts";
import { FIGURES, type FigureOf, formOfItem, itemForm, itemIn } from "../things/item-form.ts";
import { ModelNotes } from "../things/model-notes.tsx";
import { Button, ButtonLink } from "../ui/button.tsx";
import { CheckField, SelectField, TextField, TickList } from "../ui/field.tsx";
import { fieldOf, tickOf, ticksOf, useSchemaForm } from "../ui/form.tsx";
import { Group } from "../ui/group.tsx";
import { Page, PageHead } from "../ui/page.tsx";
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

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const id = params.id === NEW ? null : params.id;
  return formAnswered(request, itemForm, async (form) => {
    const was = id === null ? undefined : listOf((await schoolItemsFor(who)).own).find((item) => item.id === id);
    try {
      await saveItem(who, itemIn(form, id, was ?? null), id === null);
    } catch (error) {
      // The id is made of the name.
      if (error instanceof NotAllowed && error.problems[0]?.field === "id")
        throw NotAllowed.of("name", "There is already an item with this name. Choose another one.");
      throw error;
    }
    throw redirect("/things");
  });
}

const SHAPE: readonly FigureOf[] = ["width", "depth", "height", "mass", "opening", "openingDepth", "gap", "contents"];
const BEHAVIOUR: readonly FigureOf[] = ["softness", "rebound", "noise", "handling", "drag"];
const FOUND: readonly FigureOf[] = ["homes", "count"];
const OPTIONAL: ReadonlySet<FigureOf> = new Set(["opening", "openingDepth", "gap", "contents", "drag"]);
const GRID = "grid grid-cols-4 items-start gap-x-4 gap-y-3 py-2 max-md:grid-cols-2 max-sm:grid-cols-1";

export default function ThingEdit({ loaderData: { item, own }, actionData }: Route.ComponentProps) {
  const [form, fields] = useSchemaForm(itemForm, { id: "item", first: formOfItem(item), answer: actionData });
  const figures = (names: readonly FigureOf[]) =>
    names.map((name) => (
      <TextField
        key={name}
        label={FIGURES[name].label}
        hint={FIGURES[name].hint ?? FIGURES[name].unit}
        inputMode="decimal"
        {...fieldOf(fields[name])}
        required={!OPTIONAL.has(name)}
      />
    ));
  return (
    <Page>
      <PageHead
        above={{ to: "/things", name: "Household items" }}
        title={
          <span className="flex items-center gap-4">
            {item && <ItemDrawing item={item.drawing} size={56} />}
            {item ? itemName(item.id, namesOf(own)) : "Your own item"}
          </span>
        }
      />
      <Form method="post" {...getFormProps(form)} className="max-w-5xl">
        <Group title="What it is">
          <div className={GRID}>
            <TextField
              label="Name"
              hint={item && catalogueItem(item.id) ? "empty: the usual name" : "up to 30 letters"}
              {...fieldOf(fields.name)}
            />
            <SelectField label="Found in" {...fieldOf(fields.room)}>
              {ROOMS.map((room) => (
                <option key={room} value={room}>
                  {label(`room.${room}`)}
                </option>
              ))}
            </SelectField>
            <SelectField label="Drawing" {...fieldOf(fields.drawing)}>
              {Object.keys(paths).map((drawing) => (
                <option key={drawing} value={drawing}>
                  {itemName(drawing)}
                </option>
              ))}
            </SelectField>
            <SelectField label="Material" {...fieldOf(fields.material)}>
              {MATERIALS.map((material) => (
                <option key={material}>{material}</option>
              ))}
            </SelectField>
          </div>
          <TickList label="Used" options={USES} word={(use) => label(`use.${use}`)} {...ticksOf(fields.uses)} />
        </Group>
        <Group title="Size and weight">
          <div className={GRID}>{figures(SHAPE)}</div>
        </Group>
        <Group title="How it behaves">
          <TickList
            label="How it moves"
            options={MOVES}
            word={(move) => label(`move.${move}`)}
            {...ticksOf(fields.moves)}
          />
          <div className={GRID}>{figures(BEHAVIOUR)}</div>
        </Group>
        <Group title="Homes and safety">
          <div className={GRID}>
            {figures(FOUND)}
            <TextField label="Source of the figures" hint="or estimated" {...fieldOf(fields.source)} />
          </div>
          <div className="grid grid-cols-2 py-1 max-sm:grid-cols-1">
            <CheckField label="Ask a grown-up first" {...tickOf(fields.ask)} />
            <CheckField label="Outdoors only" {...tickOf(fields.outdoorsOnly)} />
            <CheckField label="Can break" {...tickOf(fields.breakable)} />
            <CheckField label="Comes in kinds you can tell apart" {...tickOf(fields.kinds)} />
            <CheckField label="One is enough for any number of lines" {...tickOf(fields.endless)} />
          </div>
          <TickList
            label="Cautions on the card"
            options={CAUTIONS}
            word={(caution) => say(`caution.${caution}`)}
            {...ticksOf(fields.cautions)}
          />
        </Group>
        {item && <ModelNotes item={item} />}
        <p className="flex gap-2">
          <Button type="submit" look="main">
            {item ? "Save item" : "Add item"}
          </Button>
          <ButtonLink to="/things" look="quiet">
            Cancel
          </ButtonLink>
        </p>
      </Form>
    </Page>
  );
}
