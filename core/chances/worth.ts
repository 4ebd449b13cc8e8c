import type { Aim, AimKind, AimOf } from "../asks/ask.ts";
import { own } from "../own.ts";
import type { Seen } from "./kind.ts";

/** What hitting an item is worth to a player with this aim. */
export const bringsOf = (aim: AimOf<"any">, id: string): number =>
  aim.worth ? (own(aim.worth, id) ?? 0) : aim.want.includes(id) ? 1 : 0;

const kept = (_: Aim, seen: Seen) => ("kept" in seen && seen.kept ? 1 : 0);
const atMark = (aim: { mark: string }, seen: Seen) => ("rest" in seen && seen.rest === aim.mark ? 1 : 0);

/**
 * What an outcome is worth to the player who aimed, by the kind of aim. The compiler checks that the list is
 * complete. Separate from the chances, so that code that only plays does not load them.
 */
const worth: { [K in AimKind]: (aim: AimOf<K>, seen: Seen) => number } = {
  any: (aim, seen) => ("hit" in seen && seen.hit !== null ? bringsOf(aim, seen.hit) : 0),
  zones: (aim, seen) => ("rest" in seen ? (aim.worth[seen.rest] ?? 0) : 0),
  cells: (aim, seen) => ("rest" in seen && aim.want.includes(seen.rest) ? 1 : 0),
  fall: (aim, seen) =>
    "fell" in seen ? aim.each * seen.fell.length + (seen.fell.length === aim.standing.length ? aim.all : 0) : 0,
  keep: kept,
  skill: kept,
  shuttle: kept,
  course: () => 1,
  chase: atMark,
  receive: atMark,
  near: (_, seen) => ("rest" in seen && seen.away !== undefined ? -seen.away : -100_000),
  jack: () => 0,
  rebound: kept,
  over: kept,
  point: (aim, seen) => ("point" in seen && seen.point === aim.server ? 1 : 0),
  goal: (_, seen) => ("point" in seen && seen.point !== null ? 1 : 0),
  bat: (aim, seen) => ("ran" in seen && seen.ran.reached ? seen.ran.reached.filter((b) => b === aim.home).length : 0),
};

export const worthTo = <A extends Aim>(aim: A, seen: Seen): number =>
  (worth[aim.kind] as unknown as (aim: A, seen: Seen) => number)(aim, seen);
