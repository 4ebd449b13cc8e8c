import type { SubmissionResult } from "@conform-to/dom";
import { getFormProps } from "@conform-to/react";
import { Trash2 } from "lucide-react";
import { data, Form, Link, redirect } from "react-router";
import { listOf } from "#core/kit/items.ts";
import { LONGEST_SUPPORT } from "#core/records/home-limits.ts";
import { saveChild } from "#server/children/edit.ts";
import { addHomeFor, leaveHome, saveHome } from "#server/homes/edit.ts";
import { homesFor } from "#server/homes/homes.ts";
import { INVITATION_DAYS, inviteToHomeFor, joinHomeFor } from "#server/homes/invitations.ts";
import { schoolItemsFor } from "#server/kit/items.ts";
import { NotFound } from "#server/problem.ts";
import { sayList } from "#words/say.ts";
import { answered, idOf, missing } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { formAnswered } from "../form.server.ts";
import { childForm } from "../homes/child-form.ts";
import { keepTyped } from "../homes/keep-typed.ts";
import { partOf, refusedPart, takePart } from "../homes/survey.server.ts";
import { SurveyForm } from "../homes/survey-form.tsx";
import { useRouterSaving } from "../homes/use-router-saving.ts";
import { formOf, searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { AreaField, CheckField, SelectField, TextField } from "../ui/field.tsx";
import { fieldOf, tickOf, useSchemaForm } from "../ui/form.tsx";
import { Menu } from "../ui/menu.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { problemText } from "../ui/problem-text.ts";
import { Done } from "../ui/toasts.tsx";
import type { Route } from "./+types/home-edit";

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `${d?.row.child ?? "Home"} · Daring Yard` }];

async function rowOf(request: Request, child: string | undefined) {
  const who = await teacherOf(request);
  const id = idOf(child, "child");
  const rows = await homesFor(who);
  const row = rows.find((homeRow) => homeRow.childId === id);
  if (!row) throw missing(new NotFound("child"));
  return { who, row, rows };
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row, rows } = await rowOf(request, params.child);
  const search = searchOf(request);
  const part = partOf(search.get("part"));
  return {
    row: { ...row, askedAt: null },
    home: row.homes.find((home) => home.id === search.get("home")) ?? row.homes[0] ?? null,
    part: part === "done" ? ("things" as const) : part,
    another: crypto.randomUUID(),
    others: rows
      .filter((homeRow) => homeRow.childId !== row.childId && homeRow.homes.length > 0)
      .map((homeRow) => ({ id: homeRow.childId, name: homeRow.child })),
    items: await schoolItemsFor(who),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await rowOf(request, params.child);
  const form = await formOf(request);
  const fields = form.fields();
  const here = `/homes/${row.childId}`;
  switch (fields.intent) {
    case "child":
      return formAnswered(form, childForm, async (child) => {
        await saveChild(who, row.childId, child);
        return { ok: true as const, problems: [], told: "Saved." };
      });
    case "another":
    case "share":
      return answered(async () => {
        await addHomeFor(
          who,
          row.childId,
          fields.intent === "share"
            ? { sharedWith: idOf(fields.with, "child") }
            : { order: idOf(fields.order, "home") },
        );
        return { ok: true as const, problems: [], told: "Home added." };
      });
    case "invite":
      return answered(async () => {
        const code = await inviteToHomeFor(who, row.childId, idOf(fields.home, "home"));
        const invited = `The code is ${code}. It lets one more child join this home within ${INVITATION_DAYS} days.`;
        return { ok: true as const, problems: [], told: "", invited };
      });
    case "join":
      return answered(async () => {
        await joinHomeFor(who, row.childId, fields.code ?? "");
        throw redirect(here);
      });
    case "leave":
      return answered(async () => {
        await leaveHome(who, row.childId, idOf(fields.home, "home"));
        throw redirect(here);
      });
  }
  const home = row.homes.find((homeOfChild) => homeOfChild.id === searchOf(request).get("home")) ?? row.homes[0];
  if (!home)
    return data(
      { ok: false as const, problems: [{ field: "home", message: "Add a home first." }], told: "" },
      { status: 422 },
    );
  const taken = await takePart(fields, home, (answers) => saveHome(who, row.childId, home.id, answers));
  if (!taken.ok) return refusedPart(taken);
  if (fields.quietly === "yes") return taken;
  throw redirect(`${here}?home=${home.id}&part=${taken.next === "done" ? "people" : taken.next}`);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);

