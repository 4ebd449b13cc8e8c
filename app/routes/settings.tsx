import { Archive, ArchiveRestore, House, Link2, Pencil, Upload } from "lucide-react";
import { useState } from "react";
import { Form, useNavigation } from "react-router";
import { LOCALES } from "#core/measures/locales.ts";
import { NotAllowed } from "#server/problem.ts";
import {
  archiveClass,
  makeClass,
  moveChildren,
  renameClass,
  saveSchool,
  settingsFor,
} from "#server/school/settings.ts";
import { answered, idOf } from "../answer.server.ts";
import { formOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button } from "../ui/button.tsx";
import { CheckField, SelectField, TextField } from "../ui/field.tsx";
import { Menu } from "../ui/menu.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { problemText } from "../ui/problem-text.ts";
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
  const fields = form.fields();
  const intent = fields.intent ?? "";
  const done = (told: string, undo: Undo["fields"] | null = null, what = "") => ({
    ok: true as const,
    problems: [],
    intent,
    told,
    undo: undo && { fields: undo, action: "/settings", what },
  });
  const answer = await answered(async () => {
    switch (intent) {
      case "school": {
        const { name, zone, locale, units } = fields;
        const [showsBest, showsClosed] = [form.has("showsBest"), form.has("showsClosed")];
        await saveSchool(who, { name, zone, locale, units, showsBest, showsClosed });
        return done("Settings saved.");
      }
      case "make":
        await makeClass(who, fields.name, idOf(fields.orderId, "class"));
        return done(`${(fields.name ?? "").trim()} is ready. Add children to it, or import a list.`);
      case "rename": {
        const before = await renameClass(who, idOf(fields.class, "class"), fields.name);
        return done(
          `${before} is now called ${(fields.name ?? "").trim()}.`,
          { intent: "rename", class: fields.class ?? "", name: before },
          "renaming the class",
        );
      }
      case "archive":
      case "unarchive": {
        const archived = intent === "archive";
        const name = await archiveClass(who, idOf(fields.class, "class"), archived);
        return done(
          archived ? `${name} is archived. Nothing of it is deleted.` : `${name} is back.`,
          { intent: archived ? "unarchive" : "archive", class: fields.class ?? "" },
          archived ? `archiving ${name}` : `bringing ${name} back`,
        );
      }
      case "move": {
        const chosen = form.all("chosen").map((id) => idOf(id, "child"));
        const moved = await moveChildren(who, chosen, idOf(fields.to, "class"));
        return done(moved === 1 ? "1 child moved." : `${moved} children moved.`);
      }
      default:
        throw NotAllowed.of("intent", "This page cannot do that. Load it again.");
    }
  });
  // What was typed and refused stays in its fields.
  if (!("data" in answer)) return answer;
  return { ok: false as const, problems: answer.data.problems, intent, typed: fields, about: fields.class ?? "" };
}

type Data = Route.ComponentProps["loaderData"];
type Refused = Extract<Route.ComponentProps["actionData"], { ok: false }> | null;

