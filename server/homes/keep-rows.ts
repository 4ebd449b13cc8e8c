import { randomUUID } from "node:crypto";
import { eq, inArray, sql } from "drizzle-orm";
import { catalogueItem } from "#core/kit/catalogue.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { contentHash } from "../content-hash.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { schoolItemsOf } from "../kit/items.ts";
import { linksFor } from "../links/links.ts";
import { classesOf } from "../school/classes.ts";
import { type BadRow, type GoodRow, readHomes } from "./csv.ts";
import { factsOf, type HomeRecord, homesOf } from "./homes-of.ts";
import { difference, type Imported } from "./undo-rows.ts";

const { child, childHome, home } = schema;

/** One change that a file makes: the field, and its old and new values. */
export interface Change {
  field:
    | "name"
    | "label"
    | "class"
    | "age"
    | "leftHanded"
    | "step"
    | "support"
    | "kit"
    | "space"
    | "players"
    | "quiet"
    | "noBallsIndoors";
  from: unknown;
  to: unknown;
}
/** What saving a row would do. */
export interface Planned {
  line: number;
  child: string;
  className: string;
  childId: string;
  isNew: boolean;
  /** Null: the row names no home. */
  home: { id: string; label: string; isNew: boolean; joins: boolean } | null;
  changes: Change[];
}
export interface Looked {
  /** The hash of the text that was previewed, because only that text may be saved. */
  seen: string;
  planned: Planned[];
  bad: BadRow[];
  full: { line: number; from: string; to: string }[];
  /** The rows left to correct, as text. */
  left: string;
}

type Kept = Record<string, unknown>;
/** The fields in which a row differs from what is stored. A field that the row leaves out does not differ. */
function changesOf(kept: Kept, row: Kept): Change[] {
  return Object.entries(row)
    .filter(([key, value]) => value !== undefined && contentHash(value) !== contentHash(kept[key] ?? null))
    .map(([field, to]) => ({ field: field as Change["field"], from: kept[field] ?? null, to }));
}

/** The home fields of a row. The label is included only if the home is identified by its id. */
const homeSays = (goodRow: GoodRow) => ({
  ...(goodRow.homeId && goodRow.home && { label: goodRow.home }),
  ...goodRow.answers,
});

/**
 * Finds the child and the home of each row. A child is identified by the id of an exported file, otherwise by class
 * and name if only one child has it. A home is identified by its id, otherwise by its name among the child's own
 * homes, otherwise by its name in the same file; never by the name of somebody else's home.
 */
async function plan(
  tx: Tx,
  classes: readonly { id: string; name: string }[],
  rows: readonly GoodRow[],
): Promise<{ planned: Planned[]; bad: BadRow[] }> {
  const ids = classes.map((eachChild) => eachChild.id);
  const children = ids.length === 0 ? [] : await tx.select().from(child).where(inArray(child.classId, ids));
  const homes = await homesOf(
    tx,
    children.map((eachChild) => eachChild.id),
  );
  const everyHome = new Map([...homes.values()].flat().map((eachHome) => [eachHome.id, eachHome]));
  const planned: Planned[] = [];
  const bad: BadRow[] = [];
  const added = new Map<string, string>();
  const inFile = new Map<string, { id: string; label: string }>();
  const changed = new Set<string>();
  for (const row of rows) {
    const classId = classes.find((eachChild) => eachChild.name === row.className)!.id;
    const known = row.childId
      ? children.filter((eachChild) => eachChild.id === row.childId)
      : children.filter(
          (eachChild) => eachChild.classId === classId && eachChild.name.toLowerCase() === row.child.toLowerCase(),
        );
    if (row.childId && known.length === 0) {
      bad.push({ line: row.line, reason: "child_id is not one of your children. Leave it empty for a new child." });
      continue;
    }
    if (known.length > 1) {
      bad.push({
        line: row.line,
        reason: `${known.length} children called ${row.child} are in ${row.className}. Give the child_id.`,
      });
      continue;
    }
    const me = known[0];
    const newKey = `${classId}|${row.child.toLowerCase()}`;
    const childId = me?.id ?? added.get(newKey) ?? randomUUID();
    const mine = me ? homes.get(me.id)! : [];
    const label = row.home.toLowerCase();
    let at: HomeRecord | undefined;
    let made: { id: string; label: string } | undefined;
    if (row.homeId) {
      at = everyHome.get(row.homeId);
      if (!at) {
        bad.push({ line: row.line, reason: "home_id is not a home in your classes. Leave it empty for a new home." });
        continue;
      }
    } else if (label !== "") {
      at = mine.find((eachHome) => eachHome.label.toLowerCase() === label);
      const earlier = inFile.get(label);
      if (!at && earlier) {
        at = everyHome.get(earlier.id);
        if (!at) made = earlier;
      }
      if (!at) made ??= { id: randomUUID(), label: row.home };
    }
    const place = at ? { id: at.id, label: at.label } : (made ?? null);
    if (place && label !== "" && !inFile.has(label)) inFile.set(label, place);
    const ofRow: Kept = { name: row.child, class: row.className, age: row.age, ...row.facts };
    const kept: Kept = me ? { ...me, class: classes.find((eachChild) => eachChild.id === me.classId)!.name } : {};
    // A child's own data is listed once, however many homes the child has.
    const ofChild = me && !changed.has(childId) ? changesOf(kept, ofRow) : [];
    changed.add(childId);
    if (!me) added.set(newKey, childId);
    planned.push({
      line: row.line,
      child: row.child,
      className: row.className,
      childId,
      isNew: !me && !planned.some((eachPlanned) => eachPlanned.childId === childId),
      home: place && {
        ...place,
        isNew: !at && !planned.some((eachPlanned) => eachPlanned.home?.id === place.id),
        joins: !mine.some((eachHome) => eachHome.id === place.id),
      },
      changes: [...ofChild, ...(at ? changesOf(factsOf(at) as unknown as Kept, homeSays(row)) : [])],
    });
  }
  return { planned, bad };
}

