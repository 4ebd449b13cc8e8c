import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { data, redirect, useSearchParams } from "react-router";
import { byPeg, flies, layoutOf, personOf, rates, sendingIn, sentIn } from "#core/forecast/for-activity.ts";
import { opened } from "#core/formats/opened.ts";
import { paces } from "#core/measures/step.ts";
import { readScore, SCORE_UNITS } from "#core/records/score-text.ts";
import { clashesOf } from "#core/yard/clashes.ts";
import { awayFrom, swingOf } from "#core/yard/clear.ts";
import { laidParts } from "#core/yard/layouts/laid.ts";
import { countedBackFrom } from "#core/yard/parts.ts";
import { USUAL_CEILING } from "#core/yard/space.ts";
import { activityFor, addActivity, copyActivity, shelveActivity } from "#server/activities/activities.ts";
import { sendActivity } from "#server/assignments/send.ts";
import { homesFor } from "#server/homes/homes.ts";
import { schoolItemsFor } from "#server/kit/items.ts";
import { classesFor, shellOf } from "#server/school/classes.ts";
import { itemName, namesOf } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { formOf, jsonIn } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { keyOfPage } from "../ui/keys.tsx";
import { fromLocalInput, localInput } from "../when.ts";
import { ClashNotes } from "../workbench/clash-notes.tsx";
import { Counted } from "../workbench/counted.tsx";
import { useDraft } from "../workbench/draft.ts";
import { nudged } from "../workbench/edit.ts";
import { fitOf, RANKS, shownOf, useHomesOf } from "../workbench/home-fits.ts";
import { HomeView } from "../workbench/home-view.tsx";
import { SchoolContext, schoolOf } from "../workbench/items.tsx";
import { KitPanel } from "../workbench/kit-panel.tsx";
import { LaidLayer } from "../workbench/laid-layer.tsx";
import { Panel } from "../workbench/panel.tsx";
import { Plan } from "../workbench/plan.tsx";
import { PlanBar } from "../workbench/plan-bar.tsx";
import { Clash, SignInAgain } from "../workbench/saving.tsx";
import { planScale } from "../workbench/scale.ts";
import { SendPanel } from "../workbench/send-panel.tsx";
import { SideView } from "../workbench/side-view.tsx";
import { Stations } from "../workbench/station-list.tsx";
import { STATIONS, type Station, stationName } from "../workbench/stations.tsx";
import { Strip } from "../workbench/strip.tsx";
import { spreadAt, Tape } from "../workbench/tape.tsx";
import { TitleBar } from "../workbench/title-bar.tsx";
import { useKitFits } from "../workbench/use-forecast.ts";
import { useYard } from "../workbench/use-yard.ts";
import type { Route } from "./+types/workbench";

const DAY = 86_400_000;
/** What `[` and `]` move the chosen peg by, metres. */
const EASIER = 0.1;
/** Corridor of success. */
const CORRIDOR = [0.6, 0.8] as const;

