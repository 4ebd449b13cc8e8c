import { and, asc, eq, inArray, sql } from "drizzle-orm";
import type { Card } from "#core/compile/card.ts";
import { ownAssignment } from "../assignments/own.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { linkToken } from "../links/token.ts";
import { inForce } from "./versions.ts";

const { card, cardVersion, child, link } = schema;

/** One child's card for printing, when items are no longer swapped. */
export interface PaperCard {
  id: string;
  name: string;
  card: Card;
  tries: number;
  /** The secret part of the child's link. Null if it is withdrawn. */
  token: string | null;
}

/**
 * The cards of one of the teacher's own assignments, or one of them, ordered by the children's names. Reading them
 * does not count as opening.
 */
export function paperCards(
  who: SignedIn,
  assignmentId: string,
  only: readonly string[] = [],
): Promise<{ title: string; className: string; cards: PaperCard[] }> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, assignmentId);
    const rows = await tx
      .select({
        id: card.id,
        name: child.name,
        // Leaves out the data for compiling it again, which is as long as the card itself.
        compiled: sql<Card>`${cardVersion.compiled} - 'making'`,
        link,
      })
      .from(card)
      .innerJoin(cardVersion, inForce)
      .innerJoin(child, eq(child.id, card.childId))
      .leftJoin(link, eq(link.childId, child.id))
      .where(and(eq(card.assignmentId, assignmentId), only.length > 0 ? inArray(card.id, [...only]) : undefined))
      .orderBy(asc(child.name));
    return {
      title: own.revision.document.title,
      className: own.className,
      cards: rows.map((row) => ({
        id: row.id,
        name: row.name,
        card: row.compiled,
        tries: own.assignment.tries,
        token: row.link && !row.link.withdrawnAt ? linkToken(row.link.id, row.link.version) : null,
      })),
    };
  });
}
