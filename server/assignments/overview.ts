import { eq, inArray, sql } from "drizzle-orm";
import { CORRIDOR } from "#core/levels/levels.ts";
import { noticeOf } from "#core/levels/next-week.ts";
import type { PlayScore } from "#core/records/play.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { inSteps } from "../breathe.ts";
import { inForce } from "../cards/versions.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { checkedAmong } from "./checked.ts";
import { type Go, goesOf, hitsOf, standing } from "./goes.ts";
import { looksAt } from "./looks.ts";
import { type AssignmentRow, assignmentsFor } from "./results.ts";

const { assignment, card, cardVersion, child, childForecast, expectedBand, revision } = schema;
const DAY = 86_400_000;
/** For how long after it closed an assignment is looked through for goes to check, days. */
const LOOKED_AFTER = 28;

/** What an assignment needs of its teacher. */
export interface Needs {
  /** Goes worth a look that no teacher has checked. */
  toCheck: number;
  /** Children who missed far too often in their last three goes. */
  tooHard: { id: string; name: string }[];
  /** Children whose home has nothing to play it with. */
  noItems: { id: string; name: string }[];
}

/** The best scores of a class beside the forecast, in the unit of the score. */
export interface Median {
  median: number;
  low: number;
  middle: number;
  high: number;
  unit: PlayScore["unit"];
}

export interface OverviewRow extends AssignmentRow {
  /** Null until somebody has a score that is comparable with the forecast. */
  score: Median | null;
  /** Null: it closed too long ago to need anything. */
  needs: Needs | null;
}

/**
 * What was sent to the teacher's classes, with how it went and what it needs; latest closing time first. `within`: only
 * what is open or closed in this many days. Null: everything.
 */
export async function overviewFor(
  who: SignedIn,
  zone: string,
  { now = new Date(), within = null }: { now?: Date; within?: number | null } = {},
): Promise<OverviewRow[]> {
  const all = await assignmentsFor(who, zone);
  const oldest = within === null ? 0 : now.getTime() - within * DAY;
  const rows = all.filter((row) => (row.withdrawnAt ?? row.closesAt).getTime() > oldest);
  const since = now.getTime() - LOOKED_AFTER * DAY;
  const recent = rows.filter(
    (row) => !row.withdrawnAt && row.closesAt.getTime() > since && row.opensAt.getTime() <= now.getTime(),
  );
  return withTenant(who.schoolId, async (tx) => {
    const ids = rows.map((row) => row.id);
    const scores = await mediansOf(tx, ids);
    const needs = await needsOf(
      tx,
      recent.map((row) => row.id),
    );
    return rows.map((row) => ({
      ...row,
      score: scores.get(row.id) ?? null,
      needs: needs.get(row.id) ?? null,
    }));
  });
}

/**
 * The median of the children's best goes for each assignment, beside what was expected of the children who played.
 * The rules are those of `bestOf`, for goes played as they were sent: among the goes that count, in time, not
 * stopped and not taken back.
 */
async function mediansOf(tx: Tx, ids: readonly string[]): Promise<Map<string, Median>> {
  if (ids.length === 0) return new Map();
  const found = await tx.execute<Record<string, unknown>>(sql`
    with goes as (
      select k.assignment_id, k.id as card_id, a.tries, r.timing, ch.age,
        case when l.corrected then l.score else r.score end as score,
        row_number() over (partition by k.id order by p.started_at, p.id) as place
      from card k
      join assignment a on a.id = k.assignment_id
      join child ch on ch.id = k.child_id
      join result r on r.card_id = k.id
      join play p on p.id = r.play_id
      left join lateral (
        select true as corrected, c.score from result_correction c
        where c.play_id = p.id and not exists (
          select 1 from result_correction later where later.play_id = p.id and later.replaces = c.id
        )
        limit 1
      ) l on p.source = 'paper'
      where ${inArray(sql`k.assignment_id`, [...ids])} and not (l.corrected is true and l.score is null)
    ), best as (
      select distinct on (card_id) card_id, assignment_id, age, (score->>'value')::float8 as value, score->>'unit' as unit
      from goes
      where place <= tries and timing <> 'tooLate' and (score->>'stopped')::boolean is not true
        and coalesce(score->'set', '{}'::jsonb) = '{}'::jsonb
      order by card_id, (score->>'rank')::float8 desc, place
    )
    select b.assignment_id as id, percentile_cont(0.5) within group (order by b.value) as median, min(b.unit) as unit,
      avg(e.low)::float8 as low, avg(e.middle)::float8 as middle, avg(e.high)::float8 as high
    from best b
    join expected_band e on e.assignment_id = b.assignment_id and e.age = b.age
    group by b.assignment_id`);
  return new Map(
    found.rows.map((row) => [
      String(row.id),
      {
        median: Number(row.median),
        low: Number(row.low),
        middle: Number(row.middle),
        high: Number(row.high),
        unit: row.unit as PlayScore["unit"],
      },
    ]),
  );
}

