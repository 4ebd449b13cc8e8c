import type { z } from "zod";
import type { match } from "./match-schema.ts";
export type Match = z.infer<typeof match>;
export type MatchField = keyof Match;

/** The match settings that the schema fills in when a document gives none. */
export const USUAL_MATCH: Match = {
  goes: { count: 1, keep: "best" },
  swap: "send",
  end: "all",
  seconds: null,
  foot: "spent",
  calls: "replayed",
  carry: false,
};
