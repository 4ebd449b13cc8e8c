import type { SubmissionResult } from "@conform-to/dom";
import { getFormProps } from "@conform-to/react";
import { Archive, ArchiveRestore, House, Link2, Pencil, Upload } from "lucide-react";
import { useState } from "react";
import { data, Form, useNavigation } from "react-router";
import { LOCALES } from "#core/measures/locales.ts";
import {
  archiveClass,
  makeClass,
  moveChildren,
  renameClass,
  saveSchool,
  settingsFor,
} from "#server/school/settings.ts";
import { found, idOf } from "../answer.server.ts";
import { formAnswered } from "../form.server.ts";
import { formOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { moveForm, newClassForm, renameForm, schoolForm } from "../settings/settings-forms.ts";
import { Button } from "../ui/button.tsx";
import { CheckField, SelectField, TextField } from "../ui/field.tsx";
import { fieldOf, tickOf, ticksOf, useSchemaForm } from "../ui/form.tsx";
import { Menu } from "../ui/menu.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { Problems } from "../ui/problems.tsx";
import { Done, type Undo } from "../ui/toasts.tsx";
import type { Route } from "./+types/settings";

export const meta: Route.MetaFunction = () => [{ title: "Settings · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  return {
    ...(await settingsFor(who)),
    zones: ["UTC", ...Intl.supportedValuesOf("timeZone").filter((zone) => zone !== "UTC")],
    orderId: crypto.randomUUID(),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  const intent = form.text("intent");
  const done = (told: string, undo: Undo["fields"] | null = null, what = "") => ({
    ok: true as const,
    told,
    undo: undo && { fields: undo, action: "/settings", what },
  });
  switch (intent) {
    case "school":
      return formAnswered(form, schoolForm, async (school) => {
        await saveSchool(who, school);
        return done("Settings saved.");
      });
    case "make":
      return formAnswered(form, newClassForm, async ({ name, orderId }) => {
        await makeClass(who, name, idOf(orderId, "class"));
        return done(`${name} is ready. Add children to it, or import a list.`);
      });
    case "rename":
      return formAnswered(form, renameForm, async ({ class: id, name }) => {
        const before = await renameClass(who, idOf(id, "class"), name);
        return done(
          `${before} is now called ${name}.`,
          { intent: "rename", class: id, name: before },
          "renaming the class",
        );
      });
    case "archive":
    case "unarchive": {
      const archived = intent === "archive";
      const id = idOf(form.text("class"), "class");
      const name = await found(archiveClass(who, id, archived));
      return done(
        archived ? `${name} is archived. Nothing of it is deleted.` : `${name} is back.`,
        { intent: archived ? "unarchive" : "archive", class: id },
        archived ? `archiving ${name}` : `bringing ${name} back`,
      );
    }
    case "move":
      return formAnswered(form, moveForm, async ({ chosen, to }) => {
        const ids = chosen.map((id) => idOf(id, "child"));
        const moved = await moveChildren(who, ids, idOf(to, "class"));
        return done(moved === 1 ? "1 child moved." : `${moved} children moved.`);
      });
    default: {
      const refused: Refused = { error: { intent: ["This page cannot do that. Load it again."] } };
      return data(refused, { status: 422 });
    }
  }
}

type Data = Route.ComponentProps["loaderData"];
/** The server's answer to a form that it refused. */
type Refused = SubmissionResult<string[]>;
const saidIn = (refused: Refused | undefined, name: "intent" | "class") => refused?.initialValue?.[name];

export default function Settings({ loaderData: d, actionData }: Route.ComponentProps) {
  const done = actionData && "ok" in actionData ? actionData : null;
  const refused = actionData && !("ok" in actionData) ? actionData : undefined;
  const of = (intent: string, classId?: string) =>
    saidIn(refused, "intent") === intent && saidIn(refused, "class") === classId ? refused : undefined;
  const shown = d.classes.filter((group) => !group.archived);
  const archived = d.classes.filter((group) => group.archived);
  return (
    <Page>
      <PageHead title="Settings" about="Your school and its classes" />
      <Done text={done?.told ?? ""} undo={done?.undo ?? null} of={actionData} />
      <Problems list={(refused?.error?.intent ?? []).map((message) => ({ field: "intent", message }))} />
      <School data={d} refused={of("school")} />
      <section className="mt-8 border-t-2 border-ink pt-3">
        <h2 className="mb-2 text-xl">Classes</h2>
        <ul className="mb-4">
          {shown.map((group) => (
            <OneClass
              // Under a new name it begins again, with its form closed.
              key={`${group.id} ${group.name}`}
              group={group}
              classes={shown}
              rename={of("rename", group.id)}
              move={of("move", group.id)}
            />
          ))}
        </ul>
        <NewClass key={d.classes.length} orderId={d.orderId} refused={of("make")} />
        {archived.length > 0 && (
          <>
            <h3 className="mt-6 mb-1 text-lg">Archived classes</h3>
            <ul>
              {archived.map((group) => (
                <li key={group.id} className="row-line flex flex-wrap items-center gap-3 py-2">
                  <span className="grow">
                    <strong>{group.name}</strong>{" "}
                    <span className="text-sm text-quiet">{sizeWords(group.children.length)}</span>
                  </span>
                  <Form method="post">
                    <input type="hidden" name="class" value={group.id} />
                    <Button
                      type="submit"
                      size="small"
                      name="intent"
                      value="unarchive"
                      aria-label={`Bring back ${group.name}`}
                    >
                      <ArchiveRestore size={15} aria-hidden="true" /> Bring back
                    </Button>
                  </Form>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
    </Page>
  );
}

const sizeWords = (count: number) => (count === 0 ? "no children yet" : count === 1 ? "1 child" : `${count} children`);

/** The school: its name, its zone, and how it writes dates and distances. */
function School({ data: { school, zones }, refused }: { data: Data; refused: Refused | undefined }) {
  const busy = useNavigation().formData?.get("intent") === "school";
  const [form, fields] = useSchemaForm(schoolForm, { id: "school", first: school, answer: refused });
  return (
    <Form method="post" {...getFormProps(form)} className="flex max-w-4xl flex-wrap items-start gap-4">
      <TextField label="School" className="w-72" {...fieldOf(fields.name)} />
      <SelectField label="Time zone" {...fieldOf(fields.zone)}>
        {zones.map((zone) => (
          <option key={zone}>{zone}</option>
        ))}
      </SelectField>
      <SelectField label="Dates and times" {...fieldOf(fields.locale)}>
        {Object.entries(LOCALES).map(([id, { name }]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </SelectField>
      <SelectField label="Distances" hint="on the tape" {...fieldOf(fields.units)}>
        <option value="metres">metres</option>
        <option value="feet">feet</option>
      </SelectField>
      <fieldset className="w-full">
        <legend className="font-semibold">What families see</legend>
        <p className="text-sm text-quiet">They always see their child's games that are out or about to open.</p>
        <CheckField label="Their child's best score in each game" {...tickOf(fields.showsBest)} />
        <CheckField label="Games that have closed, for four weeks" {...tickOf(fields.showsClosed)} />
      </fieldset>
      <Button type="submit" look="main" name="intent" value="school" disabled={busy}>
        {busy ? "Saving …" : "Save"}
      </Button>
    </Form>
  );
}

type Group = Data["classes"][number];

/** A class: rename it, archive it, and move children to another class. */
function OneClass({
  group,
  classes,
  rename,
  move,
}: {
  group: Group;
  classes: readonly Group[];
  rename: Refused | undefined;
  move: Refused | undefined;
}) {
  const [renaming, setRenaming] = useState(false);
  const others = classes.filter(({ id }) => id !== group.id);
  return (
    <li className="row-line py-2">
      <div className="flex flex-wrap items-center gap-3">
        <span className="min-w-48 grow">
          <strong className="font-head text-lg">{group.name}</strong>{" "}
          <span className="text-sm text-quiet">{sizeWords(group.children.length)}</span>
        </span>
        <Menu
          label={`Actions for ${group.name}`}
          entries={[
            { label: "Rename", icon: <Pencil size={16} />, onSelect: () => setRenaming(true) },
            { label: "Homes", to: `/homes?class=${group.id}`, icon: <House size={16} /> },
            { label: "Links and QR codes", to: `/classes/${group.id}/links`, icon: <Link2 size={16} /> },
            { label: "Import children", to: `/homes/import?class=${group.id}`, icon: <Upload size={16} /> },
            {
              label: "Archive",
              fields: { intent: "archive", class: group.id },
              icon: <Archive size={16} />,
              apart: true,
            },
          ]}
        >
          Actions
        </Menu>
      </div>
      <noscript>
        <Rename group={group} refused={rename} />
      </noscript>
      {(renaming || rename) && <Rename group={group} refused={rename} close={() => setRenaming(false)} />}
      {others.length > 0 && group.children.length > 0 && <Move group={group} others={others} refused={move} />}
    </li>
  );
}

/** Moves some of a class's children to another class. */
function Move({ group, others, refused }: { group: Group; others: readonly Group[]; refused: Refused | undefined }) {
  const [form, fields] = useSchemaForm(moveForm, { id: `move-${group.id}`, first: { chosen: [] }, answer: refused });
  const { name: field, ticked, problem } = ticksOf(fields.chosen);
  return (
    <details className="mt-1" open={refused !== undefined || undefined}>
      <summary className="min-h-8 py-1 text-sm font-semibold text-teal">Move children to another class</summary>
      <Form method="post" preventScrollReset {...getFormProps(form)} className="grid gap-2 py-2">
        <input type="hidden" name="class" value={group.id} />
        {problem && (
          <p role="alert" className="problem">
            {problem}
          </p>
        )}
        <div className="columns-2 gap-6 sm:columns-4">
          {group.children.map((child) => (
            <CheckField
              key={child.id}
              label={child.name}
              name={field}
              value={child.id}
              defaultChecked={ticked.includes(child.id)}
              className="min-h-7"
            />
          ))}
        </div>
        <div className="flex flex-wrap items-end gap-3">
          <SelectField label="To" {...fieldOf(fields.to)}>
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectField>
          <Button type="submit" name="intent" value="move">
            Move children
          </Button>
          <p className="text-sm text-quiet">They keep their results, and get what is out for the new class.</p>
        </div>
      </Form>
    </details>
  );
}

function Rename({ group, refused, close }: { group: Group; refused: Refused | undefined; close?: () => void }) {
  const [form, fields] = useSchemaForm(renameForm, {
    id: `rename-${group.id}${close ? "" : "-plain"}`,
    first: { name: group.name },
    answer: refused,
  });
  return (
    <Form method="post" preventScrollReset {...getFormProps(form)} className="flex flex-wrap items-start gap-2 py-2">
      <input type="hidden" name="class" value={group.id} />
      <TextField label={`New name for ${group.name}`} {...fieldOf(fields.name)} autoFocus={close !== undefined} />
      <Button type="submit" name="intent" value="rename" className="mt-6">
        Rename
      </Button>
      {close && (
        <Button look="quiet" className="mt-6" onClick={close}>
          Cancel
        </Button>
      )}
    </Form>
  );
}

function NewClass({ orderId, refused }: { orderId: string; refused: Refused | undefined }) {
  const [form, fields] = useSchemaForm(newClassForm, { id: "new-class", first: {}, answer: refused });
  return (
    <Form method="post" preventScrollReset {...getFormProps(form)} className="flex flex-wrap items-start gap-2">
      <input type="hidden" name="orderId" value={orderId} />
      <TextField label="New class" {...fieldOf(fields.name)} />
      <Button type="submit" name="intent" value="make" className="mt-6">
        Make class
      </Button>
    </Form>
  );
}
