import type { Problem } from "#core/formats/activity.ts";

/** The server's answer to a part that was sent. `unsent`: the server could not be reached. */
export interface SaveAnswer {
  ok: boolean;
  problems: readonly Problem[];
  unsent?: boolean;
}

/** Sends a part of the survey. On a teacher's page this goes through the router; a family's page has none. */
export interface Saving {
  busy: boolean;
  /** The last answer. Null before the first. */
  answer: SaveAnswer | null;
  save: (fields: Record<string, string>) => void;
  /** Opens another part. */
  open: (url: string) => void;
}
