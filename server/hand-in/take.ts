import { and, asc, eq, sql } from "drizzle-orm";
import type { PlayEvent } from "#core/records/events.ts";
import type { HandIn, PlayScore, Receipt } from "#core/records/play.ts";
import { replay, view } from "#core/referee/referee.ts";
import { contentHash } from "../assignments/send.ts";
import { inSchool, schema, type Tx } from "../db/client.ts";
import type { OpenLink } from "../links/open-link.ts";
import { NotAllowed, NotFound } from "../problem.ts";

const { assignment, card, play, playConflict, playEvent, result } = schema;

/** A go begun before closing may still be handed in so long after it, hours. */
const GRACE_HOURS = 48;
/** A device clock ahead of ours by more, or behind the opening, cannot be right; minutes. */
const CLOCK_SLACK = 10;

/**
 * Takes what a device sends of one go: events and, at its end, the result. Sent again, it changes nothing and gets the same
 * receipt; other content under a key that is taken is kept beside, for the teacher. One transaction: all of it or nothing.
 */
export function takeHandIn(link: OpenLink, sent: HandIn, now = new Date()): Promise<Receipt> {
  return inSchool(link.schoolId, async (tx) => {
    const [where] = await tx
      .select({ card, assignment })
      .from(card)
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .where(and(eq(card.id, sent.card), eq(card.childId, link.childId)));
    if (!where) throw new NotFound("card");
    // Two sendings of one go wait for each other, so that the second finds what the first kept.
    await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${sent.play}, 0))`);
    const startedAt = new Date(sent.startedAt);
    const doubt =
      startedAt.getTime() > now.getTime() + CLOCK_SLACK * 60_000 ||
      startedAt.getTime() < where.assignment.opensAt.getTime() - CLOCK_SLACK * 60_000;
    await tx
      .insert(play)
      .values({
        id: sent.play,
        schoolId: link.schoolId,
        cardId: sent.card,
        device: sent.device,
        source: "device",
        setup: sent.setup,
        rulesVersion: sent.rulesVersion,
        startedAt,
        receivedAt: now,
        clockDoubt: doubt,
      })
      .onConflictDoNothing();
    const [kept] = await tx.select().from(play).where(eq(play.id, sent.play));
    if (!kept || kept.cardId !== sent.card) throw NotAllowed.of("play", "play: this go belongs to another card");

    const receipt: Receipt = { play: sent.play, kept: [], conflicts: [], result: null };
    await takeEvents(tx, link.schoolId, sent, receipt, now);
    if (sent.result)
      receipt.result = await takeResult(
        tx,
        link.schoolId,
        sent,
        kept,
        where.assignment,
        where.card.compiled.activity.pattern,
        now,
      );
    return receipt;
  });
}

async function takeEvents(tx: Tx, schoolId: string, sent: HandIn, receipt: Receipt, now: Date): Promise<void> {
  if (sent.events.length === 0) return;
  const rows = sent.events.map(({ seq, event }) => ({
    schoolId,
    playId: sent.play,
    seq,
    event,
    contentHash: contentHash(event),
    receivedAt: now,
  }));
  const added = await tx.insert(playEvent).values(rows).onConflictDoNothing().returning({ seq: playEvent.seq });
  const isNew = new Set(added.map((r) => r.seq));
  if (isNew.size === rows.length) {
    receipt.kept.push(...rows.map((r) => r.seq));
    return;
  }
  const known = await tx
    .select({ seq: playEvent.seq, hash: playEvent.contentHash })
    .from(playEvent)
    .where(eq(playEvent.playId, sent.play));
  const hashes = new Map(known.map((k) => [k.seq, k.hash]));
  for (const r of rows) {
    if (hashes.get(r.seq) === r.contentHash) receipt.kept.push(r.seq);
    else {
      receipt.conflicts.push(r.seq);
      await tx
        .insert(playConflict)
        .values({
          schoolId,
          playId: sent.play,
          seq: r.seq,
          content: r.event,
          contentHash: r.contentHash,
          receivedAt: now,
        })
        .onConflictDoNothing();
    }
  }
}

async function takeResult(
  tx: Tx,
  schoolId: string,
  sent: HandIn,
  kept: typeof play.$inferSelect,
  sending: { opensAt: Date; closesAt: Date },
  game: { name: string; params: unknown },
  now: Date,
): Promise<string> {
  const stored = await tx.select().from(playEvent).where(eq(playEvent.playId, sent.play)).orderBy(asc(playEvent.seq));
  const asked = sent.result!;
  if (stored.length < asked.events || stored.some((r, i) => r.seq !== i))
    throw NotAllowed.of(
      "events",
      `events: the result speaks of ${asked.events} events, ${stored.length} have arrived; send the rest first`,
    );
  const events = stored.slice(0, asked.events).map((r) => r.event);
  const content = { reflection: asked.reflection, events: asked.events };
  const hash = contentHash(content);
  const [before] = await tx.select().from(result).where(eq(result.playId, sent.play));
  if (before) {
    if (before.contentHash !== hash)
      await tx
        .insert(playConflict)
        .values({ schoolId, playId: sent.play, seq: -1, content, contentHash: hash, receivedAt: now })
        .onConflictDoNothing();
    return before.contentHash;
  }
  const closed = sending.closesAt.getTime();
  const timing =
    now.getTime() <= closed
      ? "inTime"
      : kept.startedAt.getTime() <= closed && now.getTime() <= closed + GRACE_HOURS * 3_600_000
        ? "sentLater"
        : "tooLate";
  await tx.insert(result).values({
    playId: sent.play,
    schoolId,
    cardId: sent.card,
    score: scoreOf(game, kept.setup, events),
    reflection: asked.reflection,
    contentHash: hash,
    timing,
    handedAt: now,
  });
  return hash;
}

/** The child's own side of a go: the child is always the first player. */
export function scoreOf(
  game: { name: string; params: unknown },
  setup: HandIn["setup"],
  events: readonly PlayEvent[],
): PlayScore {
  const told = replay(game, setup, events);
  if (told.refused)
    throw NotAllowed.of("events", `events: number ${told.seq + 1} is not allowed by the rules (${told.refused.key})`);
  const v = view(told.play);
  const side = v.score.findIndex((s) => s.players.includes(0));
  const score = v.score[side]!;
  const tally = v.tally[side]!;
  return {
    value: tally.own,
    match: score.value === tally.own ? null : score.value,
    unit: score.unit,
    rank: score.unit === "points" ? tally.own : score.rank,
    working: score.working,
    sends: tally.sends,
    stage: tally.stage,
    stages: tally.stages,
    finished: tally.finished,
    stopped: v.done !== "over",
    won: v.ending && v.ending.winners.length > 0 ? v.ending.winners.includes(side) : null,
    seconds: Math.round((events[events.length - 1]?.at ?? 0) / 1000),
  };
}
