import { and, asc, desc, eq, gt, or, sql } from "drizzle-orm";
import { BARE_FIELD, UNIT_FIELD } from "#core/compile/bare.ts";
import type { Card } from "#core/compile/card.ts";
import type { Decided } from "#core/compile/swap.ts";
import type { GameSettings, Unit } from "#core/contract/contract.ts";
import type { RecordedEvent } from "#core/events/events.ts";
import { gameSettingsOf } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { HandIn, HandInSent, PlayedGame, PlayScore, Receipt } from "#core/records/play.ts";
import { rankOf } from "#core/records/rank.ts";
import { aimedBy } from "#core/referee/aimed.ts";
import { even } from "#core/referee/even.ts";
import { hurried } from "#core/referee/hurried.ts";
import { replay, view } from "#core/referee/referee.ts";
import { inForce } from "../cards/versions.ts";
import { compute } from "../compute/compute.ts";
import { contentHash } from "../content-hash.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { enqueue } from "../jobs/jobs.ts";
import type { OpenLink } from "../links/open-link.ts";
import { NotAllowed, NotFound } from "../problem.ts";

const { assignment, card, cardVersion, child, play, playConflict, playEvent, result } = schema;

/** How long after closing a go can still be handed in if it was begun before, hours. */
const GRACE_HOURS = 48;
/**
 * The most goes that a card accepts from devices in a day, more than any child plays. Further ones wait on the
 * device.
 */
export const MAX_GOES_A_DAY = 40;
const DAY = 86_400_000;
/** The evidence of a go is worked out after nothing more of it has arrived for this long, seconds. */
const EVIDENCE_AFTER = 10;
/** A device clock that is farther ahead of ours, or before the opening time, must be wrong, minutes. */
const CLOCK_SLACK = 10;

/**
 * Takes what a device sends of one go: its events and, at the end, the result. Sent again, it changes nothing and
 * gets the same receipt. Different content under a key that is taken is stored separately for the teacher. One
 * transaction: all of it or nothing.
 */
