import { describe, expect, it } from "vitest";
import type { AskKind } from "../asks/ask.ts";
import { match, USUAL_MATCH } from "../contract/match.ts";
import type { GameEvent } from "../events/events.ts";
import { tellBands } from "./bands/bands.reference.ts";
import { bands } from "./bands/index.ts";
import { type BandsParams, bandsParams } from "./bands/params.ts";
import { tellClimb } from "./climb/climb.reference.ts";
import { climb } from "./climb/index.ts";
import { type ClimbParams, climbParams } from "./climb/params.ts";
import { spotsOf } from "./pins/formation.ts";
import { pins } from "./pins/index.ts";
import { type PinsParams, pinsParams, SHAPES } from "./pins/params.ts";
import { tellPins } from "./pins/pins.reference.ts";
import { tally } from "./tally/index.ts";
import { type TallyParams, tallyParams } from "./tally/params.ts";
import { tellTally } from "./tally/tally.reference.ts";
import { type Draw, type Drawn, everySequence, run, SEQUENCES } from "./telling.test-utils.ts";
import { threeLine } from "./three-line/index.ts";
import { mostPieces, type ThreeLineParams, threeLineParams } from "./three-line/params.ts";
import { tellThreeLine } from "./three-line/three-line.reference.ts";

function climbOf(d: Draw): Drawn<ClimbParams> {
  const rungs = 1 + d.upTo(3);
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
    ladder: d.chance(0.7)
      ? {
          kind: "targets",
          order: d.one(["nearest", "farthest", "listed"]),
          targets: Array.from({ length: rungs }, (_, i) => target(i)),
        }
      : { kind: "line", target: standing, lines: Array.from({ length: rungs }, (_, i) => 1 + i * 0.5) },
    tries: 1 + d.upTo(7),
    scoring: d.one([{ by: "points", first: d.upTo(4), growth: d.upTo(3) }, { by: "tries" }, { by: "time" }]),
    forfeit: d.chance(0.3)
      ? { misses: 1 + d.upTo(2), exercise: "hops", dose: 6, ...(d.chance(0.5) && { cap: 1 + d.upTo(2) }) }
      : null,
  });
  const around = match.parse({
    seconds: d.chance(0.25) ? 10 + d.upTo(20) : null,
    goes: { count: 1 + d.upTo(2), keep: d.one(["best", "total"]) },
    swap: d.one(["send", "miss", "go"]),
    end: d.one(["all", "first"]),
  });
  return { params, match: around };
}

function climbEvent(d: Draw, at: number, params: ClimbParams, legal: readonly AskKind[]): GameEvent {
  const wild = d.chance(0.08);
  const kind = wild
    ? d.one(["send", "ready", "bell", "task", "stand"] as const)
    : (legal[d.upTo(legal.length - 1)] ?? "send");
  const ids = params.ladder.kind === "line" ? [params.ladder.target.id] : params.ladder.targets.map((t) => t.id);
  if (kind === "send") return { kind, at, hit: d.chance(0.3) ? null : d.chance(0.03) ? "nowhere" : d.one(ids) };
  return { kind: kind as "ready", at };
}

function bandsOf(d: Draw): Drawn<BandsParams> {
  const n = 1 + d.upTo(3);
  const total = d.chance(0.5) ? 4 + d.upTo(12) : null;
  const params = bandsParams.parse({
    lines: Array.from({ length: n + 1 }, (_, i) => 1 + i * 0.4),
    points: Array.from({ length: n }, () => d.upTo(6)),
    width: 1,
    lineRule: "centre",
    overshoot: d.one(["nothing", "last"]),
    pieces: 1 + d.upTo(2),
    counting: d.one(["all", "difference"]),
    finish: {
      rounds: total === null || d.chance(0.5) ? 1 + d.upTo(3) : null,
      total,
      exact: d.chance(0.5),
      dropTo: d.chance(0.5) ? d.upTo(3) : null,
    },
    blocker: d.chance(0.4),
    lead: d.one(["alternate", "winner", "loser", "same"]),
    order: d.one(["piece", "set"]),
    tie: d.one(["shared", "extra"]),
  });
  return { params, match: { ...USUAL_MATCH, carry: d.chance(0.5) } };
}

function bandsEvent(d: Draw, at: number, params: BandsParams, legal: readonly AskKind[]): GameEvent {
  const main = legal[0] ?? "send";
  const kind = d.chance(0.78) ? main : d.one(["send", "move", "stand", "carry", "choose", "ready", "bell"] as const);
  const zone = d.chance(0.03) ? "nowhere" : d.one(["short", "over", ...params.points.map((_, i) => `z${i + 1}`)]);
  switch (kind) {
    case "send":
      return { kind, at, rest: zone };
    case "move":
      return { kind, at, piece: d.upTo(6), place: zone };
    case "choose":
      return { kind, at, of: "blocker", pick: d.chance(0.5) ? null : zone };
    default:
      return { kind: kind as "ready", at };
  }
}

