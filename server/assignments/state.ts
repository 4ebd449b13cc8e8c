/** Where an assignment stands: open to families, still to open, closed, or unsent. */
export const STATES = ["open", "opens", "closed", "withdrawn"] as const;
export type AssignmentState = (typeof STATES)[number];

/** The state of an assignment at a time. An unsent one is unsent whatever its times say. */
export const stateOf = (
  { opensAt, closesAt, withdrawnAt }: { opensAt: Date; closesAt: Date; withdrawnAt: Date | null },
  now = new Date(),
): AssignmentState => (withdrawnAt ? "withdrawn" : opensAt > now ? "opens" : closesAt > now ? "open" : "closed");
