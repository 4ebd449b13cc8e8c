import { actionFacts } from "../actions/actions.ts";
import { fromLine } from "../asks/ask.ts";
import type { Needs, Phrase, Role, UpAndDown } from "../contract/contract.ts";
import { type CardExercise, cautionOf, exerciseNamed, forCard } from "../exercises/library.ts";
import { layoutOf, pegRates } from "../forecast/for-activity.ts";
import { type Activity, actionsIn } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import type { Caution } from "../items/cautions.ts";
import type { Item } from "../items/item.ts";
import { cautionsOfItem } from "../kit/choose.ts";
import { extraObjects } from "../kit/extra-objects.ts";
import { BARE_HAND } from "../kit/implements.ts";
import { listOf } from "../kit/items.ts";
import { itemIn } from "../kit/known-items.ts";
import { type Counted, countOut, countPlain, type Unit } from "../measures/count.ts";
import { type Paces, paces } from "../measures/step.ts";
import { MODEL_VERSION } from "../model.ts";
import type { HomeSpace } from "../records/home.ts";
import { cellsOf, type Mark, marksOf } from "../yard/layouts/marks.ts";
import { countedBackFrom, type Part, partsOf } from "../yard/parts.ts";
import { USUAL_CEILING } from "../yard/space-limits.ts";
import { withinReach } from "./challenge.ts";
import { type ForHome, forHome, type HomeFacts, stockOf } from "./for-home.ts";
import { heldIn } from "./roles.ts";
import { togetherOf } from "./together.ts";

/** One thing to put down, as this child counts it out. */
export interface Marker {
  id: string;
  /** `mark`: belongs to what is laid out beside the game. */
  kind: "target" | "line" | "mark";
  what?: Mark["what"];
  /** On a wall: the height of its lower edge, metres. */
  up?: number;
  item: string;
  label: string;
  unit: Unit;
  /** 0: on the line itself. */
  count: number;
  /** Counted backwards from the line, away from the targets. */
  behind?: boolean;
  /** The distance planned for this home, and the distance at which the count really ends, metres. */
  metres: number;
  reached: number;
  /** Metres to the right of the middle, negative to the left. */
  across: number;
  /** How that is counted out. Left out if it stands in the middle. */
  aside?: { unit: Unit; count: number; metres: number };
}

export interface CardChild {
  age: number;
  step: number | null;
  leftHanded: boolean;
  /** Spread as a factor of a typical 8-year-old's, once the child is known better than by age. */
  multiplier?: number;
  /** Log-odds above or below those of the age, for skills without a spread, once known. */
  skill?: number;
  /** How the child plays differently from the others. The card says what to do, never why. */
  self?: Omit<Role, "role">;
  may?: readonly Phrase[];
  /**
   * After this many hits in a row the child is asked whether to make it harder, and after this many misses easier.
   * Never unless given.
   */
  ladder?: UpAndDown;
}
const whoIs = ({ age, multiplier, skill }: CardChild) => ({
  age,
  ...(multiplier !== undefined && { multiplier }),
  ...(skill !== undefined && { skill }),
});
/** The changes that a school has made to the list of items. */
export interface SchoolItems {
  own: Item[];
  hidden: string[];
}
/** Everything needed to make a card again for other items or another home, on the family's own device. */
export interface Making {
  designed: Activity;
  child: CardChild;
  homes: HomeFacts[];
  items: SchoolItems;
}

/** A revision made ready for one child's home. It is stored as compiled. */
export interface Card {
  /** The version of the model that its figures come from. Cards from earlier versions have none. */
  model?: number;
  /** The activity as it is played in this home. */
  activity: Activity;
  /** The child's own step, metres, and whether the home measured it. */
  step: number;
  measured: boolean;
  leftHanded: boolean;
  parts: Part[];
  markers: Marker[];
  /** How many squares a grid has along one side. */
  cells?: number;
  needs: Needs;
  /** Nothing is sent at anything: no target, place or square counts. */
  unaimed?: true;
  /** What setting up needs said beside the markers. Cards from earlier versions have none. */
  notes?: Phrase[];
  /** How the child plays differently from the others: from their own line, sitting, or with the other hand. */
  self?: Omit<Role, "role">;
  /** After this many hits in a row the game asks whether to make it harder, and after this many misses easier. */
  ladder?: UpAndDown;
  /**
   * What two or more players need to know: who stands where, and whose items are whose. Left out on a card for one,
   * or from earlier versions.
   */
  together?: Phrase[];
  cautions: Caution[];
  /** Short exercises before and after the game, with the amounts for the child's age. */
  warmUp?: CardExercise[];
  coolDown?: CardExercise[];
  /** A grown-up must say yes before play. */
  grownUp: boolean;
  /** What was chosen and changed for the home, and which home. Left out if no home is known. */
  home?: Omit<ForHome, "activity"> & {
    id: string;
    label: string;
    /** How to make those of its items that have to be made, by id. */
    made: Record<string, NonNullable<Item["made"]>>;
  };
  making?: Making;
}

