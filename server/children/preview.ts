import { and, desc, eq } from "drizzle-orm";
import type { Card } from "#core/compile/card.ts";
import { SUPPORT_IDS, type Support } from "#core/compile/support.ts";
import { adjusted } from "#core/formats/change.ts";
import { onLevel, selfOn } from "#core/levels/levels.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { makingsFor } from "../cards/for-class.ts";
import { whoOf } from "../cards/making.ts";
import { compute } from "../compute/compute.ts";
import { schema, withTenant } from "../db/client.ts";
import { NotFound } from "../problem.ts";
import { ownChild } from "../school/classes.ts";

const { assignment, card, revision } = schema;

/** A child's card as it would be with other support. Nothing of it is stored. */
export interface SupportPreview {
  name: string;
  title: string;
  assignmentId: string;
  /** The card with this support. */
  card: Card;
  tries: number;
  /** The share of attempts that count, 0 to 1, without any support and with this. Null if the game has no targets. */
  rates: { plain: number | null; with: number | null };
  /** Of this support, what the game can use and what it cannot. */
  fits: Support[];
  idle: Support[];
  /**
   * True if the game is as hard as before with this support, or easier. Otherwise, ready activities in which it can
   * be.
   */
  held: boolean;
  others: string[];
}

/**
 * Previews the newest game sent to a child, or a given one, with this support. Throws NotFound if the child is not in
 * the teacher's classes, or the game was never sent to them.
 */
export async function supportPreview(
  who: SignedIn,
  childId: string,
  assignmentId: string | null,
  supports: readonly Support[],
): Promise<SupportPreview> {
  const ready = await withTenant(who.schoolId, async (tx) => {
    const me = await ownChild(tx, who, childId);
    const [sent] = await tx
      .select({ card, assignment, document: revision.document })
      .from(card)
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .where(and(eq(card.childId, childId), assignmentId ? eq(assignment.id, assignmentId) : undefined))
      .orderBy(desc(assignment.opensAt), desc(card.id))
      .limit(1);
    if (!sent) throw new NotFound("assignment");
    const child = { ...me, adjust: { ...me.adjust, supports: [...supports] } };
    const { makings, levels, known } = await makingsFor(tx, sent.document, [child], sent.assignment.levels ?? {});
    return { me, sent, making: makings[0]!, level: levels?.[childId] ?? 0, known: known.get(childId) };
  });
  const { me, sent, making, level } = ready;
  const designed = sent.document;
  const on = adjusted(onLevel(designed, level), me.adjust?.settings ?? []);
  const person = whoOf(me, ready.known, designed.aim.action);
  const rates = await compute("withSupport", on, person, selfOn(designed, level), supports);
  const [compiled] = await compute("cards", [making]);
  const { fits, plain, with: after, held, others } = rates;
  return {
    name: me.name,
    title: designed.title,
    assignmentId: sent.assignment.id,
    card: compiled!,
    tries: sent.assignment.tries,
    rates: { plain, with: after },
    held,
    others,
    fits,
    idle: SUPPORT_IDS.filter((id) => supports.includes(id) && !fits.includes(id)),
  };
}
