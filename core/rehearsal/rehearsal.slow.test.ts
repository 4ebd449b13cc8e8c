import { describe, expect, it } from "vitest";
import { fromPattern } from "../formats/activity.ts";
import { patternNames } from "../patterns/registry.ts";
import { lastBefore, nextAfter, runOf, seenAt } from "./at.ts";
import { foresee, knownChild, type Rehearsing, rehearse } from "./rehearsal.ts";

const child = (activity: Rehearsing["activity"], age = 8): Rehearsing => ({
  activity,
  age,
  self: null,
  known: knownChild(age, {}),
});

describe("a rehearsal", () => {
  it.each(patternNames)(
    "%s: the same seed is the same go, whole, in its order and inside what is played on",
    (name) => {
      const rehearsing = child(fromPattern(name));
      const one = rehearse(rehearsing, 7);
      expect(one).toEqual(rehearse(rehearsing, 7));
      expect(one.moments.length).toBeGreaterThan(0);
      let before = 0;
      for (const moment of one.moments) {
        expect(moment.from).toBeGreaterThanOrEqual(before);
        expect(moment.at).toBeGreaterThanOrEqual(moment.from);
        before = moment.at;
        if (moment.flies) expect(moment.flies[1]).toBeGreaterThanOrEqual(moment.flies[0]);
        for (const value of moment.to ? [moment.to.along, moment.to.across] : [])
          expect(Number.isFinite(value)).toBe(true);
      }
      expect(one.seconds).toBeCloseTo(before / 1000, 6);
      expect(one.spent.acting + one.spent.fetching + one.spent.waiting).toBeCloseTo(1, 9);
    },
  );
  it("another seed is another go", () => {
    const rehearsing = child(fromPattern("climb"));
    const all = new Set(
      Array.from({ length: 20 }, (_, i) => JSON.stringify(rehearse(rehearsing, 100 + 2 * i).moments)),
    );
    expect(all.size).toBeGreaterThan(10);
  });
  it.each(["climb", "bands", "pins", "streak"] as const)("%s: many draws are what is forecast", (name) => {
    const rehearsing = child(fromPattern(name));
    const n = 160;
    const goes = Array.from({ length: n }, (_, i) => rehearse(rehearsing, 1000 + 2 * i));
    const told = foresee(rehearsing);
    // Within four standard errors.
    const near = (seen: number, chance: number) =>
      expect(Math.abs(seen - chance), `${seen} beside ${chance}`).toBeLessThan(
        4 * Math.sqrt(Math.max(chance * (1 - chance), 0.01) / n) + 0.01,
      );
    near(goes.filter((go) => go.finished).length / n, told.finish);
    // At least 80 % lie inside, as scores are whole; and no more than the ends hold by themselves.
    const inside = goes.filter((go) => go.value >= told.low && go.value <= told.high).length / n;
    expect(inside).toBeGreaterThan(0.8 - 4 * Math.sqrt(0.16 / n));
    const under = goes.filter((go) => go.value < told.low).length / n;
    expect(under).toBeLessThan(0.1 + 4 * Math.sqrt(0.09 / n));
  });
  it("of somebody who is known better the draws differ less", () => {
    const activity = fromPattern("climb");
    const sure = { ...child(activity), known: { spread: { middle: 0, sd: 0.01 }, skill: { middle: 0, sd: 0.01 } } };
    const apart = (rehearsing: Rehearsing) => {
      const v = Array.from(
        { length: 120 },
        (_, i) => rehearse(rehearsing, 2 * i).moments.filter((moment) => moment.off === false).length,
      );
      const mean = v.reduce((sum, y) => sum + y, 0) / v.length;
      return v.reduce((sum, y) => sum + (y - mean) ** 2, 0) / v.length;
    };
    expect(apart(sure)).toBeLessThan(apart({ ...sure, known: { ...sure.known, spread: { middle: 0, sd: 0.8 } } }));
  });
  it("takes a teacher's word before what goes say, and these before the age", () => {
    const axis = { axis: "spread", middle: 2, low: 1.5, high: 3 } as const;
    expect(knownChild(8, { spread: axis }, { multiplier: 1.5 }).spread.middle).toBeCloseTo(Math.log(1.5), 9);
    expect(knownChild(8, { spread: axis }).spread.middle).toBeCloseTo(Math.log(2), 9);
    expect(knownChild(6, {}).spread.sd).toBeGreaterThan(knownChild(6, { spread: axis }).spread.sd);
  });
});

describe("a go that is looked at", () => {
  const run = runOf(rehearse(child(fromPattern("climb")), 5));
  const { moments } = run.go;
  it("is somewhere at every time: nobody jumps, and at its end all is done", () => {
    let before = seenAt(run, 0).child;
    for (let ms = 0; ms <= run.go.seconds * 1000; ms += 100) {
      const seen = seenAt(run, ms);
      const went = Math.hypot(seen.child.along - before.along, seen.child.across - before.across);
      // Nobody walks faster than 4 m in a second.
      expect(went).toBeLessThan(0.4 + 1e-9);
      before = seen.child;
      expect(moments[seen.index]!.from).toBeLessThanOrEqual(ms);
    }
    const last = seenAt(run, run.go.seconds * 1000);
    expect(last.doing).toBe("done");
    expect(last.value).toBe(moments[moments.length - 1]!.value);
    expect(last.value).toBe(run.go.value);
  });
  it("is gone through one thing after the other, and back", () => {
    let ms = 0;
    for (const moment of moments.filter((eachMoment, i) => eachMoment.at > (moments[i - 1]?.at ?? 0))) {
      ms = nextAfter(moments, ms);
      expect(ms).toBe(moment.at);
    }
    expect(nextAfter(moments, ms)).toBe(ms);
    expect(lastBefore(moments, ms)).toBeLessThan(ms);
    expect(lastBefore(moments, 0)).toBe(0);
  });
  it("is stuck after six that brought nothing, and not any more once one did", () => {
    const miss = { ...moments.find((moment) => moment.flies)!, off: false };
    const at = (i: number, off: boolean) => ({ ...miss, from: i * 1000, at: i * 1000 + 1000, off });
    const go = {
      ...run.go,
      moments: [...Array.from({ length: 7 }, (_, i) => at(i, false)), at(7, true), at(8, false)],
    };
    const looked = runOf(go);
    expect([5500, 6500, 7500, 8500].map((ms) => seenAt(looked, ms).stuck)).toEqual([false, true, true, false]);
  });
  it("of a go in which nothing happened is done at once", () => {
    expect(seenAt(runOf({ ...run.go, moments: [] }), 100).doing).toBe("done");
  });
});
