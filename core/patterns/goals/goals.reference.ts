import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { ReferenceResult } from "../match.reference.ts";
import type { GoalsParams } from "./schema.ts";

/**
 * A second, simple implementation of Goals: a referee's notebook with one line for each whistle, and the side that
 * has the ball. It shares no code with the rules.
 */
export function tellGoals(
  params: GoalsParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult {
  const against = setup.mode === "against";
  const everybody = [...Array(setup.players).keys()];
  const teams = !against
    ? [everybody]
    : everybody.length < 2
      ? [everybody, everybody]
      : [everybody.filter((i) => i % 2 === 0), everybody.filter((i) => i % 2 === 1)];
  const seconds = against ? match.seconds : params.alone.by === "bell" ? params.alone.seconds : null;
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
  const teamOf = (by: number | undefined) => (by === undefined ? -1 : teams.findIndex((team) => team.includes(by)));

  function take(event: GameEvent): boolean {
    if (over || event.at < latest) return false;
    if (event.kind === "carry") return match.carry && rings() === null;
    if (!running) {
      if (event.kind !== "ready") return false;
      running = true;
      whistle = event.at;
      return true;
    }
    const bell = rings();
    if (event.kind === "bell") {
      if (bell === null || event.at < bell) return false;
      if (against && half < params.halves) {
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
    if (bell !== null && event.at > bell) return false;
    if (!against) {
      if (event.kind !== "count") return false;
      const most = params.alone.by === "count" ? params.alone.goals : 200;
      if (notebook[0]! + event.n > most) return false;
      notebook[0]! += event.n;
      if (params.alone.by === "count" && notebook[0] === most) {
        over = true;
        clock = event.at - whistle;
      }
      return true;
    }
    if (event.kind !== "point") return false;
    if (event.side !== null) {
      if (event.side > 1 || (shot && ball !== event.side)) return false;
      notebook[event.side]!++;
      shot = false;
      ball = params.after === "conceded" ? 1 - event.side : "anybody";
      if (params.points !== null && notebook[event.side]! >= params.points) over = true;
      return true;
    }
    if (event.why === "on") return true;
    if (event.why === "missed") {
      if (!shot) return false;
      shot = false;
      ball = 1 - (ball as number);
      return true;
    }
    if (shot) return false;
    const team = teamOf(event.by);
    if (event.why === "out") {
      if (params.out === "other" && event.by === undefined) return false;
      ball = params.out === "other" && team >= 0 ? 1 - team : "anybody";
      return true;
    }
    if (!(params.fouls as readonly string[]).includes(event.why ?? "") || team < 0) return false;
    ball = 1 - team;
    shot = params.penalty === "shot";
    return true;
  }
  for (const event of events) {
    const ok = take(event);
    if (ok) latest = event.at;
    accepted.push(ok);
  }
  const timed = !against && params.alone.by === "count";
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