export default function HomeEdit({ loaderData: d, actionData }: Route.ComponentProps) {
  const { row, home, part } = d;
  const saving = useRouterSaving();
  const refused = actionData && "problems" in actionData && !actionData.ok ? actionData : null;
  const told = actionData && "told" in actionData ? actionData.told : "";
  // Somebody writes a code down: it stays in the page.
  const invited =
    actionData && "invited" in actionData && typeof actionData.invited === "string" ? actionData.invited : "";
  const problem = (field: string) => {
    const found = refused?.problems.find((eachProblem) => eachProblem.field === field);
    return (
      found && (
        <p role="alert" className="problem">
          {problemText(found.message)}
        </p>
      )
    );
  };
  const to = (path: string) =>
    path === "done" ? "/homes" : `/homes/${row.childId}?home=${home?.id ?? ""}&part=${path}`;
  return (
    <OwnDrawings value={drawingsOf(d.items.own)}>
      <Page>
        <PageHead above={{ to: "/homes", name: "Homes" }} title={row.child}>
          <ButtonLink to={`/children/${row.childId}`}>Progress</ButtonLink>
          <Menu
            label={`Actions for ${row.child}`}
            entries={[
              {
                label: `Delete ${row.child} …`,
                to: `/children/${row.childId}/erase`,
                icon: <Trash2 size={16} />,
              },
            ]}
          >
            Actions
          </Menu>
        </PageHead>
        <noscript>
          <p className="mb-3">
            <Link to={`/children/${row.childId}/erase`} className="underline">
              Delete {row.child} …
            </Link>
          </p>
        </noscript>
        <Done text={told} of={actionData} />
        <div className="grid grid-cols-[18rem_minmax(0,1fr)] gap-10 max-[800px]:grid-cols-1">
          <div>
            <ChildForm key={row.childId} row={row} answer={refusedForm(actionData)} />
            <h2 className="mt-6 mb-1 text-lg">Homes</h2>
            <HomeList row={row} home={home} />
            {problem("home")}
            <Form method="post" className="mt-2">
              <input type="hidden" name="order" value={d.another} />
              <Button type="submit" name="intent" value="another" look="quiet" size="small">
                Another home
              </Button>
            </Form>
            <ShareHome d={d} />
            <NewHome />
            {problem("code")}
            {invited && (
              <p role="status" className="note note-good mt-2">
                {invited}
              </p>
            )}
            {home && (
              <Form method="post" className="mt-2">
                <input type="hidden" name="home" value={home.id} />
                <Button type="submit" name="intent" value="invite" look="quiet" size="small">
                  Make a code for this home
                </Button>
                <p className="hint mt-1">For a child in another class who lives here too.</p>
              </Form>
            )}
          </div>
          <div>
            <h2 className="mb-2 text-xl">{home ? `${home.label}, as its family would tap it` : "No home yet"}</h2>
            {home && (
              <SurveyForm
                key={`${home.id} ${part}`}
                part={part}
                answers={home}
                items={listOf(d.items.own, d.items.hidden)}
                to={to}
                keepAs={`teacher-${home.id}`}
                saving={saving}
                problems={refused && "typed" in refused ? refused.problems : []}
                typed={refused && "typed" in refused ? (refused.typed as Record<string, string>) : null}
              />
            )}
          </div>
        </div>
      </Page>
    </OwnDrawings>
  );
}

