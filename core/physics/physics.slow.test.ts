import { describe, expect, it } from "vitest";
import { actionFacts, SENDS } from "../actions/actions.ts";
import { FLOORS, type Floor } from "../items/floors.ts";
import { catalogue, catalogueItem } from "../kit/catalogue.ts";
import { inFull } from "../sample-size.test-utils.ts";
import { dragLength } from "./air.ts";
import { ballSlows, decelerationOf, runDownhill, slideKeeps, stopsAfter } from "./floor.ts";
import { fetchSeconds, runAfterLanding } from "./landing.ts";
import { rampDistance, rampHeightFor, rampSpeed } from "./ramp.ts";
import { overarmSpeed, POSTURES, releaseOf } from "./release.ts";
import {
  asksAtMost,
  comesBack,
  farthest,
  nearest,
  pathTo,
  pointless,
  purposeOf,
  reachChance,
  runsOn,
  sendingOf,
} from "./send.ts";
import { blowTo, climbs, dropsIn, falls, standingOf, steadyFrom, tips, waterFor } from "./standing.ts";
import { topples } from "./topple.ts";

const i = (id: string) => catalogueItem(id)!;
const AGES = [4, 5, 6, 7, 8, 9, 10, 11, 12, 14, "adult"] as const;
/** Every action with everything that can be sent so. */
const ALL = SENDS.flatMap((action) =>
  catalogue
    .filter((item) => item.uses.includes("send") && item.moves.includes(actionFacts[action].travel))
    .map((item) => ({ action, item })),
);
/** Each floor beside the smoother ones, for what rolls and for what slides alike. */
const SMOOTHER: readonly (readonly [Floor, Floor])[] = [
  ["tile", "boards"],
  ["boards", "carpet"],
  ["carpet", "grass"],
];

describe("how fast children let go", () => {
  it("is what is reported of an overarm throw at full effort, and grows with age", () => {
    expect([5.5, 6.5, 7.5, 12.5].map(overarmSpeed)).toEqual([10.4, 11.3, 13, 20.4]);
    expect(overarmSpeed(7)).toBeCloseTo(12.15, 9);
    for (let age = 4; age < 18; age += 0.5) expect(overarmSpeed(age + 0.5)).toBeGreaterThan(overarmSpeed(age));
    expect([overarmSpeed(2), overarmSpeed("adult")]).toEqual([overarmSpeed(4), overarmSpeed(18)]);
  });
  it("has an aimed share, a least and a most, and nothing faster than a throw at full effort", () => {
    for (const action of SENDS)
      for (const age of AGES) {
        const release = releaseOf(action, age, 0.06);
        expect(release.least).toBeGreaterThan(0);
        expect(release.least).toBeLessThan(release.most / 2);
        expect(release.most).toBeLessThanOrEqual(0.75 * overarmSpeed(age) + 1e-9);
      }
    expect(releaseOf("underarmRoll", 8, 0.07).most).toBeCloseTo(6.648, 3);
  });
  it("is less of something heavy, sitting, and with uses the other hand; a longer implement is faster", () => {
    for (const action of SENDS) {
      const most = (mass: number, how = {}) => releaseOf(action, 8, mass, how).most;
      expect(most(0.01)).toBe(most(0.06));
      let last = most(0.06);
      for (const mass of [0.1, 0.3, 1, 3]) {
        expect(most(mass)).toBeLessThan(last);
        last = most(mass);
      }
      expect(POSTURES.map((posture) => most(0.06, { posture }))).toEqual(
        [...POSTURES.map((posture) => most(0.06, { posture }))].sort((x, y) => y - x),
      );
      expect(most(0.06, { hand: "other" })).toBeLessThan(most(0.06));
    }
    expect(releaseOf("longStrike", 8, 0.06, { implement: 1.1 }).most).toBeGreaterThan(
      releaseOf("longStrike", 8, 0.06).most,
    );
  });
});

