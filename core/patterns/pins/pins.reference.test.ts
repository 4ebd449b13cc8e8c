import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { spotsOf } from "./formation.ts";
import { pins } from "./index.ts";
import { SHAPES } from "./limits.ts";
import { tellPins } from "./pins.reference.ts";
import { type PinsParams, pinsParams } from "./schema.ts";

function pinsOf(draws: Draw): Drawn<PinsParams> {
  const count = 3 + draws.upTo(2);
  const params = pinsParams.parse({
    ...pins.example.params,
    formation: draws.chance(0.7)
      ? { kind: "given", shape: draws.one(SHAPES), count, gap: 0.1 }
      : { kind: "own", count, depth: 0.6, width: 0.6 },
    rolls: 1 + draws.upTo(2),
    frames: 1 + draws.upTo(2),
    points: 1 + draws.upTo(2),
    bonus: draws.upTo(4),
    standUp: draws.chance(0.4),
  });
  return {
    params,
    match: match.parse({
      swap: draws.one(["budget", "go", "send"]),
      goes: { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) },
      carry: draws.chance(0.3),
    }),
  };
}

function pinsEvent(draws: Draw, at: number, params: PinsParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.85)
    ? (legal[0] ?? "send")
    : draws.one(["send", "stand", "arrange", "carry", "ready"] as const);
  const count = params.formation.count;
  switch (kind) {
    case "send": {
      if (draws.chance(0.3)) return { kind, at, fell: draws.upTo(count + 1) };
      const ids = Array.from({ length: count + (draws.chance(0.05) ? 1 : 0) }, (_, i) => `p${i + 1}`);
      const fell = ids.filter(() => draws.chance(draws.chance(0.3) ? 0.95 : 0.35));
      return { kind, at, fell: draws.chance(0.03) ? [...fell, ...fell] : fell };
    }
    case "arrange": {
      const spots = spotsOf(params).map(({ id, along, across }) => ({
        id,
        along: Math.round(along * 1000) + (draws.chance(0.3) ? draws.upTo(400) - 200 : 0),
        across: Math.round(across * 1000),
      }));
      return { kind, at, spots: draws.chance(0.05) ? spots.slice(1) : spots };
    }
    default:
      return { kind: kind as "ready", at };
  }
}

it("agrees with the reference implementation over seeded sequences of events", () => {
  expect(run(pins.rules, tellPins, pinsOf, pinsEvent)).toBeGreaterThan(SEQUENCES / 20);
}, 400_000);
