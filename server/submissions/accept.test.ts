import { expect, it } from "vitest";
import type { RecordedEvent } from "#core/events/events.ts";
import { fromPattern, gameSettingsOf } from "#core/formats/activity.ts";
import { NotAllowed } from "../problem.ts";
import { scoreOf } from "./accept.ts";

const climb = gameSettingsOf(fromPattern("climb"));
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const sends = (hits: readonly (string | null)[]): RecordedEvent[] =>
  hits.map((hit, i) => ({ kind: "send", hit, at: (i + 1) * 1000 })) as RecordedEvent[];

it("a go is scored by its events alone, whatever a device says", () => {
  const played = scoreOf([climb], alone, sends(["t1", null, "t2"]));
  expect(played).toMatchObject({ value: 5, unit: "points", better: "more", stage: 2, sends: 3, stopped: true });
  expect(played.aimed).toEqual({ t1: [1, 1], t2: [2, 1] });
});

it("of a match it is the child's own side, and whether it won", () => {
  const goals = gameSettingsOf(fromPattern("goals"));
  const two = { players: 2, mode: "against", seed: 1 } as const;
  const scored = [0, 1, 1].map((side, i) => ({ kind: "point", side, at: (i + 1) * 5000 })) as RecordedEvent[];
  const ready = { kind: "ready", at: 1 } as RecordedEvent;
  const begun = goals.match?.seconds === null ? scored : [ready, ...scored];
  const played = scoreOf([goals], two, begun);
  expect(played.value).toBe(1);
  expect(played.won).not.toBe(true);
});

it("what breaks the rules is refused with its number, and a game that takes it is found among those it may have been", () => {
  const broken = sends(["t1", "nowhere"]);
  expect(() => scoreOf([climb], alone, broken)).toThrow(NotAllowed);
  expect(() => scoreOf([climb], alone, broken)).toThrow(/Number 2 .*refused\.unknownTarget/);
  const params = climb.params as { ladder: { targets: { id: string }[] } };
  const [, ...others] = params.ladder.targets;
  const other = {
    ...climb,
    params: {
      ...params,
      ladder: { ...params.ladder, targets: [{ ...params.ladder.targets[0]!, id: "nowhere" }, ...others] },
    },
  };
  // The home played another version of the card than the one in force.
  expect(scoreOf([climb, other], alone, sends(["nowhere"])).value).toBe(2);
});