describe("every action, thing and floor: one number behind every answer", () => {
  it("what cannot reach has no chance, what is asked has half, and both come from the farthest", () => {
    for (const { action, item } of ALL)
      for (const floor of FLOORS)
        for (const age of [4, 8, 12]) {
          const sending = sendingOf(age, action, item, floor);
          const far = farthest(sending);
          const what = `${action} ${item.id} ${floor} ${age}`;
          expect(reachChance(sending, far), what).toBe(0);
          expect(reachChance(sending, far * 1.5), what).toBe(0);
          expect(reachChance(sending, 0.75 * far), what).toBe(1);
          expect(reachChance(sending, asksAtMost(sending)), what).toBeCloseTo(0.5, 9);
          expect(pathTo(sending, far * 0.999).gets, what).toBe(true);
          expect(pathTo(sending, far * 1.01).gets, what).toBe(false);
          expect(pointless(sending), what).toBe(far < 1.2);
        }
  });
  it("a path keeps to the speeds of its age, comes where it is aimed, slows down and takes time", () => {
    for (const { action, item } of ALL.filter((_, i) => i % inFull(1, 4) === 0))
      for (const floor of FLOORS) {
        const sending = sendingOf(8, action, item, floor);
        const far = farthest(sending);
        for (const share of [0.1, 0.4, 0.7, 0.95])
          for (const purpose of ["stop", "meet", "fell"] as const) {
            const distance = share * far;
            const path = pathTo(sending, distance, 0, purpose);
            const what = `${action} ${item.id} ${floor} ${distance} ${purpose}`;
            expect(path.speed, what).toBeLessThanOrEqual(sending.most + 1e-9);
            // In the air the angle of least effort may need more than the least steady, never less.
            expect(path.speed, what).toBeGreaterThanOrEqual(sending.least - 1e-9);
            expect(path.gets, what).toBe(true);
            expect(path.ends, what).toBeGreaterThanOrEqual(distance - 1e-6);
            expect(path.speedAt(distance / 2), what).toBeLessThanOrEqual(path.speedAt(0) + 1e-9);
            expect(path.seconds(distance), what).toBeGreaterThan(path.seconds(distance / 2));
            expect(path.seconds(distance) * path.speedAt(0), what).toBeGreaterThanOrEqual(distance - 1e-6);
            if (sending.travel === "air" && distance > 0.1) expect(path.at(distance), what).toBeCloseTo(0, 6);
            if (sending.travel !== "air" && purpose === "stop" && distance >= nearest(sending))
              expect(path.ends, what).toBeCloseTo(distance, 9);
            expect(runsOn(sending, distance, 0, purpose), what).toBeCloseTo(path.ends - distance, 9);
          }
      }
  });
  it("older never gets less far, a smoother floor never shorter, a heavier thing never farther by the same arm", () => {
    for (const { action, item } of ALL) {
      for (const floor of FLOORS) {
        const by = AGES.map((age) => farthest(sendingOf(age, action, item, floor)));
        expect(
          [...by].sort((x, y) => x - y),
          `${action} ${item.id} ${floor}`,
        ).toEqual(by);
        // Below 0.15 kg and in the air, weight also carries a thing through the air.
        const heavy = [0.15, 0.3, 0.6, 1.2].map((mass) => farthest(sendingOf(8, action, { ...item, mass }, floor)));
        const carried = actionFacts[action].travel === "air" && dragLength({ ...item, mass: 0.15 }) < 20;
        if (!carried)
          expect(
            [...heavy].sort((x, y) => y - x),
            `${action} ${item.id} ${floor}`,
          ).toEqual(heavy);
      }
      for (const [smooth, rough] of SMOOTHER)
        expect(farthest(sendingOf(8, action, item, smooth)), `${action} ${item.id}`).toBeGreaterThanOrEqual(
          farthest(sendingOf(8, action, item, rough)) - 1e-12,
        );
    }
  });
  it("a thing falls to a firmer send wherever it falls to a softer one, and a heavier filling never makes it fall", () => {
    for (const { action, item } of ALL.filter((x) => x.item.mass > 0.02)) {
      const sending = sendingOf(8, action, item, "boards");
      for (const id of ["bottle", "tallTin", "cerealBox", "toiletRoll"]) {
        const target = catalogueItem(id);
        if (!target) continue;
        const near = Math.min(1, 0.5 * farthest(sending));
        const blow = blowTo(sending, near, target.height);
        const down = (speed: number, filling: number) => topples(standingOf(target, filling), { ...blow, speed });
        for (const filling of [0, 0.5, 1])
          if (down(blow.speed! / 2, filling)) expect(down(blow.speed!, filling)).toBe(true);
        expect(falls(target, 0, sending, near)).toBe(down(blow.speed!, 0));
      }
    }
  });
});

