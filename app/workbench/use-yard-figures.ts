import { useMemo } from "react";
import { heldLength } from "#core/compile/for-home.ts";
import { byPeg, flies, layoutOf, NO_CHANCE, personOf, rates, sendingIn, sentIn } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { paces } from "#core/measures/step.ts";
import { clashesOf } from "#core/yard/clashes.ts";
import { awayFrom, swingOf } from "#core/yard/clear.ts";
import { laidParts } from "#core/yard/layouts/laid.ts";
import { boundsOf, countedBackFrom } from "#core/yard/parts.ts";
import { USUAL_CEILING } from "#core/yard/space-limits.ts";
import { itemName } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { RANKS, type Shown } from "./home-fits.ts";
import type { PlanView } from "./plan-place.tsx";
import { planScale, zoomsOf } from "./scale.ts";

/**
 * Computes everything that follows from an activity while it is dragged: parts and scale, chances, spread, and clashes. `people` are the
 * youngest, typical and oldest child of the class; `shown` is the index of the one on show.
 */
export function useYardFigures({
  live,
  people,
  shown,
  clearShown,
  view,
}: {
  live: Activity;
  people: readonly Shown[];
  shown: number;
  clearShown: boolean;
  view: Pick<PlanView, "room" | "zoom" | "fitted">;
}) {
  const { pegs, probes } = opened(live);
  const loose = useMemo(
    () =>
      probes.flatMap((probe, i) =>
        probe.peg === null ? [{ id: probe.id, about: tell("rates.round", { number: i + 1 }) }] : [],
      ),
    [probes],
  );
  // The extra layout does not affect the game, so dragging it must not recompute the chances.
  const { pattern: played, match, space, aim, kit, behind, ramp, off, wall } = live;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the parts of the activity that the game depends on
  const game = useMemo(() => ({ ...live, layout: null }), [played, match, space, aim, kit, behind, ramp, off, wall]);
  const parts = useMemo(() => layoutOf(game), [game]);
  const inAir = flies(game);
  const allParts = useMemo(() => (live.layout ? [...parts, ...laidParts(live.layout)] : parts), [parts, live.layout]);
  const { length, width } = space;
  const backFrom = countedBackFrom(parts);
  // How far the game goes to either side. It stays while something is dragged, so that the scale does too.
  const of = `${live.pattern.name} ${pegs.length} ${length} ${width} ${live.layout?.name} ${view.fitted}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: `of` says when to look again
  const reach = useMemo(() => Math.max(...boundsOf(allParts).across.map(Math.abs)), [of]);
  const { room, zoom } = view;
  const zooms = useMemo(() => zoomsOf({ length, width }, reach, room), [length, width, reach, room]);
  const k = zooms.get(zoom) ?? zooms.get(0)!;
  const scale = useMemo(() => planScale(length, width, backFrom, { room, k }), [length, width, backFrom, room, k]);
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
  // Pegs at which even the most able child shown has hardly any chance.
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
  // Keeps the same array while its content is the same, so that the plan does not redraw.
  const wrongIds = JSON.stringify(clashes.flatMap((clash) => clash.ids as readonly string[]));
  const wrong = useMemo(() => JSON.parse(wrongIds) as string[], [wrongIds]);
  const clear = useMemo(
    () => (clearShown ? { swing: swingOf(action, age, held), away: awayFrom(action, age, held) } : null),
    [clearShown, action, age, held],
  );
  return {
    /** Chances that belong to no peg, each with a label. */
    loose,
    parts,
    /** The parts of the game and of the extra layout. */
    allParts,
    inAir,
    scale,
    /** The steps of the zoom that there are. */
    zooms,
    rows,
    /** Names of the pegs that no child has a chance to hit. */
    hopeless,
    sending,
    spreadOf,
    ceiling,
    clashes,
    /** Ids of everything that clashes. */
    wrong,
    clear,
  };
}
