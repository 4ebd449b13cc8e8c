import { QrCode } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { data, Form, Link } from "react-router";
import { listOf } from "#core/kit/items.ts";
import { addChild } from "#server/children/edit.ts";
import { erasedChildren, restoreChild } from "#server/children/erase.ts";
import {
  clearAnswers,
  clearedAnswers,
  dropAnswer,
  placeAnswer,
  restoreAnswers,
  waitingAnswers,
} from "#server/homes/answers.ts";
import { askFamilies } from "#server/homes/ask.ts";
import { homesFor } from "#server/homes/homes.ts";
import { changeClassLink, changeLink, classLink, type LinkChange } from "#server/homes/links.ts";
import { schoolItemsFor } from "#server/kit/items.ts";
import { classesFor, shellOf } from "#server/school/classes.ts";
import { itemName, namesOf, sayList } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { answered, idOf } from "../answer.server.ts";
import { drawingsOf, ItemDrawing, OwnDrawings } from "../drawings/items.tsx";
import { fieldsOf, searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { CopyButton } from "../ui/copy-button.tsx";
import { FilterField, FilterForm } from "../ui/filter-form.tsx";
import { Options } from "../ui/options.tsx";
import { problemText } from "../ui/problem-text.ts";
import { SpacePicture } from "../ui/space-picture.tsx";
import { day, when } from "../when.ts";
import type { Route } from "./+types/homes";

export const meta: Route.MetaFunction = () => [{ title: "Homes · Daring Yard" }];

const LINK_TOLD: Record<LinkChange, string> = {
  withdraw: "Link turned off. No one can use it until you turn it on again.",
  restore: "Link turned on again.",
  renew: "Link replaced. The old link will never work again.",
};

/** The filters of the page: which rows each one leaves. */
const FILTERS = {
  all: "all",
  silent: "nothing answered",
  part: "partly answered",
  indoors: "indoors only",
  short: "shorter than 3 m",
  noBall: "no ball",
  quiet: "must be quiet",
  alone: "one player",
  support: "with a note",
} as const;
type Filter = keyof typeof FILTERS;
const BALLS = ["softBall", "smallBall", "largeBall", "beachBall", "hollowBall", "bouncyBall"];

type Row = Route.ComponentProps["loaderData"]["rows"][number];
const answersIn = (h: Row["homes"][number]) => [h.kit, h.space, h.players].filter((x) => x !== null).length;
const KEEPS: Record<Filter, (row: Row) => boolean> = {
  all: () => true,
  silent: (row) => row.homes.every((home) => answersIn(home) === 0),
  part: (row) => row.homes.some((home) => answersIn(home) > 0 && answersIn(home) < 3),
  indoors: (row) =>
    row.homes.some((home) => home.space) && row.homes.every((home) => !home.space || home.space.indoors),
  short: (row) => row.homes.some((home) => home.space && home.space.length < 3),
  noBall: (row) => row.homes.some((home) => home.kit && !BALLS.some((ball) => home.kit![ball])),
  quiet: (row) => row.homes.some((home) => home.quiet),
  alone: (row) => row.homes.some((home) => home.players === 1),
  support: (row) => row.support !== "" || row.familyNote !== "",
};

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const [rows, classes, items, { zone }] = await Promise.all([
    homesFor(who),
    classesFor(who),
    schoolItemsFor(who),
    shellOf(who),
  ]);
  const asked = searchOf(request);
  const classId = classes.find((row) => row.id === asked.get("class"))?.id ?? classes[0]?.id ?? "";
  const deleted = await erasedChildren(who);
  const [waiting, cleared] = classId
    ? await Promise.all([waitingAnswers(who, classId), clearedAnswers(who, classId)])
    : [[], 0];
  return {
    rows: rows.map((row) => ({ ...row, askedAt: row.askedAt ? when(row.askedAt, zone) : null })),
    classes: classes.map((row) => ({
      id: row.id,
      name: row.name,
      children: row.children.map((child) => ({ id: child.id, name: child.name })),
    })),
    classId,
    link: classId ? await classLink(who, classId) : null,
    cleared,
    deleted: deleted
      .filter((erasedChild) => erasedChild.classId === classId)
      .map((erasedChild) => ({ ...erasedChild, eraseAt: day(erasedChild.eraseAt, zone) })),
    waiting: waiting.map((classAnswer) => ({ ...classAnswer, updatedAt: when(classAnswer.updatedAt, zone) })),
    filter: (Object.keys(FILTERS) as Filter[]).find((key) => key === asked.get("show")) ?? ("all" as Filter),
    find: asked.get("find") ?? "",
    items: listOf(items.own),
    own: items.own,
  };
}

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const fields = await fieldsOf(request);
  const done = (told: string) => ({ ok: true as const, problems: [], told });
  return answered(async () => {
    switch (fields.intent) {
      case "withdraw":
      case "restore":
      case "renew":
        await changeLink(who, idOf(fields.child, "child"), fields.intent);
        return done(LINK_TOLD[fields.intent]);
      case "invite":
      case "remind": {
        const count = await askFamilies(who, idOf(fields.class, "class"), fields.intent);
        const children = (await classesFor(who)).find((row) => row.id === fields.class)?.children.length ?? 0;
        return done(
          children === 0
            ? "This class has no children yet."
            : count === 0
              ? fields.intent === "invite"
                ? "Everyone has been asked already, or has answered."
                : "There is no one to remind yet. Invite them first."
              : tell("homes.asked", { n: count }),
        );
      }
      case "classWithdraw":
      case "classRestore":
      case "classRenew": {
        const how = fields.intent.slice(5).toLowerCase() as LinkChange;
        await changeClassLink(who, idOf(fields.class, "class"), how);
        return done(LINK_TOLD[how]);
      }
      case "add": {
        const age = (fields.age ?? "").trim();
        const name = fields.name ?? "";
        await addChild(who, idOf(fields.class, "class"), { name, age: age === "" ? undefined : Number(age) });
        return { ...done(tell("homes.added", { name: name.trim() })), added: true as const };
      }
      case "place":
        await placeAnswer(who, idOf(fields.answer, "answer"), idOf(fields.child, "child"));
        return done("Answer matched to the child's home.");
      case "drop":
        await dropAnswer(who, idOf(fields.answer, "answer"));
        return done("Answer deleted.");
      case "clear":
        return done(tell("homes.cleared", { n: await clearAnswers(who, idOf(fields.class, "class")) }));
      case "bringBack":
        return done(tell("homes.back", { name: await restoreChild(who, idOf(fields.child, "child")) }));
      case "unclear":
        await restoreAnswers(who, idOf(fields.class, "class"));
        return done("Answers restored.");
      default:
        return data(
          {
            ok: false as const,
            problems: [{ field: "intent", message: "This page cannot do that. Load it again." }],
            told: "",
          },
          { status: 400 },
        );
    }
  });
}

