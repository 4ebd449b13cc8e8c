import type { AtGate } from "../aim/performer.ts";
import type { AimOf, Gate } from "../asks/ask.ts";
import type { KindOf, Outcome } from "./kind.ts";

type Course = AimOf<"course">;
const LAP = "lap";
/** Laps that take longer than that are as one, tenths of a second: no clock of a game runs on. */
const LONGEST = 3000;
/** A time less likely than that is none. */
const LEAST = 1e-12;

/** How likely something takes each number of tenths of a second; what goes beyond the longest is in the last. */
type Law = Float64Array;
const sure = (tenths: number): Law => {
  const law = new Float64Array(LONGEST + 1);
  law[Math.min(LONGEST, tenths)] = 1;
  return law;
};
const tenths = (seconds: number) => Math.round(10 * seconds);

/** Law of `done` after any number of failures: each of these so likely, and each taking its time, before it is tried again. */
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

/** A gate that is done until it succeeds. */
const untilDone = ({ p: chance, seconds, retrieving }: AtGate): Law =>
  chance <= 0
    ? sure(LONGEST)
    : afterFailures({ p: chance, takes: tenths(seconds) }, [
        { p: 1 - chance, takes: Math.max(1, tenths(seconds + retrieving)) },
      ]);

/** A lap that starts again at every miss: back from where it was missed. */
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

/** How far from the start a gate leads: round something leads nowhere. */
const leads = (gate: Gate) => (gate.kind === "circle" ? 0 : gate.metres);

/**
 * Once through a course: it always ends, and takes the longer the more is missed. The lap counts once its last gate succeeded; then the way back to
 * the start is walked with the ball. A miss costs getting the ball back, and where the lap starts again the way back from there as well. Exact, in
 * tenths of a second.
 */
export const course: KindOf<Course> = {
  options: (aim) => [aim],
  // It has no chance that could be given: only times.
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
      // Whoever fetches walks out and back: of this only back.
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
