import { apart, houseLimits, needed, type Option, senselessIn, serves, whereOf } from "./candidates.ts";
import type { Choosing, Pick, Unmet } from "./choosing.ts";
import { lengthOf } from "./implements.ts";
import { type Property, propertyOf, type Where } from "./property.ts";
import { broken, type Role } from "./role.ts";
import type { Available } from "./stock.ts";

/** Why this item was chosen for a role. */
export function whyThis(option: Option, role: Role, options: readonly Option[], at: Where): Pick["why"] {
  const { item } = option.of!;
  const { as } = role;
  const params = { item: item.id, as: as?.id ?? "" };
  if (!as || as.id === item.id) return { key: "why.designed", params };
  if (options.filter((eachOption) => eachOption.of).length === 1) return { key: "why.only", params };
  if (role.use === "send") {
    const nearSize = apart(item.width, as.width) < 0.15;
    const nearRun = Math.abs(propertyOf(item, "runOn", at)! - propertyOf(as, "runOn", at)!) < 0.25;
    if (nearSize && nearRun) return { key: "why.sizeAndRun", params };
    if (nearRun) return { key: "why.run", params };
    return { key: nearSize ? "why.size" : "why.nearest", params };
  }
  if (role.use === "implement")
    return { key: apart(lengthOf(item), lengthOf(as)) < 0.3 ? "why.long" : "why.held", params };
  if (item.opening !== null && as.opening !== null) return { key: "why.opening", params };
  return { key: apart(item.width, as.width) < 0.2 ? "why.wide" : "why.nearest", params };
}

/** Returns why no item is left for a role: none suits, too few, a limit excludes them, or others took them. */
export function whyNot(role: Role, choosing: Choosing, available: readonly Available[]): Unmet["why"] {
  const serving = available.filter((eachAvailable) => serves(eachAvailable.item, role));
  const params = { role: role.use, as: role.as?.id ?? "", count: role.count };
  if (serving.length === 0) return { key: "unmet.nothing", params };
  const allowed = serving.filter((eachAvailable) => !choosing.indoors || !eachAvailable.item.outdoorsOnly);
  if (allowed.length === 0) return { key: "unmet.outdoors", params };
  const at = whereOf(role, choosing);
  const sensible = allowed.filter(
    (eachAvailable) => senselessIn(eachAvailable.item, role, at, choosing.indoors) === null,
  );
  if (sensible.length === 0) {
    const rule = senselessIn(allowed[0]!.item, role, at, choosing.indoors)!;
    return { key: `unmet.${rule}`, params };
  }
  const limits = [...role.limits, ...houseLimits(role, choosing)];
  const within = sensible.filter((eachAvailable) => broken(eachAvailable.item, limits, at).length === 0);
  if (within.length === 0) {
    const knocked = new Map<Property, number>();
    for (const eachAvailable of sensible)
      for (const limit of broken(eachAvailable.item, limits, at))
        knocked.set(limit.property, (knocked.get(limit.property) ?? 0) + 1);
    const [worst] = [...knocked].sort((a, b) => b[1] - a[1]);
    const l = limits.find((limit) => limit.property === worst![0])!;
    return {
      key: l.least !== undefined ? "unmet.least" : "unmet.most",
      params: { ...params, property: l.property, value: l.least ?? l.most! },
    };
  }
  if (within.every((eachAvailable) => eachAvailable.most < needed(eachAvailable.item, role)))
    return { key: "unmet.few", params };
  return { key: "unmet.together", params };
}
