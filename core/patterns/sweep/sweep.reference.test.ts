import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { sweep } from "./index.ts";
import type { SweepParams } from "./schema.ts";
import { sweepParams } from "./schema.ts";
import { tellSweep } from "./sweep.reference.ts";

function sweepOf(draws: Draw): Drawn<SweepParams> {
  const shared = draws.chance(0.4);
  const params = sweepParams.parse({
    ...sweep.example.params,
    targets: sweep.example.params.targets
      .slice(0, 2 + draws.upTo(2))
      .map((target) => ({ ...target, points: draws.upTo(3) })),
    collect: draws.chance(0.5),
    touching: draws.one(["first", "all"]),
    sends: draws.chance(0.7) ? 1 + draws.upTo(6) : null,
    score: draws.one(["sends", "points"]),
    bonus: draws.upTo(3),
    heap: shared ? "shared" : "own",
  });
  const around = match.parse({
    seconds: !shared && draws.chance(0.25) ? 10 + draws.upTo(20) : null,
    goes: { count: shared ? 1 : 1 + draws.upTo(2), keep: draws.one(["best", "total"]) },
    swap: draws.one(shared ? ["send", "miss"] : ["send", "miss", "go", "once"]),
    end: draws.one(["all", "first"]),
  });
  return { params, match: around };
}
function sweepEvent(draws: Draw, at: number, params: SweepParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.1)
    ? draws.one(["send", "ready", "bell", "carry"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "send");
  if (kind !== "send") return { kind: kind as "ready", at };
  if (params.touching === "all" && params.collect && draws.chance(0.95)) {
    if (draws.chance(0.2)) return { kind, at, fell: draws.upTo(3) };
    return {
      kind,
      at,
      fell: draws.chance(0.02)
        ? ["nowhere"]
        : params.targets.map((target) => target.id).filter(() => draws.chance(0.35)),
    };
  }
  return { kind, at, hit: draws.chance(0.3) ? null : draws.chance(0.03) ? "nowhere" : draws.one(params.targets).id };
}

it("a second telling agrees", () => {
  expect(run(sweep.rules, tellSweep, sweepOf, sweepEvent)).toBeGreaterThan(SEQUENCES / 20);
}, 400_000);
