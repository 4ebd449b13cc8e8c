import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { Told } from "../match.reference.ts";
import type { RallyParams } from "./params.ts";

/**
 * A second, plain telling of a Rally against each other: a strip of paper with one letter a point, read from its beginning each time. It shares no code
 * with the rules.
 */
export function tellRally(p: RallyParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told {
  let strip = "";
  const accepted: boolean[] = [];
  let faulted = false;
  let over = false;
  let started = match.seconds === null;
  let from = 0;
  let latest = 0;
  const everybody = [...Array(setup.players).keys()];
  const sides =
    setup.players < 2
      ? [everybody, everybody]
      : [everybody.filter((i) => i % 2 === 0), everybody.filter((i) => i % 2 === 1)];
  const heads = [0, 1].map((i) => Math.min(p.points - 1, setup.people?.[i]?.head ?? 0));
  /** Everything that the strip says: games, points of the one under way, and who serves. */
  const read = () => {
    const games = [0, 0];
    let points = [...heads];
    let opener = 0;
    let server = 0;
    let n = 0;
    /** Everybody of a side behind each other; whoever gives the serve away goes to the back. */
    const rows = sides.map((x) => [...x]);
    const give = (to: number) => {
      if (to !== server) rows[server]!.push(rows[server]!.shift()!);
      server = to;
    };
    for (const mark of strip) {
      const side = mark === "A" ? 0 : 1;
      points[side]!++;
      n++;
      const ahead = Math.abs(points[0]! - points[1]!);
      if (points[side]! >= p.points && (!p.lead || ahead >= 2)) {
        games[side]!++;
        if (games[side]! * 2 > p.games) return { games, points, who: rows[server]![0]!, over: true };
        points = [...heads];
        if (p.serve.by !== "fixed") opener = 1 - opener;
        give(opener);
        n = 0;
        continue;
      }
      if (p.serve.by === "winner") give(side);
      if (p.serve.by === "loser") give(1 - side);
      if (p.serve.by === "alternate") give(Math.floor(n / p.serve.every) % 2 === 0 ? opener : 1 - opener);
    }
    return { games, points, who: rows[server]![0]!, over: false };
  };
  for (const e of events) {
    const now = read();
    let taken = true;
    const no = () => {
      taken = false;
    };
    if (over || now.over || e.at < latest) {
      accepted.push(false);
      continue;
    }
    const rings = started && match.seconds !== null ? from + 1000 * match.seconds : null;
    if (e.kind === "carry") {
      if (!match.carry || rings !== null) no();
      else latest = e.at;
    } else if (!started) {
      if (e.kind !== "ready") no();
      else {
        started = true;
        from = e.at;
        latest = e.at;
      }
    } else if (e.kind === "bell") {
      if (rings === null || e.at < rings) no();
      else {
        over = true;
        latest = e.at;
      }
    } else if (e.kind !== "point" || (rings !== null && e.at > rings)) no();
    else if (e.side === null) {
      if (e.why === "let") latest = e.at;
      else if (e.why === "fault" && p.serve.second && !faulted) {
        faulted = true;
        latest = e.at;
      } else no();
    } else if (e.side > 1 || (e.why !== undefined && !["out", "net", "bounces", "missed", "serve"].includes(e.why)))
      no();
    else {
      strip += e.side === 0 ? "A" : "B";
      faulted = false;
      latest = e.at;
    }
    accepted.push(taken);
  }
  const end = read();
  const done = over || end.over;
  const rank = (i: number) => 1000 * end.games[i]! + end.points[i]!;
  const best = end.over ? Math.max(...end.games) : Math.max(rank(0), rank(1));
  const wins = [0, 1].filter((i) => (end.over ? end.games[i]! : rank(i)) === best);
  return {
    accepted,
    player: end.who,
    over: done,
    values: p.games > 1 ? end.games : end.points,
    winners: done ? wins : [],
  };
}
