import { and, count, eq, inArray, lt, lte, sql } from "drizzle-orm";
import { purgeChild } from "../children/purge.ts";
import { schema, systemDb, type Tx, withTenant } from "../db/client.ts";
import { log } from "../web/log.ts";
import { plainError } from "../web/plain-error.ts";
import { bandsOf, rareOf } from "./bands.ts";
import { cardsOf } from "./cards.ts";
import { evidenceOfChild } from "./evidence.ts";

const { job } = schema;
export type JobKind = "cards" | "expected" | "rare" | "evidence" | "erase";

/** If a copy does not finish a piece of work within this time, another copy takes it, seconds. */
const LEASE = 60;
/** The delay before failed work is tried again, doubled each time, seconds, and the most tries. */
const FIRST_REST = 30;
const MAX_FAILURES = 8;
const AT_ONCE = 20;
/** The delay between pieces of longer work, so that other work gets a turn, seconds. */
const AFTER = 1;

/** Does one piece of each kind of work. True: there is more to do, after whatever else is waiting. */
const WORK: Record<JobKind, (schoolId: string, about: string) => Promise<unknown>> = {
  cards: cardsOf,
  expected: bandsOf,
  rare: rareOf,
  evidence: evidenceOfChild,
  erase: (schoolId, childId) => purgeChild(schoolId, childId),
};

/**
 * Asks for work within a transaction. It is due once the transaction commits, and repeated requests are done once.
 * `inSeconds`: the delay.
 */
export async function enqueue(
  tx: Tx,
  schoolId: string,
  kind: JobKind,
  about: readonly string[],
  inSeconds = 0,
): Promise<void> {
  if (about.length === 0) return;
  const dueAt = sql`now() + make_interval(secs => ${inSeconds})`;
  await tx
    .insert(job)
    .values(about.map((id) => ({ schoolId, kind, about: id, dueAt: dueAt as never })))
    .onConflictDoUpdate({
      target: [job.schoolId, job.kind, job.about],
      set: { dueAt: dueAt as never, asked: sql`${job.asked} + 1`, failed: 0 },
    });
}

/** Does one piece of work unless another copy has it. False: another copy has it, or it is no longer due. */
async function runJob(schoolId: string, kind: JobKind, about: string): Promise<boolean> {
  const mine = and(eq(job.schoolId, schoolId), eq(job.kind, kind), eq(job.about, about));
  const [claimed] = await withTenant(schoolId, (tx) =>
    tx
      .update(job)
      .set({ dueAt: sql`now() + make_interval(secs => ${LEASE})` as never })
      .where(and(mine, lte(job.dueAt, sql`now()`)))
      .returning({ asked: job.asked, failed: job.failed }),
  );
  if (!claimed) return false;
  try {
    if ((await WORK[kind](schoolId, about)) === true)
      await withTenant(schoolId, (tx) => enqueue(tx, schoolId, kind, [about], AFTER));
    // If it was asked for again in the meantime, it stays.
    await withTenant(schoolId, (tx) => tx.delete(job).where(and(mine, eq(job.asked, claimed.asked))));
  } catch (error) {
    const failed = claimed.failed + 1;
    log.error({ job: kind, failed, error: plainError(error) }, "work failed");
    const rest = failed >= MAX_FAILURES ? 365 * 86_400 : FIRST_REST * 2 ** (failed - 1);
    await withTenant(schoolId, (tx) =>
      tx
        .update(job)
        .set({ failed, dueAt: sql`now() + make_interval(secs => ${rest})` as never })
        .where(and(mine, eq(job.asked, claimed.asked))),
    );
  }
  return true;
}

/** Does everything that is due for all schools. Returns how many pieces there were. */
export async function drainQueue(): Promise<number> {
  let count = 0;
  for (;;) {
    const due = await systemDb<{ school_id: string; kind: JobKind; about: string }>(
      sql`select * from public.yard_due_jobs(${AT_ONCE})`,
    );
    let some = false;
    for (const d of due) some = (await runJob(d.school_id, d.kind, d.about)) || some;
    if (!some) return count;
    count += due.length;
  }
}

/** How often to look for work that is due, milliseconds. A request in this copy wakes the runner at once. */
const EVERY = 1000;
let wake: (() => void) | null = null;
/** Says that there may be work now. */
export const wakeJobRunner = (): void => wake?.();

/** Does what is due as long as the server runs. Returns a function that stops it. */
export function startJobRunner(): () => Promise<void> {
  let ended = false;
  const loop = (async () => {
    while (!ended) {
      try {
        await drainQueue();
      } catch (error) {
        log.error({ error: plainError(error) }, "work not reached");
      }
      await new Promise<void>((done) => {
        const timer = setTimeout(done, EVERY);
        wake = () => {
          clearTimeout(timer);
          done();
        };
      });
    }
  })();
  return async () => {
    ended = true;
    wakeJobRunner();
    await loop;
  };
}

/** True if work is asked for and not done yet. */
export async function isQueued(tx: Tx, kind: JobKind, about: string): Promise<boolean> {
  const rows = await tx
    .select({ about: job.about })
    .from(job)
    .where(and(eq(job.kind, kind), eq(job.about, about)));
  return rows.length > 0;
}

/** How many of these still wait for a kind of work. What failed for good is not waited for. */
export async function queuedOf(tx: Tx, kind: JobKind, about: readonly string[]): Promise<number> {
  if (about.length === 0) return 0;
  const [row] = await tx
    .select({ left: count() })
    .from(job)
    .where(and(eq(job.kind, kind), inArray(job.about, [...about]), lt(job.failed, MAX_FAILURES)));
  return row!.left;
}

/** Does work now, before it is due, if it was asked for. Stops waiting after `patience`, milliseconds. */
export async function runNow(schoolId: string, kind: JobKind, about: string, patience: number): Promise<void> {
  const asked = await withTenant(schoolId, async (tx) => {
    const rows = await tx
      .update(job)
      .set({ dueAt: sql`least(${job.dueAt}, now())` as never })
      .where(and(eq(job.kind, kind), eq(job.about, about)))
      .returning({ about: job.about });
    return rows.length > 0;
  });
  if (!asked) return;
  await Promise.race([runJob(schoolId, kind, about), new Promise((done) => setTimeout(done, patience).unref())]);
}
