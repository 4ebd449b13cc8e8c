import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { tally } from "./index.ts";
import type { TallyParams } from "./schema.ts";
import { tallyParams } from "./schema.ts";
import { tellTally } from "./tally.reference.ts";

function tallyOf(draws: Draw): Drawn<TallyParams> {
  const params = tallyParams.parse({
    ...tally.example.params,
    rounds: Array.from({ length: 1 + draws.upTo(2) }, () => ({
      ...tally.example.params.rounds[0],
      task: draws.one(["keepUp", "catch", "exercise"]),
      seconds: 10 + draws.upTo(10),
    })),
    keep: draws.one(["sum", "best"]),
    inAir: draws.chance(0.5),
  });
  const goes = { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) };
  return { params, match: match.parse({ swap: draws.one(["go", "once"]), goes, carry: draws.chance(0.3) }) };
}

function tallyEvent(draws: Draw, at: number, _: TallyParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.9)
    ? draws.chance(0.3) && legal.includes("bell")
      ? "bell"
      : (legal[draws.upTo(legal.length - 1)] ?? "count")
    : draws.one(["count", "total", "bell", "ready", "carry", "stand"] as const);
  const by = draws.chance(0.4) ? { by: draws.upTo(3) } : {};
  if (kind === "count") return { kind, at, n: draws.chance(0.05) ? 60 : draws.upTo(3), ...by };
  if (kind === "total") return { kind, at, n: draws.chance(0.1) ? 90 : draws.upTo(20), ...by };
  return { kind: kind as "ready", at };
}

it("agrees with the reference implementation over seeded sequences of events", () => {
  expect(run(tally.rules, tellTally, tallyOf, tallyEvent)).toBeGreaterThan(SEQUENCES / 40);
}, 400_000);
