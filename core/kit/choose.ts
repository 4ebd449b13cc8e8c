import { own } from "../own.ts";
import { asksAtMost, pointless, sendingOf } from "../physics/send.ts";
import { falls } from "../physics/standing.ts";
import type { Caution } from "../things/cautions.ts";
import type { Floor } from "../things/floors.ts";
import type { Item } from "../things/item.ts";
import { assign } from "./assign.ts";
import { lengthOf } from "./implements.ts";
import { type Property, propertyOf, sendsAt, type Where } from "./property.ts";
import { broken, type Coupling, type Limit, type Role } from "./role.ts";
import { type Sense, senseless, tooHeavyToFall } from "./sense.ts";
import { type Available, availableFrom, enoughOf, portionOf, readyIn, type Stock } from "./stock.ts";

/** Costs are whole numbers, so that ties are ties: this many to one unit of difference. */
const UNIT = 10_000;
/** Leaving out what may be left out, and what may not. Dearer than any difference between things. */
const LEFT_OUT = 1_000 * UNIT;
const UNMET = 1_000_000 * UNIT;
/** A game without anything to send is none at all. */
const UNMET_SEND = 20_000_000 * UNIT;
/** Steps within one unit of cost, for telling ties apart: more than all ranks of one choice add up to. */
const FINE = 8192;
/** Dearer than anything, and still a whole number that can be added to. */
const NEVER = 4e15;
/** The search stops after so many trials, and says that the best was not proved. */
export const MAX_TRIALS = 2_000;
/** Room that an opening needs beyond the thing that goes in, metres. */
export const CLEARANCE = 0.02;
/** What the things weigh in the choice: difference in size, in run-on, in handling; a wider target hides those
 * behind it; not getting as far as is asked; making; asking; doing without. */
const WEIGHTS = {
  width: 1,
  length: 1.2,
  face: 0.3,
  target: 1.6,
  hides: 1.5,
  height: 0.25,
  opening: 0.6,
  runOn: 0.25,
  handling: 2,
  mass: 0.12,
  minute: 0.03,
  ask: 0.08,
  other: 0.02,
  reach: 1,
  bare: 0.4,
};
const SAME = Math.round(0.3 * UNIT);
export const ALTERNATIVES = 2;

export interface Choosing {
  roles: readonly Role[];
  couplings: readonly Coupling[];
  /** The list of things: that of the tool, as a school has changed it. Its order breaks ties. */
  items: readonly Item[];
  stock: Stock;
  floor: Floor;
  indoors: boolean;
  /** The home asked for these. */
  quiet?: boolean;
  noBallsIndoors?: boolean;
  /** Roles that somebody has decided. */
  fixed?: Readonly<Record<string, string>>;
  mostTrials?: number;
}

export interface Pick {
  role: string;
  item: string;
  count: number;
  /** Message key and parameters: why this one. Items in parameters are ids. */
  why: { key: string; params: Record<string, string | number> };
  cautions: Caution[];
  /** The next best for this role with everything else as it is. */
  alternatives: string[];
  /** Made first, minutes. */
  minutes: number;
}
export interface Unmet {
  role: string;
  optional: boolean;
  /** Message key and parameters: why nothing fits. */
  why: { key: string; params: Record<string, string | number> };
}
export interface Chosen {
  picks: Pick[];
  unmet: Unmet[];
  cost: number;
  /** Whether the search went to its end: no better whole choice exists. */
  proved: boolean;
  trials: number;
}

interface Option {
  of: Available | null;
  cost: number;
}

/** One way for a role to be met, as a column of the assignment. */
interface Cell {
  key: string;
  cost: number;
  o: Option;
}
/** Puts one among the cheapest of a row, cheapest first, at most `cap` of them. */
function put(row: Cell[], cap: number, cell: Cell): void {
  let at = row.length;
  while (at > 0 && row[at - 1]!.cost > cell.cost) at--;
  if (at === row.length) row.push(cell);
  else row.splice(at, 0, cell);
  if (row.length > cap) row.pop();
}
const full = (row: readonly Cell[], cap: number, cost: number): boolean =>
  row.length === cap && row[cap - 1]!.cost <= cost;

