import type { Action } from "#core/actions/actions.ts";
import { agePrior } from "#core/aim/priors.ts";
import { FLOORS, type Floor } from "#core/items/floors.ts";
import type { Item } from "#core/items/item.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { ballSlows } from "#core/physics/floor.ts";
import { fetchSeconds } from "#core/physics/landing.ts";
import { rampDistance, rampHeightFor } from "#core/physics/ramp.ts";
import { comesBack, farthest, pointless, runsOn, sendingOf } from "#core/physics/send.ts";
import { falls, steadyFrom, waterFor } from "#core/physics/standing.ts";
import { itemName } from "#words/say.ts";
import { label } from "#words/teacher.ts";

/** What the notes are told for: a child of this age, a send of so many metres on boards. */
const AGE = 8;
const AWAY = 3;
const NEAR = 1;
const THROWN = 4;
/** A ramp that nobody measured is propped so high, metres, and a ball should stop so far from it. */
const PROPPED = 0.15;
const WANTED = 2;

const metres = (givenMetres: number) => `${givenMetres.toFixed(1)} m`;
const litres = (l: number) => (l < 1 ? `${Math.round(l * 1000)} ml` : `${l.toFixed(1)} l`);
const byFloor = (of: (field: Floor) => string) =>
  FLOORS.map((floor) => `${label(`floor.${floor}`)} ${of(floor)}`).join(", ");

interface Note {
  about: string;
  text: string;
}

/** What the plain models of the core make of a thing, in sentences: how it runs, slides, falls, tips, and what a ramp of it does. */
export function notesOf(item: Item): Note[] {
  const out: Note[] = [];
  const note = (about: string, text: string) => out.push({ about, text });
  const sent = (action: Action, floor: Floor) => sendingOf(AGE, action, item, floor);
  const gets = (action: Action) => byFloor((field) => metres(farthest(sent(action, field))));
  if (item.moves.includes("ground")) {
    note("Rolled", `A child of ${AGE} can roll it this far: ${gets("underarmRoll")}.`);
    const on = (field: Floor) => runsOn(sent("underarmRoll", field), AWAY);
    note("Rolled past a target", `It rolls on this far: ${byFloor((field) => metres(on(field)))}.`);
    const seconds = fetchSeconds(AWAY, on("boards"), agePrior(AGE).walking);
    note(
      "Fetching it",
      `A roll of ${AWAY} m on boards takes a child of ${AGE} about ${Math.round(seconds)} s to fetch.`,
    );
  }
  if (item.moves.includes("air")) {
    const thrown = sent("underarmThrow", "boards");
    note("Thrown underarm", `A child of ${AGE} can throw it up to ${metres(farthest(thrown))}.`);
    note(
      `Past a target ${AWAY} m away`,
      `It ends this far beyond it: ${byFloor((field) => metres(runsOn(sent("underarmThrow", field), AWAY)))}.`,
    );
    note("Off a wall", `Thrown from ${NEAR} m, it comes back ${metres(comesBack(thrown, NEAR, 1))} on boards.`);
  }
  if (item.moves.includes("slide")) {
    const idle = FLOORS.filter((floor) => pointless(sent("slide", floor)));
    const where = idle.map((field) => label(`floor.${field}`)).join(", ");
    note("Slid", `A child of ${AGE} can slide it this far: ${gets("slide")}.${where ? ` No use on ${where}.` : ""}`);
  }
  if (item.uses.includes("target")) {
    const ball = catalogueItem("sockBall")!;
    const rolled = sendingOf(AGE, "underarmRoll", ball, "boards");
    const water = waterFor(item, rolled, NEAR);
    const from = `a ${itemName(ball.id)} rolled from ${NEAR} m`;
    if (!falls(item, 0, rolled, NEAR)) note("When hit", `It stays up against ${from}.`);
    else if (water.litresToStand === null) note("When hit", `It falls to ${from}.`);
    else note("When hit", `Empty, it falls to ${from}; with ${litres(water.litresToStand)} of water it stays up.`);
  }
  if (item.opening !== null) {
    const ball = catalogueItem("softBall")!;
    const steady = steadyFrom(item, sendingOf(AGE, "underarmThrow", ball, "boards"), THROWN);
    const caught = `when a ${itemName(ball.id)} catches its rim`;
    if (steady === 0) note("Thrown at", `It does not tip over ${caught}.`);
    else if (steady === null) note("Thrown at", `It tips over ${caught}.`);
    else
      note(
        "Thrown at",
        `Empty, it tips over ${caught}; with ${(steady * item.contents!).toFixed(1)} kg in it, it stays up.`,
      );
  }
  if (item.uses.includes("ramp")) {
    const high = rampHeightFor(WANTED, ballSlows("boards"));
    note(
      "As a ramp",
      `With the board propped ${Math.round(100 * PROPPED)} cm high, a ball rolls this far: ${byFloor((field) => metres(rampDistance(PROPPED, ballSlows(field))))}. For ${WANTED} m on boards, prop it ${Math.round(100 * high)} cm high.`,
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
      <h2 className="text-base">How it should behave</h2>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {notes.map((note) => (
          <div key={note.about} className="contents">
            <dt className="text-quiet">{note.about}</dt>
            <dd>{note.text}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-quiet">These are estimates from simple models. What you see at home comes first.</p>
    </section>
  );
}
