import { type Ask, arranged, askOf, mainAsks, type Spot, standsAt } from "../asks/ask.ts";
import { laidIn, setIn } from "../contract/before-play.ts";
import {
  type AnyPattern,
  type BaseState,
  type Ending,
  type GamePart,
  isRefusal,
  type Phrase,
  type Progress,
  type Refusal,
  refuse,
  type Score,
  type Setup,
} from "../contract/contract.ts";
import { openGame } from "../contract/game.ts";
import type { Company, Game } from "../contract/opened-game.ts";
import { eventNow } from "../events/before.ts";
import { type Body, type GameEvent, MAX_EVENTS, type PlayEvent, type RecordedEvent } from "../events/events.ts";

/** What stands in the record and changes nothing that the rules know. */
type Aside = Extract<PlayEvent, { kind: "object" | "again" | "dispute" }>;
const isAside = (e: GameEvent | Aside): e is Aside => e.kind === "object" || e.kind === "again" || e.kind === "dispute";
/** One event that still stands: its place in the record, and the state after it. */
interface Standing {
  seq: number;
  /** At the time that was played: see `Play.paused`. */
  event: GameEvent | Aside;
  after: BaseState;
}

/** A play as the referee holds it. Immutable: `referee` gives the next one. */
export interface Play {
  game: Game;
  setup: Setup;
  begin: BaseState;
  /** Everything recorded, in order; never shortened. */
  record: readonly PlayEvent[];
  standing: readonly Standing[];
  /** What came after the end that a correction brought: set aside, by its place in the record. */
  aside: readonly number[];
  /** The people stopped before the end, at this place in the record. */
  stopped: number | null;
  /** How long it stood still so far, and since when it does now, milliseconds; null: it goes on. The rules know only the time that was played. */
  paused: { all: number; since: number | null };
}

/** Opens a play of a pattern. `version`: the rules that it began with; those of now unless given. */
export function openPlayOf(pattern: AnyPattern, part: Omit<GamePart, "name">, setup: Setup, version?: number): Play {
  const game = openGame(pattern, part, version);
  return {
    game,
    setup,
    begin: game.start(setup),
    record: [],
    standing: [],
    aside: [],
    stopped: null,
    paused: { all: 0, since: null },
  };
}

export const stateOf = (p: Play): BaseState => p.standing[p.standing.length - 1]?.after ?? p.begin;

/** Takes one event: the next play, or a refusal with words. An undo and a correction are events like any other. */
export function referee(p: Play, event: PlayEvent): Play | Refusal {
  const record = [...p.record, event];
  const seq = p.record.length;
  // A full record takes only what ends it: its score is kept.
  if (seq >= MAX_EVENTS - 1 && event.kind !== "stop") return refuse("refused.full");
  switch (event.kind) {
    case "undo": {
      if (p.stopped !== null) return { ...p, record, stopped: null };
      const { by } = event;
      const i = by === undefined ? p.standing.length - 1 : lastOf(p, by);
      if (i < 0) return refuse("refused.nothingToUndo");
      if (i === p.standing.length - 1) return { ...p, record, standing: p.standing.slice(0, -1) };
      const redone = retake(p, i, p.standing.slice(i + 1));
      return isRefusal(redone) ? refuse("refused.nothingToUndo") : { ...p, record, standing: redone };
    }
    case "stop":
      if (p.stopped !== null || p.game.ending(stateOf(p))) return refuse("refused.over");
      return { ...p, record, stopped: seq };
    case "correct": {
      const i = p.standing.findIndex((s) => s.seq === event.seq);
      if (i < 0) return refuse("refused.noSuchEvent", { number: event.seq + 1 });
      const given: GameEvent = { ...event.event, at: p.standing[i]!.event.at };
      const fixed = ruledFoot(p.game, p.standing[i - 1]?.after ?? p.begin, given);
      const redone = retake(p, i, [{ seq: event.seq, event: fixed }, ...p.standing.slice(i + 1)]);
      return isRefusal(redone)
        ? refuse("refused.correction", { number: event.seq + 1 })
        : { ...p, record, standing: redone, aside: [...p.aside, ...leftOut(p, redone)] };
    }
    case "pause":
    case "goOn": {
      const refused = notGoing(p, event.kind === "goOn");
      if (refused) return refused;
      const { all, since } = p.paused;
      if (since === null) return { ...p, record, paused: { all, since: event.at } };
      if (event.at < since) return refuse("refused.earlier");
      return { ...p, record, paused: { all: all + event.at - since, since: null } };
    }
    case "object":
    case "dispute":
    case "again": {
      // The rules do not care what is sent, or that something did not count; whoever works out chances later does.
      const refused = notGoing(p);
      if (refused) return refused;
      if (event.kind === "dispute" && (p.setup.players < 2 || p.record.length === 0))
        return refuse("refused.noDispute");
      if (event.kind === "again" && !mainAsks(p.game.asks(stateOf(p))).some((a) => missOf(a) !== null))
        return refuse("refused.nothingSent");
      return { ...p, record, standing: [...p.standing, { seq, event: played(p, event), after: stateOf(p) }] };
    }
    default: {
      const refused = p.stopped !== null || p.paused.since !== null ? notGoing(p) : null;
      if (refused) return refused;
      const now = ruledFoot(p.game, stateOf(p), played(p, event));
      const after = isAside(now) ? stateOf(p) : p.game.step(stateOf(p), now);
      if (isRefusal(after)) return after;
      return { ...p, record, standing: [...p.standing, { seq, event: now, after }] };
    }
  }
}

