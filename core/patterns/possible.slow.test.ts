import { describe, expect, it } from "vitest";
import { askOf, mainAsks } from "../asks/ask.ts";
import { type BaseState, isRefusal, type Possible } from "../contract/contract.ts";
import { openGame } from "../contract/game.ts";
import { match } from "../contract/match-schema.ts";
import type { Game } from "../contract/opened-game.ts";
import { fromPattern } from "../formats/activity.ts";
import { random } from "../random.ts";
import { possibleFromStates } from "../referee/possible.ts";
import { bodiesOf } from "../referee/referee.ts";
import { inFull } from "../sample-size.test-utils.ts";
import { casesOf } from "./cases.test-utils.ts";
import { patternNames, patternOf } from "./registry.ts";

const GAMES = inFull(240, 80);
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
    for (const change of [{}, ...casesOf[name].possible]) {
      const { match: around, ...changed } = change;
      const params = pattern.params.parse({ ...(fromPattern(name).pattern.params as object), ...changed });
      const m = match.parse({ ...fromPattern(name).match, ...around });
      const can: Possible = pattern.possible?.(params, m) ?? possibleFromStates(pattern, params, m);
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

it("what follows from the states is what a game says that knows better, where nothing runs against the clock", () => {
  for (const name of ["climb", "sweep", "pins", "stackUp", "board"] as const) {
    const pattern = patternOf(name);
    for (const change of [{}, ...casesOf[name].possible]) {
      const { match: around, ...changed } = change;
      const params = pattern.params.parse({ ...(fromPattern(name).pattern.params as object), ...changed });
      const m = match.parse({ ...fromPattern(name).match, ...around });
      if (m.seconds !== null || m.goes.count > 1) continue;
      const said = pattern.possible!(params, m);
      if (said.unit === "tenths" || said.most === null) continue;
      let from: Possible;
      try {
        from = possibleFromStates(pattern, params, m);
      } catch (error) {
        expect(String(error)).toContain("too many states");
        continue;
      }
      const told = JSON.stringify([name, change]);
      expect([from.unit, from.better], told).toEqual([said.unit, said.better]);
      expect(from.most, told).toBeLessThanOrEqual(said.most);
      // A game may say more than can be scored, never less.
      expect(from.least, told).toBeGreaterThanOrEqual(said.least);
      expect(from.stages, told).toBeLessThanOrEqual(Math.max(from.stages, said.stages));
    }
  }
});
