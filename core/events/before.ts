import type { GameEvent, PlayEvent, RecordedEvent, RecordedGame } from "./events.ts";

function gameNow(e: RecordedGame): GameEvent {
  switch (e.kind) {
    case "rest":
      return { kind: "send", at: e.at, rest: e.zone, ...(e.spot && { spot: e.spot }) };
    case "knock":
      return { kind: "move", at: e.at, piece: e.piece, place: e.zone, ...(e.spot && { spot: e.spot }) };
    case "block":
      return { kind: "choose", at: e.at, of: "blocker", pick: e.zone };
    case "forfeit":
      return { kind: "task", at: e.at };
    default:
      return e;
  }
}

/** An event in the kinds of now. What is kept is never rewritten: it is translated whenever it is read. */
export function eventNow(e: RecordedEvent): PlayEvent {
  if (e.kind === "correct") return { ...e, event: gameNow(e.event) };
  switch (e.kind) {
    case "undo":
    case "object":
    case "again":
    case "dispute":
    case "pause":
    case "goOn":
    case "stop":
      return e;
    default:
      return gameNow(e);
  }
}
export const eventsNow = (list: readonly RecordedEvent[]): PlayEvent[] => list.map(eventNow);
