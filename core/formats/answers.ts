import { z } from "zod";

/** Our own drawings of how something is done. Answers may show them, or the drawings of items. */
export const PICTURES = [
  "pic-leftFoot",
  "pic-rightFoot",
  "pic-feetLevel",
  "pic-armHigh",
  "pic-armLow",
  "pic-eyesThere",
  "pic-eyesBall",
  "pic-high",
  "pic-flat",
  "pic-gentle",
  "pic-strong",
  "pic-near",
  "pic-far",
  "pic-yes",
  "pic-no",
] as const;
export const MAX_ANSWERS = 4;

const words = (name: string, most: number) =>
  z
    .string({ error: `${name} must be text` })
    .trim()
    .max(most, `${name} must be ${most} letters or fewer`);

/**
 * The answers to the quick question, each with its picture. If there are any, the question is asked once before play.
 */
export const answers = z
  .strictObject({
    list: z
      .array(
        z.strictObject({
          /** An item of the kit list, or one of `PICTURES`. */
          picture: z.string().min(1).max(40),
          text: words("answer", 60).min(1, "answer must not be empty"),
        }),
      )
      .min(2, "a question has at least 2 answers")
      .max(MAX_ANSWERS, `a question has at most ${MAX_ANSWERS} answers`),
    /** The right answer, from 0. Null: none is wrong. */
    right: z.number({ error: "right must be a number" }).int().min(0).nullable(),
    /** The explanation after an answer. */
    explain: words("explain", 200),
  })
  .refine((a) => a.right === null || a.right < a.list.length, {
    error: "right must be one of the answers",
    path: ["right"],
  });
export type Answers = z.infer<typeof answers>;
