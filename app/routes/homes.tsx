import {
  BellRing,
  ClipboardList,
  Copy,
  Download,
  House,
  Link2,
  Link2Off,
  PackageOpen,
  Printer,
  RefreshCw,
  Upload,
} from "lucide-react";
import { Suspense, useMemo } from "react";
import { data, Form } from "react-router";
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
import { cardsToUpdate, homesFor } from "#server/homes/homes.ts";
import { changeLink, type LinkChange } from "#server/homes/links.ts";
import { schoolItemsFor } from "#server/kit/items.ts";
import { NotAllowed } from "#server/problem.ts";
import { classesFor, shellOf } from "#server/school/classes.ts";
import { namesOf } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { answered, idOf } from "../answer.server.ts";
import { drawingsOf, ItemDrawing, OwnDrawings } from "../drawings/items.tsx";
import { formAnswered } from "../form.server.ts";
import { newChildForm } from "../homes/child-form.ts";
import { type HomeView, homeView, type Sign } from "../homes/view.server.ts";
import { formOf, searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { ClassChoice } from "../ui/class-choice.tsx";
import { copied } from "../ui/copy-button.tsx";
import { SelectField } from "../ui/field.tsx";
import { Menu, type MenuEntry } from "../ui/menu.tsx";
import { Options } from "../ui/options.tsx";
import { Empty, Page, PageHead } from "../ui/page.tsx";
import { piece } from "../ui/piece.ts";
import { problemText } from "../ui/problem-text.ts";
import { Progress } from "../ui/progress.tsx";
import { SpacePicture } from "../ui/space-picture.tsx";
import { type Column, exceptForView, type Filter, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { Done, type Undo, useToast } from "../ui/toasts.tsx";
import { day, when } from "../when.ts";
import type { Route } from "./+types/homes";

/** Its script comes by itself: it checks what is typed, and is most of what this page would fetch. */
const adding = piece(() => import("../homes/add-child.tsx"));
const AddChild = adding.Piece;

export const meta: Route.MetaFunction = () => [{ title: "Homes · Daring Yard" }];

const LINK_TOLD: Record<LinkChange, string> = {
  withdraw: "Link turned off. No one can use it until you turn it on again.",
  restore: "Link turned on again.",
  renew: "Link replaced. The old link will never work again.",
};
/** A link that was replaced cannot come back. */
const linkUndo = (how: LinkChange, of: Record<string, string>): Undo | null =>
  how === "renew"
    ? null
    : {
        fields: { intent: how === "withdraw" ? "restore" : "withdraw", ...of },
        action: "/homes",
        what: how === "withdraw" ? "turning off the link" : "turning on the link",
      };

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const [rows, classes, items, shell] = await Promise.all([
    homesFor(who),
    classesFor(who),
    schoolItemsFor(who),
    shellOf(who),
    // Without a script the page comes whole.
    adding.fetchPiece(),
  ]);
  const asked = searchOf(request);
  const group = classes.find((row) => row.id === asked.get("class")) ?? classes[0];
  const classId = group?.id ?? "";
  const deleted = await erasedChildren(who);
  const [waiting, cleared, updating] = group
    ? await Promise.all([
        waitingAnswers(who, classId),
        clearedAnswers(who, classId),
        cardsToUpdate(
          who,
          group.children.map(({ id }) => id),
        ),
      ])
    : [[], 0, 0];
  const names = namesOf(listOf(items.own));
  return {
    rows: rows.filter((row) => row.className === group?.name).map((row) => homeView(row, names, shell)),
    classes: shell.classes,
    group: group && {
      id: group.id,
      name: group.name,
      children: group.children.map((child) => ({ id: child.id, name: child.name })),
    },
    cleared: cleared > 0 ? tell("homes.clearedKept", { n: cleared }) : "",
    updating,
    clearWords: tell("homes.clear", { n: waiting.length }),
    deleted: deleted
      .filter((child) => child.classId === classId)
      .map((child) => ({ ...child, eraseAt: day(child.eraseAt, shell) })),
    justDeleted: asked.get("deleted") ?? "",
    waiting: waiting.map((answer) => ({ ...answer, updatedAt: when(answer.updatedAt, shell) })),
    own: items.own,
  };
}

export const shouldRevalidate = exceptForView("show", "deleted");

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  const fields = form.fields();
  const done = (told: string, undo: Undo | null = null) => ({
    ok: true as const,
    problems: [],
    told,
    undo,
    /** The child that was added. */
    added: null as string | null,
  });
  const undoing = (what: string, undoFields: Record<string, string>): Undo => ({
    fields: undoFields,
    action: "/homes",
    what,
  });
  return answered(async () => {
    switch (fields.intent) {
      case "withdraw":
      case "restore":
      case "renew":
        await changeLink(who, idOf(fields.child, "child"), fields.intent);
        return done(LINK_TOLD[fields.intent], linkUndo(fields.intent, { child: fields.child ?? "" }));
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
      case "remindChosen": {
        const chosen = form.all("chosen").map((id) => idOf(id, "child"));
        if (chosen.length === 0) throw NotAllowed.of("chosen", "Tick the children first.");
        const count = await askFamilies(who, idOf(fields.class, "class"), "chosen", chosen);
        return done(count === 0 ? "All of these families have answered already." : tell("homes.asked", { n: count }));
      }
      case "add":
        return formAnswered(form, newChildForm, async ({ class: classId, ...child }) => ({
          ...done(tell("homes.added", { name: child.name })),
          added: await addChild(who, idOf(classId, "class"), child),
        }));
      case "place":
        await placeAnswer(who, idOf(fields.answer, "answer"), idOf(fields.child, "child"));
        return done("Answer matched to the child's home.");
      case "drop":
        await dropAnswer(who, idOf(fields.answer, "answer"));
        return done("Answer deleted.");
      case "clear":
        return done(
          tell("homes.cleared", { n: await clearAnswers(who, idOf(fields.class, "class")) }),
          undoing("clearing the answers", { intent: "unclear", class: fields.class ?? "" }),
        );
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

type Data = Route.ComponentProps["loaderData"];

export default function Homes({ loaderData: d, actionData }: Route.ComponentProps) {
  const { group, rows } = d;
  const answered = rows.filter((row) => row.survey === "answered").length;
  const refused = actionData && !("ok" in actionData) ? actionData : undefined;
  const problems = actionData && "problems" in actionData ? actionData.problems : [];
  const done = actionData && "told" in actionData && actionData.ok ? actionData : null;
  const gone = d.deleted.find((child) => child.id === d.justDeleted);
  return (
    <OwnDrawings value={drawingsOf(d.own)}>
      <Page>
        <PageHead
          title="Homes"
          about={group ? `${group.name}: ${answered} of ${rows.length} families have answered` : undefined}
        >
          {group && <HomesActions group={group} />}
        </PageHead>
        <ClassChoice classes={d.classes} chosen={group?.id ?? ""} />
        <Done text={done?.told ?? ""} undo={done?.undo ?? null} of={actionData} />
        {gone && (
          <Done
            text={`${gone.name} is deleted. You can restore ${gone.name} until ${gone.eraseAt}.`}
            undo={{ fields: { intent: "bringBack", child: gone.id }, action: "/homes", what: `deleting ${gone.name}` }}
            of={gone.id}
          />
        )}
        {problems.length > 0 && (
          <p role="alert" className="note problem mb-3">
            {problems.map(({ message }) => problemText(message)).join(" ")}
          </p>
        )}
        {group && d.waiting.length > 0 && <Waiting waiting={d.waiting} group={group} clearWords={d.clearWords} />}
        {group && d.cleared && (
          <Form method="post" className="mb-4 flex flex-wrap items-center gap-3 text-sm">
            <input type="hidden" name="class" value={group.id} />
            <span className="text-quiet">{d.cleared}</span>
            <Button type="submit" look="quiet" size="small" name="intent" value="unclear">
              Restore them
            </Button>
          </Form>
        )}
        <Progress key={`cards of ${group?.id}`} what="Updating cards" left={d.updating} nouns="children" />
        {group ? (
          <HomeTable key={group.id} rows={rows} group={group} />
        ) : (
          <Empty>
            <p>Children and their homes appear here once you have a class.</p>
            <ButtonLink look="main" to="/settings">
              Make a class
            </ButtonLink>
          </Empty>
        )}
        {group && (
          <Suspense fallback={null}>
            <AddChild
              key={`child of ${group.id}`}
              classId={group.id}
              name={group.name}
              open={rows.length === 0 || typeof done?.added === "string"}
              added={done?.added ?? null}
              refused={refused}
            />
          </Suspense>
        )}
        {d.deleted.length > 0 && <Deleted deleted={d.deleted} />}
      </Page>
    </OwnDrawings>
  );
}

type Group = NonNullable<Data["group"]>;

/** The actions for a whole class. */
const HomesActions = ({ group }: { group: Group }) => (
  <>
    <Form method="post" className="flex flex-wrap gap-2">
      <input type="hidden" name="class" value={group.id} />
      <Button type="submit" look="main" name="intent" value="invite">
        Invite to the survey
      </Button>
      <Button type="submit" name="intent" value="remind">
        Remind
      </Button>
    </Form>
    <Menu
      label="More for this class"
      size="usual"
      entries={[
        { label: "Links and QR codes", to: `/classes/${group.id}/links`, icon: <Link2 size={16} /> },
        { label: "Household items", to: "/things", icon: <PackageOpen size={16} /> },
        { label: "Import", to: "/homes/import", icon: <Upload size={16} />, apart: true },
        { label: "Export CSV", file: "/homes/csv", icon: <Download size={16} /> },
      ]}
    >
      More
    </Menu>
  </>
);

/** The words for each filter. */
const SIGN_WORDS: Record<Sign, string> = {
  silent: "nothing answered",
  part: "partly answered",
  indoors: "indoors only",
  short: "shorter than 3 m",
  noBall: "no ball",
  quiet: "must be quiet",
  alone: "one player",
  support: "with a note",
  linkOff: "link off",
};
const FILTERS: Filter<HomeView>[] = [
  {
    id: "show",
    label: "Show",
    options: [
      { id: "all", label: "all homes", keeps: keepAll },
      ...(Object.keys(SIGN_WORDS) as Sign[]).map((sign) => ({
        id: sign,
        label: SIGN_WORDS[sign],
        keeps: (row: HomeView) => row.signs.includes(sign),
      })),
    ],
  },
];
const NO_ANSWER = <em className="text-quiet">no answer</em>;
const SURVEY = { notAsked: "not asked yet", asked: "asked", answered: "answered" } as const;
/** Homes that need something come first. */
const SURVEY_ORDER = { notAsked: 0, asked: 1, answered: 2 } as const;

const COLUMNS: Column<HomeView>[] = [
  {
    id: "child",
    head: "Child",
    sort: (row) => row.child,
    className: "whitespace-nowrap",
    cell: (row) => row.child,
  },
  { id: "age", head: "Age", sort: (row) => row.age, cell: (row) => row.age, figures: true },
  {
    id: "space",
    head: "Space",
    about: "Sorted by the size of the space",
    sort: (row) => row.homes[0]?.area ?? null,
    cell: (row) =>
      row.homes.map((home) => (
        <span key={home.id} className="flex min-h-8 min-w-44 items-center gap-2 text-sm print:min-w-0">
          <SpacePicture space={home.space} />
          {home.spaceText || NO_ANSWER}
        </span>
      )),
  },
  {
    id: "items",
    head: "Items",
    sort: (row) => row.homes[0]?.kinds ?? null,
    highFirst: true,
    cell: (row) =>
      row.homes.map((home) => (
        <span key={home.id} className="flex min-h-8 items-center gap-1 text-sm whitespace-nowrap">
          {home.kinds === null ? (
            NO_ANSWER
          ) : (
            <>
              {home.glance.map(({ id, name }) => (
                <ItemDrawing key={id} item={id} size={22} title={name} />
              ))}
              <span className="text-quiet">{home.kinds === 0 ? "nothing" : `${home.kinds} kinds`}</span>
            </>
          )}
        </span>
      )),
  },
  {
    id: "players",
    head: "Players",
    sort: (row) => row.homes[0]?.players ?? null,
    highFirst: true,
    cell: (row) =>
      row.homes.map((home) => (
        <span key={home.id} className="flex min-h-8 items-center">
          {home.players ?? NO_ANSWER}
        </span>
      )),
  },
  {
    id: "notes",
    head: "Good to know",
    className: "max-w-56 text-sm",
    sort: (row) => row.notes.join(" ") || row.facts.join(" ") || null,
    cell: (row) => (
      <>
        {[...row.facts, ...(row.siblings ? [`lives with ${row.siblings}`] : [])].join(", ")}
        {row.notes.map((words) => (
          <span key={words} className="tag block max-w-52 truncate border-plum" title={words}>
            {words}
          </span>
        ))}
      </>
    ),
  },
  {
    id: "survey",
    head: "Survey",
    sort: (row) => SURVEY_ORDER[row.survey],
    className: "text-sm",
    cell: (row) => (row.survey === "asked" ? row.asked : <span className="text-quiet">{SURVEY[row.survey]}</span>),
  },
  {
    id: "link",
    head: "Link",
    sort: (row) => (row.token ? 1 : 0),
    className: "text-sm whitespace-nowrap",
    cell: (row) =>
      row.token ? <span className="text-quiet">on</span> : <span className="tag border-coral">link off</span>,
  },
];

const rowId = (row: HomeView) => row.childId;
const rowName = (row: HomeView) => row.child;
const text = (row: HomeView) =>
  [row.child, ...row.facts, ...row.notes, ...row.homes.map((home) => home.spaceText)].join(" ");
const toHome = (row: HomeView) => `/homes/${row.childId}`;

/** A row for each child with the home: its space, items, players, notes, survey and link. */
function HomeTable({ rows, group }: { rows: readonly HomeView[]; group: Group }) {
  const tell = useToast();
  const menu = useMemo(
    () =>
      (row: HomeView): MenuEntry[] => [
        { label: "Home", to: `/homes/${row.childId}`, icon: <House size={16} /> },
        { label: "Progress", to: `/children/${row.childId}`, icon: <ClipboardList size={16} /> },
        ...(row.token
          ? [
              {
                label: "Copy link",
                icon: <Copy size={16} />,
                apart: true,
                onSelect: async () =>
                  tell(
                    (await copied(`${location.origin}/f/${row.token}`))
                      ? `The link for ${row.child} is copied.`
                      : "The link could not be copied. Open their page and copy its address.",
                  ),
              },
              { label: "Open their page", file: `/f/${row.token}`, page: true, icon: <Link2 size={16} /> },
              {
                label: "Turn off link",
                fields: { intent: "withdraw", child: row.childId },
                icon: <Link2Off size={16} />,
              },
            ]
          : [
              {
                label: "Turn on link",
                fields: { intent: "restore", child: row.childId },
                icon: <Link2 size={16} />,
                apart: true,
              },
            ]),
        { label: "Replace link", fields: { intent: "renew", child: row.childId }, icon: <RefreshCw size={16} /> },
        ...(row.survey === "answered"
          ? []
          : [
              {
                label: row.survey === "asked" ? "Remind" : "Invite to the survey",
                fields: { intent: "remindChosen", class: group.id, chosen: row.childId },
                icon: <BellRing size={16} />,
                apart: true,
              },
            ]),
      ],
    [group.id, tell],
  );
  return (
    <DataTable
      name="Homes"
      noun={["child", "children"]}
      rows={rows}
      rowId={rowId}
      rowName={rowName}
      text={text}
      columns={COLUMNS}
      filters={FILTERS}
      to={toHome}
      menu={menu}
      actions={[
        {
          label: "Invite or remind",
          intent: "remindChosen",
          icon: <BellRing size={15} aria-hidden="true" />,
          field: <input type="hidden" name="class" value={group.id} />,
        },
        {
          label: "Print QR codes",
          get: `/classes/${group.id}/links`,
          icon: <Printer size={15} aria-hidden="true" />,
        },
        { label: "Export", get: "/homes/csv", file: true, icon: <Download size={15} aria-hidden="true" /> },
      ]}
      empty={
        <Empty>
          <p>No children in this class yet. Add one below, or import a list.</p>
          <ButtonLink to="/homes/import">Import a list</ButtonLink>
        </Empty>
      }
    />
  );
}

/** Answers that came through the class link, to be matched to children. */
function Waiting({ waiting, group, clearWords }: { waiting: Data["waiting"]; group: Group; clearWords: string }) {
  return (
    <section id="waiting" className="mb-4 rounded-sm print:hidden border-2 border-mustard p-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-lg">
          {waiting.length} {waiting.length === 1 ? "answer came" : "answers came"} through the class link
        </h2>
        <Form method="post" className="ml-auto">
          <input type="hidden" name="class" value={group.id} />
          <Button type="submit" look="quiet" size="small" name="intent" value="clear">
            {clearWords}
          </Button>
        </Form>
      </div>
      <ul>
        {waiting.map((answer) => (
          <li key={answer.id} className="row-line py-1.5">
            <Form method="post" className="flex flex-wrap items-center gap-3 text-sm">
              <input type="hidden" name="answer" value={answer.id} />
              {answer.name ? <strong>{answer.name}</strong> : <em className="text-quiet">No name given</em>}
              <SpacePicture space={answer.answers.space} />
              <span className="text-quiet">
                {answer.answers.kit ? `${Object.keys(answer.answers.kit).length} kinds of item` : "no items given"},{" "}
                {answer.updatedAt}
              </span>
              <span className="ml-auto flex items-center gap-1.5">
                <SelectField label="is for" name="child" defaultValue={answer.suggests ?? ""} required>
                  <option value="" disabled>
                    choose
                  </option>
                  <Options of={group.children} />
                </SelectField>
              </span>
              <Button type="submit" look="main" size="small" name="intent" value="place">
                Match to child
              </Button>
              <Button type="submit" look="quiet" size="small" name="intent" value="drop" formNoValidate>
                Delete
              </Button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Lists deleted children who can still be restored. */
const Deleted = ({ deleted }: { deleted: Data["deleted"] }) => (
  <section id="deleted" className="mt-6 print:hidden">
    <h2 className="text-lg">Deleted children</h2>
    <ul>
      {deleted.map((child) => (
        <li key={child.id} className="row-line py-1.5">
          <Form method="post" className="flex flex-wrap items-center gap-3">
            <input type="hidden" name="child" value={child.id} />
            <strong>{child.name}</strong>
            <span className="text-sm text-quiet">deleted for good on {child.eraseAt}</span>
            <Button type="submit" size="small" name="intent" value="bringBack" aria-label={`Restore ${child.name}`}>
              Restore
            </Button>
          </Form>
        </li>
      ))}
    </ul>
  </section>
);