/** Limits that the home sets, whatever an activity asks; what makes no sense or is not safe anywhere stands in sense.ts. */
function houseLimits(role: Role, choosing: Choosing): Limit[] {
  const out: Limit[] = [];
  if (choosing.quiet) out.push({ property: "noise", most: 1 });
  if (role.use === "send" && choosing.indoors && choosing.noBallsIndoors) out.push({ property: "rebound", most: 0.3 });
  return out;
}

const whereOf = (role: Role, choosing: Choosing): Where => ({
  floor: choosing.floor,
  move: role.move ?? "ground",
  ...(role.sends && { sends: role.sends }),
});
const apart = (age: number | null, b: number | null) => (age && b ? Math.abs(Math.log(age / b)) : age === b ? 0 : 1);

/** How far a thing is from what was designed and wished, in whole cost. */
function costOf(item: Item, role: Role, at: Where): number {
  let cost = item.ask ? WEIGHTS.ask : 0;
  const { as } = role;
  if (as && as.id !== item.id) {
    cost += WEIGHTS.other + WEIGHTS.mass * apart(item.mass, as.mass);
    if (role.use === "send")
      cost +=
        WEIGHTS.width * apart(item.width, as.width) +
        WEIGHTS.runOn * Math.abs(propertyOf(item, "runOn", at)! - propertyOf(as, "runOn", at)!) +
        WEIGHTS.handling * apart(item.handling, as.handling);
    else if (role.use === "implement")
      cost +=
        WEIGHTS.length * apart(lengthOf(item), lengthOf(as)) +
        WEIGHTS.face * apart(item.width, as.width) +
        WEIGHTS.handling * apart(item.handling, as.handling);
    else if (role.use === "marker") cost += item.endless ? 0 : WEIGHTS.height;
    else
      cost +=
        WEIGHTS.target * apart(item.width, as.width) * (item.width > as.width ? WEIGHTS.hides : 1) +
        WEIGHTS.height * apart(item.height, as.height) +
        WEIGHTS.opening * apart(item.opening, as.opening);
  }
  for (const wish of role.wishes) {
    const value = propertyOf(item, wish.property, at);
    cost +=
      wish.weight *
      (value === null ? 1 : Math.min(2, Math.abs(value - wish.toward) / Math.max(0.05, Math.abs(wish.toward))));
  }
  return Math.round(cost * UNIT);
}

/** How many of a thing a role takes. */
const needed = (item: Item, role: Role) => (item.endless ? 1 : role.count);
/** What it costs besides that the thing is not lying there: making it, or doing without one. */
function costOfGetting(item: Item, role: Role, ready: ReadonlyMap<string, number>): number {
  const making = needed(item, role) > (ready.get(item.id) ?? 0) ? (item.made?.minutes ?? 0) * WEIGHTS.minute : 0;
  return Math.round(UNIT * (making + (item.always ? WEIGHTS.bare : 0)));
}

/** The rule of sense that a thing breaks in a role there, or null. */
const senselessIn = (item: Item, role: Role, at: Where, indoors: boolean): Sense | null =>
  senseless(item, role, indoors) ?? (role.use === "send" && gauge(item, role, at).idle ? "pointless" : null);

interface Gauged {
  cost: number;
  /** Keeps the limits of its role. */
  within: boolean;
  /** It hardly moves there. */
  idle: boolean;
}
/** What a thing is worth in a role does not depend on the home but for its floor: reckoned once for all homes. */
const gauges = new WeakMap<Role, Map<Floor, Map<Item, Gauged>>>();
function gauge(item: Item, role: Role, at: Where): Gauged {
  let floors = gauges.get(role);
  if (!floors) {
    floors = new Map();
    gauges.set(role, floors);
  }
  let known = floors.get(at.floor);
  if (!known) {
    known = new Map();
    floors.set(at.floor, known);
  }
  let found = known.get(item);
  if (!found) {
    const sends = role.use === "send" && !role.carried ? sendsAt(at) : null;
    const sending = sends && sendingOf(sends.age, sends.action, item, at.floor);
    const idle = sending !== null && pointless(sending);
    const short = sending && role.sends ? role.sends.metres / asksAtMost(sending) - 1 : 0;
    const cost = costOf(item, role, at) + Math.round(UNIT * WEIGHTS.reach * Math.max(0, Math.min(3, short)));
    found = { cost, within: broken(item, role.limits, at).length === 0, idle };
    known.set(item, found);
  }
  return found;
}

