import { describe, expect, it } from "vitest";
import { askOf, mainAsks } from "../asks/ask.ts";
import { type BaseState, isRefusal, type Possible } from "../contract/contract.ts";
import { openGame } from "../contract/game.ts";
import { type Match, match } from "../contract/match.ts";
import type { Game } from "../contract/opened-game.ts";
import { fromPattern } from "../formats/activity.ts";
import { random } from "../random.ts";
import { bodiesOf } from "../referee/referee.ts";
import { type PatternName, patternNames, patternOf } from "./registry.ts";

/** What each pattern is tried with besides its example; all of it valid. */
const CHANGES: Record<PatternName, readonly { match?: Partial<Match>; [param: string]: unknown }[]> = {
  climb: [
    { scoring: { by: "points", first: 5, growth: 3 }, tries: 3 },
    { scoring: { by: "points", first: 2, growth: 0 }, match: { goes: { count: 3, keep: "total" } }, tries: 6 },
    { scoring: { by: "tries" }, tries: 7 },
    { scoring: { by: "tries" }, tries: 9, match: { goes: { count: 2, keep: "total" } } },
    { scoring: { by: "time" }, match: { seconds: 40 } },
  ],
  bands: [
    { finish: { rounds: 3, total: null, exact: false, dropTo: null } },
    { finish: { rounds: null, total: 24, exact: true, dropTo: 16 } },
    { finish: { rounds: null, total: 15, exact: false, dropTo: null }, pieces: 2 },
    { finish: { rounds: 4, total: 20, exact: false, dropTo: null } },
  ],
  pins: [
    { frames: 2, rolls: 3, standUp: true, points: 1 },
    { formation: { kind: "own", count: 4, depth: 0.9, width: 0.9 }, frames: 3, bonus: 0 },
    { frames: 1, rolls: 1, pieces: 2, match: { goes: { count: 2, keep: "total" } } },
  ],
  threeLine: [{ sends: 4 }, { size: 4, sends: 30, match: { goes: { count: 2, keep: "total" } } }],
  tally: [
    { keep: "best" },
    { inAir: true, match: { goes: { count: 2, keep: "total" } } },
    {
      rounds: [{ task: "rebound", seconds: 20, rest: 0, hand: "usual", moving: false, bounce: false }],
    },
  ],
  sweep: [
    { score: "points", sends: 3 },
    { score: "points", sends: 7, collect: false, match: { goes: { count: 2, keep: "total" } } },
    { score: "sends", sends: 6 },
    { score: "time", match: { seconds: 40 } },
  ],
  checklist: [
    { how: "tick" },
    { need: "done", score: "sends", order: "fixed" },
    { score: "stars", match: { goes: { count: 2, keep: "total" } } },
  ],
  speller: [
    { score: "words", sends: 8 },
    { score: "sends", sends: null },
    { wrong: "restarts", sends: 12 },
    { wrong: "costs", list: "sun, sand", knock: "word", match: { goes: { count: 2, keep: "total" } } },
    { score: "time", sends: null, match: { seconds: 60 } },
  ],
  passLadder: [
    { score: "passes", drop: "repeat" },
    { score: "passes", drop: "stay", sends: 5 },
    { way: { kind: "pair", bounce: true }, drop: "back", sends: 9, match: { goes: { count: 2, keep: "total" } } },
    { score: "time", sends: null, match: { seconds: 60 } },
  ],
  closest: [
    { finish: { points: null, rounds: 3 } },
    { finish: { points: 4, rounds: null }, pieces: 1, jack: "placed" },
    { dead: true, order: "farther", mark: 0.8 },
  ],
  rally: [{ rallies: 3 }, { rallies: 1 }, { match: { seconds: 30 } }],
  swapSquare: [
    { n: 2, least: 1, most: 2 },
    { n: 3, reach: "next" },
    { n: 3, score: "time" },
    { n: 3, match: { goes: { count: 2, keep: "total" } } },
  ],
  bases: [
    { innings: 1 },
    { innings: 1, turn: { by: "outs", outs: 2, batters: 4 }, outs: ["caught", "swings"] },
    { innings: 2, bases: 1, trips: true },
  ],
  goals: [{ alone: { by: "bell", seconds: 30, goals: 5 } }, { alone: { by: "count", seconds: 30, goals: 4 } }],
  streak: [
    { score: "run", tries: 3, drop: "costsOne" },
    { score: "sum", stays: false, tries: 12 },
    { drop: "ends" },
    { tries: null, match: { seconds: 30 } },
  ],
  stackUp: [
    { score: "rounds" },
    { score: "rounds", rounds: null, full: 3 },
    { score: "felled", rounds: 5 },
    { after: "again", full: 3, rounds: 9 },
    { firstEnds: true, rounds: 4, match: { goes: { count: 2, keep: "total" } } },
    { score: "time", match: { seconds: 60 } },
  ],
  board: [
    { sends: 2 },
    { once: true, sends: null },
    { once: true, sends: 2, choice: "called" },
    { sends: 5, match: { goes: { count: 2, keep: "total" } } },
    { sends: null, match: { seconds: 60 } },
  ],
};
const GAMES = 240;
const LONGEST = 600;

