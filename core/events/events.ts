import type { z } from "zod";
import type { gameEvent, playEvent, recordedEvent, recordedGame } from "./event-schema.ts";
export type GameEvent = z.infer<typeof gameEvent>;
/** An event as the rules create it, before it has a time. */
export type Body = GameEvent extends infer E ? (E extends { at: number } ? Omit<E, "at"> : never) : never;
export type PlayEvent = z.infer<typeof playEvent>;
export type RecordedEvent = z.infer<typeof recordedEvent>;
export type RecordedGame = z.infer<typeof recordedGame>;
