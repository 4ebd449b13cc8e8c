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
    const k = person.keeps(manner);
    // It is let go at the touch, and comes down again until the next.
    const under = { under: 0, windUp: k.touch, released: 0 };
    return {
      list: [
        { ref: "touch", seen: { kept: true }, p: k.p, ...under, lies: 0, after: 0 },
        { ref: "drop", seen: { kept: false }, p: 1 - k.p, ...under, lies: k.lies, after: k.restart },
      ],
      distance: 0,
      across: 0,
    };
  },
};
