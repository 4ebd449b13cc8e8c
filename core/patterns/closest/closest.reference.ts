import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { ReferenceResult } from "../match.reference.ts";
import type { ClosestParams } from "./schema.ts";

/**
 * A second, simple implementation of Closest from its description: a chalk drawing, round by round. It shares no code
 * with the rules.
 */
export function tellClosest(
  field: ClosestParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult {
  const people = [...Array(setup.players).keys()];
  const teams = setup.mode === "against" ? people.map((i) => [i]) : [people];
  const length = teams.length;
  const points = teams.map(() => 0);
  let markPoints = 0;
  let rounds = 0;
  let lead = 0;
  const thrown = teams.map(() => 0);
  type Chalk = { team: number; far: number | "?" | "out" };
  let floor: Chalk[] = [];
  let jack: "none" | "twice" | "lies" = "none";
  let vain = 0;
  let lastTeam = 0;
  const fresh = () => {
    floor = [];
    vain = 0;
    jack = field.jack === "placed" ? "lies" : "none";
  };
  fresh();
  const nearestOf = (t: number) =>
    floor.reduce((n, chalk) => (chalk.team === t && typeof chalk.far === "number" ? Math.min(n, chalk.far) : n), 9e9);
  const done = () =>
    (field.finish.points !== null && Math.max(markPoints, ...points) >= field.finish.points) ||
    rounds >= (field.finish.rounds ?? 40);
  const complete = () => floor.length === length * field.pieces;
  const next = (): number => {
    if (jack === "twice") return (lead + 1) % length;
    if (jack === "none" || complete() || floor.length === 0) return lead;
    if (field.order === "turn") return (lead + floor.length) % length;
    let who = -1;
    for (let k = 1; k <= length; k++) {
      const t = (lastTeam + k) % length;
      if (floor.filter((chalk) => chalk.team === t).length === field.pieces) continue;
      if (who < 0 || nearestOf(t) > nearestOf(who)) who = t;
    }
    return who;
  };
  const far = (e: { away?: number | undefined; spot?: { along: number; across: number } | undefined }) =>
    e.away ?? (e.spot && Math.round(Math.sqrt(e.spot.along ** 2 + e.spot.across ** 2)));

  const accepted: boolean[] = [];
  let last = 0;
  for (const event of events) {
    let ok = false;
    const seen = !done() && event.at >= last;
    if (seen && event.kind === "send" && jack === "none") {
      if (event.rest === "in") {
        jack = "lies";
        ok = true;
      } else if (event.rest === "short" || event.rest === "over") {
        vain++;
        if (vain === 2) jack = "twice";
        ok = true;
      }
    } else if (seen && event.kind === "send" && jack === "lies" && !complete()) {
      const lies = event.rest === "in" ? far(event) : event.rest === "over" && field.dead ? "out" : undefined;
      if (lies !== undefined) {
        const t = next();
        floor.push({ team: t, far: lies });
        thrown[t]!++;
        lastTeam = t;
        ok = true;
      }
    } else if (seen && event.kind === "stand" && jack === "twice") {
      jack = "lies";
      ok = true;
    } else if (seen && event.kind === "measure") {
      const chalk = floor[event.piece - 1];
      if (chalk && chalk.far !== "out") {
        chalk.far = event.away;
        ok = true;
      }
    } else if (seen && event.kind === "move" && jack === "lies" && floor.length > 0) {
      if (event.piece === 0) {
        if (field.struck === "stays" && event.place === "out") {
          fresh();
          ok = true;
        } else if (field.struck === "stays" && event.place === "in") {
          for (const chalk of floor) if (chalk.far !== "out") chalk.far = "?";
          ok = true;
        }
      } else {
        const chalk = floor[event.piece - 1];
        if (chalk && event.place === "over" && field.dead) {
          chalk.far = "out";
          ok = true;
        } else if (chalk && event.place === "in" && event.spot) {
          chalk.far = far({ spot: event.spot })!;
          ok = true;
        }
      }
    } else if (
      seen &&
      event.kind === "ready" &&
      jack === "lies" &&
      complete() &&
      floor.every((chalk) => chalk.far !== "?")
    ) {
      const mark = length === 1 ? Math.round(field.mark * 1000) : 9e9;
      const won = teams.map((_, t) => {
        const bar = Math.min(mark, ...teams.map((_x, o) => (o === t ? 9e9 : nearestOf(o))));
        return floor.filter((chalk) => chalk.team === t && typeof chalk.far === "number" && chalk.far < bar).length;
      });
      if (length === 1 && nearestOf(0) > mark) markPoints++;
      for (const [t, count] of won.entries()) points[t]! += count;
      const winner = won.findIndex((n) => n > 0);
      if (field.leads === "alternate") lead = (lead + 1) % length;
      else if (winner >= 0) {
        const others = [...Array(length - 1).keys()].map((key) => (winner + 1 + key) % length);
        const worst = Math.max(...others.map(nearestOf));
        lead = field.leads === "winner" || length === 1 ? winner : others.find((other) => nearestOf(other) === worst)!;
      }
      rounds++;
      fresh();
      ok = true;
    } else if (seen && event.kind === "carry") {
      ok = match.carry && floor.length === 0 && jack !== "twice" && rounds > 0;
    }
    if (ok) last = event.at;
    accepted.push(ok);
  }
  const over = done();
  const best = Math.max(...points);
  const against = setup.mode === "against" && length > 1;
  const t = next();
  return {
    accepted,
    player: teams[t]![thrown[t]! % teams[t]!.length]!,
    over,
    values: points,
    winners: over && against ? points.flatMap((point, i) => (point === best ? [i] : [])) : [],
  };
}