export default function Homes({ loaderData: d, actionData }: Route.ComponentProps) {
  const group = d.classes.find((c) => c.id === d.classId);
  const mine = d.rows.filter((row) => row.className === group?.name);
  const find = d.find.trim().toLowerCase();
  const rows = mine.filter((row) => KEEPS[d.filter](row) && (find === "" || row.child.toLowerCase().includes(find)));
  const answeredBy = mine.filter((row) => row.homes.some((home) => home.answeredAt)).length;
  const message = actionData && "told" in actionData ? actionData.told : "";
  return (
    <OwnDrawings value={drawingsOf(d.own)}>
      <main className="mx-auto w-full max-w-7xl p-6">
        <HomesHead answeredBy={answeredBy} mine={mine} d={d} />
        {(message || (actionData && !actionData.ok)) && (
          <p role="status" className={`note mb-3 ${actionData?.ok ? "note-good" : "problem"}`}>
            {actionData?.ok ? message : actionData?.problems.map((problem) => problemText(problem.message)).join(" ")}
          </p>
        )}
        <Filter d={d} mine={mine} />
        {d.waiting.length > 0 && <Waiting d={d} />}
        {d.cleared > 0 && (
          <Form method="post" className="mb-4 flex flex-wrap items-center gap-3 text-sm">
            <input type="hidden" name="class" value={d.classId} />
            <span className="text-quiet">{tell("homes.clearedKept", { n: d.cleared })}</span>
            <button type="submit" name="intent" value="unclear" className="btn btn-quiet btn-small">
              Restore them
            </button>
          </Form>
        )}
        <div className="overflow-x-auto">
          <table className="w-full text-left text-[0.92rem]">
            <thead>
              <tr className="border-b-2 border-ink text-sm">
                <th className="py-1.5 font-semibold">Child</th>
                <th className="font-semibold">Space</th>
                <th className="font-semibold">Items</th>
                <th className="px-3 font-semibold">Players</th>
                <th className="font-semibold">Good to know</th>
                <th className="font-semibold">Asked</th>
                <th className="font-semibold">Private link</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <HomeRow key={row.childId} row={row} items={d.items} />
              ))}
            </tbody>
          </table>
        </div>
        {rows.length === 0 && (
          <p className="py-6 text-quiet">
            {mine.length === 0 ? "No children in this class yet. Add one here, or import a file." : "No home matches."}
          </p>
        )}
        {group && (
          <AddChild
            key={`${mine.length}`}
            classId={group.id}
            name={group.name}
            open={mine.length === 0 || (actionData !== undefined && "added" in actionData)}
            again={actionData !== undefined && "added" in actionData}
            problems={actionData && !actionData.ok ? actionData.problems : []}
          />
        )}
        {d.deleted.length > 0 && <Deleted d={d} />}
        {group && <ClassLink classId={group.id} name={group.name} link={d.link} />}
      </main>
    </OwnDrawings>
  );
}

