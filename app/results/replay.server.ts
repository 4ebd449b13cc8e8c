import { mainAsks } from "#core/asks/ask.ts";
import { isRefusal } from "#core/contract/contract.ts";
import { eventsNow } from "#core/events/before.ts";
import type { GameEvent, PlayEvent } from "#core/events/events.ts";
import { layoutOf } from "#core/forecast/for-activity.ts";
import { openPlay, referee, type View, view } from "#core/referee/referee.ts";
import { type Stroke, strokesOf } from "#core/yard/draw.ts";
import { partsOf } from "#core/yard/parts.ts";
import type { RecordedGo } from "#server/assignments/recorded.ts";
import { say, sayWorking } from "#words/say.ts";
import "#words/tell.ts";
import { eventText, labelAmong } from "../family/play/seen.ts";

/** One moment of a go: what happened, what it was aimed at, and the score after it. */
export interface Frame {
  /** Milliseconds since the go began. */
  at: number;
  text: string;
  score: string;
  /** The part of the layout that it was aimed at or came to, if there is one. */
  part: string | null;
  /** Whether it succeeded. Null: that cannot be said of it. */
  hit: boolean | null;
}

/** A go as the teacher can step through it: the layout to draw, and what happened on it. */
export interface Replay {
  strokes: Stroke[];
  starts: string[];
  space: { length: number; width: number };
  /** Targets are drawn smaller where there are many. */
  crowded: boolean;
  frames: Frame[];
}

/** More targets than this are drawn smaller. */
const CROWD = 5;

/** What an attempt was aimed at, by the id of its part. */
function aimedAt(before: View): string | null {
  const ask = mainAsks(before.asks).find(({ kind }) => kind === "send");
  if (ask?.kind !== "send") return null;
  const { aim } = ask;
  if (aim.kind === "any") return aim.want.length === 1 ? aim.want[0]! : null;
  return aim.kind === "chase" || aim.kind === "receive" ? aim.mark : null;
}

function frameOf(event: PlayEvent, before: View, after: View, label: (id: string) => string): Frame {
  const body = (event.kind === "correct" ? event.event : event) as GameEvent;
  const text =
    event.kind === "undo"
      ? say("play.undone")
      : event.kind === "pause" || event.kind === "goOn"
        ? say(event.kind === "pause" ? "play.paused" : "play.ev.goesOn")
        : event.kind === "stop"
          ? say("play.stopped")
          : event.kind === "object" || event.kind === "again" || event.kind === "dispute"
            ? ""
            : eventText(body, before, label);
  const sent = body.kind === "send";
  const aimed = sent ? aimedAt(before) : null;
  const score = after.score[before.side] ?? after.score[0]!;
  return {
    at: event.at,
    text: text || say("play.ev.goesOn"),
    score: sayWorking(score.working),
    part: sent ? (body.hit ?? body.rest ?? aimed) : null,
    hit:
      !sent || body.rest !== undefined || body.fell !== undefined
        ? null
        : body.hit != null && (aimed === null || body.hit === aimed),
  };
}

/** Replays a recorded go under the rules that it began with. It ends where the record no longer fits the rules. */
export function replayOf(go: RecordedGo): Replay {
  const parts = layoutOf(go.activity);
  const label = labelAmong(parts);
  const frames: Frame[] = [];
  let play = openPlay(go.game, go.setup, go.rulesVersion);
  for (const event of eventsNow(go.events)) {
    const next = referee(play, event);
    if (isRefusal(next)) break;
    frames.push(frameOf(event, view(play), view(next), label));
    play = next;
  }
  return {
    strokes: strokesOf(parts).filter(({ kind }) => kind !== "text" && kind !== "person"),
    starts: partsOf(parts, "line").flatMap((line) => (line.role === "start" ? [line.id] : [])),
    space: { length: go.activity.space.length, width: go.activity.space.width },
    crowded: partsOf(parts, "target").length > CROWD,
    frames,
  };
}
