import { and, eq, inArray, ne, sql } from "drizzle-orm";
import type { Axis } from "#core/estimate/grid.ts";
import { type Estimate, estimateOf, type Observation, posterior } from "#core/estimate/posterior.ts";
import { breather } from "../breathe.ts";
import { schema, type Tx } from "../db/client.ts";

const { evidence } = schema;
const WEEK = 7 * 86_400_000;
/** Weeks since 1970, to tell how far apart goes are. */
export const weekOf = (at: Date): number => Math.floor(at.getTime() / WEEK);

/** What is known of a child for one action. */
export interface KnownAction {
  spread?: Estimate;
  skill?: Estimate;
  /** The tries behind it, and the last one. */
  tries: number;
  last: Date;
}
export type Known = ReadonlyMap<string, KnownAction>;
/**
 * Why a go says nothing: its card is unknown, the rules refuse its events, it cannot be read, or it has no try of the
 * child alone.
 */
export const LEFT_OUT = ["cardUnknown", "refused", "unreadable", "silent"] as const;
export type LeftOut = (typeof LEFT_OUT)[number];
/** How many goes of some children say nothing, by reason. */
export async function leftOutOf(tx: Tx, childIds: readonly string[]): Promise<Record<LeftOut, number>> {
  const out: Record<LeftOut, number> = { cardUnknown: 0, refused: 0, unreadable: 0, silent: 0 };
  if (childIds.length === 0) return out;
  const rows = await tx
    .select({ why: evidence.action, n: sql<number>`count(*)::int` })
    .from(evidence)
    .where(and(inArray(evidence.childId, [...childIds]), eq(evidence.axis, "none")))
    .groupBy(evidence.action);
  // Rows from earlier versions have no reason and count as silent.
  for (const row of rows) out[LEFT_OUT.find((word) => word === row.why) ?? "silent"] += row.n;
  return out;
}

/** What one go contributes. */
export interface EvidenceRow {
  childId: string;
  playId: string;
  action: string;
  axis: Axis;
  at: Date;
  tries: number;
  ll: number[];
  hits: number;
  means: number[] | null;
}

/** Goes that say something about some children. */
const ofChildren = (ids: readonly string[]) => and(inArray(evidence.childId, [...ids]), ne(evidence.axis, "none"));
/** Everything that is stored about them. */
export async function evidenceRows(tx: Tx, childIds: readonly string[]): Promise<EvidenceRow[]> {
  if (childIds.length === 0) return [];
  return (await tx.select().from(evidence).where(ofChildren(childIds))) as EvidenceRow[];
}
/** The columns that estimates need, which is half as much to read. */
export type KnowingRow = Pick<EvidenceRow, "childId" | "action" | "axis" | "at" | "tries" | "ll">;
export async function knowingRows(tx: Tx, childIds: readonly string[]): Promise<KnowingRow[]> {
  if (childIds.length === 0) return [];
  const { childId, action, axis, at, tries, ll } = evidence;
  const rows = await tx.select({ childId, action, axis, at, tries, ll }).from(evidence).where(ofChildren(childIds));
  return rows as KnowingRow[];
}

function grouped<T>(list: readonly T[], key: (t: T) => string): Map<string, T[]> {
  const out = new Map<string, T[]>();
  for (const t of list) {
    const own = out.get(key(t));
    if (own) own.push(t);
    else out.set(key(t), [t]);
  }
  return out;
}

/** What is known of one child from their goes so far, action by action, as of `now`. */
export function knownFrom(rows: readonly KnowingRow[], age: number, now: Date): Known {
  const out = new Map<string, KnownAction>();
  const byKey = grouped(rows, (knowingRow) => `${knowingRow.action} ${knowingRow.axis}`);
  for (const list of byKey.values()) {
    const { action, axis } = list[0]!;
    const goes = list.map((knowingRow): Observation => ({ week: weekOf(knowingRow.at), ll: knowingRow.ll }));
    const is = out.get(action) ?? { tries: 0, last: new Date(0) };
    const tries = list.reduce((sum, knowingRow) => sum + knowingRow.tries, 0);
    const last = new Date(Math.max(is.last.getTime(), ...list.map((knowingRow) => knowingRow.at.getTime())));
    const estimate = estimateOf(posterior(axis, age, goes, weekOf(now)));
    out.set(action, { ...is, tries: Math.max(is.tries, tries), last, [axis]: estimate });
  }
  return out;
}

/** How many children's evidence is read at once, because a year of it is long. */
const AT_ONCE = 2;
/** What is known of some children. Those about whom nothing is known are left out. */
export async function knownOf(
  tx: Tx,
  children: readonly { id: string; age: number }[],
  now = new Date(),
): Promise<Map<string, Known>> {
  const out = new Map<string, Known>();
  const breathe = breather();
  for (let from = 0; from < children.length; from += AT_ONCE) {
    const some = children.slice(from, from + AT_ONCE);
    const rows = await knowingRows(
      tx,
      some.map((k) => k.id),
    );
    const of = grouped(rows, (knowingRow) => knowingRow.childId);
    for (const k of some) {
      const own = of.get(k.id);
      if (!own) continue;
      await breathe();
      out.set(k.id, knownFrom(own, k.age, now));
    }
  }
  return out;
}