/** The server's answer to the form of the child, if it was refused. The survey has answers of its own. */
const refusedForm = (answer: Route.ComponentProps["actionData"]): SubmissionResult<string[]> | undefined =>
  answer && "error" in answer ? answer : undefined;

/** Edits what the teacher knows about a child. */
function ChildForm({
  row,
  answer,
}: {
  row: Route.ComponentProps["loaderData"]["row"];
  answer: SubmissionResult<string[]> | undefined;
}) {
  const first = {
    name: row.child,
    age: row.age,
    leftHanded: row.leftHanded,
    step: row.step,
    support: row.support,
  };
  const [form, fields] = useSchemaForm(childForm, { id: "child", first, answer });
  return (
    <Form method="post" {...getFormProps(form)} className="grid gap-3">
      <TextField label="Name" hint="first name and initial" {...fieldOf(fields.name)} />
      <TextField label="Age" hint="years" inputMode="numeric" {...fieldOf(fields.age)} required />
      <CheckField label="Left-handed" {...tickOf(fields.leftHanded)} />
      <TextField
        label="Step length"
        hint="metres, if measured"
        inputMode="decimal"
        {...fieldOf(fields.step)}
        required={false}
      />
      <AreaField
        label="Your note"
        hint="only this class's teachers can see it"
        rows={3}
        {...fieldOf(fields.support)}
        maxLength={LONGEST_SUPPORT}
        required={false}
      />
      {row.familyNote && (
        <div className="border-l-4 border-plum pl-3">
          <p className="text-sm text-quiet">From the family</p>
          <p>{row.familyNote}</p>
        </div>
      )}
      <Button type="submit" name="intent" value="child" look="main">
        Save child
      </Button>
    </Form>
  );
}

/** Lists the child's homes and marks the one shown. */
const HomeList = ({
  row,
  home,
}: {
  row: Route.ComponentProps["loaderData"]["row"];
  home: Route.ComponentProps["loaderData"]["home"];
}) => (
  <ul className="grid gap-1">
    {row.homes.map((eachHome) => (
      <li key={eachHome.id} className="flex items-center justify-between gap-2">
        <Link
          to={`/homes/${row.childId}?home=${eachHome.id}`}
          aria-current={eachHome.id === home?.id ? "true" : undefined}
          className={eachHome.id === home?.id ? "font-bold" : "underline"}
        >
          {eachHome.label}
          {eachHome.siblings.length > 0 && (
            <span className="block text-xs text-quiet">with {sayList(eachHome.siblings)}</span>
          )}
        </Link>
        {row.homes.length > 1 && (
          <Form method="post">
            <input type="hidden" name="home" value={eachHome.id} />
            <Button type="submit" name="intent" value="leave" look="quiet" size="small">
              Remove
            </Button>
          </Form>
        )}
      </li>
    ))}
  </ul>
);

/** Adds a home that the child shares with another child. */
const ShareHome = ({ d }: { d: Route.ComponentProps["loaderData"] }) => (
  <Form method="post" className="mt-3 flex items-end gap-2">
    <SelectField label="Lives with" name="with" className="py-1 text-sm">
      {d.others.map((other) => (
        <option key={other.id} value={other.id}>
          {other.name}
        </option>
      ))}
    </SelectField>
    <Button type="submit" name="intent" value="share" look="quiet" size="small">
      Share their home
    </Button>
  </Form>
);

/** Adds a home by a code. */
const NewHome = () => (
  <Form method="post" className="mt-3 flex items-end gap-2">
    <TextField
      label="Code from the other home"
      name="code"
      required
      autoComplete="off"
      maxLength={20}
      className="w-40 py-1 text-sm"
    />
    <Button type="submit" name="intent" value="join" look="quiet" size="small">
      Join
    </Button>
  </Form>
);