/** One go alone by any events that may come; `best`: whatever scores most each time. Null where it would not end. */
function goOf(game: Game, draw: () => number, best: boolean) {
  let state: BaseState = game.start({ players: 1, mode: "alone", seed: 1 });
  let at = 0;
  const after = (event: object) => {
    const next = game.step(state, event as never);
    if (isRefusal(next)) throw new Error(JSON.stringify([event, next]));
    return next;
  };
  for (let n = 0; n < LONGEST && !game.ending(state); n++) {
    at += Math.round(1000 + 4000 * draw());
    const due = askOf(game.asks(state), "bell")?.dueAt ?? null;
    if (due !== null && at >= due) {
      state = after({ kind: "bell", at: due });
      at = due;
      continue;
    }
    const bodies = mainAsks(game.asks(state)).flatMap(bodiesOf);
    const soFar = (body: object) => game.score(after({ ...body, at }))[0]!.soFar;
    const body = best
      ? bodies.reduce((event, b) => (soFar(b) > soFar(event) ? b : event))
      : bodies[Math.floor(draw() * bodies.length)]!;
    state = after({ ...body, at });
  }
  if (!game.ending(state)) return null;
  const [reached] = game.progress(state);
  return { value: reached!.own, finished: reached!.finished, stage: reached!.stage, unit: game.score(state)[0]!.unit };
}

describe.each(patternNames)("what %s can score", (name) => {
  const pattern = patternOf(name);
  it("is what any go really scores, and no more than the best one does", () => {
    for (const change of [{}, ...CHANGES[name]]) {
      const { match: around, ...changed } = change;
      const params = pattern.params.parse({ ...(fromPattern(name).pattern.params as object), ...changed });
      const m = match.parse({ ...fromPattern(name).match, ...around });
      const can: Possible = pattern.possible(params, m);
      const game = openGame(pattern, { params, match: m });
      const draw = random(7);
      let most = 0;
      for (let i = 0; i < GAMES; i++) {
        const go = goOf(game, draw, i % 8 === 0);
        if (!go) continue;
        const told = JSON.stringify([change, go, can]);
        expect(go.unit, told).toBe(can.unit);
        expect(go.value, told).toBeGreaterThanOrEqual(can.least);
        expect(go.value, told).toBeLessThanOrEqual(can.most ?? Number.POSITIVE_INFINITY);
        if (can.values) expect(can.values, told).toContain(go.value);
        if (can.stages > 0) expect(go.stage, told).toBeLessThanOrEqual(can.stages);
        if (go.finished && can.unit !== "points") {
          expect(go.value, told).toBeGreaterThanOrEqual(can.finished.least);
          expect(go.value, told).toBeLessThanOrEqual(can.finished.most ?? Number.POSITIVE_INFINITY);
        }
        most = Math.max(most, go.value);
      }
      // Points: a child that hits everything gets all that may be written down, unless the total ends it first.
      if (can.unit === "points" && can.values) expect(most).toBe(can.most);
    }
  });
});
