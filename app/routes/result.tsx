import { BellRing, CircleSlash, Download, FolderOpen, Gauge, Link2, Printer } from "lucide-react";
import { type ReactNode, Suspense, useEffect, useRef } from "react";
import { data, Form, Link, useFetcher } from "react-router";
import { problemsOf } from "#core/formats/activity.ts";
import { beatsMark, settingOf } from "#core/records/rank.ts";
import { readScore } from "#core/records/score-text.ts";
import { closeAt, sendToChild, setLevel, withdraw } from "#server/assignments/change.ts";
import { askAgain, checkGo, remindToPlay } from "#server/assignments/checked.ts";
import { codedResult, correctResult, paperResult } from "#server/assignments/corrections.ts";
import { otherHalf } from "#server/assignments/other-half.ts";
import { askForLooks, criterionOrder, markCriterion, resultsFor } from "#server/assignments/results.ts";
import { stateOf } from "#server/assignments/state.ts";
import { matchesOf, pairHomes, unpairHomes } from "#server/assignments/two-homes.ts";
import { NotAllowed } from "#server/problem.ts";
import { shellOf } from "#server/school/classes.ts";
import { tell, tellScore } from "#words/tell.ts";
import { answered, found, foundOwn, idOf } from "../answer.server.ts";
import { formOf, searchOf } from "../read.server.ts";
import { ByTarget } from "../results/by-target.tsx";
import { ChildrenStrip } from "../results/children-strip.tsx";
import { HomeMatches } from "../results/home-matches.tsx";
import { AddPaper } from "../results/paper.tsx";
import { reminded } from "../results/reminded.ts";
import { Sending } from "../results/sending.tsx";
import { ToCheck } from "../results/to-check.tsx";
import { useRefused } from "../results/use-refused.ts";
import { matchView, viewOf } from "../results/view.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { TextField } from "../ui/field.tsx";
import { Menu } from "../ui/menu.tsx";
import { Figure, Page, PageHead } from "../ui/page.tsx";
import { piece } from "../ui/piece.ts";
import { Problems } from "../ui/problems.tsx";
import { ProgressBar } from "../ui/progress.tsx";
import { exceptForView } from "../ui/table/columns.ts";
import { type Tab, Tabs } from "../ui/tabs.tsx";
import { Done, type Undo } from "../ui/toasts.tsx";
import { useLookAgain } from "../ui/use-look-again.ts";
import { fromLocalInput, localInput, when } from "../when.ts";
import type { Route } from "./+types/result";

// The tables are fetched with the tab that they are on.
const tables = {
  children: piece(async () => ({ default: (await import("../results/by-child.tsx")).ByChild })),
  criteria: piece(async () => ({ default: (await import("../results/criteria.tsx")).Criteria })),
  answers: piece(async () => ({ default: (await import("../results/answers.tsx")).Answers })),
};
const [ByChild, Criteria, Answers] = [tables.children.Piece, tables.criteria.Piece, tables.answers.Piece];
// The one on the tab that the page came with is there before the page takes presses.
if (typeof document !== "undefined") {
  const tab = new URLSearchParams(location.search).get("tab") ?? "";
  if (tab in tables) await tables[tab as keyof typeof tables].fetchPiece().catch(() => undefined);
}
const later = (content: ReactNode) => (
  <Suspense fallback={<div className="skeleton h-96" role="status" aria-label="Loading the table" />}>
    {content}
  </Suspense>
);

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `${d?.view.title ?? "Results"} · Daring Yard` }];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "assignment");
  const [results, pairs, shell, half] = await Promise.all([
    foundOwn(who, "assignment", id, resultsFor(who, id)),
    found(matchesOf(who, id)),
    shellOf(who),
    found(otherHalf(who, id)),
    // Without a script the page comes whole.
    ...Object.values(tables).map((table) => table.fetchPiece()),
  ]);
  const asked = searchOf(request);
  const skill = results.activity.aim.action;
  const beat = results.rows.filter(
    ({ best }) => best && settingOf(best.score) === "" && beatsMark(best.score, results.mark),
  ).length;
  return {
    view: viewOf(results, shell),
    pairs: matchView(pairs, skill),
    zone: shell.zone,
    activityId: results.activityId,
    classId: results.classId,
    className: results.className,
    // A child who got the other game of a sending by age is not offered this one.
    without: results.without.filter((child) => !half?.children.includes(child.id)),
    half: half && { id: half.id, title: half.title, count: half.children.length },
    opens: when(results.opensAt, shell),
    closes: when(results.closesAt, shell),
    closesLocal: localInput(results.closesAt, shell.zone),
    state: stateOf(results),
    working: results.working,
    unlooked: results.unlooked,
    beat:
      results.mark === null
        ? null
        : { count: beat, words: tell("result.beat", { n: beat, mark: tellScore(results.mark, results.unit, skill) }) },
    sent: asked.has("sent")
      ? tell("sent.told", { title: results.activity.title, n: results.rows.length, class: results.className })
      : "",
    linksWords: tell("links.see", { class: results.className }),
    orderId: crypto.randomUUID(),
  };
}

