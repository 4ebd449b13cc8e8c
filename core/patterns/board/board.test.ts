import { expect, it } from "vitest";
import { kindOf } from "../../chances/loaded-kinds.ts";
import { sightOf } from "../../chances/outcomes.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity, layoutOf, personOf } from "../../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../../formats/activity.ts";
import { board } from "./index.ts";
import type { BoardParams } from "./schema.ts";
import { boardParams } from "./schema.ts";

const { layout } = board.example.params;
const [one] = layout.kind === "targets" ? layout.targets : [];

/** Six targets close enough that one is hit for another. */
const six = (over: Partial<BoardParams>): Activity => ({
  ...fromPattern("board"),
  space: { length: 5, width: 4, floor: "carpet", indoors: true },
  pattern: {
    name: "board",
    params: boardParams.parse({
      ...board.example.params,
      layout: {
        kind: "targets",
        targets: [1, 2, 3, 4, 5, 6].map((n) => ({
          ...one!,
          id: `t${n}`,
          width: 0.2,
          distance: 1.4 + 0.2 * n,
          across: 0.25 * ((n % 3) - 1),
          points: [2, 1, 3, 5, 4, 6][n - 1]!,
        })),
      },
      ...over,
    }),
  },
});

it.each([
  ["each once, with a full house", { once: true, sends: 8, bonus: 9 }],
  ["any number of times, with a full house", { once: false, sends: 5, bonus: 4 }],
  ["called first, each once", { once: true, sends: 6, bonus: 3, choice: "called" as const }],
])("six targets, %s: the forecast is what going through every choice and every outcome gives", (_, over) => {
  const activity = six(over);
  const params = activity.pattern.params as BoardParams;
  const targets = params.layout.kind === "targets" ? params.layout.targets : [];
  const play = { parts: layoutOf(activity), people: [personOf(activity, { age: 8 })], policy: "middle" } as const;
  const ids = targets.map((target) => target.id);
  // What is hit, by what was aimed at: the last place stands for nothing at all.
  const table = ids.map((id) => {
    const aim = { kind: "any" as const, want: [id], among: ids };
    const ask = { kind: "send" as const, player: 0, from: "start", manner: {}, aim, fetch: true };
    const { list } = kindOf(aim).outcomes(aim, sightOf(ask, play));
    return [...ids, "none"].map((ref) => list.find((outcome) => outcome.ref === ref)?.p ?? 0);
  });
  const full = (1 << ids.length) - 1;
  const known = new Map<string, number>();
  const best = (counted: number, sends: number): number => {
    if (sends === 0 || (params.once && counted === full)) return 0;
    const key = `${counted} ${sends}`;
    const was = known.get(key);
    if (was !== undefined) return was;
    let most = 0;
    for (const [aimed, row] of table.entries()) {
      if (params.once && counted & (1 << aimed)) continue;
      let value = 0;
      for (const [hit, chance] of row.entries()) {
        const none = hit === ids.length || (params.choice === "called" && hit !== aimed);
        const used = !none && params.once && (counted & (1 << hit)) !== 0;
        const next = none || used ? counted : counted | (1 << hit);
        const points = none || used ? 0 : targets[hit]!.points;
        const bonus = next === full && counted !== full ? params.bonus : 0;
        value += chance * (points + bonus + best(next, sends - 1));
      }
      most = Math.max(most, value);
    }
    known.set(key, most);
    return most;
  };
  const forecast = forecastActivity(activity, [{ age: 8 }], { players: 1, mode: "alone", seed: 1 }, "middle");
  expect(forecast.method).toBe("exact");
  expect(forecast.choice).toBe("bestOverall");
  expect(mean(forecast.sides[0]!.points)).toBeCloseTo(best(0, params.sends!), 8);
});
