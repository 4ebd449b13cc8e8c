import { type AimOf, type Ask, type Manner, PLAIN } from "../../asks/ask.ts";
import {
  type Ending,
  type Phrase,
  type Possible,
  type Progress,
  type Refusal,
  type Rules,
  refuse,
  type Score,
  type Setup,
} from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import { headStartOf } from "../../contract/people.ts";
import type { GameEvent } from "../../events/events.ts";
import { joins, leaves, sideOf } from "../../match/company.ts";
import { endOf } from "../../match/end.ts";
import { oneClock, type Timed, tableAt } from "../../match/one-clock.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { MAX_RUN, REASONS } from "./limits.ts";
import type { RallyParams } from "./schema.ts";

/** Two sides play for points, or everybody plays together, one rally after another. */
export interface RallyState extends Timed {
  params: RallyParams;
  /** The points of the current game, and the games won. */
  points: readonly number[];
  games: readonly number[];
  /** Every finished game. */
  told: readonly (readonly number[])[];
  /** Who serves, who served first in this game, and how many points it has had. */
  server: number;
  opener: number;
  played: number;
  /** The first serve was a fault. */
  second: boolean;
  /** How often each side has served, which tells whose turn it is on that side. */
  served: readonly number[];
  /**
   * Together: the touches of the current rally, those of the longest, the rallies that ended, and whose touch is
   * next.
   */
  run: number;
  longest: number;
  ended: number;
  at: number;
}

export const contest = (s: Pick<RallyState, "setup">): boolean => s.setup.mode === "against";
/** Where each side serves from. */
export const LINES = ["start", "far"] as const;

function start(params: RallyParams, match: Match, setup: Setup): RallyState {
  const table = tableAt(match, setup);
  const { sides } = table;
  const heads = sides.map((side) => Math.min(params.points - 1, headStartOf(setup, side)));
  return {
    ...table,
    params,
    points: heads,
    games: sides.map(() => 0),
    told: [],
    server: setup.starts ?? 0,
    opener: setup.starts ?? 0,
    played: 0,
    second: false,
    served: sides.map(() => 0),
    run: 0,
    longest: 0,
    ended: 0,
    at: 0,
  };
}

const playerOf = (state: RallyState, side: number) =>
  state.sides[side]![state.served[side]! % state.sides[side]!.length]!;
const toucher = (state: RallyState) => state.sides[0]![state.at % state.sides[0]!.length]!;
export const mannerOf = memoizeByIdentity(
  (params: RallyParams): Manner => (params.bounces > 0 ? { bounce: true } : PLAIN),
);
/** The floor that each side has to cover, square metres. */
const areasOf = (params: RallyParams): [number, number] => [
  params.near.length * params.near.width,
  params.far.length * params.far.width,
];
const pointAims = memoizeByIdentity((_: RallyParams) => new Map<string, AimOf<"point">>());
function pointAim(state: RallyState): AimOf<"point"> {
  const { params, server, second, sides } = state;
  const known = pointAims(params);
  const key = `${server} ${second} ${JSON.stringify(sides)}`;
  let aim = known.get(key);
  if (!aim) {
    aim = {
      kind: "point",
      server,
      people: sides,
      areas: areasOf(params),
      over: params.over,
      again: params.serve.second && !second,
      told: params.told,
    };
    known.set(key, aim);
  }
  return aim;
}
const overAims = memoizeByIdentity(
  (params: RallyParams): AimOf<"over"> => ({ kind: "over", area: areasOf(params)[0], over: params.over }),
);
export const overAim = (params: RallyParams): AimOf<"over"> => overAims(params);

function asks(state: RallyState): Ask[] {
  const { params } = state;
  if (contest(state))
    return [
      {
        kind: "send",
        player: playerOf(state, state.server),
        from: LINES[state.server]!,
        manner: mannerOf(params),
        aim: pointAim(state),
        fetch: true,
      },
    ];
  return [
    {
      kind: "count",
      player: toucher(state),
      from: "start",
      manner: mannerOf(params),
      aim: overAim(params),
      soFar: state.run,
      drops: true,
    },
  ];
}

