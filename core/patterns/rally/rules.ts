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
import { headStartOf, whoPlays } from "../../contract/people.ts";
import type { GameEvent } from "../../events/events.ts";
import { joins, leaves, sideOf } from "../../match/company.ts";
import { endOf } from "../../match/end.ts";
import { oneClock, type Timed } from "../../match/one-clock.ts";
import { twoSides } from "../../match/two-sides.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { MAX_RUN, type RallyParams, REASONS } from "./params.ts";

/** Two sides for points; or all together, one rally after the other. */
export interface RallyState extends Timed {
  params: RallyParams;
  /** Points of the game under way, and games won. */
  points: readonly number[];
  games: readonly number[];
  /** Every finished game. */
  told: readonly (readonly number[])[];
  /** Who serves, who served first in this game, and points played in it. */
  server: number;
  opener: number;
  played: number;
  /** The first serve was a fault. */
  second: boolean;
  /** How often each side has served: whose turn it is in it. */
  served: readonly number[];
  /** Together: touches of the rally under way, of the longest one, rallies that ended, and whose touch comes. */
  run: number;
  longest: number;
  ended: number;
  at: number;
}

export const contest = (s: Pick<RallyState, "setup">): boolean => s.setup.mode === "against";
/** Where each side serves from. */
export const LINES = ["start", "far"] as const;

function start(params: RallyParams, match: Match, setup: Setup): RallyState {
  const sides = setup.mode === "against" ? twoSides(setup) : [whoPlays(setup)];
  const heads = sides.map((x) => Math.min(params.points - 1, headStartOf(setup, x)));
  return {
    setup,
    params,
    match,
    sides,
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
    waiting: match.seconds !== null,
    since: 0,
    carried: 0,
    last: 0,
    over: false,
  };
}

const playerOf = (s: RallyState, side: number) => s.sides[side]![s.served[side]! % s.sides[side]!.length]!;
const toucher = (s: RallyState) => s.sides[0]![s.at % s.sides[0]!.length]!;
export const mannerOf = memoizeByIdentity((p: RallyParams): Manner => (p.bounces > 0 ? { bounce: true } : PLAIN));
/** Square metres that each side has to cover. */
const areasOf = (p: RallyParams): [number, number] => [p.near.length * p.near.width, p.far.length * p.far.width];
const pointAims = memoizeByIdentity((_: RallyParams) => new Map<string, AimOf<"point">>());
function pointAim(s: RallyState): AimOf<"point"> {
  const { params: p, server, second, sides } = s;
  const known = pointAims(p);
  const key = `${server} ${second} ${JSON.stringify(sides)}`;
  let aim = known.get(key);
  if (!aim) {
    aim = {
      kind: "point",
      server,
      people: sides,
      areas: areasOf(p),
      over: p.over,
      again: p.serve.second && !second,
      told: p.told,
    };
    known.set(key, aim);
  }
  return aim;
}
const overAims = memoizeByIdentity(
  (p: RallyParams): AimOf<"over"> => ({ kind: "over", area: areasOf(p)[0], over: p.over }),
);
export const overAim = (p: RallyParams): AimOf<"over"> => overAims(p);

function asks(s: RallyState): Ask[] {
  const { params: p } = s;
  if (contest(s))
    return [
      {
        kind: "send",
        player: playerOf(s, s.server),
        from: LINES[s.server]!,
        manner: mannerOf(p),
        aim: pointAim(s),
        fetch: true,
      },
    ];
  return [
    {
      kind: "count",
      player: toucher(s),
      from: "start",
      manner: mannerOf(p),
      aim: overAim(p),
      soFar: s.run,
      drops: true,
    },
  ];
}

const clocked = (told: typeof point) =>
  oneClock<RallyState>({
    limit: (s) => s.match.seconds,
    between: (s) => s.run === 0,
    // A rally that is under way does not count; together it counts as it stands.
    bell: (s) => ({ ...s, over: true }),
    asks,
    first: (s) => s.sides[0]![0]!,
    step(s, e) {
      if (e.kind === "point" && contest(s)) return told(s, e);
      if (e.kind === "count" && !contest(s)) return counted(s, e);
      return refuse("refused.notInGame", { kind: e.kind });
    },
  });

