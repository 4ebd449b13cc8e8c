import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { Told } from "../match.reference.ts";
import type { GoalsParams } from "./params.ts";

/**
 * A second, plain telling of Goals: a referee's notebook, one line for each whistle, and somebody who holds the ball. It shares no code with the
 * rules.
 */
export function tellGoals(p: GoalsParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told {
  const against = setup.mode === "against";
  const everybody = [...Array(setup.players).keys()];
  const teams = !against
    ? [everybody]
    : everybody.length < 2
      ? [everybody, everybody]
      : [everybody.filter((i) => i % 2 === 0), everybody.filter((i) => i % 2 === 1)];
  const seconds = against ? match.seconds : p.alone.by === "bell" ? p.alone.seconds : null;
  const notebook: number[] = teams.map(() => 0);
  let ball = 0 as number | "anybody";
  let shot = false;
  let half = 1;
  let running = against && match.seconds === null;
  let whistle = 0;
  let latest = 0;
  let clock = 0;
  let over = false;
  const accepted: boolean[] = [];
  const rings = () => (running && seconds !== null ? whistle + 1000 * seconds : null);
  const teamOf = (by: number | undefined) => (by === undefined ? -1 : teams.findIndex((t) => t.includes(by)));

  function take(e: GameEvent): boolean {
    if (over || e.at < latest) return false;
    if (e.kind === "carry") return match.carry && rings() === null;
    if (!running) {
      if (e.kind !== "ready") return false;
      running = true;
      whistle = e.at;
      return true;
    }
    const bell = rings();
    if (e.kind === "bell") {
      if (bell === null || e.at < bell) return false;
      if (against && half < p.halves) {
        half = 2;
        running = false;
        ball = 1;
        shot = false;
      } else {
        over = true;
        clock = bell - whistle;
      }
      return true;
    }
    if (bell !== null && e.at > bell) return false;
    if (!against) {
      if (e.kind !== "count") return false;
      const most = p.alone.by === "count" ? p.alone.goals : 200;
      if (notebook[0]! + e.n > most) return false;
      notebook[0]! += e.n;
      if (p.alone.by === "count" && notebook[0] === most) {
        over = true;
        clock = e.at - whistle;
      }
      return true;
    }
    if (e.kind !== "point") return false;
    if (e.side !== null) {
      if (e.side > 1 || (shot && ball !== e.side)) return false;
      notebook[e.side]!++;
      shot = false;
      ball = p.after === "conceded" ? 1 - e.side : "anybody";
      if (p.points !== null && notebook[e.side]! >= p.points) over = true;
      return true;
    }
    if (e.why === "on") return true;
    if (e.why === "missed") {
      if (!shot) return false;
      shot = false;
      ball = 1 - (ball as number);
      return true;
    }
    if (shot) return false;
    const team = teamOf(e.by);
    if (e.why === "out") {
      if (p.out === "other" && e.by === undefined) return false;
      ball = p.out === "other" && team >= 0 ? 1 - team : "anybody";
      return true;
    }
    if (!(p.fouls as readonly string[]).includes(e.why ?? "") || team < 0) return false;
    ball = 1 - team;
    shot = p.penalty === "shot";
    return true;
  }
  for (const e of events) {
    const ok = take(e);
    if (ok) latest = e.at;
    accepted.push(ok);
  }
  const timed = !against && p.alone.by === "count";
  const values = timed ? [Math.round(clock / 100)] : notebook;
  const best = Math.max(...notebook);
  return {
    accepted,
    player: teams[ball === "anybody" ? 0 : ball]![0]!,
    over,
    values,
    winners: over && against ? notebook.flatMap((n, i) => (n === best ? [i] : [])) : [],
  };
}
