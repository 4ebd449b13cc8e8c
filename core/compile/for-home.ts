import { type Action, actionFacts } from "../actions/actions.ts";
import type { Phrase } from "../contract/contract.ts";
import {
  flies,
  goesOn,
  KEPT_CLEAR,
  layoutOf,
  personOf,
  rates,
  runOnIn,
  sendingIn,
  USUAL_AGE,
  type Who,
} from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import type { Choosing, Chosen, Pick } from "../kit/choosing.ts";
import { EXTRA_OBJECTS, extraObjectIndex, extraObjects } from "../kit/extra-objects.ts";
import { faceOf } from "../kit/face.ts";
import { lengthOf } from "../kit/implements.ts";
import { itemIn } from "../kit/known-items.ts";
import { PLAINER, ROOM_FOR, type Sense } from "../kit/sense.ts";
import { defaultStock, type Stock } from "../kit/stock.ts";
import type { Age } from "../measures/stature.ts";
import { runDownhill, type Slope } from "../physics/floor.ts";
import { ceilingOf, groundOf, type HomeAnswers, type HomeSpace } from "../records/home.ts";
import { sweeps, swingOf } from "../yard/clear.ts";
import { type Fit, findPlace, fitLayout, HEADROOM, highestOf, lacksWall, type Sent } from "../yard/fit.ts";
import { footprintOf, STAND, widthAt } from "../yard/footprint.ts";
import { diameterOf } from "../yard/geometry.ts";
import { scaledLaid } from "../yard/layouts/laid.ts";
import { type Part, type Place, partsOf, reachOfLayout } from "../yard/parts.ts";
import { type Placement, pointIn } from "../yard/placement.ts";
import { USUAL_CEILING } from "../yard/space-limits.ts";
import { inEachOther } from "./apart.ts";
import {
  asked,
  distancesOf,
  HELD_WITHIN,
  type Held,
  holdChallenge,
  scaled,
  standing,
  wantedRates,
} from "./challenge.ts";
import { type Picked, pickItems } from "./pick-items.ts";
import { heldIn, rolesOf, targetOf, targetRole, twoSets } from "./roles.ts";

/** What compiling needs to know of a home. */
export type HomeFacts = HomeAnswers & { id: string; label: string };
/** How many play in a home that did not say. */
export const DEFAULT_PLAYERS = 2;

/** `noKit`: the home has nothing to send, so it plays with something that needs no kit. */
export type Status = "designed" | "adapted" | "noKit";

/** An activity made ready for one person, with one home's items and floor. */
export interface ForHome {
  activity: Activity;
  status: Status;
  picks: Pick[];
  /** What could not be met as asked, and why. What replaces it is in `picks` all the same. */
  unmet: Chosen["unmet"];
  /** Two sides: a set for each, or one set that they share in turns. Null if it does not matter. */
  sets: "two" | "one" | null;
  /** What was changed and why. Items in parameters are ids. */
  changes: Phrase[];
  held: Held[];
  /** Nobody said what the home has, so the usual items were assumed. */
  guessed: boolean;
  proved: boolean;
  /** Nothing in the home moves far enough to be sent in this way. */
  idle: boolean;
  /** Both sets are of this kind, so one of them gets a mark. */
  marked: string | null;
  /** Where it lies in the home's space. Null if nobody described one. */
  place: Fitted | null;
}

export const stockOf = (home: HomeFacts, items: readonly Item[]): Stock => home.kit ?? defaultStock(items);

/** The choice that has to be made among a home's items. */
export function choosingFor(
  activity: Activity,
  home: HomeFacts,
  items: readonly Item[],
  {
    fixed,
    needs = rolesOf(activity, home.players ?? DEFAULT_PLAYERS),
  }: {
    fixed?: Readonly<Record<string, string>>;
    needs?: ReturnType<typeof rolesOf>;
  } = {},
): Choosing {
  const { roles, couplings } = needs;
  return {
    roles,
    couplings,
    items,
    stock: stockOf(home, items),
    floor: home.space?.floor ?? activity.space.floor,
    indoors: home.space?.indoors ?? activity.space.indoors,
    quiet: home.quiet,
    noBallsIndoors: home.noBallsIndoors,
    fixed,
  };
}

