import { actionFacts } from "../aim/actions.ts";
import { layoutOf, pegRates, runsOn, sceneOf, type Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import { type Choosing, type Chosen, choose, endsOf, type Pick } from "../kit/choose.ts";
import { faceOf } from "../kit/face.ts";
import type { Floor } from "../kit/floors.ts";
import type { Item } from "../kit/item.ts";
import { thing } from "../kit/items.ts";
import { defaultStock, noKitStock, type Stock } from "../kit/stock.ts";
import type { Age } from "../measures/stature.ts";
import type { Phrase } from "../patterns/contract.ts";
import { patternOf } from "../patterns/registry.ts";
import { riseOf } from "../physics/flight.ts";
import { runDownhill, type Slope } from "../physics/rolling.ts";
import { runOnOf } from "../physics/run-on.ts";
import { slidingPointless } from "../physics/sliding.ts";
import { groundOf, type HomeAnswers, type HomeSpace } from "../records/home.ts";
import { sweeps, swingOf } from "../yard/clear.ts";
import { type Fit, findPlace, fitLayout, lacksWall, type Sent } from "../yard/fit.ts";
import { footprintOf, widthAt } from "../yard/footprint.ts";
import { scaledLaid } from "../yard/layouts/laid.ts";
import { type Part, partsOf, reachOfLayout, type Place as Spot } from "../yard/parts.ts";
import { type Placement, pointIn } from "../yard/placement.ts";
import { HELD_WITHIN, type Held, holdChallenge, scaled } from "./challenge.ts";
import { rolesOf, targetOf, targetRole, twoSets } from "./roles.ts";

/** A home as the compiling sees it. */
export type HomeFacts = HomeAnswers & { id: string; label: string };
/** A home that did not say who plays is taken to have so many. */
export const DEFAULT_PLAYERS = 2;
/** Whoever sends is taken to be so old where nobody is named, years. */
const DEFAULT_AGE = 8;
/** What slides rather than rolls stays on a slope that a ball would roll down. */
const STAYS = 20;

/** `noKit`: nothing to send was there, so it is played with what needs no kit. */
export type Status = "designed" | "adapted" | "noKit";

/** An activity made ready for one home's things and floor, for one person. */
export interface ForHome {
  activity: Activity;
  status: Status;
  picks: Pick[];
  /** What could not be met as asked, and why; what stands in is in `picks` all the same. */
  unmet: Chosen["unmet"];
  /** Two sides: each its own set, or one set in turns; null where it does not matter. */
  sets: "two" | "one" | null;
  /** What was changed and why; items in parameters are ids. */
  changes: Phrase[];
  held: Held[];
  /** Nobody said what is there: the usual things were taken. */
  guessed: boolean;
  proved: boolean;
  /** How it lies in the home's space; null where nobody told of one. */
  place: Place | null;
}

export const stockOf = (home: HomeFacts, items: readonly Item[]): Stock => home.kit ?? defaultStock(items);

/** The choosing that a home's things are put to. */
export function choosingFor(
  a: Activity,
  home: HomeFacts,
  items: readonly Item[],
  {
    fixed,
    needs = rolesOf(a, home.players ?? DEFAULT_PLAYERS),
  }: {
    fixed?: Readonly<Record<string, string>>;
    needs?: ReturnType<typeof rolesOf>;
  } = {},
): Choosing {
  const { roles, couplings } = needs;
  return {
    roles,
    couplings,
    items,
    stock: stockOf(home, items),
    floor: home.space?.floor ?? a.space.floor,
    indoors: home.space?.indoors ?? a.space.indoors,
    quiet: home.quiet,
    noBallsIndoors: home.noBallsIndoors,
    fixed,
  };
}

/** Where and how an activity lies in a home's space. */
export type Place = Omit<Fit, "parts">;

interface Picked {
  picks: Pick[];
  unmet: Chosen["unmet"];
  proved: boolean;
  /** Roles that were not met as asked. */
  missing: string[];
}
/** The things of a home for all roles; where a role cannot be met its limits are let go, then what needs no kit stands in. */
function pickThings(choosing: Choosing): Picked {
  const first = choose(choosing);
  const missing = first.unmet.filter((u) => !u.optional).map((u) => u.role);
  if (missing.length === 0) return { ...first, missing };
  const relaxed = {
    ...choosing,
    roles: choosing.roles.map((r) => (missing.includes(r.id) ? { ...r, limits: [], optional: false } : r)),
    couplings: choosing.couplings.filter((k) => k.kind === "differs" || !missing.includes(endsOf(k)[1])),
    stock: { ...noKitStock(choosing.items), ...choosing.stock },
    fixed: Object.fromEntries(Object.entries(choosing.fixed ?? {}).filter(([r]) => !missing.includes(r))),
  };
  return { picks: choose(relaxed).picks, unmet: first.unmet, proved: first.proved, missing };
}

/** What is sent in an activity, as the fitting sees it. */
export function sentOf(a: Activity, age: Age = DEFAULT_AGE, slope: Slope = "level"): Sent {
  const i = thing(a.kit, a.kit.send)!;
  const move = actionFacts[a.aim.action].travel;
  return {
    diameter: i.width,
    runOn: runsOn(a) ? runDownhill(runOnOf(i, a.space.floor, move), i.drag ?? STAYS, a.space.floor, slope) : 0,
    inAir: move === "air",
    rise: riseOf(a.aim.action, age),
    ...(sweeps(a.aim.action) && { swing: swingOf(a.aim.action, age) }),
  };
}

/** Whether a shortened layout is still as hard for this person, target by target; lines across the floor scale with the spread anyway. */
function holdsFor(a: Activity, now: Activity, who: Who): (parts: readonly Part[]) => boolean {
  const wanted = pegRates(a, who);
  const { inAir } = sceneOf(now);
  return (parts) => {
    if (!parts.some((p) => p.kind === "target")) return true;
    const rates = pegRates(now, who, { parts, inAir });
    return [...wanted].every(([id, rate]) => Math.abs((rates.get(id) ?? 0) - rate) <= HELD_WITHIN);
  };
}

/**
 * The layout of an activity in a home's space: where it lies as it is, or how much shorter it has to be. Shorter at the same challenge first; where
 * that does not do, shorter at whatever challenge is left.
 */
function fitInSpace(a: Activity, now: Activity, who: Who, space: HomeSpace): Fit {
  const [parts, ground, sent] = [layoutOf(now), groundOf(space), sentOf(now, who.age, space.slope)];
  return fitLayout(parts, ground, sent, holdsFor(a, now, who), true);
}
/** Where an activity lies in a space just as it is, or null. */
const lies = (a: Activity, space: HomeSpace, who: Who) =>
  findPlace(footprintOf(layoutOf(a), sentOf(a, who.age, space.slope)), groundOf(space));

const placeOf = ({ parts: _, ...rest }: Fit): Place => rest;
/** Rounds of shortening until it lies there, and by how much each. */
const MOST_ROUNDS = 5;
const STILL_SHORTER = 0.94;

/**
 * Makes an activity ready for a home: chooses its things, stands them in, lays it out in the home's space, and moves the pegs so that the
 * challenge for this person stays what the teacher designed. In a shorter space distances shrink and narrower things are chosen. Where
 * something cannot be met, the teacher's limits of that role are let go, then what needs no kit stands in; `unmet` keeps saying what
 * was missing. `fixed`: roles that the family has decided.
 */
export function forHome(
  a: Activity,
  who: Who,
  home: HomeFacts,
  items: readonly Item[],
  fixed?: Readonly<Record<string, string>>,
): ForHome {
  const first = onFloor(a, who, home, items, fixed);
  const { space } = home;
  if (!space?.floors?.length || !first.place?.placement) return first;
  // Another floor lies under most of the way: then it is made ready for that one.
  const floor = floorUnder(layoutOf(first.activity), first.place.placement, space);
  return floor === space.floor ? first : onFloor(a, who, { ...home, space: { ...space, floor } }, items, fixed);
}

/** Places looked at on each way, to tell what floor lies under it. */
const LOOKS = 12;
/** The floor that most of the ways to the targets (or the middle line, where there are none) lie on. */
export function floorUnder(parts: readonly Part[], at: Placement, space: HomeSpace): Floor {
  const ends: Spot[] = partsOf(parts, "target");
  const to = ends.length > 0 ? ends : [{ along: reachOfLayout(parts), across: 0 }];
  const seen = new Map<Floor, number>();
  for (const end of to)
    for (let i = 0; i <= LOOKS; i++) {
      const p = pointIn({ along: (end.along * i) / LOOKS, across: (end.across * i) / LOOKS }, at);
      const on = space.floors?.find((f) => p.x >= f.x && p.x <= f.x + f.width && p.y >= f.y && p.y <= f.y + f.depth);
      const floor = on?.floor ?? space.floor;
      seen.set(floor, (seen.get(floor) ?? 0) + 1);
    }
  return [...seen].reduce((x, y) => (y[1] > x[1] ? y : x))[0];
}

/** The same, on the floor that the space is said to have. */
function onFloor(
  a: Activity,
  who: Who,
  home: HomeFacts,
  items: readonly Item[],
  fixed?: Readonly<Record<string, string>>,
): ForHome {
  const choosing = choosingFor(a, home, items, { fixed });
  let picked = pickThings(choosing);
  let { activity: stood, swapped } = standIn(a, picked.picks, home, items, picked.missing);
  const { space } = home;
  const longest = space ? Math.max(space.length, space.width) : a.space.length;
  let fit = space && fitInSpace(a, stood, who, space);
  const scale = fit?.scale ?? 1;
  if (scale < 1) {
    // Shorter: as hard with narrower things, so those are looked for first.
    const { diameter } = sentOf(stood);
    const widths = new Map(
      partsOf(layoutOf(a), "target").map((t) => [targetRole(t.id), widthAt(scale, t.width, t.rule, diameter)]),
    );
    const roles = choosing.roles.map((r) => {
      const width = widths.get(r.id);
      return r.as && width !== undefined ? { ...r, as: { ...r.as, width } } : r;
    });
    picked = pickThings({ ...choosing, roles });
    ({ activity: stood, swapped } = standIn(a, picked.picks, home, items, picked.missing));
    stood = shorter(stood, scale);
  }
  let { activity, held } = holdChallenge(a, stood, who, scale < 1 ? Math.max(...distances(stood)) : longest);
  if (space && fit && fit.status !== "none") {
    // Holding the challenge may have taken it beyond the space, other things may be wider: then a little shorter still.
    let placement = lies(activity, space, who);
    if (!placement) {
      placement = lies(stood, space, who);
      if (placement) activity = stood;
    }
    for (let n = 0; n < MOST_ROUNDS && !placement; n++) {
      activity = shorter(activity, STILL_SHORTER);
      placement = lies(activity, space, who);
    }
    const hangs =
      placement !== null && lacksWall(footprintOf(layoutOf(activity), sentOf(activity)), groundOf(space), placement);
    fit = { ...fit, placement, noWall: hangs };
    held = heldAs(a, activity, held, who);
  }
  const changes: Phrase[] = [];
  for (const s of swapped)
    changes.push({ key: s.made ? "change.make" : "change.item", params: { item: s.item, as: s.as, name: s.name } });
  for (const u of picked.unmet)
    if (!u.optional) changes.push({ key: u.why.key, params: { ...u.why.params, item: String(u.why.params.as) } });
  if (stood.space.floor !== a.space.floor)
    changes.push({ key: "change.floor", params: { floor: stood.space.floor, was: a.space.floor } });
  const { travel, reach } = actionFacts[a.aim.action];
  const sent = thing(stood.kit, stood.kit.send)!;
  if (travel === "slide" && slidingPointless(sent.material, stood.space.floor, reach))
    changes.push({ key: "change.pointless", params: { floor: stood.space.floor } });
  if (fit?.status === "none")
    changes.push({
      key: fit.trouble === "ceiling" ? "change.ceiling" : fit.proved ? "change.tooShort" : "change.noPlace",
      params: { metres: round(fit.shortest), longest: round(fit.longest) },
    });
  else if (scale < 1) changes.push({ key: "change.shorter", params: { percent: Math.round(100 * (1 - scale)) } });
  const moved = held.filter((h) => Math.abs(h.to - h.from) >= 0.05);
  if (moved.length > 0 && scale === 1) {
    const nearer = moved.filter((h) => h.to < h.from).length;
    changes.push({
      key: nearer === moved.length ? "change.nearer" : nearer === 0 ? "change.farther" : "change.moved",
      params: {
        count: moved.length,
        metres: round(moved.reduce((s, h) => s + Math.abs(h.to - h.from), 0) / moved.length),
      },
    });
  }
  if (fit?.backstop) changes.push({ key: "change.backstop" });
  if (fit?.noWall) changes.push({ key: "change.noWall" });
  const off = held.reduce(
    (worst, h) => (Math.abs(h.after - h.wanted) > Math.abs(worst) ? h.after - h.wanted : worst),
    0,
  );
  if (Math.abs(off) > HELD_WITHIN)
    changes.push({
      key: off > 0 ? "change.easier" : "change.harder",
      params: { points: Math.round(Math.abs(off) * 100) },
    });
  const asked = twoSets(a, home.players ?? DEFAULT_PLAYERS);
  const sets = asked ? (picked.picks.some((p) => p.role === "send2") ? "two" : "one") : null;
  if (sets === "one") changes.push({ key: "change.turns" });
  return {
    activity,
    status: picked.missing.includes("send")
      ? "noKit"
      : changes.some((c) => !AS_DESIGNED.includes(c.key))
        ? "adapted"
        : "designed",
    picks: picked.picks,
    unmet: picked.unmet,
    sets,
    changes,
    held,
    guessed: home.kit === null,
    proved: picked.proved,
    place: fit && placeOf(fit),
  };
}

const distances = (a: Activity) =>
  patternOf(a.pattern.name)
    .pegs(a.pattern.params)
    .map((g) => g.distance);
/** An activity at `k` times its distances, drawn together as much sideways. */
function shorter(a: Activity, k: number): Activity {
  const at = scaled(a, k);
  return {
    ...at,
    layout: at.layout && scaledLaid(at.layout, k),
    pattern: { ...at.pattern, params: patternOf(at.pattern.name).squeeze(at.pattern.params, k) },
  } as Activity;
}
/** What was held, as it came out in the end. */
function heldAs(a: Activity, now: Activity, held: readonly Held[], who: Who): Held[] {
  const rates = pegRates(now, who);
  const to = new Map(
    patternOf(now.pattern.name)
      .pegs(now.pattern.params)
      .map((g) => [g.id, g.distance]),
  );
  const from = new Map(
    patternOf(a.pattern.name)
      .pegs(a.pattern.params)
      .map((g) => [g.id, g.distance]),
  );
  return held.map((h) => ({
    ...h,
    from: from.get(h.id) ?? h.from,
    to: to.get(h.id) ?? h.to,
    after: rates.get(h.id) ?? h.after,
  }));
}

/** What is said beside an activity that is played as it was designed. */
const AS_DESIGNED: readonly string[] = ["change.turns", "change.backstop", "change.noWall"];

const round = (m: number) => Math.round(m * 10) / 10;

/** The room that a layout may take in a home: what was planned for, or what the home has, where that is less; its floor, its roof. */
function roomFor(a: Activity, space: HomeSpace): Activity["space"] {
  return {
    length: Math.min(a.space.length, Math.max(space.length, space.width)),
    width: Math.min(a.space.width, Math.min(space.length, space.width)),
    floor: space.floor,
    indoors: space.indoors,
  };
}
/** How an activity lies in a space with the things as designed. */
export const fitAsDesigned = (a: Activity, who: Who, space: HomeSpace): Fit =>
  fitInSpace(a, { ...a, space: roomFor(a, space) }, who, space);

interface Swapped {
  item: string;
  name: string;
  as: string;
  made: boolean;
}
/** The activity with the chosen things in place of the designed ones, on the home's floor. */
function standIn(
  a: Activity,
  picks: readonly Pick[],
  home: HomeFacts,
  items: readonly Item[],
  missing: readonly string[],
): { activity: Activity; swapped: Swapped[] } {
  const known = (id: string) => items.find((i) => i.id === id) ?? thing(a.kit, id)!;
  const swapped: Swapped[] = [];
  const note = (p: Pick, as: string) => {
    if (p.item !== as) swapped.push({ item: p.item, name: known(p.item).name, as, made: p.minutes > 0 });
  };
  const pattern = patternOf(a.pattern.name);
  let params: unknown = a.pattern.params;
  const kit = { ...a.kit };
  let { layout } = a;
  const targets = new Map(
    pattern.layout(params, a.space).flatMap((t) => (t.kind === "target" ? [[t.id, t.item] as const] : [])),
  );
  // Several of one kind are numbered, so that the card can tell them apart.
  const kinds = new Map<string, string[]>();
  for (const p of picks) if (targetOf(p.role) !== null) kinds.set(p.item, [...(kinds.get(p.item) ?? []), p.role]);
  const numberOf = (p: Pick) => {
    const all = kinds.get(p.item)!;
    return all.length > 1 ? `#${all.indexOf(p.role) + 1}` : null;
  };
  for (const p of picks) {
    const target = targetOf(p.role);
    if (target !== null) {
      const as = targets.get(target) ?? "";
      if (p.item === as) continue;
      note(p, as);
      const face = faceOf(known(p.item));
      face.label = numberOf(p) ?? face.label;
      params = pattern.swapTarget(params, target, face);
      if (missing.includes(p.role)) params = pattern.touchCounts(params, target);
    } else if (p.role === "layout" && layout) {
      note(p, layout.item);
      layout = { ...layout, item: p.item };
    } else if (p.role === "send" || p.role === "marker" || p.role === "blocker") {
      note(p, a.kit[p.role]);
      kit[p.role] = p.item;
    }
  }
  const used = [kit.send, kit.marker, kit.blocker, ...picks.map((p) => p.item)];
  const mine = used.flatMap((id) => {
    const i = known(id);
    return i && i !== catalogueItem(id) ? [i] : [];
  });
  const own = [...new Map([...kit.own, ...mine].map((i) => [i.id, i])).values()];
  const space = home.space ? roomFor(a, home.space) : a.space;
  return {
    activity: { ...a, kit: { ...kit, own }, space, layout, pattern: { ...a.pattern, params } } as Activity,
    swapped,
  };
}
