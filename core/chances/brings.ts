import type { AskOf } from "../asks/ask.ts";
import type { Body, GameEvent } from "../events/events.ts";
import type { Seen } from "./kind.ts";
import { worthTo } from "./worth.ts";

/** True if what was seen of a send is worth something to the player who aimed; for a count, if there was one. */
export function brings(ask: AskOf<"send" | "count">, seen: Body | GameEvent): boolean {
  if (seen.kind === "count") return seen.n > 0;
  if (seen.kind !== "send") return false;
  const { hit = null, rest, away, fell } = seen;
  if (Array.isArray(fell) ? fell.length > 0 : (fell ?? 0) > 0) return true;
  const outcome = rest === undefined ? { hit, kept: hit === "kept" } : { rest, ...(away !== undefined && { away }) };
  return worthTo(ask.aim, outcome as Seen) > 0;
}
