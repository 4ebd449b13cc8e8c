import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { ReferenceResult } from "../match.reference.ts";
import type { RallyParams } from "./schema.ts";

/**
 * A second, simple implementation of a Rally against each other: a strip of paper with one letter for each point,
 * read from its beginning each time. It shares no code with the rules.
 */
export function tellRally(
  params: RallyParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult {
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
  const heads = [0, 1].map((i) => Math.min(params.points - 1, setup.people?.[i]?.head ?? 0));
  /** Everything that follows from the strip: games, points of the current one, and who serves. */
  const read = () => {
    const games = [0, 0];
    let points = [...heads];
    let opener = 0;
    let server = 0;
    let count = 0;
    /** The players of a side in a row. A player who loses the serve goes to the back. */
    const rows = sides.map((side) => [...side]);
    const give = (to: number) => {
      if (to !== server) rows[server]!.push(rows[server]!.shift()!);
      server = to;
    };
    for (const mark of strip) {
      const side = mark === "A" ? 0 : 1;
      points[side]!++;
      count++;
      const ahead = Math.abs(points[0]! - points[1]!);
      if (points[side]! >= params.points && (!params.lead || ahead >= 2)) {
        games[side]!++;
        if (games[side]! * 2 > params.games) return { games, points, who: rows[server]![0]!, over: true };
        points = [...heads];
        if (params.serve.by !== "fixed") opener = 1 - opener;
        give(opener);
        count = 0;
        continue;
      }
      if (params.serve.by === "winner") give(side);
      if (params.serve.by === "loser") give(1 - side);
      if (params.serve.by === "alternate") give(Math.floor(count / params.serve.every) % 2 === 0 ? opener : 1 - opener);
    }
    return { games, points, who: rows[server]![0]!, over: false };
  };
  for (const event of events) {
    const now = read();
    let taken = true;
    const no = () => {
      taken = false;
    };
    if (over || now.over || event.at < latest) {
      accepted.push(false);
      continue;
    }
    const rings = started && match.seconds !== null ? from + 1000 * match.seconds : null;
    if (event.kind === "carry") {
      if (!match.carry || rings !== null) no();
      else latest = event.at;
    } else if (!started) {
      if (event.kind !== "ready") no();
      else {
        started = true;
        from = event.at;
        latest = event.at;
      }
    } else if (event.kind === "bell") {
      if (rings === null || event.at < rings) no();
      else {
        over = true;
        latest = event.at;
      }
    } else if (event.kind !== "point" || (rings !== null && event.at > rings)) no();
    else if (event.side === null) {
      if (event.why === "let") latest = event.at;
      else if (event.why === "fault" && params.serve.second && !faulted) {
        faulted = true;
        latest = event.at;
      } else no();
    } else if (
      event.side > 1 ||
      (event.why !== undefined && !["out", "net", "bounces", "missed", "serve"].includes(event.why))
    )
      no();
    else {
      strip += event.side === 0 ? "A" : "B";
      faulted = false;
      latest = event.at;
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
    values: params.games > 1 ? end.games : end.points,
    winners: done ? wins : [],
  };
}