describe("a send along the floor", () => {
  it("needs v0^2 = v^2 + 2 a d, and what rolls, tumbles and slides differ", () => {
    const ball = sendingOf(8, "underarmRoll", i("softBall"), "boards");
    const path = pathTo(ball, 3);
    expect(path.speed ** 2).toBeCloseTo(1.3 ** 2 + 2 * ballSlows("boards") * 3, 9);
    expect(path.speedAt(3)).toBeCloseTo(1.3, 9);
    expect(path.ends - 3).toBeCloseTo(2.61, 2);
    const slows = (id: string, floor: Floor, how: "ground" | "slide" = "ground") => decelerationOf(i(id), floor, how);
    expect(slows("softBall", "boards")).toBeCloseTo(0.324, 3);
    expect(slows("sockBall", "boards")).toBeCloseTo(2.428, 3);
    // What its own shape takes comes on top of what the floor takes, so a bundle minds the carpet less than a ball does.
    expect(slows("sockBall", "carpet") - slows("sockBall", "boards")).toBeCloseTo(
      slows("softBall", "carpet") - slows("softBall", "boards"),
      9,
    );
    expect(slows("jarLid", "boards", "slide")).toBeCloseTo(2.158, 3);
    // Nothing tumbles worse than it would slide.
    for (const item of catalogue.filter((eachItem) => eachItem.moves.includes("ground")))
      for (const floor of FLOORS)
        expect(decelerationOf(item, floor, "ground")).toBeLessThanOrEqual(decelerationOf(item, floor, "slide"));
    // No roll of 0.66 m: a sock ball on carpet comes nearly 8 m.
    expect(farthest(sendingOf(8, "underarmRoll", i("sockBall"), "carpet"))).toBeCloseTo(7.918, 3);
  });
  it("softer than is steady nobody sends: nearer than that nothing stops", () => {
    const sending = sendingOf(8, "underarmRoll", i("softBall"), "boards");
    expect(nearest(sending)).toBeCloseTo(stopsAfter(sending.least, sending.slows), 12);
    expect(pathTo(sending, nearest(sending) / 2, 0, "stop").ends).toBeCloseTo(nearest(sending), 12);
  });
  it("a lid slides on boards and is pointless on grass; a rubber sole slides nowhere", () => {
    const slides = (id: string, floor: Floor, age: 4 | 8 = 8) => sendingOf(age, "slide", i(id), floor);
    expect(pointless(slides("jarLid", "boards"))).toBe(false);
    expect(pointless(slides("jarLid", "boards", 4))).toBe(false);
    expect(pointless(slides("jarLid", "grass"))).toBe(true);
    expect(slideKeeps("rubber", "boards")).toBeLessThan(0.3);
    for (const floor of FLOORS) expect(slideKeeps("plastic", floor)).toBeLessThanOrEqual(1);
  });
});

