import { describe, expect, it } from "vitest";
import { ACTIONS, type Action } from "../actions/actions.ts";
import { type Activity, activity, fromPattern } from "../formats/activity.ts";
import { catalogue } from "../kit/catalogue.ts";
import { doesFor, implementUseOf } from "../kit/implements.ts";
import { patternNames } from "../patterns/registry.ts";
import { ready } from "../ready/index.ts";
import { NOTHING_SAID } from "../records/home.ts";
import { swingOf } from "../yard/clear.ts";
import { compileFor } from "./card.ts";
import { forHome, type HomeFacts } from "./for-home.ts";
import { heldIn } from "./roles.ts";

const items = [...catalogue];
const home = (over: Partial<HomeFacts> = {}): HomeFacts => ({ ...NOTHING_SAID, id: "h", label: "h", ...over });
const garden = { kind: "garden", length: 12, width: 8, floor: "grass", indoors: false } as const;
const done = (givenActivity: Activity, at: HomeFacts) => forHome(givenActivity, { age: 8 }, at, items);
const struck = (action: Action, over: Partial<Activity["kit"]> = {}, name: (typeof patternNames)[number] = "climb") => {
  const design = fromPattern(name);
  return activity.parse({
    ...design,
    aim: { ...design.aim, action },
    kit: { ...design.kit, ...over },
    space: { length: 12, width: 8, floor: "grass", indoors: false },
  });
};
/** A home with something for every use. */
const KIT = {
  sock: 8,
  sponge: 2,
  cushion: 3,
  box: 3,
  bucket: 1,
  book: 3,
  bottle: 2,
  saucepan: 1,
  string: 1,
  longTube: 1,
  broom: 1,
  smallBat: 1,
  softBall: 2,
};
const STRIKES = (ACTIONS as readonly Action[]).filter((action) => implementUseOf(action, false));

describe("what a child strikes with", () => {
  it("is a role of every game whose action takes one: fetched, named on the card, with its caution", () => {
    expect(STRIKES).toEqual(
      expect.arrayContaining(["shortStrike", "longStrike", "twoHandStrike", "forehand", "backhand"]),
    );
    for (const action of STRIKES.filter((strike) => strike !== "dribbleStick")) {
      const design = struck(action);
      const told = done(design, home({ kit: { ...KIT }, space: { ...garden } }));
      const pick = told.picks.find((eachPick) => eachPick.role === "implement");
      expect([action, pick?.item]).toEqual([action, expect.any(String)]);
      expect(told.activity.kit.implement).toBe(pick!.item);
      const card = compileFor({
        designed: design,
        child: { age: 8, step: null, leftHanded: false },
        homes: [home({ kit: { ...KIT }, space: { ...garden } })],
        items: { own: [], hidden: [] },
      });
      expect([action, card.notes?.some((note) => note.key.startsWith("implement."))]).toEqual([action, true]);
      if (pick!.item !== "bareHand") expect(card.cautions).toContain("keepLow");
    }
  });

  it("is replaced by use, length, weight and face: no hand for a pole, no spoon for a stick, no book for a racket", () => {
    const of = (id: string) => items.find((item) => item.id === id)!;
    const fits = (action: Action) =>
      items
        .filter((item) => item.uses.includes("implement") && doesFor(item, implementUseOf(action, false)!))
        .map((item) => item.id);
    for (const action of ["longStrike", "dribbleStick", "twoHandStrike"] as const) {
      expect(fits(action)).not.toContain("bareHand");
      expect(fits(action)).not.toContain("woodenSpoon");
      expect(fits(action)).not.toContain("paperback");
    }
    expect(fits("longStrike")).toEqual(expect.arrayContaining(["broom", "mop", "stick"]));
    expect(fits("forehand")).not.toContain("paperback");
    expect(fits("forehand")).toContain("bareHand");
    expect(doesFor(of("broom"), implementUseOf("forehand", false)!)).toBe(false);
    // The nearest in length, of what is there.
    const at = (kit: Record<string, number>, action: Action, implement: string) =>
      done(
        struck(action, { implement }),
        home({ kit: { sock: 8, cushion: 3, box: 2, bucket: 1, ...kit }, space: { ...garden } }),
      );
    expect(
      at({ mop: 1, umbrella: 1 }, "longStrike", "broom").picks.find((pick) => pick.role === "implement")!.item,
    ).toBe("mop");
    expect(at({ woodenSpoon: 3, paperback: 4 }, "longStrike", "broom").activity.aim.action).not.toBe("longStrike");
    expect(at({ woodenSpoon: 3, paperback: 4 }, "longStrike", "broom").changes[0]).toMatchObject({
      key: "change.action",
      params: { was: "longStrike", why: "notForThis" },
    });
  });

  it("is swung only where its circle has a place, in length and in width: else another allowed action, and the card says so", () => {
    const needs = 2 * swingOf("twoHandStrike", 8);
    const narrow = { kind: "corridor", length: 9, width: needs - 0.6, floor: "boards", indoors: true } as const;
    const design = struck("twoHandStrike", { implement: "longTube", send: "sockBall" });
    const alone = done(design, home({ kit: { ...KIT }, space: { ...narrow } }));
    expect(alone.activity.aim.action).not.toBe("twoHandStrike");
    expect(alone.changes[0]).toMatchObject({ key: "change.action", params: { why: "noRoom" } });
    const other = done(
      { ...design, aim: { ...design.aim, also: ["underarmRoll"] } },
      home({ kit: { ...KIT }, space: { ...narrow } }),
    );
    expect(other.activity.aim.action).toBe("underarmRoll");
    expect(other.status).toBe("adapted");
    const wide = done(design, home({ kit: { ...KIT }, space: { ...garden } }));
    expect(wide.activity.aim.action).toBe("twoHandStrike");
    expect(wide.place?.status).not.toBe("none");
  });

  it("never swings in a home where the layout lies nowhere, whatever the game", () => {
    const rooms = [
      { kind: "corridor", length: 4, width: 1.1, floor: "boards", indoors: true },
      { kind: "room", length: 2.2, width: 2, floor: "carpet", indoors: true },
      { kind: "room", length: 6, width: 2.2, floor: "tile", indoors: true },
    ] as const;
    for (const name of patternNames)
      for (const action of ["shortStrike", "twoHandStrike"] as const) {
        const base = fromPattern(name);
        const read = activity.safeParse({ ...base, aim: { ...base.aim, action } });
        if (!read.success || !heldIn(read.data)) continue;
        for (const space of rooms) {
          const told = done(read.data, home({ space: { ...space } }));
          if (told.place?.status === "none")
            expect([name, action, space.length, told.activity.aim.action]).not.toEqual([
              name,
              action,
              space.length,
              action,
            ]);
        }
      }
  });

  it("goes out with every ready activity that needs one", () => {
    const held = ready.filter((eachReady) => heldIn(eachReady.activity));
    expect(held.length).toBeGreaterThan(4);
    for (const eachReady of held) {
      const told = done(eachReady.activity, home({ space: { ...garden } }));
      if (told.activity.aim.action !== eachReady.activity.aim.action) continue;
      expect([eachReady.id, told.picks.some((pick) => pick.role === "implement")]).toEqual([eachReady.id, true]);
    }
  });
});
