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
