import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { ClimbParams } from "./schema.ts";

/**
 * A second, simple implementation of Climb from its description, for tests only. Each climber is a small story that
 * waits for events, and a loop passes the turn round. It shares no code with the rules.
 */
interface ReferenceResult {
  gos: { rung: number; sends: number; points: number; top: boolean; ms: number }[];
  rung: number;
  sends: number;
  points: number;
}
type Ask = "start" | "send" | "exercise";
type Came = { kind: "start" | "exercise" | "bell"; at: number } | { kind: "send"; hit: string | null; at: number };

function* story(
  params: ClimbParams & Match,
  me: ReferenceResult,
): Generator<Ask | "turnAfterHit" | "turnAfterMiss" | "turnAfterGo", void, Came> {
  const line = params.ladder.kind === "line";
  const order =
    params.ladder.kind === "line"
      ? params.ladder.lines.map(() => "")
      : params.ladder.targets
          .map((target, i) => ({ t: target, i }))
          .sort((x, y) => {
            if (params.ladder.kind !== "targets" || params.ladder.order === "listed") return x.i - y.i;
            const distance =
              params.ladder.order === "nearest" ? x.t.distance - y.t.distance : y.t.distance - x.t.distance;
            return distance || x.i - y.i;
          })
          .map(({ t: target }) => target.id);
  const theOne = params.ladder.kind === "line" ? params.ladder.target.id : null;
  for (let go = 1; go <= params.goes.count; go++) {
    let began = 0;
    if (params.seconds !== null || params.scoring.by === "time") began = (yield "start").at;
    let strikes = 0;
    let exercises = 0;
    me.rung = me.sends = me.points = 0;
    let ms = 0;
    while (true) {
      if (me.rung === order.length || (params.tries !== null && me.sends === params.tries)) break;
      const came = yield "send";
      ms = came.at - began;
      if (came.kind === "bell") {
        ms = params.seconds! * 1000;
        break;
      }
      if (came.kind !== "send") throw new Error("story: expected a send");
      me.sends++;
      const good = came.hit !== null && came.hit === (line ? theOne : order[me.rung]);
      if (good) {
        if (params.scoring.by === "points") me.points += params.scoring.first + params.scoring.growth * me.rung;
        me.rung++;
        if (me.rung < order.length && me.sends !== params.tries) yield "turnAfterHit";
        continue;
      }
      strikes++;
      if (me.sends === params.tries) continue;
      if (params.forfeit && strikes === params.forfeit.misses) {
        const most = params.forfeit.cap;
        if (typeof most === "number" && exercises === most) {
          strikes = 0;
          yield "turnAfterMiss";
          continue;
        }
        exercises++;
        const done = yield "exercise";
        if (done.kind === "bell") {
          ms = params.seconds! * 1000;
          break;
        }
        strikes = 0;
      }
      yield "turnAfterMiss";
    }
    me.gos.push({ rung: me.rung, sends: me.sends, points: me.points, top: me.rung === order.length, ms });
    if (go < params.goes.count) {
      me.rung = me.sends = me.points = 0;
      yield "turnAfterGo";
    }
  }
}

export interface OracleClimb {
  accepted: boolean[];
  player: number;
  over: boolean;
  values: number[];
  /** Null: a total of goes without points, which the description leaves open. */
  winners: number[] | null;
}

