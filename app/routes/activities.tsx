import { Archive, Copy, Download, EllipsisVertical, FolderOpen, Play, Send } from "lucide-react";
import { data, Form, Link, redirect } from "react-router";
import { layoutOf } from "#core/forecast/for-activity.ts";
import { type Activity, fromPattern, parseActivity } from "#core/formats/activity.ts";
import { started } from "#core/formats/begun.ts";
import { type PatternName, patternNames } from "#core/patterns/registry.ts";
import { find as findReady, ready, THINGS } from "#core/ready/index.ts";
import { activitiesFor, addActivity, shelveActivity } from "#server/activities/activities.ts";
import { shellOf } from "#server/school/classes.ts";
import { wellFormedJson } from "#server/web/well-formed.ts";
import { label } from "#words/teacher.ts";
import { GameGallery } from "../activities/game-gallery.tsx";
import { answered, idOf } from "../answer.server.ts";
import { formOf, searchOf } from "../read.server.ts";
import { ReadyShelf } from "../ready/ready-shelf.tsx";
import { wishOf } from "../ready/wish.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { SelectField, TextField } from "../ui/field.tsx";
import { Menu } from "../ui/menu.tsx";
import { MiniPlan } from "../ui/mini-plan.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { Problems } from "../ui/problems.tsx";
import { Done } from "../ui/toasts.tsx";
import { when } from "../when.ts";
import { answerOf } from "../workbench/stations.ts";
import type { Route } from "./+types/activities";

/** The largest file accepted, bytes. An activity takes a few kilobytes. */
const LARGEST_FILE = 200_000;