export const meta: Route.MetaFunction = ({ data: d }) => [
  { title: `${d?.activity.document.title ?? "Activity"} · Daring Yard` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const kept = await found(activityFor(who, idOf(params.id, "activity")));
  const [classes, homes, { zone }, items] = await Promise.all([
    classesFor(who),
    homesFor(who),
    shellOf(who),
    schoolItemsFor(who),
  ]);
  const now = Date.now();
  const closes = new Date(now + 7 * DAY);
  return {
    activity: { ...kept, updatedAt: kept.updatedAt.toISOString() },
    orderId: crypto.randomUUID(),
    classes,
    items,
    homes: homes.map((h) => ({
      child: h.child,
      className: h.className,
      homes: h.homes.map(({ id, label, kit, space, players, quiet, noBallsIndoors }) => ({
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

const whole = (text: string | undefined) => (text !== undefined && text.trim() !== "" ? Number(text) : Number.NaN);

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
        // After a clash: this tab's version becomes an activity of its own.
        const { parseActivity } = await import("#core/formats/activity.ts");
        const read = parseActivity(jsonIn(fields.document));
        if (!read.ok) return data({ ok: false as const, problems: read.problems }, { status: 422 });
        throw redirect(
          `/activities/${await addActivity(who, { ...read.value, title: `${read.value.title.slice(0, 50)}, my copy` })}`,
        );
      }
      case "send": {
        const { zone } = await shellOf(who);
        const unit = SCORE_UNITS.find((u) => u === fields.markUnit) ?? null;
        const mark = (fields.mark ?? "").trim();
        const only = form.all("child");
        const sent = await sendActivity(who, id, {
          orderId: fields.orderId ?? "",
          classId: fields.classId ?? "",
          children: only.length > 0 ? only : null,
          opensAt: fromLocalInput(fields.opensAt ?? "", zone) as Date,
          closesAt: fromLocalInput(fields.closesAt ?? "", zone) as Date,
          tries: whole(fields.tries),
          mark: mark === "" ? null : ((unit && readScore(mark, unit)) ?? Number.NaN),
          markUnit: unit,
        });
        throw redirect(`/results/${sent}?sent`);
      }
      default:
        return data(
          { ok: false as const, problems: [{ field: "intent", message: "There is nothing of that name to do." }] },
          { status: 400 },
        );
    }
  });
}

/** Moving between stations asks the server nothing; only sending does. */
export const shouldRevalidate = ({ formMethod }: { formMethod?: string }) => formMethod !== undefined;

export default function Workbench({ loaderData, actionData, params }: Route.ComponentProps) {
  const { classes, zone } = loaderData;
  const draft = useDraft(params.id, loaderData.activity);
  const { activity: live, settled: a, change } = draft;
  const [search, setSearch] = useSearchParams();
  const asked = search.get("station") as Station | null;
  const station: Station = asked && STATIONS.includes(asked) ? asked : "yard";
  const classId = search.get("class") ?? classes[0]?.id ?? "";
  const group = classes.find((c) => c.id === classId) ?? classes[0];
  // By what is on the screen, saved or not: a change of scoring asks for the mark anew.
  const scoreUnit = opened(a).possible.unit;
  const { pegs, probes } = opened(live);
  const loose = useMemo(
    () =>
      probes.flatMap((p, i) => (p.peg === null ? [{ id: p.id, about: tell("rates.round", { number: i + 1 }) }] : [])),
    [probes],
  );
  const [shown, show] = useState(1);
  const [unit, setUnit] = useState<"m" | "ft">("m");
  const people = useMemo(() => shownOf(group?.children ?? []), [group]);

  // What is laid out beside the game changes nothing of the game: dragging it works out no rates anew.
  const { pattern: played, match, space, aim, kit, behind } = live;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the parts of the activity that the game hangs on
  const game = useMemo(() => ({ ...live, layout: null }), [played, match, space, aim, kit, behind]);
  const parts = useMemo(() => layoutOf(game), [game]);
  const inAir = flies(game);
  const allParts = useMemo(() => (live.layout ? [...parts, ...laidParts(live.layout)] : parts), [parts, live.layout]);
  const { length, width } = space;
  const backFrom = countedBackFrom(parts);
  const scale = useMemo(() => planScale(length, width, backFrom), [length, width, backFrom]);
  const rows = useMemo(
    () =>
      people.map((p, i) => {
        const all = rates(game, p, parts);
        return {
          name: `${RANKS[i]}, ${p.age}`,
          rates: new Map([...all, ...byPeg(game, all)]),
          step: paces(p.age).step,
        };
      }),
    [people, game, parts],
  );
  const { action } = live.aim;
  const sent = sentIn(game);
  const { own: ownHomes, facts, choices, housed, names: homeNames } = useHomesOf(loaderData.homes, group);
  const paceOfAll = useMemo(() => (group?.children ?? []).map((c) => paces(c.age)), [group]);
  const fits = useKitFits(a, facts, loaderData.items, people[1]!);
  const school = useMemo(
    () =>
      schoolOf(
        loaderData.items,
        facts.map((h) => h.kit),
      ),
    [loaderData.items, facts],
  );
  const own = useMemo(
    () => drawingsOf([...live.kit.own, ...loaderData.items.own]),
    [live.kit.own, loaderData.items.own],
  );
  const homes = useMemo(() => {
    const known = new Map(fits?.map((f) => [f.home, f]));
    const names = namesOf(school.items.own);
    return ownHomes.map((h) => fitOf(a, h, known, (id) => itemName(id, names)));
  }, [a, ownHomes, fits, school]);

  const yard = useYard(live, change, pegs[0]?.id ?? null);
  const { chosen, choose } = yard;
  const { age } = people[shown]!;
  const sending = useMemo(() => sendingIn(game, age), [game, age]);
  const spreadOf = useMemo(
    () => (sending ? personOf(game, people[shown]!).sends({}).spread : null),
    [game, people, shown, sending],
  );
  const ceiling = live.space.indoors ? USUAL_CEILING : null;
  const clashes = useMemo(
    () =>
      clashesOf(
        allParts,
        { length, width },
        {
          diameter: sent.width,
          inAir,
          swing: swingOf(action, age),
          away: awayFrom(action, age),
          ...(sending && { sends: sending }),
          ceiling,
        },
      ),
    [allParts, length, width, sent, inAir, action, age, sending, ceiling],
  );
  // The same list as long as it says the same, so that the plan is not drawn anew for it.
  const wrongIds = JSON.stringify(clashes.flatMap((c) => c.ids as readonly string[]));
  const wrong = useMemo(() => JSON.parse(wrongIds) as string[], [wrongIds]);
  const clear = useMemo(
    () => (yard.clearShown ? { swing: swingOf(action, age), away: awayFrom(action, age) } : null),
    [yard.clearShown, action, age],
  );
  const step = paces(age).step;
  const chosenAt = pegs.find((p) => p.id === chosen)?.distance ?? null;
  const spread = useMemo(
    () => (chosenAt === null ? null : spreadAt(chosenAt, step, paceOfAll)),
    [chosenAt, step, paceOfAll],
  );
  const { undo, redo } = draft;
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const t = e.target as HTMLElement;
      if (t.matches("input, textarea, select") && !t.matches("[type=radio], [type=checkbox]")) return;
      if (e.metaKey) return;
      const { chosen: id, group } = yard;
      const peg = opened(live).pegs.find((p) => p.id === id);
      const first = allParts.find((p) => p.id === group[0]);
      // All that is chosen moves, wherever the focus is but on one of them: that one moves them itself.
      if (
        group.length > 1 &&
        first?.kind === "target" &&
        !t.closest("[data-mark], [data-peg], [data-frame], [role=radiogroup]")
      ) {
        const to = t.matches("[type=radio], [type=checkbox]") ? null : nudged(e, first);
        if (to) yard.place(first.id, to.along, to.across, "keys all");
        if (to) return;
      }
      if (e.ctrlKey && e.key === "z" && !e.shiftKey) undo();
      else if (e.ctrlKey && (e.key === "y" || e.key === "Z")) redo();
      else if (!keyOfPage(e)) return;
      else if (e.key === "u") undo();
      else if (e.key === "U") redo();
      else if (peg && (e.key === "[" || e.key === "]"))
        yard.move(peg.id, peg.distance + (e.key === "[" ? -EASIER : EASIER), "keys easier");
      else return;
      e.preventDefault();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [undo, redo, yard, live, allParts]);
  // Once another station is open the next Tab is in its panel.
  const heading = useRef<HTMLHeadingElement>(null);
  const shownStation = useRef(station);
  useEffect(() => {
    if (shownStation.current !== station) heading.current?.focus();
    shownStation.current = station;
  }, [station]);
  const open = useCallback(
    (s: Station) =>
      setSearch(
        (old) => {
          old.set("station", s);
          return old;
        },
        { replace: true, preventScrollReset: true },
      ),
    [setSearch],
  );

  const names = useMemo(() => people.map((p, i) => `${RANKS[i]}, ${p.age}`), [people]);
  const problems = draft.problems;
  const refused = actionData && !actionData.ok ? actionData.problems : [];
  const held =
    problems.length > 0
      ? `First mend this: ${problems[0]!.message}`
      : draft.state.at === "saved"
        ? null
        : "Not saved yet.";
  return (
    <SchoolContext value={school}>
      <OwnDrawings value={own}>
        <main className="flex grow flex-col min-[1101px]:h-[calc(100dvh-52px)] min-[1101px]:min-h-[560px]">
          <TitleBar
            draft={draft}
            id={params.id}
            classes={classes}
            group={group}
            zone={zone}
            setSearch={setSearch}
            send={() => open("send")}
          />
          {draft.broughtBack && draft.state.at !== "saved" && (
            <p className="note note-good mx-6 mb-2">What you had typed here before was brought back.</p>
          )}
          <div className="grid min-h-0 grow grid-cols-[212px_minmax(0,1fr)_292px] gap-6 px-6 max-[1100px]:grid-cols-[150px_minmax(0,1fr)] max-[1100px]:gap-4 max-[1100px]:pb-4">
            <Stations activity={a} station={station} />
            <div className="relative min-w-0 min-[1101px]:overflow-y-auto">
              <PlanBar yard={yard} activity={a} pegs={pegs} who={people[shown]!.name} change={change} />
              <div className="relative">
                <Plan
                  space={live.space}
                  parts={parts}
                  scale={scale}
                  chosen={chosen}
                  choose={choose}
                  focusOn={yard.focusOn}
                  spread={spreadOf}
                  who={people[shown]!.name}
                  place={yard.place}
                  wrong={wrong}
                  group={yard.group}
                  toggle={yard.toggle}
                  widen={yard.widen}
                  snap={yard.snap}
                  step={step}
                  clear={clear}
                  behind={live.behind}
                />
                {live.layout && (
                  <LaidLayer
                    laid={live.layout}
                    scale={scale}
                    chosen={chosen}
                    choose={choose}
                    lay={yard.lay}
                    snap={yard.snap}
                    step={step}
                    wrong={wrong}
                  />
                )}
              </div>
              <Tape
                pegs={pegs}
                scale={scale}
                length={length}
                rows={rows}
                shown={shown}
                show={show}
                chosen={chosen}
                choose={choose}
                move={yard.move}
                unit={unit}
                corridor={CORRIDOR}
                loose={loose}
                spread={spread}
              />
              <div className="flex flex-wrap items-center gap-x-4 gap-y-0.5 text-[0.8rem] leading-tight text-quiet">
                <span>
                  {[...new Set(probes.map((p) => p.ask.aim.kind))].map((kind) => tell(`rates.${kind}`)).join(" ")}{" "}
                  Outlined: within 60 to 80 %.
                </span>
                <button type="button" className="ml-auto underline" onClick={() => setUnit(unit === "m" ? "ft" : "m")}>
                  tape in {unit === "m" ? "feet" : "metres"}
                </button>
                <a className="underline" href={`/activities/${params.id}/plan.svg`} download>
                  plan as SVG
                </a>
                {chosenAt !== null && (
                  <Counted metres={chosenAt} own={paces(age)} who={names[shown]!} spread={spread} />
                )}
              </div>
              <ClashNotes clashes={clashes} parts={allParts} layout={live.layout?.name ?? null} />
              {inAir && sending && (
                <SideView
                  parts={parts}
                  scale={scale}
                  sending={sending}
                  ceiling={ceiling}
                  chosen={chosen}
                  who={names[shown]!}
                />
              )}
            </div>
            <section
              aria-label={stationName[station]}
              className="relative -mr-3 min-w-0 pr-3 pb-4 max-[1100px]:col-span-2 min-[1101px]:overflow-y-auto"
            >
              <h2 ref={heading} tabIndex={-1} className="mb-1 text-xl">
                {stationName[station]}
              </h2>
              <Panel
                station={station}
                activity={a}
                problems={problems}
                change={change}
                chosen={chosen}
                choose={choose}
                middle={people[1]!}
              />
              {station === "yard" && <HomeView activity={a} homes={choices} items={loaderData.items} />}
              {station === "kit" && (
                <KitPanel
                  activity={a}
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
                  activity={a}
                  change={change}
                  classes={classes}
                  classId={group?.id ?? ""}
                  times={loaderData.times}
                  zone={zone}
                  held={held}
                  problems={refused}
                  unit={scoreUnit}
                  orderId={loaderData.orderId}
                />
              )}
            </section>
          </div>
          <Strip activity={game} people={people} names={names} unit={scoreUnit} homes={homes} apply={change} />
          <Clash draft={draft} zone={zone} />
          <SignInAgain draft={draft} />
        </main>
      </OwnDrawings>
    </SchoolContext>
  );
}