/** Where and how an activity lies in a home's space. */
export type Fitted = Omit<Fit, "parts">;

/** The length of the item that is held in an activity, metres. Undefined if unknown. */
export function heldLength(activity: Activity): number | undefined {
  const held = heldIn(activity);
  const is = held && itemIn(activity.kit, activity.kit.implement ?? held.usual);
  return is ? lengthOf(is) : undefined;
}

/** What an activity sends, as the fitting sees it. */
export function sentOf(activity: Activity, age: Age = USUAL_AGE, slope: Slope = "level"): Sent {
  const item = itemIn(activity.kit, activity.kit.send)!;
  const move = actionFacts[activity.aim.action].travel;
  const sending = sendingIn(activity, age);
  const { parts } = opened(activity);
  const downhill = (metres: number) =>
    move === "air" || !sending ? metres : runDownhill(metres, sending.slows, slope);
  return {
    diameter: item.width,
    runOn: goesOn(activity) ? Math.min(KEPT_CLEAR, downhill(runOnIn(activity, parts, personOf(activity, { age })))) : 0,
    inAir: flies(activity),
    ...(sending && { sending }),
    ...(sweeps(activity.aim.action) && { swing: swingOf(activity.aim.action, age, heldLength(activity)) }),
  };
}

/**
 * Fits the layout of an activity into a home's space, as it is or shortened as little as possible. It first keeps the
 * challenge the same, and if that does not do, accepts whatever challenge is left. Targets become narrower to stay as
 * hard; lines across the floor take what comes.
 */
function fitInSpace(activity: Activity, now: Activity, who: Who, space: HomeSpace): Fit {
  const [parts, ground, sent] = [layoutOf(now), groundOf(space), sentOf(now, who.age, space.slope)];
  const wanted = wantedRates(activity, who);
  // Narrow and far targets are dropped first.
  const off = (list: readonly Part[], k: number, enough = 1) => {
    const together = opened(now).pattern.ground.moves === "together";
    const at = together ? scaled(now, k) : now;
    const is = together ? layoutOf(at) : list;
    let worst = 0;
    for (const { id, peg } of [...opened(at).probes].reverse()) {
      if (!wanted.has(id)) continue;
      worst = Math.max(worst, Math.abs((rates(at, who, is, peg ?? id).get(id) ?? 0) - wanted.get(id)!));
      if (worst > enough) break;
    }
    return worst;
  };
  return fitLayout(parts, ground, { sent, offBy: off, anyway: true });
}
/** Where an activity lies in a space just as it is, under its ceiling. Null if it does not. */
function lies(activity: Activity, space: HomeSpace, who: Who): Placement | null {
  const [parts, sent, ground] = [layoutOf(activity), sentOf(activity, who.age, space.slope), groundOf(space)];
  const high = sent.inAir && ground.ceiling !== null && highestOf(parts, sent.sending!) + HEADROOM > ground.ceiling;
  return high ? null : findPlace(footprintOf(parts, sent), ground);
}

const placeOf = ({ parts: _, ...rest }: Fit): Fitted => rest;
/** How often it is shortened until it fits, and by how much each time. */
const MAX_ROUNDS = 12;
const STILL_SHORTER = 0.94;

/**
 * Makes an activity ready for a home. It chooses items, puts them in place of the designed ones, lays the activity
 * out in the home's space, and moves the pegs so that the challenge for this person stays as the teacher designed it.
 * In a shorter space distances shrink and narrower items are chosen. If something cannot be met, limits are dropped
 * one by one (`LET_GO`), and `unmet` keeps saying what was missing. If the skill itself makes no sense there
 * (sense.ts), another skill that the teacher allows is taken, or a plainer one with an object that needs no kit.
 * `fixed`: roles that the family has decided.
 */
