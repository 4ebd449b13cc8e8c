import { z } from "zod";
import { UNITS } from "#core/contract/contract.ts";
import { typedNumber } from "#core/measures/typed-number.ts";
import { readScore } from "#core/records/score-text.ts";
import { otherGame, tries } from "#core/records/sending.ts";

/** A date and a time in the school's zone: 2026-12-05T16:00. */
const localTime = (which: string) => {
  const missing = `The ${which} time needs a date and a time.`;
  return z.string(missing).regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/, missing);
};

/** The other game as it is typed. */
export interface OtherTyped {
  activityId?: string;
  from?: string;
  to?: string;
}

/** The form that sends an activity. The browser and the server read it alike. */
export const sendForm = z
  .object({
    orderId: z.string(),
    classId: z.uuid("Choose one of your classes."),
    /** None: the whole class. */
    children: z.array(z.string()).default([]),
    opensAt: localTime("opening"),
    closesAt: localTime("closing"),
    tries: z.preprocess(typedNumber, tries),
    mark: z.string().trim().default(""),
    markUnit: z.enum(UNITS).nullable().default(null),
    other: z.preprocess((typed: OtherTyped | undefined) => {
      if (!typed?.activityId) return null;
      return { ...typed, from: typedNumber(typed.from), to: typedNumber(typed.to) };
    }, otherGame.nullable()),
  })
  .refine(({ opensAt, closesAt }) => closesAt > opensAt, {
    error: "The closing time must be later than the opening time.",
    path: ["closesAt"],
  })
  .refine(({ mark, markUnit }) => mark === "" || (markUnit !== null && readScore(mark, markUnit) !== null), {
    error: "The score to beat must be a score of this game.",
    path: ["mark"],
  });
