import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { ReferenceResult } from "../match.reference.ts";
import type { BasesParams } from "./schema.ts";

/**
 * A second, simple implementation of Bases: people in a queue, and cushions with somebody sitting on them. It shares
 * no code with the rules.
 */
export function tellBases(
  params: BasesParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult {
  const everybody = [...Array(setup.players).keys()];
  const against = setup.mode === "against";
  const queues = !against
    ? [[...everybody]]
    : everybody.length < 2
      ? [[...everybody], [...everybody]]
      : [everybody.filter((i) => i % 2 === 0), everybody.filter((i) => i % 2 === 1)];
  const board = queues.map(() => 0);
  const home = params.bases + 1;
  /** The farthest runner first. An invisible one is "invisible". */
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
  const sits = (who: number) => circuit.some((runner) => runner.who === who);
  const next = () => queues[batting]!.find((who) => !sits(who)) ?? null;
  const rings = () => (running && match.seconds !== null ? whistle + 1000 * match.seconds : null);
  const swapSides = () => {
    circuit = [];
    gone = 0;
    batters = 0;
    strikes = 0;
    if (match.seconds !== null) running = false;
    if (batting + 1 < queues.length) batting++;
    else if (inning < params.innings) {
      inning++;
      batting = 0;
    } else over = true;
  };
  /** The batter goes to the back of the queue, together with everybody who stood before them. */
  const toTheBack = (who: number) => {
    const q = queues[batting]!;
    queues[batting] = [...q.slice(q.indexOf(who) + 1), ...q.slice(0, q.indexOf(who) + 1)];
    batters++;
    strikes = 0;
  };
  const settle = () => {
    const stop =
      (params.turn.by === "outs" && gone >= params.turn.outs) ||
      (params.turn.by === "batters" && batters >= params.turn.batters) ||
      batters >= 40 ||
      (next() === null && !params.waiting);
    if (stop) swapSides();
  };

  function take(event: GameEvent): boolean {
    if (over || event.at < latest) return false;
    if (event.kind === "carry") return match.carry && rings() === null && circuit.length === 0;
    if (!running) {
      if (event.kind !== "ready") return false;
      running = true;
      whistle = event.at;
      return true;
    }
    const bell = rings();
    if (event.kind === "bell") {
      if (bell === null || event.at < bell) return false;
      swapSides();
      return true;
    }
    if (bell !== null && event.at > bell) return false;
    if (event.kind === "choose") {
      if (!params.waiting || event.of !== "waiting") return false;
      const runner = circuit.find((eachRunner, i) => `r${i + 1}` === event.pick && eachRunner.who !== "invisible");
      if (!runner) return false;
      runner.who = "invisible";
      return true;
    }
    const bats = next();
    if (bats === null) return false;
    if (params.trips) {
      if (event.kind !== "total" || event.n > 30) return false;
      board[batting]! += event.n;
      toTheBack(bats);
      settle();
      return true;
    }
    if (event.kind !== "run") return false;
    if (event.missed) {
      strikes = Math.min(3, strikes + 1);
      if (strikes < 3 || !params.outs.includes("swings")) return true;
      gone++;
      toTheBack(bats);
      settle();
      return true;
    }
    if (event.caught) {
      if (!params.outs.includes("caught")) return false;
      gone++;
      toTheBack(bats);
      settle();
      return true;
    }
    const people = [...circuit, { who: bats as number | "invisible", at: 0 }];
    if (event.reached?.length !== people.length) return false;
    const out = event.out ?? [];
    if (out.length > 0 && !params.outs.includes("tagged") && !params.outs.includes("first")) return false;
    if (out.some((i) => i >= people.length || out.indexOf(i) !== out.lastIndexOf(i))) return false;
    if (people.some((person, i) => event.reached![i]! < person.at || event.reached![i]! > home)) return false;
    const free = (below: number) =>
      [...Array(below - 1).keys()].some((key) => !circuit.some((runner) => runner.at === key + 1));
    const touchOnly = !params.outs.includes("tagged");
    if (touchOnly && people.some((person, i) => person.at > 0 && out.includes(i) && free(person.at))) return false;
    if (people.some((person, i) => person.who === "invisible" && out.includes(i) && free(person.at))) return false;
    const batted = event.reached[people.length - 1]!;
    const after: typeof circuit = [];
    for (const [i, runner] of people.entries()) {
      const to = runner.who === "invisible" ? Math.min(home, runner.at + batted) : event.reached[i]!;
      if (out.includes(i)) continue;
      if (to === home) board[batting]!++;
      else if (to > 0) after.push({ who: runner.who, at: to });
    }
    circuit = after.sort((a, b) => b.at - a.at);
    gone += out.length;
    toTheBack(bats);
    settle();
    return true;
  }
  for (const event of events) {
    const ok = take(event);
    if (ok) latest = event.at;
    accepted.push(ok);
  }
  const best = Math.max(...board);
  const sorted = queues.map((queue) => [...queue].sort((a, b) => a - b)[0]!);
  return {
    accepted,
    player: next() ?? sorted[batting]!,
    over,
    values: board,
    winners: over && against ? board.flatMap((n, i) => (n === best ? [i] : [])) : [],
  };
}
