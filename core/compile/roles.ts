import { actionFacts, isSend } from "../actions/actions.ts";
import { farthestAim, layoutOf, sentIn, USUAL_AGE } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { EXTRA_OBJECTS, extraObjects } from "../kit/extra-objects.ts";
import { type ImplementUse, implementUseOf } from "../kit/implements.ts";
import { itemIn } from "../kit/known-items.ts";
import type { Coupling, Role } from "../kit/role.ts";
import type { Age } from "../measures/stature.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import { layoutNamed } from "../yard/layouts/known-layouts.ts";
import { itemsOf } from "../yard/layouts/laid.ts";
import { partsOf } from "../yard/parts.ts";

export const targetRole = (id: string): string => `target:${id}`;
export const targetOf = (role: string): string | null => (role.startsWith("target:") ? role.slice(7) : null);

/** The width of an item on which letters are written, metres. */
const WRITTEN = { property: "width", least: 0.07, most: 0.6 } as const;
const singles = (rule: HitRule) => (rule.kind === "anyOf" ? rule.rules : [rule]);

/** How an activity uses the implement that is held to strike, push or carry. Null if there is none. */
export const heldIn = (a: Pick<Activity, "aim" | "kit">): ImplementUse | null =>
  implementUseOf(a.aim.action, a.kit.implement !== null);

/**
 * What a game needs, by role, and which items must suit each other. `players`: how many people in the home may play.
 */
export function rolesOf(
  activity: Activity,
  players: number,
  age: Age = USUAL_AGE,
): { roles: Role[]; couplings: Coupling[] } {
  const parts = layoutOf(activity);
  const { needs } = opened(activity);
  const asked = (id: string) => {
    const words = activity.kit.roles.find((role) => role.role === id);
    return { limits: words?.limits ?? [], wishes: words?.wishes ?? [] };
  };
  const move = actionFacts[activity.aim.action].travel;
  const sent = sentIn(activity);
  const from = partsOf(parts, "line").find((line) => line.role === "start")?.along ?? 0;
  const send: Role = {
    id: "send",
    use: "send",
    move,
    count: needs.pieces,
    ...(isSend(activity.aim.action)
      ? { sends: { action: activity.aim.action, age, metres: farthestAim(activity, parts) } }
      : { carried: true as const }),
    ...asked("send"),
    as: sent,
    optional: false,
  };
  const roles: Role[] = needs.pieces > 0 ? [send] : [];
  const couplings: Coupling[] = [];
  if (twoSets(activity, players)) {
    roles.push({ ...send, id: "send2", optional: true });
    couplings.push({ kind: "differs", a: "send", b: "send2" });
  }
  const more = extraObjects(activity).map(
    (id, i): Role => ({
      ...send,
      id: EXTRA_OBJECTS[i]!,
      ...asked(EXTRA_OBJECTS[i]!),
      as: itemIn(activity.kit, id) ?? null,
      optional: true,
    }),
  );
  roles.push(...more);
  const sending = [send, ...more];
  // Each must be another item.
  for (const [i, role] of sending.entries())
    for (const eachRole of sending.slice(i + 1)) couplings.push({ kind: "differs", a: role.id, b: eachRole.id });
  const targets = partsOf(parts, "target");
  const groups = new Map<string, typeof targets>();
  for (const target of targets)
    groups.set(target.group ?? target.id, [...(groups.get(target.group ?? target.id) ?? []), target]);
  for (const [name, all] of groups) {
    const target = all.reduce((eachTarget, aim) => (aim.along > eachTarget.along ? aim : eachTarget));
    const id = targetRole(name);
    const known = itemIn(activity.kit, target.item);
    const as = known ? { ...known, width: target.width, height: target.height } : null;
    const rules = singles(target.rule);
    const upright = rules.every((rule) => rule.kind === "touch" || rule.kind === "topple" || rule.kind === "through");
    const { limits, wishes } = asked(id);
    // An item with a letter must be suitable for writing on, and readable from the line.
    const signed = all.some((eachTarget) => eachTarget.sign !== undefined);
    const may = signed ? [...limits, WRITTEN] : limits;
    const use = signed ? "letters" : "target";
    roles.push({
      id,
      use,
      move,
      count: all.length,
      upright: upright && !signed,
      limits: may,
      wishes,
      as,
      optional: false,
    });
    if (rules.some((rule) => rule.kind === "touch")) continue;
    const [r] = rules;
    for (const { id: object } of sending) {
      if (r!.kind === "into") couplings.push({ kind: "enters", object, opening: id });
      else if (r!.kind === "through") couplings.push({ kind: "passes", object, gap: id });
    }
    if (r!.kind === "into" || r!.kind === "through") continue;
    if (r!.kind === "topple")
      couplings.push({
        kind: "topples",
        object: "send",
        pin: id,
        filling: r!.filling ?? 0,
        sends: { action: activity.aim.action, age, metres: target.along - from },
      });
  }
  const held = heldIn(activity);
  if (held)
    roles.push({
      id: "implement",
      use: "implement",
      move: null,
      count: 1,
      held,
      ...asked("implement"),
      as: itemIn(activity.kit, activity.kit.implement ?? held.usual) ?? null,
      optional: false,
    });
  const stands = activity.layout && layoutNamed(activity.layout.name).item;
  if (activity.layout && stands)
    roles.push({
      id: "layout",
      use: stands.use,
      move: null,
      count: itemsOf(activity.layout),
      ...asked("layout"),
      as: itemIn(activity.kit, activity.layout.item) ?? null,
      optional: false,
    });
  if (activity.ramp)
    roles.push({
      id: "ramp",
      use: "ramp",
      move: null,
      count: 1,
      ...asked("ramp"),
      as: itemIn(activity.kit, "cardboard") ?? null,
      optional: false,
    });
  const marker = itemIn(activity.kit, activity.kit.marker) ?? null;
  const lines = partsOf(parts, "line").length;
  roles.push({
    id: "marker",
    use: "marker",
    move: null,
    count: lines,
    ...asked("marker"),
    as: marker,
    optional: false,
  });
  if (needs.blocker) {
    const as = itemIn(activity.kit, activity.kit.blocker) ?? null;
    roles.push({ id: "blocker", use: "blocker", move: null, count: 1, ...asked("blocker"), as, optional: true });
  }
  return { roles, couplings };
}

/** True if two sides need items that can be told apart. */
export function twoSets(activity: Activity, players: number): boolean {
  const { apart } = opened(activity).needs;
  return apart && players >= 2 && activity.players.most >= 2 && activity.players.modes.includes("against");
}