/** Nearer to the middle than this counts as the middle, metres. */
const MIN_ASIDE = 0.05;

/** A sideways distance as a child counts it. */
function countAside(metres: number, own: Paces, counted: Counted): NonNullable<Marker["aside"]> {
  const { unit, count, metres: ends } = countPlain(metres, own, counted);
  return { unit, count, metres: ends };
}

/** What is laid out beside the game, mark by mark as a child counts it out. */
function marksToCount(activity: Activity, parts: readonly Part[], own: Paces, counted: Counted): Marker[] {
  const spots = (opened(activity).spots ?? []).map((spot): Mark => ({ ...spot, what: "spot", item: null }));
  const marks = [...spots, ...(activity.layout ? marksOf(activity.layout) : [])];
  if (marks.length === 0) return [];
  // If the throwing line moves, everything is counted back from the target.
  const from = countedBackFrom(parts);
  return marks.map((mark): Marker => {
    const reach = from === null ? mark.along : from - mark.along;
    const away = Math.abs(reach);
    const on = away < MIN_ASIDE;
    const ahead = countPlain(away, own, counted);
    const aside = Math.abs(mark.across) >= MIN_ASIDE ? countAside(Math.abs(mark.across), own, counted) : undefined;
    return {
      ...(aside && { aside }),
      ...(reach < 0 && !on && { behind: true }),
      id: mark.id,
      kind: "mark",
      what: mark.what,
      ...(mark.up !== undefined && { up: mark.up }),
      item: mark.item ?? activity.kit.marker,
      label: mark.label,
      unit: ahead.unit,
      count: on ? 0 : ahead.count,
      metres: reach,
      reached: on ? 0 : ahead.metres,
      across: mark.across,
    };
  });
}

/** The cautions of every game at home. */
const ALWAYS: readonly Caution[] = [
  "clearSpace",
  "nothingBreakable",
  "behind",
  "dryFloor",
  "shoesOrBareFeet",
  "petsAndToddlers",
];
const ASKS_GROWN_UP: readonly Caution[] = ["grownUpYes", "outdoorsOnly", "roads", "cutting"];

/** Gathers the cautions of the action, the items and the space, each once and in a fixed order. */
export function cautionsOf(activity: Activity, also: readonly string[] = []): Caution[] {
  const out = new Set<Caution>(ALWAYS);
  if (actionsIn(activity).some((action) => actionFacts[action].travel === "air")) out.add("ceiling");
  // The foot of a ramp and what it leads to are steadied, and a grown-up checks that it stands.
  if (activity.ramp) for (const text of ["steady", "grownUpYes"] as const) out.add(text);
  // A grown-up has to allow throwing onto a table.
  if (activity.off === "table") for (const text of ["steady", "grownUpYes"] as const) out.add(text);
  if (!activity.space.indoors) out.add("roads");
  else out.add("doorShut");
  const targets = layoutOf(activity).flatMap((part) => (part.kind === "target" ? [part.item] : []));
  const use = heldIn(activity);
  const heldItem = use && (activity.kit.implement ?? use.usual);
  // Anything long or swung is kept low and away from others.
  if (use && heldItem !== BARE_HAND && (use.how === "swing" || use.how === "push")) out.add("keepLow");
  for (const id of [
    activity.kit.send,
    ...(heldItem ? [heldItem] : []),
    ...extraObjects(activity),
    ...targets,
    ...also,
  ]) {
    const item = itemIn(activity.kit, id);
    if (!item) continue;
    for (const text of cautionsOfItem(item, activity.space.indoors)) out.add(text);
  }
  return [...out];
}

/** The cautions of the home's own space: a slope that things roll down, wind that light things drift in. */
function spaceCautions(activity: Activity, space: HomeSpace | null): Caution[] {
  const { travel } = actionFacts[activity.aim.action];
  const out: Caution[] = [];
  if (space?.slope && space.slope !== "level" && travel !== "air") out.push("slope");
  if (space?.wind && space.wind !== "still" && travel === "air") out.push("wind");
  return out;
}

