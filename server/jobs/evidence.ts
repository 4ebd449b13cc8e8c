import { and, asc, eq, inArray, sql } from "drizzle-orm";
import type { Card } from "#core/compile/card.ts";
import type { Decided } from "#core/compile/swap.ts";
import type { GoReported } from "#core/estimate/unlikely.ts";
import { MODEL_VERSION } from "#core/model.ts";
import { correctionsOf } from "../assignments/corrected.ts";
import { evidenceRows, type LeftOut, weekOf } from "../children/known.ts";
import { compute } from "../compute/compute.ts";
import { rowsIn, schema, withTenant } from "../db/client.ts";
import type { ForecastSeen } from "../db/schema.ts";
import { log } from "../web/log.ts";

const { card, cardVersion, child, childForecast, evidence, play, playEvent, result } = schema;
/** How many goes one piece of work handles, so that other work gets its turn. */
const AT_ONCE = 12;
/** Log-likelihoods are stored to this many places. */
const PLACES = 1e4;

/**
 * Works out what a child's goes say about them: every go, also those that were given up, and again those that have
 * new events or corrections. Returns true if there is more to do.
 */
export async function evidenceOfChild(schoolId: string, childId: string): Promise<boolean> {
  const asked = await withTenant(schoolId, async (tx) => {
    const [me] = await tx.select({ age: child.age }).from(child).where(eq(child.id, childId));
    if (!me) return null;
    const events = tx
      .select({ playId: playEvent.playId, n: sql<number>`count(*)::int`.as("n") })
      .from(playEvent)
      .innerJoin(play, eq(play.id, playEvent.playId))
      .innerJoin(card, eq(card.id, play.cardId))
      .where(eq(card.childId, childId))
      .groupBy(playEvent.playId)
      .as("events");
    const done = tx
      .select({
        playId: evidence.playId,
        known: sql<number>`min(${evidence.known})`.as("known"),
        model: sql<number>`min(${evidence.model})`.as("model"),
      })
      .from(evidence)
      .where(eq(evidence.childId, childId))
      .groupBy(evidence.playId)
      .as("done");
    const goes = await tx
      .select({
        play,
        score: result.score,
        n: sql<number>`coalesce(${events.n}, 0)`,
        known: done.known,
        model: done.model,
      })
      .from(play)
      .innerJoin(card, eq(card.id, play.cardId))
      .leftJoin(result, eq(result.playId, play.id))
      .leftJoin(events, eq(events.playId, play.id))
      .leftJoin(done, eq(done.playId, play.id))
      .where(eq(card.childId, childId))
      .orderBy(asc(play.startedAt), asc(play.id));
    const paper = [...new Set(goes.filter((go) => go.play.source === "paper").map((go) => go.play.cardId))];
    const corrected = paper.length > 0 ? await correctionsOf(tx, paper) : new Map();
    const counts = new Map(
      (paper.length > 0
        ? await rowsIn<{ play_id: string; n: number }>(
            tx,
            sql`select play_id, count(*)::int as n from result_correction where play_id in (select p.id from play p join card k on k.id = p.card_id where k.child_id = ${childId}) group by play_id`,
          )
        : []
      ).map((r) => [r.play_id, r.n]),
    );
    const played = goes.map((go) => {
      const is = corrected.get(go.play.id);
      const paperGo = go.play.source === "paper";
      return { ...go, knows: paperGo ? (counts.get(go.play.id) ?? 0) : go.n, score: is ? is.score : go.score };
    });
    const open = played.filter((g) => g.known !== g.knows || g.model !== MODEL_VERSION);
    const some = [];
    for (const g of open.slice(0, AT_ONCE)) {
      const rows = await tx
        .select({ event: playEvent.event })
        .from(playEvent)
        .where(eq(playEvent.playId, g.play.id))
        .orderBy(asc(playEvent.seq));
      const [version] = await tx
        .select({ compiled: cardVersion.compiled })
        .from(cardVersion)
        .innerJoin(card, eq(card.id, cardVersion.cardId))
        .where(
          and(
            eq(cardVersion.cardId, g.play.cardId),
            g.play.cardHash ? eq(cardVersion.hash, g.play.cardHash) : eq(cardVersion.hash, card.hash),
          ),
        );
      some.push({ ...g, events: rows.map((row) => row.event), compiled: version?.compiled ?? null });
    }
    return { age: me.age, goes: some, more: open.length > AT_ONCE };
  });
  if (!asked) return false;
  const played = await asPlayed(asked.goes);
  const known = asked.goes.flatMap((go, i) => (played[i] ? [{ ...go, activity: played[i].activity }] : []));
  const results = await compute(
    "evidence",
    known.map(({ activity, play: row, events, score }) => {
      return { activity, setup: row.setup, events, version: row.rulesVersion, age: asked.age, score };
    }),
  );
  const byPlay = new Map(known.map((g, i) => [g.play.id, results[i]!]));
  for (const { broke } of results) if (broke) log.error({ job: "evidence", error: broke }, "a go could not be read");
  const rows = asked.goes.flatMap((go): (typeof evidence.$inferInsert)[] => {
    const is = byPlay.get(go.play.id);
    const why: LeftOut = !is ? "cardUnknown" : is.broke ? "unreadable" : is.refused ? "refused" : "silent";
    const base = {
      schoolId,
      playId: go.play.id,
      childId,
      model: MODEL_VERSION,
      known: go.knows,
      at: go.play.startedAt,
    };
    const all = (is?.evidence ?? []).map((eachEvidence) => {
      return {
        ...base,
        action: eachEvidence.action as string,
        axis: eachEvidence.axis,
        tries: eachEvidence.tries,
        ll: eachEvidence.ll.map(rounded),
        hits: eachEvidence.hits,
        means: eachEvidence.means.length > 0 ? eachEvidence.means.map(rounded) : null,
      };
    });
    return all.length > 0 ? all : [{ ...base, action: why, axis: "none", tries: 0, ll: [] }];
  });
  if (rows.length > 0)
    await withTenant(schoolId, async (tx) => {
      await tx.delete(evidence).where(
        inArray(
          evidence.playId,
          asked.goes.map((go) => go.play.id),
        ),
      );
      await tx.insert(evidence).values(rows).onConflictDoNothing();
    });
  if (!asked.more) await keepForecasts(schoolId, childId, asked.age);
  return asked.more;
}

