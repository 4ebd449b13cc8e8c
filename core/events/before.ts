import type { GameEvent, PlayEvent, RecordedEvent, RecordedGame } from "./events.ts";

function gameNow(event: RecordedGame): GameEvent {
  switch (event.kind) {
    case "rest":
      return { kind: "send", at: event.at, rest: event.zone, ...(event.spot && { spot: event.spot }) };
    case "knock":
      return {
        kind: "move",
        at: event.at,
        piece: event.piece,
        place: event.zone,
        ...(event.spot && { spot: event.spot }),
      };
    case "block":
      return { kind: "choose", at: event.at, of: "blocker", pick: event.zone };
    case "forfeit":
      return { kind: "task", at: event.at };
    default:
      return event;
  }
}

/** An event translated to today's kinds. Stored events are never rewritten but translated whenever they are read. */
export function eventNow(event: RecordedEvent): PlayEvent {
  if (event.kind === "correct") return { ...event, event: gameNow(event.event) };
  switch (event.kind) {
    case "undo":
    case "object":
    case "again":
    case "dispute":
    case "pause":
    case "goOn":
    case "stop":
      return event;
    default:
      return gameNow(event);
  }
}
export const eventsNow = (list: readonly RecordedEvent[]): PlayEvent[] => list.map(eventNow);
