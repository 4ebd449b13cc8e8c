import { type Phrase, type Role, WIDER } from "../contract/contract.ts";
import { fieldOf, setTo } from "../contract/range.ts";
import { lineRange, standingKnobs, TARGETS_FIELD } from "../contract/standing.ts";
import type { Activity } from "../formats/activity.ts";
import { adjusted } from "../formats/change.ts";
import { opened } from "../formats/opened.ts";
import { thing } from "../kit/items.ts";

/** The same goal with help: an accommodation. Another goal: a modification. More of it: an extension. */
export const SUPPORT_KINDS = ["accommodation", "modification", "extension"] as const;
export const SUPPORTS = {
  nearer: "accommodation",
  seated: "accommodation",
  bigger: "accommodation",
  bounce: "accommodation",
  fewer: "accommodation",
  twoHands: "accommodation",
  moreTime: "accommodation",
  slower: "accommodation",
  placeIn: "modification",
  holdStill: "modification",
  rollAlong: "modification",
  withPartner: "modification",
  farther: "extension",
  otherHand: "extension",
  callFirst: "extension",
} as const satisfies Record<string, (typeof SUPPORT_KINDS)[number]>;
export type Support = keyof typeof SUPPORTS;
export const SUPPORT_IDS = Object.keys(SUPPORTS) as Support[];

/** A line of one's own is so much nearer, or farther back, metres; a bell comes so many times as late. */
const NEARER = 0.75;
const LONGER = 1.5;
/** So many of the targets are left, as a share. */
const FEWER = 0.6;
/** What falls slowly, for whoever needs time to catch it or get under it. */
const SLOW = "balloon";

export interface Supported {
  activity: Activity;
  /** How the child itself plays, beside its turns; null: as everybody. */
  self: Omit<Role, "role"> | null;
  /** What its card says, without a name for it. */
  notes: Phrase[];
  /** Those that this activity has a use for. */
  fits: Support[];
}

/** What one kind of support makes of an activity; null: it has no use for it. Nothing about the child itself is said. */
const EFFECT: Record<
  Support,
  (a: Activity) => { activity?: Activity; self?: Omit<Role, "role">; note?: string } | null
> = {
  nearer: (a) => (canMove(a) ? { self: { nearer: Math.min(NEARER, canMove(a)!.most) } } : null),
  farther: (a) => (canMove(a) ? { self: { nearer: -NEARER } } : null),
  seated: (a) => (asksAlone(a) ? { self: { posture: "sitting" } } : null),
  otherHand: (a) => (asksAlone(a) ? { self: { otherHand: true } } : null),
  bigger: (a) =>
    opened(a).probes.some((p) => p.ask.kind === "send" && p.ask.aim.kind === "any") ? { self: { wider: WIDER } } : null,
  bounce: (a) => {
    const game = { params: a.pattern.params, match: a.match };
    const off = opened(a)
      .familyKnobs()
      .filter((k) => k.kind === "toggle" && k.path[k.path.length - 1] === "bounce" && setTo(k, game) === false);
    return off.length > 0
      ? {
          activity: adjusted(
            a,
            off.map((k) => ({ field: fieldOf(k), value: true })),
          ),
        }
      : null;
  },
  fewer: (a) => {
    const knob = standingKnobs(opened(a).pattern, a.pattern.params).find((k) => fieldOf(k) === TARGETS_FIELD);
    if (knob?.kind !== "number") return null;
    const value = Math.max(knob.least, Math.ceil(FEWER * knob.most));
    return value < knob.most ? { activity: adjusted(a, [{ field: TARGETS_FIELD, value }]) } : null;
  },
  twoHands: (a) => (asksAlone(a) ? { note: "support.twoHands" } : null),
  moreTime: (a) =>
    a.match.seconds === null
      ? null
      : { activity: { ...a, match: { ...a.match, seconds: Math.min(1800, Math.round(LONGER * a.match.seconds)) } } },
  slower: (a) => {
    const is = thing(a.kit, SLOW);
    const now = thing(a.kit, a.kit.send);
    const can = is && now && is.id !== now.id && now.moves.includes("air") && opened(a).needs.pieces > 0;
    return can ? { activity: { ...a, kit: { ...a.kit, send: SLOW } } } : null;
  },
  placeIn: (a) => (opened(a).parts.some((p) => p.kind === "target") ? { note: "support.placeIn" } : null),
  holdStill: () => ({ note: "support.holdStill" }),
  rollAlong: (a) =>
    a.aim.action === "underarmRoll" || a.aim.action === "slide" ? { note: "support.rollAlong" } : null,
  withPartner: () => ({ note: "support.withPartner" }),
  callFirst: (a) => (opened(a).pegs.length > 1 ? { note: "support.callFirst" } : null),
};
const canMove = (a: Activity) => {
  const range = lineRange(opened(a).pattern, a.pattern.params);
  return range && range.most > 0 ? range : null;
};
const asksAlone = (a: Activity) => opened(a).probes.length > 0;

/** An activity with what one child needs: each support that it has a use for, in the order of the list. */
export function supported(a: Activity, ids: readonly Support[]): Supported {
  let activity = a;
  let self: Omit<Role, "role"> | null = null;
  const notes: Phrase[] = [];
  const fits: Support[] = [];
  for (const id of SUPPORT_IDS) {
    if (!ids.includes(id)) continue;
    const is = EFFECT[id](activity);
    if (!is) continue;
    fits.push(id);
    if (is.activity) activity = is.activity;
    if (is.self) self = { ...(self ?? {}), ...is.self };
    if (is.note) notes.push({ key: is.note });
  }
  return { activity, self, notes, fits };
}
