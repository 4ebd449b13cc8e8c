import { useMemo, useState } from "react";
import type { Spread } from "#core/actions/spread.ts";
import type { Peg, Probe } from "#core/contract/contract.ts";
import type { Activity } from "#core/formats/activity-shape.ts";
import { opened } from "#core/formats/opened.ts";
import { type Paces, paces } from "#core/measures/step.ts";
import type { Part } from "#core/yard/parts.ts";
import { sayList } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { useSchool } from "../ui/school.ts";
import { useAttemptWords } from "./attempt-words.ts";
import { ClashNotes } from "./clash-notes.tsx";
import { Counted } from "./counted.tsx";
import { type Draft, useLive } from "./draft.ts";
import type { Shown } from "./home-fits.ts";
import { LaidLayer } from "./laid-layer.tsx";
import { Plan } from "./plan.tsx";
import { Captions } from "./plan-backdrop.tsx";
import { PlanBar } from "./plan-bar.tsx";
import { PlanPlace, type PlanView, TapePlace, useInSight, usePlanView } from "./plan-place.tsx";
import type { PlanScale } from "./scale.ts";
import { SideView } from "./side-view.tsx";
import { spreadAt, Tape, tapeHeight } from "./tape.tsx";
import type { Yard } from "./use-yard.ts";
import { useYardFigures } from "./use-yard-figures.ts";
import { useYardKeys } from "./use-yard-keys.ts";

/** The range of success that is marked on the tape. */
const CORRIDOR = [0.6, 0.8] as const;

/** The plan, the tape and the notes on them, updated during a drag. Nothing else on the page is rendered again. */
export function LiveYard({
  draft,
  yard,
  people,
  names,
  paceOfAll,
  shown,
  show,
}: {
  draft: Draft;
  yard: Yard;
  /** The youngest, the typical and the oldest child of the class, their labels, and the steps of all children. */
  people: readonly Shown[];
  names: readonly string[];
  paceOfAll: readonly Paces[];
  shown: number;
  show: (count: number) => void;
}) {
  const attempt = useAttemptWords();
  const live = useLive(draft);
  const { change } = draft;
  const { chosen, choose } = yard;
  const [unit, setUnit] = useState<"m" | "ft">(useSchool().units === "feet" ? "ft" : "m");
  const { pegs, probes } = opened(live);
  const view = usePlanView();
  const {
    loose,
    parts,
    allParts,
    inAir,
    scale,
    zooms,
    rows,
    hopeless,
    sending,
    spreadOf,
    ceiling,
    clashes,
    wrong,
    clear,
  } = useYardFigures({ live, people, shown, clearShown: yard.clearShown, view });
  const [side, setSide] = useState(false);
  const fromSide = side && inAir && sending !== null;
  const target = allParts.find((part) => part.kind === "target" && (part.id === chosen || part.group === chosen));
  useInSight(view, scale, target?.kind === "target" ? target : null, draft.settled);
  const { age } = people[shown]!;
  const step = paces(age).step;
  const chosenAt = pegs.find((peg) => peg.id === chosen)?.distance ?? null;
  const spread = useMemo(
    () => (chosenAt === null ? null : spreadAt(chosenAt, step, paceOfAll)),
    [chosenAt, step, paceOfAll],
  );
  useYardKeys({ draft, yard, view, parts: allParts });
  return (
    <div className="relative min-w-0 min-[1101px]:overflow-y-auto">
      <PlanBar
        yard={yard}
        activity={draft.settled}
        who={people[shown]!.name}
        change={change}
        side={inAir && sending ? fromSide : null}
        setSide={setSide}
        zoom={view.zoom}
        least={zooms.has(-1) ? -1 : 0}
        zoomBy={view.zoomBy}
        refit={view.refit}
      />
      <PlanPlace
        view={view}
        scale={scale}
        still={fromSide}
        foot={fromSide ? null : <Captions space={live.space} who={people[shown]!.name} parts={parts} />}
      >
        {fromSide ? (
          <SideView
            parts={parts}
            scale={scale}
            sending={sending}
            ceiling={ceiling}
            chosen={chosen}
            who={names[shown]!}
            tall={view.room.tall}
          />
        ) : (
          <PlanAndLayout
            live={live}
            parts={parts}
            scale={scale}
            chosen={chosen}
            choose={choose}
            yard={yard}
            spreadOf={spreadOf}
            wrong={wrong}
            step={step}
            clear={clear}
          />
        )}
      </PlanPlace>
      <TapeAndKey
        view={view}
        pegs={pegs}
        scale={scale}
        live={live}
        rows={rows}
        shown={shown}
        show={show}
        chosen={chosen}
        choose={choose}
        yard={yard}
        unit={unit}
        loose={loose}
        spread={spread}
        probes={probes}
        attempt={attempt}
        setUnit={setUnit}
        chosenAt={chosenAt}
        age={age}
        names={names}
      />
      {hopeless.length > 0 && (
        <p role="status" className="note problem">
          {tell("rates.nobody", { what: sayList(hopeless), from: people[0]!.age, to: people[people.length - 1]!.age })}
        </p>
      )}
      <ClashNotes clashes={clashes} parts={allParts} layout={live.layout?.name ?? null} />
    </div>
  );
}

