import { useMemo } from "react";
import { heldLength } from "#core/compile/for-home.ts";
import { byPeg, flies, layoutOf, NO_CHANCE, personOf, rates, sendingIn, sentIn } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { paces } from "#core/measures/step.ts";
import { clashesOf } from "#core/yard/clashes.ts";
import { awayFrom, swingOf } from "#core/yard/clear.ts";
import { laidParts } from "#core/yard/layouts/laid.ts";
import { countedBackFrom } from "#core/yard/parts.ts";
import { USUAL_CEILING } from "#core/yard/space.ts";
import { itemName } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { RANKS, type Shown } from "./home-fits.ts";
import { planScale } from "./scale.ts";

/**
 * Everything that follows from an activity while it is dragged: the parts and their scale, the chances of the children, how the shown one misses,
 * and what clashes. `people`: youngest, middle and oldest of the class; `shown`: which of them, by its place.
 */
export function useYardFigures({
  live,
  people,
  shown,
  clearShown,
}: {
  live: Activity;
  people: readonly Shown[];
  shown: number;
  clearShown: boolean;
}) {
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
    () => (clearShown ? { swing: swingOf(action, age, held), away: awayFrom(action, age, held) } : null),
    [clearShown, action, age, held],
  );
  return {
    /** Chances that belong to no peg, and what each is about. */
    loose,
    parts,
    /** With what is laid out beside the game. */
    allParts,
    inAir,
    scale,
    rows,
    /** Pegs that nobody has a chance at, by name. */
    hopeless,
    sending,
    spreadOf,
    ceiling,
    clashes,
    /** What clashes, by id. */
    wrong,
    clear,
  };
}
