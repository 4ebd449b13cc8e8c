import { expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../telling.test-utils.ts";
import { tellBoard } from "./board.reference.ts";
import { board } from "./index.ts";
import { type BoardParams, boardParams, placesOf } from "./params.ts";

const { layout } = board.example.params;
const targets = layout.kind === "targets" ? layout.targets : [];
function boardOf(d: Draw): Drawn<BoardParams> {
  const { distance: _, points: _p, ...one } = targets[0]!;
  const n = 1 + d.upTo(2);
  const params = boardParams.parse({
    layout: d.chance(0.6)
      ? { kind: "targets", targets: targets.slice(0, n).map((t) => ({ ...t, points: d.upTo(4) })) }
      : {
          kind: "spots",
          target: one,
          spots: Array.from({ length: n }, (_x, i) => ({ distance: 1 + i / 2, points: d.upTo(4) })),
        },
    choice: d.one(["free", "called", "action", "thing"]),
    sends: 1 + d.upTo(6),
    fetch: d.one(["each", "end"]),
    ways: ["kick", "slide"],
    things: ["send", "other1", "other3"].slice(0, 2 + d.upTo(1)),
    inAir: d.chance(0.4),
    once: d.chance(0.4),
    bonus: d.upTo(3),
  });
  const around = match.parse({
    seconds: d.chance(0.25) ? 10 + d.upTo(20) : null,
    goes: { count: 1 + d.upTo(1), keep: d.one(["best", "total"]) },
    swap: d.one(["send", "miss", "go", "once"]),
  });
  return { params, match: around };
}
function boardEvent(d: Draw, at: number, p: BoardParams, legal: readonly AskKind[]): GameEvent {
  const kind = d.chance(0.1)
    ? d.one(["send", "ready", "bell", "choose"] as const)
    : (legal[d.upTo(legal.length - 1)] ?? "send");
  const ids = placesOf(p).map((x) => x.id);
  const l = p.layout;
  if (kind === "choose") {
    const right = l.kind === "spots" ? "spot" : p.choice === "action" || p.choice === "thing" ? p.choice : "target";
    const of = d.chance(0.95) ? right : d.one(["spot", "target", "action", "thing"]);
    const named = { action: ["kick", "slide", "roll"], thing: ["send", "other1", "other2", "other3"] };
    const list = (d.chance(0.9) && named[right as "action"]) || ids;
    return { kind, at, of, pick: d.chance(0.05) ? null : d.one(list) };
  }
  if (kind !== "send") return { kind: kind as "ready", at };
  const things = l.kind === "spots" ? [l.target.id] : ids;
  return { kind, at, hit: d.chance(0.25) ? null : d.chance(0.03) ? "nowhere" : d.one(things) };
}

it("a second telling agrees", () => {
  expect(run(board.rules, tellBoard, boardOf, boardEvent)).toBeGreaterThan(SEQUENCES / 20);
}, 400_000);
