import { countIn, FOOT, MAX_SHOES, type Unit } from "#core/measures/count.ts";
import type { Paces } from "#core/measures/step.ts";
import { sayCount } from "#words/say.ts";
import type { Spread } from "./tape.tsx";

/** A distance in every unit, the error that counting leaves, and where that count ends for the whole class. */
export function Counted({
  metres,
  own,
  who,
  spread,
}: {
  metres: number;
  own: Paces;
  who: string;
  spread: Spread | null;
}) {
  const inUnit = (unit: Unit) => countIn(unit, metres, own);
  const steps = inUnit("step");
  const shoes = inUnit("shoe");
  return (
    <p className="w-full text-ink" data-class-spread>
      {metres.toFixed(2)} m is {(metres / FOOT).toFixed(1)} feet; for the {who.split(", ")[0]} child:{" "}
      {sayCount(steps.count)} steps ({steps.metres.toFixed(2)} m, give or take {Math.round(steps.error * 100)} cm),{" "}
      {sayCount(inUnit("bigStep").count)} big steps{shoes.count <= MAX_SHOES && `, ${shoes.count} shoe lengths`}.
      {spread &&
        ` For this class, ${sayCount(spread.count)} steps is ${spread.from.toFixed(2)}–${spread.to.toFixed(2)} m.`}
    </p>
  );
}
