import { type Phrase, type Role, WIDER } from "../contract/contract.ts";
import { fieldOf, setTo } from "../contract/range.ts";
import { lineRange, standingKnobs, TARGETS_FIELD } from "../contract/standing.ts";
import type { Activity } from "../formats/activity.ts";
import { adjusted } from "../formats/change.ts";
import { opened } from "../formats/opened.ts";
import { itemIn } from "../kit/known-items.ts";

/** The same goal with help: an accommodation. Another goal: a modification. More of the same: an extension. */
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

/** A line of one's own is this much nearer or farther back, metres. A bell rings later by a factor. */
const NEARER = 0.75;
const LONGER = 1.5;
/** The share of the targets that is left. */
const FEWER = 0.6;
/** Falls slowly, for a child who needs time to catch it or get under it. */
const SLOW = "balloon";

export interface Supported {
  activity: Activity;
  /** How the child plays. Null: like everybody. */
  self: Omit<Role, "role"> | null;
  /** What the card says. It does not name the support. */
  notes: Phrase[];
  /** The supports that this activity has a use for. */
  fits: Support[];
}

/**
 * What one kind of support changes in an activity. Null: the activity has no use for it. Nothing is said about the
 * child.
 */
const EFFECT: Record<
  Support,
  (activity: Activity) => { activity?: Activity; self?: Omit<Role, "role">; note?: string } | null
> = {
  nearer: (activity) => (canMove(activity) ? { self: { nearer: Math.min(NEARER, canMove(activity)!.most) } } : null),
  farther: (activity) => (canMove(activity) ? { self: { nearer: -NEARER } } : null),
  seated: (activity) => (asksAlone(activity) ? { self: { posture: "sitting" } } : null),
  otherHand: (activity) => (asksAlone(activity) ? { self: { otherHand: true } } : null),
  bigger: (activity) =>
    opened(activity).probes.some((probe) => probe.ask.kind === "send" && probe.ask.aim.kind === "any")
      ? { self: { wider: WIDER } }
      : null,
  bounce: (activity) => {
    const game = { params: activity.pattern.params, match: activity.match };
    const off = opened(activity)
      .familyKnobs()
      .filter(
        (familyKnob) =>
          familyKnob.kind === "toggle" &&
          familyKnob.path[familyKnob.path.length - 1] === "bounce" &&
          setTo(familyKnob, game) === false,
      );
    return off.length > 0
      ? {
          activity: adjusted(
            activity,
            off.map((knob) => ({ field: fieldOf(knob), value: true })),
          ),
        }
      : null;
  },
  fewer: (activity) => {
    const knob = standingKnobs(opened(activity).pattern, activity.pattern.params).find(
      (standingKnob) => fieldOf(standingKnob) === TARGETS_FIELD,
    );
    if (knob?.kind !== "number") return null;
    const value = Math.max(knob.least, Math.ceil(FEWER * knob.most));
    return value < knob.most ? { activity: adjusted(activity, [{ field: TARGETS_FIELD, value }]) } : null;
  },
  twoHands: (activity) => (asksAlone(activity) ? { note: "support.twoHands" } : null),
  moreTime: (activity) =>
    activity.match.seconds === null
      ? null
      : {
          activity: {
            ...activity,
            match: { ...activity.match, seconds: Math.min(1800, Math.round(LONGER * activity.match.seconds)) },
          },
        },
  slower: (activity) => {
    const is = itemIn(activity.kit, SLOW);
    const now = itemIn(activity.kit, activity.kit.send);
    const can = is && now && is.id !== now.id && now.moves.includes("air") && opened(activity).needs.pieces > 0;
    return can ? { activity: { ...activity, kit: { ...activity.kit, send: SLOW } } } : null;
  },
  placeIn: (activity) =>
    opened(activity).parts.some((part) => part.kind === "target") ? { note: "support.placeIn" } : null,
  holdStill: () => ({ note: "support.holdStill" }),
  rollAlong: (activity) =>
    activity.aim.action === "underarmRoll" || activity.aim.action === "slide" ? { note: "support.rollAlong" } : null,
  withPartner: () => ({ note: "support.withPartner" }),
  callFirst: (activity) => (opened(activity).pegs.length > 1 ? { note: "support.callFirst" } : null),
};
const canMove = (activity: Activity) => {
  const range = lineRange(opened(activity).pattern, activity.pattern.params);
  return range && range.most > 0 ? range : null;
};
const asksAlone = (activity: Activity) => opened(activity).probes.length > 0;

/** An activity with the support that one child needs: each kind that it has a use for, in the order of the list. */
export function supported(givenActivity: Activity, ids: readonly Support[]): Supported {
  let activity = givenActivity;
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