const clocked = (told: typeof point) =>
  oneClock<RallyState>({
    limit: (state) => state.match.seconds,
    between: (state) => state.run === 0,
    // A rally that is under way does not count for points. Together it counts as it stands.
    bell: (state) => ({ ...state, over: true }),
    asks,
    first: (state) => state.sides[0]![0]!,
    step(state, event) {
      if (event.kind === "point" && contest(state)) return told(state, event);
      if (event.kind === "count" && !contest(state)) return counted(state, event);
      return refuse("refused.notInGame", { kind: event.kind });
    },
  });

/** Between games or, together, between rallies. */
const fresh = (state: RallyState) => !state.over && state.run === 0 && state.played === 0 && !state.second;
const turnsOf = (state: RallyState, side: number) => (contest(state) ? state.served[side]! : state.at);

function point(state: RallyState, e: Extract<GameEvent, { kind: "point" }>, fixedStays = true): RallyState | Refusal {
  const { params } = state;
  if (e.side === null) {
    // Served again, with the same serve.
    if (e.why === "let") return state;
    if (e.why !== "fault") return refuse("refused.notInGame", { kind: e.kind });
    if (!params.serve.second || state.second) return refuse("refused.noSecond");
    return { ...state, second: true };
  }
  if (e.side >= state.sides.length) return refuse("refused.noSide");
  if (e.why !== undefined && !(REASONS as readonly string[]).includes(e.why))
    return refuse("refused.notInGame", { kind: e.kind });
  const points = state.points.map((eachPoint, i) => (i === e.side ? eachPoint + 1 : eachPoint));
  const longest = Math.max(state.longest, e.n ?? 0);
  const next = { ...state, points, longest, second: false, played: state.played + 1, ended: state.ended + 1 };
  const [most, least] = [Math.max(...points), Math.min(...points)];
  if (most < params.points || (params.lead && most - least < 2)) return servedBy(next, changes(state, e.side));
  // A game is over. The side that did not start it starts the next, unless one side serves all the time.
  const games = state.games.map((game, i) => (i === e.side ? game + 1 : game));
  const told = [...state.told, points];
  if (Math.max(...games) > params.games / 2) return { ...next, games, told, over: true };
  const stays = params.serve.by === "fixed" && fixedStays;
  const opener = stays ? state.opener : 1 - state.opener;
  const heads = state.sides.map((side) => Math.min(params.points - 1, headStartOf(state.setup, side)));
  return servedBy({ ...next, games, told, points: heads, opener, played: 0 }, opener);
}
/** The serve goes to a side. If the other side had it, the next player of this side serves. */
const servedBy = (state: RallyState, server: number): RallyState =>
  server === state.server
    ? state
    : { ...state, server, served: state.served.map((n, i) => (i === state.server ? n + 1 : n)) };
/** Who serves after a point for a side. */
function changes(state: RallyState, side: number): number {
  const { by, every } = state.params.serve;
  if (by === "winner") return side;
  if (by === "loser") return 1 - side;
  if (by === "fixed") return state.server;
  return (state.opener + Math.floor((state.played + 1) / every)) % 2;
}

function counted(state: RallyState, e: Extract<GameEvent, { kind: "count" }>): RallyState | Refusal {
  if (state.run + e.n > MAX_RUN) return refuse("refused.runMost", { most: MAX_RUN });
  const run = state.run + e.n;
  const longest = Math.max(state.longest, run);
  // Nobody counts farther, so that rally is over.
  if (!e.drop && run < MAX_RUN) {
    if (e.n === 0) return refuse("refused.notInGame", { kind: e.kind });
    return { ...state, run, longest, at: state.at + e.n };
  }
  const ended = state.ended + 1;
  // Whoever dropped it starts the next one.
  return { ...state, run: 0, longest, ended, at: state.at + e.n, over: ended >= state.params.rallies };
}

const scoreOf = (state: RallyState, i: number) =>
  !contest(state) ? state.longest : state.params.games > 1 ? state.games[i]! : state.points[i]!;
function score(state: RallyState): Score[] {
  return state.sides.map((players, i) => ({
    players,
    value: scoreOf(state, i),
    soFar: scoreOf(state, i),
    unit: !contest(state) ? "touches" : state.params.games > 1 ? "games" : "points",
    better: "more",
    get working() {
      if (!contest(state) || state.params.games === 1) return "";
      const all =
        state.over && state.told.length > 0 && state.games.some((game) => game > state.params.games / 2)
          ? state.told
          : [...state.told, state.points];
      return all.map((g) => `${g[i]}:${g[1 - i]}`).join(", ");
    },
    rank: contest(state) ? state.games[i]! * 1000 + state.points[i]! : state.longest,
  }));
}

