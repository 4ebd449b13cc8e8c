import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { Told } from "../match.reference.ts";
import type { ClosestParams } from "./params.ts";

/** A second, plain telling of Closest from its description: a chalk drawing, round by round. It shares no code with the rules. */
export function tellClosest(p: ClosestParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told {
  const people = [...Array(setup.players).keys()];
  const teams = setup.mode === "against" ? people.map((i) => [i]) : [people];
  const S = teams.length;
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
    jack = p.jack === "placed" ? "lies" : "none";
  };
  fresh();
  const nearestOf = (t: number) =>
    floor.reduce((n, c) => (c.team === t && typeof c.far === "number" ? Math.min(n, c.far) : n), 9e9);
  const done = () =>
    (p.finish.points !== null && Math.max(markPoints, ...points) >= p.finish.points) ||
    rounds >= (p.finish.rounds ?? 40);
  const complete = () => floor.length === S * p.pieces;
  const next = (): number => {
    if (jack === "twice") return (lead + 1) % S;
    if (jack === "none" || complete() || floor.length === 0) return lead;
    if (p.order === "turn") return (lead + floor.length) % S;
    let who = -1;
    for (let k = 1; k <= S; k++) {
      const t = (lastTeam + k) % S;
      if (floor.filter((c) => c.team === t).length === p.pieces) continue;
      if (who < 0 || nearestOf(t) > nearestOf(who)) who = t;
    }
    return who;
  };
  const far = (e: { away?: number | undefined; spot?: { along: number; across: number } | undefined }) =>
    e.away ?? (e.spot && Math.round(Math.sqrt(e.spot.along ** 2 + e.spot.across ** 2)));

  const accepted: boolean[] = [];
  let last = 0;
  for (const e of events) {
    let ok = false;
    const seen = !done() && e.at >= last;
    if (seen && e.kind === "send" && jack === "none") {
      if (e.rest === "in") {
        jack = "lies";
        ok = true;
      } else if (e.rest === "short" || e.rest === "over") {
        vain++;
        if (vain === 2) jack = "twice";
        ok = true;
      }
    } else if (seen && e.kind === "send" && jack === "lies" && !complete()) {
      const lies = e.rest === "in" ? far(e) : e.rest === "over" && p.dead ? "out" : undefined;
      if (lies !== undefined) {
        const t = next();
        floor.push({ team: t, far: lies });
        thrown[t]!++;
        lastTeam = t;
        ok = true;
      }
    } else if (seen && e.kind === "stand" && jack === "twice") {
      jack = "lies";
      ok = true;
    } else if (seen && e.kind === "measure") {
      const c = floor[e.piece - 1];
      if (c && c.far !== "out") {
        c.far = e.away;
        ok = true;
      }
    } else if (seen && e.kind === "move" && jack === "lies" && floor.length > 0) {
      if (e.piece === 0) {
        if (p.struck === "stays" && e.place === "out") {
          fresh();
          ok = true;
        } else if (p.struck === "stays" && e.place === "in") {
          for (const c of floor) if (c.far !== "out") c.far = "?";
          ok = true;
        }
      } else {
        const c = floor[e.piece - 1];
        if (c && e.place === "over" && p.dead) {
          c.far = "out";
          ok = true;
        } else if (c && e.place === "in" && e.spot) {
          c.far = far({ spot: e.spot })!;
          ok = true;
        }
      }
    } else if (seen && e.kind === "ready" && jack === "lies" && complete() && floor.every((c) => c.far !== "?")) {
      const mark = S === 1 ? Math.round(p.mark * 1000) : 9e9;
      const won = teams.map((_, t) => {
        const bar = Math.min(mark, ...teams.map((_x, o) => (o === t ? 9e9 : nearestOf(o))));
        return floor.filter((c) => c.team === t && typeof c.far === "number" && c.far < bar).length;
      });
      if (S === 1 && nearestOf(0) > mark) markPoints++;
      for (const [t, n] of won.entries()) points[t]! += n;
      const winner = won.findIndex((n) => n > 0);
      if (p.leads === "alternate") lead = (lead + 1) % S;
      else if (winner >= 0) {
        const others = [...Array(S - 1).keys()].map((k) => (winner + 1 + k) % S);
        const worst = Math.max(...others.map(nearestOf));
        lead = p.leads === "winner" || S === 1 ? winner : others.find((t) => nearestOf(t) === worst)!;
      }
      rounds++;
      fresh();
      ok = true;
    } else if (seen && e.kind === "carry") {
      ok = match.carry && floor.length === 0 && jack !== "twice" && rounds > 0;
    }
    if (ok) last = e.at;
    accepted.push(ok);
  }
  const over = done();
  const best = Math.max(...points);
  const against = setup.mode === "against" && S > 1;
  const t = next();
  return {
    accepted,
    player: teams[t]![thrown[t]! % teams[t]!.length]!,
    over,
    values: points,
    winners: over && against ? points.flatMap((n, i) => (n === best ? [i] : [])) : [],
  };
}
