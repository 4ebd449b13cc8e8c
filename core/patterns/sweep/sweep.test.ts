import { expect, it } from "vitest";
import { USUAL_MATCH } from "../../contract/match.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity, rates } from "../../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../../formats/activity.ts";
import { chainOf } from "../chain.test-utils.ts";
import { sweep } from "./index.ts";
import { sweepParams } from "./schema.ts";

const { params } = sweep.example;
const free = sweepParams.parse({ ...params, sends: null, score: "sends" });

it("without cap, bell or hits on another it takes the sum of 1/p sends on average, in whatever order", () => {
  const chance = new Map([0.8, 0.55, 0.35, 0.2].map((p, i) => [params.targets[i]!.id, p]));
  const sum = [...chance.values()].reduce((all, p) => all + 1 / p, 0);
  for (const pick of [(w: readonly string[]) => w[0]!, (w: readonly string[]) => w[w.length - 1]!]) {
    const { events, value } = chainOf(sweep.rules, free, {
      match: USUAL_MATCH,
      waysOf: (state) => {
        const [ask] = sweep.rules.asks(state);
        if (ask?.kind !== "send" || ask.aim.kind !== "any") throw new Error("nothing to send at");
        const id = pick(ask.aim.want);
        return [
          [{ kind: "send", hit: id }, chance.get(id)!],
          [{ kind: "send", hit: null }, 1 - chance.get(id)!],
        ];
      },
    });
    expect(events).toBeCloseTo(sum, 9);
    expect(value).toBeCloseTo(sum, 9);
  }
});

it("so does the forecast, where the targets stand too far apart to be hit for each other", () => {
  const targets = free.targets.map((target, i) => ({ ...target, distance: 2 + 0.2 * i, across: 3 * (i - 1.5) }));
  const activity: Activity = {
    ...fromPattern("sweep"),
    space: { length: 6, width: 18, floor: "carpet", indoors: false },
    pattern: { name: "sweep", params: { ...free, targets } },
  };
  const each = [...rates(activity, { age: 8 }).values()];
  expect(each).toHaveLength(4);
  const forecast = forecastActivity(activity, [{ age: 8 }], { players: 1, mode: "alone", seed: 1 }, "middle");
  expect(forecast.method).toBe("exact");
  expect(mean(forecast.sides[0]!.sends)).toBeCloseTo(
    each.reduce((all, p) => all + 1 / p, 0),
    6,
  );
});
