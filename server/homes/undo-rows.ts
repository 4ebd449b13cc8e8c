import { and, eq, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import { childFacts } from "#core/records/child.ts";
import { homeAnswers } from "#core/records/home.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { eraseChild } from "../children/erase.ts";
import { contentHash } from "../content-hash.ts";
import { schema, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { NotAllowed } from "../problem.ts";
import { classesOf } from "../school/classes.ts";
import { homesOf, leave } from "./homes-of.ts";

const { child, home } = schema;

/** What an import changed of a record: the fields before it, and after it. */
const changeOf = <T extends z.ZodType>(fields: T) => z.strictObject({ id: z.uuid(), was: fields, is: fields });
const childFields = childFacts.extend({ classId: z.uuid() }).partial();
const homeFields = homeAnswers.extend({ label: z.string().max(60) }).partial();
/** What undoes an import. It goes to the browser with the answer and comes back with Undo, so it is checked. */
const imported = z.strictObject({
  added: z.array(z.uuid()),
  children: z.array(changeOf(childFields)),
  homes: z.array(changeOf(homeFields)),
  /** The homes that children joined or got. */
  joined: z.array(z.strictObject({ childId: z.uuid(), homeId: z.uuid() })),
});
export type Imported = z.infer<typeof imported>;

/** The fields of `to` that differ from `from`, before and after. Null if none does. */
export function difference<T extends object>(from: T, to: Partial<T>): { was: Partial<T>; is: Partial<T> } | null {
  const keys = (Object.keys(to) as (keyof T)[]).filter(
    (key) => to[key] !== undefined && contentHash(from[key] ?? null) !== contentHash(to[key] ?? null),
  );
  const pick = (of: Partial<T>) => Object.fromEntries(keys.map((key) => [key, of[key] ?? null])) as Partial<T>;
  return keys.length === 0 ? null : { was: pick(from), is: pick(to) };
}
const stillIs = (row: object, is: object) => difference(row, is) === null;

/**
 * Undoes an import: the children it added are deleted (and can be restored, like every deleted child), and what it
 * changed of others is as before. What was changed again since, and what is not the teacher's, stays as it is. Returns
 * how many records had been changed again.
 */
export async function undoImport(who: SignedIn, given: unknown): Promise<number> {
  const read = imported.safeParse(given);
  if (!read.success) throw NotAllowed.of("undo", "This import can't be undone from here. Nothing has changed.");
  const { added, children, homes, joined } = read.data;
  const mine = await withTenant(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const own = new Set(classes.flatMap((group) => group.children.map(({ id }) => id)));
    return { own, classes: new Set(classes.map(({ id }) => id)) };
  });
  for (const id of new Set(added)) if (mine.own.has(id)) await eraseChild(who, id);
  const stayed = await withTenant(who.schoolId, async (tx) => {
    let left = 0;
    const touched = new Set<string>();
    const ownIds = [...mine.own].filter((id) => !added.includes(id));
    const rows = new Map(
      (ownIds.length === 0
        ? []
        : await tx
            .select()
            .from(child)
            .where(and(inArray(child.id, ownIds), isNull(child.eraseAt)))
            .for("update")
      ).map((row) => [row.id, row]),
    );
    // A record that the file changed twice goes back step by step.
    for (const { id, was, is } of children.toReversed()) {
      const row = rows.get(id);
      if (!row || !stillIs(row, is) || (was.classId && !mine.classes.has(was.classId))) {
        left++;
        continue;
      }
      await tx.update(child).set(was).where(eq(child.id, id));
      touched.add(id);
    }
    const homesNow = await homesOf(tx, [...rows.keys()]);
    for (const { childId, homeId } of joined) {
      if (!homesNow.get(childId)?.some(({ id }) => id === homeId)) continue;
      await leave(tx, childId, homeId);
      touched.add(childId);
    }
    for (const { id, was, is } of homes.toReversed()) {
      const residents = [...homesNow].filter(([, list]) => list.some((each) => each.id === id));
      const row = residents[0]?.[1].find((each) => each.id === id);
      if (!row || !stillIs(row, is)) {
        left++;
        continue;
      }
      await tx.update(home).set(was).where(eq(home.id, id));
      for (const [childId] of residents) touched.add(childId);
    }
    await enqueue(tx, who.schoolId, "cards", [...touched]);
    return left;
  });
  wakeJobRunner();
  return stayed;
}