describe("a send through the air", () => {
  const throws = (age: 6 | 8 = 8, id = "sockBall", action: "underarmThrow" | "overarmThrow" = "underarmThrow") =>
    sendingOf(age, action, i(id), "boards");
  it("leaves the hand where it should, comes down where it is aimed, and no point is higher than its top", () => {
    for (const distance of [0.5, 1, 3, 5])
      for (const height of [0, 0.4, 1.2]) {
        const path = pathTo(throws(), distance, height);
        if (!path.gets) continue;
        expect(path.at(0)).toBeCloseTo(0.635, 9);
        expect(path.at(distance)).toBeCloseTo(height, 6);
        for (let x = 0; x <= distance; x += 0.1) expect(path.at(x)).toBeLessThanOrEqual(path.apex + 1e-9);
      }
  });
  it("has the figures of its formulae where there is no air, and the air only ever takes", () => {
    const bare = { ...throws(), air: Number.POSITIVE_INFINITY, height: 0.6 };
    const path = pathTo(bare, 3);
    expect(path.apex).toBeCloseTo(1.1082, 4);
    const t = path.seconds(3);
    expect(0.6 + path.speed * Math.sin(path.loft) * t - (9.81 * t ** 2) / 2).toBeCloseTo(0, 9);
    expect(path.speedAt(3)).toBeCloseTo(path.speed * Math.cos(path.loft), 9);
    // What it arrives with is what gravity makes of what it left with.
    const down = path.speedAt(3) * Math.tan(path.angleAt(3));
    expect(path.speedAt(3) ** 2 + down ** 2).toBeCloseTo(path.speed ** 2 + 2 * 9.81 * 0.6, 6);
    expect(farthest(bare)).toBeGreaterThan(farthest(throws()));
    expect(pathTo({ ...bare, air: 10 }, 3).speed).toBeGreaterThan(path.speed);
    expect(dragLength(i("balloon"))).toBeLessThan(0.3);
    expect(pointless(sendingOf(8, "underarmThrow", i("balloon"), "boards"))).toBe(true);
  });
  it("keeps to an arm's speeds over something near and high, and what is too high it does not reach", () => {
    const sending = throws();
    for (const distance of [0.3, 0.6, 1, 1.5])
      for (const height of [0, 1, 1.8, 2.4, 3.4]) {
        const path = pathTo(sending, distance, height);
        expect(path.speed).toBeLessThanOrEqual(sending.most + 1e-9);
        if (path.gets) expect(path.at(distance)).toBeCloseTo(height, 6);
        expect(reachChance(sending, distance, height) > 0).toBe(distance < farthest(sending, height));
      }
    expect(farthest(sending, 5)).toBe(0);
    expect(reachChance(sending, 1, 5)).toBe(0);
  });
  it("needs steadily more speed farther away, and turns steadily from the usual angle to what an arm can do", () => {
    for (const action of ["underarmThrow", "overarmThrow"] as const) {
      const sending = throws(8, "sockBall", action);
      for (let d = 0.3; d < farthest(sending) - 0.02; d += 0.01) {
        const [path, b] = [pathTo(sending, d), pathTo(sending, d + 0.01)];
        expect(Math.abs(path.speed - b.speed), `${action} ${d}`).toBeLessThan(0.1);
        expect(b.speed).toBeGreaterThanOrEqual(path.speed - 1e-9);
        // Only where the steadiest is faster than is needed does it turn from a lob to a flat one.
        if (path.speed > sending.least + 1e-9)
          expect(Math.abs(path.loft - b.loft), `${action} ${d}`).toBeLessThan(0.08);
      }
    }
  });
});

