import { describe, expect, it } from "vitest";
import type { Item } from "../items/item.ts";
import { random } from "../random.ts";
import { inFull } from "../sample-size.test-utils.ts";
import { catalogue } from "./catalogue.ts";
import { CLEARANCE } from "./choice-search.ts";
import { choose } from "./choose.ts";
import type { Choosing } from "./choosing.ts";
import type { Coupling, Role } from "./role.ts";

const CASES = inFull(10_000, 1_500);
/** As many things and roles as can be tried all ways. */
const MAX_THINGS = 7;
const MAX_ROLES = 4;
/** What a further target of the same kind costs, in the units that `choose` answers in. */
const SAME = 3000;

const USES = ["send", "target", "marker", "blocker"] as const;
const within = (draw: () => number, lo: number, hi: number) => lo + Math.floor(draw() * (hi - lo + 1));

/** A home with a few things, a game with a few roles, and maybe a coupling. */
function caseOf(draw: () => number): Choosing {
  const items: Item[] = [];
  while (items.length < MAX_THINGS) {
    const item = catalogue[Math.floor(draw() * catalogue.length)]!;
    const parts = item.made
      ? catalogue.filter((eachItem) => item.made!.from.some((need) => need.item === eachItem.id))
      : [];
    for (const eachItem of [...parts, item])
      if (
        !items.some((entry) => entry.id === eachItem.id) &&
        eachItem.uses.some((use) => (USES as readonly string[]).includes(use)) &&
        !eachItem.outdoorsOnly
      )
        items.push({ ...eachItem, always: false });
  }
  // What is made is mostly not lying there, and what it is made of is.
  const stock = Object.fromEntries(
    items.filter((item) => draw() < (item.made ? 0.3 : 0.8)).map((item) => [item.id, within(draw, 1, 4)]),
  );
  const count = within(draw, 2, MAX_ROLES);
  const roles = Array.from({ length: count }, (_, k): Role => {
    const use = k === 0 ? "send" : draw() < 0.7 ? "target" : USES[within(draw, 2, 3)]!;
    const fit = items.filter((item) => item.uses.includes(use));
    return {
      id: `r${k}`,
      use,
      move: use === "send" ? "ground" : null,
      count: use === "target" ? 1 : within(draw, 1, 3),
      limits: draw() < 0.3 ? [{ property: "width", most: 0.05 + 0.4 * draw() }] : [],
      wishes: draw() < 0.3 ? [{ property: "mass", toward: draw(), weight: 1 }] : [],
      as: fit.length > 0 && draw() < 0.8 ? fit[Math.floor(draw() * fit.length)]! : null,
      optional: k > 0 && draw() < 0.2,
    };
  });
  const targets = roles.filter((role) => role.use === "target");
  const couplings = targets
    .filter(() => draw() < 0.3)
    .map((target): Coupling => ({ kind: "enters", object: "r0", opening: target.id }));
  return { roles, couplings, items, stock, floor: "boards", indoors: draw() < 0.5 };
}

/** What one role costs with one thing, or without any, taken alone; Infinity where it cannot be had. */
function alone(choosing: Choosing, role: Role, item: string | null): number {
  const told = choose({ ...choosing, roles: [role], couplings: [], fixed: { [role.id]: item ?? "none of that name" } });
  return (told.picks[0]?.item ?? null) === item ? told.cost : Number.POSITIVE_INFINITY;
}

/** Whether a home has enough for all of it, ready things first. */
function enough(choosing: Choosing, picks: readonly (Item | null)[]): boolean {
  const wanted = new Map<string, number>();
  picks.forEach((pick, k) => {
    if (pick) wanted.set(pick.id, (wanted.get(pick.id) ?? 0) + (pick.endless ? 1 : choosing.roles[k]!.count));
  });
  const left = new Map(Object.entries(choosing.stock));
  const made: [Item, number][] = [];
  for (const [id, count] of wanted) {
    const there = Math.min(count, left.get(id) ?? 0);
    left.set(id, (left.get(id) ?? 0) - there);
    if (count > there) made.push([choosing.items.find((item) => item.id === id)!, count - there]);
  }
  for (const [item, count] of made) {
    if (!item.made || item.made.tools.some((tool) => !(choosing.stock[tool]! > 0))) return false;
    for (const need of item.made.from) {
      const has = left.get(need.item) ?? 0;
      if (has < count * need.count) return false;
      left.set(need.item, has - count * need.count);
    }
  }
  return true;
}

