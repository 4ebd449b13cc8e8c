import { actionFacts } from "../aim/actions.ts";
import type { Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import { type Choosing, type Chosen, choose, type Pick } from "../kit/choose.ts";
import { faceOf } from "../kit/face.ts";
import type { Item } from "../kit/item.ts";
import { thing } from "../kit/items.ts";
import { defaultStock, noKitStock, type Stock } from "../kit/stock.ts";
import type { Phrase } from "../patterns/contract.ts";
import { patternOf } from "../patterns/registry.ts";
import { slidingPointless } from "../physics/sliding.ts";
import type { HomeAnswers } from "../records/home.ts";
import { HELD_WITHIN, type Held, holdChallenge } from "./challenge.ts";
import { rolesOf, targetOf, twoSets } from "./roles.ts";

/** A home as the compiling sees it. */
export type HomeFacts = HomeAnswers & { id: string; label: string };
/** A home that did not say who plays is taken to have so many. */
export const DEFAULT_PLAYERS = 2;

/** `noKit`: nothing to send was there, so it is played with what needs no kit. */
export const STATUSES = ["designed", "adapted", "noKit"] as const;
export type Status = (typeof STATUSES)[number];

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

/**
 * Makes an activity ready for a home: chooses its things, stands them in, and moves the pegs so that the challenge for this person stays
 * what the teacher designed. Where something cannot be met, the teacher's limits of that role are let go, then what needs no
 * kit stands in; `unmet` keeps saying what was missing. `fixed`: roles that the family has decided.
 */
export function forHome(
  a: Activity,
  who: Who,
  home: HomeFacts,
  items: readonly Item[],
  fixed?: Readonly<Record<string, string>>,
): ForHome {
  const choosing = choosingFor(a, home, items, { fixed });
  const first = choose(choosing);
  const missing = first.unmet.filter((u) => !u.optional).map((u) => u.role);
  let picks = first.picks;
  if (missing.length > 0) {
    const relaxed = {
      ...choosing,
      roles: choosing.roles.map((r) => (missing.includes(r.id) ? { ...r, limits: [], optional: false } : r)),
      couplings: choosing.couplings.filter(
        (k) =>
          k.kind === "differs" ||
          !missing.includes(k.kind === "enters" ? k.opening : k.kind === "passes" ? k.gap : k.pin),
      ),
      stock: { ...noKitStock(items), ...choosing.stock },
      fixed: Object.fromEntries(Object.entries(fixed ?? {}).filter(([r]) => !missing.includes(r))),
    };
    picks = choose(relaxed).picks;
  }
  const changes: Phrase[] = [];
  const { activity: stood, swapped } = standIn(a, picks, home, items, missing);
  for (const s of swapped)
    changes.push({ key: s.made ? "change.make" : "change.item", params: { item: s.item, as: s.as, name: s.name } });
  for (const u of first.unmet)
    if (!u.optional) changes.push({ key: u.why.key, params: { ...u.why.params, item: String(u.why.params.as) } });
  if (stood.space.floor !== a.space.floor)
    changes.push({ key: "change.floor", params: { floor: stood.space.floor, was: a.space.floor } });
  const { travel, reach } = actionFacts[a.aim.action];
  const sent = thing(stood.kit, stood.kit.send)!;
  if (travel === "slide" && slidingPointless(sent.material, stood.space.floor, reach))
    changes.push({ key: "change.pointless", params: { floor: stood.space.floor } });
  const longest = home.space ? Math.max(home.space.length, 0.5) : a.space.length;
  const { activity, held } = holdChallenge(a, stood, who, longest);
  const moved = held.filter((h) => Math.abs(h.to - h.from) >= 0.05);
  if (moved.length > 0) {
    const nearer = moved.filter((h) => h.to < h.from).length;
    changes.push({
      key: nearer === moved.length ? "change.nearer" : nearer === 0 ? "change.farther" : "change.moved",
      params: {
        count: moved.length,
        metres: round(moved.reduce((s, h) => s + Math.abs(h.to - h.from), 0) / moved.length),
      },
    });
  }
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
  const sets = asked ? (picks.some((p) => p.role === "send2") ? "two" : "one") : null;
  if (sets === "one") changes.push({ key: "change.turns" });
  return {
    activity,
    status: missing.includes("send") ? "noKit" : changes.some((c) => c.key !== "change.turns") ? "adapted" : "designed",
    picks,
    unmet: first.unmet,
    sets,
    changes,
    held,
    guessed: home.kit === null,
    proved: first.proved,
  };
}

const round = (m: number) => Math.round(m * 10) / 10;

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
  const space = home.space ? { ...a.space, floor: home.space.floor, indoors: home.space.indoors } : a.space;
  return { activity: { ...a, kit: { ...kit, own }, space, pattern: { ...a.pattern, params } } as Activity, swapped };
}
