import { expect, it } from "vitest";
import { fromPattern } from "../formats/activity.ts";
import { endIn } from "./ends.ts";

it.each(["climb", "stackUp", "checklist", "board"] as const)(
  "%s: whoever was asked about before, and however they played, the share that reaches the end is the same",
  (name) => {
    const activity = fromPattern(name);
    const who = { age: 8 } as const;
    const plain = endIn(activity, who);
    const shared = endIn(activity, who, { otherHand: true });
    expect(shared).toBe(endIn(structuredClone(activity), who, { otherHand: true }));
    expect(shared).toBeLessThan(plain + 1e-9);
    expect(endIn(activity, who)).toBe(plain);
  },
);
