/** What may be sent beside the one thing, each in its turn: by their roles. */
export const EXTRA_OBJECTS = ["other1", "other2", "other3"] as const;
/** `send`: the one thing itself. */
export const THING_ROLES = ["send", ...EXTRA_OBJECTS] as const;
export type ThingRole = (typeof THING_ROLES)[number];
/** Which of the others a role is, from 0; -1: none of them. */
export const extraObjectIndex = (role: string | undefined): number =>
  (EXTRA_OBJECTS as readonly (string | undefined)[]).indexOf(role);
/** What is sent beside the one thing; a document from earlier versions there was such has none. */
export const extraObjects = (a: { kit: { others?: readonly string[] | undefined } }): readonly string[] =>
  a.kit.others ?? [];
