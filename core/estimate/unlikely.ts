import { below } from "../aim/normal.ts";
import { finer } from "./grid.ts";
import { posterior } from "./posterior.ts";
import type { GoSeen } from "./truth.ts";

/** A go of one child, in the order of play. */
export interface GoReported extends GoSeen {
  play: string;
}
/** A go that, together with some before it, hit more often than the child's earlier goes suggest. */
export interface Unlikely {
  play: string;
  /** How many goes were taken together, ending with this one; their tries, the hits reported, and the hits expected. */
  goes: number;
  tries: number;
  hits: number;
  expected: number;
}

/** How many of the newest goes are taken together. */
const TOGETHER = [1, 2, 4, 8] as const;
/**
 * Goes that are rarer than this among honest ones are reported. In measurements, fewer than one honest go in a
 * thousand was (unlikely.slow.test.ts).
 */
const RARE = 1.2e-3;
/**
 * If even the surest child would hit less often than this, or if the point that explains some goes best would rarely
 * hit so often, the goes say more about the setting (the object does not get there, or rolls on) than about the
 * child, and are left out. Assumptions.
 */
const CAN_HIT = 0.9;
const EXPLAINED = 0.1;
/**
 * A child may have a good day: as much better as they may become in this many weeks (5% of their spread, or 0.12 of
 * log-odds). An assumption.
 */
const GOOD_DAY = 1.5;
/** Above this many tries the normal distribution replaces the exact sum. */
const SUMMED = 1000;
/**
 * The chance of at least `hits` in goes with these tries and shares of hits. An exact sum, go by go, up to SUMMED
 * tries in all.
 */
export function atLeast(hits: number, goes: readonly { tries: number; share: number }[]): number {
  const sum = (of: (g: { tries: number; share: number }) => number) => goes.reduce((all, go) => all + of(go), 0);
  if (sum((g) => g.tries) > SUMMED) {
    const sd = Math.sqrt(sum((g) => g.tries * g.share * (1 - g.share)));
    return 1 - below(hits - 0.5 - sum((g) => g.tries * g.share), sd);
  }
  let law = [1];
  for (const { tries, share } of goes) {
    const chance = Math.min(1 - 1e-9, Math.max(1e-9, share));
    for (let i = 0; i < tries; i++) {
      law.push(0);
      for (let k = law.length - 1; k > 0; k--) law[k] = law[k]! * (1 - chance) + law[k - 1]! * chance;
      law[0]! *= 1 - chance;
    }
  }
  law = law.slice(hits);
  return law.reduce((sum, p) => sum + p, 0);
}

/**
 * The chance that some goes together hit at least as often as was reported, from what was known before them, and the
 * hits expected.
 */
function chanceOf(some: readonly GoSeen[], before: readonly GoSeen[]) {
  const { axis, age, week } = some[0]!;
  const known = posterior(axis, age, before, week + GOOD_DAY).shares;
  const goes = some.map((goSeen) => ({ tries: goSeen.tries, means: finer(goSeen.means) }));
  const hits = some.reduce((sum, goSeen) => sum + goSeen.hits, 0);
  const means = known.map((_, i) => goes.reduce((sum, go) => sum + go.means[i]!, 0));
  const expected = known.reduce((sum, w, i) => sum + w * means[i]!, 0);
  const shares = (i: number) =>
    goes.map((go) => ({ tries: go.tries, share: Math.min(1, Math.max(0, go.means[i]! / go.tries)) }));
  // Nothing that is within two standard deviations is worth the exact sum.
  const variance = known.reduce((sum, w, i) => {
    const chance = shares(i).reduce((eachSum, share) => eachSum + share.tries * share.share * (1 - share.share), 0);
    return sum + w * ((means[i]! - expected) ** 2 + chance);
  }, 0);
  if (hits <= expected + 2 * Math.sqrt(variance)) return { chance: 1, expected, hits };
  const lls = finer(some[0]!.ll.map((_, i) => some.reduce((sum, goSeen) => sum + goSeen.ll[i]!, 0)));
  if (atLeast(hits, shares(lls.indexOf(Math.max(...lls)))) < EXPLAINED) return { chance: 1, expected, hits };
  let chance = 0;
  for (const [i, weight] of known.entries()) if (weight > RARE / 1000) chance += weight * atLeast(hits, shares(i));
  return { chance, expected, hits };
}

/**
 * The goes of one child, for one action and axis, that hit more often than their earlier goes (or, without any, their
 * age) suggest: alone, or together with the one, three or seven before them. `goes`: in the order of play. `which`:
 * only these are checked. Nobody is to blame for one, because somebody may have helped, or typed it in from memory.
 * Source: the exact tail of a mixture of binomials over what is known of the child, which is the most powerful test
 * against misses reported as hits if all tries are alike.
 */
export function unlikelyOf(goes: readonly GoReported[], which: (play: string) => boolean = () => true): Unlikely[] {
  const usable = goes.filter((go) => go.tries > 0 && Math.max(0, ...go.means) >= CAN_HIT * go.tries);
  return usable.flatMap((go, i) => {
    if (!which(go.play)) return [];
    for (const n of TOGETHER.filter((n) => n <= i + 1)) {
      const some = usable.slice(i + 1 - n, i + 1);
      const { chance, expected, hits } = chanceOf(some, usable.slice(0, i + 1 - n));
      if (chance < RARE)
        return [{ play: go.play, goes: n, tries: some.reduce((sum, round) => sum + round.tries, 0), hits, expected }];
    }
    return [];
  });
}