export const meta: Route.MetaFunction = () => [{ title: "Activities · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const [shelf, away, shell] = await Promise.all([activitiesFor(who), activitiesFor(who, true), shellOf(who)]);
  const asked = searchOf(request);
  const find = asked.get("find") ?? "";
  const sort: Sort = asked.get("sort") === "name" ? "name" : "changed";
  const wanted = find.trim().toLowerCase();
  const rows = (list: typeof shelf) =>
    list
      .filter(({ document: activity }) => wanted === "" || wordsOf(activity).includes(wanted))
      .sort((a, b) => (sort === "name" ? a.document.title.localeCompare(b.document.title) : 0))
      .map((kept) => ({ id: kept.id, document: kept.document, changed: when(kept.updatedAt, shell) }));
  const wish = wishOf(asked, shell.classes, THINGS);
  const suiting = findReady(wish.wanted);
  return {
    shelf: rows(shelf),
    away: rows(away),
    all: shelf.length,
    justAway: asked.get("away"),
    archived: rows(away).find((row) => row.id === asked.get("archived")) ?? null,
    find,
    sort,
    wish: wish.wish,
    things: THINGS,
    classes: shell.classes.flatMap((c) => (c.ages ? [{ id: c.id, name: c.name }] : [])),
    ready: suiting.map(({ id, activity, youngest }) => ({ id, youngest, document: activity })),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  return answered(async () => {
    const intent = form.text("intent");
    if (intent === "back") {
      await shelveActivity(who, idOf(form.text("id"), "activity"), false);
      throw redirect("/activities");
    }
    if (intent === "new") {
      const name = form.text("pattern");
      if (!patternNames.includes(name as PatternName))
        return refuse("pattern", `game must be one of ${patternNames.join(", ")}`);
      const taken = [...(await activitiesFor(who)), ...(await activitiesFor(who, true))].map(
        (kept) => kept.document.title,
      );
      throw redirect(`/activities/${await addActivity(who, begun(name as PatternName, taken))}`);
    }
    if (intent === "ready") {
      const one = ready.find((eachReady) => eachReady.id === form.text("ready"));
      if (!one) return refuse("ready", "There is no ready-made activity with that name.");
      const activity = form.text("youngest") === "yes" ? one.youngest : one.activity;
      throw redirect(`/activities/${await addActivity(who, activity)}`);
    }
    const file = await form.file("file", LARGEST_FILE);
    if (!file) return refuse("file", "Choose an activity file first.");
    let json: unknown;
    try {
      json = wellFormedJson(JSON.parse(file.text));
    } catch {
      return refuse("file", `${file.name} is not a JSON file. Choose an activity saved here.`);
    }
    const read = parseActivity(json);
    if (!read.ok)
      return data(
        {
          ok: false as const,
          problems: read.problems.map((problem) => ({
            field: problem.field,
            message: `${problem.field}: ${problem.message}`,
          })),
        },
        { status: 422 },
      );
    throw redirect(`/activities/${await addActivity(who, read.value)}`);
  });
}
type Sort = "changed" | "name";
/** The text in which a search looks. */
const wordsOf = (activity: Activity) =>
  [
    activity.title,
    label(`pattern.${activity.pattern.name}`),
    label(`action.${activity.aim.action}`),
    activity.aim.outcome,
  ]
    .join(" ")
    .toLowerCase();

/** A new activity named after its game, with a number if the name is taken, and with the starter cues of its action. */
function begun(name: PatternName, taken: readonly string[]): Activity {
  const activity = fromPattern(name);
  const is = `${label(`pattern.${name}`)}, ${label(`action.${activity.aim.action}`).toLowerCase()}`;
  const free = [is, ...Array.from({ length: taken.length + 1 }, (_, i) => `${is} ${i + 2}`)].find(
    (text) => !taken.includes(text),
  );
  return { ...activity, title: free ?? is, ...started(activity.aim.action) };
}

const refuse = (field: string, message: string) =>
  data({ ok: false as const, problems: [{ field, message }] }, { status: 422 });

export default function Activities({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page>
      <PageHead title="Activities">
        <ButtonLink look="main" to="#new" onClick={() => document.getElementById("new")?.focus()}>
          New from a game
        </ButtonLink>
        <ButtonLink to="#shelf">My activities ({loaderData.all})</ButtonLink>
      </PageHead>
      <Done
        text={loaderData.justAway ? "Activity archived." : ""}
        undo={
          loaderData.justAway
            ? {
                fields: { intent: "back", id: loaderData.justAway },
                action: "/activities",
                what: "archiving the activity",
              }
            : null
        }
        of={loaderData.justAway}
      />
      {loaderData.archived && (
        <Form method="post" className="note mb-4 flex flex-wrap items-center gap-3">
          <span className="grow">
            {loaderData.archived.document.title} is archived. Bring it back to open it. Its results are kept either way.
          </span>
          <input type="hidden" name="id" value={loaderData.archived.id} />
          <Button type="submit" size="small" name="intent" value="back">
            Bring it back
          </Button>
        </Form>
      )}
      <Problems list={actionData && !actionData.ok ? actionData.problems : []} title="This file cannot be opened:" />
      <ReadyShelf
        wish={loaderData.wish}
        classes={loaderData.classes}
        things={loaderData.things}
        found={loaderData.ready}
      />
      <GameGallery />
      <ShelfHead loaderData={loaderData} />
      {loaderData.all === 0 && (
        <p className="text-quiet">No activities yet. Start from a game above, or import a file.</p>
      )}
      {loaderData.all > 0 && loaderData.shelf.length === 0 && (
        <p className="py-3 text-quiet">
          None of your activities matches these words.{" "}
          <Link to="/activities" className="underline">
            Show all
          </Link>
        </p>
      )}
      <ul className="grid gap-0">
        {loaderData.shelf.map((row) => (
          <ShelfRow key={row.id} {...row} />
        ))}
      </ul>
      {loaderData.away.length > 0 && (
        <details className="mt-6" open={loaderData.justAway !== null || undefined}>
          <summary className="text-lg font-semibold">Archived ({loaderData.away.length})</summary>
          <ul className="mt-2">
            {loaderData.away.map((row) => (
              <li key={row.id} className="row-line flex flex-wrap items-center gap-4 py-2">
                <span className="min-w-60 grow">
                  <strong>{row.document.title}</strong>{" "}
                  <span className="text-sm text-quiet">
                    {label(`pattern.${row.document.pattern.name}`)}, changed {row.changed}
                  </span>
                </span>
                <Form method="post">
                  <input type="hidden" name="id" value={row.id} />
                  <Button
                    type="submit"
                    size="small"
                    name="intent"
                    value="back"
                    aria-label={`Restore ${row.document.title}`}
                  >
                    Restore
                  </Button>
                </Form>
              </li>
            ))}
          </ul>
        </details>
      )}
    </Page>
  );
}

function ShelfRow({ id, document: activity, changed }: { id: string; document: Activity; changed: string }) {
  return (
    <li className="row-line grid grid-cols-[150px_minmax(0,1.3fr)_minmax(0,1fr)_auto] items-center gap-5 py-3 max-md:grid-cols-[110px_1fr]">
      <Link to={`/activities/${id}`} tabIndex={-1} aria-hidden="true">
        <MiniPlan parts={layoutOf(activity)} space={activity.space} />
      </Link>
      <div>
        <Link to={`/activities/${id}`} prefetch="intent" className="font-head text-xl font-bold hover:underline">
          {activity.title}
        </Link>
        <p className="text-sm text-quiet">
          {label(`action.${activity.aim.action}`)}. {activity.aim.outcome}
        </p>
      </div>
      <div className="text-sm">
        <p className="flex flex-wrap gap-1.5">
          <span className="tag">{label(`pattern.${activity.pattern.name}`)}</span>
          <span className="tag">
            ages {activity.ages.from} to {activity.ages.to}
          </span>
        </p>
        <p className="mt-1">{answerOf("score", activity)}</p>
        <p className="text-quiet">changed {changed}</p>
      </div>
      <Menu
        label={`Actions for ${activity.title}`}
        look="bare"
        size="icon"
        entries={[
          { label: "Open", to: `/activities/${id}`, icon: <FolderOpen size={16} /> },
          { label: "Send", to: `/activities/${id}?station=send`, icon: <Send size={16} /> },
          { label: "Try it", to: `/activities/${id}/try`, icon: <Play size={16} /> },
          {
            label: "Copy",
            fields: { intent: "copy" },
            action: `/activities/${id}`,
            icon: <Copy size={16} />,
            apart: true,
          },
          { label: "Export", file: `/activities/${id}/file`, icon: <Download size={16} /> },
          {
            label: "Archive",
            fields: { intent: "away" },
            action: `/activities/${id}`,
            icon: <Archive size={16} />,
            apart: true,
          },
        ]}
      >
        <EllipsisVertical size={17} aria-hidden="true" />
      </Menu>
    </li>
  );
}

/** Heading of the shelf, with its search and filters. */
const ShelfHead = ({ loaderData }: Pick<Route.ComponentProps, "loaderData">) => (
  <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2">
    <h2 id="shelf" tabIndex={-1} className="grow scroll-mt-4 text-xl outline-none">
      My activities
    </h2>
    <Form method="post" encType="multipart/form-data" className="flex flex-wrap items-end gap-2 text-sm">
      <TextField
        label="Import activity"
        type="file"
        name="file"
        accept="application/json,.json"
        className="max-w-60 py-0.5"
      />
      <Button type="submit" size="small" name="intent" value="file">
        Import
      </Button>
    </Form>
    <Form method="get" className="flex flex-wrap items-end gap-3 text-sm" role="search">
      <TextField label="Find" type="search" name="find" defaultValue={loaderData.find} className="w-44 py-1" />
      <SelectField label="Sort by" name="sort" defaultValue={loaderData.sort} className="py-1">
        <option value="changed">last changed</option>
        <option value="name">name</option>
      </SelectField>
      <Button type="submit" look="quiet" size="small">
        Show
      </Button>
    </Form>
  </div>
);
