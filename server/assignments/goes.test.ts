import { expect, it } from "vitest";
import { rankOf } from "#core/records/rank.ts";
import { bestOf, type Go, standing } from "./goes.ts";

/** A go with this many points, begun in that minute. */
function go(playId: string, value: number, change: Partial<Go> = {}): Go {
  const told = { value, unit: "points", better: "more", finished: false, stage: 0 } as const;
  return {
    playId,
    cardId: "card",
    score: {
      ...told,
      match: null,
      rank: rankOf(told),
      working: "",
      sends: 5,
      stages: 0,
      stopped: false,
      won: null,
      seconds: 60,
    },
    aimed: new Map(),
    reflection: { before: null, during: null, after: null, answers: [], criteria: [], grownUp: false },
    setup: { players: 1, mode: "alone", seed: 1 },
    source: "device",
    startedAt: new Date(Number(playId) * 60_000),
    handedAt: new Date(Number(playId) * 60_000 + 30_000),
    timing: "inTime",
    clockDoubt: false,
    unversioned: false,
    corrected: null,
    beyond: false,
    counts: true,
    ...change,
  };
}

it("the best go is the best of those that count, and the earliest of equals", () => {
  expect(bestOf([])).toBeNull();
  expect(bestOf([go("1", 30, { counts: false })])).toBeNull();
  const goes = [go("1", 12), go("2", 20), go("3", 20), go("4", 90, { counts: false, beyond: true })];
  expect(bestOf(goes)?.playId).toBe("2");
});

it("a go that a family set otherwise is no better than one as the teacher set it", () => {
  const asSent = go("1", 12);
  const nearer = go("2", 40);
  const set = { ...nearer, score: { ...nearer.score, set: { "standing.line": 0.5 } } };
  expect(bestOf([asSent, set])?.playId).toBe("1");
  // Without any other go it is the best.
  expect(bestOf([set])?.playId).toBe("2");
});

it("a result that was taken back does not stand; one that was corrected does", () => {
  const corrected = (score: Go["score"] | null) =>
    ({
      id: "x",
      reason: "Read it wrongly",
      by: "N. Fenwick",
      at: new Date(),
      before: null,
      score,
    }) as unknown as NonNullable<Go["corrected"]>;
  const goes = [
    go("1", 12),
    go("2", 20, { corrected: corrected(null) }),
    go("3", 7, { corrected: corrected(go("3", 7).score) }),
  ];
  expect(standing(goes).map((kept) => kept.playId)).toEqual(["1", "3"]);
});
