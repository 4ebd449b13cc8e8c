import { useEffect, useMemo, useState } from "react";
import { heldLength } from "#core/compile/for-home.ts";
import { byPeg, flies, layoutOf, NO_CHANCE, personOf, rates, sendingIn, sentIn } from "#core/forecast/for-activity.ts";
import { opened } from "#core/formats/opened.ts";
import { type Paces, paces } from "#core/measures/step.ts";
import { clashesOf } from "#core/yard/clashes.ts";
import { awayFrom, swingOf } from "#core/yard/clear.ts";
import { laidParts } from "#core/yard/layouts/laid.ts";
import { countedBackFrom } from "#core/yard/parts.ts";
import { USUAL_CEILING } from "#core/yard/space.ts";
import { itemName, sayList } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { keyOfPage } from "../ui/keys.tsx";
import { useAttemptWords } from "./attempt-words.ts";
import { ClashNotes } from "./clash-notes.tsx";
import { Counted } from "./counted.tsx";
import { type Draft, useLive } from "./draft.ts";
import { nudged } from "./edit.ts";
import { RANKS, type Shown } from "./home-fits.ts";
import { LaidLayer } from "./laid-layer.tsx";
import { Plan } from "./plan.tsx";
import { PlanBar } from "./plan-bar.tsx";
import { planScale } from "./scale.ts";
import { SideView } from "./side-view.tsx";
import { spreadAt, Tape } from "./tape.tsx";
import type { Yard } from "./use-yard.ts";

/** What `[` and `]` move the chosen peg by, metres. */
const EASIER = 0.1;
/** Corridor of success. */
const CORRIDOR = [0.6, 0.8] as const;

