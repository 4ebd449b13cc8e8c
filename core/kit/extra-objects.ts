/** The roles of further objects that take turns with the main one. */
export const EXTRA_OBJECTS = ["other1", "other2", "other3"] as const;
/** `send`: the main object. */
export const OBJECT_ROLES = ["send", ...EXTRA_OBJECTS] as const;
export type ObjectRole = (typeof OBJECT_ROLES)[number];
/** The index of a further object's role, from 0. -1: it is none of them. */
export const extraObjectIndex = (role: string | undefined): number =>
  (EXTRA_OBJECTS as readonly (string | undefined)[]).indexOf(role);
/** The further objects of an activity. Documents from earlier versions have none. */
export const extraObjects = (a: { kit: { others?: readonly string[] | undefined } }): readonly string[] =>
  a.kit.others ?? [];
