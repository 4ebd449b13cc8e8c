import {
  type BaseState,
  type Ending,
  isRefusal,
  type Legal,
  type Phrase,
  type Refusal,
  refuse,
  type Score,
  type Setup,
  type Tally,
} from "../patterns/contract.ts";
import { type AnyPattern, patternOf } from "../patterns/registry.ts";
import type { GameEvent, PlayEvent } from "../records/events.ts";

/** One event that still stands: its place in the record, and the state after it. */
type ObjectEvent = Extract<PlayEvent, { kind: "object" }>;
interface Standing {
  seq: number;
  event: GameEvent | ObjectEvent;
  after: BaseState;
}

/** A play as the referee holds it. Immutable: `referee` gives the next one. */
export interface Play {
  pattern: AnyPattern;
  setup: Setup;
  begin: BaseState;
  /** Everything recorded, in order; never shortened. */
  record: readonly PlayEvent[];
  standing: readonly Standing[];
  /** The people stopped before the end, at this place in the record. */
  stopped: number | null;
}

export function openPlay(game: { name: string; params: unknown }, setup: Setup): Play {
  const pattern = patternOf(game.name);
  return { pattern, setup, begin: pattern.start(game.params, setup), record: [], standing: [], stopped: null };
}

export const stateOf = (p: Play): BaseState => p.standing[p.standing.length - 1]?.after ?? p.begin;

/** Takes one event: the next play, or a refusal with words. An undo and a correction are events like any other. */
export function referee(p: Play, event: PlayEvent): Play | Refusal {
  const record = [...p.record, event];
  const seq = p.record.length;
  switch (event.kind) {
    case "undo":
      if (p.stopped !== null) return { ...p, record, stopped: null };
      if (p.standing.length === 0) return refuse("refused.nothingToUndo");
      return { ...p, record, standing: p.standing.slice(0, -1) };
    case "stop":
      if (p.stopped !== null || p.pattern.ending(stateOf(p))) return refuse("refused.over");
      return { ...p, record, stopped: seq };
    case "correct": {
      const i = p.standing.findIndex((s) => s.seq === event.seq);
      if (i < 0) return refuse("refused.noSuchEvent", { number: event.seq + 1 });
      const fixed: GameEvent = { ...event.event, at: p.standing[i]!.event.at };
      const redone = retake(p, i, [{ seq: event.seq, event: fixed }, ...p.standing.slice(i + 1)]);
      return isRefusal(redone)
        ? refuse("refused.correction", { number: event.seq + 1 })
        : { ...p, record, standing: redone };
    }
    case "object":
      // The rules do not care what is sent; whoever works out chances later does.
      if (p.stopped !== null) return refuse("refused.stopped");
      if (p.pattern.ending(stateOf(p))) return refuse("refused.over");
      return { ...p, record, standing: [...p.standing, { seq, event, after: stateOf(p) }] };
    default: {
      if (p.stopped !== null) return refuse("refused.stopped");
      const after = p.pattern.step(stateOf(p), event);
      if (isRefusal(after)) return after;
      return { ...p, record, standing: [...p.standing, { seq, event, after }] };
    }
  }
}

function retake(
  p: Play,
  keep: number,
  events: readonly { seq: number; event: Standing["event"] }[],
): Standing[] | Refusal {
  const out = p.standing.slice(0, keep);
  for (const { seq, event } of events) {
    const before = out[out.length - 1]?.after ?? p.begin;
    const after = event.kind === "object" ? before : p.pattern.step(before, event);
    if (isRefusal(after)) return after;
    out.push({ seq, event, after });
  }
  return out;
}

/** Replays a whole record; the first refusal ends it and names its place. */
export function replay(
  game: { name: string; params: unknown },
  setup: Setup,
  events: readonly PlayEvent[],
): { play: Play; refused: null } | { play: Play; refused: Phrase; seq: number } {
  let play = openPlay(game, setup);
  for (const [seq, event] of events.entries()) {
    const after = referee(play, event);
    if (isRefusal(after)) return { play, refused: after.refused, seq };
    play = after;
  }
  return { play, refused: null };
}

/** What anyone may ask of a play at any moment. */
export interface View {
  player: number;
  side: number;
  now: Phrase;
  legal: Legal[];
  /** The line to send from, and the parts that are done with, for the side whose turn it is. */
  from: string | null;
  doneParts: readonly string[];
  score: Score[];
  tally: Tally[];
  ending: Ending | null;
  /** Over by the rules, or stopped by the people. */
  done: "over" | "stopped" | null;
  canUndo: boolean;
  /** What serves in each role that was changed, as of now. */
  objects: Readonly<Record<string, string>>;
}

export function view(p: Play): View {
  const s = stateOf(p);
  const ending = p.pattern.ending(s);
  const next = p.pattern.next(s);
  return {
    ...p.pattern.turn(s),
    legal: p.stopped === null ? p.pattern.legal(s) : [],
    from: next && "branches" in next ? next.from : null,
    doneParts: p.pattern.done(s),
    score: p.pattern.score(s),
    tally: p.pattern.tally(s),
    ending,
    done: p.stopped !== null ? "stopped" : ending ? "over" : null,
    canUndo: p.standing.length > 0 || p.stopped !== null,
    objects: Object.fromEntries(p.standing.flatMap(({ event: e }) => (e.kind === "object" ? [[e.role, e.item]] : []))),
  };
}

/** What one outcome would make of a play. */
export interface Outlook {
  event: PlayEvent;
  /** Of the side whose turn it is: its score with what lies on the floor counted, and its working. */
  score: number;
  working: string;
  /** Whose turn it is then, and what they are told. */
  turn: { player: number; side: number; now: Phrase };
  ending: Ending | null;
}
/** What each outcome of what comes next would do, for the side whose turn it is. */
export function outlook(p: Play): Outlook[] {
  const s = stateOf(p);
  const next = p.pattern.next(s);
  if (!next || p.stopped !== null) return [];
  const at = p.standing[p.standing.length - 1]?.event.at ?? 0;
  const bodies = "branches" in next ? next.branches.map((b) => b.event) : [next.event];
  const { side } = p.pattern.turn(s);
  return bodies.flatMap((body): Outlook[] => {
    const event = { ...body, at } as GameEvent;
    const after = p.pattern.step(s, event);
    if (isRefusal(after)) return [];
    const { soFar, working } = p.pattern.score(after)[side]!;
    return [{ event, score: soFar, working, turn: p.pattern.turn(after), ending: p.pattern.ending(after) }];
  });
}
