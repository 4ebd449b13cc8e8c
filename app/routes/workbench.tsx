import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { data, redirect, useSearchParams } from "react-router";
import { opened } from "#core/formats/opened.ts";
import { paces } from "#core/measures/step.ts";
import { readScore } from "#core/records/score-text.ts";
import { activityFor, addActivity, copyActivity, othersFor, shelveActivity } from "#server/activities/activities.ts";
import { sendOut } from "#server/assignments/send.ts";
import { homesFor } from "#server/homes/homes.ts";
import { exercisesFor } from "#server/kit/exercises.ts";
import { schoolItemsFor } from "#server/kit/items.ts";
import { classesFor, shellOf } from "#server/school/classes.ts";
import { archivedTitle } from "#server/school/whose.ts";
import { itemName, namesOf } from "#words/say.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { answered, foundOwn, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { formAnswered } from "../form.server.ts";
import { formOf, jsonIn } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { keyOfPage } from "../ui/keys.tsx";
import { problemText } from "../ui/problem-text.ts";
import { fromLocalInput, localInput } from "../when.ts";
import { AttemptWords } from "../workbench/attempt-words.ts";
import { useDraft } from "../workbench/draft.ts";
import { ForecastFailures } from "../workbench/forecast-failures.tsx";
import { fitOf, RANKS, shownOf, useHomesOf } from "../workbench/home-fits.ts";
import { HomeView } from "../workbench/home-view.tsx";
import { SchoolContext, schoolOf } from "../workbench/items.tsx";
import { KitPanel } from "../workbench/kit-panel.tsx";
import { LiveYard } from "../workbench/live-yard.tsx";
import { Panel } from "../workbench/panel.tsx";
import { Clash, SignInAgain } from "../workbench/saving.tsx";
import { sendForm } from "../workbench/send-form.ts";
import { SendPanel } from "../workbench/send-panel.tsx";
import { Stations } from "../workbench/station-list.tsx";
import { STATIONS, type Station, stationName } from "../workbench/stations.ts";
import { Strip } from "../workbench/strip.tsx";
import { TitleBar } from "../workbench/title-bar.tsx";
import { useKitFits } from "../workbench/use-forecast.ts";
import { useYard } from "../workbench/use-yard.ts";
import type { Route } from "./+types/workbench";

const DAY = 86_400_000;

export const meta: Route.MetaFunction = ({ data: d }) => [
  { title: `${d?.activity.document.title ?? "Activity"} · Daring Yard` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "activity");
  // Results lead to activities that were archived since. Activities offers to bring this one back.
  if ((await archivedTitle(who, id)) !== null) throw redirect(`/activities?archived=${id}`);
  const kept = await foundOwn(who, "activity", id, activityFor(who, id));
  const [classes, homes, { zone }, items, exercises, others] = await Promise.all([
    classesFor(who),
    homesFor(who),
    shellOf(who),
    schoolItemsFor(who),
    exercisesFor(who),
    othersFor(who, kept),
  ]);
  const now = Date.now();
  const closes = new Date(now + 7 * DAY);
  return {
    activity: { ...kept, updatedAt: kept.updatedAt.toISOString() },
    orderId: crypto.randomUUID(),
    classes,
    items,
    exercises,
    others: others.map((other) => ({
      id: other.id,
      title: other.title,
      alike: other.outcome === kept.document.aim.outcome,
    })),
    homes: homes.map((home) => ({
      child: home.child,
      className: home.className,
      homes: home.homes.map(({ id, label, kit, space, players, quiet, noBallsIndoors }) => ({
        id,
        label,
        kit,
        space,
        players,
        quiet,
        noBallsIndoors,
      })),
    })),
    zone,
    times: { opens: localInput(new Date(now), zone), closes: `${localInput(closes, zone).slice(0, 11)}16:00` },
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "activity");
  const form = await formOf(request);
  const fields = form.fields();
  return answered(async () => {
    switch (fields.intent) {
      case "copy":
        throw redirect(`/activities/${await copyActivity(who, id)}`);
      case "away":
        await shelveActivity(who, id, true);
        throw redirect(`/activities?away=${id}`);
      case "mine": {
        // After a clash, this tab's version becomes an activity of its own.
        const { parseActivity } = await import("#core/formats/activity.ts");
        const read = parseActivity(jsonIn(fields.document));
        if (!read.ok) return data({ ok: false as const, problems: read.problems }, { status: 422 });
        throw redirect(
          `/activities/${await addActivity(who, { ...read.value, title: `${read.value.title.slice(0, 50)}, my copy` })}?copied=${id}`,
        );
      }
      case "send":
        return formAnswered(form, sendForm, async ({ children, opensAt, closesAt, mark, ...order }) => {
          const { zone } = await shellOf(who);
          const sent = await sendOut(who, id, {
            ...order,
            children: children.length > 0 ? children : null,
            opensAt: fromLocalInput(opensAt, zone) as Date,
            closesAt: fromLocalInput(closesAt, zone) as Date,
            mark: mark === "" ? null : readScore(mark, order.markUnit!),
          });
          throw redirect(`/results/${sent.id}?sent`);
        });
      default:
        return data(
          { ok: false as const, problems: [{ field: "intent", message: "This page cannot do that. Load it again." }] },
          { status: 400 },
        );
    }
  });
}

