import { describe, expect, it } from "vitest";
import { forecastActivity, layoutOf, pegRates } from "../forecast/for-activity.ts";
import { type Activity, activity, fromPattern, itemsIn } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { catalogue } from "../kit/catalogue.ts";
import { listOf } from "../kit/items.ts";
import { COUNTED, FOOT } from "../measures/count.ts";
import { paces } from "../measures/step.ts";
import { groundOf, type HomeSpace, NOTHING_SAID } from "../records/home.ts";
import { troubleOf } from "../yard/fit.reference.ts";
import { footprintOf } from "../yard/footprint.ts";
import { type LayoutName, layoutNames } from "../yard/layouts/index.ts";
import { exampleOf, itemsOf, laidParts } from "../yard/layouts/laid.ts";
import { boundsOf, partsOf } from "../yard/parts.ts";
import { compileCard, compileFor } from "./card.ts";
import { forHome, type HomeFacts, sentOf } from "./for-home.ts";
import { rolesOf } from "./roles.ts";

const climb = fromPattern("climb");
const items = listOf([]);
const child = { age: 7, step: null, leftHanded: false };
const everything = Object.fromEntries(catalogue.filter((item) => !item.made).map((item) => [item.id, 20]));
const wide = { ...climb.space, length: 12, width: 9 };
const beside = (name: LayoutName, over: Partial<Activity> = {}): Activity =>
  activity.parse({ ...climb, space: wide, layout: exampleOf(name), ...over });
const home = (space: Partial<HomeSpace> | null, over: Partial<HomeFacts> = {}): HomeFacts => ({
  ...NOTHING_SAID,
  id: "h",
  label: "a home",
  kit: everything,
  ...over,
  space: space && { kind: "room", length: 8, width: 6, floor: "carpet", indoors: true, ...space },
});

describe.each(layoutNames)("a climb with %s laid out beside it", (name) => {
  const design = beside(name);

  it("plays just as it did: what is laid out changes no chance and no forecast", () => {
    const plain = { ...design, layout: null };
    expect([...pegRates(design, child)]).toEqual([...pegRates(plain, child)]);
    const ahead = (givenActivity: Activity) =>
      forecastActivity(givenActivity, [child], { players: 1, mode: "alone", seed: 1 }, "middle");
    expect(ahead(design)).toEqual(ahead(plain));
  });

  it("needs its things beside those of the game", () => {
    const roles = rolesOf(design, 1).roles;
    const layout = roles.find((role) => role.id === "layout");
    expect(layout?.count ?? 0).toBe(itemsOf(design.layout!));
    expect(itemsIn(design).has(design.layout!.item)).toBe(true);
    const lines = partsOf(layoutOf(design), "line").length;
    expect(roles.find((role) => role.id === "marker")!.count).toBe(lines);
  });

  it("is counted out mark by mark on the card, each count near to what was planned", () => {
    const card = compileCard(design, child);
    const own = paces(7);
    const marks = card.markers.filter((marker) => marker.kind === "mark");
    expect(marks.length).toBeGreaterThan(0);
    expect(card.markers.filter((marker) => marker.kind !== "mark")).toHaveLength(5);
    for (const mark of marks) {
      // Half a step off at most, ahead and aside.
      expect(Math.abs(mark.reached - Math.abs(mark.metres)), mark.id).toBeLessThanOrEqual(own.step / 4 + 0.05);
      if (mark.aside)
        expect(Math.abs(mark.aside.metres - Math.abs(mark.across))).toBeLessThanOrEqual(own.step / 4 + 1e-9);
      else expect(Math.abs(mark.across)).toBeLessThan(0.05);
    }
  });

  it("lies in a home's space with the game, or it is said that it does not", () => {
    for (const size of [8, 5, 3.4]) {
      const h = home({ length: size, width: size * 0.75 });
      const told = forHome(design, { age: 7 }, h, items);
      if (!told.place?.placement) {
        expect(told.place?.status).toBe("none");
        continue;
      }
      const pieces = footprintOf(layoutOf(told.activity), sentOf(told.activity, 7));
      expect(troubleOf(pieces, groundOf(h.space!), told.place.placement)).toBeNull();
      if (told.place.scale < 1) {
        const deep = (givenActivity: Activity) => boundsOf(laidParts(givenActivity.layout!)).along[1];
        expect(deep(told.activity)).toBeLessThan(deep(design) + 1e-9);
      }
    }
  });
});

