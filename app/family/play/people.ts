import { type Role, WIDER } from "#core/contract/contract.ts";

/** What is said of one who plays along: only helping, with the other hand, with points to begin with, from a line of its own. */
export interface Person {
  helps: boolean;
  other: boolean;
  /** Kneels for everything. */
  kneels: boolean;
  /** A wider target of its own. */
  wide: boolean;
  /** Its own court, or the goal it guards: so many tenths of the width drawn. */
  court: number;
  /** Sits, as its card says. */
  sits?: boolean;
  head: number;
  /** Its own line, metres nearer. */
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
/** As the game has it, for the rows of the screen. */
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
/** As the game takes it; nothing where everybody plays alike. */
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
