import { own } from "../own.ts";
import type { Item } from "../things/item.ts";
import { type Choosing, choose, endsOf } from "./choose.ts";
import type { Property } from "./property.ts";

/** One change that would let a home in: a limit let go, a role that may be left out, or one more thing in the house. */
export type Change =
  | { kind: "limit"; role: string; property: Property }
  | { kind: "leaveOut"; role: string }
  | { kind: "thing"; item: string };

const meets = (c: Choosing) => choose(c).unmet.every((u) => u.optional);
/** Things a home might get or find are tried commonest first, at most so many. */
const MAX_TRIED = 25;

/** Every single change after which a home that could not do it can; the teacher's own first, then things to find. */
export function minimalFixes(c: Choosing): Change[] {
  const out: Change[] = [];
  const missing = choose(c).unmet.filter((u) => !u.optional);
  for (const { role } of missing) {
    const r = c.roles.find((x) => x.id === role)!;
    const limits = [...new Set(r.limits.map((l) => l.property))];
    for (const property of limits) {
      const roles = c.roles.map((x) =>
        x.id === role ? { ...x, limits: x.limits.filter((l) => l.property !== property) } : x,
      );
      if (meets({ ...c, roles })) out.push({ kind: "limit", role, property });
    }
    if (r.use === "target" && c.roles.filter((x) => x.use === "target").length > 1) {
      const roles = c.roles.filter((x) => x.id !== role);
      if (meets({ ...c, roles, couplings: c.couplings.filter((k) => !endsOf(k).includes(role)) }))
        out.push({ kind: "leaveOut", role });
    }
  }
  const wanted = new Set(missing.map((u) => c.roles.find((r) => r.id === u.role)!.use));
  const findable = c.items
    .filter((i) => !i.always && !i.made && i.uses.some((u) => wanted.has(u)))
    .sort((a: Item, b: Item) => b.homes - a.homes)
    .slice(0, MAX_TRIED);
  for (const i of findable)
    if (meets({ ...c, stock: { ...c.stock, [i.id]: (own(c.stock, i.id) ?? 0) + i.count } }))
      out.push({ kind: "thing", item: i.id });
  return out;
}