export function forHome(
  activity: Activity,
  who: Who,
  home: HomeFacts,
  items: readonly Item[],
  fixed?: Readonly<Record<string, string>>,
): ForHome {
  const own = activity.aim.action;
  let why: Sense | "ceiling" | null = null;
  let first: ForHome | null = null;
  for (const action of [own, ...(activity.aim.also ?? [])]) {
    const no = noRoomFor(action, activity, home);
    const here = no ? null : inHome(activity, action, { who, home, items, fixed });
    const trouble = no
      ? ("noRoom" as const)
      : here!.idle
        ? ("pointless" as const)
        : here!.unmet.some((unmet) => unmet.role === "implement")
          ? ("notForThis" as const)
          : lowFor(here!)
            ? ("ceiling" as const)
            : // Nobody is asked to swing where the swing's circle does not fit, in length or in width.
              sweeps(action) && here!.place?.status === "none"
              ? ("noRoom" as const)
              : null;
    if (trouble === null) return action === own ? here! : otherwise(here!, action, own, why!);
    why ??= trouble;
    first ??= here;
  }
  const plain = PLAINER[own];
  const unheld = { ...activity, kit: { ...activity.kit, implement: null } };
  const bare = inHome(unheld, plain, { who, home, items, fixed: { ...fixed, send: NO_KIT }, only: [NO_KIT] });
  // The ceiling is so low that this is the most that can be done.
  if (lowFor(bare) && first) return first;
  return { ...otherwise(bare, plain, own, why!), status: "noKit" };
}

/** What is sent if nothing else makes sense. Every home has one, it is soft, and it rolls, slides and flies. */
const NO_KIT = "shirtRoll";
/** True if a home has no room for a big swing: it is shorter than the swing needs, and than was planned for. */
function noRoomFor(action: Action, activity: Activity, home: HomeFacts): boolean {
  const needs = ROOM_FOR[action] ?? 0;
  if (!home.space) return false;
  const longest = diameterOf(groundOf(home.space).corners);
  return longest < needs && longest < Math.hypot(activity.space.length, activity.space.width);
}
const lowFor = (givenForHome: ForHome) =>
  givenForHome.place?.status === "none" && givenForHome.place.trouble === "ceiling";
/** The same, preceded by what is done instead and why. */
function otherwise(givenForHome: ForHome, action: Action, was: Action, why: Sense | "ceiling"): ForHome {
  if (action === was) return givenForHome;
  const change = { key: "change.action", params: { action, was, why } };
  return {
    ...givenForHome,
    status: givenForHome.status === "designed" ? "adapted" : givenForHome.status,
    changes: [change, ...givenForHome.changes],
  };
}

/** Who plays in which home, and with what. */
interface Household {
  who: Who;
  home: HomeFacts;
  items: readonly Item[];
  /** Items that are decided already, by role. */
  fixed?: Readonly<Record<string, string>> | undefined;
  /** The only objects that may be sent. Any unless given. */
  only?: readonly string[] | undefined;
}

/** Makes an activity ready for a home, with one action. */
function inHome(activity: Activity, action: Action, { who, home, items, fixed, only }: Household): ForHome {
  const as: Activity = action === activity.aim.action ? activity : { ...activity, aim: { ...activity.aim, action } };
  const first = onFloor(activity, as, { who, home, items, fixed, only });
  const { space } = home;
  if (!space?.floors?.length || !first.place?.placement) return first;
  // If most of the way has another floor, it is made ready for that floor instead.
  const floor = floorUnder(layoutOf(first.activity), first.place.placement, space);
  if (floor === space.floor) return first;
  return onFloor(activity, as, { who, home: { ...home, space: { ...space, floor } }, items, fixed, only });
}

