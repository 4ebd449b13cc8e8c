import { eq } from "drizzle-orm";
import { z } from "zod";
import { SUPPORT_IDS } from "#core/compile/support.ts";
import { problemsOf } from "#core/formats/activity.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { NotAllowed } from "../problem.ts";
import { ownChild } from "../school/classes.ts";

const supportList = z
  .array(z.enum(SUPPORT_IDS as [string, ...string[]], { error: "Choose the support from the list." }))
  .max(SUPPORT_IDS.length);

/**
 * Saves the support that one child needs in every activity that can use it. The child's cards that nobody has begun
 * are compiled again.
 */
export async function saveSupports(who: SignedIn, childId: string, given: readonly string[]): Promise<void> {
  const read = supportList.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  await withTenant(who.schoolId, async (tx) => {
    const me = await ownChild(tx, who, childId);
    const supports = SUPPORT_IDS.filter((id) => read.data.includes(id));
    await tx
      .update(schema.child)
      .set({ adjust: { ...me.adjust, supports } })
      .where(eq(schema.child.id, childId));
    await enqueue(tx, who.schoolId, "cards", [childId]);
  });
  wakeJobRunner();
}
