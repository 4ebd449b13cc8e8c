import { describe, expect, it } from "vitest";
import { random } from "../random.ts";
import type { Item } from "../things/item.ts";
import { catalogue } from "./catalogue.ts";
import { type Choosing, CLEARANCE, choose } from "./choose.ts";
import type { Coupling, Role } from "./role.ts";

const CASES = 10_000;
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
    const i = catalogue[Math.floor(draw() * catalogue.length)]!;
    const parts = i.made ? catalogue.filter((x) => i.made!.from.some((f) => f.item === x.id)) : [];
    for (const x of [...parts, i])
      if (
        !items.some((y) => y.id === x.id) &&
        x.uses.some((u) => (USES as readonly string[]).includes(u)) &&
        !x.outdoorsOnly
      )
        items.push({ ...x, always: false });
  }
  // What is made is mostly not lying there, and what it is made of is.
  const stock = Object.fromEntries(
    items.filter((i) => draw() < (i.made ? 0.3 : 0.8)).map((i) => [i.id, within(draw, 1, 4)]),
  );
  const n = within(draw, 2, MAX_ROLES);
  const roles = Array.from({ length: n }, (_, k): Role => {
    const use = k === 0 ? "send" : draw() < 0.7 ? "target" : USES[within(draw, 2, 3)]!;
    const fit = items.filter((i) => i.uses.includes(use));
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
  const targets = roles.filter((r) => r.use === "target");
  const couplings = targets
    .filter(() => draw() < 0.3)
    .map((t): Coupling => ({ kind: "enters", object: "r0", opening: t.id }));
  return { roles, couplings, items, stock, floor: "boards", indoors: draw() < 0.5 };
}

/** What one role costs with one thing, or without any, taken alone; Infinity where it cannot be had. */
function alone(c: Choosing, role: Role, item: string | null): number {
  const told = choose({ ...c, roles: [role], couplings: [], fixed: { [role.id]: item ?? "none of that name" } });
  return (told.picks[0]?.item ?? null) === item ? told.cost : Number.POSITIVE_INFINITY;
}

/** Whether a home has enough for all of it, ready things first. */
function enough(c: Choosing, picks: readonly (Item | null)[]): boolean {
  const wanted = new Map<string, number>();
  picks.forEach((i, k) => {
    if (i) wanted.set(i.id, (wanted.get(i.id) ?? 0) + (i.endless ? 1 : c.roles[k]!.count));
  });
  const left = new Map(Object.entries(c.stock));
  const made: [Item, number][] = [];
  for (const [id, n] of wanted) {
    const there = Math.min(n, left.get(id) ?? 0);
    left.set(id, (left.get(id) ?? 0) - there);
    if (n > there) made.push([c.items.find((i) => i.id === id)!, n - there]);
  }
  for (const [i, n] of made) {
    if (!i.made || i.made.tools.some((t) => !(c.stock[t]! > 0))) return false;
    for (const f of i.made.from) {
      const has = left.get(f.item) ?? 0;
      if (has < n * f.count) return false;
      left.set(f.item, has - n * f.count);
    }
  }
  return true;
}

/** The best of all assignments, tried one by one. */
function bestOfAll(c: Choosing): number {
  const options = c.roles.map((r) =>
    [...c.items, null]
      .map((i) => ({ i, cost: alone(c, r, i?.id ?? null) }))
      .filter((o) => o.cost < Number.POSITIVE_INFINITY),
  );
  let best = Number.POSITIVE_INFINITY;
  const walk = (k: number, picks: (Item | null)[], cost: number) => {
    if (k === c.roles.length) {
      const suits = c.couplings.every((x) => {
        if (x.kind !== "enters") return true;
        const [ball, hole] = [x.object, x.opening].map((id) => picks[c.roles.findIndex((r) => r.id === id)]);
        const side = (i: Item) => Math.min(i.opening ?? 0, i.openingDepth ?? i.opening ?? 0);
        return !ball || !hole || (hole.opening !== null && side(hole) >= ball.width + CLEARANCE);
      });
      if (suits && cost < best && enough(c, picks)) best = cost;
      return;
    }
    for (const { i, cost: more } of options[k]!) {
      const target = c.roles[k]!.use === "target";
      const alike = i && target ? picks.filter((p, m) => p?.id === i.id && c.roles[m]!.use === "target").length : 0;
      walk(k + 1, [...picks, i], cost + more + SAME * alike);
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
      const c = caseOf(draw);
      const told = choose(c);
      if (told.proved) proved++;
      if (told.picks.some((p) => p.minutes > 0)) made++;
      if (new Set(told.picks.map((p) => p.item)).size < told.picks.length) same++;
      expect(
        told.cost,
        JSON.stringify({ n, stock: c.stock, roles: c.roles.map((r) => [r.use, r.count, r.as?.id]) }),
      ).toBe(bestOfAll(c));
    }
    expect(proved).toBe(CASES);
    // The cases are such that something hangs on it.
    expect(Math.min(made, same)).toBeGreaterThan(CASES / 100);
  });
  it("owning more never makes a choice dearer", () => {
    const draw = random(5);
    for (let n = 0; n < 3000; n++) {
      const c = caseOf(draw);
      const more = { ...c.stock };
      for (const i of c.items) if (draw() < 0.5) more[i.id] = (more[i.id] ?? 0) + within(draw, 1, 3);
      const [poor, rich] = [choose(c).cost, choose({ ...c, stock: more }).cost];
      expect(rich, JSON.stringify([c.stock, more, c.roles.map((r) => [r.use, r.count, r.as?.id])])).toBeLessThanOrEqual(
        poor,
      );
    }
  });
  it("three boxes wanted: soft toys, a hat and a cushion are mixed as is cheapest, however many toys there are", () => {
    const box = catalogue.find((i) => i.id === "box")!;
    const roles = ["a", "b", "c"].map(
      (id): Role => ({ id, use: "target", move: null, count: 1, limits: [], wishes: [], as: box, optional: false }),
    );
    const cost = (stock: Record<string, number>) =>
      choose({ roles, couplings: [], items: catalogue, stock, floor: "boards", indoors: true }).cost;
    const some = { softToy: 1, hat: 1, cushion: 1 };
    expect(cost({ ...some, softToy: 3 })).toBeLessThanOrEqual(cost(some));
  });
});
