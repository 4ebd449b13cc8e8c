import { type Role, WIDER } from "#core/contract/contract.ts";

/** How one person plays: only helping, with the other hand, kneeling, with a head start, or from a line of their own. */
export interface Person {
  helps: boolean;
  other: boolean;
  /** They kneel for every attempt. */
  kneels: boolean;
  /** Their targets are wider. */
  wide: boolean;
  /** The width of their own court or goal, in tenths of the width on the plan. */
  court: number;
  /** They play seated, as their card says. */
  sits?: boolean;
  /** Head start in points. */
  head: number;
  /** How much nearer than everybody else they stand, in metres. */
  nearer: number;
}
export const PLAIN_PERSON: Person = {
  helps: false,
  other: false,
  kneels: false,
  wide: false,
  court: 10,
  head: 0,
  nearer: 0,
};
/** Converts a role of the game into a row of the screen. */
export const personOf = (role: Role): Person => ({
  helps: role.role === "feeds",
  other: role.otherHand === true,
  kneels: role.posture === "kneeling",
  wide: (role.wider ?? 1) > 1,
  court: Math.round(10 * (role.court ?? 1)),
  ...(role.posture === "sitting" && { sits: true }),
  head: role.head ?? 0,
  nearer: role.nearer ?? 0,
});
/** Converts the rows of the screen into roles of the game. Undefined means that everybody plays alike. */
export function rolesOf(people: readonly Person[]): Role[] | undefined {
  const plain = (person: Person) =>
    !person.helps &&
    !person.other &&
    !person.kneels &&
    !person.sits &&
    !person.wide &&
    person.court === 10 &&
    person.head === 0 &&
    person.nearer === 0;
  if (people.every(plain)) return undefined;
  return people.map((person) =>
    person.helps
      ? { role: "feeds" }
      : {
          role: "plays",
          ...(person.other && { otherHand: true }),
          ...(person.kneels ? { posture: "kneeling" as const } : person.sits && { posture: "sitting" as const }),
          ...(person.wide && { wider: WIDER }),
          ...(person.court < 10 && { court: person.court / 10 }),
          ...(person.head > 0 && { head: person.head }),
          ...(person.nearer !== 0 && { nearer: person.nearer }),
        },
  );
}
