import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, everySequence, run, SEQUENCES } from "../reference.test-utils.ts";
import { tellClimb } from "./climb.reference.ts";
import { climb } from "./index.ts";
import type { ClimbParams } from "./schema.ts";
import { climbParams } from "./schema.ts";

function climbOf(draws: Draw): Drawn<ClimbParams> {
  const rungs = 1 + draws.upTo(3);
  const target = (i: number) => ({
    id: `t${i + 1}`,
    item: "box",
    label: "box",
    distance: 1 + ((i * 7) % 5) * 0.5,
    across: 0,
    width: 0.2,
    height: 0.2,
    counts: ["touch" as const],
  });
  const { distance: _, ...standing } = target(0);
  const params = climbParams.parse({
    ladder: draws.chance(0.7)
      ? {
          kind: "targets",
          order: draws.one(["nearest", "farthest", "listed"]),
          targets: Array.from({ length: rungs }, (_, i) => target(i)),
        }
      : { kind: "line", target: standing, lines: Array.from({ length: rungs }, (_, i) => 1 + i * 0.5) },
    tries: 1 + draws.upTo(7),
    scoring: draws.one([
      { by: "points", first: draws.upTo(4), growth: draws.upTo(3) },
      { by: "tries" },
      { by: "time" },
    ]),
    forfeit: draws.chance(0.3)
      ? { misses: 1 + draws.upTo(2), exercise: "hops", dose: 6, ...(draws.chance(0.5) && { cap: 1 + draws.upTo(2) }) }
      : null,
  });
  const around = match.parse({
    seconds: draws.chance(0.25) ? 10 + draws.upTo(20) : null,
    goes: { count: 1 + draws.upTo(2), keep: draws.one(["best", "total"]) },
    swap: draws.one(["send", "miss", "go"]),
    end: draws.one(["all", "first"]),
  });
  return { params, match: around };
}

function climbEvent(draws: Draw, at: number, params: ClimbParams, legal: readonly AskKind[]): GameEvent {
  const wild = draws.chance(0.08);
  const kind = wild
    ? draws.one(["send", "ready", "bell", "task", "stand"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "send");
  const ids =
    params.ladder.kind === "line" ? [params.ladder.target.id] : params.ladder.targets.map((target) => target.id);
  if (kind === "send")
    return { kind, at, hit: draws.chance(0.3) ? null : draws.chance(0.03) ? "nowhere" : draws.one(ids) };
  return { kind: kind as "ready", at };
}

it("agrees with the reference implementation over seeded sequences of events", () => {
  expect(run(climb.rules, tellClimb, climbOf, climbEvent)).toBeGreaterThan(SEQUENCES / 20);
}, 400_000);
it("Climb of two targets, four tries: 3 outcomes a send until the top", () => {
  const params = climbParams.parse({
    ...climb.example.params,
    ladder: {
      kind: "targets",
      order: "nearest",
      targets: (climb.example.params.ladder as { targets: unknown[] }).targets.slice(0, 2),
    },
    tries: 4,
  });
  const alphabet = [
    { kind: "send", hit: "t1" },
    { kind: "send", hit: "t2" },
    { kind: "send", hit: null },
  ] as const;
  // 81 sequences of 4, less those already at the top after 2 (1 x 9) or 3 sends (4 x 3).
  expect(
    everySequence(climb.rules, tellClimb, params, USUAL_MATCH, { players: 1, mode: "alone", seed: 1 }, alphabet, 4),
  ).toBe(60);
});
