import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { threeLine } from "./index.ts";
import { mostPieces } from "./limits.ts";
import { type ThreeLineParams, threeLineParams } from "./schema.ts";
import { tellThreeLine } from "./three-line.reference.ts";

function threeLineOf(draws: Draw): Drawn<ThreeLineParams> {
  const size = draws.chance(0.8) ? 3 : 4;
  const params = threeLineParams.parse({
    ...threeLine.example.params,
    size,
    pieces: draws.chance(0.5) ? null : size + draws.upTo(mostPieces(size) - size),
    sends: 3 + draws.upTo(9),
    stuck: draws.one(["takeUp", "draw"]),
  });
  const goes = { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) };
  return { params, match: match.parse({ swap: draws.one(["send", "miss", "go"]), goes, carry: draws.chance(0.3) }) };
}

function threeLineEvent(draws: Draw, at: number, params: ThreeLineParams, legal: readonly AskKind[]): GameEvent {
  const count = params.size + (draws.chance(0.05) ? 1 : 0);
  const place = draws.chance(0.15) ? "out" : `c${1 + draws.upTo(count - 1)}${1 + draws.upTo(count - 1)}`;
  if (legal.includes("choose") && draws.chance(0.7)) return { kind: "choose", at, of: "lift", pick: place };
  if (draws.chance(0.12)) return { kind: "move", at, piece: draws.upTo(4), place };
  if (draws.chance(0.04)) return { kind: draws.one(["carry", "ready", "stand"]), at };
  return { kind: "send", at, rest: place };
}

it("agrees with the reference implementation over seeded sequences of events", () => {
  expect(run(threeLine.rules, tellThreeLine, threeLineOf, threeLineEvent, threeLine.modes)).toBeGreaterThan(
    SEQUENCES / 20,
  );
}, 400_000);