export const shouldRevalidate = exceptForView("show", "sent");

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "assignment");
  const form = await formOf(request);
  const fields = form.fields();
  const done = (intent: string, told = "", undo: Undo | null = null) => ({
    ok: true as const,
    problems: [],
    intent,
    told,
    undo,
  });
  const undoing = (what: string, undoFields: Record<string, string>): Undo => ({
    fields: undoFields,
    action: `/results/${id}`,
    what,
  });
  return answered(async () => {
    switch (fields.intent) {
      case "paper":
        await paperResult(who, id, {
          orderId: fields.orderId ?? "",
          cardId: fields.cardId ?? "",
          ...(await typedScore(who, id, fields)),
        });
        return done("paper", "The score has been added.");
      case "code":
        return done("code", tell("result.coded", { name: await codedResult(who, id, fields.code ?? "") }));
      case "correct":
        await correctResult(who, id, {
          orderId: fields.orderId ?? "",
          playId: fields.playId ?? "",
          replaces: fields.replaces || null,
          reason: fields.reason ?? "",
          to: fields.to === "gone" || fields.to === "again" ? fields.to : await typedScore(who, id, fields),
        });
        return done("correct", "The score has been changed.");
      case "takeBack":
      case "putBack":
        await withdraw(who, id, fields.intent === "putBack");
        return fields.intent === "putBack"
          ? done("putBack", "Sent again. Families can open it.", undoing("sending it again", { intent: "takeBack" }))
          : done("takeBack", "Unsent. Families can't open it.", undoing("unsending", { intent: "putBack" }));
      case "closeNow":
      case "closeAt": {
        const shell = await shellOf(who);
        const at = fields.intent === "closeNow" ? new Date() : fromLocalInput(fields.closesAt ?? "", shell.zone);
        const before = await closeAt(who, id, at ?? new Date(Number.NaN));
        const told = fields.intent === "closeNow" ? "Closed." : `Open until ${when(at!, shell)}.`;
        return done(
          fields.intent,
          told,
          undoing("changing the closing time", { intent: "closeAt", closesAt: localInput(before, shell.zone) }),
        );
      }
      case "pairAll":
        return done("pair", tell("pair.done", { count: await pairHomes(who, id, null) }));
      case "pair": {
        const two = [fields.one, fields.two].map((child) => {
          if (!child) throw NotAllowed.of("pair", "Choose two children to pair.");
          return idOf(child, "child");
        });
        return done("pair", tell("pair.done", { count: await pairHomes(who, id, [two[0]!, two[1]!]) }));
      }
      case "unpair":
        await unpairHomes(who, id, idOf(fields.matchId, "match"));
        return done("pair", tell("pair.gone"));
      case "level":
        await setLevel(who, id, idOf(fields.childId, "child"), Number(fields.level));
        return done("level", tell("level.changed"));
      case "levels": {
        const children = await childrenOf(who, id, form.all("chosen"));
        for (const child of children) await setLevel(who, id, child, Number(fields.level));
        return done("level", `${tell("level.changed")} (${children.length})`);
      }
      case "remind":
        return done("remind", reminded(await remindToPlay(who, id, await childrenOf(who, id, form.all("chosen")))));
      case "remindAll":
        return done("remind", reminded(await remindToPlay(who, id, null)));
      case "checked":
      case "unchecked": {
        const playId = idOf(fields.playId, "go");
        const name = await checkGo(who, id, playId, fields.intent === "checked");
        return fields.intent === "checked"
          ? done(
              "check",
              `${name}'s go is marked as seen.`,
              undoing("marking it as seen", { intent: "unchecked", playId }),
            )
          : done("check", `${name}'s go is listed again.`);
      }
      case "again":
        return done("check", `${await askAgain(who, id, idOf(fields.playId, "go"))} was asked to play again.`);
      case "looks":
        await askForLooks(who, id);
        return done("looks");
      case "oneMore": {
        const childId = idOf(fields.childId, "child");
        const got = await sendToChild(who, id, childId);
        const { rows } = await resultsFor(who, id);
        const name = rows.find((row) => row.childId === childId)?.child ?? "";
        return done("oneMore", tell(got ? "sent.oneMore" : "sent.hadIt", { name }));
      }
    }
    const read = criterionOrder.safeParse({
      cardId: fields.cardId,
      criterion: fields.criterion,
      mark: fields.mark === "" ? null : fields.mark,
    });
    if (!read.success)
      return data({ ok: false as const, problems: problemsOf(read.error), typed: fields }, { status: 422 });
    await markCriterion(who, id, read.data);
    return done("mark");
  }, fields);
}

