import type { AtGate } from "../aim/performer.ts";
import type { AimOf, Gate } from "../asks/ask.ts";
import type { KindOf, Outcome } from "./kind.ts";

type Course = AimOf<"course">;
const LAP = "lap";
/** Laps longer than this count as one, tenths of a second. No clock of a game runs longer. */
const LONGEST = 3000;
/** A time less likely than this is ignored. */
const LEAST = 1e-12;

/** The chance of each duration in tenths of a second. Anything beyond the longest is in the last entry. */
type Law = Float64Array;
const sure = (tenths: number): Law => {
  const law = new Float64Array(LONGEST + 1);
  law[Math.min(LONGEST, tenths)] = 1;
  return law;
};
const tenths = (seconds: number) => Math.round(10 * seconds);

/**
 * The distribution of the time until `done`, after any number of failures, each with its chance and its time, before
 * another attempt.
 */
function afterFailures(done: { p: number; takes: number }, failures: readonly { p: number; takes: number }[]): Law {
  const law = new Float64Array(LONGEST + 1);
  let left = 1;
  for (let t = 0; t < LONGEST; t++) {
    let chance = t === done.takes ? done.p : 0;
    for (const failure of failures)
      if (failure.takes > 0 && t >= failure.takes) chance += failure.p * law[t - failure.takes]!;
    law[t] = chance;
    left -= chance;
  }
  law[LONGEST] = Math.max(0, left);
  return law;
}
function both(givenLaw: Law, b: Law): Law {
  const law = new Float64Array(LONGEST + 1);
  const some = (of: Law) => [...of.entries()].filter(([, chance]) => chance >= LEAST);
  const others = some(b);
  for (const [i, chance] of some(givenLaw))
    for (const [k, q] of others) {
      const t = Math.min(LONGEST, i + k);
      law[t] = law[t]! + chance * q;
    }
  return law;
}

/** A gate that is repeated until it succeeds. */
const untilDone = ({ p: chance, seconds, retrieving }: AtGate): Law =>
  chance <= 0
    ? sure(LONGEST)
    : afterFailures({ p: chance, takes: tenths(seconds) }, [
        { p: 1 - chance, takes: Math.max(1, tenths(seconds + retrieving)) },
      ]);

/** A lap that starts again after every miss, from the start. */
function lapAnew(gates: readonly AtGate[], backTo: (gate: number) => number): Law {
  const failures: { p: number; takes: number }[] = [];
  let through = 1;
  let spent = 0;
  for (const [i, { p: chance, seconds, retrieving }] of gates.entries()) {
    spent += seconds;
    failures.push({ p: through * (1 - chance), takes: Math.max(1, tenths(spent + retrieving + backTo(i))) });
    through *= chance;
  }
  return through <= 0 ? sure(LONGEST) : afterFailures({ p: through, takes: tenths(spent) }, failures);
}

/** How far from the start a gate leads. A circle ends where it began. */
const leads = (gate: Gate) => (gate.kind === "circle" ? 0 : gate.metres);

/**
 * One run through a course. It always ends, and takes longer the more is missed. The lap counts once its last gate
 * succeeds; then the child walks back to the start with the ball. A miss costs the time to fetch the ball, and if the
 * lap starts again, the way back as well. Exact, in tenths of a second.
 */
export const course: KindOf<Course> = {
  options: (aim) => [aim],
  // It has no chances that could be given by hand, only times.
  refs: () => ({ named: [], rest: LAP, meant: LAP }),
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(aim, { person, manner }) {
    const gates = aim.gates.map((gate) => person.gate(gate, manner));
    const far = (upTo: number) => aim.gates.slice(0, upTo + 1).reduce((sum, gate) => sum + leads(gate), 0);
    const law =
      aim.miss === "gate" ? gates.map(untilDone).reduce(both) : lapAnew(gates, (i) => far(i) / person.walking);
    const back = far(aim.gates.length - 1);
    const list: Outcome[] = [];
    for (const [t, chance] of law.entries()) {
      if (chance < LEAST) continue;
      // A child who fetches walks out and back. This is only the way back.
      list.push({
        ref: LAP,
        seen: { kept: true },
        p: chance,
        under: 0,
        released: 0,
        lies: back / 2,
        windUp: t / 10,
        after: 0,
      });
    }
    const all = list.reduce((sum, outcome) => sum + outcome.p, 0);
    return { list: list.map((outcome) => ({ ...outcome, p: outcome.p / all })), distance: 0, across: 0 };
  },
};