/** What is sent with a foot over the line is a spent miss, whatever it hit; or it is sent again; or nobody minds. */
function ruledFoot(game: Game, s: BaseState, event: GameEvent): GameEvent | Aside {
  if (event.kind !== "send" || !event.foot) return event;
  const rule = game.match.foot;
  const { at, by, foot } = event;
  const who = by === undefined ? {} : { by };
  if (rule === "again") return { kind: "again", at, why: "foot", ...who };
  const asked = rule === "spent" ? mainAsks(game.asks(s)).find((a) => by === undefined || a.player === by) : null;
  const miss = asked ? missOf(asked) : null;
  return miss ? ({ ...miss, at, foot, ...who } as GameEvent) : event;
}
/** At the time that was played when it happened, without the pauses before it. */
const played = <E extends PlayEvent>(p: Play, event: E): E =>
  p.paused.all === 0 ? event : { ...event, at: Math.max(0, event.at - p.paused.all) };
/** Why nothing can happen now; null: it can. `still`: whether the game is to be paused for it. */
function notGoing(p: Play, still = false): Refusal | null {
  if (p.stopped !== null) return refuse("refused.stopped");
  if (p.game.ending(stateOf(p))) return refuse("refused.over");
  if ((p.paused.since !== null) === still) return null;
  return refuse(still ? "refused.notPaused" : "refused.paused");
}

/** What stood before and does not any more. */
const leftOut = (p: Play, now: readonly Standing[]): number[] =>
  p.standing.map((s) => s.seq).filter((seq) => !now.some((s) => s.seq === seq));

/** Plays events again on what stood before them. Once the game is over, what comes after is left out. */
function retake(
  p: Play,
  keep: number,
  events: readonly { seq: number; event: Standing["event"] }[],
): Standing[] | Refusal {
  const out = p.standing.slice(0, keep);
  for (const { seq, event } of events) {
    const before = out[out.length - 1]?.after ?? p.begin;
    if (p.game.ending(before)) break;
    const after = isAside(event) ? before : p.game.step(before, event);
    if (isRefusal(after)) return after;
    out.push({ seq, event, after });
  }
  return out;
}

/** The last event that still stands of those that one player did, where several play at the same time. */
const lastOf = (p: Play, by: number): number =>
  p.standing.findLastIndex(({ event }) => "by" in event && event.by === by);