/** How many places on each way are checked for their floor. */
const LOOKS = 12;
/** The floor under most of the way to the targets or, if there are none, under the middle line. */
export function floorUnder(parts: readonly Part[], at: Placement, space: HomeSpace): Floor {
  const ends: Place[] = partsOf(parts, "target");
  const to = ends.length > 0 ? ends : [{ along: reachOfLayout(parts), across: 0 }];
  const seen = new Map<Floor, number>();
  for (const end of to)
    for (let i = 0; i <= LOOKS; i++) {
      const point = pointIn({ along: (end.along * i) / LOOKS, across: (end.across * i) / LOOKS }, at);
      const on = space.floors?.find(
        (eachFloor) =>
          point.x >= eachFloor.x &&
          point.x <= eachFloor.x + eachFloor.width &&
          point.y >= eachFloor.y &&
          point.y <= eachFloor.y + eachFloor.depth,
      );
      const floor = on?.floor ?? space.floor;
      seen.set(floor, (seen.get(floor) ?? 0) + 1);
    }
  return [...seen].reduce((x, y) => (y[1] > x[1] ? y : x))[0];
}

/**
 * The same on the floor that the space is said to have. `givenActivity` is what was designed, `as` how it is done
 * here.
 */
function onFloor(givenActivity: Activity, as: Activity, { who, home, items, fixed, only }: Household): ForHome {
  const needs = rolesOf(as, home.players ?? DEFAULT_PLAYERS, who.age);
  const list = only ? items.filter((item) => !item.uses.includes("send") || only.includes(item.id)) : items;
  const choosing = choosingFor(as, home, list, { fixed, needs });
  let picked = pickItems(choosing);
  const { space } = home;
  const ceiling = space ? ceilingOf(space) : givenActivity.space.indoors ? USUAL_CEILING : null;
  const reaches = space ? diameterOf(groundOf(space).corners) - STAND.depth : givenActivity.space.length;
  /** Puts the chosen items in place of the designed ones, within this child's reach and clear of each other. */
  const stand = () => {
    const stood = standIn(as, picked, home, items);
    return { ...stood, activity: standing(stood.activity, who, { longest: reaches, ceiling }) };
  };
  let { activity: stood, swapped, without } = stand();
  let fit = space && fitInSpace(givenActivity, stood, who, space);
  const scale = fit?.scale ?? 1;
  if (scale < 1) {
    // A shorter layout is as hard with narrower items, so those are looked for first.
    const { diameter } = sentOf(stood);
    const widths = new Map(
      partsOf(layoutOf(as), "target").map((target) => [
        targetRole(target.id),
        widthAt(scale, target.width, target.rule, diameter),
      ]),
    );
    const roles = choosing.roles.map((role) => {
      const width = widths.get(role.id);
      return role.as && width !== undefined ? { ...role, as: { ...role.as, width } } : role;
    });
    picked = pickItems({ ...choosing, roles });
    ({ activity: stood, swapped, without } = stand());
    stood = standing(shorter(stood, scale), who, { longest: reaches * scale, ceiling });
  }
  const bounds = { longest: scale < 1 ? Math.max(...distancesOf(stood)) : reaches, ceiling };
  let { activity, held } = holdChallenge(givenActivity, stood, who, bounds);
  if (space && fit && fit.status !== "none") {
    // Keeping the challenge may have pushed it out of the space, and other items may be wider. Then it becomes a
    // little shorter still.
    let placement = lies(activity, space, who);
    if (!placement) {
      placement = lies(stood, space, who);
      if (placement) activity = stood;
    }
    for (let n = 0; n < MAX_ROUNDS && !placement; n++) {
      activity = standing(shorter(activity, STILL_SHORTER), who, { longest: reaches, ceiling });
      placement = lies(activity, space, who);
    }
    // With this home's items it fits nowhere, however short. The card says so and makes up no place.
    if (!placement) fit = { ...fit, status: "none", trouble: fit.trouble ?? "outside", proved: false, scale };
    const hangs =
      placement !== null && lacksWall(footprintOf(layoutOf(activity), sentOf(activity)), groundOf(space), placement);
    fit = { ...fit, placement, noWall: hangs };
    held = heldAs(givenActivity, activity, held, who);
  }
  // What has room nowhere beside the rest is left out, if the game goes on without it.
  for (let pairs = inEachOther(layoutOf(activity)); pairs.length > 0; pairs = inEachOther(layoutOf(activity))) {
    const ids = pairs.flat();
    const far = [...opened(activity).pegs].sort((x, y) => y.distance - x.distance).find((peg) => ids.includes(peg.id));
    const less = far && opened(activity).remove(far.id);
    if (!less) break;
    activity = less;
    held = heldAs(givenActivity, activity, held, who).filter((eachHeld) => eachHeld.peg !== far.id);
    without++;
  }
  const off = held.reduce(
    (worst, h) => (Math.abs(h.after - h.wanted) > Math.abs(worst) ? h.after - h.wanted : worst),
    0,
  );
  const isHeld = Math.abs(off) <= HELD_WITHIN;
  if (fit) fit = { ...fit, held: isHeld, off: Math.abs(off) };
  const changes: Phrase[] = [];
  for (const eachSwapped of swapped)
    changes.push({
      key: eachSwapped.made ? "change.make" : "change.item",
      params: { item: eachSwapped.item, as: eachSwapped.as, name: eachSwapped.name },
    });
  for (const unmet of picked.unmet)
    if (!unmet.optional)
      changes.push({ key: unmet.why.key, params: { ...unmet.why.params, item: String(unmet.why.params.as) } });
  if (stood.space.floor !== givenActivity.space.floor)
    changes.push({ key: "change.floor", params: { floor: stood.space.floor, was: givenActivity.space.floor } });
  for (const property of picked.letGo) changes.push({ key: "change.limit", params: { property } });
  for (const role of picked.touched) {
    const target = partsOf(layoutOf(stood), "target").find((eachTarget) => eachTarget.id === targetOf(role));
    if (target) changes.push({ key: "change.touch", params: { item: target.item } });
  }
  if (picked.fewer !== null) changes.push({ key: "change.fewer", params: { count: picked.fewer } });
  if (without > 0) changes.push({ key: "change.without", params: { count: without } });
  const brought = (key: string, limits: ReadonlyMap<string, number>): boolean => {
    const beyond = opened(givenActivity).pegs.filter(
      (peg) => peg.distance > (limits.get(peg.id) ?? Number.POSITIVE_INFINITY) + 0.05,
    );
    if (beyond.length > 0)
      changes.push({ key, params: { metres: round(Math.min(...beyond.map((peg) => limits.get(peg.id)!))) } });
    return beyond.length > 0;
  };
  brought("change.reach", asked(stood, who)) || brought("change.under", asked(stood, who, ceiling));
  if (fit?.status === "none")
    changes.push({
      key: fit.trouble === "ceiling" ? "change.ceiling" : fit.proved ? "change.tooShort" : "change.noPlace",
      params: { metres: round(fit.shortest), longest: round(fit.longest) },
    });
  else if (scale < 0.995) changes.push({ key: "change.shorter", params: { percent: Math.round(100 * (1 - scale)) } });
  const moved = held.filter((eachHeld) => Math.abs(eachHeld.to - eachHeld.from) >= 0.05);
  if (moved.length > 0 && scale === 1) {
    const nearer = moved.filter((eachHeld) => eachHeld.to < eachHeld.from).length;
    changes.push({
      key: nearer === moved.length ? "change.nearer" : nearer === 0 ? "change.farther" : "change.moved",
      params: {
        count: moved.length,
        metres: round(moved.reduce((sum, h) => sum + Math.abs(h.to - h.from), 0) / moved.length),
      },
    });
  }
  if (fit?.backstop) changes.push({ key: "change.backstop" });
  if (fit?.noWall) changes.push({ key: "change.noWall" });
  if (!isHeld)
    changes.push({
      key: off > 0 ? "change.easier" : "change.harder",
      params: { points: Math.round(Math.abs(off) * 100) },
    });
  const needTwo = twoSets(givenActivity, home.players ?? DEFAULT_PLAYERS);
  const sets = needTwo ? (picked.picks.some((pick) => pick.role === "send2") ? "two" : "one") : null;
  if (sets === "one") changes.push({ key: "change.turns" });
  return {
    activity,
    status: picked.missing.includes("send")
      ? "noKit"
      : changes.some((change) => !AS_DESIGNED.includes(change.key))
        ? "adapted"
        : "designed",
    picks: picked.picks,
    unmet: picked.unmet,
    sets,
    changes,
    held,
    guessed: home.kit === null,
    proved: picked.proved,
    idle: picked.idle,
    marked: sets === "two" ? markedSet(picked.picks, items) : null,
    place: fit && placeOf(fit),
  };
}

