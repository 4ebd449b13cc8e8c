import type { Card } from "#core/compile/card.ts";
import { say } from "#words/say.ts";
import "#words/set-up.ts";
import { RoomPlan } from "../../ui/room-plan.tsx";

/**
 * Where the layout lies in this home's space: the outline of the space, the furniture in it, the start line and the
 * direction of play.
 */
export function RoomMap({ card }: { card: Card }) {
  const placement = card.home?.place?.placement;
  const space = card.making?.homes.find((home) => home.id === card.home?.id)?.space;
  if (!placement || !space) return null;
  return (
    <figure className="mt-4">
      <figcaption className="mb-1 font-semibold">{say("setup.inSpace")}</figcaption>
      <RoomPlan
        space={space}
        parts={card.parts}
        placement={placement}
        label={say("setup.inSpace")}
        wide={350}
        tall={240}
      />
    </figure>
  );
}
