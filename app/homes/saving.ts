import type { Problem } from "#core/formats/activity.ts";

/** What the server said of a part that was sent. `unsent`: it could not be reached. */
export interface SaveAnswer {
  ok: boolean;
  problems: readonly Problem[];
  unsent?: boolean;
}

/** Sends a part of the survey. A teacher's page does it through the router, a family's page without one. */
export interface Saving {
  busy: boolean;
  /** The last answer; null before the first. */
  answer: SaveAnswer | null;
  save: (fields: Record<string, string>) => void;
  /** Opens another part. */
  open: (url: string) => void;
}
