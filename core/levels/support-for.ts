import { shifted } from "../compile/challenge.ts";
import { SUPPORTS, type Support, type Supported, supported } from "../compile/support.ts";
import { type Role, WIDER } from "../contract/contract.ts";
import type { Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { rateIn } from "./rate-in.ts";

type Self = Omit<Role, "role">;
/** The effect of support on one child in one activity. */
export interface SupportFor extends Supported {
  /** The share of attempts that count, 0 to 1, without support and with it. Null if nothing has a chance. */
  before: number | null;
  after: number | null;
  /**
   * True if the game with support is as hard as before, within HOLDS, or easier. False: nothing that may move makes
   * it right for this child.
   */
  held: boolean;
  /** How much nearer everything stands for that, metres. */
  nearer: number;
}

/** With support, the share must stay within this of the original. */
export const HOLDS = 0.05;
/** Nothing is moved nearer than this, metres; and the number of halvings in the search. */
const NEAREST = 0.4;
const HALVINGS = 7;
/** How much wider targets may become if moving nearer is not enough. */
const WIDTHS = [1, 1.25, WIDER] as const;

const withSelf = (self: Self | null, more: Self | null): Self | null => (self || more ? { ...self, ...more } : null);

/**
 * An activity with what one child needs, at its original challenge. If support makes it harder (sitting, a slower
 * object), everything moves nearer and then targets become wider, until the share of attempts that count is back. An
 * extension is meant to be harder and is left as it is.
 */
export function supportFor(
  givenActivity: Activity,
  ids: readonly Support[],
  who: Who,
  self: Self | null = null,
): SupportFor {
  const s = supported(givenActivity, ids);
  const before = rateIn(givenActivity, who, self);
  const first = rateIn(s.activity, who, withSelf(self, s.self));
  const plain = { ...s, before, after: first, held: true, nearer: 0 };
  if (before === null || first === null) return plain;
  if (s.fits.some((id) => SUPPORTS[id] === "extension") || first >= before - HOLDS) return plain;
  const nearest = Math.min(...opened(s.activity).pegs.map((peg) => peg.distance));
  const most = Math.max(0, nearest - NEAREST);
  const wide = opened(s.activity).probes.some((probe) => probe.ask.kind === "send" && probe.ask.aim.kind === "any");
  let best = plain;
  for (const width of wide ? WIDTHS : [1]) {
    const own = withSelf(s.self, width === 1 || (s.self?.wider ?? 1) >= width ? null : { wider: width });
    const at = (by: number) => {
      const activity = by === 0 ? s.activity : shifted(s.activity, -by);
      return { activity, after: rateIn(activity, who, withSelf(self, own)) ?? 0 };
    };
    // The smallest move that is enough. Nearer is always easier.
    let [lo, hi] = [0, most];
    let found = at(hi);
    if (found.after >= before - HOLDS)
      for (let i = 0; i < HALVINGS; i++) {
        const mid = (lo + hi) / 2;
        const here = at(mid);
        if (here.after >= before - HOLDS / 2) [hi, found] = [mid, here];
        else lo = mid;
      }
    const after = found.after;
    if (after > (best.after ?? 0) + 1e-9)
      best = { ...s, activity: found.activity, self: own, before, after, nearer: hi, held: true };
    if (after >= before - HOLDS) return best;
  }
  return { ...best, held: false };
}
