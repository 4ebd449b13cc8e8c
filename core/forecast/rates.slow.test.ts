import { describe, expect, it } from "vitest";
import { waysFrom } from "../chances/outcomes.ts";
import { fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { random } from "../random.ts";
import { layoutOf, personOf, rates } from "./for-activity.ts";

const COUNTS = [["touch"], ["into"], ["touch", "into"]] as const;

describe("rates", () => {
  it("leave out of the law only what cannot change a probe's chance, wherever things stand and however they count", () => {
    const draw = random(17);
    const base = fromPattern("climb");
    const { ladder } = base.pattern.params as { ladder: { targets: object[] } };
    let blocked = 0;
    for (let n = 0; n < 250; n++) {
      const targets = ladder.targets.map((target) => ({
        ...target,
        distance: 0.6 + draw() * 3,
        across: (draw() - 0.5) * 0.9,
        width: 0.1 + draw() * 0.5,
        counts: COUNTS[Math.floor(draw() * COUNTS.length)],
        opening: 0.1 + draw() * 0.4,
      }));
      // Things that stand in each other are no yard.
      const inside = targets.some((target, i) =>
        targets.some(
          (eachTarget, k) =>
            k > i &&
            Math.abs(target.distance - eachTarget.distance) < 0.15 &&
            Math.abs(target.across - eachTarget.across) < (target.width + eachTarget.width) / 2,
        ),
      );
      if (inside) continue;
      const activity = {
        ...base,
        aim: { ...base.aim, action: (["underarmRoll", "underarmThrow", "kick"] as const)[n % 3]! },
        pattern: { ...base.pattern, params: { ...(base.pattern.params as object), ladder: { ...ladder, targets } } },
      } as unknown as typeof base;
      const parts = layoutOf(activity);
      const who = { age: 6 + (n % 6) };
      const told = rates(activity, who, parts);
      for (const probe of opened(activity).probes) {
        const whole = waysFrom(probe.ask, { parts, people: [personOf(activity, who)], policy: "middle" })!;
        const full = whole.reduce((sum, way) => sum + way.share * probe.counts(way.body), 0);
        // Both are integrals over differently cut angles.
        expect(Math.abs(told.get(probe.id)! - full), `${n} ${probe.id}`).toBeLessThan(1e-7);
        if (whole.filter((way) => way.share > 0.001).length > 2) blocked++;
      }
    }
    // There was something in the way often enough for this to say anything.
    expect(blocked).toBeGreaterThan(200);
  });
});
