import { Copy, Download, Redo2, Undo2 } from "lucide-react";
import { Dialog } from "radix-ui";
import { memo, useCallback, useEffect, useMemo, useState } from "react";
import { data, Form, Link, redirect, useSearchParams } from "react-router";
import type { KitFit } from "#core/compile/class-fit.ts";
import { byPeg, flies, layoutOf, personOf, rates, sendingIn, sentIn } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { countIn, FOOT, MOST_SHOES, type Unit } from "#core/measures/count.ts";
import { type Paces, paces } from "#core/measures/step.ts";
import { readScore, SCORE_UNITS } from "#core/records/score-text.ts";
import { clashesOf, type Clash as LayoutClash } from "#core/yard/clashes.ts";
import { awayFrom, swingOf } from "#core/yard/clear.ts";
import { laidParts } from "#core/yard/layouts/laid.ts";
import { countedBackFrom, type Part, partsOf } from "#core/yard/parts.ts";
import { USUAL_CEILING } from "#core/yard/space.ts";
import { activityFor, addActivity, copyActivity, shelveActivity } from "#server/activities/activities.ts";
import { sendActivity } from "#server/assignments/send.ts";
import { homesFor } from "#server/homes/homes.ts";
import { schoolItemsFor } from "#server/kit/items.ts";
import { classesFor, shellOf } from "#server/school/classes.ts";
import { sayCount, sayPhrase, targetName } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { formOf, jsonIn } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { clockTime, fromLocalInput, localInput } from "../when.ts";
import { type Draft, useDraft } from "../workbench/draft.ts";
import { HomeView, letText } from "../workbench/home-view.tsx";
import { SchoolContext, schoolOf } from "../workbench/items.tsx";
import { KitPanel } from "../workbench/kit-panel.tsx";
import { LaidLayer } from "../workbench/laid-layer.tsx";
import { Plan } from "../workbench/plan.tsx";
import { PlanBar } from "../workbench/plan-bar.tsx";
import { planScale } from "../workbench/scale.ts";
import { SendPanel } from "../workbench/send-panel.tsx";
import { SideView } from "../workbench/side-view.tsx";
import {
  AimPanel,
  answerOf,
  CuesPanel,
  type PanelProps,
  PlayersPanel,
  ScorePanel,
  STATIONS,
  type Station,
  stationName,
  YardPanel,
} from "../workbench/stations.tsx";
import { type HomeFit, Strip } from "../workbench/strip.tsx";
import { type Spread, spreadAt, Tape } from "../workbench/tape.tsx";
import { useKitFits } from "../workbench/use-forecast.ts";
import { useYard } from "../workbench/use-yard.ts";
import type { Route } from "./+types/workbench";

const DAY = 86_400_000;
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

interface Shown {
  name: string;
  age: number;
}
/** Youngest, middle and oldest of a class. */
function shownOf(children: readonly Shown[]): Shown[] {
  if (children.length === 0) return [6, 7, 8].map((age) => ({ name: `age ${age}`, age }));
  const sorted = [...children].sort((a, b) => a.age - b.age);
  return [sorted[0]!, sorted[Math.floor((sorted.length - 1) / 2)]!, sorted[sorted.length - 1]!];
}
const RANKS = ["youngest", "middle", "oldest"];

