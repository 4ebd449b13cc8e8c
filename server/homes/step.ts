import { eq } from "drizzle-orm";
import { z } from "zod";
import { problemsOf } from "#core/formats/activity.ts";
import { LONGEST_STEP, MAX_COUNTED, SHORTEST_STEP } from "#core/measures/step.ts";
import { schema, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import type { OpenLink } from "../links/open-link.ts";
import { NotAllowed, NotFound } from "../problem.ts";

const { child } = schema;

const measured = z
  .strictObject({
    steps: z
      .number({ error: "The number of steps must be a number." })
      .int("The number of steps must be a whole number.")
      .min(1, "The number of steps must be 1 or more.")
      .max(MAX_COUNTED, `The number of steps must be ${MAX_COUNTED} or fewer.`),
    metres: z.number({ error: "The length must be a number." }).positive("The length must be more than 0."),
  })
  .superRefine(({ steps, metres }, ctx) => {
    const step = metres / steps;
    if (Number.isFinite(step) && (step < SHORTEST_STEP || step > LONGEST_STEP))
      ctx.addIssue({
        code: "custom",
        path: ["metres"],
        message: `That makes each step ${step.toFixed(2)} m. A step is between ${SHORTEST_STEP} and ${LONGEST_STEP} m, so check both numbers.`,
      });
  });

/**
 * Saves the child's step as measured by the family: a number of steps over a distance. The child's open cards that
 * nobody has begun then use it.
 */
export async function saveStep(link: OpenLink, given: unknown): Promise<number> {
  const read = measured.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  const step = Math.round((read.data.metres / read.data.steps) * 1000) / 1000;
  await withTenant(link.schoolId, async (tx) => {
    const changed = await tx.update(child).set({ step }).where(eq(child.id, link.childId)).returning({ id: child.id });
    if (changed.length === 0) throw new NotFound("child");
    await enqueue(tx, link.schoolId, "cards", [link.childId]);
  });
  wakeJobRunner();
  return step;
}
/** The measured step of a child, metres. Null: by age. */
export function stepOf(link: OpenLink): Promise<{ name: string; step: number | null; age: number }> {
  return withTenant(link.schoolId, async (tx) => {
    const [row] = await tx
      .select({ name: child.name, step: child.step, age: child.age })
      .from(child)
      .where(eq(child.id, link.childId));
    if (!row) throw new NotFound("child");
    return row;
  });
}