/** Moving between stations needs no request; sending does. */
export const shouldRevalidate = ({ formMethod }: { formMethod?: string }) => formMethod !== undefined;

/** Another activity, for example a copy, gets a workbench of its own, so that nothing of the previous one stays. */
export default function WorkbenchOf(props: Route.ComponentProps) {
  return <Workbench key={props.params.id} {...props} />;
}

function Workbench({ loaderData, actionData, params }: Route.ComponentProps) {
  const { classes, zone } = loaderData;
  const draft = useDraft(params.id, loaderData.activity);
  const { settled: activity, change } = draft;
  const [search, setSearch] = useSearchParams();
  const asked = search.get("station") as Station | null;
  const station: Station = asked && STATIONS.includes(asked) ? asked : "yard";
  const classId = search.get("class") ?? classes[0]?.id ?? "";
  const group = classes.find((c) => c.id === classId) ?? classes[0];
  // The unit on the screen, saved or not: after a change of scoring, the score to beat is asked for again.
  const scoreUnit = opened(activity).possible.unit;
  const [shown, show] = useState(1);
  const [noted, setNoted] = useState(true);
  const people = useMemo(() => shownOf(group?.children ?? []), [group]);

  // The extra layout beside the game does not affect any forecast.
  const { pattern: played, match, space, aim, kit, behind, ramp, off, wall, between } = activity;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the parts of the activity that the game depends on
  const game = useMemo(
    () => ({ ...activity, layout: null }),
    [played, match, space, aim, kit, behind, ramp, off, wall, between],
  );
  const { own: ownHomes, facts, choices, housed, names: homeNames } = useHomesOf(loaderData.homes, group);
  const paceOfAll = useMemo(() => (group?.children ?? []).map((child) => paces(child.age)), [group]);
  const fits = useKitFits(activity, facts, loaderData.items, people[1]!);
  const school = useMemo(
    () =>
      schoolOf(
        loaderData.items,
        facts.map((fact) => fact.kit),
        loaderData.exercises,
      ),
    [loaderData.items, loaderData.exercises, facts],
  );
  const own = useMemo(
    () => drawingsOf([...activity.kit.own, ...loaderData.items.own]),
    [activity.kit.own, loaderData.items.own],
  );
  const homes = useMemo(() => {
    if (!fits) return null;
    const known = new Map(fits.map((fit) => [fit.home, fit]));
    const names = namesOf(school.items.own);
    return ownHomes.map((ownHome) => fitOf(activity, ownHome, known, (id) => itemName(id, names)));
  }, [activity, ownHomes, fits, school]);

  const yard = useYard(draft.ledger.live, change, opened(activity).pegs[0]?.id ?? null);
  const { chosen, choose } = yard;
  // When another station is opened, the next Tab key moves into its panel.
  const heading = useRef<HTMLHeadingElement>(null);
  const shownStation = useRef(station);
  useEffect(() => {
    if (shownStation.current !== station) heading.current?.focus();
    shownStation.current = station;
  }, [station]);
  const open = useCallback(
    (text: Station) =>
      setSearch(
        (old) => {
          old.set("station", text);
          return old;
        },
        { replace: true, preventScrollReset: true },
      ),
    [setSearch],
  );

  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const to = STATIONS[Number(event.key) - 1];
      if (!to || !keyOfPage(event)) return;
      event.preventDefault();
      open(to);
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [open]);

  const names = useMemo(() => people.map((person, i) => `${RANKS[i]}, ${person.age}`), [people]);
  const problems = draft.problems;
  const refused = actionData && !("ok" in actionData) ? actionData : undefined;
  const held =
    problems.length > 0
      ? `Fix this first: ${problemText(problems[0]!.message)}`
      : draft.state.at === "saved"
        ? null
        : "Not saved yet.";
  const attempt = useMemo(() => attemptWordsForTeacher(activity.aim.action), [activity.aim.action]);
  return (
    <SchoolContext value={school}>
      <AttemptWords value={attempt}>
        <OwnDrawings value={own}>
          <main className="flex grow flex-col min-[1101px]:h-[calc(100dvh-52px)] min-[1101px]:min-h-[560px]">
            <TitleBar
              draft={draft}
              id={params.id}
              classes={classes}
              group={group}
              setSearch={setSearch}
              send={() => open("send")}
            />
            {draft.broughtBack && noted && (
              <p className="note note-good mx-6 mb-2 flex items-center justify-between gap-3">
                We have restored what you typed here before.
                <button type="button" className="underline" onClick={() => setNoted(false)}>
                  Close message
                </button>
              </p>
            )}
            <div className="grid min-h-0 grow grid-cols-[212px_minmax(0,1fr)_292px] gap-6 px-6 min-[1101px]:grid-rows-[minmax(0,1fr)] max-[1100px]:grid-cols-[150px_minmax(0,1fr)] max-[1100px]:gap-4 max-[1100px]:pb-4 max-[700px]:grid-cols-1 max-[700px]:px-4">
              <Stations activity={activity} station={station} />
              <LiveYard
                draft={draft}
                yard={yard}
                people={people}
                names={names}
                paceOfAll={paceOfAll}
                shown={shown}
                show={show}
              />
              <section
                aria-label={stationName[station]}
                data-panel={station}
                className="relative -mr-3 min-w-0 pr-3 pb-4 max-[1100px]:col-span-2 max-[700px]:col-span-1 min-[1101px]:overflow-y-auto"
              >
                <h2 ref={heading} tabIndex={-1} className="mb-1 text-xl">
                  {stationName[station]}
                </h2>
                <Panel
                  station={station}
                  activity={activity}
                  problems={problems}
                  change={change}
                  chosen={chosen}
                  choose={choose}
                  middle={people[1]!}
                  people={people}
                />
                {station === "yard" && <HomeView activity={activity} homes={choices} items={loaderData.items} />}
                {station === "kit" && (
                  <KitPanel
                    activity={activity}
                    problems={problems}
                    change={change}
                    chosen={chosen}
                    choose={choose}
                    people={people}
                    names={names}
                    fits={fits}
                    homes={homeNames}
                    housed={housed}
                  />
                )}
                {station === "send" && (
                  <SendPanel
                    activity={activity}
                    change={change}
                    classes={classes}
                    classId={group?.id ?? ""}
                    times={loaderData.times}
                    zone={zone}
                    held={held}
                    refused={refused}
                    unit={scoreUnit}
                    orderId={loaderData.orderId}
                    others={loaderData.others}
                  />
                )}
              </section>
            </div>
            <ForecastFailures />
            <Strip activity={game} people={people} names={names} unit={scoreUnit} homes={homes} apply={change} />
            <Clash draft={draft} />
            <SignInAgain draft={draft} />
          </main>
        </OwnDrawings>
      </AttemptWords>
    </SchoolContext>
  );
}
