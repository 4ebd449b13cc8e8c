import { describe, expect, it } from "vitest";
import { actionFacts } from "../actions/actions.ts";
import { firstTouched, type Upright } from "../aim/first-touched.ts";
import type { Person } from "../aim/person.ts";
import { type PlayerModel, playerModel } from "../aim/player.ts";
import { agePrior } from "../aim/priors.ts";
import { stopBands } from "../aim/stop-bands.ts";
import type { Aim } from "../asks/ask.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import { reachChance, sendingOf } from "../physics/send.ts";
import { normalDraw, random } from "../random.ts";
import type { Part } from "../yard/parts.ts";
import type { Policy } from "./kind.ts";
import { kindOf } from "./loaded-kinds.ts";

const DRAWS = 60_000;
/** Four standard errors of a share counted in that many draws. */
const CLOSE = 4 * (0.5 / Math.sqrt(DRAWS));

const sure: PlayerModel = {
  spread: { lateral: 0.09, range: 0.15, vertical: 0.1 },
  sending: { ...sendingOf(8, "underarmRoll", catalogueItem("sockBall")!, "tile"), most: 30 },
  walking: 1,
  windUp: 2,
  tempo: 1,
  object: { diameter: 0.08, mass: 0.07 },
};
/** A send of which such a share gets so far. */
function reaching(metres: number, share: number) {
  let [weak, strong] = [0.1, 40];
  for (let n = 0; n < 60; n++) {
    const most = (weak + strong) / 2;
    if (reachChance({ ...sure.sending, most }, metres) < share) weak = most;
    else strong = most;
  }
  return { ...sure.sending, most: strong };
}
const target = (id: string, along: number, across: number, width: number): Part => ({
  kind: "target",
  id,
  along,
  across,
  width,
  height: 0.25,
  item: "box",
  label: id,
  rule: { kind: "touch", width },
});
const start: Part = { kind: "line", id: "start", along: 0, across: 0, width: 1, role: "start" };
const at = (want: string, among: readonly string[]): Aim => ({ kind: "any", want: [want], among });
/** Chances of an aim by name, and where it was aimed. */
function sendChances(aim: Aim, parts: readonly Part[], player: PlayerModel, policy: Policy, inAir = false) {
  const model = inAir
    ? { ...player, sending: sendingOf(8, "underarmThrow", catalogueItem("sockBall")!, "tile") }
    : player;
  const person: Person = {
    sends: () => ({ ...model, sending: { ...model.sending, most: inAir ? 30 : model.sending.most } }),
    gate: () => {
      throw new Error("no gate is passed");
    },
    does: () => {
      throw new Error("no task is done");
    },
    keeps: () => {
      throw new Error("nothing is kept up");
    },
    typical: () => player.spread,
    walking: 1,
    tempo: 1,
  };
  const { list, ...rest } = kindOf(aim).outcomes(aim, { parts, person, manner: {}, from: "start", policy });
  return { byRef: new Map(list.map((outcome) => [outcome.ref, outcome.p])), aim: rest };
}

describe("first touched, against sends drawn one by one", () => {
  const yard: Upright[] = [
    { id: "near", distance: 1.5, across: -0.1, width: 0.25, height: 0.1 },
    { id: "far", distance: 3, across: 0.15, width: 0.4, height: 0.5 },
    { id: "twin", distance: 3, across: 0.5, width: 0.3, height: 0.4 },
  ];
  const b = 0.08;
  const aim = { across: 0.15, distance: 3, up: 0.25 };
  const sd = { lateral: 0.08, vertical: 0.09 };
  it.each([false, true])("in the air: %s", (inAir) => {
    const draw = random(11);
    const counted: Record<string, number> = {};
    for (let i = 0; i < DRAWS; i++) {
      const u = aim.across / aim.distance + sd.lateral * normalDraw(draw);
      const value = sd.vertical * normalDraw(draw);
      const touching = yard.filter((upright) => {
        const z = aim.up + value * upright.distance;
        return (
          Math.abs(u * upright.distance - upright.across) < upright.width / 2 + b / 2 &&
          (!inAir || (z > -b / 2 && z < upright.height! + b / 2))
        );
      });
      touching.sort(
        (x, y) =>
          x.distance - y.distance ||
          Math.abs(u * x.distance - x.across) - x.width / 2 - (Math.abs(u * y.distance - y.across) - y.width / 2),
      );
      const id = touching[0]?.id ?? "none";
      counted[id] = (counted[id] ?? 0) + 1 / DRAWS;
    }
    const told = firstTouched(yard, aim, b, sd, { inAir });
    // Where equals overlap in the air, the height of both decides; their strip is narrow here.
    for (const upright of yard)
      expect(Math.abs(told.byTarget[upright.id]! - (counted[upright.id] ?? 0)), upright.id).toBeLessThan(
        inAir ? 2 * CLOSE : CLOSE,
      );
    expect(Math.abs(told.none - (counted.none ?? 0))).toBeLessThan(inAir ? 2 * CLOSE : CLOSE);
  });
});