async function look(tx: Tx, who: SignedIn, text: string, shorten: boolean) {
  const classes = await classesOf(tx, who.teacherId);
  const { own } = await schoolItemsOf(tx);
  const read = readHomes(
    text,
    classes.map((row) => row.name),
    (id) => catalogueItem(id) !== undefined || own.some((item) => item.id === id),
    { shorten },
  );
  const { planned, bad } = await plan(tx, classes, read.good);
  const lines = new Set([...read.bad, ...bad].map((badRow) => badRow.line));
  return {
    classes,
    rows: read.good.filter((goodRow) => !lines.has(goodRow.line)),
    preview: {
      seen: contentHash([text, shorten]),
      planned,
      bad: [...read.bad, ...bad].sort((a, b) => a.line - b.line),
      full: read.full,
      left: read.leftWith(bad.map((badRow) => badRow.line)),
    } satisfies Looked,
  };
}

/** Compares a file with what is stored and returns what saving it would do. Changes nothing. */
export const lookAtRows = (who: SignedIn, text: string, shorten: boolean): Promise<Looked> =>
  withTenant(who.schoolId, async (tx) => (await look(tx, who, text, shorten)).preview);

export interface KeptRows {
  added: number;
  changed: number;
  homes: number;
}
/**
 * Saves the good rows of a file that was previewed (`seen`). Returns null if it is another file. Saves all rows or
 * none, one file at a time. The open cards of every child in the file are compiled again.
 */
export async function keepRows(
  who: SignedIn,
  text: string,
  shorten: boolean,
  seen: string,
): Promise<{ kept: KeptRows; told: Looked; undo: Imported } | null> {
  const done = await withTenant(who.schoolId, async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`rows ${who.schoolId}`}, 0))`);
    const { classes, rows, preview: told } = await look(tx, who, text, shorten);
    if (told.seen !== seen) return null;
    const out: KeptRows = { added: 0, changed: 0, homes: 0 };
    const touched = new Set<string>();
    /** The homes that this file adds. */
    const made = new Set<string>();
    const undo: Imported = { added: [], children: [], homes: [], joined: [] };
    for (const planned of told.planned) {
      const goodRow = rows.find((row) => row.line === planned.line)!;
      const classId = classes.find((row) => row.name === planned.className)!.id;
      const facts = { name: goodRow.child, classId, age: goodRow.age, ...goodRow.facts };
      if (planned.isNew) {
        await tx.insert(child).values({ id: planned.childId, schoolId: who.schoolId, ...facts });
        out.added++;
        undo.added.push(planned.childId);
      } else {
        const [was] = await tx.select().from(child).where(eq(child.id, planned.childId));
        const differs = difference(was!, facts);
        if (differs && !undo.added.includes(planned.childId)) undo.children.push({ id: planned.childId, ...differs });
        await tx.update(child).set(facts).where(eq(child.id, planned.childId));
      }
      const differs = planned.changes.length > 0 || (planned.home?.joins ?? false);
      if (!planned.isNew && differs && !touched.has(planned.childId)) out.changed++;
      touched.add(planned.childId);
      if (!planned.home) continue;
      if (planned.home.isNew) {
        await tx
          .insert(home)
          .values({ id: planned.home.id, schoolId: who.schoolId, label: planned.home.label, ...goodRow.answers });
        out.homes++;
        made.add(planned.home.id);
      } else if (Object.keys(homeSays(goodRow)).length > 0) {
        const [was] = await tx.select().from(home).where(eq(home.id, planned.home.id));
        const changed = difference(was!, homeSays(goodRow));
        if (changed && !made.has(planned.home.id)) undo.homes.push({ id: planned.home.id, ...changed });
        await tx.update(home).set(homeSays(goodRow)).where(eq(home.id, planned.home.id));
      }
      if (planned.home.joins && !undo.added.includes(planned.childId))
        undo.joined.push({ childId: planned.childId, homeId: planned.home.id });
      await tx
        .insert(childHome)
        .values({ schoolId: who.schoolId, childId: planned.childId, homeId: planned.home.id })
        .onConflictDoNothing();
    }
    await linksFor(
      tx,
      who.schoolId,
      [...touched].map((id) => ({ id })),
    );
    await enqueue(tx, who.schoolId, "cards", [...touched]);
    return { kept: out, told, undo };
  });
  if (done) wakeJobRunner();
  return done;
}
