import { and, eq } from "drizzle-orm";
import type { Card } from "#core/compile/card.ts";
import { contentHash } from "../content-hash.ts";
import { schema, type Tx } from "../db/client.ts";

const { card, cardVersion } = schema;

/** Joins a card to its version in force. */
export const inForce = and(eq(cardVersion.cardId, card.id), eq(cardVersion.hash, card.hash));

/** Gives children their cards of an assignment. A child who has one keeps it. Returns the children who got one now. */
export async function giveCards(
  tx: Tx,
  schoolId: string,
  assignmentId: string,
  cards: readonly { childId: string; compiled: Card }[],
): Promise<string[]> {
  if (cards.length === 0) return [];
  const hashed = cards.map((eachCard) => ({ ...eachCard, hash: contentHash(eachCard.compiled) }));
  const made = await tx
    .insert(card)
    .values(hashed.map(({ childId, hash }) => ({ schoolId, assignmentId, childId, hash })))
    .onConflictDoNothing()
    .returning({ id: card.id, childId: card.childId });
  if (made.length === 0) return [];
  await tx.insert(cardVersion).values(
    made.map(({ id, childId }) => {
      const { hash, compiled } = hashed.find((c) => c.childId === childId)!;
      return { schoolId, cardId: id, hash, compiled };
    }),
  );
  return made.map((m) => m.childId);
}

/** Puts another version of a card in force. Earlier versions stay as they were. */
export async function putInForce(tx: Tx, schoolId: string, cardId: string, compiled: Card): Promise<void> {
  const hash = contentHash(compiled);
  await tx.insert(cardVersion).values({ schoolId, cardId, hash, compiled }).onConflictDoNothing();
  await tx.update(card).set({ hash }).where(eq(card.id, cardId));
}
