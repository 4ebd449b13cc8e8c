import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Item } from "../items/item.ts";
import { catalogue, catalogueItem } from "./catalogue.ts";
import { CLEARANCE } from "./choice-search.ts";
import { choose } from "./choose.ts";
import type { Choosing } from "./choosing.ts";
import { minimalFixes } from "./minimal-fixes.ts";
import type { Coupling, Role } from "./role.ts";
import { availableFrom, defaultStock, noKitStock } from "./stock.ts";

const it_ = (id: string): Item => catalogueItem(id)!;
const role = (id: string, use: Role["use"], as: string | null, over: Partial<Role> = {}): Role => ({
  id,
  use,
  move: use === "send" ? "ground" : null,
  count: 1,
  limits: [],
  wishes: [],
  as: as ? it_(as) : null,
  optional: false,
  ...over,
});
const choosing = (over: Partial<Choosing>): Choosing => ({
  roles: [],
  couplings: [],
  items: catalogue,
  stock: {},
  floor: "boards",
  indoors: true,
  ...over,
});
const picked = (givenChoosing: Choosing) =>
  Object.fromEntries(choose(givenChoosing).picks.map((pick) => [pick.role, pick.item]));

describe("choosing what a home can use", () => {
  it("takes what was designed where it is there, and says so", () => {
    const c = choosing({ roles: [role("send", "send", "smallBall")], stock: { smallBall: 1, softBall: 1 } });
    expect(choose(c)).toMatchObject({
      proved: true,
      unmet: [],
      picks: [{ item: "smallBall", why: { key: "why.designed" }, alternatives: ["softBall", "shirtRoll"] }],
    });
  });

  it("never uses one thing twice: socks are ball or line, not both", () => {
    const roles = [role("send", "send", "sockBall"), role("marker", "marker", "sock", { count: 2 })];
    const with2 = choosing({ roles, stock: { sock: 2 } });
    // Two socks make one ball, and then the line is something else; or they lie on the floor, and the shirt is rolled.
    const two = picked(with2);
    expect([two.send === "sockBall", two.marker === "sock"].filter(Boolean)).toHaveLength(1);
    expect(picked(choosing({ roles, stock: { sock: 4 } }))).toEqual({ send: "sockBall", marker: "sock" });
  });

  it("makes what can be made, only with the tool for it, and counts the minutes", () => {
    const roles = [role("send", "send", "paperBall")];
    const made = choose(choosing({ roles, stock: { newspaper: 2, tape: 1 } }));
    expect(made.picks[0]).toMatchObject({ item: "paperBall", minutes: 2 });
    expect(picked(choosing({ roles, stock: { newspaper: 2 } })).send).not.toBe("paperBall");
  });

  it("keeps couplings: the ball enters the opening, the ball tips the pin, two sets differ", () => {
    const enters: Coupling[] = [{ kind: "enters", object: "send", opening: "goal" }];
    const roles = [role("send", "send", "softBall"), role("goal", "target", "cup")];
    const stock = { softBall: 1, hollowBall: 1, plasticCup: 1 };
    // The ball that was designed does not fit the only cup: the small one is taken instead.
    expect(picked(choosing({ roles, couplings: enters, stock }))).toEqual({ send: "hollowBall", goal: "plasticCup" });
    expect(picked(choosing({ roles, stock }))).toEqual({ send: "softBall", goal: "plasticCup" });

    const pin = (metres: number): Coupling[] => [
      { kind: "topples", object: "send", pin: "pin", filling: 0, sends: { action: "underarmRoll", age: 8, metres } },
    ];
    const pins = [role("send", "send", "sockBall"), role("pin", "target", "bottle")];
    const bottles = { sock: 2, bottle: 1, boot: 1, rollTube: 1 };
    expect(picked(choosing({ roles: pins, couplings: pin(2), stock: bottles })).pin).toBe("bottle");
    const slow = choose(choosing({ roles: pins, couplings: pin(12), stock: bottles }));
    expect(slow.unmet.map((unmet) => unmet.role)).toEqual(["pin"]);

    const sets = [
      role("send", "send", "coaster", { move: "slide", count: 3 }),
      role("send2", "send", "coaster", { move: "slide", count: 3, optional: true }),
    ];
    const differ: Coupling[] = [{ kind: "differs", a: "send", b: "send2" }];
    const six = picked(choosing({ roles: sets, couplings: differ, stock: { coaster: 6 } }));
    expect(six).toEqual({ send: "coaster", send2: "coaster" });
    // Of a kind that does not come in two there may be two sets all the same: one of them is marked.
    expect(picked(choosing({ roles: sets, couplings: differ, stock: { plasticLid: 6 } })).send2).toBe("plasticLid");
    const four = picked(choosing({ roles: sets, couplings: differ, stock: { coaster: 4, jarLid: 3 } }));
    expect(new Set(Object.values(four)).size).toBe(2);
  });

  it("leaves out only what optional, and says why something cannot be met", () => {
    const why = (over: Partial<Choosing>, use: Role["use"] = "target") =>
      choose(
        choosing({ roles: [role("r", use, null, over.roles?.[0])], ...over, ...(over.roles && { roles: over.roles }) }),
      ).unmet[0]?.why.key;
    expect(why({ roles: [role("r", "net", null)] })).toBe("unmet.nothing");
    expect(
      why({ roles: [role("r", "ramp", null)], stock: { tray: 1 }, items: [{ ...it_("tray"), outdoorsOnly: true }] }),
    ).toBe("unmet.outdoors");
    expect(
      why({
        roles: [role("r", "target", null, { limits: [{ property: "opening", least: 0.4 }] })],
        stock: { bucket: 1 },
      }),
    ).toBe("unmet.least");
    expect(
      why({
        roles: [role("r", "send", null, { limits: [{ property: "width", most: 0.02 }] })],
        stock: { softBall: 1 },
      }),
    ).toBe("unmet.most");
    expect(why({ roles: [role("r", "token", null, { count: 5 })], stock: { teaspoon: 2, peg: 3 } })).toBe("unmet.few");
    const both = [role("a", "ramp", null), role("b", "ramp", null)];
    expect(choose(choosing({ roles: both, stock: { tray: 1 } })).unmet[0]!.why.key).toBe("unmet.together");
    const maybe = choose(
      choosing({
        roles: [role("b", "blocker", "boot", { optional: true, limits: [{ property: "mass", least: 50 }] })],
      }),
    );
    expect(maybe.unmet).toMatchObject([{ role: "b", optional: true }]);
  });

  it("keeps to what a home asks: quiet, no balls indoors, nothing hard thrown, nothing for outdoors", () => {
    const send = (over: Partial<Choosing>, move: Role["move"] = "ground") =>
      picked(
        choosing({ roles: [role("send", "send", "smallBall", { move })], stock: { smallBall: 1, sock: 2 }, ...over }),
      ).send;
    expect(send({})).toBe("smallBall");
    expect(send({ quiet: true })).not.toBe("smallBall");
    expect(send({ noBallsIndoors: true })).not.toBe("smallBall");
    expect(send({ noBallsIndoors: true, indoors: false })).toBe("smallBall");
    expect(send({}, "air")).not.toBe("smallBall");
    expect(send({ indoors: false }, "air")).toBe("smallBall");
    const large = { roles: [role("send", "send", "largeBall")], stock: { largeBall: 1 } };
    expect(picked(choosing(large)).send).not.toBe("largeBall");
    expect(picked(choosing({ ...large, indoors: false })).send).toBe("largeBall");
  });

  it("gives the same answer to the same question, and takes what somebody has decided", () => {
    const c = choosing({
      roles: [role("send", "send", "smallBall"), role("t", "target", "bucket"), role("u", "target", "box")],
      stock: defaultStock(catalogue),
    });
    expect(choose(c)).toEqual(choose(structuredClone(c)));
    const fixed = choose({ ...c, fixed: { t: "cushion" } });
    expect(fixed.picks.find((pick) => pick.role === "t")).toMatchObject({
      item: "cushion",
      why: { key: "why.chosen" },
    });
  });

  it("says when the best was not proved", () => {
    const ids = ["a", "b", "c"];
    const roles = [role("send", "send", "largeBall"), ...ids.map((id) => role(id, "target", "cup"))];
    const couplings = ids.map((id): Coupling => ({ kind: "enters", object: "send", opening: id }));
    const stock = Object.fromEntries(catalogue.map((item) => [item.id, item.count]));
    const cut = choose(choosing({ roles, couplings, stock, indoors: false, mostTrials: 1 }));
    const whole = choose(choosing({ roles, couplings, stock, indoors: false }));
    expect([cut.proved, whole.proved]).toEqual([false, true]);
    expect(cut.picks.length + cut.unmet.length).toBe(4);
    expect(whole.cost).toBeLessThanOrEqual(cut.cost);
  });

  /** Every assignment there is, one by one. */
  function bestByTrying(givenChoosing: Choosing): number {
    const have = availableFrom(givenChoosing.items, givenChoosing.stock);
    const costOf = (picks: (string | null)[]): number => {
      const trial = choose({
        ...givenChoosing,
        fixed: Object.fromEntries(
          givenChoosing.roles.map((eachRole, i) => [eachRole.id, picks[i] ?? "nothing of that name"]),
        ),
      });
      const same = givenChoosing.roles.every(
        (eachRole, i) => (trial.picks.find((pick) => pick.role === eachRole.id)?.item ?? null) === picks[i],
      );
      return same ? trial.cost : Number.POSITIVE_INFINITY;
    };
    let best = Number.POSITIVE_INFINITY;
    const walk = (i: number, picks: (string | null)[]) => {
      if (i === givenChoosing.roles.length) {
        best = Math.min(best, costOf(picks));
        return;
      }
      for (const available of have)
        if (available.item.uses.includes(givenChoosing.roles[i]!.use)) walk(i + 1, [...picks, available.item.id]);
      walk(i + 1, [...picks, null]);
    };
    walk(0, []);
    return best;
  }
  it("is never beaten by trying every assignment there is", () => {
    const small = [
      "sockBall",
      "smallBall",
      "hollowBall",
      "bottle",
      "rollTube",
      "cup",
      "plasticCup",
      "sock",
      "tape",
      "shoe",
      "cushion",
    ].map(it_);
    const stock = fc.record(Object.fromEntries(small.map((item) => [item.id, fc.integer({ min: 0, max: 2 })])));
    fc.assert(
      fc.property(stock, fc.boolean(), fc.boolean(), (given, entering, two) => {
        const kept = Object.fromEntries(
          Object.entries(given as Record<string, number>).filter(([, value]) => value > 0),
        );
        const roles = [
          role("send", "send", "smallBall"),
          role("a", "target", "cup"),
          role("b", "target", "bottle"),
          ...(two ? [role("m", "marker", "sock", { count: 2, optional: true })] : []),
        ];
        const couplings: Coupling[] = entering ? [{ kind: "enters", object: "send", opening: "a" }] : [];
        const c = choosing({ roles, couplings, items: small, stock: kept });
        expect(choose(c).cost).toBe(bestByTrying(c));
      }),
      { numRuns: 60 },
    );
  });
});

