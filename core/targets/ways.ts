import { z } from "zod";
import type { Send } from "../actions/actions.ts";
import { type Manner, PLAIN } from "../asks/ask.ts";
import type { Knob } from "../contract/contract.ts";
import { THING_ROLES, type ThingRole } from "../kit/extra-objects.ts";

/** Ways of sending that need nothing in the hand but the thing itself. */
export const BARE = [
  "underarmRoll",
  "slide",
  "underarmThrow",
  "overarmThrow",
  "pushThrow",
  "straightArmBowl",
  "kick",
  "handStrike",
] as const satisfies readonly Send[];
export type Bare = (typeof BARE)[number];
export const MAX_WAYS = 8;

/** Ways that take turns, in their order: word by word, mark by mark; none: as the activity says. */
export const ways = z
  .array(z.enum(BARE, { error: `a way must be one of ${BARE.join(", ")}` }))
  .max(MAX_WAYS, `at most ${MAX_WAYS} actions`)
  .default([]);

/** The same object for the same way. */
const MANNERS: Readonly<Record<Bare, Manner>> = Object.fromEntries(BARE.map((action) => [action, { action }])) as never;
export const mannerBy = (action: Bare): Manner => MANNERS[action];
/** How the nth is sent, from 0. A card from earlier versions there were ways has none. */
export function wayOf(list: readonly Bare[] | undefined, count: number): Manner {
  const action = list?.[count % (list.length || 1)];
  return action ? MANNERS[action] : PLAIN;
}
export const thingRole = z.enum(THING_ROLES, { error: `thing must be one of ${THING_ROLES.join(", ")}` });
/** Things that take turns, in their order: word by word, mark by mark; none: always the one thing. */
export const things = z.array(thingRole).max(MAX_WAYS, `at most ${MAX_WAYS} objects`).default([]);

const WITH: Readonly<Record<ThingRole, Manner>> = {
  send: PLAIN,
  other1: { thing: "other1" },
  other2: { thing: "other2" },
  other3: { thing: "other3" },
};
export const mannerWith = (role: ThingRole): Manner => WITH[role];
const both = new Map<string, Manner>();
/** How, and with what, the nth is sent, from 0: the same object for the same. A card from earlier versions there were others has no list of them. */
export function mannerOfTurn(
  ways: readonly Bare[] | undefined,
  list: readonly ThingRole[] | undefined,
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
/** The things as they take turns. */
export const thingsKnob = (each: string, of: { least: number } = { least: 0 }): Knob => ({
  kind: "turns",
  station: "score",
  path: ["things"],
  label: "knob.things",
  hint: each,
  options: THING_ROLES.map((value) => ({ value, label: `thing.${value}` })),
  more: "knob.thingsMore",
  least: of.least,
  most: MAX_WAYS,
});

/** The list as it is set: what each stands for is said by `each`. */
export const waysKnob = (each: string, of: { least: number } = { least: 0 }): Knob => ({
  kind: "ways",
  station: "score",
  path: ["ways"],
  label: "knob.ways",
  hint: each,
  options: BARE,
  least: of.least,
  most: MAX_WAYS,
});