/** How an activity goes in the homes of one child: in the best of them. */
function fitOf(home: Route.ComponentProps["loaderData"]["homes"][number], kit: ReadonlyMap<string, KitFit>): HomeFit {
  const fits = home.homes.flatMap((h) => kit.get(h.id) ?? []);
  const told = fits.filter((f) => f.place !== null || !f.guessed);
  if (told.length === 0) return { name: home.child, fits: null, why: "did not say" };
  const rank = (f: KitFit) => (f.can ? 4 : 0) + { designed: 2, adapted: 1, none: 0 }[f.place?.status ?? "designed"];
  const best = told.reduce((x, f) => (rank(f) > rank(x) ? f : x));
  const { place } = best;
  if (!best.can) return { name: home.child, fits: false, why: best.missing.map((m) => sayPhrase(m.why)).join(" ") };
  if (!place) return { name: home.child, fits: null, why: "space not said" };
  if (place.status === "none") {
    const [help] = place.lets;
    const way = help ? `: ${letText(help)} would do` : "";
    return { name: home.child, fits: false, why: `${place.proved ? "too short" : "no place found"}${way}` };
  }
  return {
    name: home.child,
    fits: true,
    why: place.status === "designed" ? "as designed" : `${Math.round(100 * (1 - place.scale))} % nearer`,
  };
}

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
  const facts = useMemo(
    () => [
      ...new Map(
        loaderData.homes
          .filter((h) => h.className === group?.name)
          .flatMap((h) => h.homes.map((x) => [x.id, x] as const)),
      ).values(),
    ],
    [loaderData.homes, group],
  );
  const choices = useMemo(
    () =>
      loaderData.homes
        .filter((h) => h.className === group?.name)
        .flatMap((h) => {
          const age = group?.children.find((c) => c.name === h.child)?.age ?? 8;
          return h.homes.map((facts) => ({ child: h.child, age, facts }));
        }),
    [loaderData.homes, group],
  );
  const paceOfAll = useMemo(() => (group?.children ?? []).map((c) => paces(c.age)), [group]);
  const fits = useKitFits(a, facts, loaderData.items, people[1]!);
  const school = useMemo(() => schoolOf(loaderData.items), [loaderData.items]);
  const own = useMemo(
    () => drawingsOf([...live.kit.own, ...loaderData.items.own]),
    [live.kit.own, loaderData.items.own],
  );
  const housed = useMemo(
    () =>
      loaderData.homes
        .filter((h) => h.className === group?.name)
        .map((h) => ({ child: h.child, homes: h.homes.map((x) => x.id) })),
    [loaderData.homes, group],
  );
  const homeNames = useMemo(() => {
    const out: Record<string, string> = {};
    for (const h of loaderData.homes)
      for (const x of h.homes) out[x.id] = out[x.id] ? `${out[x.id]}, ${h.child}` : h.child;
    return out;
  }, [loaderData.homes]);
  const homes = useMemo(() => {
    const known = new Map(fits?.map((f) => [f.home, f]));
    return loaderData.homes.filter((h) => h.className === group?.name).map((h) => fitOf(h, known));
  }, [loaderData.homes, group, fits]);

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
      if (e.metaKey || e.altKey) return;
      if (e.key === "u" || (e.ctrlKey && e.key === "z" && !e.shiftKey)) undo();
      else if (e.key === "U" || (e.ctrlKey && (e.key === "y" || e.key === "Z"))) redo();
      else return;
      e.preventDefault();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [undo, redo]);
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
          <div className="flex flex-wrap items-center gap-x-3 gap-y-2 px-6 pt-3 pb-2">
            <h1 className="sr-only">{a.title}</h1>
            <input
              aria-label="Title"
              className="min-w-40 border-transparent bg-transparent px-1 font-head text-[1.65rem] leading-tight font-bold hover:border-hair"
              style={{
                width: `${Math.min(28, Math.max(8, a.title.length * 0.62))}em`,
                fontSize: "1.65rem",
                maxWidth: "40vw",
              }}
              value={a.title}
              maxLength={60}
              onChange={(e) => change({ ...a, title: e.target.value }, "title")}
            />
            <span className="tag">{label(`pattern.${a.pattern.name}`)}</span>
            <span className="tag">
              ages {a.ages.from} to {a.ages.to}
            </span>
            <label className="flex items-center gap-2 text-sm">
              <span className="text-quiet">shown for</span>
              <select
                className="py-0.5 text-sm font-semibold"
                value={group?.id}
                onChange={(e) =>
                  setSearch(
                    (old) => {
                      old.set("class", e.target.value);
                      return old;
                    },
                    { replace: true, preventScrollReset: true },
                  )
                }
              >
                {classes.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.name}, {c.children.length} children
                  </option>
                ))}
              </select>
            </label>
            <div className="ml-auto flex items-center gap-2">
              <SaveNote draft={draft} zone={zone} />
              <button
                type="button"
                className="btn btn-quiet btn-small px-2"
                onClick={undo}
                disabled={!draft.canUndo}
                aria-label="Undo"
                title="Undo (u)"
              >
                <Undo2 size={17} aria-hidden="true" />
              </button>
              <button
                type="button"
                className="btn btn-quiet btn-small px-2"
                onClick={redo}
                disabled={!draft.canRedo}
                aria-label="Redo"
                title="Redo (Shift u)"
              >
                <Redo2 size={17} aria-hidden="true" />
              </button>
              <Form method="post">
                <button
                  type="submit"
                  name="intent"
                  value="copy"
                  className="btn btn-quiet btn-small px-2"
                  aria-label="Copy this activity"
                  title="Copy"
                >
                  <Copy size={17} aria-hidden="true" />
                </button>
              </Form>
              <a
                className="btn btn-quiet btn-small px-2"
                href={`/activities/${params.id}/file`}
                aria-label="Save as a file"
                title="Save as a file"
                download
              >
                <Download size={17} aria-hidden="true" />
              </a>
              <button type="button" className="btn btn-main" onClick={() => open("send")}>
                Send
              </button>
            </div>
          </div>
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
              <div className="flex flex-wrap items-center gap-x-4 gap-y-1 pt-1 text-[0.82rem] text-quiet">
                <span>
                  {[...new Set(probes.map((p) => p.ask.aim.kind))].map((kind) => tell(`rates.${kind}`)).join(" ")}{" "}
                  Outlined: within 60 to 80 %.
                </span>
                {chosenAt !== null && (
                  <Counted metres={chosenAt} own={paces(age)} who={names[shown]!} spread={spread} />
                )}
                <button type="button" className="ml-auto underline" onClick={() => setUnit(unit === "m" ? "ft" : "m")}>
                  tape in {unit === "m" ? "feet" : "metres"}
                </button>
                <a className="underline" href={`/activities/${params.id}/plan.svg`} download>
                  plan as SVG
                </a>
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
              <h2 className="mb-1 text-xl">{stationName[station]}</h2>
              <Panel
                station={station}
                activity={a}
                problems={problems}
                change={change}
                chosen={chosen}
                choose={choose}
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
          <Strip activity={game} people={people} names={names} unit={scoreUnit} homes={homes} />
          <Clash draft={draft} zone={zone} />
          <SignInAgain draft={draft} />
        </main>
      </OwnDrawings>
    </SchoolContext>
  );
}