/** Whether a thing can do what a role is for at all. */
export const serves = (item: Item, role: Role): boolean =>
  item.uses.includes(role.use) && (role.use !== "send" || role.move === null || item.moves.includes(role.move));

/** Whether two things suit each other as a coupling asks. */
function suits(
  coupling: Coupling,
  item: Item,
  givenItem: Item,
  at: Choosing,
  most: (entry: Item) => number,
  count: number,
): boolean {
  switch (coupling.kind) {
    case "enters":
      return (
        givenItem.opening !== null &&
        Math.min(givenItem.opening, givenItem.openingDepth ?? givenItem.opening) >= item.width + CLEARANCE
      );
    case "passes":
      return givenItem.gap !== null && givenItem.gap >= item.width + CLEARANCE;
    case "topples":
      return (
        !tooHeavyToFall(givenItem, coupling.filling, at.floor, at.indoors) &&
        falls(
          givenItem,
          coupling.filling,
          sendingOf(coupling.sends.age, coupling.sends.action, item, at.floor),
          coupling.sends.metres,
        )
      );
    case "differs":
      // Of one kind, one set is marked where the kind does not come in two.
      return item.id !== givenItem.id || most(item) >= 2 * count;
  }
}
/** The two roles that a coupling ties: what must suit, and what it must suit to. */
export const endsOf = (coupling: Coupling): readonly [string, string] =>
  coupling.kind === "enters"
    ? [coupling.object, coupling.opening]
    : coupling.kind === "passes"
      ? [coupling.object, coupling.gap]
      : coupling.kind === "topples"
        ? [coupling.object, coupling.pin]
        : [coupling.a, coupling.b];

/**
 * The best whole choice of things for all roles of a game from what one home has: exact branch and bound. Every thing is used
 * once; couplings hold between any two that are chosen. The bound is the cheapest assignment of things to open roles; where that assignment
 * keeps the couplings it is the answer, otherwise the first role it fails for is tried thing by thing, cheapest first. Equal input, equal
 * answer: ties fall to the order of the list.
 */
