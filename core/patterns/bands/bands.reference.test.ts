import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, everySequence, run, SEQUENCES } from "../reference.test-utils.ts";
import { tellBands } from "./bands.reference.ts";
import { bands } from "./index.ts";
import type { BandsParams } from "./schema.ts";
import { bandsParams } from "./schema.ts";

function bandsOf(draws: Draw): Drawn<BandsParams> {
  const count = 1 + draws.upTo(3);
  const total = draws.chance(0.5) ? 4 + draws.upTo(12) : null;
  const params = bandsParams.parse({
    lines: Array.from({ length: count + 1 }, (_, i) => 1 + i * 0.4),
    points: Array.from({ length: count }, () => draws.upTo(6)),
    width: 1,
    lineRule: "centre",
    overshoot: draws.one(["nothing", "last"]),
    pieces: 1 + draws.upTo(2),
    counting: draws.one(["all", "difference"]),
    finish: {
      rounds: total === null || draws.chance(0.5) ? 1 + draws.upTo(3) : null,
      total,
      exact: draws.chance(0.5),
      dropTo: draws.chance(0.5) ? draws.upTo(3) : null,
    },
    blocker: draws.chance(0.4),
    lead: draws.one(["alternate", "winner", "loser", "same"]),
    order: draws.one(["piece", "set"]),
    tie: draws.one(["shared", "extra"]),
  });
  return { params, match: { ...USUAL_MATCH, carry: draws.chance(0.5) } };
}

function bandsEvent(draws: Draw, at: number, params: BandsParams, legal: readonly AskKind[]): GameEvent {
  const main = legal[0] ?? "send";
  const kind = draws.chance(0.78)
    ? main
    : draws.one(["send", "move", "stand", "carry", "choose", "ready", "bell"] as const);
  const zone = draws.chance(0.03)
    ? "nowhere"
    : draws.one(["short", "over", ...params.points.map((_, i) => `z${i + 1}`)]);
  switch (kind) {
    case "send":
      return { kind, at, rest: zone };
    case "move":
      return { kind, at, piece: draws.upTo(6), place: zone };
    case "choose":
      return { kind, at, of: "blocker", pick: draws.chance(0.5) ? null : zone };
    default:
      return { kind: kind as "ready", at };
  }
}

it("agrees with the reference implementation over seeded sequences of events", () => {
  expect(run(bands.rules, tellBands, bandsOf, bandsEvent)).toBeGreaterThan(SEQUENCES / 20);
}, 400_000);
it("Bands of one band, two sides, two pieces, to the end of a round", () => {
  const params = bandsParams.parse({ ...bands.example.params, lines: [1, 2], points: [1], pieces: 2 });
  const alphabet = [
    { kind: "send", rest: "short" },
    { kind: "send", rest: "z1" },
    { kind: "send", rest: "over" },
    { kind: "ready" },
  ] as const;
  // 3 ends for each of 4 pieces, then the round can only be closed.
  expect(
    everySequence(bands.rules, tellBands, params, USUAL_MATCH, { players: 2, mode: "against", seed: 1 }, alphabet, 5),
  ).toBe(81);
});
