import { type Ask, arranged, askOf, mainAsks, type Spot, standsAt } from "../asks/ask.ts";
import { laidIn, setIn } from "../contract/before-play.ts";
import {
  type AnyPlayPattern,
  type BaseState,
  type Ending,
  type GameSettings,
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
import type { Body, GameEvent, PlayEvent, RecordedEvent } from "../events/events.ts";
import { MAX_EVENTS } from "../events/limits.ts";

/** Events that are recorded but change nothing that the rules know. */
type Aside = Extract<PlayEvent, { kind: "object" | "again" | "dispute" }>;
const isAside = (event: GameEvent | Aside): event is Aside =>
  event.kind === "object" || event.kind === "again" || event.kind === "dispute";
/** One event that still stands: its place in the record, and the state after it. */
interface Standing {
  seq: number;
  /** At the time on the game's clock, see `Play.paused`. */
  event: GameEvent | Aside;
  after: BaseState;
}

/** A play as the referee holds it. It is immutable: `referee` returns the next one. */
export interface Play {
  game: Game;
  setup: Setup;
  begin: BaseState;
  /** Everything that was recorded, in order. It is never shortened. */
  record: readonly PlayEvent[];
  standing: readonly Standing[];
  /** The places of events that a correction set aside, because it ended the game earlier. */
  aside: readonly number[];
  /** The place in the record at which people stopped the game before its end. */
  stopped: number | null;
  /**
   * How long the game was paused in all, and since when it is paused now, milliseconds. Null: it is running. The
   * rules only know the time that was played.
   */
  paused: { all: number; since: number | null };
}

/** Opens a play of a pattern. `version`: the rules version that it began with; the current one unless given. */
export function openPlayOf(
  pattern: AnyPlayPattern,
  part: Omit<GameSettings, "name">,
  setup: Setup,
  version?: number,
): Play {
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

export const stateOf = (play: Play): BaseState => play.standing[play.standing.length - 1]?.after ?? play.begin;

/**
 * Takes one event and returns the next play, or a refusal with words. Undos and corrections are events like any
 * other.
 */
export function referee(play: Play, event: PlayEvent): Play | Refusal {
  const record = [...play.record, event];
  const seq = play.record.length;
  // A full record only takes an event that ends the game, so that its score is saved.
  if (seq >= MAX_EVENTS - 1 && event.kind !== "stop") return refuse("refused.full");
  switch (event.kind) {
    case "undo": {
      if (play.stopped !== null) return { ...play, record, stopped: null };
      const { by } = event;
      const i = by === undefined ? play.standing.length - 1 : lastOf(play, by);
      if (i < 0) return refuse("refused.nothingToUndo");
      if (i === play.standing.length - 1) return { ...play, record, standing: play.standing.slice(0, -1) };
      const redone = retake(play, i, play.standing.slice(i + 1));
      return isRefusal(redone) ? refuse("refused.nothingToUndo") : { ...play, record, standing: redone };
    }
    case "stop":
      if (play.stopped !== null || play.game.ending(stateOf(play))) return refuse("refused.over");
      return { ...play, record, stopped: seq };
    case "correct": {
      const i = play.standing.findIndex((standing) => standing.seq === event.seq);
      if (i < 0) return refuse("refused.noSuchEvent", { number: event.seq + 1 });
      const given: GameEvent = { ...event.event, at: play.standing[i]!.event.at };
      const fixed = ruledFoot(play.game, play.standing[i - 1]?.after ?? play.begin, given);
      const redone = retake(play, i, [{ seq: event.seq, event: fixed }, ...play.standing.slice(i + 1)]);
      return isRefusal(redone)
        ? refuse("refused.correction", { number: event.seq + 1 })
        : { ...play, record, standing: redone, aside: [...play.aside, ...leftOut(play, redone)] };
    }
    case "pause":
    case "goOn": {
      const refused = notGoing(play, event.kind === "goOn");
      if (refused) return refused;
      const { all, since } = play.paused;
      if (since === null) return { ...play, record, paused: { all, since: event.at } };
      if (event.at < since) return refuse("refused.earlier");
      return { ...play, record, paused: { all: all + event.at - since, since: null } };
    }
    case "object":
    case "dispute":
    case "again": {
      // The rules do not care which object is sent, or that something did not count. Estimates care later.
      const refused = notGoing(play);
      if (refused) return refused;
      if (event.kind === "dispute" && (play.setup.players < 2 || play.record.length === 0))
        return refuse("refused.noDispute");
      if (
        event.kind === "again" &&
        !mainAsks(play.game.asks(stateOf(play))).some((mainAsk) => missOf(mainAsk) !== null)
      )
        return refuse("refused.nothingSent");
      return {
        ...play,
        record,
        standing: [...play.standing, { seq, event: played(play, event), after: stateOf(play) }],
      };
    }
    default: {
      const refused = play.stopped !== null || play.paused.since !== null ? notGoing(play) : null;
      if (refused) return refused;
      const now = ruledFoot(play.game, stateOf(play), played(play, event));
      const after = isAside(now) ? stateOf(play) : play.game.step(stateOf(play), now);
      if (isRefusal(after)) return after;
      return { ...play, record, standing: [...play.standing, { seq, event: now, after }] };
    }
  }
}

/**
 * A send with a foot over the line is a spent miss whatever it hit, is taken again, or is accepted, as the match
 * says.
 */
function ruledFoot(game: Game, state: BaseState, event: GameEvent): GameEvent | Aside {
  if (event.kind !== "send" || !event.foot) return event;
  const rule = game.match.foot;
  const { at, by, foot } = event;
  const who = by === undefined ? {} : { by };
  if (rule === "again") return { kind: "again", at, why: "foot", ...who };
  const asked =
    rule === "spent" ? mainAsks(game.asks(state)).find((mainAsk) => by === undefined || mainAsk.player === by) : null;
  const miss = asked ? missOf(asked) : null;
  return miss ? ({ ...miss, at, foot, ...who } as GameEvent) : event;
}
/** The event at the time on the game's clock, without the pauses before it. */
const played = <E extends PlayEvent>(play: Play, event: E): E =>
  play.paused.all === 0 ? event : { ...event, at: Math.max(0, event.at - play.paused.all) };
/** Why nothing can happen now. Null if something can. `still`: the event needs a paused game. */
function notGoing(play: Play, still = false): Refusal | null {
  if (play.stopped !== null) return refuse("refused.stopped");
  if (play.game.ending(stateOf(play))) return refuse("refused.over");
  if ((play.paused.since !== null) === still) return null;
  return refuse(still ? "refused.notPaused" : "refused.paused");
}

/** The places of events that stood before and no longer do. */
const leftOut = (play: Play, now: readonly Standing[]): number[] =>
  play.standing.map((standing) => standing.seq).filter((seq) => !now.some((standing) => standing.seq === seq));

/** Plays events again on top of those that stand. Events after the end of the game are left out. */
function retake(
  play: Play,
  keep: number,
  events: readonly { seq: number; event: Standing["event"] }[],
): Standing[] | Refusal {
  const out = play.standing.slice(0, keep);
  for (const { seq, event } of events) {
    const before = out[out.length - 1]?.after ?? play.begin;
    if (play.game.ending(before)) break;
    const after = isAside(event) ? before : play.game.step(before, event);
    if (isRefusal(after)) return after;
    out.push({ seq, event, after });
  }
  return out;
}

/** The last standing event of one player, in games where several play at the same time. */
const lastOf = (play: Play, by: number): number =>
  play.standing.findLastIndex(({ event }) => "by" in event && event.by === by);

export type Replayed = { play: Play; refused: null } | { play: Play; refused: Phrase; seq: number };
/**
 * Replays a whole record. The first refusal ends it and names its place. Event kinds of earlier versions are
 * translated. `version`: see `openPlay`.
 */
export function replayOf(
  pattern: AnyPlayPattern,
  part: Omit<GameSettings, "name">,
  { setup, events, version }: { setup: Setup; events: readonly RecordedEvent[]; version?: number | undefined },
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
  /** For the side whose turn it is: the line to send from, and the parts that are finished with. */
  from: string | null;
  doneParts: readonly string[];
  score: Score[];
  progress: Progress[];
  ending: Ending | null;
  /** Over by the rules, or stopped by people. */
  done: "over" | "stopped" | null;
  canUndo: boolean;
  /** The places of events that a correction set aside, because it ended the game earlier. */
  aside: readonly number[];
  /** What the family set before the first send, by field. */
  set: Readonly<Record<string, string | number | boolean>>;
  /** The item that now serves in each role that was changed. */
  objects: Readonly<Record<string, string>>;
  /** Where the child put the targets, metres. Null: where they were drawn. */
  laid: readonly Spot[] | null;
  /** The numbers of sides with nobody left, who may leave now, and where somebody may join. */
  out: readonly number[];
  company: Company;
  /** The game is paused: nothing is asked until it goes on. */
  paused: boolean;
  /** How long the game was paused in all, milliseconds. The clock stood still too. */
  still: number;
}

/** Views by play, because a play never changes and is looked at many times. */
const views = new WeakMap<Play, View>();
export function view(play: Play): View {
  const known = views.get(play);
  if (known) return known;
  const made = look(play);
  views.set(play, made);
  return made;
}
function look(play: Play): View {
  const state = stateOf(play);
  const ending = play.game.ending(state);
  const asks = play.game.asks(state);
  return {
    ...play.game.turn(state),
    asks:
      play.stopped !== null || play.paused.since !== null
        ? []
        : play.paused.all === 0
          ? asks
          : asks.map((ask) => later(ask, play)),
    from: standsAt(asks),
    doneParts: play.game.done(state),
    score: play.game.score(state),
    progress: play.game.progress(state),
    ending,
    done: play.stopped !== null ? "stopped" : ending ? "over" : null,
    set: setIn(state) ?? {},
    laid: laidIn(state),
    out: state.out ?? [],
    get company() {
      return play.stopped !== null ? { leave: [], join: [] } : play.game.company(state);
    },
    paused: play.paused.since !== null && play.stopped === null,
    still: play.paused.all,
    aside: play.aside,
    canUndo: play.standing.length > 0 || play.stopped !== null,
    objects: Object.fromEntries(
      play.standing.flatMap(({ event }) => (event.kind === "object" ? [[event.role, event.item]] : [])),
    ),
  };
}

/** The bell rings later by as long as the game was paused. */
const later = (ask: Ask, play: Play): Ask =>
  ask.kind === "bell" ? { ...ask, dueAt: ask.dueAt + play.paused.all } : ask;

/** What one outcome would make of a play. */
export interface Outlook {
  event: PlayEvent;
  /** The score of the side whose turn it is, including what lies on the floor, and its working. */
  score: number;
  working: string;
  /** Whose turn it is then, and what they are told. */
  turn: { player: number; side: number; now: Phrase };
  ending: Ending | null;
}
/** The event of a send that nobody counts, which is what a miss looks like. Null if there is none. */
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
/** Everything that could be seen after an ask, in order: every target, zone and square, and each number of pins. */
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
                reached: [...aim.runners.map((runner) => Math.min(aim.home, runner + made)), made],
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

/** What each outcome of the next ask would do, for the side whose turn it is. */
export function outlook(play: Play): Outlook[] {
  const state = stateOf(play);
  if (play.stopped !== null || play.paused.since !== null || play.game.ending(state)) return [];
  const at = play.standing[play.standing.length - 1]?.event.at ?? 0;
  const { side } = play.game.turn(state);
  return mainAsks(play.game.asks(state))
    .flatMap(bodiesOf)
    .flatMap((body): Outlook[] => {
      const event = { ...body, at } as GameEvent;
      const after = play.game.step(state, event);
      if (isRefusal(after)) return [];
      const { soFar, working } = play.game.score(after)[side]!;
      const later = { ...event, at: at + play.paused.all };
      return [{ event: later, score: soFar, working, turn: play.game.turn(after), ending: play.game.ending(after) }];
    });
}

/** When the bell rings, milliseconds since the play began. Null if there is none. */
export const bellAt = (givenView: View): number | null => askOf(givenView.asks, "bell")?.dueAt ?? null;
