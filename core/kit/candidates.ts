import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import { own } from "../own.ts";
import { asksAtMost, pointless, sendingOf } from "../physics/send.ts";
import type { Choosing } from "./choosing.ts";
import { lengthOf } from "./implements.ts";
import { propertyOf, sendsAt, type Where } from "./property.ts";
import { broken, type Limit, type Role } from "./role.ts";
import { type Sense, senseless } from "./sense.ts";
import type { Available } from "./stock.ts";

/** Costs are whole numbers, so that equal costs compare as equal. This is one unit of difference. */
const UNIT = 10_000;
/** The costs of leaving out an optional and a required role. Both exceed any difference between items. */
const LEFT_OUT = 1_000 * UNIT;
const UNMET = 1_000_000 * UNIT;
/** No game can do without an object to send. */
const UNMET_SEND = 20_000_000 * UNIT;
/** Steps within one unit of cost that break ties. It exceeds the sum of all ranks of one choice. */
export const FINE = 8192;
/**
 * The weights of differences in the choice: in size, in run-on and in handling; a wider target that hides those
 * behind it; an object that does not get as far as asked; making an item; asking for it; doing without it.
 */
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
/** The cost of another target of the same kind. */
export const SAME = Math.round(0.3 * UNIT);

/** One way to fill a role; null means that it is left out. */
export interface Option {
  of: Available | null;
  cost: number;
}

/** Limits set by the home, whatever the activity asks. What is unsafe or senseless in any home is in sense.ts. */
export function houseLimits(role: Role, choosing: Choosing): Limit[] {
  const out: Limit[] = [];
  if (choosing.quiet) out.push({ property: "noise", most: 1 });
  if (role.use === "send" && choosing.indoors && choosing.noBallsIndoors) out.push({ property: "rebound", most: 0.3 });
  return out;
}

export const whereOf = (role: Role, choosing: Choosing): Where => ({
  floor: choosing.floor,
  move: role.move ?? "ground",
  ...(role.sends && { sends: role.sends }),
});
export const apart = (age: number | null, b: number | null) =>
  age && b ? Math.abs(Math.log(age / b)) : age === b ? 0 : 1;

/** Returns how far an item is from the designed one and from the wishes, as a whole cost. */
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

/** Returns how many of an item a role takes. */
export const needed = (item: Item, role: Role) => (item.endless ? 1 : role.count);
/** Costs beyond the difference itself: making the item, or doing without it. */
function costOfGetting(item: Item, role: Role, ready: ReadonlyMap<string, number>): number {
  const making = needed(item, role) > (ready.get(item.id) ?? 0) ? (item.made?.minutes ?? 0) * WEIGHTS.minute : 0;
  return Math.round(UNIT * (making + (item.always ? WEIGHTS.bare : 0)));
}

/** Returns the rule of sense that an item would break in a role, or null. */
export const senselessIn = (item: Item, role: Role, at: Where, indoors: boolean): Sense | null =>
  senseless(item, role, indoors) ?? (role.use === "send" && gauge(item, role, at).idle ? "pointless" : null);

interface Gauged {
  cost: number;
  /** True if the item keeps the limits of its role. */
  within: boolean;
  /** The object hardly rolls or slides on that floor. */
  idle: boolean;
}
/** How well an item fits a role depends on the home only through its floor, so it is computed once for all homes. */
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

/** Returns true if an item can serve in a role at all. */
export const serves = (item: Item, role: Role): boolean =>
  item.uses.includes(role.use) && (role.use !== "send" || role.move === null || item.moves.includes(role.move));

/** Finds what can fill each role, cheapest first; leaving it out comes last. `ready` is the stock that needs no making. */
export function optionsFor(
  choosing: Choosing,
  available: readonly Available[],
  ready: ReadonlyMap<string, number>,
): Option[][] {
  return choosing.roles.map((role): Option[] => {
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
    // Ties are broken by the order of the list, so that every search finds the same best choice.
    return sorted.map((o, rank) => ({ of: o.of, cost: o.cost * FINE + rank }));
  });
}