/** Draws the tape and explains it. */
const TapeAndKey = ({
  view,
  pegs,
  scale,
  live,
  rows,
  shown,
  show,
  chosen,
  choose,
  yard,
  unit,
  loose,
  spread,
  probes,
  attempt,
  setUnit,
  chosenAt,
  age,
  names,
}: {
  view: PlanView;
  pegs: Peg[];
  scale: PlanScale;
  live: Activity;
  rows: { name: string; rates: Map<string, number>; step: number }[];
  shown: number;
  show: (count: number) => void;
  chosen: string | null;
  choose: (id: string | null) => void;
  yard: Yard;
  unit: "m" | "ft";
  loose: { id: string; about: string }[];
  spread: ReturnType<typeof spreadAt> | null;
  probes: Probe[];
  attempt: ReturnType<typeof useAttemptWords>;
  setUnit: (next: "m" | "ft") => void;
  chosenAt: number | null;
  age: number;
  names: readonly string[];
}) => (
  <>
    <TapePlace view={view} scale={scale} tall={tapeHeight(rows.length)}>
      <Tape
        pegs={pegs}
        scale={scale}
        length={live.space.length}
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
    </TapePlace>
    <div className="flex flex-wrap items-center gap-x-4 gap-y-0.5 text-[0.8rem] leading-tight text-quiet">
      <span>
        {[...new Set(probes.map((probe) => probe.ask.aim.kind))]
          .map((kind) => tell(`rates.${kind}`, attempt))
          .join(" ")}{" "}
        Outlined: between 60% and 80%.
      </span>
      <button type="button" className="ml-auto underline" onClick={() => setUnit(unit === "m" ? "ft" : "m")}>
        Tape in {unit === "m" ? "feet" : "metres"}
      </button>
      {chosenAt !== null && <Counted metres={chosenAt} own={paces(age)} who={names[shown]!} spread={spread} />}
    </div>
  </>
);

/** Draws the plan, with any extra layout on top. */
const PlanAndLayout = ({
  live,
  parts,
  scale,
  chosen,
  choose,
  yard,
  spreadOf,
  wrong,
  step,
  clear,
}: {
  live: Activity;
  parts: Part[];
  scale: PlanScale;
  chosen: string | null;
  choose: (id: string | null) => void;
  yard: Yard;
  spreadOf: Spread | null;
  wrong: string[];
  step: number;
  clear: { swing: number; away: number } | null;
}) => (
  <>
    <Plan
      space={live.space}
      parts={parts}
      scale={scale}
      chosen={chosen}
      choose={choose}
      focusOn={yard.focusOn}
      spread={spreadOf}
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
  </>
);
