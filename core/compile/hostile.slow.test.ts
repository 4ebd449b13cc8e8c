import { describe, expect, it } from "vitest";
import { type Action, actionFacts, SENDS } from "../actions/actions.ts";
import { layoutOf, pegRates, sendingIn, sentIn } from "../forecast/for-activity.ts";
import { type Activity, activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { FLOORS } from "../items/floors.ts";
import { catalogue } from "../kit/catalogue.ts";
import { listOf } from "../kit/items.ts";
import { itemIn } from "../kit/known-items.ts";
import { asksAtMost, pathTo, pointless, purposeOf } from "../physics/send.ts";
import { random } from "../random.ts";
import { ceilingOf, groundOf, type HomeSpace, NOTHING_SAID } from "../records/home.ts";
import { inFull } from "../sample-size.test-utils.ts";
import { troubleOf } from "../yard/fit.reference.ts";
import { footprintOf } from "../yard/footprint.ts";
import { exampleOf } from "../yard/layouts/laid.ts";
import { partsOf } from "../yard/parts.ts";
import { ell } from "../yard/shapes.ts";
import { OBSTACLES } from "../yard/space-limits.ts";
import { inEachOther } from "./apart.ts";
import { compileFor } from "./card.ts";
import { HELD_WITHIN, withinReach } from "./challenge.ts";
import { type ForHome, forHome, type HomeFacts, sentOf } from "./for-home.ts";

const HOMES = inFull(1_000, 120);
/** And in so many, how a course and letters on a wall are laid. */
const LAID_HOMES = inFull(40, 12);
const items = listOf([]);
const cm = (metres: number) => Math.round(metres * 100) / 100;
const among = <T>(draw: () => number, list: readonly T[]): T => list[Math.floor(draw() * list.length)]!;

/** Homes unlike any that a teacher would hope for: cramped, crooked, furnished, low, rough, with next to nothing in them. */
function homeOf(draw: () => number, id: string): HomeFacts {
  const [length, width] = [cm(1.8 + draw() * 8), cm(1.1 + draw() * 4)];
  const indoors = draw() < 0.7;
  const space: HomeSpace = {
    kind: "room",
    length,
    width,
    floor: among(draw, FLOORS),
    indoors,
    ...(indoors && draw() < 0.5 && { ceiling: cm(1.7 + draw()) }),
    ...(draw() < 0.3 && { outline: ell(length, width, cm(length * 0.4), cm(width * 0.4)) }),
    ...(draw() < 0.5 && {
      obstacles: Array.from({ length: Math.floor(draw() * 8) }, () => ({
        kind: among(draw, OBSTACLES),
        x: cm(draw() * (length - 0.6)),
        y: cm(draw() * (width - 0.5)),
        width: cm(0.2 + draw() * 0.8),
        depth: cm(0.2 + draw() * 0.4),
      })),
    }),
  };
  const rich = draw();
  const kit = Object.fromEntries(
    catalogue
      .filter((item) => !item.made && draw() < item.homes * rich)
      .map((item) => [item.id, 1 + Math.floor(draw() * 4)]),
  );
  return {
    ...NOTHING_SAID,
    id,
    label: "a home",
    space: draw() < 0.9 ? space : null,
    kit,
    players: 1 + Math.floor(draw() * 3),
    quiet: draw() < 0.2,
    noBallsIndoors: draw() < 0.3,
  };
}

/** Designs that ask much: every skill, targets to touch, to hit into, through and over, courses beside, limits of the teacher's own. */
function designOf(draw: () => number): Activity {
  const action: Action = among(draw, SENDS);
  const { travel } = actionFacts[action];
  const bands = draw() < 0.25;
  const base = fromPattern(bands ? "bands" : "climb");
  const able = catalogue.filter(
    (item) => item.uses.includes("send") && item.moves.includes(travel) && item.softness > 0.3,
  );
  const send = among(draw, able).id;
  const counts = among(draw, ["touch", "touch", "into", "through", "topple"] as const);
  const thingFor = { touch: null, into: "bucket", through: "chair", topple: "bottle" }[counts];
  let params: unknown = base.pattern.params;
  if (!bands && thingFor !== null) {
    const p = structuredClone(params) as { ladder: { targets: Record<string, unknown>[] } };
    const is = catalogue.find((item) => item.id === thingFor)!;
    p.ladder.targets = p.ladder.targets.slice(0, 3).map((target) => ({
      ...target,
      item: thingFor,
      label: "",
      width: is.width,
      height: is.height,
      counts: [counts],
      ...(is.opening !== null && counts === "into" && { opening: is.opening }),
      ...(is.gap !== null && counts === "through" && { gap: is.gap }),
      ...(counts === "topple" && { weight: { mass: is.mass, contents: is.contents ?? 0, filling: 0 } }),
    }));
    params = p;
  }
  const limits =
    draw() < 0.4
      ? [
          {
            role: "send",
            limits: [
              among(draw, [
                { property: "softness", least: 0.7 },
                { property: "ask", most: 0 },
              ] as const),
              { property: "rebound" as const, least: 0.6 },
            ],
            wishes: [],
          },
        ]
      : [];
  return activity.parse({
    ...base,
    aim: { ...base.aim, action },
    kit: { ...base.kit, send, roles: limits },
    space: { ...base.space, length: 8, width: 4, indoors: draw() < 0.5 },
    pattern: { ...base.pattern, params },
    layout: !bands && draw() < 0.3 ? exampleOf(among(draw, ["slalom", "shuttle", "ramp", "goals"] as const)) : null,
  });
}

const said = (givenForHome: ForHome) => givenForHome.changes.map((change) => change.key);

describe(`${HOMES} hostile homes`, () => {
  const draw = random(4242);
  const all = Array.from({ length: HOMES }, (_, n) => {
    const home = homeOf(draw, `h${n}`);
    const design = designOf(draw);
    const age = among(draw, [5, 6, 7, 8, 10, 12]);
    return { n, home, a: design, age, told: forHome(design, { age }, home, items) };
  });
  const name = (fit: (typeof all)[number]) =>
    `${fit.n} ${fit.a.pattern.name} ${fit.a.aim.action} ${fit.a.kit.send} age ${fit.age} ${JSON.stringify(fit.home.space)} ${JSON.stringify(fit.told.changes)}`;

  it("things never stand in each other, by their real sizes", () => {
    let looked = 0;
    for (const fit of all) {
      // What a teacher drew into each other is told in the workbench; a home adds nothing to it.
      if (inEachOther(layoutOf(fit.a)).length > 0) continue;
      looked++;
      expect(inEachOther(layoutOf(fit.told.activity)), name(fit)).toEqual([]);
    }
    expect(looked).toBeGreaterThan(HOMES / 3);
  });
  it("what is laid lies in the space and clear of everything, runners with a quarter of a metre to either side", () => {
    let placed = 0;
    for (const fit of all) {
      const at = fit.told.place?.placement;
      if (!at || !fit.home.space) continue;
      placed++;
      const pieces = footprintOf(layoutOf(fit.told.activity), sentOf(fit.told.activity, fit.age));
      expect(troubleOf(pieces, groundOf(fit.home.space), at), name(fit)).toBeNull();
    }
    expect(placed).toBeGreaterThan(HOMES / 4);
  });
  it("nothing is called designed or adapted without a place; where it has none the card says so", () => {
    const why = ["change.ceiling", "change.tooShort", "change.noPlace"];
    for (const fit of all) {
      const { place } = fit.told;
      if (!place || fit.told.status === "noKit") continue;
      if (place.status !== "none") expect(place.placement, name(fit)).not.toBeNull();
      else
        expect(
          said(fit.told).filter((key) => why.includes(key)),
          name(fit),
        ).toHaveLength(1);
    }
  });
  it("nothing is asked that cannot be done: reach, ceiling, openings, gaps; and what moves hardly at all is not sent", () => {
    for (const fit of all) {
      const now = fit.told.activity;
      const sending = sendingIn(now, fit.age)!;
      const parts = layoutOf(now);
      const width = sentIn(now).width;
      const ceiling = fit.home.space ? ceilingOf(fit.home.space) : now.space.indoors ? 2.4 : null;
      expect(pointless(sending), name(fit)).toBe(false);
      for (const peg of opened(now).pegs) {
        const target = partsOf(parts, "target").find((eachTarget) => eachTarget.id === peg.id);
        const up = target && sending.travel === "air" ? target.height / 2 : 0;
        expect(peg.distance, `${peg.id} ${name(fit)}`).toBeLessThanOrEqual(asksAtMost(sending, up) + 0.06);
        if (target && sending.travel === "air" && ceiling !== null && fit.told.place?.status !== "none")
          expect(pathTo(sending, peg.distance, up, purposeOf(target.rule)).apex, name(fit)).toBeLessThanOrEqual(
            ceiling,
          );
      }
      for (const target of partsOf(parts, "target")) {
        const rules = target.rule.kind === "anyOf" ? target.rule.rules : [target.rule];
        const can = rules.some((rule) =>
          rule.kind === "into" ? rule.opening > width : rule.kind === "through" ? rule.gap > width : true,
        );
        expect(can, name(fit)).toBe(true);
      }
    }
  });
  it("how a hit counts never changes unsaid, and what is for safety is never let go", () => {
    let touched = 0;
    for (const fit of all) {
      const kinds = (givenActivity: Activity) =>
        new Map(
          partsOf(layoutOf(givenActivity), "target").map((target) => [
            target.id,
            target.rule.kind === "anyOf" ? "any" : target.rule.kind,
          ]),
        );
      const [was, now] = [kinds(fit.a), kinds(fit.told.activity)];
      const changed = [...now].filter(([id, kind]) => was.get(id) !== kind);
      if (changed.length > 0) {
        touched++;
        expect(said(fit.told), name(fit)).toContain("change.touch");
      }
      if (now.size < was.size) expect(said(fit.told), name(fit)).toContain("change.without");
      const sent = itemIn(fit.told.activity.kit, fit.told.activity.kit.send)!;
      const limits = fit.a.kit.roles.find((role) => role.role === "send")?.limits ?? [];
      for (const limit of limits) {
        if (limit.property === "softness") expect(sent.softness, name(fit)).toBeGreaterThanOrEqual(limit.least!);
        if (limit.property === "ask") expect(sent.ask, name(fit)).toBe(false);
        if (limit.property === "rebound" && sent.rebound < limit.least!)
          expect(
            fit.told.unmet.map((unmet) => unmet.role).includes("send") || said(fit.told).includes("change.action"),
            name(fit),
          ).toBe(true);
      }
      for (const pick of fit.told.picks)
        expect(catalogue.find((item) => item.id === pick.item)!.breakable, name(fit)).toBe(false);
      if (fit.told.activity.space.indoors && actionFacts[fit.told.activity.aim.action].travel === "air")
        expect(sent.softness, name(fit)).toBeGreaterThanOrEqual(0.5);
    }
    expect(touched).toBeGreaterThan(2);
  });
  it("says truly whether the challenge is held, and by how much not", () => {
    let [held, off] = [0, 0];
    for (const fit of all) {
      if (!fit.told.place) continue;
      const wanted = pegRates(withinReach(fit.a, { age: fit.age }), { age: fit.age });
      const now = pegRates(fit.told.activity, { age: fit.age });
      const worst = Math.max(0, ...[...now].map(([id, r]) => Math.abs(r - (wanted.get(id) ?? r))));
      expect(fit.told.place.off, name(fit)).toBeCloseTo(worst, 9);
      expect(fit.told.place.held, name(fit)).toBe(worst <= HELD_WITHIN);
      if (fit.told.place.held) held++;
      else off++;
    }
    expect(Math.min(held, off)).toBeGreaterThan(HOMES / 20);
  });
  it("big swings have room, or another skill is named with its reason", () => {
    for (const fit of all) {
      const now = fit.told.activity.aim.action;
      if (now !== fit.a.aim.action) {
        expect(said(fit.told), name(fit)).toContain("change.action");
        expect(fit.told.status).toBe("noKit");
      }
    }
    expect(all.some((fit) => fit.told.activity.aim.action !== fit.a.aim.action)).toBe(true);
    const also = fromPattern("climb");
    const corridor: HomeFacts = {
      ...NOTHING_SAID,
      id: "c",
      label: "",
      kit: { sock: 6, bucket: 1, box: 1 },
      space: { kind: "corridor", length: 3, width: 1.5, floor: "boards", indoors: true },
    };
    const allowed = forHome(
      { ...also, aim: { ...also.aim, action: "overarmThrow", also: ["underarmThrow"] } },
      { age: 8 },
      corridor,
      items,
    );
    expect(allowed.activity.aim.action).toBe("underarmThrow");
    expect(allowed.status).toBe("adapted");
    expect(allowed.changes[0]).toMatchObject({ key: "change.action", params: { why: "noRoom", was: "overarmThrow" } });
  });
  it("every card compiles, and counts out what it asks", () => {
    for (const fit of all.slice(0, 120)) {
      const card = compileFor({
        designed: fit.a,
        child: { age: fit.age, step: null, leftHanded: false },
        homes: [fit.home],
        items: { own: [], hidden: [] },
      });
      for (const marker of card.markers) expect(Number.isFinite(marker.reached), name(fit)).toBe(true);
    }
  });
});

describe("letters on a wall, and a course laid across a circuit", () => {
  const speller = fromPattern("speller");
  const wide = {
    ...(speller.pattern.params as object),
    card: { item: "cardboard", width: 0.5, height: 0.5 },
    cards: ["s", "t", "o", "p"].map((text, i) => ({ id: `c${i + 1}`, text, distance: 2, across: 0.73 * (i - 1.5) })),
    list: "stop, top, post",
  };
  const bases = fromPattern("bases");
  const designs = [
    speller,
    activity.parse({
      ...speller,
      space: { ...speller.space, width: 3 },
      pattern: { ...speller.pattern, params: wide },
    }),
    ...(["slalom", "shuttle", "goals"] as const).map((name) =>
      activity.parse({
        ...bases,
        pattern: { ...bases.pattern, params: { ...(bases.pattern.params as object), side: 2, stop: true } },
        layout: exampleOf(name),
      }),
    ),
  ];
  it("nothing of it lies in anything else in any home", () => {
    const draw = random(77);
    for (const [i, design] of designs.entries())
      for (let n = 0; n < LAID_HOMES; n++) {
        const home = homeOf(draw, `w${n}`);
        const told = forHome(design, { age: 8 }, home, items);
        expect(inEachOther(layoutOf(told.activity)), `${i} ${JSON.stringify(home.space)}`).toEqual([]);
      }
  });
  it("cards are cut smaller to hang side by side, and the card says how wide", () => {
    const home: HomeFacts = {
      ...NOTHING_SAID,
      id: "narrow",
      label: "a narrow room",
      kit: { sock: 6 },
      space: { kind: "room", length: 5, width: 1.3, floor: "boards", indoors: true },
    };
    const told = forHome(designs[1]!, { age: 8 }, home, items);
    const hung = partsOf(layoutOf(told.activity), "target");
    expect(Math.max(...hung.map((target) => target.width))).toBeLessThan(0.35);
    const said = opened(told.activity).setUp.find((phrase) => phrase.key === "speller.setUp.wall");
    expect(said?.params?.wide).toBe(Math.round(hung[0]!.width * 100));
  });
});
