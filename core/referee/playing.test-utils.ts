import { isRefusal } from "../contract/contract.ts";
import { activity, fromPattern } from "../formats/activity.ts";
import type { PatternName } from "../patterns/registry.ts";
import { type Play, referee } from "./referee.ts";

/** The example of a game with something of its own, and of its match, set otherwise. */
export function having(name: PatternName, change: object, match: object = {}) {
  const design = fromPattern(name);
  return activity.parse({
    ...design,
    match: { ...design.match, ...match },
    pattern: { ...design.pattern, params: { ...design.pattern.params, ...change } },
  });
}

/** A play after some events, all at its start unless they say when; a refused one fails the test. */
export const take = (play: Play, ...bodies: object[]): Play =>
  bodies.reduce<Play>((eachPlay, body) => {
    const next = referee(eachPlay, { at: 0, ...body } as never);
    if (isRefusal(next)) throw new Error(JSON.stringify([next.refused, body]));
    return next;
  }, play);

/** Why an event is refused; null: it is taken. */
export function refusalOf(play: Play, body: object) {
  const next = referee(play, { at: 0, ...body } as never);
  return isRefusal(next) ? next.refused : null;
}
export const refusedBy = (play: Play, body: object): string | null => refusalOf(play, body)?.key ?? null;
