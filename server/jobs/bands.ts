import { and, eq, isNull } from "drizzle-orm";
import type { Activity } from "#core/formats/activity.ts";
import { MODEL_VERSION } from "#core/model.ts";
import { compute } from "../compute/compute.ts";
import { schema, withTenant } from "../db/client.ts";

const { assignment, card, child, expectedBand, revision } = schema;

/** Works out the expected range of each age in an assignment and stores it, one age after the other. */
export async function bandsOf(schoolId: string, assignmentId: string): Promise<void> {
  const asked = await withTenant(schoolId, async (tx) => {
    const [row] = await tx
      .select({ document: revision.document })
      .from(assignment)
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .where(eq(assignment.id, assignmentId));
    const ages = await tx
      .selectDistinct({ age: child.age })
      .from(card)
      .innerJoin(child, eq(child.id, card.childId))
      .where(eq(card.assignmentId, assignmentId));
    const known = await tx
      .select({ age: expectedBand.age })
      .from(expectedBand)
      .where(and(eq(expectedBand.assignmentId, assignmentId), eq(expectedBand.model, MODEL_VERSION)));
    const missing = ages.map((age) => age.age).filter((a) => !known.some((k) => k.age === a));
    return row ? { document: row.document, ages: missing } : null;
  });
  // The page of the results shows how many ages are done.
  for (const age of asked?.ages ?? []) await expectedAt(schoolId, assignmentId, asked!.document, age);
}

async function expectedAt(schoolId: string, assignmentId: string, document: Activity, age: number): Promise<void> {
  const { low, middle, high, holds } = await compute("expected", document, age);
  await withTenant(schoolId, async (tx) => {
    // The result of an earlier model is replaced.
    await tx.delete(expectedBand).where(and(eq(expectedBand.assignmentId, assignmentId), eq(expectedBand.age, age)));
    await tx
      .insert(expectedBand)
      .values({ schoolId, assignmentId, age, model: MODEL_VERSION, low, middle, high, holds })
      .onConflictDoNothing();
  });
}

/**
 * Works out the score from which a go is worth a look, for one age of an assignment. This is asked for when somebody
 * opens results. Returns true if there are more ages to do, after other waiting work.
 */
export async function rareOf(schoolId: string, assignmentId: string): Promise<boolean> {
  const of = eq(expectedBand.assignmentId, assignmentId);
  const [document, open] = await withTenant(schoolId, async (tx) => {
    const [row] = await tx
      .select({ document: revision.document })
      .from(assignment)
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .where(eq(assignment.id, assignmentId));
    const ages = await tx
      .select({ age: expectedBand.age })
      .from(expectedBand)
      .where(and(of, isNull(expectedBand.rare)));
    return [row?.document, ages.map((eachAge) => eachAge.age)] as const;
  });
  const [age] = open;
  if (!document || age === undefined) return false;
  const from = await compute("rare", document, age);
  await withTenant(schoolId, (tx) =>
    tx
      .update(expectedBand)
      .set({ rare: { from } })
      .where(and(of, eq(expectedBand.age, age))),
  );
  return open.length > 1;
}