function pinsOf(d: Draw): Drawn<PinsParams> {
  const count = 3 + d.upTo(2);
  const params = pinsParams.parse({
    ...pins.example.params,
    formation: d.chance(0.7)
      ? { kind: "given", shape: d.one(SHAPES), count, gap: 0.1 }
      : { kind: "own", count, depth: 0.6, width: 0.6 },
    rolls: 1 + d.upTo(2),
    frames: 1 + d.upTo(2),
    points: 1 + d.upTo(2),
    bonus: d.upTo(4),
    standUp: d.chance(0.4),
  });
  return {
    params,
    match: match.parse({
      swap: d.one(["budget", "go", "send"]),
      goes: { count: 1 + d.upTo(1), keep: d.one(["best", "total"]) },
      carry: d.chance(0.3),
    }),
  };
}
function pinsEvent(d: Draw, at: number, p: PinsParams, legal: readonly AskKind[]): GameEvent {
  const kind = d.chance(0.85) ? (legal[0] ?? "send") : d.one(["send", "stand", "arrange", "carry", "ready"] as const);
  const n = p.formation.count;
  switch (kind) {
    case "send": {
      if (d.chance(0.3)) return { kind, at, fell: d.upTo(n + 1) };
      const ids = Array.from({ length: n + (d.chance(0.05) ? 1 : 0) }, (_, i) => `p${i + 1}`);
      const fell = ids.filter(() => d.chance(d.chance(0.3) ? 0.95 : 0.35));
      return { kind, at, fell: d.chance(0.03) ? [...fell, ...fell] : fell };
    }
    case "arrange": {
      const spots = spotsOf(p).map(({ id, along, across }) => ({
        id,
        along: Math.round(along * 1000) + (d.chance(0.3) ? d.upTo(400) - 200 : 0),
        across: Math.round(across * 1000),
      }));
      return { kind, at, spots: d.chance(0.05) ? spots.slice(1) : spots };
    }
    default:
      return { kind: kind as "ready", at };
  }
}

function threeLineOf(d: Draw): Drawn<ThreeLineParams> {
  const size = d.chance(0.8) ? 3 : 4;
  const params = threeLineParams.parse({
    ...threeLine.example.params,
    size,
    pieces: d.chance(0.5) ? null : size + d.upTo(mostPieces(size) - size),
    sends: 3 + d.upTo(9),
    stuck: d.one(["takeUp", "draw"]),
  });
  const goes = { count: 1 + d.upTo(1), keep: d.one(["best", "total"]) };
  return { params, match: match.parse({ swap: d.one(["send", "miss", "go"]), goes, carry: d.chance(0.3) }) };
}
function threeLineEvent(d: Draw, at: number, p: ThreeLineParams, legal: readonly AskKind[]): GameEvent {
  const n = p.size + (d.chance(0.05) ? 1 : 0);
  const place = d.chance(0.15) ? "out" : `c${1 + d.upTo(n - 1)}${1 + d.upTo(n - 1)}`;
  if (legal.includes("choose") && d.chance(0.7)) return { kind: "choose", at, of: "lift", pick: place };
  if (d.chance(0.12)) return { kind: "move", at, piece: d.upTo(4), place };
  if (d.chance(0.04)) return { kind: d.one(["carry", "ready", "stand"]), at };
  return { kind: "send", at, rest: place };
}

function tallyOf(d: Draw): Drawn<TallyParams> {
  const params = tallyParams.parse({
    ...tally.example.params,
    rounds: Array.from({ length: 1 + d.upTo(2) }, () => ({
      ...tally.example.params.rounds[0],
      task: d.one(["keepUp", "catch", "exercise"]),
      seconds: 10 + d.upTo(10),
    })),
    keep: d.one(["sum", "best"]),
    inAir: d.chance(0.5),
  });
  const goes = { count: 1 + d.upTo(1), keep: d.one(["best", "total"]) };
  return { params, match: match.parse({ swap: d.one(["go", "once"]), goes, carry: d.chance(0.3) }) };
}
function tallyEvent(d: Draw, at: number, _: TallyParams, legal: readonly AskKind[]): GameEvent {
  const kind = d.chance(0.9)
    ? d.chance(0.3) && legal.includes("bell")
      ? "bell"
      : (legal[d.upTo(legal.length - 1)] ?? "count")
    : d.one(["count", "total", "bell", "ready", "carry", "stand"] as const);
  const by = d.chance(0.4) ? { by: d.upTo(3) } : {};
  if (kind === "count") return { kind, at, n: d.chance(0.05) ? 60 : d.upTo(3), ...by };
  if (kind === "total") return { kind, at, n: d.chance(0.1) ? 90 : d.upTo(20), ...by };
  return { kind: kind as "ready", at };
}

describe("a second telling agrees over seeded event sequences", () => {
  it("Number of pins", () => {
    expect(run(pins.rules, tellPins, pinsOf, pinsEvent)).toBeGreaterThan(SEQUENCES / 20);
  }, 400_000);
  it("Three-line", () => {
    const modes = threeLine.modes;
    expect(run(threeLine.rules, tellThreeLine, threeLineOf, threeLineEvent, modes)).toBeGreaterThan(SEQUENCES / 20);
  }, 400_000);
  it("Tally", () => {
    expect(run(tally.rules, tellTally, tallyOf, tallyEvent)).toBeGreaterThan(SEQUENCES / 40);
  }, 400_000);
  it("Climb", () => {
    expect(run(climb.rules, tellClimb, climbOf, climbEvent)).toBeGreaterThan(SEQUENCES / 20);
  }, 400_000);
  it("Bands", () => {
    expect(run(bands.rules, tellBands, bandsOf, bandsEvent)).toBeGreaterThan(SEQUENCES / 20);
  }, 400_000);
});

describe("every sequence to a depth", () => {
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
});