/** The best of all assignments, tried one by one. */
function bestOfAll(choosing: Choosing): number {
  const options = choosing.roles.map((role) =>
    [...choosing.items, null]
      .map((item) => ({ i: item, cost: alone(choosing, role, item?.id ?? null) }))
      .filter((o) => o.cost < Number.POSITIVE_INFINITY),
  );
  let best = Number.POSITIVE_INFINITY;
  const walk = (k: number, picks: (Item | null)[], cost: number) => {
    if (k === choosing.roles.length) {
      const suits = choosing.couplings.every((coupling) => {
        if (coupling.kind !== "enters") return true;
        const [ball, hole] = [coupling.object, coupling.opening].map(
          (id) => picks[choosing.roles.findIndex((role) => role.id === id)],
        );
        const side = (item: Item) => Math.min(item.opening ?? 0, item.openingDepth ?? item.opening ?? 0);
        return !ball || !hole || (hole.opening !== null && side(hole) >= ball.width + CLEARANCE);
      });
      if (suits && cost < best && enough(choosing, picks)) best = cost;
      return;
    }
    for (const { i: item, cost: more } of options[k]!) {
      const target = choosing.roles[k]!.use === "target";
      const alike =
        item && target
          ? picks.filter((pick, m) => pick?.id === item.id && choosing.roles[m]!.use === "target").length
          : 0;
      walk(k + 1, [...picks, item], cost + more + SAME * alike);
    }
  };
  walk(0, [], 0);
  return best;
}

describe("choosing, against all there is to choose", () => {
  it(`is the best of all assignments in ${CASES} small cases, wherever it says so`, () => {
    const draw = random(77);
    let [proved, made, same] = [0, 0, 0];
    for (let n = 0; n < CASES; n++) {
      const choosing = caseOf(draw);
      const told = choose(choosing);
      if (told.proved) proved++;
      if (told.picks.some((pick) => pick.minutes > 0)) made++;
      if (new Set(told.picks.map((pick) => pick.item)).size < told.picks.length) same++;
      expect(
        told.cost,
        JSON.stringify({
          n,
          stock: choosing.stock,
          roles: choosing.roles.map((role) => [role.use, role.count, role.as?.id]),
        }),
      ).toBe(bestOfAll(choosing));
    }
    expect(proved).toBe(CASES);
    // The cases are such that something depends on it.
    expect(Math.min(made, same)).toBeGreaterThan(CASES / 100);
  });
  it("owning more never makes a choice dearer", () => {
    const draw = random(5);
    for (let n = 0; n < 3000; n++) {
      const choosing = caseOf(draw);
      const more = { ...choosing.stock };
      for (const item of choosing.items) if (draw() < 0.5) more[item.id] = (more[item.id] ?? 0) + within(draw, 1, 3);
      const [poor, rich] = [choose(choosing).cost, choose({ ...choosing, stock: more }).cost];
      expect(
        rich,
        JSON.stringify([choosing.stock, more, choosing.roles.map((role) => [role.use, role.count, role.as?.id])]),
      ).toBeLessThanOrEqual(poor);
    }
  });
  it("three boxes wanted: soft toys, a hat and a cushion are mixed as is cheapest, however many toys there are", () => {
    const box = catalogue.find((item) => item.id === "box")!;
    const roles = ["a", "b", "c"].map(
      (id): Role => ({ id, use: "target", move: null, count: 1, limits: [], wishes: [], as: box, optional: false }),
    );
    const cost = (stock: Record<string, number>) =>
      choose({ roles, couplings: [], items: catalogue, stock, floor: "boards", indoors: true }).cost;
    const some = { softToy: 1, hat: 1, cushion: 1 };
    expect(cost({ ...some, softToy: 3 })).toBeLessThanOrEqual(cost(some));
  });
});
