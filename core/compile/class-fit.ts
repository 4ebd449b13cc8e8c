import type { Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import type { Item } from "../items/item.ts";
import { choose } from "../kit/choose.ts";
import type { Unmet } from "../kit/choosing.ts";
import { type Change, minimalFixes } from "../kit/minimal-fixes.ts";
import { choosingFor, DEFAULT_PLAYERS, type Fitted, fitAsDesigned, type HomeFacts } from "./for-home.ts";
import { rolesOf, targetOf } from "./roles.ts";

/** Whether one home can do an activity with its own items. */
export interface KitFit {
  home: string;
  can: boolean;
  /** True if the family did not list its items. */
  guessed: boolean;
  missing: Unmet[];
  /** The single changes that would make the home ready. */
  lets: Change[];
  /** How the activity lies in the home's space. Null if nobody described one. */
  place: Fitted | null;
}

/** How an activity lies in a home's space with the items as designed. Homes with equal spaces are computed once. */
function placeIn(activity: Activity, home: HomeFacts, who: Who, known: Map<string, Fitted>): Fitted | null {
  const { space } = home;
  if (!space) return null;
  const key = JSON.stringify(space);
  const found = known.get(key);
  if (found) return found;
  const { parts: _, ...place } = fitAsDesigned(activity, who, space);
  known.set(key, place);
  return place;
}

/** Compares every home with an activity. Its needs are worked out once for all homes. */
export function fitHomes(
  activity: Activity,
  homes: readonly HomeFacts[],
  items: readonly Item[],
  who: Who = { age: 8 },
): KitFit[] {
  const spaces = new Map<string, Fitted>();
  const known = new Map<number, ReturnType<typeof rolesOf>>();
  return homes.map((home) => {
    const players = Math.min(2, home.players ?? DEFAULT_PLAYERS);
    const needs = known.get(players) ?? rolesOf(activity, players);
    known.set(players, needs);
    const choosing = choosingFor(activity, home, items, { needs });
    const missing = choose(choosing).unmet.filter((unmet) => !unmet.optional);
    const can = missing.length === 0;
    return {
      home: home.id,
      can,
      guessed: home.kit === null,
      missing,
      lets: can ? [] : minimalFixes(choosing),
      place: placeIn(activity, home, who, spaces),
    };
  });
}

export const sameChange = (change: Change, givenChange: Change): boolean =>
  JSON.stringify(change) === JSON.stringify(givenChange);

/** The single changes, with the homes that each would make ready, most homes first. */
export function rankedChanges(fits: readonly KitFit[]): { change: Change; homes: string[] }[] {
  const out: { change: Change; homes: string[] }[] = [];
  for (const fit of fits)
    for (const change of fit.lets) {
      const known = out.find((o) => sameChange(o.change, change));
      if (known) known.homes.push(fit.home);
      else out.push({ change, homes: [fit.home] });
    }
  return out.sort((x, y) => y.homes.length - x.homes.length);
}

/** The activity after a change, if the teacher can make it. Null if only the home can. */
export function withChange(activity: Activity, change: Change): Activity | null {
  if (change.kind === "limit") {
    const roles = activity.kit.roles.map((role) =>
      role.role === change.role
        ? { ...role, limits: role.limits.filter((limit) => limit.property !== change.property) }
        : role,
    );
    return { ...activity, kit: { ...activity.kit, roles } };
  }
  if (change.kind === "leaveOut") {
    const target = targetOf(change.role);
    return target ? opened(activity).remove(target) : null;
  }
  return null;
}
