import type { GameEvent, PlayEvent } from "#core/events/events.ts";
import type { View } from "#core/referee/play.ts";
import type { Part } from "#core/yard/parts.ts";
import { say, sayPhrase, sayScore, targetName } from "#words/say.ts";
import type { CardData } from "./card-app.tsx";
import { zoneName } from "./inputs/zones.tsx";

/** What the things and places of a card are called. */
export const labelOf = (data: CardData) => labelAmong(data.card.parts);
export const labelAmong = (parts: readonly Part[]) => (id: string) => {
  const part = parts.find((p) => "id" in p && p.id === id);
  if (part?.kind === "target") return targetName(part);
  if (part?.kind === "line")
    return part.role === "mark" ? say("play.caught") : say("play.lineName", { label: part.label ?? "" });
  if (part?.kind === "cell") return say("play.cell", { label: part.label });
  return part?.kind === "zone" ? say("play.points", { points: part.points }) : zoneName(id);
};

/** What was seen, in words. */
export function seenText(e: GameEvent, label: (id: string) => string): string | null {
  switch (e.kind) {
    case "send":
      if (e.foot) return say("play.ev.foot");
      if (e.rest === "in") {
        const mm = e.away ?? (e.spot && Math.hypot(e.spot.along, e.spot.across));
        return mm === undefined ? say("play.jackIn") : say("play.ev.away", { cm: Math.round(mm / 10) });
      }
      if (e.rest !== undefined) return say("play.ev.rest", { zone: label(e.rest) });
      if (e.fell !== undefined) return say("play.ev.fell", { count: Array.isArray(e.fell) ? e.fell.length : e.fell });
      return e.hit ? say("play.ev.hit", { label: label(e.hit) }) : say("play.ev.miss");
    case "run":
      return e.missed ? say("bat.missed") : e.caught ? say("bat.caught") : null;
    case "point":
      return e.side === null
        ? e.why && ["fault", "let", "out"].includes(e.why)
          ? say(e.why === "out" ? "goal.out" : `point.${e.why}`)
          : null
        : say("play.ev.point");
    case "measure":
      return say("play.ev.measured", { piece: e.piece, cm: Math.round(e.away / 10) });
    case "choose":
      if (e.of === "tick") return say("play.done");
      if (e.of === "action" && e.pick !== null) return say(`way.${e.pick}`);
      return e.pick !== null && (e.of === "target" || e.of === "spot")
        ? say("play.ev.chose", { label: label(e.pick) })
        : null;
    // Of a run only the number after it is what counts.
    case "total":
      return say("play.ev.total", { count: e.n });
    default:
      return null;
  }
}

/** What is read out after something was told: what it was, the score of whoever did it, and who does what next. */
export function heard(
  event: PlayEvent,
  { before, after }: { before: View; after: View },
  data: CardData,
  { name, verb, silent }: { name: (player: number) => string; verb: string; silent: boolean },
): string {
  const what =
    event.kind === "undo"
      ? say("play.undone")
      : event.kind === "correct"
        ? seenText(event.event as GameEvent, labelOf(data))
        : event.kind === "count"
          ? say(event.drop ? "play.dropped" : "play.counted", { count: event.n })
          : seenText(event as GameEvent, labelOf(data));
  if (what === null) return "";
  const several = after.score.length > 1;
  const side = event.kind === "undo" ? after.side : before.side;
  const { value, unit, players } = after.score[side]!;
  const score = sayScore(value, unit);
  const next = after.done
    ? say("play.over")
    : after.score.length > 1 || after.player !== before.player
      ? say("play.turn", { name: name(after.player) })
      : sayPhrase(after.now, {}, { verb });
  if (silent) return say("play.heardNext", { what, next });
  return say("play.heard", {
    what,
    score: several ? say("play.heardScore", { name: players.map(name).join(", "), score }) : score,
    next,
  });
}