describe("what it does where it arrives", () => {
  const rolled = (age: 6 | 8 = 8) => sendingOf(age, "underarmRoll", i("sockBall"), "boards");
  it("an empty bottle falls to a firm roll and a full one stands: the figure in between is where it turns", () => {
    const bottle = i("bottle");
    expect(falls(bottle, 0, rolled(), 2)).toBe(true);
    expect(falls(bottle, 1, rolled(), 2)).toBe(false);
    const water = waterFor(bottle, rolled(), 2);
    expect(water.standsFrom).toBeGreaterThan(0);
    expect(falls(bottle, water.standsFrom!, rolled(), 2)).toBe(false);
    expect(falls(bottle, water.fallsTo!, rolled(), 2)).toBe(true);
    expect(water.litresToStand).toBeCloseTo(water.standsFrom! * 1.5, 12);
  });
  it("an overarm throw knocks over what a roll does, a paper ball leaves a full bottle, a boot and a chair stay", () => {
    const thrown = sendingOf(8, "overarmThrow", i("sockBall"), "boards");
    expect(falls(i("bottle"), 0, thrown, 2)).toBe(true);
    expect(falls(i("chair"), 0, sendingOf(8, "underarmRoll", i("smallBall"), "boards"), 2)).toBe(false);
    expect(falls(i("waterBottle"), 1, sendingOf(8, "underarmRoll", i("paperBall"), "boards"), 2)).toBe(false);
    expect(falls(i("boot"), 0, rolled(), 2)).toBe(false);
  });
  it("what does not get there knocks nothing over, and farther away a rolled thing is slower", () => {
    const sending = rolled();
    expect(falls(i("bottle"), 0, sending, farthest(sending) + 0.1)).toBe(false);
    const path = pathTo(sending, 3, 0, "fell");
    expect(path.speedAt(3)).toBeLessThan(path.speedAt(0.3));
    expect(path.speedAt(path.ends + 1)).toBe(0);
    expect(
      purposeOf({
        kind: "anyOf",
        rules: [
          { kind: "touch", width: 0.1 },
          { kind: "topple", width: 0.1, height: 0.3, mass: 0.1 },
        ],
      }),
    ).toBe("fell");
  });
  it("a light bin tips when a ball from far catches its far rim; with books in it, it does not", () => {
    const lob = sendingOf(8, "underarmThrow", i("softBall"), "boards");
    expect(tips(i("wasteBin"), 0, lob, 1.5)).toBe(false);
    expect(tips(i("wasteBin"), 0, lob, 4)).toBe(true);
    const steady = steadyFrom(i("wasteBin"), lob, 4)!;
    expect(steady).toBeGreaterThan(0);
    expect(tips(i("wasteBin"), steady, lob, 4)).toBe(false);
    expect(steadyFrom(i("washBowl"), sendingOf(8, "underarmThrow", i("sockBall"), "boards"), 2)).toBe(0);
  });
  it("a lip stops what is small or slow, and a flat shot flies over an opening", () => {
    expect(climbs(0.08, 0.01, 0.5)).toBe(true);
    expect(climbs(0.08, 0.01, 0.4)).toBe(false);
    expect(climbs(0.016, 0.008, 20)).toBe(false);
    expect(climbs(0.016, 0, 0.1)).toBe(true);
    expect(dropsIn(0.3, 0.1, Math.PI / 4)).toBe(true);
    expect(dropsIn(0.3, 0.1, 0.1)).toBe(false);
  });
  it("what is soft stays where it lands; what bounces hops on, and comes back from a wall", () => {
    const past = (id: string) => runsOn(sendingOf(8, "underarmThrow", i(id), "boards"), 3);
    expect(past("sockBall")).toBeLessThan(0.1);
    expect(past("riceSock")).toBeLessThan(0.25);
    expect(past("bouncyBall")).toBeGreaterThan(past("softBall"));
    expect(runAfterLanding(i("bouncyBall"), "boards", 0, 1)).toBe(0);
    const back = (id: string) => comesBack(sendingOf(8, "underarmThrow", i(id), "boards"), 2, 1);
    expect(back("sockBall")).toBeLessThan(0.3);
    expect(back("bouncyBall")).toBeGreaterThan(1);
    expect(comesBack(sendingOf(8, "kick", i("softBall"), "boards"), 2)).toBeGreaterThan(
      comesBack(sendingOf(8, "kick", i("softBall"), "grass"), 2),
    );
  });
  it("fetching is passes there and back, and bending down; a slope lets it run farther", () => {
    expect(fetchSeconds(3, 0, 1)).toBe(7);
    expect(fetchSeconds(3, 2.5, 1)).toBe(12);
    expect(runDownhill(0.5, ballSlows("grass"), "level")).toBe(0.5);
    expect(runDownhill(0.5, ballSlows("grass"), "gentle")).toBeCloseTo(0.727, 3);
    expect(runDownhill(0.5, ballSlows("boards"), "steep")).toBe(10);
  });
});

describe("what does a ramp do?", () => {
  it("speed goes with the root of the height, the stopping place with the height itself", () => {
    const boards = ballSlows("boards");
    expect(rampSpeed(0.2)).toBeCloseTo(1.674, 3);
    expect(rampSpeed(0.8)).toBeCloseTo(2 * rampSpeed(0.2), 12);
    expect(rampDistance(0.4, boards)).toBeCloseTo(2 * rampDistance(0.2, boards), 12);
    expect(rampDistance(rampHeightFor(3, ballSlows("carpet")), ballSlows("carpet"))).toBeCloseTo(3, 12);
    // A hollow ball spends more on spinning.
    expect(rampSpeed(0.2, "hollow")).toBeLessThan(rampSpeed(0.2));
    expect(rampSpeed(-1)).toBe(0);
  });
});