describe("the card of a yard", () => {
  it("counts in what the teacher chose, and every count ends where it says", () => {
    for (const counted of COUNTED) {
      const card = compileCard(beside("slalom", { counted }), child);
      const each = { step: card.step, shoe: paces(7).shoe, bigStep: paces(7).bigStep, metre: 1, foot: FOOT };
      const units = new Set(card.markers.map((marker) => marker.unit));
      for (const marker of card.markers) expect(marker.reached).toBeCloseTo(marker.count * each[marker.unit], 9);
      if (counted === "metres") expect([...units]).toEqual(["metre"]);
      if (counted === "feet") expect([...units]).toEqual(["foot"]);
      if (counted === "bigSteps") expect([...units]).toEqual(["bigStep"]);
    }
  });
  it("counts a mark behind the line backwards, and one on it not at all", () => {
    const design = activity.parse({
      ...climb,
      layout: { ...exampleOf("shuttle"), along: -0.4, values: { apart: 3, wide: 0.6 } },
    });
    const [first] = compileCard(design, child).markers.filter((marker) => marker.kind === "mark");
    expect(first).toMatchObject({ behind: true });
    const on = { ...design, layout: { ...design.layout!, along: 0 } };
    expect(compileCard(on, child).markers.filter((marker) => marker.kind === "mark")[0]).toMatchObject({
      count: 0,
      reached: 0,
    });
  });
  it("counts from the target where the throwing line moves", () => {
    const { targets } = (climb.pattern.params as { ladder: unknown }).ladder as { targets: Record<string, unknown>[] };
    const { distance: _, ...target } = targets[0]!;
    const design = activity.parse({
      ...climb,
      space: wide,
      layout: { ...exampleOf("tossing"), along: 9 },
      pattern: {
        name: "climb",
        params: { ...climb.pattern.params, ladder: { kind: "line", target, lines: [1, 2, 3] } },
      },
    });
    const from = partsOf(layoutOf(design), "target")[0]!.along;
    for (const marker of compileCard(design, child).markers.filter((eachMarker) => eachMarker.kind === "mark")) {
      const part = laidParts(design.layout!).find((laidPart) => laidPart.id === marker.id);
      if (part && "along" in part) expect(marker.metres).toBeCloseTo(from - part.along, 9);
    }
  });
  it("says how many squares a grid has, and nothing of the kind elsewhere", () => {
    expect(compileCard(beside("grid"), child).cells).toBe(3);
    expect(compileCard(beside("square"), child).cells).toBe(3);
    expect(compileCard(beside("goals"), child).cells).toBeUndefined();
  });
  it("has other things stand in for those that a home lacks", () => {
    const told = forHome(beside("slalom"), { age: 7 }, home({}, { kit: { cup: 12, sock: 4, string: 2 } }), items);
    expect(told.activity.layout!.item).not.toBe("shoe");
    expect(told.changes.some((change) => change.params?.as === "shoe")).toBe(true);
    for (const laidPart of laidParts(told.activity.layout!))
      if (laidPart.kind === "obstacle") expect(laidPart.item).toBe(told.activity.layout!.item);
  });
});

