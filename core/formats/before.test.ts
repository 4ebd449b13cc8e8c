import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { eventsNow } from "../events/before.ts";
import { recordedEvent } from "../events/event-schema.ts";
import type { RecordedEvent } from "../events/events.ts";
import { replay, view } from "../referee/referee.ts";
import { parseActivity } from "./activity.ts";
import { cardNow, documentNow, gameNow, playedNow } from "./before.ts";

/** Files of the first version as they were written, each with an event list and what it scored. */
const kept = JSON.parse(readFileSync(new URL("../../fixtures/activity-1.json", import.meta.url), "utf8")) as {
  document: { pattern: { name: string; params: object } };
  setup: { players: number; mode: "alone" | "against"; seed: number };
  events: RecordedEvent[];
  score: { value: number; working: string }[];
}[];

describe("what was kept in the first version", () => {
  it.each(kept.map((k) => [k.document.pattern.name, k] as const))("%s scores as before", (_, k) => {
    const read = parseActivity(k.document);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.version).toBe(2);
    const { pattern, match } = read.value;
    for (const event of k.events) expect(recordedEvent.safeParse(event).success).toBe(true);
    const told = replay({ ...pattern, match }, k.setup, k.events);
    expect(told.refused).toBeNull();
    expect(view(told.play).score.map(({ value, working }) => ({ value, working }))).toEqual(k.score);
    // A row that was kept with its game alone is translated just so.
    const {
      name,
      params,
      match: around,
    } = gameNow(k.document.pattern) as { name: string; params: unknown; match: typeof match };
    expect(view(replay({ name, params, match: around }, k.setup, k.events).play).score).toEqual(view(told.play).score);
    expect(playedNow({ pattern: k.document.pattern, floor: "tile" })).toMatchObject({
      pattern: { params, match: around },
    });
  });
  it("is left alone where it is of now, and read to the end where it is a card", () => {
    const [one] = kept;
    const now = documentNow(one!.document);
    expect(documentNow(now)).toBe(now);
    const card = { activity: one!.document, making: { designed: one!.document, child: 1 }, parts: [] };
    expect(cardNow(card)).toEqual({ activity: now, making: { designed: now, child: 1 }, parts: [] });
    const events = eventsNow(kept.flatMap((k) => k.events));
    expect(new Set(events.map((event) => event.kind))).toEqual(
      new Set(["send", "move", "choose", "ready", "task", "bell", "undo", "correct"]),
    );
    expect(eventsNow(events)).toEqual(events);
  });
});