export function choose(choosing: Choosing): Chosen {
  const available = availableFrom(choosing.items, choosing.stock);
  const most = new Map(available.map((eachAvailable) => [eachAvailable.item.id, eachAvailable.most]));
  const mostOf = (item: Item) => most.get(item.id) ?? 0;
  const left = readyIn(choosing.items, choosing.stock);
  const ready = new Map(left);
  const options = choosing.roles.map((role): Option[] => {
    const at = whereOf(role, choosing);
    const house = houseLimits(role, choosing);
    const fixed = own(choosing.fixed, role.id);
    const fit = available
      .filter(
        (eachAvailable) =>
          serves(eachAvailable.item, role) &&
          eachAvailable.most >= needed(eachAvailable.item, role) &&
          (!choosing.indoors || !eachAvailable.item.outdoorsOnly) &&
          gauge(eachAvailable.item, role, at).within &&
          senselessIn(eachAvailable.item, role, at, choosing.indoors) === null &&
          (house.length === 0 || broken(eachAvailable.item, house, at).length === 0) &&
          (fixed === undefined || fixed === eachAvailable.item.id),
      )
      .map((eachAvailable) => ({
        of: eachAvailable,
        cost: gauge(eachAvailable.item, role, at).cost + costOfGetting(eachAvailable.item, role, ready),
      }));
    const without = role.optional ? LEFT_OUT : role.use === "send" ? UNMET_SEND : UNMET;
    const sorted = [...fit.sort((x, y) => x.cost - y.cost), { of: null, cost: without }];
    // Costs are told apart by the order of the list, so that the best choice is one and the same however it is looked for.
    return sorted.map((o, rank) => ({ of: o.of, cost: o.cost * FINE + rank }));
  });
  const couplings = choosing.couplings.map((coupling) => {
    const [age, b] = endsOf(coupling).map((id) => choosing.roles.findIndex((role) => role.id === id)) as [
      number,
      number,
    ];
    return { k: coupling, a: age, b };
  });
  const chosen: (Option | null)[] = choosing.roles.map(() => null);
  const best: { cost: number; chosen: (Option | null)[] } = { cost: Number.POSITIVE_INFINITY, chosen: [] };
  const cap = choosing.mostTrials ?? MAX_TRIALS;
  let trials = 0;
  let cut = false;

  const enough = (option: Option, role: Role) =>
    option.of === null || enoughOf(option.of, needed(option.of.item, role), left);
  /** What each chosen role has taken, so that it is given back as it was. */
  const taken: (readonly { id: string; count: number }[])[] = choosing.roles.map(() => []);
  const take = (i: number, option: Option) => {
    const portion = option.of && portionOf(option.of, needed(option.of.item, choosing.roles[i]!), left);
    taken[i] = portion?.takes ?? [];
    for (const t of taken[i]) left.set(t.id, (left.get(t.id) ?? 0) - t.count);
    return portion?.made ?? 0;
  };
  const give = (i: number) => {
    for (const t of taken[i]!) left.set(t.id, (left.get(t.id) ?? 0) + t.count);
    taken[i] = [];
  };
  /** Couplings of role `i` that do not hold with what is chosen so far. */
  const tied = choosing.roles.map((_, i) => couplings.filter(({ a: age, b }) => age === i || b === i));
  const strained = (i: number, option: Option) => {
    for (const coupling of tied[i]!) {
      const { k, a: age, b } = coupling;
      const one = age === i ? option : chosen[age];
      const two = b === i ? option : chosen[b];
      if (one?.of && two?.of && !suits(k, one.of.item, two.of.item, choosing, mostOf, choosing.roles[age]!.count))
        return coupling;
    }
    return undefined;
  };
  const fits = (i: number, option: Option) => strained(i, option) === undefined;
  const isTarget = (i: number) => choosing.roles[i]!.use === "target";
  const alikes = (id: string) =>
    chosen.reduce((sum, option, k) => sum + (option?.of?.item.id === id && isTarget(k) ? 1 : 0), 0);

  /**
   * The least that the open roles can cost with what is left, and a choice of that cost: every role gets a thing of its own, each thing
   * as often as it is there. A further target of the same kind costs more than the one before, so targets that are alike are counted
   * in full. Not looked at are couplings among open roles, things that share what they are made of, and whether a thing that serves as a target also
   * serves as something else: all of them can only make it dearer.
   */
  const relaxed = (open: readonly number[]): { cost: number; options: Option[] } => {
    const columns: string[] = [];
    const columnOf = new Map<string, number>();
    const column = (key: string) => {
      let j = columnOf.get(key);
      if (j === undefined) {
        j = columns.length;
        columns.push(key);
        columnOf.set(key, j);
      }
      return j;
    };
    const cells: { j: number; cost: number; o: Option }[][] = open.map((i) => {
      const row: Cell[] = [];
      const role = choosing.roles[i]!;
      const kind = isTarget(i) ? "target" : "other";
      // Cheapest first, and no more of them than there are roles, and one: a row has no use for more.
      const cap = open.length + 1;
      for (const option of options[i]!) {
        // Options come cheapest first.
        if (full(row, cap, option.cost)) break;
        if (option.of === null) {
          put(row, cap, { key: `none ${i}`, cost: option.cost, o: option });
          continue;
        }
        if (!enough(option, role) || !fits(i, option)) continue;
        const { id } = option.of.item;
        const already = isTarget(i) ? alikes(id) : 0;
        const count = needed(option.of.item, role);
        const most = option.of.from ? open.length : Math.min(open.length, Math.floor((left.get(id) ?? 0) / count));
        for (let k = 0; k < most; k++) {
          const cost = option.cost + (isTarget(i) ? SAME * FINE * (already + k) : 0);
          if (full(row, cap, cost) || (k > 0 && option.of.from && !enoughOf(option.of, count * (k + 1), left))) break;
          put(row, cap, { key: `${kind} ${id} ${k}`, cost, o: option });
        }
      }
      return row.map(({ key, cost, o: option }) => ({ j: column(key), cost, o: option }));
    });
    const costs = cells.map((row) => {
      const line = new Array<number>(columns.length).fill(NEVER);
      for (const cell of row) line[cell.j] = cell.cost;
      return line;
    });
    const { columns: got, cost } = assign(costs);
    return { cost, options: cells.map((row, r) => row.find((cell) => cell.j === got[r])!.o) };
  };

  /** The first open role that the choice does not really work for, or null where it works. */
  const conflict = (open: readonly number[], list: readonly Option[]): number | null => {
    let bad: number | null = null;
    let done = 0;
    for (; done < open.length && bad === null; done++) {
      const i = open[done]!;
      const option = list[done]!;
      const strain = strained(i, option);
      if (strain) bad = open.includes(strain.a) ? strain.a : i;
      else if (!enough(option, choosing.roles[i]!)) bad = i;
      else {
        chosen[i] = option;
        take(i, option);
        continue;
      }
      break;
    }
    for (let r = done - 1; r >= 0; r--) {
      give(open[r]!);
      chosen[open[r]!] = null;
    }
    return bad;
  };

  const search = (open: readonly number[], cost: number) => {
    trials++;
    if (open.length === 0) {
      if (cost < best.cost) [best.cost, best.chosen] = [cost, [...chosen]];
      return;
    }
    const least = relaxed(open);
    if (cost + least.cost >= best.cost) return;
    const at = conflict(open, least.options);
    if (at === null) {
      best.cost = cost + least.cost;
      best.chosen = [...chosen];
      open.forEach((i, r) => {
        best.chosen[i] = least.options[r]!;
      });
      return;
    }
    const rest = open.filter((i) => i !== at);
    const role = choosing.roles[at]!;
    for (const option of options[at]!) {
      if (cost + option.cost >= best.cost) break;
      // One whole choice is always found, however small the cap.
      if (trials >= cap && best.cost < Number.POSITIVE_INFINITY) {
        cut = true;
        return;
      }
      if (!enough(option, role) || !fits(at, option)) continue;
      const more = option.of && isTarget(at) ? SAME * FINE * alikes(option.of.item.id) : 0;
      chosen[at] = option;
      take(at, option);
      search(rest, cost + option.cost + more);
      give(at);
      chosen[at] = null;
    }
  };
  search(
    choosing.roles.map((_, i) => i),
    0,
  );

  // Put the best back, so that what is left speaks of it.
  const made = best.chosen.map((option, i) => {
    chosen[i] = option;
    return option ? take(i, option) : 0;
  });
  const picks: Pick[] = [];
  const unmet: Unmet[] = [];
  choosing.roles.forEach((role, i) => {
    const option = chosen[i]!;
    if (!option.of) {
      unmet.push({ role: role.id, optional: role.optional, why: whyNot(role, choosing, available) });
      return;
    }
    const { item } = option.of;
    give(i);
    const others = options[i]!.filter(
      (eachOption) => eachOption.of && eachOption !== option && enough(eachOption, role) && fits(i, eachOption),
    );
    take(i, option);
    picks.push({
      role: role.id,
      item: item.id,
      count: needed(item, role),
      why: own(choosing.fixed, role.id)
        ? { key: "why.chosen", params: { item: item.id, as: role.as?.id ?? "" } }
        : whyThis(option, role, options[i]!, whereOf(role, choosing)),
      cautions: cautionsOfItem(item, choosing.indoors),
      alternatives: others.slice(0, ALTERNATIVES).map((other) => other.of!.item.id),
      minutes: (item.made?.minutes ?? 0) * made[i]!,
    });
  });
  return { picks, unmet, cost: Math.floor(best.cost / FINE), proved: !cut, trials };
}

