import { describe, expect, it } from "vitest";
import type { PlayEvent } from "../events/events.ts";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { random } from "../random.ts";
import { replay } from "../referee/referee.ts";
import { leanOf, MIN_PIECES, pulls, type Resting, restingOf } from "./lean.ts";

const normal = (draw: () => number) => Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw());
/** Pieces of a child with a middle of its own, spread so, of which a share goes wild. */
function pieces(
  givenCount: number,
  seed: number,
  at: Resting,
  sd: number,
  wild: number,
): { all: Resting[]; wild: number } {
  const draw = random(seed);
  let count = 0;
  const all = Array.from({ length: givenCount }, () => {
    const is = draw() < wild;
    if (is) count++;
    const s = is ? 3 * sd : sd;
    return { along: at.along + s * normal(draw), across: at.across + s * normal(draw) };
  });
  return { all, wild: count };
}

describe("a pull to one side, and wild sends", () => {
  it("are told apart: the middle comes out as sure as is said, and about as many are called wild as were", () => {
    const at = { along: -0.3, across: 0.1 };
    let [inside, wild, were] = [0, 0, 0];
    const CHILDREN = 300;
    for (let k = 0; k < CHILDREN; k++) {
      const child = pieces(60, 10 + k, at, 0.25, 0.1);
      const told = leanOf(child.all)!;
      if (Math.abs(told.along.by - at.along) < 2 * told.along.sure) inside++;
      wild += told.wild;
      were += child.wild;
    }
    // Two standard errors hold 95 in 100.
    expect(inside / CHILDREN).toBeGreaterThan(0.91);
    expect(wild / were).toBeGreaterThan(0.75);
    expect(wild / were).toBeLessThan(1.25);
  });
  it("no pull is said of who has none, but for one child in twenty; one of half a spread is seen in most after 60 pieces", () => {
    const seen = (along: number) =>
      Array.from({ length: 300 }, (_, k) =>
        Number(pulls(leanOf(pieces(60, 500 + k, { along, across: 0 }, 0.25, 0.08).all)!.along)),
      ).reduce((sum, b) => sum + b, 0) / 300;
    expect(seen(0)).toBeLessThan(0.1);
    expect(seen(0.125)).toBeGreaterThan(0.8);
  });
  it("says nothing of too few, and stands where all lie in one place", () => {
    const few = pieces(MIN_PIECES - 1, 3, { along: 0, across: 0 }, 0.2, 0).all;
    expect(leanOf(few)).toBeNull();
    const one = leanOf(Array.from({ length: 10 }, () => ({ along: 0.2, across: 0 })))!;
    expect(one.along.by).toBeCloseTo(0.2, 6);
    expect(one.wild).toBeLessThan(2);
  });
  it("reads the child's own pieces off a go, as they stand; nobody else's, and nothing without a place", () => {
    const base = fromPattern("closest");
    const activity = {
      ...base,
      pattern: { ...base.pattern, params: { ...(base.pattern.params as object), jack: "placed", pieces: 2 } },
    } as typeof base;
    const send = (along: number, across: number) => ({ kind: "send", rest: "in", spot: { along, across } });
    const events = [send(-300, 50), send(900, 0), { kind: "undo" }, send(120, -40)];
    const told = (players: number) => {
      const setup = players === 1 ? { players, mode: "alone", seed: 1 } : { players, mode: "against", seed: 1 };
      const all = events.map((event, i) => ({ at: 5000 * (i + 1), ...event }) as PlayEvent);
      const { play, refused } = replay(gameSettingsOf(activity), setup as never, all);
      expect(refused).toBeNull();
      return restingOf(activity, play).map((r) => r.at);
    };
    expect(told(1)).toEqual([
      { along: -0.3, across: 0.05 },
      { along: 0.12, across: -0.04 },
    ]);
    expect(told(2)).toEqual([{ along: -0.3, across: 0.05 }]);
  });
});