describe("a home that cannot do it", () => {
  it("is told every single change that would let it in: a limit dropped, a target fewer, one thing found", () => {
    const roles = [
      role("send", "send", "sockBall", { limits: [{ property: "rebound", least: 0.6 }] }),
      role("t", "target", "bucket"),
    ];
    const c = choosing({ roles, stock: { sock: 2, bucket: 1 } });
    const changes = minimalFixes(c);
    expect(changes).toContainEqual({ kind: "limit", role: "send", property: "rebound" });
    expect(changes).toContainEqual({ kind: "item", item: "smallBall" });
    expect(changes).not.toContainEqual({ kind: "item", item: "bucket" });
    for (const change of changes.filter((eachChange) => eachChange.kind === "item"))
      expect(choose({ ...c, stock: { ...c.stock, [change.item]: it_(change.item).count } }).unmet).toEqual([]);
  });
});

describe("the list", () => {
  it("has at least 90 things of at least 8 uses, each with a source, and every way of sending is served without any kit", () => {
    expect(catalogue.length).toBeGreaterThanOrEqual(90);
    expect(new Set(catalogue.flatMap((item) => item.uses)).size).toBe(13);
    for (const item of catalogue) expect(item.source.length, item.id).toBeGreaterThan(0);
    const bare = noKitStock(catalogue);
    for (const move of ["ground", "slide", "air"] as const)
      expect(choose(choosing({ roles: [role("send", "send", null, { move })], stock: bare })).unmet, move).toEqual([]);
    for (const use of ["target", "marker", "blocker"] as const)
      expect(choose(choosing({ roles: [role("r", use, null)], stock: bare })).unmet, use).toEqual([]);
  });
  it("has figures that a thing can have", () => {
    for (const item of catalogue) {
      // Nothing in a house is denser than solid metal, or lighter than a balloon.
      const density = item.mass / (item.width * item.depth * item.height);
      expect(density, item.id).toBeLessThan(9000);
      expect(density, item.id).toBeGreaterThan(0.15);
      if (item.opening !== null)
        expect(item.opening, item.id).toBeLessThanOrEqual(Math.max(item.width, item.depth) + 1e-9);
      if (item.gap !== null) expect(item.gap, item.id).toBeLessThan(item.width);
      if (item.moves.includes("ground")) expect(item.drag, item.id).not.toBeNull();
      if (item.uses.includes("send")) expect(item.moves.length, item.id).toBeGreaterThan(0);
      for (const need of item.made?.from ?? []) expect(catalogueItem(need.item), item.id).toBeDefined();
      for (const tool of item.made?.tools ?? []) expect(catalogueItem(tool), item.id).toBeDefined();
    }
    expect(CLEARANCE).toBeGreaterThan(0);
  });
});