/** What goes into a small mouth, and rubber that bursts: away from under-fours. Metres. */
const SWALLOWED = 0.045;
const isSmall = (item: Item): boolean =>
  Math.max(item.width, item.depth, item.height) <= SWALLOWED || item.id === "balloon";

/** What must be said with a thing. */
export function cautionsOfItem(item: Item, indoors: boolean): Caution[] {
  const out = new Set<Caution>(item.cautions);
  if (isSmall(item)) out.add("smallParts");
  if (item.ask) out.add("grownUpYes");
  if (item.outdoorsOnly) out.add("outdoorsOnly");
  if (!indoors) out.delete("outdoorsOnly");
  return [...out];
}

function whyThis(option: Option, role: Role, options: readonly Option[], at: Where): Pick["why"] {
  const { item } = option.of!;
  const { as } = role;
  const params = { item: item.id, as: as?.id ?? "" };
  if (!as || as.id === item.id) return { key: "why.designed", params };
  if (options.filter((eachOption) => eachOption.of).length === 1) return { key: "why.only", params };
  if (role.use === "send") {
    const nearSize = apart(item.width, as.width) < 0.15;
    const nearRun = Math.abs(propertyOf(item, "runOn", at)! - propertyOf(as, "runOn", at)!) < 0.25;
    if (nearSize && nearRun) return { key: "why.sizeAndRun", params };
    if (nearRun) return { key: "why.run", params };
    return { key: nearSize ? "why.size" : "why.nearest", params };
  }
  if (role.use === "implement")
    return { key: apart(lengthOf(item), lengthOf(as)) < 0.3 ? "why.long" : "why.held", params };
  if (item.opening !== null && as.opening !== null) return { key: "why.opening", params };
  return { key: apart(item.width, as.width) < 0.2 ? "why.wide" : "why.nearest", params };
}