/** Answers that came through the class link, to be matched to children. */
function Waiting({ d }: { d: Route.ComponentProps["loaderData"] }) {
  const group = d.classes.find((c) => c.id === d.classId)!;
  return (
    <section className="mb-4 rounded-sm border-2 border-mustard p-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-lg">
          {d.waiting.length} {d.waiting.length === 1 ? "answer came" : "answers came"} through the class link
        </h2>
        <Form method="post" className="ml-auto">
          <input type="hidden" name="class" value={d.classId} />
          <button type="submit" name="intent" value="clear" className="btn btn-quiet btn-small">
            {tell("homes.clear", { n: d.waiting.length })}
          </button>
        </Form>
      </div>
      <ul>
        {d.waiting.map((w) => (
          <li key={w.id} className="row-line py-1.5">
            <Form method="post" className="flex flex-wrap items-center gap-3 text-sm">
              <input type="hidden" name="answer" value={w.id} />
              {w.name ? <strong>{w.name}</strong> : <em className="text-quiet">No name given</em>}
              <SpacePicture space={w.answers.space} />
              <span className="text-quiet">
                {w.answers.kit ? `${Object.keys(w.answers.kit).length} kinds of item` : "no items given"}, {w.updatedAt}
              </span>
              <label className="ml-auto flex items-center gap-1.5">
                is for
                <select name="child" defaultValue={w.suggests ?? ""} required className="py-0.5">
                  <option value="" disabled>
                    choose
                  </option>
                  <Options of={group.children} />
                </select>
              </label>
              <button type="submit" name="intent" value="place" className="btn btn-main btn-small">
                Match to child
              </button>
              <button type="submit" name="intent" value="drop" formNoValidate className="btn btn-quiet btn-small">
                Delete
              </button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The items that people look for first. */
const FIRST = [
  "softBall",
  "smallBall",
  "largeBall",
  "bucket",
  "box",
  "basket",
  "string",
  "tape",
  "chalk",
  "broom",
  "bottle",
  "cushion",
];
const AT_A_GLANCE = 5;

function HomeRow({ row, items }: { row: Row; items: Route.ComponentProps["loaderData"]["items"] }) {
  const siblings = [...new Set(row.homes.flatMap((home) => home.siblings))];
  const names = namesOf(items);
  return (
    <tr className="row-line align-middle">
      <td className="py-1.5 pr-3">
        <Link to={`/homes/${row.childId}`} className="inline-block min-h-6 font-semibold underline">
          {row.child}
        </Link>
        <span className="block text-xs text-quiet">
          <Link to={`/children/${row.childId}`} className="inline-block min-h-6 leading-6 underline">
            Progress
          </Link>
          , age {row.age}
          {siblings.length > 0 && `, lives with ${sayList(siblings)}`}
        </span>
      </td>
      <td className="pr-3">
        {row.homes.map((home) => (
          <span key={home.id} className="flex items-center gap-2 text-sm">
            <SpacePicture space={home.space} />
            {home.space ? (
              `${label(`space.${home.space.kind}`)}, ${home.space.length} × ${home.space.width} m, ${label(`floor.${home.space.floor}`)}`
            ) : (
              <em className="text-quiet">no answer</em>
            )}
          </span>
        ))}
      </td>
      <td>
        {row.homes.map((home) => {
          const kinds = Object.keys(home.kit ?? {});
          const glance = FIRST.filter((id) => home.kit?.[id]).slice(0, AT_A_GLANCE);
          return (
            <span key={home.id} className="flex h-8 items-center gap-1 text-sm whitespace-nowrap">
              {home.kit ? (
                <>
                  {glance.map((id) => (
                    <ItemDrawing key={id} item={id} size={22} title={itemName(id, names)} />
                  ))}
                  <span className="text-quiet">{kinds.length === 0 ? "nothing" : `${kinds.length} kinds`}</span>
                </>
              ) : (
                <em className="text-quiet">no answer</em>
              )}
            </span>
          );
        })}
      </td>
      <td className="px-3">
        {row.homes.map((home) => (
          <span key={home.id} className="block h-8 content-center">
            {home.players ?? <em className="text-quiet">no answer</em>}
          </span>
        ))}
      </td>
      <td className="max-w-43 pr-3 text-sm">
        {[
          row.homes.some((home) => home.quiet) && "quiet",
          row.homes.some((home) => home.noBallsIndoors) && "no balls indoors",
          row.leftHanded && "left-handed",
        ]
          .filter(Boolean)
          .join(", ")}
        {[row.support, row.familyNote].filter(Boolean).map((words) => (
          <span key={words} className="tag block max-w-40 truncate border-plum" title={words}>
            {words}
          </span>
        ))}
      </td>
      <td className="text-sm text-quiet">
        {row.homes.some((home) => home.answeredAt)
          ? "answered"
          : row.asked === 0
            ? "not yet"
            : `${row.asked === 1 ? "once" : `${row.asked} times`}, ${row.askedAt}`}
      </td>
      <td>
        <RowLinks row={row} />
      </td>
    </tr>
  );
}

/** Adds one child by hand. */
function AddChild({
  classId,
  name,
  open,
  again,
  problems,
}: {
  classId: string;
  name: string;
  open: boolean;
  /** True if a child was added just now. */
  again: boolean;
  problems: readonly { field: string; message: string }[];
}) {
  const problemOf = (field: string) => problems.find((problem) => problem.field === field);
  const first = useRef<HTMLInputElement>(null);
  const bad = problems.find((problem) => problem.field === "name" || problem.field === "age")?.field;
  // After a child was added, the next one can be typed at once. After a refusal, the focus stays where the problem
  // is.
  useEffect(() => {
    if (again) first.current?.focus();
    if (bad) first.current?.form?.querySelector<HTMLInputElement>(`[name=${bad}]`)?.focus();
  }, [again, bad]);
  return (
    <details
      className="mt-4"
      open={open || problems.some((problem) => problem.field === "name" || problem.field === "age") || undefined}
    >
      <summary className="font-semibold text-teal">Add a child to {name}</summary>
      <Form method="post" className="mt-2 flex flex-wrap items-end gap-3">
        <input type="hidden" name="class" value={classId} />
        <label className="field">
          <span>
            Name <span className="hint">first name and an initial, or a nickname</span>
          </span>
          <input name="name" required maxLength={30} aria-invalid={problemOf("name") ? true : undefined} ref={first} />
        </label>
        <label className="field">
          <span>
            Age <span className="hint">4 to 15</span>
          </span>
          <input
            name="age"
            inputMode="numeric"
            required
            className="w-20"
            aria-invalid={problemOf("age") ? true : undefined}
          />
        </label>
        <button type="submit" name="intent" value="add" className="btn btn-main">
          Add child
        </button>
      </Form>
    </details>
  );
}

function ClassLink({ classId, name, link }: { classId: string; name: string; link: string | null }) {
  return (
    <section className="mt-6 flex flex-wrap items-center gap-3">
      <div className="min-w-60 grow">
        <h2 className="text-lg">One link for all of {name}</h2>
        <p className="text-sm text-quiet">
          For a newsletter or notice board. It opens the home survey and shows no names. Answers wait here until you
          match them to a child.
        </p>
      </div>
      <Link to={`/classes/${classId}/links`} className="btn">
        <QrCode size={17} aria-hidden="true" /> {tell("links.see", { class: name })}
      </Link>
      {link ? <CopyLink path={`/c/${link}`} name={name} /> : <span className="tag border-coral">link off</span>}
      <Form method="post" className="flex gap-1">
        <input type="hidden" name="class" value={classId} />
        {link ? (
          <button type="submit" name="intent" value="classWithdraw" className="btn btn-quiet btn-small">
            Turn off class link
          </button>
        ) : (
          <button type="submit" name="intent" value="classRestore" className="btn btn-small">
            Turn on class link
          </button>
        )}
        <button type="submit" name="intent" value="classRenew" className="btn btn-quiet btn-small">
          Replace class link
        </button>
      </Form>
    </section>
  );
}

function CopyLink({ path, name }: { path: string; name: string }) {
  const [origin, set] = useState("");
  useEffect(() => set(location.origin), []);
  return (
    <>
      <a href={path} className="underline" aria-label={`Open ${name}'s page`}>
        open
      </a>
      <CopyButton text={origin + path} words="copy" of={`${name}'s link`} small />
    </>
  );
}

/** Names the class, with the actions for the whole class. */
const HomesHead = ({
  answeredBy,
  mine,
  d,
}: {
  answeredBy: number;
  mine: Route.ComponentProps["loaderData"]["rows"];
  d: Route.ComponentProps["loaderData"];
}) => (
  <div className="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
    <h1 className="text-3xl">Homes</h1>
    <p className="text-quiet">
      {answeredBy} of {mine.length} families have answered
    </p>
    <div className="ml-auto flex flex-wrap gap-2">
      <Form method="post" className="flex gap-2">
        <input type="hidden" name="class" value={d.classId} />
        <button type="submit" name="intent" value="invite" className="btn btn-main btn-small">
          Invite to the survey
        </button>
        <button type="submit" name="intent" value="remind" className="btn btn-small">
          Remind
        </button>
      </Form>
      <Link to="/homes/import" className="btn btn-quiet btn-small">
        Import CSV
      </Link>
      <a href="/homes/csv" download className="btn btn-quiet btn-small">
        Export CSV
      </a>
      <Link to="/things" className="btn btn-quiet btn-small">
        Household items
      </Link>
    </div>
  </div>
);

/** Filters and sorts the children. */
const Filter = ({
  d,
  mine,
}: {
  d: Route.ComponentProps["loaderData"];
  mine: Route.ComponentProps["loaderData"]["rows"];
}) => (
  <FilterForm find={d.find}>
    <FilterField label="Class">
      <select name="class" defaultValue={d.classId} className="py-0.5">
        <Options of={d.classes} />
      </select>
    </FilterField>
    <FilterField label="Show">
      <select name="show" defaultValue={d.filter} className="py-0.5">
        {(Object.keys(FILTERS) as Filter[]).map((key) => (
          <option key={key} value={key}>
            {FILTERS[key]} ({mine.filter(KEEPS[key]).length})
          </option>
        ))}
      </select>
    </FilterField>
  </FilterForm>
);

/** Lists deleted children who can still be restored. */
const Deleted = ({ d }: { d: Route.ComponentProps["loaderData"] }) => (
  <section id="deleted" className="mt-6">
    <h2 className="text-lg">Deleted children</h2>
    <ul>
      {d.deleted.map((k) => (
        <li key={k.id} className="row-line py-1.5">
          <Form method="post" className="flex flex-wrap items-center gap-3">
            <input type="hidden" name="child" value={k.id} />
            <strong>{k.name}</strong>
            <span className="text-sm text-quiet">deleted for good on {k.eraseAt}</span>
            <button
              type="submit"
              name="intent"
              value="bringBack"
              className="btn btn-small"
              aria-label={`Restore ${k.name}`}
            >
              Restore
            </button>
          </Form>
        </li>
      ))}
    </ul>
  </section>
);

/** Copies a child's private link, turns it off and on, or replaces it. */
const RowLinks = ({ row }: { row: Row }) => (
  <div className="flex items-center gap-1.5">
    {row.token ? (
      <CopyLink path={`/f/${row.token}`} name={row.child} />
    ) : (
      <span className="tag border-coral">link off</span>
    )}
    <Form method="post" className="flex gap-1">
      <input type="hidden" name="child" value={row.childId} />
      {row.token && (
        <button
          type="submit"
          name="intent"
          value="withdraw"
          className="btn btn-quiet btn-small"
          aria-label={`Turn off the link for ${row.child}`}
        >
          Turn off
        </button>
      )}
      {!row.token && (
        <button
          type="submit"
          name="intent"
          value="restore"
          className="btn btn-small"
          aria-label={`Turn on the link for ${row.child}`}
        >
          Turn on
        </button>
      )}
      <button
        type="submit"
        name="intent"
        value="renew"
        className="btn btn-quiet btn-small"
        aria-label={`Replace the link for ${row.child}`}
      >
        Replace
      </button>
    </Form>
  </div>
);
