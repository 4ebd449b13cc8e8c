import { mainAsks } from "#core/asks/ask.ts";
import type { GameEvent, PlayEvent } from "#core/events/events.ts";
import type { View } from "#core/referee/play.ts";
import type { Part } from "#core/yard/parts.ts";
import { say, sayPhrase, sayScore, targetName } from "#words/say.ts";
import type { CardData } from "../card/card-data.ts";
import { zoneName } from "../inputs/zones.tsx";

/** The names of a card's items and places. */
export const labelOf = (data: CardData) => labelAmong(data.card.parts);
export const labelAmong = (parts: readonly Part[]) => (id: string) => {
  const part = parts.find((eachPart) => "id" in eachPart && eachPart.id === id);
  if (part?.kind === "target") return targetName(part);
  if (part?.kind === "line")
    return part.role === "mark" ? say("play.caught") : say("play.lineName", { label: part.label ?? "" });
  if (part?.kind === "cell") return say("play.cell", { label: part.label });
  return part?.kind === "zone" ? say("play.points", { points: part.points }) : zoneName(id);
};

/** Describes a place in a square that is `count` wide. */
const placeIn = (at: number, count: number) =>
  say("square.at", { row: Math.floor(at / count) + 1, column: (at % count) + 1 });

/** The base that the batter and every runner reached, and who is out. */
function ranText(e: GameEvent & { kind: "run" }, before: View): string {
  const to = e.reached?.at(-1) ?? 0;
  const asked = mainAsks(before.asks)[0];
  const home = asked?.kind === "send" && asked.aim.kind === "bat" ? asked.aim.home : null;
  const out = e.out?.length ?? 0;
  const batter = to === 0 ? say("bat.none") : to === home ? say("bat.home") : say("bat.base", { base: to });
  return say("bat.ran", { where: batter, out });
}

/** Describes an event that is not an attempt. Every event that a tap reports has a description. */
export function eventText(event: GameEvent, before: View, label: (id: string) => string): string | null {
  switch (event.kind) {
    case "run":
      return seenText(event, label) ?? ranText(event, before);
    case "count":
      return say(event.drop ? "play.ev.dropped" : "play.counted", { count: event.n });
    case "point":
      return seenText(event, label) ?? say("play.ev.told");
    case "task":
      return say("play.done");
    case "stand": {
      const asked = before.asks.find((ask) => ask.kind === "stand");
      return say(asked?.kind === "stand" && asked.what === "jack" ? "play.jackPlaced" : "play.allStand");
    }
    case "ready":
      return say(
        before.now.key === "play.ready"
          ? "play.ev.started"
          : before.now.key === "board.closing"
            ? "board.noneFlew"
            : "play.ev.roundCounted",
      );
    case "mix":
      return say("play.ev.mixed");
    case "swap": {
      const asked = mainAsks(before.asks)[0];
      const count = asked?.kind === "swap" ? asked.n : 1;
      return say("play.ev.swapped", { a: placeIn(event.a, count), b: placeIn(event.b, count) });
    }
    case "arrange":
      return say("play.theyStand");
    case "move":
      return event.place === "in" || event.place === "out"
        ? say(event.place === "in" ? "play.jackMoved" : "play.outside")
        : say("play.ev.moved", { label: label(event.place) });
    case "choose":
      if (event.of === "rest") return say("play.thatIsAll");
      return (
        seenText(event, label) ??
        (event.pick === null ? say("play.noBlocker") : say("play.ev.chose", { label: label(event.pick) }))
      );
    case "set":
      return say("play.ev.set");
    default:
      return seenText(event, label);
  }
}

/** Describes in words what was seen. */
export function seenText(event: GameEvent, label: (id: string) => string): string | null {
  switch (event.kind) {
    case "send":
      if (event.foot) return say("play.ev.foot");
      if (event.rest === "in") {
        const mm = event.away ?? (event.spot && Math.hypot(event.spot.along, event.spot.across));
        return mm === undefined ? say("play.jackIn") : say("play.ev.away", { cm: Math.round(mm / 10) });
      }
      if (event.rest !== undefined) return say("play.ev.rest", { zone: label(event.rest) });
      if (event.fell !== undefined)
        return say("play.ev.fell", { count: Array.isArray(event.fell) ? event.fell.length : event.fell });
      return event.hit ? say("play.ev.hit", { label: label(event.hit) }) : say("play.ev.miss");
    case "run":
      return event.missed ? say("bat.missed") : event.caught ? say("bat.caught") : null;
    case "point":
      return event.side === null
        ? event.why && ["fault", "let", "out"].includes(event.why)
          ? say(event.why === "out" ? "goal.out" : `point.${event.why}`)
          : null
        : say("play.ev.point");
    case "measure":
      return say("play.ev.measured", { piece: event.piece, cm: Math.round(event.away / 10) });
    case "choose":
      if (event.of === "tick") return say("play.done");
      if (event.of === "action" && event.pick !== null) return say(`way.${event.pick}`);
      return event.pick !== null && (event.of === "target" || event.of === "spot")
        ? say("play.ev.chose", { label: label(event.pick) })
        : null;
    // For a run, only the number after it matters.
    case "total":
      return say("play.ev.total", { count: event.n });
    default:
      return null;
  }
}

/** What is read out after an event: what happened, the new score of the player, and who does what next. */
export function heard(
  event: PlayEvent,
  { before, after }: { before: View; after: View },
  data: CardData,
  { name, attempt, silent }: { name: (player: number) => string; attempt: Record<string, string>; silent: boolean },
): string {
  const what =
    event.kind === "undo"
      ? say("play.undone")
      : event.kind === "correct"
        ? eventText(event.event as GameEvent, before, labelOf(data))
        : event.kind === "pause" || event.kind === "goOn"
          ? say(event.kind === "pause" ? "play.paused" : "play.ev.goesOn")
          : eventText(event as GameEvent, before, labelOf(data));
  if (what === null) return "";
  const several = after.score.length > 1;
  const side = event.kind === "undo" ? after.side : before.side;
  const { value, unit, players } = after.score[side]!;
  const score = sayScore(value, unit, attempt);
  const next = after.done
    ? say("play.over")
    : after.score.length > 1 || after.player !== before.player
      ? say("play.turn", { name: name(after.player) })
      : sayPhrase(after.now, {}, attempt);
  // The surrounding sentence has its own full stop.
  const happened = what.replace(/\.$/, "");
  if (silent) return say("play.heardNext", { what: happened, next });
  return say("play.heard", {
    what: happened,
    score: several ? say("play.heardScore", { name: players.map(name).join(", "), score }) : score,
    next,
  });
}
