import type { AimOf } from "../asks/ask.ts";
import type { KindOf } from "./kind.ts";

/** A task that succeeds or fails. */
export const skill: KindOf<AimOf<"skill">> = {
  options: (aim) => [aim],
  refs: (aim) => ({ named: [aim.task.id], rest: "drop", meant: aim.task.id }),
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(aim, { person, manner }) {
    const k = person.does(aim.task, manner);
    const at = { under: 0, released: 0 };
    return {
      list: [
        { ref: aim.task.id, seen: { kept: true }, p: k.p, ...at, windUp: k.touch, lies: 0, after: 0 },
        { ref: "drop", seen: { kept: false }, p: 1 - k.p, ...at, windUp: k.failed, lies: k.lies, after: k.restart },
      ],
      distance: 0,
      across: 0,
    };
  },
};
