import type { Wanted } from "#core/ready/index.ts";
import { SKILLS, type Skill } from "#core/ready/skills.ts";

/** Where and with whom, each pair one choice. */
export const PLACES = ["in-alone", "in-family", "out-alone", "out-family"] as const;
export type Place = (typeof PLACES)[number];
/** No longer than so many minutes, in so many metres. */
export const MINUTES = [8, 10, 15] as const;
export const LENGTHS = [3, 4, 5] as const;

/** What a teacher looks for, as the address of the page says it; what it does not know is left out. */
export interface Wish {
  skill: Skill | null;
  place: Place | null;
  class: string | null;
  minutes: number | null;
  length: number | null;
  thing: string | null;
}
const oneOf = <T>(list: readonly T[], value: unknown): T | null => list.find((x) => String(x) === value) ?? null;

/** The wish of an address, and what is looked for by it: without a class named, for the first one. `class=all`: for any age. */
export function wishOf(
  asked: { get: (name: string) => string | null },
  classes: readonly { id: string; ages: { from: number; to: number } | null }[],
  things: readonly string[],
): { wish: Wish; wanted: Wanted } {
  const named = asked.get("class");
  const one = classes.find((c) => c.id === named) ?? (named === "all" ? null : classes.find((c) => c.ages));
  const wish: Wish = {
    skill: oneOf(Object.keys(SKILLS) as Skill[], asked.get("skill")),
    place: oneOf(PLACES, asked.get("place")),
    class: named === "all" ? "all" : (one?.id ?? null),
    minutes: oneOf(MINUTES, asked.get("minutes")),
    length: oneOf(LENGTHS, asked.get("length")),
    thing: oneOf(things, asked.get("thing")),
  };
  const { skill, place, minutes, length, thing } = wish;
  return {
    wish: wish,
    wanted: {
      ...(skill && { skill }),
      ...(one?.ages && { ages: one.ages }),
      ...(place && { indoors: place.startsWith("in"), alone: place.endsWith("alone") }),
      ...(minutes && { minutes }),
      ...(length && { length }),
      ...(thing && { thing }),
    },
  };
}
/** The address of the same page with one part of the wish otherwise; chosen again it is let go. */
export function wishing(wish: Wish, part: keyof Wish, value: string | number): string {
  const next = { ...wish, [part]: String(wish[part]) === String(value) && part !== "class" ? null : value };
  const query = new URLSearchParams(
    Object.entries(next).flatMap(([key, v]) => (v === null ? [] : [[key, String(v)] as [string, string]])),
  );
  return `?${query.toString()}`;
}