/** If a home has two sets of a kind that comes in one form only, one of them gets a mark. Returns that kind. */
function markedSet(picks: readonly Pick[], items: readonly Item[]): string | null {
  const [one, two] = ["send", "send2"].map((role) => picks.find((pick) => pick.role === role)?.item);
  if (one === undefined || one !== two) return null;
  return items.find((item) => item.id === one)?.kinds ? null : one;
}
/** An activity at `k` times its distances, and narrowed as much. */
function shorter(activity: Activity, k: number): Activity {
  const at = scaled(activity, k);
  const { setOut: f } = at;
  const field = f && { ...f, near: Math.max(0.3, round(f.near * k)), far: round(f.far * k), width: round(f.width * k) };
  return { ...opened(at).squeeze(k), layout: at.layout && scaledLaid(at.layout, k), setOut: field ?? null };
}
/** The challenges that were kept, as they came out in the end. */
function heldAs(activity: Activity, now: Activity, held: readonly Held[], who: Who): Held[] {
  const is = rates(now, who);
  const at = (of: Activity) => new Map(opened(of).pegs.map((peg) => [peg.id, peg.distance]));
  const [to, from] = [at(now), at(activity)];
  return held.map((eachHeld) => ({
    ...eachHeld,
    from: from.get(eachHeld.peg ?? "") ?? eachHeld.from,
    to: to.get(eachHeld.peg ?? "") ?? eachHeld.to,
    after: is.get(eachHeld.id) ?? eachHeld.after,
  }));
}