/** How many of a child's newest goes are checked for more hits than earlier ones suggest. */
const LOOKED_AT = 40;
/** Stores the forecast of each go of a child next to its result. */
async function keepForecasts(schoolId: string, childId: string, age: number): Promise<void> {
  const { rows, before } = await withTenant(schoolId, async (tx) => {
    const [kept] = await tx
      .select({ unlikely: childForecast.unlikely })
      .from(childForecast)
      .where(eq(childForecast.childId, childId));
    return { rows: await evidenceRows(tx, [childId]), before: kept?.unlikely ?? [] };
  });
  const inOrder = [...rows].sort((a, b) => a.at.getTime() - b.at.getTime());
  const seen = inOrder.flatMap((evidenceRow): GoReported[] => {
    const { axis, tries, hits, means, ll } = evidenceRow;
    // Each action is known separately.
    return means
      ? [
          {
            child: evidenceRow.action,
            play: evidenceRow.playId,
            age,
            axis,
            week: weekOf(evidenceRow.at),
            tries,
            hits,
            means,
            ll,
          },
        ]
      : [];
  });
  // The newest are checked again, because a go may arrive late. What was said about older ones stands.
  const recent = new Set(seen.slice(-LOOKED_AT).map((go) => go.play));
  const named = await compute("unlikely", seen, LOOKED_AT);
  const unlikely = [
    ...before.filter(
      (eachUnlikely) => !recent.has(eachUnlikely.play) && seen.some((go) => go.play === eachUnlikely.play),
    ),
    ...named.map((eachUnlikely) => ({ ...eachUnlikely, expected: rounded(eachUnlikely.expected) })),
  ];
  const goes = (await compute("forecasted", seen)).map(
    ({ week, tries, hits, forecast, byAge, low, high, holds }): ForecastSeen => ({
      week,
      tries,
      hits,
      forecast: rounded(forecast),
      byAge: rounded(byAge),
      low: rounded(low),
      high: rounded(high),
      holds: rounded(holds),
    }),
  );
  await withTenant(schoolId, (tx) =>
    tx
      .insert(childForecast)
      .values({ schoolId, childId, model: MODEL_VERSION, goes, unlikely })
      .onConflictDoUpdate({
        target: [childForecast.schoolId, childForecast.childId],
        set: { model: MODEL_VERSION, goes, unlikely },
      }),
  );
}
const rounded = (x: number) => Math.round(x * PLACES) / PLACES;

/** The card as each go was played, one object for all its goes. Null: unknown, so the go says nothing. */
async function asPlayed(
  goes: readonly { play: typeof play.$inferSelect; compiled: Card | null }[],
): Promise<(Card | null)[]> {
  const made = new Map<string, Card>();
  const out: (Card | null)[] = [];
  for (const { play: p, compiled } of goes) {
    if (!compiled) {
      out.push(null);
      continue;
    }
    const key = JSON.stringify([p.cardId, p.cardHash, p.decided]);
    const decided = p.decided as Decided | null;
    const is =
      made.get(key) ?? (compiled.making && decided ? await compute("remade", compiled.making, decided) : compiled);
    made.set(key, is);
    out.push(is);
  }
  return out;
}
