import { actionFacts } from "#core/aim/actions.ts";
import { layoutOf, pegRates } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { type Caution, sendItem, targetItem } from "#core/kit/items.ts";
import { countOut } from "#core/measures/count.ts";
import { paces } from "#core/measures/step.ts";
import type { Needs } from "#core/patterns/contract.ts";
import { patternOf } from "#core/patterns/registry.ts";
import type { Part } from "#core/yard/parts.ts";

/** One thing to put down, as this child counts it out. */
export interface Marker {
  id: string;
  kind: "target" | "line";
  item: string;
  label: string;
  unit: "step" | "shoe";
  count: number;
  /** As designed, and where the count really ends, metres. */
  metres: number;
  reached: number;
  /** Metres to the right of the middle, negative to the left. */
  across: number;
}

/** A revision made ready for one child's home. Kept as compiled. */
export interface Card {
  activity: Activity;
  /** The child's own step, metres, and whether the home measured it. */
  step: number;
  measured: boolean;
  leftHanded: boolean;
  parts: Part[];
  markers: Marker[];
  needs: Needs;
  cautions: Caution[];
  /** A grown-up must say yes before play. */
  grownUp: boolean;
}

/** Cautions that every game at home has. */
const ALWAYS: readonly Caution[] = ["clearSpace", "nothingBreakable", "dryFloor", "shoesOrBareFeet", "petsAndToddlers"];
const ASKS_GROWN_UP: readonly Caution[] = ["grownUpYes", "outdoorsOnly", "roads"];

/** Cautions gathered from the action, the things and the space, in a fixed order, each once. */
export function cautionsOf(a: Activity): Caution[] {
  const out = new Set<Caution>(ALWAYS);
  if (actionFacts[a.aim.action].travel === "air") out.add("ceiling");
  if (!a.space.indoors) out.add("roads");
  else out.add("doorShut");
  for (const c of sendItem(a.kit.send)!.cautions) if (!(c === "outdoorsOnly" && !a.space.indoors)) out.add(c);
  for (const p of layoutOf(a)) if (p.kind === "target") for (const c of targetItem(p.item)?.cautions ?? []) out.add(c);
  return [...out];
}

/** Compiles an activity for one child: distances in the child's own steps, cautions, parts. */
export function compileCard(a: Activity, child: { age: number; step: number | null; leftHanded: boolean }): Card {
  const own = paces(child.age, child.step ?? undefined);
  const pattern = patternOf(a.pattern.name);
  const parts = layoutOf(a);
  const rateAt = (id: string) => (metres: number) => {
    const moved = {
      ...a,
      pattern: { ...a.pattern, params: pattern.movePeg(a.pattern.params, id, metres) },
    } as Activity;
    return pegRates(moved, { age: child.age }).get(id) ?? 0;
  };
  const markers = pattern.pegs(a.pattern.params).map((peg): Marker => {
    const { unit, count, metres } = countOut(peg.distance, own, rateAt(peg.id));
    const target = parts.find((p) => p.kind === "target" && p.id === peg.id);
    return {
      id: peg.id,
      kind: peg.kind,
      item: target?.kind === "target" ? target.item : a.kit.marker,
      label: peg.label,
      unit,
      count,
      metres: peg.distance,
      reached: metres,
      across: target?.kind === "target" ? target.across : 0,
    };
  });
  const cautions = cautionsOf(a);
  return {
    activity: a,
    step: own.step,
    measured: child.step !== null,
    leftHanded: child.leftHanded,
    parts,
    markers,
    needs: pattern.needs(a.pattern.params),
    cautions,
    grownUp: cautions.some((c) => ASKS_GROWN_UP.includes(c)),
  };
}