/** Reads the score fields of a form, in the unit of the game. */
async function typedScore(who: Parameters<typeof resultsFor>[0], id: string, fields: Record<string, string>) {
  const { unit } = await resultsFor(who, id);
  const stage = (fields.stage ?? "").trim();
  return {
    value: readScore(fields.value ?? "", unit) ?? Number.NaN,
    reachedTop: fields.reachedTop === "on",
    stage: stage === "" ? null : Number(stage),
  };
}

/** The children of these cards. An id that is not a card of this assignment is refused. */
async function childrenOf(who: Parameters<typeof resultsFor>[0], id: string, cardIds: readonly string[]) {
  if (cardIds.length === 0) throw NotAllowed.of("chosen", "Tick the children first.");
  const { rows } = await resultsFor(who, id);
  const byCard = new Map(rows.map((row) => [row.cardId, row.childId]));
  return cardIds.map((cardId) => byCard.get(idOf(cardId, "card")) ?? idOf(undefined, "card"));
}
export default function Result({ loaderData, actionData, params }: Route.ComponentProps) {
  const { view } = loaderData;
  const problems = actionData && !actionData.ok ? actionData.problems : [];
  const saved = actionData?.ok ? actionData : null;
  useWorkingOut(loaderData);
  const tabs: Tab[] = [
    { id: "scores", label: "Scores", content: () => <Scores data={loaderData} problems={problems} saved={saved} /> },
    {
      id: "children",
      label: "By child",
      content: () => (
        <>
          <Problems list={problems.filter(({ field }) => ["result", "level", "orderId", "playId"].includes(field))} />
          {later(<ByChild view={view} assignment={params.id} orderId={loaderData.orderId} state={loaderData.state} />)}
        </>
      ),
    },
    { id: "targets", label: "By target", content: () => <ByTarget lines={view.targets} /> },
    { id: "criteria", label: "Criteria", content: () => later(<Criteria view={view} />) },
    { id: "answers", label: "Answers", content: () => later(<Answers view={view} />) },
  ];
  return (
    <Page>
      <Head data={loaderData} id={params.id} />
      {loaderData.sent && !saved && <SentNote data={loaderData} id={params.id} />}
      <Done text={saved && saved.intent !== "pair" ? saved.told : ""} undo={saved?.undo ?? null} of={actionData} />
      <Problems
        list={problems.filter(
          ({ field }) =>
            ["remind", "again", "closesAt", "chosen"].includes(field) &&
            (field !== "closesAt" || loaderData.state === "withdrawn"),
        )}
      />
      <section aria-label="This activity" className="mb-4 print:hidden">
        <Sending
          state={loaderData.state}
          closesLocal={loaderData.closesLocal}
          zone={loaderData.zone}
          without={loaderData.without}
          other={loaderData.half}
        />
      </section>
      <Tabs label="Results" tabs={tabs} />
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"];
type Saved = Extract<Route.ComponentProps["actionData"], { ok: true }> | null;
type ProblemList = readonly { field: string; message: string }[];

/** Reloads the page while results are being computed. Goes to check are computed only once somebody opens the page. */
function useWorkingOut({ working, unlooked }: Data): void {
  // Which goes are worth a look is worked out only if somebody opens them, and shown when the page is opened again.
  const looks = useFetcher();
  const asked = useRef(false);
  useEffect(() => {
    if (!unlooked || asked.current) return;
    asked.current = true;
    void looks.submit({ intent: "looks" }, { method: "post" });
  }, [unlooked, looks]);
  useLookAgain(working !== null);
}

/** Shows the title, how many children opened and played it, and the main actions. */
function Head({ data, id }: { data: Data; id: string }) {
  const { rows } = data.view;
  const opened = rows.filter((row) => row.opened).length;
  const played = rows.filter((row) => row.played).length;
  return (
    <PageHead
      above={{ to: "/results", name: "Results" }}
      title={data.view.title}
      about={
        <>
          {data.className}, {data.opens} – {data.closes}
          {data.half && (
            <>
              . Sent by age: {data.half.count} children got{" "}
              <Link to={`/results/${data.half.id}`} className="underline">
                {data.half.title}
              </Link>{" "}
              instead
            </>
          )}
        </>
      }
    >
      <span className="mr-3 flex gap-5">
        <Figure value={`${opened} of ${rows.length}`} what="opened it" />
        <Figure value={`${played} of ${rows.length}`} what="played it" />
        {data.beat && <Figure value={data.beat.count} what={data.beat.words} />}
      </span>
      <ButtonLink look="main" to={`/results/${id}/next`}>
        Next week
      </ButtonLink>
      <ButtonLink to={`/results/${id}/sheets`}>
        <Printer size={17} aria-hidden="true" /> Print cards
      </ButtonLink>
      <Menu
        label="More about this activity"
        size="usual"
        entries={[
          { label: "Open activity", to: `/activities/${data.activityId}`, icon: <FolderOpen size={16} /> },
          { label: data.linksWords, to: `/classes/${data.classId}/links`, icon: <Link2 size={16} /> },
          { label: "Forecast accuracy", to: `/classes/${data.classId}/truth`, icon: <Gauge size={16} /> },
          { label: "Export CSV", file: `/results/${id}/csv`, icon: <Download size={16} /> },
          ...(data.state === "open"
            ? [
                {
                  label: "Remind who has not played",
                  fields: { intent: "remindAll" },
                  icon: <BellRing size={16} />,
                  apart: true,
                },
              ]
            : []),
          ...(data.state === "withdrawn"
            ? []
            : [
                {
                  label: "Unsend",
                  fields: { intent: "takeBack" },
                  icon: <CircleSlash size={16} />,
                  apart: data.state !== "open",
                },
              ]),
        ]}
      >
        More
      </Menu>
    </PageHead>
  );
}

/** Confirms what was sent, and says where the links are. */
function SentNote({ data, id }: { data: Data; id: string }) {
  return (
    <>
      <p role="status" className="note note-good mb-3">
        {data.sent}{" "}
        <Link to={`/classes/${data.classId}/links`} className="underline">
          {data.linksWords}
        </Link>
        {" · "}
        <Link to="/outbox" className="underline">
          Open outbox
        </Link>
      </p>
      <Done
        text="Sent."
        undo={{ fields: { intent: "takeBack" }, action: `/results/${id}`, what: `sending ${data.view.title}` }}
        of={id}
      />
    </>
  );
}

/** The chart, what to check, matches between homes, and results that come by hand. */
function Scores({ data, problems, saved }: { data: Data; problems: ProblemList; saved: Saved }) {
  const { view } = data;
  const open = data.state === "open" || data.state === "opens";
  return (
    <>
      <ChildrenStrip view={view} />
      {data.working && (
        <ProgressBar what="Working out what to expect" done={data.working.done} of={data.working.of} nouns="ages" />
      )}
      <ToCheck view={view} open={open} />
      {data.pairs.can && (
        <HomeMatches
          matches={data.pairs.matches}
          free={data.pairs.free}
          pairAll={data.pairs.pairAll}
          problems={problems}
          message={saved?.intent === "pair" ? saved.told : ""}
          open={open}
        />
      )}
      <ByHand data={data} saved={saved} />
    </>
  );
}

/** Adds results from paper, or from the code that a device shows when it cannot hand in. */
function ByHand({ data, saved }: { data: Data; saved: Saved }) {
  const { view } = data;
  const code = useRefused({ intent: "code" });
  return (
    <section className="mt-8 max-w-3xl print:hidden">
      <h2 className="mb-1 text-xl">Add a paper result</h2>
      <AddPaper
        rows={view.rows}
        paper={view.paper}
        orderId={data.orderId}
        added={saved?.intent === "paper" ? saved : null}
      />
      <h3 className="mt-5 mb-1 text-lg">Add a result by code</h3>
      <p className="text-sm text-quiet">
        A device that cannot save a game or hand it in shows a code. Type the code here to add the score.
      </p>
      <Form method="post" preventScrollReset className="mt-2 flex flex-wrap items-start gap-3" ref={code.form}>
        <TextField
          label="Code"
          name="code"
          required
          maxLength={40}
          autoComplete="off"
          className="w-80 font-mono"
          defaultValue={code.typed.code ?? ""}
          problem={code.problemOf("code")}
        />
        <Button type="submit" name="intent" value="code" className="mt-6">
          Add result
        </Button>
      </Form>
    </section>
  );
}
