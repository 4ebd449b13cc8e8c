import { describe, expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { radiusOf } from "../../chances/near.ts";
import { isRefusal, type Setup } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { forecastActivity } from "../../forecast/for-activity.ts";
import { fromPattern } from "../../formats/activity.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { tellClosest } from "./closest.reference.ts";
import { closest } from "./index.ts";
import type { ClosestParams } from "./schema.ts";
import { closestParams } from "./schema.ts";

const of = (over: object): ClosestParams => closestParams.parse({ ...closest.example.params, ...over });
const two: Setup = { players: 2, mode: "against", seed: 1 };

function closestOf(draws: Draw): Drawn<ClosestParams> {
  const points = draws.chance(0.6) ? 1 + draws.upTo(4) : null;
  const params = of({
    jack: draws.one(["sent", "placed"]),
    pieces: 1 + draws.upTo(2),
    order: draws.one(["turn", "farther"]),
    leads: draws.one(["winner", "loser", "alternate"]),
    dead: draws.chance(0.5),
    struck: draws.one(["stays", "back"]),
    finish: { points, rounds: points === null || draws.chance(0.5) ? 1 + draws.upTo(2) : null },
  });
  return { params, match: match.parse({ carry: draws.chance(0.5) }) };
}
function closestEvent(draws: Draw, at: number, _: ClosestParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.12)
    ? draws.one(["send", "ready", "stand", "measure", "move", "carry"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "send");
  const away = 100 * draws.upTo(6);
  if (kind === "measure")
    return draws.chance(0.3) ? { kind, at, piece: 1 + draws.upTo(3), away } : { kind: "ready", at };
  if (kind === "move")
    return {
      kind,
      at,
      piece: draws.upTo(3),
      place: draws.one(["in", "in", "out", "over"]),
      ...(draws.chance(0.8) && { spot: { along: away, across: 100 } }),
    };
  if (kind !== "send") return { kind: kind as "ready", at };
  const rest = draws.chance(0.75) ? "in" : draws.one(["over", "short"]);
  if (draws.chance(0.4)) return { kind, at, rest, spot: { along: away, across: -100 } };
  return { kind, at, rest, ...(draws.chance(0.95) && { away }) };
}

describe("Closest", () => {
  it("a second telling agrees", () => {
    const enough = SEQUENCES / 60;
    expect(run(closest.rules, tellClosest, closestOf, closestEvent, closest.modes)).toBeGreaterThan(enough);
  }, 400_000);

  it("with equal laws a winner scores two or more with chance (n - 1) / (2n - 1)", () => {
    const { rules } = closest;
    for (const count of [1, 2, 3]) {
      const field = of({ jack: "placed", pieces: count, finish: { points: null, rounds: 1 } });
      let all = 0;
      let more = 0;
      // Every order in which 2n pieces may lie, through the rules.
      const lay = (state: ReturnType<typeof rules.start>, left: readonly number[]): void => {
        if (left.length === 0) {
          const counted = rules.step(state, { kind: "ready", at: 0 });
          if (isRefusal(counted)) throw new Error(counted.refused.key);
          all++;
          if (Math.max(...rules.score(counted).map((score) => score.value)) > 1) more++;
          return;
        }
        for (const away of left) {
          const next = rules.step(state, { kind: "send", at: 0, rest: "in", away });
          if (isRefusal(next)) throw new Error(next.refused.key);
          lay(
            next,
            left.filter((x) => x !== away),
          );
        }
      };
      lay(
        rules.start(field, USUAL_MATCH, two),
        Array.from({ length: 2 * count }, (_, i) => 100 * (i + 1)),
      );
      expect(more / all).toBeCloseTo((count - 1) / (2 * count - 1), 12);
    }
  });

  const played = (field: ClosestParams, setup: Setup, events: readonly object[]) => {
    let state = closest.rules.start(field, USUAL_MATCH, setup);
    for (const event of events) {
      const next = closest.rules.step(state, { at: 0, ...event } as GameEvent);
      if (isRefusal(next)) throw new Error(next.refused.key);
      state = next;
    }
    return state;
  };
  const lies = (away: number) => ({ kind: "send", rest: "in", away });
  it("a tie for nearest scores nobody until it is measured, and level pieces are not nearer", () => {
    const field = of({ jack: "placed", pieces: 2, finish: { points: null, rounds: 3 } });
    const tied = [lies(200), lies(200), lies(300), lies(500)];
    expect(closest.rules.score(played(field, two, [...tied, { kind: "ready" }])).map((score) => score.value)).toEqual([
      0, 0,
    ]);
    const measured = [...tied, { kind: "measure", piece: 1, away: 195 }, { kind: "ready" }];
    expect(closest.rules.score(played(field, two, measured)).map((score) => score.value)).toEqual([1, 0]);
    // A second piece level with the best of the others is not nearer.
    const level = [lies(100), lies(300), lies(300), lies(900), { kind: "ready" }];
    expect(closest.rules.score(played(field, two, level)).map((score) => score.value)).toEqual([1, 0]);
  });
  it("a jack out of its limits voids the round; after two in vain the other places it and the same side sends", () => {
    const field = of({ pieces: 1, finish: { points: null, rounds: 2 } });
    const vain = played(field, two, [
      { kind: "send", rest: "short" },
      { kind: "send", rest: "over" },
    ]);
    expect(closest.rules.turn(vain).player).toBe(1);
    const placed = played(field, two, [
      { kind: "send", rest: "short" },
      { kind: "send", rest: "over" },
      { kind: "stand" },
    ]);
    expect(closest.rules.turn(placed).player).toBe(0);
    const away = played(field, two, [
      { kind: "send", rest: "in" },
      lies(100),
      { kind: "move", piece: 0, place: "out" },
    ]);
    expect(closest.rules.score(away).map((score) => score.value)).toEqual([0, 0]);
    // It is no round: there are still two to come.
    expect(closest.rules.progress(away)[0]!.rounds).toBe(0);
  });
  it("of three sides the loser that leads is the one that lies farthest; before version 2 it was the next", () => {
    const field = of({ jack: "placed", pieces: 1, leads: "loser", finish: { points: null, rounds: 3 } });
    const three = { players: 3, mode: "against", seed: 1 } as const;
    const leads = (...away: number[]) =>
      closest.rules.turn(played(field, three, [...away.map(lies), { kind: "ready" }])).side;
    expect([leads(100, 200, 300), leads(100, 300, 200), leads(300, 200, 100), leads(100, 200, 200)]).toEqual([
      2, 1, 0, 1,
    ]);
    const before = closest.earlier![1]!;
    let state = before.start(field, closest.match.initial, three);
    for (const e of [...[100, 200, 300].map(lies), { kind: "ready" }])
      state = before.step(state, { ...e, at: 0 } as GameEvent) as typeof state;
    expect(before.turn(state).side).toBe(1);
  });
  it("alone it is one more side with a single piece that lies at the mark every round", () => {
    const field = of({ jack: "placed", pieces: 2, mark: 0.4, finish: { points: 2, rounds: null } });
    const alone: Setup = { players: 1, mode: "alone", seed: 1 };
    const both = played(field, alone, [lies(100), lies(399), { kind: "ready" }]);
    expect(closest.rules.ending(both)?.reason.key).toBe("closest.end.points");
    const lost = played(
      field,
      alone,
      [...Array(2)].flatMap(() => [lies(600), lies(401), { kind: "ready" }]),
    );
    expect(closest.rules.ending(lost)?.reason.key).toBe("closest.end.mark");
  });

  it("distances are those of a normal law; equal players win as often, within a point", () => {
    // Round: Rayleigh, half of all within sd sqrt(2 ln 2).
    expect(radiusOf(0.5, 0.2, 0.2)).toBeCloseTo(0.2 * Math.sqrt(2 * Math.log(2)), 6);
    expect(radiusOf(0.3, 0.1, 0.3)).toBeLessThan(radiusOf(0.3, 0.3, 0.3));
    const activity = fromPattern("closest");
    const forecast = forecastActivity(activity, [{ age: 8 }, { age: 8 }], two, "middle");
    expect(Math.abs(forecast.sides[0]!.win! - 0.5)).toBeLessThan(0.03);
    const uneven = forecastActivity(activity, [{ age: 12 }, { age: 6 }], two, "middle");
    expect(uneven.sides[0]!.win).toBeGreaterThan(0.6);
  });

  it("refuses limits without room, and a game without an end, by the field", () => {
    const issue = (over: object) => closestParams.safeParse({ ...closest.example.params, ...over }).error?.issues[0];
    expect(issue({ near: 3, far: 3.1 })?.message).toBe("far (3.1 m) must be at least 0.3 m beyond near (3 m)");
    expect(issue({ finish: { points: null, rounds: null } })?.path).toEqual(["finish", "rounds"]);
  });
});
