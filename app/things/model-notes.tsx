import { actionFacts } from "#core/aim/actions.ts";
import { agePrior } from "#core/aim/priors.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { FLOORS, type Floor } from "#core/kit/floors.ts";
import type { Item } from "#core/kit/item.ts";
import { rampDistance, rampHeightFor } from "#core/physics/ramp.ts";
import { fetchSeconds, runOnOf, slideKeepsOf } from "#core/physics/run-on.ts";
import { slidingPointless } from "#core/physics/sliding.ts";
import { falls, speedAt, steadyFrom, waterFor } from "#core/physics/standing.ts";
import { itemName } from "../words/say.ts";
import { label } from "../words/teacher.ts";

/** What the notes are told for: a child of this age, a send of so many metres on boards. */
const AGE = 8;
const AWAY = 3;
const NEAR = 1;
/** A ramp that nobody measured is propped so high, metres, and a ball should stop so far from it. */
const PROPPED = 0.15;
const WANTED = 2;

const metres = (m: number) => `${m.toFixed(1)} m`;
const litres = (l: number) => (l < 1 ? `${Math.round(l * 1000)} ml` : `${l.toFixed(1)} l`);
const byFloor = (of: (f: Floor) => string) => FLOORS.map((f) => `${label(`floor.${f}`)} ${of(f)}`).join(", ");

interface Note {
  about: string;
  text: string;
}

/** What the plain models of the core make of a thing, in sentences: how it runs, slides, falls, tips, and what a ramp of it does. */
export function notesOf(i: Item): Note[] {
  const out: Note[] = [];
  const note = (about: string, text: string) => out.push({ about, text });
  if (i.moves.includes("ground")) {
    note("Rolled past a target", `it runs on ${byFloor((f) => metres(runOnOf(i, f, "ground")))}.`);
    const seconds = fetchSeconds(AWAY, runOnOf(i, "boards", "ground"), agePrior(AGE).walking);
    note("Fetching it", `a roll of ${AWAY} m on boards costs a child of ${AGE} about ${Math.round(seconds)} s.`);
  }
  if (i.moves.includes("air")) note("After landing", `it goes on ${byFloor((f) => metres(runOnOf(i, f, "air")))}.`);
  if (i.moves.includes("slide")) {
    const idle = FLOORS.filter((f) => slidingPointless(i.material, f, actionFacts.slide.reach));
    const where = idle.map((f) => label(`floor.${f}`)).join(", ");
    note(
      "Slid",
      `it gets, beside an easy piece, ${byFloor((f) => `${Math.round(100 * slideKeepsOf(i, f))} %`)}.${where ? ` Pointless on ${where}.` : ""}`,
    );
  }
  if (i.uses.includes("target")) {
    const ball = catalogueItem("sockBall")!;
    const speed = speedAt(ball, "underarmRoll", NEAR, "boards", AGE);
    const water = waterFor(i, ball, speed);
    const from = `a ${itemName(ball.id)} rolled from ${NEAR} m`;
    if (!falls(i, 0, ball, speed)) note("When hit", `it stays up against ${from}.`);
    else if (water.litresToStand === null) note("When hit", `it falls to ${from}.`);
    else note("When hit", `empty it falls to ${from}; with ${litres(water.litresToStand)} of water it stays up.`);
  }
  if (i.opening !== null) {
    const ball = catalogueItem("softBall")!;
    const steady = steadyFrom(i, ball, actionFacts.underarmThrow.speed);
    const caught = `when a ${itemName(ball.id)} catches its rim`;
    if (steady === 0) note("Thrown at", `it does not tip ${caught}.`);
    else if (steady === null) note("Thrown at", `it tips ${caught}.`);
    else note("Thrown at", `empty it tips ${caught}; with ${(steady * i.contents!).toFixed(1)} kg in it, it stays.`);
  }
  if (i.uses.includes("ramp")) {
    const high = rampHeightFor(WANTED, 1, "boards");
    note(
      "As a ramp",
      `propped ${Math.round(100 * PROPPED)} cm high a ball stops after ${byFloor((f) => metres(rampDistance(PROPPED, 1, f)))}. For ${WANTED} m on boards: ${Math.round(100 * high)} cm.`,
    );
  }
  return out;
}

/** The notes of one thing. */
export function ModelNotes({ item }: { item: Item }) {
  const notes = notesOf(item);
  if (notes.length === 0) return null;
  return (
    <section className="text-sm">
      <h2 className="text-base">What the model makes of it</h2>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {notes.map((n) => (
          <div key={n.about} className="contents">
            <dt className="text-quiet">{n.about}</dt>
            <dd>{n.text}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-quiet">Plain models with named assumptions: what you see at home comes first.</p>
    </section>
  );
}