/** A distance in every unit that it may be counted in, what counting it leaves, and where that count ends over the class. */
function Counted({ metres, own, who, spread }: { metres: number; own: Paces; who: string; spread: Spread | null }) {
  const inUnit = (unit: Unit) => countIn(unit, metres, own);
  const steps = inUnit("step");
  const shoes = inUnit("shoe");
  return (
    <p className="w-full text-ink" data-class-spread>
      {metres.toFixed(2)} m is {(metres / FOOT).toFixed(1)} feet; for {who}: {sayCount(steps.count)} steps (
      {steps.metres.toFixed(2)} m, give or take {Math.round(steps.error * 100)} cm), {sayCount(inUnit("bigStep").count)}{" "}
      big steps{shoes.count <= MOST_SHOES && `, ${shoes.count} shoe lengths`}.
      {spread &&
        ` ${sayCount(spread.count)} steps end between ${spread.from.toFixed(2)} and ${spread.to.toFixed(2)} m in this class.`}
    </p>
  );
}

/** More clashes than this are counted, not told. */
const MOST_TOLD = 3;
/** What clashes on the plan, in words, as it happens. */
function ClashNotes({
  clashes,
  parts,
  layout,
}: {
  clashes: readonly LayoutClash[];
  parts: readonly Part[];
  layout: string | null;
}) {
  const targets = partsOf(parts, "target");
  const name = (id: string) => {
    const at = targets.findIndex((t) => t.id === id);
    if (at >= 0) return `${at + 1} ${targetName(targets[at]!)}`;
    const mark = parts.find((p) => p.id === id);
    if (mark?.kind === "zone") return `the band from ${mark.near} m`;
    if (mark?.kind === "person") return "the other player";
    const number = mark && "label" in mark && mark.label ? ` ${mark.label}` : "";
    return layout && number ? `mark${number}` : layout ? label(`layout.${layout}`) : id;
  };
  const text = (c: LayoutClash) => {
    switch (c.kind) {
      case "together":
        return `${name(c.ids[0])} and ${name(c.ids[1])} stand in one place`;
      case "outside":
        return `${name(c.ids[0])} is beyond the space`;
      case "hides":
        return `${name(c.ids[0])} hides ${Math.round(100 * c.share)} % of ${name(c.ids[1])}`;
      case "tooSmall":
        return `nothing gets into or through ${name(c.ids[0])}: what is sent is too big, it has no opening, or it stands`;
      case "swing":
        return `${name(c.ids[0])} is within ${c.clear.toFixed(1)} m of whoever sends`;
      case "inWay":
        return `${name(c.ids[0])} stands in the way to ${name(c.ids[1])}`;
      case "ceiling":
        return `a send at ${name(c.ids[0])} comes up to ${c.height.toFixed(1)} m: too near the ceiling`;
      case "tooFar":
        return `${name(c.ids[0])} is out of reach: at most ${c.reach.toFixed(1)} m`;
    }
  };
  return (
    <p role="status" className={`min-h-5 text-sm ${clashes.length > 0 ? "problem" : ""}`}>
      {clashes.slice(0, MOST_TOLD).map(text).join("; ")}
      {clashes.length > MOST_TOLD && `; and ${clashes.length - MOST_TOLD} more`}
    </p>
  );
}

