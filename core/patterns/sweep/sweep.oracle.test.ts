import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../telling.test-utils.ts";
import { sweep } from "./index.ts";
import { type SweepParams, sweepParams } from "./params.ts";
import { tellSweep } from "./sweep.reference.ts";

function sweepOf(d: Draw): Drawn<SweepParams> {
  const shared = d.chance(0.4);
  const params = sweepParams.parse({
    ...sweep.example.params,
    targets: sweep.example.params.targets.slice(0, 2 + d.upTo(2)).map((t) => ({ ...t, points: d.upTo(3) })),
    collect: d.chance(0.5),
    touching: d.one(["first", "all"]),
    sends: d.chance(0.7) ? 1 + d.upTo(6) : null,
    score: d.one(["sends", "points"]),
    bonus: d.upTo(3),
    heap: shared ? "shared" : "own",
  });
  const around = match.parse({
    seconds: !shared && d.chance(0.25) ? 10 + d.upTo(20) : null,
    goes: { count: shared ? 1 : 1 + d.upTo(2), keep: d.one(["best", "total"]) },
    swap: d.one(shared ? ["send", "miss"] : ["send", "miss", "go", "once"]),
    end: d.one(["all", "first"]),
  });
  return { params, match: around };
}
function sweepEvent(d: Draw, at: number, p: SweepParams, legal: readonly AskKind[]): GameEvent {
  const kind = d.chance(0.1)
    ? d.one(["send", "ready", "bell", "carry"] as const)
    : (legal[d.upTo(legal.length - 1)] ?? "send");
  if (kind !== "send") return { kind: kind as "ready", at };
  if (p.touching === "all" && p.collect && d.chance(0.95)) {
    if (d.chance(0.2)) return { kind, at, fell: d.upTo(3) };
    return { kind, at, fell: d.chance(0.02) ? ["nowhere"] : p.targets.map((t) => t.id).filter(() => d.chance(0.35)) };
  }
  return { kind, at, hit: d.chance(0.3) ? null : d.chance(0.03) ? "nowhere" : d.one(p.targets).id };
}

it("a second telling agrees", () => {
  expect(run(sweep.rules, tellSweep, sweepOf, sweepEvent)).toBeGreaterThan(SEQUENCES / 20);
}, 400_000);
