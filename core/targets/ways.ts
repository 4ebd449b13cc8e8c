import { type Manner, PLAIN } from "../asks/ask.ts";
import type { ObjectRole } from "../kit/extra-objects.ts";
import { BARE, type Bare } from "./bare-ways.ts";

/** One object for each action, so that equal manners are identical. */
const MANNERS: Readonly<Record<Bare, Manner>> = Object.fromEntries(BARE.map((action) => [action, { action }])) as never;
export const mannerBy = (action: Bare): Manner => MANNERS[action];
/** The manner of attempt number `count`, from 0. Cards from earlier versions have no such list. */
export function wayOf(list: readonly Bare[] | undefined, count: number): Manner {
  const action = list?.[count % (list.length || 1)];
  return action ? MANNERS[action] : PLAIN;
}

const WITH: Readonly<Record<ObjectRole, Manner>> = {
  send: PLAIN,
  other1: { thing: "other1" },
  other2: { thing: "other2" },
  other3: { thing: "other3" },
};
export const mannerWith = (role: ObjectRole): Manner => WITH[role];
const both = new Map<string, Manner>();
/**
 * The manner and the object of attempt number n, from 0. Equal ones are identical objects. Cards from earlier
 * versions have no list of objects.
 */
export function mannerOfTurn(
  ways: readonly Bare[] | undefined,
  list: readonly ObjectRole[] | undefined,
  count: number,
): Manner {
  const way = wayOf(ways, count);
  const role = list?.[count % (list.length || 1)] ?? "send";
  if (role === "send") return way;
  if (way === PLAIN) return WITH[role];
  const key = `${way.action} ${role}`;
  let made = both.get(key);
  if (!made) {
    made = { ...way, thing: role };
    both.set(key, made);
  }
  return made;
}