export async function acceptSubmission(link: OpenLink, sent: HandInSent, now = new Date()): Promise<Receipt> {
  const had = await playedCard(link, sent);
  return withTenant(link.schoolId, async (tx) => {
    const [where] = await tx
      .select({ assignment, compiled: cardVersion.compiled, age: child.age })
      .from(card)
      .innerJoin(child, eq(child.id, card.childId))
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .innerJoin(cardVersion, inForce)
      .where(and(eq(card.id, sent.card), eq(card.childId, link.childId)));
    if (!where) throw new NotFound("card");
    // Two submissions to one card wait for each other, so that the second finds what the first stored, and the daily
    // limit is exact.
    await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`card ${sent.card}`}, 0))`);
    await roomToday(tx, sent, now);
    const deviceTime = new Date(sent.startedAt);
    // Nothing is handed in before it was begun. A clock that is ahead is not trusted.
    const ahead = deviceTime.getTime() > now.getTime() + CLOCK_SLACK * 60_000;
    const startedAt = ahead ? now : deviceTime;
    const doubt = ahead || deviceTime.getTime() < where.assignment.opensAt.getTime() - CLOCK_SLACK * 60_000;
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
        cardHash: had?.hash ?? null,
        decided: had ? (sent.decided ?? null) : null,
        game: had?.game ?? null,
        startedAt,
        receivedAt: now,
        clockDoubt: doubt,
      })
      .onConflictDoNothing();
    const [kept] = await tx.select().from(play).where(eq(play.id, sent.play));
    if (!kept || kept.cardId !== sent.card) throw NotAllowed.of("play", "This go belongs to another card.");

    const receipt: Receipt = { play: sent.play, kept: [], conflicts: [], result: null };
    await takeEvents(tx, link.schoolId, sent, receipt, now);
    if (sent.result)
      receipt.result = await takeResult(tx, {
        schoolId: link.schoolId,
        sent,
        asked: sent.result,
        kept,
        closesAt: where.assignment.closesAt,
        age: where.age,
        games: gamesOf(kept, had?.compiled ?? where.compiled),
        usual: opened(where.compiled.activity).possible.unit,
        now,
      });
    await enqueue(tx, link.schoolId, "evidence", [link.childId], EVIDENCE_AFTER);
    return receipt;
  });
}

/** The card has accepted the most goes for today. The next one can be sent after this many seconds. */
export class TooManyGoes extends Error {
  constructor(readonly seconds: number) {
    super(
      `This game takes ${MAX_GOES_A_DAY} goes a day. This go is saved on your device and will be handed in tomorrow.`,
    );
  }
}
/** Refuses another go of a card beyond the daily limit. A go that was begun can always be continued. */
async function roomToday(tx: Tx, sent: HandInSent, now: Date): Promise<void> {
  const rows = await tx
    .select({ id: play.id, at: play.receivedAt })
    .from(play)
    .where(
      and(
        eq(play.cardId, sent.card),
        eq(play.source, "device"),
        or(eq(play.id, sent.play), gt(play.receivedAt, new Date(now.getTime() - DAY))),
      ),
    )
    .orderBy(desc(play.receivedAt));
  if (rows.length < MAX_GOES_A_DAY || rows.some((row) => row.id === sent.play)) return;
  const free = rows[MAX_GOES_A_DAY - 1]!.at.getTime() + DAY;
  throw new TooManyGoes(Math.max(1, Math.ceil((free - now.getTime()) / 1000)));
}

async function takeEvents(tx: Tx, schoolId: string, sent: HandInSent, receipt: Receipt, now: Date): Promise<void> {
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
    receipt.kept.push(...rows.map((row) => row.seq));
    return;
  }
  const known = await tx
    .select({ seq: playEvent.seq, hash: playEvent.contentHash })
    .from(playEvent)
    .where(eq(playEvent.playId, sent.play));
  const hashes = new Map(known.map((k) => [k.seq, k.hash]));
  for (const row of rows) {
    if (hashes.get(row.seq) === row.contentHash) receipt.kept.push(row.seq);
    else {
      receipt.conflicts.push(row.seq);
      await tx
        .insert(playConflict)
        .values({
          schoolId,
          playId: sent.play,
          seq: row.seq,
          content: row.event,
          contentHash: row.contentHash,
          receivedAt: now,
        })
        .onConflictDoNothing();
    }
  }
}

/**
 * What is needed to score and time a result. `games`: the rules to replay it under, the most exact first. `usual`:
 * the unit if the child plays alone.
 */
interface Handed {
  schoolId: string;
  sent: HandInSent;
  asked: NonNullable<HandInSent["result"]>;
  kept: typeof play.$inferSelect;
  closesAt: Date;
  age: number;
  games: readonly GameSettings[];
  usual: Unit;
  now: Date;
}
async function takeResult(
  tx: Tx,
  { schoolId, sent, asked, kept, closesAt, age, games, usual, now }: Handed,
): Promise<string> {
  const stored = await tx.select().from(playEvent).where(eq(playEvent.playId, sent.play)).orderBy(asc(playEvent.seq));
  if (stored.length < asked.events || stored.some((r, i) => r.seq !== i))
    throw NotAllowed.of(
      "send",
      `The result has ${asked.events} events, but ${stored.length} have arrived. Send the rest first.`,
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
  const closed = closesAt.getTime();
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
    score: asPlayed(scoreOf(games, kept.setup, events, kept.rulesVersion, age), kept.decided, usual),
    reflection: asked.reflection,
    contentHash: hash,
    timing,
    handedAt: now,
  });
  return hash;
}

/**
 * A go without equipment is marked as such, and so is one whose score has another unit than the child's alone. Each
 * is compared only with others of its kind.
 */
function asPlayed(playScore: PlayScore, decided: Decided | null, usual: Unit): PlayScore {
  if (decided?.bare) return { ...playScore, set: { ...playScore.set, [BARE_FIELD]: true } };
  return playScore.unit === usual
    ? playScore
    : { ...playScore, set: { ...playScore.set, [UNIT_FIELD]: playScore.unit } };
}

/** The games under which a go is replayed: as this home played it, otherwise as its card was compiled. */
function gamesOf(kept: typeof play.$inferSelect, compiled: Card): GameSettings[] {
  const sent = gameSettingsOf(compiled.activity);
  return kept.game ? [kept.game.pattern as GameSettings, sent] : [sent];
}

const hasDecided = (decided: Decided | null): decided is Decided =>
  decided !== null &&
  (decided.home !== null || decided.bare === true || decided.also.length > 0 || Object.keys(decided.fixed).length > 0);

/** The parts of a card that later calculations need. */
function gameOf(givenCard: Card): PlayedGame {
  const activity = givenCard.activity;
  return {
    pattern: {
      ...activity.pattern,
      match: activity.match,
      ...(activity.family.length > 0 && { family: activity.family }),
      ...(activity.setOut && { setOut: activity.setOut }),
      ...(activity.between && { between: activity.between }),
    },
    action: activity.aim.action,
    send: activity.kit.send,
    floor: activity.space.floor,
    distances: Object.fromEntries(givenCard.markers.map((marker) => [marker.id, marker.reached])),
  };
}

/**
 * The version of the card that a go was played with, compiled again with the family's choices. Null if the device
 * does not say which version it had (a page stored by an earlier version of the application), or names one that never
 * existed. Such a go is scored by the card in force, and marked.
 */
async function playedCard(
  link: OpenLink,
  sent: HandInSent,
): Promise<{ hash: string; compiled: Card; game: PlayedGame } | null> {
  const { cardHash: hash = null, decided = null } = sent;
  if (hash === null) return null;
  const found = await withTenant(link.schoolId, async (tx) => {
    const [version] = await tx
      .select({ compiled: cardVersion.compiled })
      .from(cardVersion)
      .innerJoin(card, eq(card.id, cardVersion.cardId))
      .where(and(eq(cardVersion.cardId, sent.card), eq(cardVersion.hash, hash), eq(card.childId, link.childId)));
    const [before] = await tx.select({ game: play.game }).from(play).where(eq(play.id, sent.play));
    return version && { compiled: version.compiled, game: before?.game ?? null };
  });
  if (!found) return null;
  const { compiled, game } = found;
  if (game) return { hash, compiled, game };
  const { making } = compiled;
  const played = making && hasDecided(decided) ? await compute("remade", making, decided) : compiled;
  return { hash, compiled, game: gameOf(played) };
}

/** The score of the child's own side. The child is always the first player. */
export function scoreOf(
  games: readonly GameSettings[],
  setup: HandIn["setup"],
  events: readonly RecordedEvent[],
  version?: number,
  age?: number,
): PlayScore {
  const replayed = games.map((game) => replay(game, setup, events, version));
  const best = replayed.find((eachReplayed) => !eachReplayed.refused) ?? replayed[replayed.length - 1]!;
  if (best.refused)
    throw NotAllowed.of(
      "events",
      `Number ${best.seq + 1} of what happened breaks the rules of the game (${best.refused.key}).`,
    );
  const now = view(best.play);
  const side = now.score.findIndex((eachScore) => eachScore.players.includes(0));
  const score = now.score[side]!;
  const reached = now.progress[side]!;
  const compared = {
    value: reached.own,
    unit: score.unit,
    better: score.better,
    finished: reached.finished,
    stage: reached.stage,
  };
  const aimed = aimedBy(best.play, 0);
  return {
    ...compared,
    ...(Object.keys(aimed).length > 0 && { aimed }),
    ...(Object.keys(now.set).length > 0 && { set: now.set }),
    match: score.value === reached.own ? null : score.value,
    rank: rankOf(compared),
    working: score.working,
    sends: reached.sends,
    stages: reached.stages,
    ...(hurried(best.play, age) && { hurried: true as const }),
    ...(even(best.play) && { even: true as const }),
    stopped: now.done !== "over",
    won: now.ending && now.ending.winners.length > 0 ? now.ending.winners.includes(side) : null,
    seconds: Math.round(Math.max(0, (events[events.length - 1]?.at ?? 0) - now.still) / 1000),
  };
}
