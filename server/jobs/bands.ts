import { and, eq } from "drizzle-orm";
import { MODEL_VERSION } from "#core/model.ts";
import { inSchool, schema } from "../db/client.ts";
import { figures } from "../figures/figures.ts";

const { assignment, card, child, expectedBand, revision } = schema;

/** Works out what is expected of each age in an assignment, and keeps it. */
export async function bandsOf(schoolId: string, assignmentId: string): Promise<void> {
  const asked = await inSchool(schoolId, async (tx) => {
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
    const missing = ages.map((a) => a.age).filter((a) => !known.some((k) => k.age === a));
    return row && missing.length > 0 ? { document: row.document, ages: missing } : null;
  });
  if (!asked) return;
  const told = await figures("expected", asked.document, asked.ages);
  await inSchool(schoolId, async (tx) => {
    // Figures of an earlier model give way.
    for (const age of asked.ages)
      await tx.delete(expectedBand).where(and(eq(expectedBand.assignmentId, assignmentId), eq(expectedBand.age, age)));
    await tx
      .insert(expectedBand)
      .values(asked.ages.map((age) => ({ schoolId, assignmentId, age, model: MODEL_VERSION, ...told[age]! })))
      .onConflictDoNothing();
  });
}