describe("the aim", () => {
  it("at the middle, or beside what stands in the way when that is better", () => {
    const parts = [start, target("a", 1.5, 0.08, 0.2), target("b", 3, 0, 0.5)];
    const send = at("b", ["a", "b"]);
    const middle = sendChances(send, parts, sure, "middle");
    const best = sendChances(send, parts, sure, "bestExpected");
    expect(middle.aim.across).toBe(0);
    expect(best.aim.across).toBeLessThan(0);
    expect(best.byRef.get("b")!).toBeGreaterThan(middle.byRef.get("b")! + 0.01);
    for (const c of [middle, best]) expect([...c.byRef.values()].reduce((sum, y) => sum + y, 0)).toBeCloseTo(1, 9);
  });

  it("goes shorter than the richest band when it is thin and nothing lies behind it", () => {
    const zone = (id: string, near: number, far: number, points: number): Part => ({
      kind: "zone",
      id,
      near,
      far,
      across: 0,
      width: 1,
      points,
      lineRule: "centre",
    });
    const parts = [start, zone("z1", 1, 2, 4), zone("z2", 2, 2.1, 5)];
    const send: Aim = { kind: "zones", worth: { z1: 4, z2: 5 } };
    const middle = sendChances(send, parts, sure, "middle");
    const best = sendChances(send, parts, sure, "bestExpected");
    // The last line is out once touched: the middle of what counts is that much nearer.
    expect(middle.aim.distance).toBeCloseTo(2.05 - sure.object.diameter / 4, 10);
    expect(best.aim.distance).toBeLessThan(1.8);
    const weak = sendChances(send, parts, { ...sure, sending: reaching(2.05, 0.4) }, "middle");
    // A band that not half of the sends get as far as is not aimed at; what falls short of what is, is short.
    expect(weak.aim.distance).toBeLessThan(1.9);
    expect([...weak.byRef.values()].reduce((sum, y) => sum + y, 0)).toBeCloseTo(1, 9);
  });

  it("counts a container by its own rule, less what stands before it", () => {
    const into: Part = {
      kind: "target",
      id: "b",
      along: 3,
      across: 0,
      width: 0.4,
      height: 0.3,
      item: "basket",
      label: "b",
      rule: { kind: "into", opening: 0.38 },
    };
    const free = sendChances(at("b", ["b"]), [start, into], sure, "middle", true).byRef.get("b")!;
    const either: Part = {
      ...into,
      rule: {
        kind: "anyOf",
        rules: [
          { kind: "into", opening: 0.38 },
          { kind: "touch", width: 0.4 },
        ],
      },
    };
    const more = sendChances(at("b", ["b"]), [start, either], sure, "middle", true).byRef.get("b")!;
    expect(more).toBeGreaterThan(free);
    const hidden = sendChances(at("b", ["a", "b"]), [start, target("a", 1.5, 0, 0.6), into], sure, "middle");
    expect(hidden.byRef.get("b")!).toBeLessThan(0.02);
  });
});

describe("stopping", () => {
  it("agrees with stops drawn one by one under each line rule", () => {
    const lines = [1, 1.6, 2, 2.8];
    for (const [rule, edge] of [
      ["lower", -0.05],
      ["centre", 0],
      ["higher", 0.05],
    ] as const) {
      const draw = random(5);
      const counted = [0, 0, 0, 0, 0];
      for (let i = 0; i < DRAWS; i++) {
        const calls = 1.8 * (1 + 0.16 * normalDraw(draw)) + edge;
        const length = lines.filter((line) => calls >= line).length;
        counted[length] = counted[length]! + 1 / DRAWS;
      }
      const shift = -edge;
      stopBands(lines, 1.8, 0.16, [shift, shift, shift, shift]).forEach((stopBand, k) => {
        expect(Math.abs(stopBand - counted[k]!), `${rule} ${k}`).toBeLessThan(CLOSE);
      });
    }
  });
});

describe("what is assumed of a player", () => {
  it("gets steadier and quicker with age", () => {
    for (let age = 4; age < 18; age++) {
      const [young, old] = [agePrior(age), agePrior(age + 1)];
      expect(old.multiplier).toBeLessThan(young.multiplier);
      expect(old.tempo).toBeLessThanOrEqual(young.tempo);
    }
    expect(agePrior("adult")).toEqual(agePrior(18));
    expect(agePrior(2)).toEqual(agePrior(4));
  });
  it("reaches less far on carpet than on boards, and a known multiplier replaces the age", () => {
    const sock = catalogueItem("sockBall")!;
    const on = (floor: "carpet" | "boards") =>
      reachChance(playerModel({ age: 7 }, "underarmRoll", sock, floor).sending, 5.8);
    expect(on("carpet")).toBeLessThan(on("boards"));
    const known = playerModel({ age: 7, multiplier: 2 }, "underarmRoll", sock, "carpet").spread.lateral;
    expect(known).toBeCloseTo(2 * actionFacts.underarmRoll.spread.lateral * sock.handling, 12);
  });
});
