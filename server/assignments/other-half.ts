import { and, eq, ne, sql } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { idFrom } from "../content-hash.ts";
import { schema, withTenant } from "../db/client.ts";
import { ownAssignment } from "./own.ts";

const { assignment, card, revision } = schema;

/** The order of the second half of a sending by age, from the order of the first. */
export const secondOrder = (orderId: string): string => idFrom(`other half of ${orderId}`);

/** The other half of a sending by age: its game, and the children who got it. */
export interface OtherHalf {
  id: string;
  title: string;
  children: string[];
}

/** The other half of a sending by age, whichever half is asked about. Null if everyone got the same game. */
export function otherHalf(who: SignedIn, id: string): Promise<OtherHalf | null> {
  return withTenant(who.schoolId, async (tx) => {
    const { assignment: own } = await ownAssignment(tx, who, id);
    const others = await tx
      .select({ id: assignment.id, orderId: assignment.orderId, title: sql<string>`${revision.document}->>'title'` })
      .from(assignment)
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .where(and(eq(assignment.classId, own.classId), ne(assignment.id, id), eq(assignment.opensAt, own.opensAt)));
    const half = others.find(
      (other) => other.orderId === secondOrder(own.orderId) || secondOrder(other.orderId) === own.orderId,
    );
    if (!half) return null;
    const cards = await tx.select({ childId: card.childId }).from(card).where(eq(card.assignmentId, half.id));
    return { id: half.id, title: half.title, children: cards.map((row) => row.childId) };
  });
}
