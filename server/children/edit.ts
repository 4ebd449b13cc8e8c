import { eq, sql } from "drizzle-orm";
import { problemsOf } from "#core/formats/activity.ts";
import { childFacts } from "#core/records/child.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { shortName } from "../homes/csv.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import { linksFor } from "../links/links.ts";
import { NotAllowed } from "../problem.ts";
import { ownChild, ownClass } from "../school/classes.ts";

const { child } = schema;

const newChild = childFacts.pick({ name: true, age: true });
/**
 * Adds a child by hand to one of the teacher's own classes. The child gets a private link, and cards of everything
 * that is out for the whole class.
 */
export function addChild(who: SignedIn, classId: string, given: unknown): Promise<string> {
  const read = newChild.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  const { name, age } = read.data;
  const short = shortName(name);
  if (short) throw NotAllowed.of("name", `This looks like a full name. Write ${short} instead.`);
  return withTenant(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    // Adds one child at a time, so that nobody is added twice.
    await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`rows ${who.schoolId}`}, 0))`);
    const children = await tx.select({ name: child.name }).from(child).where(eq(child.classId, classId));
    if (children.some((eachChild) => eachChild.name.toLowerCase() === name.toLowerCase()))
      throw NotAllowed.of("name", `${name} is already in this class. Use another initial to tell them apart.`);
    const [made] = await tx
      .insert(child)
      .values({ schoolId: who.schoolId, classId, name, age, leftHanded: false })
      .returning({ id: child.id });
    await linksFor(tx, who.schoolId, [made!]);
    await enqueue(tx, who.schoolId, "cards", [made!.id]);
    return made!.id;
  }).then((id) => {
    wakeJobRunner();
    return id;
  });
}

/** Saves the teacher's changes to a child. */
export function saveChild(who: SignedIn, childId: string, given: unknown): Promise<void> {
  const read = childFacts.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  return withTenant(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    const [was] = await tx.select().from(child).where(eq(child.id, childId));
    const { age, step, leftHanded } = read.data;
    await tx.update(child).set(read.data).where(eq(child.id, childId));
    // Cards depend on none of the other fields edited here.
    if (was && (was.age !== age || was.step !== step || was.leftHanded !== leftHanded))
      await enqueue(tx, who.schoolId, "cards", [childId]);
  }).then(wakeJobRunner);
}