/** Plan, tape and what is said of them, move by move: the only part of the page that a drag draws again. */
export function LiveYard({
  draft,
  yard,
  people,
  names,
  paceOfAll,
  shown,
  show,
  id,
}: {
  draft: Draft;
  yard: Yard;
  /** Youngest, middle and oldest of the class, how each is called, and the paces of all. */
  people: readonly Shown[];
  names: readonly string[];
  paceOfAll: readonly Paces[];
  shown: number;
  show: (count: number) => void;
  /** The activity's id. */
  id: string;
}) {
  const attempt = useAttemptWords();
  const live = useLive(draft);
  const { change } = draft;
  const { chosen, choose } = yard;
  const [unit, setUnit] = useState<"m" | "ft">("m");
  const { pegs, probes } = opened(live);
  const loose = useMemo(
    () =>
      probes.flatMap((probe, i) =>
        probe.peg === null ? [{ id: probe.id, about: tell("rates.round", { number: i + 1 }) }] : [],
      ),
    [probes],
  );
  // What is laid out beside the game changes nothing of the game: dragging it works out no rates again.
  const { pattern: played, match, space, aim, kit, behind, ramp, off, wall } = live;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the parts of the activity that the game depends on
  const game = useMemo(() => ({ ...live, layout: null }), [played, match, space, aim, kit, behind, ramp, off, wall]);
  const parts = useMemo(() => layoutOf(game), [game]);
  const inAir = flies(game);
  const allParts = useMemo(() => (live.layout ? [...parts, ...laidParts(live.layout)] : parts), [parts, live.layout]);
  const { length, width } = space;
  const backFrom = countedBackFrom(parts);
  const scale = useMemo(() => planScale(length, width, backFrom), [length, width, backFrom]);
  const rows = useMemo(
    () =>
      people.map((person, i) => {
        const all = rates(game, person, parts);
        return {
          name: `${RANKS[i]}, ${person.age}`,
          rates: new Map([...all, ...byPeg(game, all)]),
          step: paces(person.age).step,
        };
      }),
    [people, game, parts],
  );
  // Where even the one who is best at it has no chance to speak of.
  const hopeless = pegs.flatMap((peg, i) =>
    rows.every((row) => (row.rates.get(peg.id) ?? 1) < NO_CHANCE)
      ? [peg.kind === "line" ? `line ${i + 1}` : peg.label || itemName(peg.item ?? "")]
      : [],
  );
  const { action } = live.aim;
  const sent = sentIn(game);
  const { age } = people[shown]!;
  const sending = useMemo(() => sendingIn(game, age), [game, age]);
  const spreadOf = useMemo(
    () => (sending ? personOf(game, people[shown]!).sends({}).spread : null),
    [game, people, shown, sending],
  );
  const held = heldLength(game);
  const ceiling = live.space.indoors ? USUAL_CEILING : null;
  const clashes = useMemo(
    () =>
      clashesOf(
        allParts,
        { length, width },
        {
          diameter: sent.width,
          inAir,
          swing: swingOf(action, age, held),
          away: awayFrom(action, age, held),
          ...(sending && { sends: sending }),
          ceiling,
        },
      ),
    [allParts, length, width, sent, inAir, action, age, held, sending, ceiling],
  );
  // The same list as long as it says the same, so that the plan is not drawn again for it.
  const wrongIds = JSON.stringify(clashes.flatMap((clash) => clash.ids as readonly string[]));
  const wrong = useMemo(() => JSON.parse(wrongIds) as string[], [wrongIds]);
  const clear = useMemo(
    () => (yard.clearShown ? { swing: swingOf(action, age, held), away: awayFrom(action, age, held) } : null),
    [yard.clearShown, action, age, held],
  );
  const step = paces(age).step;
  const chosenAt = pegs.find((peg) => peg.id === chosen)?.distance ?? null;
  const spread = useMemo(
    () => (chosenAt === null ? null : spreadAt(chosenAt, step, paceOfAll)),
    [chosenAt, step, paceOfAll],
  );
  const { undo, redo } = draft;
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const element = event.target as HTMLElement;
      if (element.matches("input, textarea, select") && !element.matches("[type=radio], [type=checkbox]")) return;
      if (event.metaKey) return;
      const { chosen: chosenId, group } = yard;
      const peg = opened(draft.ledger.live()).pegs.find((eachPeg) => eachPeg.id === chosenId);
      const first = allParts.find((allPart) => allPart.id === group[0]);
      // All that is chosen moves, wherever the focus is but on one of them: that one moves them itself.
      if (
        group.length > 1 &&
        first?.kind === "target" &&
        !element.closest("[data-mark], [data-peg], [data-frame], [role=radiogroup]")
      ) {
        const to = element.matches("[type=radio], [type=checkbox]") ? null : nudged(event, first);
        if (to) yard.place(first.id, to.along, to.across, "keys all");
        if (to) return;
      }
      if (event.ctrlKey && event.key === "z" && !event.shiftKey) undo();
      else if (event.ctrlKey && (event.key === "y" || event.key === "Z")) redo();
      else if (!keyOfPage(event)) return;
      else if (event.key === "u") undo();
      else if (event.key === "U") redo();
      else if (peg && (event.key === "[" || event.key === "]"))
        yard.move(peg.id, peg.distance + (event.key === "[" ? -EASIER : EASIER), "keys easier");
      else return;
      event.preventDefault();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [undo, redo, yard, draft, allParts]);
  return (
    <div className="relative min-w-0 min-[1101px]:overflow-y-auto">
      <PlanBar yard={yard} activity={draft.settled} who={people[shown]!.name} change={change} />
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
          {[...new Set(probes.map((probe) => probe.ask.aim.kind))]
            .map((kind) => tell(`rates.${kind}`, attempt))
            .join(" ")}{" "}
          Outlined: between 60% and 80%.
        </span>
        <button type="button" className="ml-auto underline" onClick={() => setUnit(unit === "m" ? "ft" : "m")}>
          Tape in {unit === "m" ? "feet" : "metres"}
        </button>
        <a className="underline" href={`/activities/${id}/plan.svg`} download>
          Download plan (SVG)
        </a>
        {chosenAt !== null && <Counted metres={chosenAt} own={paces(age)} who={names[shown]!} spread={spread} />}
      </div>
      {hopeless.length > 0 && (
        <p role="status" className="note problem">
          {tell("rates.nobody", { what: sayList(hopeless), from: people[0]!.age, to: people[people.length - 1]!.age })}
        </p>
      )}
      <ClashNotes clashes={clashes} parts={allParts} layout={live.layout?.name ?? null} />
      {inAir && sending && (
        <SideView parts={parts} scale={scale} sending={sending} ceiling={ceiling} chosen={chosen} who={names[shown]!} />
      )}
    </div>
  );
}
