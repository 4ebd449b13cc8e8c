import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { tellBoard } from "./board.reference.ts";
import { board } from "./index.ts";
import { placesOf } from "./params.ts";
import type { BoardParams } from "./schema.ts";
import { boardParams } from "./schema.ts";

const { layout } = board.example.params;
const targets = layout.kind === "targets" ? layout.targets : [];
function boardOf(draws: Draw): Drawn<BoardParams> {
  const { distance: _, points: _p, ...one } = targets[0]!;
  const count = 1 + draws.upTo(2);
  const params = boardParams.parse({
    layout: draws.chance(0.6)
      ? { kind: "targets", targets: targets.slice(0, count).map((target) => ({ ...target, points: draws.upTo(4) })) }
      : {
          kind: "spots",
          target: one,
          spots: Array.from({ length: count }, (_x, i) => ({ distance: 1 + i / 2, points: draws.upTo(4) })),
        },
    choice: draws.one(["free", "called", "action", "thing"]),
    sends: 1 + draws.upTo(6),
    fetch: draws.one(["each", "end"]),
    ways: ["kick", "slide"],
    things: ["send", "other1", "other3"].slice(0, 2 + draws.upTo(1)),
    inAir: draws.chance(0.4),
    once: draws.chance(0.4),
    bonus: draws.upTo(3),
  });
  const around = match.parse({
    seconds: draws.chance(0.25) ? 10 + draws.upTo(20) : null,
    goes: { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) },
    swap: draws.one(["send", "miss", "go", "once"]),
  });
  return { params, match: around };
}
function boardEvent(draws: Draw, at: number, params: BoardParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.1)
    ? draws.one(["send", "ready", "bell", "choose"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "send");
  const ids = placesOf(params).map((points) => points.id);
  const l = params.layout;
  if (kind === "choose") {
    const right =
      l.kind === "spots" ? "spot" : params.choice === "action" || params.choice === "thing" ? params.choice : "target";
    const of = draws.chance(0.95) ? right : draws.one(["spot", "target", "action", "thing"]);
    const named = { action: ["kick", "slide", "roll"], thing: ["send", "other1", "other2", "other3"] };
    const list = (draws.chance(0.9) && named[right as "action"]) || ids;
    return { kind, at, of, pick: draws.chance(0.05) ? null : draws.one(list) };
  }
  if (kind !== "send") return { kind: kind as "ready", at };
  const things = l.kind === "spots" ? [l.target.id] : ids;
  return { kind, at, hit: draws.chance(0.25) ? null : draws.chance(0.03) ? "nowhere" : draws.one(things) };
}

it("a second telling agrees", () => {
  expect(run(board.rules, tellBoard, boardOf, boardEvent)).toBeGreaterThan(SEQUENCES / 20);
}, 400_000);