/** Why nothing is left for a role: nothing that serves, too few, a limit that knocks out what there is, or taken by the rest. */
function whyNot(role: Role, choosing: Choosing, available: readonly Available[]): Unmet["why"] {
  const serving = available.filter((eachAvailable) => serves(eachAvailable.item, role));
  const params = { role: role.use, as: role.as?.id ?? "", count: role.count };
  if (serving.length === 0) return { key: "unmet.nothing", params };
  const allowed = serving.filter((eachAvailable) => !choosing.indoors || !eachAvailable.item.outdoorsOnly);
  if (allowed.length === 0) return { key: "unmet.outdoors", params };
  const at = whereOf(role, choosing);
  const sensible = allowed.filter(
    (eachAvailable) => senselessIn(eachAvailable.item, role, at, choosing.indoors) === null,
  );
  if (sensible.length === 0) {
    const rule = senselessIn(allowed[0]!.item, role, at, choosing.indoors)!;
    return { key: `unmet.${rule}`, params };
  }
  const limits = [...role.limits, ...houseLimits(role, choosing)];
  const within = sensible.filter((eachAvailable) => broken(eachAvailable.item, limits, at).length === 0);
  if (within.length === 0) {
    const knocked = new Map<Property, number>();
    for (const eachAvailable of sensible)
      for (const limit of broken(eachAvailable.item, limits, at))
        knocked.set(limit.property, (knocked.get(limit.property) ?? 0) + 1);
    const [worst] = [...knocked].sort((a, b) => b[1] - a[1]);
    const l = limits.find((limit) => limit.property === worst![0])!;
    return {
      key: l.least !== undefined ? "unmet.least" : "unmet.most",
      params: { ...params, property: l.property, value: l.least ?? l.most! },
    };
  }
  if (within.every((eachAvailable) => eachAvailable.most < needed(eachAvailable.item, role)))
    return { key: "unmet.few", params };
  return { key: "unmet.together", params };
}
