import type { AimOf } from "../asks/ask.ts";
import type { KindOf, Outcome } from "./kind.ts";

type Course = AimOf<"course">;
/** Laps with more misses than that count as with so many. */
const MOST = 12;
const LAP = "lap";

/** How many gates are missed in a lap, by their chances: each is done until it comes off. */
function missesOf(gates: readonly { p: number }[]): number[] {
  let law = [1, ...Array<number>(MOST).fill(0)];
  for (const { p } of gates) {
    const next = Array<number>(MOST + 1).fill(0);
    for (const [have, q] of law.entries())
      for (let k = 0; k <= MOST; k++) {
        const to = Math.min(MOST, have + k);
        // The last of the list takes all that is left.
        const share = k < MOST ? p * (1 - p) ** k : (1 - p) ** k;
        next[to] = next[to]! + q * share;
      }
    law = next;
  }
  return law;
}

/**
 * Once through a course: it always ends, and takes the longer the more is missed. A gate done again takes the mean time of the gates by how often
 * they are missed; a lap that begins anew takes the mean time until the first miss. Seconds.
 */
export const course: KindOf<Course> = {
  options: (aim) => [aim],
  refs: () => ({ named: [LAP], rest: LAP, meant: LAP }),
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(aim, { person, manner }) {
    const gates = aim.gates.map((g) => person.gate(g, manner));
    const clean = gates.reduce((t, g) => t + g.seconds, 0);
    const all = gates.reduce((p, g) => p * g.p, 1);
    let through = 1;
    let spent = 0;
    let lost = 0;
    for (const g of gates) {
      spent += g.seconds;
      lost += through * (1 - g.p) * spent;
      through *= g.p;
    }
    const weight = gates.reduce((w, g) => w + (1 - g.p) / g.p, 0);
    const again = weight > 0 ? gates.reduce((t, g) => t + ((1 - g.p) / g.p) * g.seconds, 0) / weight : 0;
    const each = aim.miss === "gate" ? again : all < 1 ? lost / (1 - all) : 0;
    const law = aim.miss === "gate" ? missesOf(gates) : missesOf([{ p: Math.max(1e-6, all) }]);
    const list: Outcome[] = law.map((p, k) => ({
      ref: LAP,
      seen: { kept: true },
      p,
      under: 0,
      released: 0,
      lies: 0,
      windUp: clean + k * each,
      after: 0,
    }));
    return { list, distance: 0, across: 0 };
  },
};