describe("where a home plays", () => {
  const making = (space: Partial<HomeSpace>, givenActivity: Activity = climb) =>
    compileFor({ designed: givenActivity, child, homes: [home(space)], items: { own: [], hidden: [] } });
  const thrown = activity.parse({ ...climb, aim: { ...climb.aim, action: "underarmThrow" } });

  it("is warned of a slope where things roll, and of wind where they fly", () => {
    const outside = { indoors: false, floor: "grass" } as const;
    expect(making({ ...outside, slope: "gentle" }).cautions).toContain("slope");
    expect(making({ ...outside, slope: "gentle" }, thrown).cautions).not.toContain("slope");
    expect(making({ ...outside, wind: "windy" }, thrown).cautions).toContain("wind");
    expect(making({ ...outside, wind: "windy" }).cautions).not.toContain("wind");
    expect(making(outside).cautions).not.toContain("slope");
    expect(making({}).cautions).toContain("behind");
  });
  it("lets things run on farther down a slope: a ball may reach the stairs there that it would not on the level", () => {
    const ball = { ...climb, kit: { ...climb.kit, send: "softBall" } };
    const on = (slope: HomeSpace["slope"]) => sentOf({ ...ball, space: { ...ball.space, floor: "grass" } }, 7, slope);
    expect(on("gentle").runOn).toBeGreaterThan(on("level").runOn);
    expect(on("steep").runOn).toBeGreaterThan(on("gentle").runOn);
    // What slides stays where a ball rolls away.
    const slid = {
      ...fromPattern("bands"),
      space: { ...fromPattern("bands").space, floor: "grass" },
    } as Activity;
    expect(sentOf(slid, 7, "gentle").runOn / sentOf(slid, 7, "level").runOn).toBeLessThan(1.1);
  });
  it("is made ready for the floor that most of the way lies on", () => {
    const patch = (width: number) => [{ floor: "tile" as const, x: 0, y: 0, width, depth: 6 }];
    expect(making({ floors: patch(8) }).activity.space.floor).toBe("tile");
    expect(making({ floors: patch(0.6) }).activity.space.floor).toBe("carpet");
    expect(making({ floors: patch(8) }).home!.changes.map((change) => change.key)).toContain("change.floor");
  });
  it("has what runs on stopped by a wall or cushions behind the targets", () => {
    const open = sentOf({ ...climb, behind: "open" });
    expect(open.runOn).toBeGreaterThan(0);
    for (const behind of ["wall", "soft"] as const) {
      expect(sentOf({ ...climb, behind }).runOn).toBe(0);
      const [run] = partsOf(layoutOf({ ...climb, behind }), "runOn");
      expect(run!.far).toBe(run!.near);
    }
  });
  it("has a wall behind what hangs on one where there is any: a side of the space indoors, one that was told of outdoors", () => {
    const design = activity.parse({ ...beside("wall"), pattern: patternOne() });
    const at = (space: Partial<HomeSpace>) => forHome(design, { age: 7 }, home(space), items);
    const garden = { kind: "garden", indoors: false, floor: "grass" } as const;
    const fence = { ...garden, obstacles: [{ kind: "wall" as const, x: 7.8, y: 0, width: 0.2, depth: 6 }] };
    for (const space of [{ length: 3, width: 2.4 }, { length: 6, width: 5 }, fence]) {
      const there = at(space);
      expect(there.place).toMatchObject({ noWall: false });
      expect(there.changes.map((change) => change.key)).not.toContain("change.noWall");
      const pieces = footprintOf(layoutOf(there.activity), sentOf(there.activity, 7));
      expect(troubleOf(pieces, groundOf(home(space).space!), there.place!.placement!)).toBeNull();
    }
    // Where there is none it is laid all the same, and that is said; it is no other game for it.
    const open = at(garden);
    expect(open.place).toMatchObject({ status: "designed", noWall: true });
    expect(open.changes.map((change) => change.key)).toContain("change.noWall");
  });
  it("finds a wall at the side for what hangs there", () => {
    const aside = {
      ...exampleOf("wall"),
      along: 1,
      across: 0.4,
      turn: Math.PI / 2,
      values: { ...exampleOf("wall").values, distance: 1 },
    };
    const design = activity.parse({ ...climb, space: wide, pattern: patternOne(), layout: aside });
    const told = forHome(design, { age: 7 }, home({ length: 6, width: 5 }), items);
    expect(told.place).toMatchObject({ status: "designed", noWall: false });
  });
  /** A climb of one near target, so that the wall may be behind it. */
  function patternOne(): Activity["pattern"] {
    let design = climb;
    while (opened(design).pegs.length > 1) design = opened(design).remove(opened(design).pegs.at(-1)!.id)!;
    return opened(design).move(opened(design).pegs[0]!.id, { across: 0 }).pattern;
  }
});

describe("a document with a layout", () => {
  const told = (layout: unknown, over: object = {}) =>
    activity
      .safeParse({ ...climb, layout, ...over })
      .error?.issues.map((issue) => `${issue.path.join(".")}: ${issue.message}`) ?? [];
  it("is refused where the layout is beyond the space, by how much", () => {
    expect(told({ ...exampleOf("goals"), along: 4 })).toEqual([
      "layout: layout goals reaches 8.05 m, but the space is 5.6 m long",
    ]);
    expect(told({ ...exampleOf("goals"), across: 1 })[0]).toMatch(
      /^layout: layout goals reaches \d\.\d\d m to the side/,
    );
    expect(told({ ...exampleOf("goals"), along: -1.2 })[0]).toMatch(/starts 1\.25 m behind the start line; 0\.6 m/);
  });
  it("names a layout, a turn, a size or a unit that cannot be", () => {
    expect(told({ ...exampleOf("goals"), name: "maze" })[0]).toContain("layout name must be one of row, scattered");
    expect(told({ ...exampleOf("goals"), turn: Number.NaN })[0]).toContain("turn must be a number of radians");
    expect(told({ ...exampleOf("goals"), size: 9 })[0]).toContain("size must be 3 or less");
    expect(told({ ...exampleOf("goals"), moved: { g1l: { along: "x", across: 0 } } })[0]).toContain(
      "along must be a number of metres",
    );
    expect(told(null, { counted: "miles" })[0]).toContain("counted must be one of steps, bigSteps, metres, feet");
    expect(told(null, { behind: "glass" })[0]).toContain("behind must be one of open, wall, soft");
  });
  it("kept from before has none, counts in steps, and lets things run on", () => {
    const { layout: _l, counted: _c, behind: _b, ...old } = climb;
    expect(activity.parse(old)).toEqual(climb);
    // A card kept as it was compiled is not read again.
    expect(compileCard(old as Activity, child).markers).toEqual(compileCard(climb, child).markers);
    expect(layoutOf(old as Activity)).toEqual(layoutOf(climb));
  });
});