function ending(state: RallyState): Ending | null {
  if (!state.over) return null;
  if (!contest(state)) return endOf(state, { key: "rally.end.longest", params: { count: state.longest } }, null);
  const won = state.games.some((game) => game > state.params.games / 2);
  const reason: Phrase = { key: won ? "rally.end.won" : "rally.end.bell" };
  // At the bell the games decide, and then the points. Level is a draw.
  return endOf(state, reason, won ? state.games : score(state).map((eachScore) => eachScore.rank));
}

function turn(state: RallyState): { player: number; side: number; now: Phrase } {
  const side = contest(state) ? state.server : 0;
  const at = { side, player: contest(state) ? playerOf(state, side) : toucher(state) };
  if (state.over) return { ...at, now: { key: "play.over" } };
  if (state.waiting) return { ...at, now: { key: "play.ready" } };
  if (!contest(state))
    return { ...at, now: { key: state.run === 0 ? "rally.begin" : "rally.keep", params: { over: state.params.over } } };
  const { how } = state.params.serve;
  return { ...at, now: { key: state.second ? "rally.second" : "rally.serve", params: { how } } };
}

function progress(state: RallyState): Progress[] {
  return state.sides.map((side, i) => ({
    sends: state.ended,
    rounds: state.told.length,
    points: scoreOf(state, i),
    own: contest(state)
      ? Math.max(0, scoreOf(state, i) - (state.params.games > 1 ? 0 : headStartOf(state.setup, side)))
      : state.longest,
    stage: contest(state)
      ? Math.min(state.params.games > 1 ? state.games[i]! : state.points[i]!, stagesOf(state.params))
      : state.ended,
    stages: contest(state) ? stagesOf(state.params) : state.params.rallies,
    finished: contest(state) ? state.games[i]! > state.params.games / 2 : state.over,
  }));
}
const stagesOf = (params: RallyParams) => (params.games > 1 ? Math.ceil(params.games / 2) : params.points);

/** In a game that must be won by two, late on only the difference matters, and whose serve it is. */
function key(state: RallyState): string {
  if (!contest(state)) {
    return `${state.run} ${state.longest} ${state.ended} ${state.at % state.sides[0]!.length} ${state.waiting ? 1 : 0}`;
  }
  const { by, every } = state.params.serve;
  const turns = by === "alternate" ? state.played % (2 * every) : 0;
  const who = state.served.map((n, i) => n % state.sides[i]!.length).join();
  return `${state.points} ${state.games} ${state.told.length} ${state.server} ${state.opener} ${turns} ${state.second ? 1 : 0} ${who} ${state.ended} ${state.waiting ? 1 : 0}`;
}

export const rallyRules: Rules<RallyParams, RallyState> = {
  start,
  ...clocked(point),
  clock: (_, match) => (match.seconds === null ? "none" : "bell"),
  sidesMeet: () => true,
  // Each side keeps its end.
  starting: (setup, side) => ({ ...setup, starts: side }),
  key,
  // The number of rallies is shown, but decides nothing.
  counters: (_, match, setup) =>
    setup.mode === "against" && match.seconds === null
      ? {
          of: (state) => [state.ended],
          put: (state, _counter, ended) => ({ ...state, ended }),
          feeds: (figure) => (figure === "sends" ? 0 : null),
          key: (state) => key({ ...state, ended: 0 }),
        }
      : null,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave: (state, who) => leaves({ ...state, second: false }, who, turnsOf(state, sideOf(state, who))),
  join: (state, who, side) => (side !== null && fresh(state) ? joins(state, who, side, turnsOf(state, side)) : null),
};

/** Until version 2 the other side served the next game, even if one side was to serve all the time. */
export const rallyRules1: Rules<RallyParams, RallyState> = {
  ...rallyRules,
  ...clocked((state, e) => point(state, e, false)),
};

/** On paper: the longest rally of one child alone. */
export const possible = (params: RallyParams): Possible => ({
  unit: "touches",
  better: "more",
  least: 0,
  most: MAX_RUN,
  values: null,
  finished: { least: 0, most: MAX_RUN },
  stages: params.rallies,
});