/** What each of these assignments needs. */
async function needsOf(tx: Tx, ids: readonly string[]): Promise<Map<string, Needs>> {
  if (ids.length === 0) return new Map();
  const cards = await tx
    .select({
      id: card.id,
      assignmentId: card.assignmentId,
      childId: child.id,
      name: child.name,
      age: child.age,
      status: sql<string | null>`${cardVersion.compiled}->'home'->>'status'`,
      byEnd: sql<boolean | null>`${revision.document}->'levels'->>'of' = 'end'`,
    })
    .from(card)
    .innerJoin(child, eq(child.id, card.childId))
    .innerJoin(cardVersion, inForce)
    .innerJoin(assignment, eq(assignment.id, card.assignmentId))
    .innerJoin(revision, eq(revision.id, assignment.revisionId))
    .where(inArray(card.assignmentId, [...ids]));
  const goes = await goesOf(
    tx,
    cards.map((row) => row.id),
  );
  const checked = await checkedAmong(
    tx,
    goes.map((go) => go.playId),
  );
  const bands = await tx
    .select()
    .from(expectedBand)
    .where(inArray(expectedBand.assignmentId, [...ids]));
  const band = new Map(
    bands.map(({ assignmentId, age, low, middle, high, holds, rare }) => [
      `${assignmentId} ${age}`,
      { low, middle, high, holds, rare: rare?.from ?? null },
    ]),
  );
  const childIds = [...new Set(cards.map((row) => row.childId))];
  const forecasts =
    childIds.length === 0
      ? []
      : await tx
          .select({ unlikely: childForecast.unlikely })
          .from(childForecast)
          .where(inArray(childForecast.childId, childIds));
  const unlikely = new Map(forecasts.flatMap((row) => row.unlikely.map((one) => [one.play, one] as const)));
  const byCard = new Map<string, Go[]>();
  for (const go of goes) byCard.set(go.cardId, [...(byCard.get(go.cardId) ?? []), go]);
  const out = new Map<string, Needs>(ids.map((id) => [id, { toCheck: 0, tooHard: [], noItems: [] }]));
  await inSteps(cards, (row) => {
    const needs = out.get(row.assignmentId)!;
    const mine = standing(byCard.get(row.id) ?? []);
    needs.toCheck += mine.filter(
      (go) =>
        !checked.has(go.playId) &&
        looksAt(go, band.get(`${row.assignmentId} ${row.age}`), unlikely.get(go.playId)).length > 0,
    ).length;
    const alone = mine
      .filter((go) => go.setup.players === 1)
      .reverse()
      .map((go) => (row.byEnd ? { hits: go.score.finished ? 1 : 0, sends: 1 } : hitsOf(go)));
    if (noticeOf({ goes: alone, came: mine.length > 0 }, CORRIDOR) === "stuck")
      needs.tooHard.push({ id: row.childId, name: row.name });
    if (row.status === "noKit" && mine.length === 0) needs.noItems.push({ id: row.childId, name: row.name });
  });
  return out;
}
