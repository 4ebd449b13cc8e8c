import { and, desc, eq, isNull } from "drizzle-orm";
import type { Card } from "#core/compile/card.ts";
import { type Go, goesOf } from "../assignments/goes.ts";
import { inSchool, schema } from "../db/client.ts";
import type { OpenLink } from "../links/open-link.ts";
import { NotFound } from "../problem.ts";

const { assignment, card, child, school } = schema;

export interface FamilyCard {
  id: string;
  title: string;
  minutes: number;
  /** For its small picture. */
  parts: Card["parts"];
  space: { length: number; width: number };
  opensAt: Date;
  closesAt: Date;
  state: "soon" | "open" | "closed";
  tries: number;
  used: number;
  best: Go["score"] | null;
}

const stateOf = (opensAt: Date, closesAt: Date, now: Date) =>
  now < opensAt ? "soon" : now > closesAt ? "closed" : "open";

/** One child's cards, the ones that close soonest first, closed ones last. */
export function cardsFor(
  link: OpenLink,
  now = new Date(),
): Promise<{ name: string; school: string; zone: string; cards: FamilyCard[] }> {
  return inSchool(link.schoolId, async (tx) => {
    const [me] = await tx
      .select({ name: child.name, school: school.name, zone: school.zone })
      .from(child)
      .innerJoin(school, eq(school.id, child.schoolId))
      .where(eq(child.id, link.childId));
    if (!me) throw new NotFound("child");
    const rows = await tx
      .select({ card, assignment })
      .from(card)
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .where(eq(card.childId, link.childId))
      .orderBy(desc(assignment.closesAt));
    const goes = await goesOf(
      tx,
      rows.map((r) => r.card.id),
    );
    const cards = rows.map(({ card: c, assignment: a }) => {
      const mine = goes.filter((g) => g.cardId === c.id);
      return {
        id: c.id,
        title: c.compiled.activity.title,
        minutes: c.compiled.activity.minutes,
        parts: c.compiled.parts,
        space: c.compiled.activity.space,
        opensAt: a.opensAt,
        closesAt: a.closesAt,
        state: stateOf(a.opensAt, a.closesAt, now),
        tries: a.tries,
        used: mine.length,
        best: bestOf(mine)?.score ?? null,
      } as FamilyCard;
    });
    const order = { open: 0, soon: 1, closed: 2 };
    return {
      ...me,
      cards: cards.sort((a, b) => order[a.state] - order[b.state] || a.closesAt.getTime() - b.closesAt.getTime()),
    };
  });
}

export function bestOf(goes: readonly Go[]): Go | null {
  const counted = goes.filter((g) => g.counts);
  return counted.length === 0 ? null : counted.reduce((a, b) => (b.score.rank > a.score.rank ? b : a));
}

export interface OpenCard {
  id: string;
  name: string;
  school: string;
  zone: string;
  card: Card;
  state: FamilyCard["state"];
  opensAt: Date;
  closesAt: Date;
  tries: number;
  used: number;
  mark: number | null;
  best: Go["score"] | null;
}

/** One card of the child whose link this is; the first look is noted. */
export function openCard(link: OpenLink, cardId: string, now = new Date()): Promise<OpenCard> {
  return inSchool(link.schoolId, async (tx) => {
    const [row] = await tx
      .select({ card, assignment, child, school })
      .from(card)
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .innerJoin(child, eq(child.id, card.childId))
      .innerJoin(school, eq(school.id, card.schoolId))
      .where(and(eq(card.id, cardId), eq(card.childId, link.childId)));
    if (!row) throw new NotFound("card");
    const { assignment: a } = row;
    const state = stateOf(a.opensAt, a.closesAt, now);
    if (!row.card.openedAt && state !== "soon")
      await tx
        .update(card)
        .set({ openedAt: now })
        .where(and(eq(card.id, cardId), isNull(card.openedAt)));
    const goes = await goesOf(tx, [cardId]);
    return {
      id: cardId,
      name: row.child.name,
      school: row.school.name,
      zone: row.school.zone,
      card: row.card.compiled,
      state,
      opensAt: a.opensAt,
      closesAt: a.closesAt,
      tries: a.tries,
      used: goes.length,
      mark: a.mark,
      best: bestOf(goes)?.score ?? null,
    };
  });
}
