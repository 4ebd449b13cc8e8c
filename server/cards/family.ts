import { and, desc, eq, gt, isNull, sql } from "drizzle-orm";
import type { Action } from "#core/actions/actions.ts";
import type { Card } from "#core/compile/card.ts";
import { bestOf, type Go, goesOf, standing } from "../assignments/goes.ts";
import { matchedCards } from "../assignments/two-homes.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { isQueued, runNow } from "../jobs/jobs.ts";
import type { OpenLink } from "../links/open-link.ts";
import { NotFound } from "../problem.ts";
import { inForce } from "./versions.ts";

const { assignment, card, cardVersion, child, school } = schema;
/**
 * How long to wait for a card that is being compiled again, milliseconds. After that, the previous version is shown.
 */
const PATIENCE = 1500;

export interface FamilyCard {
  id: string;
  title: string;
  action: Action;
  minutes: number;
  /** The parts for its small picture. */
  parts: Card["parts"];
  space: { length: number; width: number };
  opensAt: Date;
  closesAt: Date;
  state: "soon" | "open" | "closed" | "withdrawn";
  tries: number;
  used: number;
  /** The best go that counts. Nothing else of that go is included. */
  best: Pick<Go["score"], "value" | "unit"> | null;
  /** True if the card is part of a match with another home. */
  paired: boolean;
}

function stateOf(a: { opensAt: Date; closesAt: Date; withdrawnAt: Date | null }, now: Date): FamilyCard["state"] {
  if (a.withdrawnAt) return "withdrawn";
  return now < a.opensAt ? "soon" : now > a.closesAt ? "closed" : "open";
}

/** Reads a child's cards, after compiling again those that need it, if that does not take too long. */
async function settled<T>(link: OpenLink, read: (tx: Tx) => Promise<T>): Promise<T> {
  const done = await withTenant(link.schoolId, async (tx) => {
    if (await isQueued(tx, "cards", link.childId)) return null;
    return { read: await read(tx) };
  });
  if (done) return done.read;
  await runNow(link.schoolId, "cards", link.childId, PATIENCE);
  return withTenant(link.schoolId, read);
}

/** How long a family still sees a game after it has closed, milliseconds. */
const SHOWN_AFTER = 28 * 86_400_000;

/**
 * One child's cards, those that close soonest first and closed ones last. Unsent ones are included only if something
 * was played.
 */
export async function cardsFor(
  link: OpenLink,
  now = new Date(),
): Promise<{ name: string; school: string; zone: string; locale: string; cards: FamilyCard[]; ids: string[] }> {
  return settled(link, async (tx) => {
    const [me] = await tx
      .select({
        name: child.name,
        school: school.name,
        zone: school.zone,
        locale: school.locale,
        showsBest: school.showsBest,
        showsClosed: school.showsClosed,
      })
      .from(child)
      .innerJoin(school, eq(school.id, child.schoolId))
      .where(eq(child.id, link.childId));
    if (!me) throw new NotFound("child");
    const { showsBest, showsClosed, ...named } = me;
    const every = await tx.select({ id: card.id }).from(card).where(eq(card.childId, link.childId));
    const rows = await tx
      .select({
        id: card.id,
        assignment,
        title: sql<string>`${cardVersion.compiled}->'activity'->>'title'`,
        action: sql<Action>`${cardVersion.compiled}->'activity'->'aim'->>'action'`,
        minutes: sql<number>`(${cardVersion.compiled}->'activity'->>'minutes')::int`,
        parts: sql<Card["parts"]>`${cardVersion.compiled}->'parts'`,
        space: sql<Card["activity"]["space"]>`${cardVersion.compiled}->'activity'->'space'`,
      })
      .from(card)
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .innerJoin(cardVersion, inForce)
      .where(and(eq(card.childId, link.childId), gt(assignment.closesAt, new Date(now.getTime() - SHOWN_AFTER))))
      .orderBy(desc(assignment.closesAt));
    const goes = await goesOf(
      tx,
      rows.map((row) => row.id),
    );
    const paired = await matchedCards(
      tx,
      rows.map((row) => row.id),
    );
    const cards = rows.map(({ assignment: row, ...c }) => {
      const mine = standing(goes.filter((go) => go.cardId === c.id));
      const best = (showsBest && bestOf(mine)?.score) || null;
      return {
        ...c,
        opensAt: row.opensAt,
        closesAt: row.closesAt,
        state: stateOf(row, now),
        tries: row.tries,
        used: mine.length,
        best: best && { value: best.value, unit: best.unit },
        paired: paired.has(c.id),
      } as FamilyCard;
    });
    const order = { open: 0, soon: 1, closed: 2, withdrawn: 3 };
    return {
      ...named,
      ids: every.map((c) => c.id),
      cards: cards
        .filter(({ state, used }) => state !== "withdrawn" || used > 0)
        .filter(({ state }) => showsClosed || state === "open" || state === "soon")
        .sort((a, b) => order[a.state] - order[b.state] || a.closesAt.getTime() - b.closesAt.getTime()),
    };
  });
}

export interface OpenCard {
  id: string;
  name: string;
  school: string;
  zone: string;
  /** How the school writes dates. */
  locale: string;
  card: Card;
  /** The hash of the card's version. */
  hash: string;
  state: FamilyCard["state"];
  opensAt: Date;
  closesAt: Date;
  tries: number;
  used: number;
  mark: number | null;
  best: Go["score"] | null;
}

/** One card of the child whose link this is. The first visit is recorded. */
export async function openCard(link: OpenLink, cardId: string, now = new Date()): Promise<OpenCard> {
  return settled(link, async (tx) => {
    const [row] = await tx
      .select({ card, compiled: cardVersion.compiled, assignment, child, school })
      .from(card)
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .innerJoin(cardVersion, inForce)
      .innerJoin(child, eq(child.id, card.childId))
      .innerJoin(school, eq(school.id, card.schoolId))
      .where(and(eq(card.id, cardId), eq(card.childId, link.childId)));
    if (!row) throw new NotFound("card");
    const { assignment: record } = row;
    const state = stateOf(record, now);
    if (!row.card.openedAt && (state === "open" || state === "closed"))
      await tx
        .update(card)
        .set({ openedAt: now })
        .where(and(eq(card.id, cardId), isNull(card.openedAt)));
    const goes = standing(await goesOf(tx, [cardId]));
    return {
      id: cardId,
      name: row.child.name,
      school: row.school.name,
      zone: row.school.zone,
      locale: row.school.locale,
      card: row.compiled,
      hash: row.card.hash,
      state,
      opensAt: record.opensAt,
      closesAt: record.closesAt,
      tries: record.tries,
      used: goes.length,
      mark: record.mark,
      best: (row.school.showsBest && bestOf(goes)?.score) || null,
    };
  });
}
