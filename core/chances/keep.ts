import type { AimOf } from "../asks/ask.ts";
import type { KindOf } from "./kind.ts";

/**
 * One more touch or a drop. After a drop the object is fetched and started again, which takes the time of the failed
 * touch first.
 */
export const keep: KindOf<AimOf<"keep">> = {
  options: (aim) => [aim],
  refs: () => ({ named: ["touch"], rest: "drop", meant: "touch" }),
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(_, { person, manner }) {
    const goalkeeper = person.keeps(manner);
    // It is released at the touch and comes down again until the next one.
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