/** Between games; together between rallies. */
const fresh = (s: RallyState) => !s.over && s.run === 0 && s.played === 0 && !s.second;
const turnsOf = (s: RallyState, side: number) => (contest(s) ? s.served[side]! : s.at);

function point(s: RallyState, e: Extract<GameEvent, { kind: "point" }>, fixedStays = true): RallyState | Refusal {
  const { params: p } = s;
  if (e.side === null) {
    // Served again: it is the serve that it was.
    if (e.why === "let") return s;
    if (e.why !== "fault") return refuse("refused.notInGame", { kind: e.kind });
    if (!p.serve.second || s.second) return refuse("refused.noSecond");
    return { ...s, second: true };
  }
  if (e.side >= s.sides.length) return refuse("refused.noSide");
  if (e.why !== undefined && !(REASONS as readonly string[]).includes(e.why))
    return refuse("refused.notInGame", { kind: e.kind });
  const points = s.points.map((n, i) => (i === e.side ? n + 1 : n));
  const longest = Math.max(s.longest, e.n ?? 0);
  const next = { ...s, points, longest, second: false, played: s.played + 1, ended: s.ended + 1 };
  const [most, least] = [Math.max(...points), Math.min(...points)];
  if (most < p.points || (p.lead && most - least < 2)) return servedBy(next, changes(s, e.side));
  // A game is over: whoever did not begin it begins the next, unless one side serves all the time.
  const games = s.games.map((n, i) => (i === e.side ? n + 1 : n));
  const told = [...s.told, points];
  if (Math.max(...games) > p.games / 2) return { ...next, games, told, over: true };
  const stays = p.serve.by === "fixed" && fixedStays;
  const opener = stays ? s.opener : 1 - s.opener;
  const heads = s.sides.map((x) => Math.min(p.points - 1, headStartOf(s.setup, x)));
  return servedBy({ ...next, games, told, points: heads, opener, played: 0 }, opener);
}
/** The serve goes to a side; whoever had it in the other one is followed by the next of them. */
const servedBy = (s: RallyState, server: number): RallyState =>
  server === s.server ? s : { ...s, server, served: s.served.map((n, i) => (i === s.server ? n + 1 : n)) };
/** Who serves after a point for a side. */
function changes(s: RallyState, side: number): number {
  const { by, every } = s.params.serve;
  if (by === "winner") return side;
  if (by === "loser") return 1 - side;
  if (by === "fixed") return s.server;
  return (s.opener + Math.floor((s.played + 1) / every)) % 2;
}

function counted(s: RallyState, e: Extract<GameEvent, { kind: "count" }>): RallyState | Refusal {
  if (s.run + e.n > MAX_RUN) return refuse("refused.runMost", { most: MAX_RUN });
  const run = s.run + e.n;
  const longest = Math.max(s.longest, run);
  // Nobody counts farther: that rally is over.
  if (!e.drop && run < MAX_RUN) {
    if (e.n === 0) return refuse("refused.notInGame", { kind: e.kind });
    return { ...s, run, longest, at: s.at + e.n };
  }
  const ended = s.ended + 1;
  // Whoever dropped it begins the next one.
  return { ...s, run: 0, longest, ended, at: s.at + e.n, over: ended >= s.params.rallies };
}

const scoreOf = (s: RallyState, i: number) =>
  !contest(s) ? s.longest : s.params.games > 1 ? s.games[i]! : s.points[i]!;
function score(s: RallyState): Score[] {
  return s.sides.map((players, i) => ({
    players,
    value: scoreOf(s, i),
    soFar: scoreOf(s, i),
    unit: !contest(s) ? "touches" : s.params.games > 1 ? "games" : "points",
    better: "more",
    get working() {
      if (!contest(s) || s.params.games === 1) return "";
      const all =
        s.over && s.told.length > 0 && s.games.some((n) => n > s.params.games / 2) ? s.told : [...s.told, s.points];
      return all.map((g) => `${g[i]}:${g[1 - i]}`).join(", ");
    },
    rank: contest(s) ? s.games[i]! * 1000 + s.points[i]! : s.longest,
  }));
}

