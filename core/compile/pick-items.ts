import { endsOf } from "../kit/choice-search.ts";
import { choose } from "../kit/choose.ts";
import type { Choosing, Chosen, Pick } from "../kit/choosing.ts";
import type { Property } from "../kit/property.ts";
import type { Limit, Role } from "../kit/role.ts";
import { targetOf } from "./roles.ts";

export interface Picked {
  picks: Pick[];
  unmet: Chosen["unmet"];
  proved: boolean;
  /** Roles that could not be filled as asked. */
  missing: string[];
  /** The limits that were dropped for that, in order. */
  letGo: Property[];
  /** Targets at which touching counts instead of what was asked. */
  touched: string[];
  /** The number of pieces, if there are fewer of one kind than the game asks for. */
  fewer: number | null;
  /** Targets made of several items of a kind, and how many of them there are in the end. */
  fewerOf: Readonly<Record<string, number>>;
  /** Targets that nothing here can be, however the rule is changed. */
  unmetTargets: string[];
  /** True if nothing in the home can be sent in this way: it hardly moves, makes no sense, or is not safe. */
  idle: boolean;
}

/**
 * The order in which limits are dropped if a role cannot be filled: one property at a time until it can. Limits for
 * safety (softness, breaking, a grown-up's yes, the greatest weight of an object) and those of sense.ts are never
 * dropped.
 */
export const LET_GO: readonly Property[] = [
  "made",
  "handling",
  "slides",
  "runOn",
  "rebound",
  "opening",
  "gap",
  "height",
  "width",
  "mass",
  "noise",
];
/** Fewer pins than this do not make a formation. */
const FEWEST_OF_A_KIND = 3;
const forSafety = (role: Role, limit: Limit) =>
  limit.property === "mass" && limit.most !== undefined && role.use === "send";

/**
 * Chooses the items of a home for all roles. If a role cannot be filled, limits are dropped, then the way it counts,
 * then the number of pieces.
 */
export function pickItems(choosing: Choosing): Picked {
  const first = choose(choosing);
  const missingIn = (chosen: Chosen) => chosen.unmet.filter((unmet) => !unmet.optional).map((unmet) => unmet.role);
  const missing = missingIn(first);
  const out: Picked = {
    ...first,
    missing,
    letGo: [],
    touched: [],
    fewer: null,
    fewerOf: {},
    unmetTargets: [],
    idle: false,
  };
  if (missing.length === 0) return out;
  // The family's choice for such a role does not work.
  const fixed = Object.fromEntries(Object.entries(choosing.fixed ?? {}).filter(([key]) => !missing.includes(key)));
  let now: Choosing = { ...choosing, fixed };
  let got = Object.keys(choosing.fixed ?? {}).length > 0 ? choose(now) : first;
  const still = () => missingIn(got);
  const relax = (change: (role: Role) => Role) => {
    const open = still();
    now = { ...now, roles: now.roles.map((role) => (open.includes(role.id) ? change(role) : role)) };
    got = choose(now);
  };
  for (const property of LET_GO) {
    const open = still();
    const goes = (role: Role, limit: Limit) => limit.property === property && !forSafety(role, limit);
    if (!now.roles.some((role) => open.includes(role.id) && role.limits.some((limit) => goes(role, limit)))) continue;
    out.letGo.push(property);
    relax((role) => ({ ...role, limits: role.limits.filter((limit) => !goes(role, limit)) }));
  }
  const coupled = still().filter((id) =>
    choosing.couplings.some((coupling) => coupling.kind !== "differs" && endsOf(coupling)[1] === id),
  );
  if (coupled.length > 0) {
    out.touched = coupled;
    now = {
      ...now,
      couplings: now.couplings.filter(
        (coupling) => coupling.kind === "differs" || !coupled.includes(endsOf(coupling)[1]),
      ),
      roles: now.roles.map((role) => (coupled.includes(role.id) ? { ...role, upright: true } : role)),
    };
    got = choose(now);
  }
  for (
    let count = (now.roles.find((role) => role.id === "send")?.count ?? 1) - 1;
    count > 0 && still().includes("send");
    count--
  ) {
    out.fewer = count;
    now = {
      ...now,
      roles: now.roles.map((role) => (role.id === "send" || role.id === "send2" ? { ...role, count } : role)),
    };
    got = choose(now);
  }
  // Of several targets of one kind, as many as there are, but no fewer than the game needs.
  for (const role of now.roles.filter(
    (eachRole) => targetOf(eachRole.id) !== null && eachRole.count > FEWEST_OF_A_KIND,
  )) {
    for (let count = role.count - 1; count >= FEWEST_OF_A_KIND && still().includes(role.id); count--) {
      now = {
        ...now,
        roles: now.roles.map((eachRole) => (eachRole.id === role.id ? { ...eachRole, count } : eachRole)),
      };
      got = choose(now);
      if (!still().includes(role.id)) out.fewerOf = { ...out.fewerOf, [role.id]: count };
    }
  }
  // If there are more targets than items to set up, the rest become spots to roll over.
  if (still().some((id) => targetOf(id) !== null)) relax((role) => ({ ...role, upright: false }));
  const idle = still().includes("send");
  return { ...out, picks: got.picks, idle, unmetTargets: still().filter((id) => targetOf(id) !== null) };
}