export default function Settings({ loaderData: d, actionData }: Route.ComponentProps) {
  const refused = actionData && !actionData.ok ? actionData : null;
  const done = actionData?.ok ? actionData : null;
  const shown = d.classes.filter((group) => !group.archived);
  const archived = d.classes.filter((group) => group.archived);
  return (
    <Page>
      <PageHead title="Settings" about="Your school and its classes" />
      <Done text={done?.told ?? ""} undo={done?.undo ?? null} of={actionData} />
      <Problems list={(refused?.problems ?? []).filter(({ field }) => field === "intent")} />
      <School data={d} refused={refused?.intent === "school" ? refused : null} />
      <section className="mt-8 border-t-2 border-ink pt-3">
        <h2 className="mb-2 text-xl">Classes</h2>
        <ul className="mb-4">
          {shown.map((group) => (
            <OneClass
              key={group.id}
              group={group}
              classes={shown}
              refused={refused?.about === group.id ? refused : null}
            />
          ))}
        </ul>
        <NewClass key={d.classes.length} orderId={d.orderId} refused={refused?.intent === "make" ? refused : null} />
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
const problemIn = (refused: Refused, field: string) => {
  const problem = refused?.problems.find((each) => each.field === field);
  return problem && problemText(problem.message);
};

/** The school: its name, its zone, and how it writes dates and distances. */
function School({ data: { school, zones }, refused }: { data: Data; refused: Refused }) {
  const busy = useNavigation().formData?.get("intent") === "school";
  const value = (name: "name" | "zone" | "locale" | "units") => refused?.typed[name] ?? school[name];
  return (
    <Form method="post" className="flex max-w-4xl flex-wrap items-start gap-4" key={refused ? "refused" : "saved"}>
      <TextField
        label="School"
        name="name"
        className="w-72"
        maxLength={80}
        required
        defaultValue={value("name")}
        problem={problemIn(refused, "name")}
      />
      <SelectField label="Time zone" name="zone" defaultValue={value("zone")} problem={problemIn(refused, "zone")}>
        {zones.map((zone) => (
          <option key={zone}>{zone}</option>
        ))}
      </SelectField>
      <SelectField
        label="Dates and times"
        name="locale"
        defaultValue={value("locale")}
        problem={problemIn(refused, "locale")}
      >
        {Object.entries(LOCALES).map(([id, { name }]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Distances"
        hint="on the tape"
        name="units"
        defaultValue={value("units")}
        problem={problemIn(refused, "units")}
      >
        <option value="metres">metres</option>
        <option value="feet">feet</option>
      </SelectField>
      <fieldset className="w-full">
        <legend className="font-semibold">What families see</legend>
        <p className="text-sm text-quiet">They always see their child's games that are out or about to open.</p>
        <CheckField
          label="Their child's best score in each game"
          name="showsBest"
          defaultChecked={refused ? refused.typed.showsBest !== undefined : school.showsBest}
        />
        <CheckField
          label="Games that have closed, for four weeks"
          name="showsClosed"
          defaultChecked={refused ? refused.typed.showsClosed !== undefined : school.showsClosed}
        />
      </fieldset>
      <Button type="submit" look="main" name="intent" value="school" disabled={busy}>
        {busy ? "Saving …" : "Save"}
      </Button>
    </Form>
  );
}

type Group = Data["classes"][number];

/** A class: rename it, archive it, and move children to another class. */
function OneClass({ group, classes, refused }: { group: Group; classes: readonly Group[]; refused: Refused }) {
  const [renaming, setRenaming] = useState(false);
  const others = classes.filter(({ id }) => id !== group.id);
  const open = renaming || refused?.intent === "rename";
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
        <Rename group={group} refused={refused} />
      </noscript>
      {open && <Rename group={group} refused={refused} close={() => setRenaming(false)} />}
      {others.length > 0 && group.children.length > 0 && (
        <details className="mt-1" open={refused?.intent === "move" || undefined}>
          <summary className="min-h-8 py-1 text-sm font-semibold text-teal">Move children to another class</summary>
          <Form method="post" preventScrollReset className="grid gap-2 py-2">
            <input type="hidden" name="class" value={group.id} />
            {problemIn(refused, "chosen") && (
              <p role="alert" className="problem">
                {problemIn(refused, "chosen")}
              </p>
            )}
            <div className="columns-2 gap-6 sm:columns-4">
              {group.children.map((child) => (
                <CheckField key={child.id} label={child.name} name="chosen" value={child.id} className="min-h-7" />
              ))}
            </div>
            <div className="flex flex-wrap items-end gap-3">
              <SelectField label="To" name="to">
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
      )}
    </li>
  );
}

function Rename({ group, refused, close }: { group: Group; refused: Refused; close?: () => void }) {
  return (
    <Form method="post" preventScrollReset className="flex flex-wrap items-start gap-2 py-2" onSubmit={() => close?.()}>
      <input type="hidden" name="class" value={group.id} />
      <TextField
        label={`New name for ${group.name}`}
        name="name"
        maxLength={40}
        required
        autoFocus={close !== undefined}
        defaultValue={refused?.intent === "rename" ? refused.typed.name : group.name}
        problem={refused?.intent === "rename" ? problemIn(refused, "name") : undefined}
      />
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

function NewClass({ orderId, refused }: { orderId: string; refused: Refused }) {
  return (
    <Form method="post" preventScrollReset className="flex flex-wrap items-start gap-2">
      <input type="hidden" name="orderId" value={orderId} />
      <TextField
        label="New class"
        name="name"
        maxLength={40}
        required
        defaultValue={refused?.typed.name ?? ""}
        problem={problemIn(refused, "name")}
      />
      <Button type="submit" name="intent" value="make" className="mt-6">
        Make class
      </Button>
    </Form>
  );
}
