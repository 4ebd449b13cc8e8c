import type { AimOf } from "../asks/ask.ts";
import type { KindOf } from "./kind.ts";

/** One more touch, or a drop: the thing is fetched from where it ran, and begun again. A drop takes the time of the touch that failed first. */
export const keep: KindOf<AimOf<"keep">> = {
  options: (aim) => [aim],
  refs: () => ({ named: ["touch"], rest: "drop", meant: "touch" }),
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(_, { person, manner }) {
    const goalkeeper = person.keeps(manner);
    // It is let go at the touch, and comes down again until the next.
    const under = { under: 0, windUp: goalkeeper.touch, released: 0 };
    return {
      list: [
        { ref: "touch", seen: { kept: true }, p: goalkeeper.p, ...under, lies: 0, after: 0 },
        {
          ref: "drop",
          seen: { kept: false },
          p: 1 - goalkeeper.p,
          ...under,
          lies: goalkeeper.lies,
          after: goalkeeper.restart,
        },
      ],
      distance: 0,
      across: 0,
    };
  },
};