/** Returns the notes beside the set-up steps: the bat, the ramp, what to touch first, the game's own notes, and how often to play. */
function notesOf(activity: Activity, setUp: readonly Phrase[]): Phrase[] {
  const ramp = activity.ramp && {
    key: `ramp.setUp.${activity.ramp.stand}`,
    params: { cm: Math.round(activity.ramp.height * 100) },
  };
  const cm = (metres: number) => Math.round(metres * 100);
  const field: Phrase[] = activity.setOut
    ? [
        { key: "setOut.card", params: { near: cm(activity.setOut.near), far: cm(activity.setOut.far) } },
        { key: "setOut.wide", params: { wide: cm(activity.setOut.width) } },
      ]
    : [];
  const use = heldIn(activity);
  const heldItem = activity.kit.implement ?? use?.usual;
  const held: Phrase[] =
    use && heldItem
      ? [
          {
            key: `implement.${heldItem === BARE_HAND ? "hand" : use.how}${use.how === "swing" && heldItem !== BARE_HAND ? use.hands : ""}`,
            params: { item: heldItem },
          },
        ]
      : [];
  const between: Phrase[] = activity.between
    ? [
        {
          key: "between.card",
          params: { every: activity.between.every, dose: activity.between.dose, exercise: activity.between.exercise },
        },
      ]
    : [];
  return [
    ...held,
    ...(ramp ? [ramp] : []),
    ...(activity.off ? [{ key: `off.${activity.off}` }] : []),
    ...field,
    ...setUp,
    ...between,
    ...((activity.rounds ?? 1) > 1 ? [{ key: "plan.rounds", params: { rounds: activity.rounds } }] : []),
    ...(activity.week ? [{ key: "plan.days", params: { days: activity.week.days } }] : []),
  ];
}

/** Returns the marker for each peg, with its distance ahead and to the side in the child's own steps. */
function markersOf(activity: Activity, child: CardChild, own: Paces): Marker[] {
  const game = opened(activity);
  const parts = layoutOf(activity);
  const counted = activity.counted ?? "steps";
  const rateAt = (id: string) => (along: number) =>
    pegRates(game.move(id, { along }), whoIs(child), undefined, id).get(id) ?? 0;
  return game.pegs
    .filter((peg) => !peg.drawn)
    .map((peg): Marker => {
      const { unit, count, metres } = countOut(peg.distance, own, rateAt(peg.id), counted);
      const targets = partsOf(parts, "target").filter(
        (eachTarget) => eachTarget.id === peg.id || eachTarget.group === peg.id,
      );
      const [target] = targets;
      // If there are several of a kind, the middle of them.
      const across = targets.length > 0 ? targets.reduce((sum, aim) => sum + aim.across, 0) / targets.length : 0;
      const aside = Math.abs(across) >= MIN_ASIDE ? countAside(Math.abs(across), own, counted) : undefined;
      return {
        ...(aside && { aside }),
        id: peg.id,
        kind: peg.kind,
        ...(target?.base !== undefined && { up: target.base }),
        item: target?.item ?? activity.kit.marker,
        label: peg.label,
        unit,
        count,
        metres: peg.distance,
        reached: metres,
        across,
      };
    });
}

/** Compiles an activity for one child as designed: distances in the child's own steps, cautions, parts. */
export function compileCard(activity: Activity, child: CardChild, also: readonly string[] = []): Card {
  const own = paces(child.age, child.step ?? undefined);
  const game = opened(activity);
  const parts = layoutOf(activity);
  const counted = activity.counted ?? "steps";
  const cells = activity.layout ? cellsOf(activity.layout) : null;
  const markers = markersOf(activity, child, own);
  const [before, after] = [activity.warmUp ?? [], activity.coolDown ?? []].map((ids) =>
    forCard(ids, child.age, activity.exercises),
  );
  const extra = activity.between && exerciseNamed(activity.between.exercise, activity.exercises);
  const caution = extra && cautionOf(extra);
  const cautions = [
    ...new Set([...cautionsOf(activity, also), ...before!.cautions, ...after!.cautions, ...(caution ? [caution] : [])]),
  ];
  const notes = notesOf(activity, game.setUp);
  const together = togetherOf(activity, null);
  return {
    model: MODEL_VERSION,
    activity: activity,
    step: own.step,
    measured: child.step !== null,
    leftHanded: child.leftHanded,
    parts,
    markers: [...markers, ...marksToCount(activity, parts, own, counted)],
    ...(cells !== null && { cells }),
    needs: game.needs,
    // If nothing is sent at an item or a place, there is no need to say what counts.
    ...(!game.probes.some((probe) => fromLine(probe.ask)) && { unaimed: true as const }),
    ...(before!.list.length > 0 && { warmUp: before!.list }),
    ...(after!.list.length > 0 && { coolDown: after!.list }),
    ...(notes.length > 0 && { notes }),
    ...(together.length > 0 && { together }),
    cautions,
    grownUp: cautions.some((caution) => ASKS_GROWN_UP.includes(caution)),
  };
}

