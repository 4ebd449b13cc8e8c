/** What may be sent beside the one thing, each in its turn: by their roles. */
export const OTHERS = ["other1", "other2", "other3"] as const;
/** `send`: the one thing itself. */
export const THING_ROLES = ["send", ...OTHERS] as const;
export type ThingRole = (typeof THING_ROLES)[number];
/** Which of the others a role is, from 0; -1: none of them. */
export const otherAt = (role: string | undefined): number => (OTHERS as readonly (string | undefined)[]).indexOf(role);
/** What is sent beside the one thing; a document from before there was such has none. */
export const others = (a: { kit: { others?: readonly string[] | undefined } }): readonly string[] => a.kit.others ?? [];
