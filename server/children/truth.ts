import { and, eq, inArray, ne } from "drizzle-orm";
import { accuracyOf, type Truth, worstOf } from "#core/estimate/truth.ts";
import { MODEL_VERSION } from "#core/model.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { ownClass } from "../school/classes.ts";
import { type LeftOut, leftOutOf } from "./known.ts";

const { child, childForecast, evidence } = schema;

export interface ClassTruth extends Omit<Truth, "goes"> {
  className: string;
  /** The bin whose forecasts were farthest from the truth. Null if all are near enough. */
  worst: Truth["bins"][number] | null;
  goes: number;
  children: number;
  leftOut: Record<LeftOut, number>;
  /** True while some children's goes are still being worked out. The figures leave them out. */
  working: boolean;
}

/**
 * How well forecasts came true for one of the teacher's classes, over every go with known attempts. Adds up what is
 * stored for each child.
 */
export async function truthOfClass(who: SignedIn, classId: string): Promise<ClassTruth> {
  const stored = await withTenant(who.schoolId, async (tx) => {
    const { name } = await ownClass(tx, who.teacherId, classId);
    const ids = (await tx.select({ id: child.id }).from(child).where(eq(child.classId, classId))).map((k) => k.id);
    const kept = await tx
      .select({ childId: childForecast.childId, goes: childForecast.goes })
      .from(childForecast)
      .where(and(inArray(childForecast.childId, ids), eq(childForecast.model, MODEL_VERSION)));
    const known = await tx
      .selectDistinct({ childId: evidence.childId })
      .from(evidence)
      .where(and(inArray(evidence.childId, ids), ne(evidence.axis, "none")));
    const missing = known.map((k) => k.childId).filter((id) => !kept.some((k) => k.childId === id));
    await enqueue(tx, who.schoolId, "evidence", missing);
    const goes = kept.flatMap((k) => k.goes);
    const accuracy = accuracyOf(goes);
    return {
      ...accuracy,
      worst: worstOf(accuracy.bins),
      className: name,
      goes: goes.length,
      children: known.length,
      leftOut: await leftOutOf(tx, ids),
      working: missing.length > 0,
    };
  });
  if (stored.working) wakeJobRunner();
  return stored;
}