export type Replayed = { play: Play; refused: null } | { play: Play; refused: Phrase; seq: number };
/** Replays a whole record; the first refusal ends it and names its place. Kinds of before are translated. `version`: see `openPlay`. */
export function replayOf(
  pattern: AnyPattern,
  part: Omit<GamePart, "name">,
  setup: Setup,
  events: readonly RecordedEvent[],
  version?: number,
): Replayed {
  let play = openPlayOf(pattern, part, setup, version);
  for (const [seq, event] of events.entries()) {
    const after = referee(play, eventNow(event));
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
  asks: Ask[];
  /** The line to send from, and the parts that are done with, for the side whose turn it is. */
  from: string | null;
  doneParts: readonly string[];
  score: Score[];
  progress: Progress[];
  ending: Ending | null;
  /** Over by the rules, or stopped by the people. */
  done: "over" | "stopped" | null;
  canUndo: boolean;
  /** Places in the record that a correction set aside, since it ended the game earlier. */
  aside: readonly number[];
  /** What the family had set before the first send, by field. */
  set: Readonly<Record<string, string | number | boolean>>;
  /** What serves in each role that was changed, as of now. */
  objects: Readonly<Record<string, string>>;
  /** Where the child stood the targets, metres; null: where they were drawn. */
  laid: readonly Spot[] | null;
  /** Sides with nobody left, by number; who may leave now, and where somebody may join. */
  out: readonly number[];
  company: Company;
  /** It stands still: nothing is asked until it goes on. */
  paused: boolean;
  /** How long it stood still so far, milliseconds: the clock did too. */
  still: number;
}

/** A play never changes, and is looked at many times. */
const views = new WeakMap<Play, View>();
export function view(p: Play): View {
  const known = views.get(p);
  if (known) return known;
  const made = look(p);
  views.set(p, made);
  return made;
}
function look(p: Play): View {
  const s = stateOf(p);
  const ending = p.game.ending(s);
  const asks = p.game.asks(s);
  return {
    ...p.game.turn(s),
    asks: p.stopped !== null || p.paused.since !== null ? [] : p.paused.all === 0 ? asks : asks.map((a) => later(a, p)),
    from: standsAt(asks),
    doneParts: p.game.done(s),
    score: p.game.score(s),
    progress: p.game.progress(s),
    ending,
    done: p.stopped !== null ? "stopped" : ending ? "over" : null,
    set: setIn(s) ?? {},
    laid: laidIn(s),
    out: s.out ?? [],
    get company() {
      return p.stopped !== null ? { leave: [], join: [] } : p.game.company(s);
    },
    paused: p.paused.since !== null && p.stopped === null,
    still: p.paused.all,
    aside: p.aside,
    canUndo: p.standing.length > 0 || p.stopped !== null,
    objects: Object.fromEntries(p.standing.flatMap(({ event: e }) => (e.kind === "object" ? [[e.role, e.item]] : []))),
  };
}

/** The bell goes so much later as the game stood still. */
const later = (a: Ask, p: Play): Ask => (a.kind === "bell" ? { ...a, dueAt: a.dueAt + p.paused.all } : a);

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
/** What a send becomes that nobody counts: what was seen of a miss; null where there is none. */
export function missOf(ask: Ask): Body | null {
  if (ask.kind !== "send") return null;
  switch (ask.aim.kind) {
    case "any":
      return { kind: "send", hit: null };
    case "fall":
      return { kind: "send", fell: ask.aim.known === false ? 0 : [] };
    case "zones":
      return { kind: "send", rest: "short" };
    case "cells":
      return { kind: "send", rest: "out" };
    case "chase":
    case "receive":
    case "jack":
      return { kind: "send", rest: "over" };
    case "near":
      return { kind: "send", rest: "in", away: 60_000 };
    default:
      return null;
  }
}
/** A rally that is nobody's point. */
const LETS: readonly Body[] = [{ kind: "point", side: null, why: "let" }];
/** What may be seen of what is asked, in the order of the list: every thing aimed at, every zone and square, each number that can fall. */
export function bodiesOf(ask: Ask): Body[] {
  switch (ask.kind) {
    case "send": {
      const { aim } = ask;
      switch (aim.kind) {
        case "any":
          return [...aim.among, null].map((hit) => ({ kind: "send", hit }));
        case "zones":
          return Object.keys(aim.worth).map((rest) => ({ kind: "send", rest }));
        case "cells":
          return [...aim.among, "out"].map((rest) => ({ kind: "send", rest }));
        case "jack":
          return ["in", "short", "over"].map((rest) => ({ kind: "send", rest }));
        case "near":
          return [100, 300, 600, 1000].map((away) => ({ kind: "send", rest: "in", away }));
        case "chase":
          return [aim.mark, "over", "short"].map((rest) => ({ kind: "send", rest }));
        case "receive":
          return [aim.mark, "over"].map((rest) => ({ kind: "send", rest }));
        case "point":
          return [...aim.people.map((_, side): Body => ({ kind: "point", side })), ...LETS];
        case "bat":
          return [
            ...Array.from(
              { length: aim.home + 1 },
              (_, made): Body => ({
                kind: "run",
                reached: [...aim.runners.map((b) => Math.min(aim.home, b + made)), made],
              }),
            ),
            { kind: "run", missed: true },
          ];
        case "goal":
          return aim.people.map((_, side): Body => ({ kind: "point", side }));
        case "fall":
          return Array.from({ length: aim.standing.length + 1 }, (_, fell) => ({ kind: "send", fell }));
        default:
          return [];
      }
    }
    case "count":
      return [{ kind: "count", n: 1 }, ...(ask.drops ? [{ kind: "count", n: 0, drop: true } as const] : [])];
    case "total":
      return [{ kind: "total", n: ask.soFar }];
    case "choose":
      return (ask.must ? ask.options : [null]).map((pick) => ({ kind: "choose", of: ask.of, pick }));
    case "mix":
      return ask.samples.map((cells) => ({ kind: "mix", cells: [...cells] }));
    case "swap":
      return ask.sensible ? [{ kind: "swap", a: ask.sensible[0], b: ask.sensible[1] }] : [];
    case "arrange":
      return [arranged(ask.spots)];
    case "move":
    case "measure":
    case "carry":
    case "set":
    case "bell":
      return [];
    default:
      return [{ kind: ask.kind }];
  }
}

/** What each outcome of what comes next would do, for the side whose turn it is. */
export function outlook(p: Play): Outlook[] {
  const s = stateOf(p);
  if (p.stopped !== null || p.paused.since !== null || p.game.ending(s)) return [];
  const at = p.standing[p.standing.length - 1]?.event.at ?? 0;
  const { side } = p.game.turn(s);
  return mainAsks(p.game.asks(s))
    .flatMap(bodiesOf)
    .flatMap((body): Outlook[] => {
      const event = { ...body, at } as GameEvent;
      const after = p.game.step(s, event);
      if (isRefusal(after)) return [];
      const { soFar, working } = p.game.score(after)[side]!;
      const told = { ...event, at: at + p.paused.all };
      return [{ event: told, score: soFar, working, turn: p.game.turn(after), ending: p.game.ending(after) }];
    });
}

/** When the bell goes, milliseconds since the play began; null where none does. */
export const bellAt = (v: View): number | null => askOf(v.asks, "bell")?.dueAt ?? null;
