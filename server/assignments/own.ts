import { eq } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, type Tx } from "../db/client.ts";
import { NotFound } from "../problem.ts";
import { ownClass } from "../school/classes.ts";

const { assignment, revision } = schema;

/** An assignment of one of the teacher's own classes, with its revision. Throws NotFound otherwise. */
export async function ownAssignment(tx: Tx, who: SignedIn, id: string) {
  const [row] = await tx
    .select({ assignment, revision })
    .from(assignment)
    .innerJoin(revision, eq(revision.id, assignment.revisionId))
    .where(eq(assignment.id, id));
  if (!row) throw new NotFound("assignment");
  try {
    const { name } = await ownClass(tx, who.teacherId, row.assignment.classId);
    return { ...row, className: name };
  } catch (error) {
    if (error instanceof NotFound) throw new NotFound("assignment");
    throw error;
  }
}
