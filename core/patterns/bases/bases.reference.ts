import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { Told } from "../match.reference.ts";
import type { BasesParams } from "./params.ts";

/** A second, plain telling of Bases: people in a queue, and cushions with whoever sits on them. It shares no code with the rules. */
export function tellBases(p: BasesParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told {
  const everybody = [...Array(setup.players).keys()];
  const against = setup.mode === "against";
  const queues = !against
    ? [[...everybody]]
    : everybody.length < 2
      ? [[...everybody], [...everybody]]
      : [everybody.filter((i) => i % 2 === 0), everybody.filter((i) => i % 2 === 1)];
  const board = queues.map(() => 0);
  const home = p.bases + 1;
  /** Farthest first; an invisible runner is "invisible". */
  let circuit: { who: number | "invisible"; at: number }[] = [];
  let batting = 0;
  let inning = 1;
  let gone = 0;
  let batters = 0;
  let strikes = 0;
  let over = false;
  let running = match.seconds === null;
  let whistle = 0;
  let latest = 0;
  const accepted: boolean[] = [];
  const sits = (who: number) => circuit.some((c) => c.who === who);
  const next = () => queues[batting]!.find((who) => !sits(who)) ?? null;
  const rings = () => (running && match.seconds !== null ? whistle + 1000 * match.seconds : null);
  const swapSides = () => {
    circuit = [];
    gone = 0;
    batters = 0;
    strikes = 0;
    if (match.seconds !== null) running = false;
    if (batting + 1 < queues.length) batting++;
    else if (inning < p.innings) {
      inning++;
      batting = 0;
    } else over = true;
  };
  /** Whoever batted goes to the back; everybody who stood before it in the queue does so with it. */
  const toTheBack = (who: number) => {
    const q = queues[batting]!;
    queues[batting] = [...q.slice(q.indexOf(who) + 1), ...q.slice(0, q.indexOf(who) + 1)];
    batters++;
    strikes = 0;
  };
  const settle = () => {
    const stop =
      (p.turn.by === "outs" && gone >= p.turn.outs) ||
      (p.turn.by === "batters" && batters >= p.turn.batters) ||
      batters >= 40 ||
      (next() === null && !p.waiting);
    if (stop) swapSides();
  };

  function take(e: GameEvent): boolean {
    if (over || e.at < latest) return false;
    if (e.kind === "carry") return match.carry && rings() === null && circuit.length === 0;
    if (!running) {
      if (e.kind !== "ready") return false;
      running = true;
      whistle = e.at;
      return true;
    }
    const bell = rings();
    if (e.kind === "bell") {
      if (bell === null || e.at < bell) return false;
      swapSides();
      return true;
    }
    if (bell !== null && e.at > bell) return false;
    if (e.kind === "choose") {
      if (!p.waiting || e.of !== "waiting") return false;
      const c = circuit.find((x, i) => `r${i + 1}` === e.pick && x.who !== "invisible");
      if (!c) return false;
      c.who = "invisible";
      return true;
    }
    const bats = next();
    if (bats === null) return false;
    if (p.trips) {
      if (e.kind !== "total" || e.n > 30) return false;
      board[batting]! += e.n;
      toTheBack(bats);
      settle();
      return true;
    }
    if (e.kind !== "run") return false;
    if (e.missed) {
      strikes = Math.min(3, strikes + 1);
      if (strikes < 3 || !p.outs.includes("swings")) return true;
      gone++;
      toTheBack(bats);
      settle();
      return true;
    }
    if (e.caught) {
      if (!p.outs.includes("caught")) return false;
      gone++;
      toTheBack(bats);
      settle();
      return true;
    }
    const people = [...circuit, { who: bats as number | "invisible", at: 0 }];
    if (e.reached?.length !== people.length) return false;
    const out = e.out ?? [];
    if (out.length > 0 && !p.outs.includes("tagged") && !p.outs.includes("first")) return false;
    if (out.some((i) => i >= people.length || out.indexOf(i) !== out.lastIndexOf(i))) return false;
    if (people.some((c, i) => e.reached![i]! < c.at || e.reached![i]! > home)) return false;
    const free = (below: number) => [...Array(below - 1).keys()].some((b) => !circuit.some((c) => c.at === b + 1));
    const touchOnly = !p.outs.includes("tagged");
    if (touchOnly && people.some((c, i) => c.at > 0 && out.includes(i) && free(c.at))) return false;
    if (people.some((c, i) => c.who === "invisible" && out.includes(i) && free(c.at))) return false;
    const batted = e.reached[people.length - 1]!;
    const after: typeof circuit = [];
    for (const [i, c] of people.entries()) {
      const to = c.who === "invisible" ? Math.min(home, c.at + batted) : e.reached[i]!;
      if (out.includes(i)) continue;
      if (to === home) board[batting]!++;
      else if (to > 0) after.push({ who: c.who, at: to });
    }
    circuit = after.sort((a, b) => b.at - a.at);
    gone += out.length;
    toTheBack(bats);
    settle();
    return true;
  }
  for (const e of events) {
    const ok = take(e);
    if (ok) latest = e.at;
    accepted.push(ok);
  }
  const best = Math.max(...board);
  const sorted = queues.map((q) => [...q].sort((a, b) => a - b)[0]!);
  return {
    accepted,
    player: next() ?? sorted[batting]!,
    over,
    values: board,
    winners: over && against ? board.flatMap((n, i) => (n === best ? [i] : [])) : [],
  };
}
