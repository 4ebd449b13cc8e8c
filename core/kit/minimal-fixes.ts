import type { Item } from "../items/item.ts";
import { own } from "../own.ts";
import { endsOf } from "./choice-search.ts";
import { choose } from "./choose.ts";
import type { Choosing } from "./choosing.ts";
import type { Property } from "./property.ts";

/** One change that would make a home ready: a limit dropped, a role left out, or one more item found in the house. */
export type Change =
  | { kind: "limit"; role: string; property: Property }
  | { kind: "leaveOut"; role: string }
  | { kind: "item"; item: string };

const meets = (choosing: Choosing) => choose(choosing).unmet.every((unmet) => unmet.optional);
/** The most items to look for that are tried, commonest first. */
const MAX_TRIED = 25;

/**
 * Every single change after which a home that was not ready is: the teacher's own changes first, then items to find.
 */
export function minimalFixes(choosing: Choosing): Change[] {
  const out: Change[] = [];
  const missing = choose(choosing).unmet.filter((unmet) => !unmet.optional);
  for (const { role } of missing) {
    const r = choosing.roles.find((eachRole) => eachRole.id === role)!;
    const limits = [...new Set(r.limits.map((limit) => limit.property))];
    for (const property of limits) {
      const roles = choosing.roles.map((eachRole) =>
        eachRole.id === role
          ? { ...eachRole, limits: eachRole.limits.filter((limit) => limit.property !== property) }
          : eachRole,
      );
      if (meets({ ...choosing, roles })) out.push({ kind: "limit", role, property });
    }
    if (r.use === "target" && choosing.roles.filter((eachRole) => eachRole.use === "target").length > 1) {
      const roles = choosing.roles.filter((eachRole) => eachRole.id !== role);
      if (
        meets({
          ...choosing,
          roles,
          couplings: choosing.couplings.filter((coupling) => !endsOf(coupling).includes(role)),
        })
      )
        out.push({ kind: "leaveOut", role });
    }
  }
  const wanted = new Set(missing.map((unmet) => choosing.roles.find((role) => role.id === unmet.role)!.use));
  const findable = choosing.items
    .filter((item) => !item.always && !item.made && item.uses.some((use) => wanted.has(use)))
    .sort((a: Item, b: Item) => b.homes - a.homes)
    .slice(0, MAX_TRIED);
  for (const item of findable)
    if (
      meets({ ...choosing, stock: { ...choosing.stock, [item.id]: (own(choosing.stock, item.id) ?? 0) + item.count } })
    )
      out.push({ kind: "item", item: item.id });
  return out;
}