/** The plan of the lesson, one line a station. Links, so that they work before the script loads. */
const Stations = memo(function Stations({ activity, station }: { activity: Activity; station: Station }) {
  const [search] = useSearchParams();
  const to = (s: Station) => {
    const next = new URLSearchParams(search);
    next.set("station", s);
    return `?${next}`;
  };
  return (
    <nav aria-label="Stations" className="min-[1101px]:overflow-y-auto">
      <ol className="relative grid gap-1">
        <li aria-hidden="true" className="absolute top-6 bottom-8 left-[12px] border-l-2 border-dashed border-hair" />
        {STATIONS.map((s, i) => (
          <li key={s} className="relative">
            <Link
              to={to(s)}
              replace
              preventScrollReset
              aria-current={s === station ? "step" : undefined}
              className="grid w-full grid-cols-[26px_1fr] gap-x-3 rounded-sm py-1.5 text-left"
            >
              <span
                className={`grid size-[26px] place-items-center rounded-full border-2 border-ink text-sm font-bold ${s === station ? "bg-mustard text-night" : "bg-page"}`}
              >
                {i + 1}
              </span>
              <span>
                <span
                  className={`font-head text-[1.05rem] font-bold ${s === station ? "border-b-4 border-mustard" : ""}`}
                >
                  {stationName[s]}
                </span>
                <span className="line-clamp-2 text-[0.86rem] leading-snug text-quiet">{answerOf(s, activity)}</span>
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </nav>
  );
});

const PANELS = {
  aim: AimPanel,
  cues: CuesPanel,
  yard: YardPanel,
  score: ScorePanel,
  players: PlayersPanel,
};
const Panel = memo(function Panel({ station, ...props }: { station: Station } & PanelProps) {
  if (station === "send" || station === "kit") return null;
  const One = PANELS[station];
  return <One {...props} />;
});

function SaveNote({ draft, zone }: { draft: Draft; zone: string }) {
  const { state } = draft;
  const text = {
    saved: () => `saved ${clockTime((state as { when: string }).when, zone)}`,
    waiting: () => "saving ...",
    mend: () => "not saved: mend first",
    signedOut: () => "not saved: signed out",
    offline: () => "not saved: no network",
    clash: () => "not saved: changed elsewhere",
  }[state.at]();
  return (
    <span
      role="status"
      data-save={state.at}
      className={`text-sm ${state.at === "saved" || state.at === "waiting" ? "text-quiet" : "problem"}`}
      title={state.at === "mend" ? state.problems.map((p) => p.message).join("\n") : undefined}
    >
      {text}
      {state.at === "offline" && (
        <button type="button" className="ml-2 underline" onClick={draft.retry}>
          try again
        </button>
      )}
    </span>
  );
}

/** Two tabs, or two devices: nobody overwrites anybody without a person choosing. */
function Clash({ draft, zone }: { draft: Draft; zone: string }) {
  if (draft.state.at !== "clash") return null;
  const { theirs } = draft.state;
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 grid w-[min(38rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-4 rounded-md bg-raised p-6">
          <Dialog.Title className="text-2xl">This activity was changed somewhere else</Dialog.Title>
          <Dialog.Description>
            In another tab or on another device, at {clockTime(theirs.updatedAt, zone)}. Nothing is lost: choose which
            one to go on with.
          </Dialog.Description>
          <div className="grid grid-cols-2 gap-4 text-sm">
            {[
              ["Here", draft.activity],
              ["There", theirs.document],
            ].map(([name, doc]) => (
              <div key={name as string} className="rounded-sm border-2 border-hair p-3">
                <p className="font-bold">{name as string}</p>
                <p className="font-head text-lg">{(doc as Activity).title}</p>
                <p className="text-quiet">{answerOf("yard", doc as Activity)}</p>
                <p className="text-quiet">{answerOf("score", doc as Activity)}</p>
              </div>
            ))}
          </div>
          <div className="flex flex-wrap gap-2">
            <button type="button" className="btn btn-main" onClick={() => draft.settle("mine")}>
              Keep what is here
            </button>
            <button type="button" className="btn" onClick={() => draft.settle("theirs")}>
              Take what is there
            </button>
            <Form method="post">
              <input type="hidden" name="document" value={JSON.stringify(draft.activity)} />
              <button type="submit" name="intent" value="mine" className="btn btn-quiet">
                Keep both: this one as a copy
              </button>
            </Form>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The session ended while something was unsaved: sign in here, and the work goes on. */
function SignInAgain({ draft }: { draft: Draft }) {
  const [told, setTold] = useState("");
  if (draft.state.at !== "signedOut") return null;
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 grid w-[min(24rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-3 rounded-md bg-raised p-6">
          <Dialog.Title className="text-2xl">You were signed out</Dialog.Title>
          <Dialog.Description>Your work is kept on this page. Sign in, and it is saved.</Dialog.Description>
          <form
            className="grid gap-3"
            onSubmit={async (e) => {
              e.preventDefault();
              const body = new FormData(e.currentTarget);
              const response = await fetch("/sign-in-here", { method: "POST", body });
              const answer = (await response.json()) as { ok: boolean; problems: { message: string }[] };
              if (answer.ok) draft.retry();
              else setTold(answer.problems.map((p) => p.message).join(" "));
            }}
          >
            {told && (
              <p role="alert" className="problem">
                {told}
              </p>
            )}
            <label className="field">
              <span>E-mail</span>
              <input name="email" type="email" autoComplete="username" required />
            </label>
            <label className="field">
              <span>Password</span>
              <input name="password" type="password" autoComplete="current-password" required />
            </label>
            <button type="submit" className="btn btn-main">
              Sign in and save
            </button>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
