import { mainAsks } from "#core/asks/ask.ts";
import type { GameEvent, PlayEvent } from "#core/events/events.ts";
import type { View } from "#core/referee/play.ts";
import type { Part } from "#core/yard/parts.ts";
import { say, sayPhrase, sayScore, targetName } from "#words/say.ts";
import type { CardData } from "./card-data.ts";
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

/** Where a place of a square lies that is `n` wide. */
const placeIn = (at: number, n: number) => say("square.at", { row: Math.floor(at / n) + 1, column: (at % n) + 1 });

/** How far everybody ran, as the batter and those who were put out. */
function ranText(e: GameEvent & { kind: "run" }, before: View): string {
  const to = e.reached?.at(-1) ?? 0;
  const asked = mainAsks(before.asks)[0];
  const home = asked?.kind === "send" && asked.aim.kind === "bat" ? asked.aim.home : null;
  const out = e.out?.length ?? 0;
  const batter = to === 0 ? say("bat.none") : to === home ? say("bat.home") : say("bat.base", { base: to });
  return say("bat.ran", { where: batter, out });
}

/** What was told that is no send, in words: everything that a tap tells has some. */
function toldText(e: GameEvent, before: View, label: (id: string) => string): string | null {
  switch (e.kind) {
    case "run":
      return seenText(e, label) ?? ranText(e, before);
    case "count":
      return say(e.drop ? "play.ev.dropped" : "play.counted", { count: e.n });
    case "point":
      return seenText(e, label) ?? say("play.ev.told");
    case "task":
      return say("play.done");
    case "stand": {
      const asked = before.asks.find((a) => a.kind === "stand");
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
      const n = asked?.kind === "swap" ? asked.n : 1;
      return say("play.ev.swapped", { a: placeIn(e.a, n), b: placeIn(e.b, n) });
    }
    case "arrange":
      return say("play.theyStand");
    case "move":
      return e.place === "in" || e.place === "out"
        ? say(e.place === "in" ? "play.jackMoved" : "play.outside")
        : say("play.ev.moved", { label: label(e.place) });
    case "choose":
      if (e.of === "rest") return say("play.thatIsAll");
      return (
        seenText(e, label) ?? (e.pick === null ? say("play.noBlocker") : say("play.ev.chose", { label: label(e.pick) }))
      );
    case "set":
      return say("play.ev.set");
    default:
      return seenText(e, label);
  }
}

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
  { name, attempt, silent }: { name: (player: number) => string; attempt: Record<string, string>; silent: boolean },
): string {
  const what =
    event.kind === "undo"
      ? say("play.undone")
      : event.kind === "correct"
        ? toldText(event.event as GameEvent, before, labelOf(data))
        : event.kind === "pause" || event.kind === "goOn"
          ? say(event.kind === "pause" ? "play.paused" : "play.ev.goesOn")
          : toldText(event as GameEvent, before, labelOf(data));
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
  if (silent) return say("play.heardNext", { what, next });
  return say("play.heard", {
    what,
    score: several ? say("play.heardScore", { name: players.map(name).join(", "), score }) : score,
    next,
  });
}