/** Notes on an activity that is played as designed. */
const AS_DESIGNED: readonly string[] = ["change.turns", "change.backstop", "change.noWall"];

const round = (metres: number) => Math.round(metres * 10) / 10;

/**
 * The room that a layout may take in a home: what was planned for or, if that is less, what the home has; with its
 * floor and roof.
 */
function roomFor(activity: Activity, space: HomeSpace): Activity["space"] {
  return {
    length: Math.min(activity.space.length, Math.max(space.length, space.width)),
    width: Math.min(activity.space.width, Math.min(space.length, space.width)),
    floor: space.floor,
    indoors: space.indoors,
  };
}
/** How an activity lies in a space with the items as designed. */
export const fitAsDesigned = (activity: Activity, who: Who, space: HomeSpace): Fit =>
  fitInSpace(activity, { ...activity, space: roomFor(activity, space) }, who, space);

interface Swapped {
  item: string;
  name: string;
  as: string;
  made: boolean;
}
const sentHere = (picks: readonly Pick[], activity: Activity) =>
  picks.find((pick) => pick.role === "send")?.item ?? activity.kit.send;
/** The activity with the chosen items in place of the designed ones, on the home's floor. */
function standIn(
  activity: Activity,
  { picks, touched, unmetTargets, fewerOf }: Picked,
  home: HomeFacts,
  items: readonly Item[],
): { activity: Activity; swapped: Swapped[]; without: number } {
  const known = (id: string) => items.find((item) => item.id === id) ?? itemIn(activity.kit, id)!;
  const swapped: Swapped[] = [];
  const note = (p: Pick, as: string) => {
    if (p.item !== as) swapped.push({ item: p.item, name: known(p.item).name, as, made: p.minutes > 0 });
  };
  let now = activity;
  const kit = { ...activity.kit };
  // If a home has too few objects to send, one serves for all.
  if (extraObjects(activity).length > 0)
    kit.others = extraObjects(activity).map(
      (_, i) => picks.find((pick) => pick.role === EXTRA_OBJECTS[i])?.item ?? sentHere(picks, activity),
    );
  let { layout } = activity;
  const targets = new Map(
    opened(activity).parts.flatMap((part) =>
      part.kind === "target" ? [[part.group ?? part.id, part.item] as const] : [],
    ),
  );
  // Several of one kind are numbered, so that the card can tell them apart.
  const kinds = new Map<string, string[]>();
  for (const pick of picks)
    if (targetOf(pick.role) !== null) kinds.set(pick.item, [...(kinds.get(pick.item) ?? []), pick.role]);
  const numberOf = (p: Pick) => {
    const all = kinds.get(p.item)!;
    return all.length > 1 ? `#${all.indexOf(p.role) + 1}` : null;
  };
  for (const pick of picks) {
    const target = targetOf(pick.role);
    if (target !== null) {
      const as = targets.get(target) ?? "";
      if (pick.item === as) {
        if (touched.includes(pick.role)) now = opened(now).touchCounts(target);
        continue;
      }
      note(pick, as);
      const face = faceOf(known(pick.item));
      face.label = numberOf(pick) ?? face.label;
      now = opened(now).swap(target, face);
      if (touched.includes(pick.role)) now = opened(now).touchCounts(target);
    } else if (pick.role === "layout" && layout) {
      note(pick, layout.item);
      layout = { ...layout, item: pick.item };
    } else if (pick.role === "send" || pick.role === "marker" || pick.role === "blocker" || pick.role === "implement") {
      note(pick, activity.kit[pick.role] ?? "");
      kit[pick.role] = pick.item;
    } else if (extraObjectIndex(pick.role) >= 0) {
      const i = extraObjectIndex(pick.role);
      note(pick, extraObjects(activity)[i] ?? "");
      kit.others = extraObjects({ kit }).map((id, k) => (k === i ? pick.item : id));
    }
  }
  // A target that nothing in the home can be is left out, if the game goes on without it.
  let without = 0;
  for (const [role, count] of Object.entries(fewerOf)) {
    const group = targetOf(role)!;
    const many = () => opened(now).parts.filter((part) => part.kind === "target" && part.group === group).length;
    for (let less = opened(now).remove(group); less && many() > count; less = opened(now).remove(group)) {
      now = less;
      without++;
    }
  }
  for (const role of unmetTargets) {
    const less = opened(now).remove(targetOf(role)!);
    if (less === null) continue;
    now = less;
    without++;
  }
  const used = [
    kit.send,
    kit.marker,
    kit.blocker,
    ...extraObjects({ kit }),
    ...(kit.implement ? [kit.implement] : []),
    ...picks.map((pick) => pick.item),
  ];
  const mine = used.flatMap((id) => {
    const item = known(id);
    return item && item !== catalogueItem(id) ? [item] : [];
  });
  const own = [...new Map([...kit.own, ...mine].map((item) => [item.id, item])).values()];
  const space = home.space ? roomFor(activity, home.space) : activity.space;
  return {
    activity: { ...now, kit: { ...kit, own }, space, layout },
    swapped,
    without,
  };
}