export function tellClimb(params: ClimbParams, match: Match, setup: Setup, events: readonly GameEvent[]): OracleClimb {
  const p = { ...params, ...match };
  const together = setup.mode === "relay";
  const results: ReferenceResult[] = Array.from({ length: together ? 1 : setup.players }, () => ({
    gos: [],
    rung: 0,
    sends: 0,
    points: 0,
  }));
  const stories = results.map((eachTold) => story(p, eachTold));
  const waits = stories.map((generator) => generator.next());
  const clock = p.seconds !== null || p.scoring.by === "time";
  const swap = clock && !together ? "go" : p.swap;
  let player = 0;
  let over = false;
  let began = 0;
  let last = 0;
  const mine = () => (together ? 0 : player);
  const accepted: boolean[] = [];

  const handOn = () => {
    if (waits.every((wait) => wait.done)) {
      over = true;
      return;
    }
    const before = player;
    do player = (player + 1) % setup.players;
    while (waits[mine()]!.done);
    const raceOn = p.end === "first" && setup.mode === "against" && swap === "send" && p.goes.count === 1;
    if (raceOn && player <= before && results.some((eachTold) => eachTold.gos.some((go) => go.top))) over = true;
  };
  /** Passes events to the story, skips its turn marks, and passes the turn on where the rules say so. */
  const feed = (came: Came) => {
    const i = mine();
    waits[i] = stories[i]!.next(came);
    const now = waits[i]!;
    const mark = now.done ? "turnAfterGo" : now.value;
    if (mark === "turnAfterHit" || mark === "turnAfterMiss" || mark === "turnAfterGo") {
      if (!now.done) waits[i] = stories[i]!.next(came);
      if (waits.every((wait) => wait.done)) over = true;
      else if (mark === "turnAfterGo" || swap === "send" || (swap === "miss" && mark === "turnAfterMiss")) handOn();
    }
  };

  for (const event of events) {
    const wait = waits[mine()]!;
    const ask = wait.done ? null : (wait.value as Ask);
    let ok = !over && event.at >= last && ask !== null;
    const due = p.seconds === null ? Number.POSITIVE_INFINITY : began + p.seconds * 1000;
    if (ok) {
      const known = p.ladder.kind === "line" ? [p.ladder.target.id] : p.ladder.targets.map((target) => target.id);
      if (ask === "start") ok = event.kind === "ready";
      else if (event.kind === "bell") ok = p.seconds !== null && event.at >= due;
      else if (ask === "exercise") ok = event.kind === "task" && event.at <= due;
      else
        ok =
          event.kind === "send" &&
          event.at <= due &&
          event.hit !== undefined &&
          (event.hit === null || known.includes(event.hit));
    }
    accepted.push(ok);
    if (!ok) continue;
    last = event.at;
    if (event.kind === "ready") {
      began = event.at;
      feed({ kind: "start", at: event.at });
    } else if (event.kind === "bell") feed({ kind: "bell", at: event.at });
    else if (event.kind === "task") feed({ kind: "exercise", at: event.at });
    else if (event.kind === "send") feed({ kind: "send", hit: event.hit ?? null, at: event.at });
  }

  const better = (go: ReferenceResult["gos"][number], round: ReferenceResult["gos"][number]): boolean => {
    if (p.scoring.by === "points") return go.points > round.points;
    if (go.top !== round.top) return go.top;
    if (!go.top) return go.rung > round.rung;
    return p.scoring.by === "tries" ? go.sends < round.sends : go.ms < round.ms;
  };
  const worth = (go: ReferenceResult["gos"][number]) =>
    p.scoring.by === "points" ? go.points : p.scoring.by === "tries" ? go.sends : Math.round(go.ms / 100);
  const all = results.map((eachTold, i) =>
    waits[i]!.done
      ? eachTold.gos
      : [...eachTold.gos, { rung: eachTold.rung, sends: eachTold.sends, points: eachTold.points, top: false, ms: 0 }],
  );
  const best = all.map((gos) => gos.reduce((go, round) => (better(round, go) ? round : go)));
  const values = all.map((gos, i) =>
    p.goes.keep === "total" ? gos.reduce((sum, go) => sum + worth(go), 0) : worth(best[i]!),
  );
  let winners: number[] | null = [];
  if (over && setup.mode === "against" && setup.players > 1 && p.goes.keep === "best")
    winners = best.flatMap((go, i) => (best.every((round) => !better(round, go)) ? [i] : []));
  else if (over && setup.mode === "against" && setup.players > 1 && p.scoring.by === "points")
    winners = values.flatMap((value, i) => (value === Math.max(...values) ? [i] : []));
  else if (over && setup.mode === "against" && setup.players > 1) winners = null;
  return { accepted, player, over, values, winners };
}