function ending(s: RallyState): Ending | null {
  if (!s.over) return null;
  if (!contest(s)) return endOf(s, { key: "rally.end.longest", params: { count: s.longest } }, null);
  const won = s.games.some((n) => n > s.params.games / 2);
  const reason: Phrase = { key: won ? "rally.end.won" : "rally.end.bell" };
  // At the bell the games decide, then the points; level is a draw.
  return endOf(s, reason, won ? s.games : score(s).map((x) => x.rank));
}

function turn(s: RallyState): { player: number; side: number; now: Phrase } {
  const side = contest(s) ? s.server : 0;
  const at = { side, player: contest(s) ? playerOf(s, side) : toucher(s) };
  if (s.over) return { ...at, now: { key: "play.over" } };
  if (s.waiting) return { ...at, now: { key: "play.ready" } };
  if (!contest(s))
    return { ...at, now: { key: s.run === 0 ? "rally.begin" : "rally.keep", params: { over: s.params.over } } };
  const { how } = s.params.serve;
  return { ...at, now: { key: s.second ? "rally.second" : "rally.serve", params: { how } } };
}

function progress(s: RallyState): Progress[] {
  return s.sides.map((x, i) => ({
    sends: s.ended,
    rounds: s.told.length,
    points: scoreOf(s, i),
    own: contest(s) ? Math.max(0, scoreOf(s, i) - (s.params.games > 1 ? 0 : headStartOf(s.setup, x))) : s.longest,
    stage: contest(s) ? Math.min(s.params.games > 1 ? s.games[i]! : s.points[i]!, stagesOf(s.params)) : s.ended,
    stages: contest(s) ? stagesOf(s.params) : s.params.rallies,
    finished: contest(s) ? s.games[i]! > s.params.games / 2 : s.over,
  }));
}
const stagesOf = (p: RallyParams) => (p.games > 1 ? Math.ceil(p.games / 2) : p.points);

/** Far into a game that must be won by two only the difference is left, and whose serve it is. */
function key(s: RallyState): string {
  if (!contest(s)) {
    return `${s.run} ${s.longest} ${s.ended} ${s.at % s.sides[0]!.length} ${s.waiting ? 1 : 0}`;
  }
  const { by, every } = s.params.serve;
  const turns = by === "alternate" ? s.played % (2 * every) : 0;
  const who = s.served.map((n, i) => n % s.sides[i]!.length).join();
  return `${s.points} ${s.games} ${s.told.length} ${s.server} ${s.opener} ${turns} ${s.second ? 1 : 0} ${who} ${s.ended} ${s.waiting ? 1 : 0}`;
}

export const rallyRules: Rules<RallyParams, RallyState> = {
  start,
  ...clocked(point),
  clock: (_, match) => (match.seconds === null ? "none" : "bell"),
  sidesMeet: () => true,
  // Each side keeps its end.
  starting: (setup, side) => ({ ...setup, starts: side }),
  key,
  // How many rallies there were is told, and decides nothing.
  counters: (_, match, setup) =>
    setup.mode === "against" && match.seconds === null
      ? {
          of: (s) => [s.ended],
          put: (s, _counter, ended) => ({ ...s, ended }),
          feeds: (figure) => (figure === "sends" ? 0 : null),
          key: (s) => key({ ...s, ended: 0 }),
        }
      : null,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave: (s, who) => leaves({ ...s, second: false }, who, turnsOf(s, sideOf(s, who))),
  join: (s, who, side) => (side !== null && fresh(s) ? joins(s, who, side, turnsOf(s, side)) : null),
};

/** Until version 2 the other side served the next game, also where one side serves all the time. */
export const rallyRules1: Rules<RallyParams, RallyState> = { ...rallyRules, ...clocked((s, e) => point(s, e, false)) };

/** Written on paper: the longest rally of a child alone. */
export const possible = (p: RallyParams): Possible => ({
  unit: "touches",
  better: "more",
  least: 0,
  most: MAX_RUN,
  values: null,
  finished: { least: 0, most: MAX_RUN },
  stages: p.rallies,
});
