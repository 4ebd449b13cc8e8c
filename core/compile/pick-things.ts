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
  /** Roles that were not met as asked. */
  missing: string[];
  /** What was let go for that, in order. */
  letGo: Property[];
  /** Targets at which touching counts instead of what was asked. */
  touched: string[];
  /** Pieces, where there are not as many of one kind as the game asks for. */
  fewer: number | null;
  /** Targets that are several of one kind, and how many of them there are after all. */
  fewerOf: Readonly<Record<string, number>>;
  /** Targets that nothing here can be, however it is asked. */
  unmetTargets: string[];
  /** Nothing that is here can be sent so: it hardly moves, or it would be no sense, or not safe. */
  idle: boolean;
}

/**
 * The order in which limits are let go where a role cannot be met: one property at a time, until it can. What is there for safety (softness, breaking,
 * a grown-up's yes, the most that something sent may weigh) and what sense.ts says is never let go.
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
/** Fewer pins than this are no formation. */
const FEWEST_OF_A_KIND = 3;
const forSafety = (role: Role, limit: Limit) =>
  limit.property === "mass" && limit.most !== undefined && role.use === "send";

/** The things of a home for all roles; where a role cannot be met, limits are let go, then how it counts, then how many pieces there are. */
export function pickThings(choosing: Choosing): Picked {
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
  // What the family decided for such a role does not work.
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
  // Of several targets of one kind as many as there are, and no fewer than make a game.
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
  // Where there are more targets than things to stand up, the rest are spots that it rolls over.
  if (still().some((id) => targetOf(id) !== null)) relax((role) => ({ ...role, upright: false }));
  const idle = still().includes("send");
  return { ...out, picks: got.picks, idle, unmetTargets: still().filter((id) => targetOf(id) !== null) };
}