/**
 * Compiles an activity for one child in one home: items are chosen from what is there, and the line moves so that the
 * challenge stays the same. `homes`: all homes of the child; the first unless `at` names another. `fixed`: roles that
 * the family has decided.
 */
export function compileFor(making: Making, at?: string, fixed?: Readonly<Record<string, string>>): Card {
  const { self, may, ladder } = making.child;
  const card = compiledFor(making, at, fixed);
  const own = [...(self ? selfNotes(self) : []), ...(may ?? [])];
  return {
    ...card,
    ...(self && { self, ...asPlayed(card, self) }),
    ...(ladder && { ladder }),
    ...(own.length > 0 && { notes: [...own, ...(card.notes ?? [])] }),
  };
}

/** What a card says about how this child plays. Never why. */
function selfNotes(self: Omit<Role, "role">): Phrase[] {
  const cm = Math.round(100 * Math.abs(self.nearer ?? 0));
  return [
    ...(self.posture ? [{ key: `self.${self.posture}` }] : []),
    ...(self.otherHand ? [{ key: "self.otherHand" }] : []),
    ...(cm > 0 ? [{ key: self.nearer! > 0 ? "self.nearer" : "self.farther", params: { cm } }] : []),
    ...(self.wider && self.wider !== 1
      ? [{ key: "self.wider", params: { percent: Math.round(100 * (self.wider - 1)) } }]
      : []),
  ];
}
/** Cues about feet, legs or standing mean nothing to a child who sits or kneels. */
const OF_THE_LEGS =
  /\b(foot|feet|step|steps|stand|standing|stance|side-on|knees?|toes|leg|legs|walk|run|crouch|jump)\b/i;
/**
 * The card for somebody who sits, kneels or uses the other hand, with cues, things to watch for and cautions to
 * match.
 */
function asPlayed(card: Card, self: Omit<Role, "role">): Partial<Card> {
  const low = self.posture === "sitting" || self.posture === "kneeling";
  const activity = card.activity;
  const cues = low ? activity.cues.filter((cue) => !OF_THE_LEGS.test(cue.text)) : activity.cues;
  const watch = low ? (activity.watch ?? []).filter((word) => !OF_THE_LEGS.test(word)) : activity.watch;
  const also: Caution[] = self.posture === "kneeling" ? ["softKnees"] : self.posture === "sitting" ? ["steady"] : [];
  return {
    ...(low && { activity: { ...activity, cues, ...(watch && { watch }) } }),
    // Left and right in a cue belong to the hand.
    ...(self.otherHand && { leftHanded: !card.leftHanded }),
    cautions: [...new Set([...card.cautions, ...also])],
  };
}
function compiledFor(making: Making, at?: string, fixed?: Readonly<Record<string, string>>): Card {
  const { designed, child, homes, items } = making;
  const home = homes.find((eachHome) => eachHome.id === at) ?? homes[0];
  // Nobody said where it is played, so it stays as designed, but no farther than this child can be asked.
  if (!home) {
    const ceiling = designed.space.indoors ? USUAL_CEILING : null;
    return compileCard(withinReach(designed, whoIs(child), ceiling), child);
  }
  const { activity, ...rest } = forHome(designed, whoIs(child), home, listOf(items.own, items.hidden), fixed);
  const card = compileCard(
    activity,
    child,
    rest.picks.map((pick) => pick.item),
  );
  const made: Record<string, NonNullable<Item["made"]>> = {};
  for (const pick of rest.picks) {
    const how = pick.minutes > 0 ? itemIn(activity.kit, pick.item)?.made : null;
    if (how) made[pick.item] = how;
  }
  const where = spaceCautions(activity, home.space);
  const cutting = Object.values(made).some((m) => m.steps.some((step) => step.grownUp));
  const cautions: Caution[] = [...new Set([...card.cautions, ...where, ...(cutting ? (["cutting"] as const) : [])])];
  const together = togetherOf(activity, rest);
  return {
    ...card,
    ...(together.length > 0 && { together }),
    cautions,
    grownUp: card.grownUp || cutting,
    home: { id: home.id, label: home.label, made, ...rest },
    making,
  };
}

/** The part of a school's list that a card must carry: what its homes have, and nothing else. */
export function itemsForCard(items: SchoolItems, homes: readonly HomeFacts[]): SchoolItems {
  const all = listOf(items.own);
  const there = new Set(homes.flatMap((home) => Object.keys(stockOf(home, all))));
  return { own: items.own.filter((item) => there.has(item.id) || item.made || item.always), hidden: items.hidden };
}
