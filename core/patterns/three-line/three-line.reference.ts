import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { ThreeLineParams } from "./schema.ts";

/**
 * A second, simple implementation of Three-line alone: a board of rows that is searched for a line after every piece.
 * It shares no code with the rules.
 */
function story(params: ThreeLineParams): Story {
  const count = params.size;
  /** Where each piece lies, in the order in which they were sent. */
  let lying: [row: number, column: number][] = [];
  let sends = 0;
  const square = (id: string): [number, number] | null => {
    const match = /^c([1-9])([1-9])$/.exec(id);
    if (!match || Number(match[1]) > count || Number(match[2]) > count) return null;
    return [Number(match[1]), Number(match[2])];
  };
  const at = (r: number, c: number) => lying.findIndex(([x, y]) => x === r && y === c);
  const inLine = () => {
    const counts = new Map<string, number>();
    for (const [r, c] of lying)
      for (const line of [`r${r}`, `c${c}`, ...(r === c ? ["up"] : []), ...(r + c === count + 1 ? ["down"] : [])])
        counts.set(line, (counts.get(line) ?? 0) + 1);
    return Math.max(0, ...counts.values());
  };
  const after = (how: "hit" | "miss" | "on") => (inLine() === count || sends === params.sends ? "end" : how);
  return {
    clock: () => undefined,
    rings: () => "no",
    value: () => sends,
    rank: () => (inLine() === count ? 1e6 - sends : inLine()),
    take(event) {
      if (event.kind === "send" && event.rest !== undefined) {
        const to = square(event.rest);
        if (!to && event.rest !== "out") return "no";
        sends++;
        if (!to || at(...to) >= 0) return after("miss");
        lying.push(to);
        return after("hit");
      }
      if (event.kind === "move") {
        const piece = lying[event.piece];
        const to = square(event.place);
        if (!piece || (!to && event.place !== "out")) return "no";
        const taken = to ? at(...to) : -1;
        if (to && (taken < 0 || taken === event.piece)) lying[event.piece] = to;
        else lying = lying.filter((_, i) => i !== event.piece);
        return after("on");
      }
      return "no";
    },
  };
}

/** Two sides on one board of strings. Each square says whose it is. */
function tellDuel(params: ThreeLineParams, match: Match, setup: Setup, events: readonly GameEvent[]): ReferenceResult {
  const count = params.size;
  const people = [...Array(setup.players).keys()];
  const teams = [people.filter((i) => i % 2 === 0), people.filter((i) => i % 2 === 1)].filter((t) => t.length > 0);
  let lying: { team: number; square: string }[] = [];
  const sent = teams.map(() => 0);
  let team = 0;
  let sender = 0;
  let lifted = false;
  let result: number | "draw" | null = null;
  /** It must still be reported that nothing else was bumped. */
  let question = false;
  const squares = [...Array(count * count).keys()].map((i) => `c${1 + Math.floor(i / count)}${1 + (i % count)}`);
  const at = (square: string) => lying.find((runner) => runner.square === square);
  const line = (t: number) => {
    const has = (r: number, c: number) => at(`c${r}${c}`)?.team === t;
    const k = [...Array(count).keys()].map((i) => i + 1);
    return (
      k.some((r) => k.every((c) => has(r, c))) ||
      k.some((c) => k.every((r) => has(r, c))) ||
      k.every((i) => has(i, i)) ||
      k.every((i) => has(i, count + 1 - i))
    );
  };
  const inHand = (t: number) => (params.pieces ?? count) - lying.filter((runner) => runner.team === t).length;
  const look = () => {
    if (line(sender)) result = sender;
    else {
      const other = teams.findIndex((_, t) => line(t));
      if (other >= 0) result = other;
    }
  };
  const next = () => {
    if (result !== null) return;
    if (lying.length === count * count) {
      result = "draw";
      return;
    }
    const order = teams.map((_, i) => (team + 1 + i) % teams.length).filter((t) => sent[t]! < params.sends);
    const with1 = order.filter((t) => inHand(t) > 0);
    const to = with1.length > 0 ? with1[0] : params.stuck === "draw" ? undefined : order[0];
    if (to === undefined) result = "draw";
    else {
      team = to;
      lifted = false;
    }
  };
  const accepted: boolean[] = [];
  let last = 0;
  for (const event of events) {
    let ok = false;
    const open = result === null && event.at >= last;
    if (open && question && event.kind !== "move") {
      ok = event.kind === "ready";
      if (ok) {
        question = false;
        look();
      }
    } else if (open && event.kind === "send" && event.rest !== undefined && inHand(team) > 0) {
      if (event.rest === "out" || squares.includes(event.rest)) {
        ok = true;
        sent[team]!++;
        sender = team;
        if (event.rest !== "out" && !at(event.rest)) lying.push({ team, square: event.rest });
        look();
        next();
      }
    } else if (open && event.kind === "choose" && event.of === "lift" && inHand(team) === 0) {
      const mine = lying.find((runner) => runner.team === team && runner.square === event.pick);
      if (mine) {
        ok = true;
        lying = lying.filter((runner) => runner !== mine);
        lifted = true;
      }
    } else if (
      open &&
      event.kind === "move" &&
      lying[event.piece] &&
      (event.place === "out" || squares.includes(event.place))
    ) {
      const piece = lying[event.piece]!;
      ok = true;
      if (event.place !== piece.square) {
        if (event.place === "out" || at(event.place)) lying = lying.filter((runner) => runner !== piece);
        else piece.square = event.place;
      }
      question = !line(sender) && teams.some((_, t) => line(t));
      if (!question) look();
    } else if (open && event.kind === "carry") ok = match.carry && !lifted;
    if (ok) last = event.at;
    accepted.push(ok);
  }
  return {
    accepted,
    player: teams[team]![sent[team]! % teams[team]!.length]!,
    over: result !== null,
    values: sent,
    winners: result === null ? [] : result === "draw" ? teams.map((_, i) => i) : [result],
  };
}

export const tellThreeLine = (
  params: ThreeLineParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult =>
  setup.mode === "against"
    ? tellDuel(params, match, setup, events)
    : tellMatch(() => story(params), { match, each: false }, setup, events);
