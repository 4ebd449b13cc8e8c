import { createHash } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { z } from "zod";
import { type Card, compileFor, itemsForCard, type SchoolItems } from "#core/compile/card.ts";
import { ACTIVITY_VERSION, type Activity, problemsOf } from "#core/formats/activity.ts";
import { patternOf } from "#core/patterns/registry.ts";
import { ownActivity } from "../activities/activities.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { inSchool, schema } from "../db/client.ts";
import { factsOf, homesOf, linksFor, UNKNOWN_HOME } from "../homes/homes.ts";
import { schoolItemsOf } from "../kit/items.ts";
import { NotAllowed } from "../problem.ts";
import { ownClass } from "../school/classes.ts";

const { assignment, card, child, message, revision } = schema;
/** An assignment stays open at most this long, days. */
const LONGEST_OPEN = 120;

export const sendOrder = z
  .strictObject({
    classId: z.uuid("class: choose one of your classes"),
    opensAt: z.date({ error: "opens: give a date and a time" }),
    closesAt: z.date({ error: "closes: give a date and a time" }),
    tries: z
      .number({ error: "tries must be a number" })
      .int("tries must be a whole number")
      .min(1, "tries must be 1 or more")
      .max(20, "tries must be 20 or fewer"),
    mark: z
      .number({ error: "mark to beat must be a number" })
      .int("mark to beat must be a whole number")
      .min(0, "mark to beat must be 0 or more")
      .max(100_000)
      .nullable(),
  })
  .refine((o) => o.closesAt > o.opensAt, { error: "closes must be later than opens", path: ["closesAt"] })
  .refine((o) => o.closesAt.getTime() - o.opensAt.getTime() <= LONGEST_OPEN * 86_400_000, {
    error: `closes must be within ${LONGEST_OPEN} days of opens`,
    path: ["closesAt"],
  });
export type SendOrder = z.infer<typeof sendOrder>;

/** The same content gives the same text whatever the order of its keys. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(",")}]`;
  if (typeof value === "object" && value !== null)
    return `{${Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`)
      .join(",")}}`;
  return JSON.stringify(value);
}
export const contentHash = (value: unknown): string => createHash("sha256").update(canonical(value)).digest("hex");

/** Sends an activity: freezes a revision, compiles a card a child, and puts a message with its private link in the outbox. */
export async function sendActivity(who: SignedIn, activityId: string, order: SendOrder): Promise<string> {
  const checked = sendOrder.safeParse(order);
  if (!checked.success) throw new NotAllowed(problemsOf(checked.error));
  const { classId, ...rest } = checked.data;
  return inSchool(who.schoolId, async (tx) => {
    const { document } = await ownActivity(tx, who, activityId);
    const own = await ownClass(tx, who.teacherId, classId);
    const children = await tx.select().from(child).where(eq(child.classId, classId));
    if (children.length === 0) throw NotAllowed.of("classId", `class: ${own.name} has no children yet`);
    const hash = contentHash(document);
    await tx
      .insert(revision)
      .values({
        schoolId: who.schoolId,
        activityId,
        document,
        contentHash: hash,
        schemaVersion: ACTIVITY_VERSION,
        rulesVersion: patternOf(document.pattern.name).rulesVersion,
      })
      .onConflictDoNothing();
    const [rev] = await tx
      .select({ id: revision.id })
      .from(revision)
      .where(and(eq(revision.activityId, activityId), eq(revision.contentHash, hash)));
    const [made] = await tx
      .insert(assignment)
      .values({ schoolId: who.schoolId, classId, revisionId: rev!.id, ...rest })
      .returning({ id: assignment.id });
    const assignmentId = made!.id;
    const homes = await homesOf(
      tx,
      children.map((k) => k.id),
    );
    const items = await schoolItemsOf(tx);
    await tx.insert(card).values(
      children.map((k) => ({
        schoolId: who.schoolId,
        assignmentId,
        childId: k.id,
        compiled: compileForChild(document, k, homes.get(k.id) ?? [], items),
      })),
    );
    await linksFor(tx, who.schoolId, children);
    await tx
      .insert(message)
      .values(
        children.map((k) => ({ schoolId: who.schoolId, childId: k.id, assignmentId, ...invitation(document, k.name) })),
      );
    return assignmentId;
  });
}

/** The card of one child: its own homes, and the part of the school's list that they need. */
export function compileForChild(
  document: Activity,
  k: { age: number; step: number | null; leftHanded: boolean },
  homes: readonly (typeof schema.home.$inferSelect)[],
  items: SchoolItems,
): Card {
  const told = homes.length > 0 ? homes.map(factsOf) : [UNKNOWN_HOME];
  const { age, step, leftHanded } = k;
  return compileFor({
    designed: document,
    child: { age, step, leftHanded },
    homes: told,
    items: itemsForCard(items, told),
  });
}

function invitation(a: Activity, name: string): { subject: string; body: string } {
  return {
    subject: `${a.title}: a game for ${name} to play at home`,
    body: `Hello,\n\n${name} has a new game: ${a.title}. It takes about ${a.minutes} minutes.\nOpen this private link on any phone or tablet. No account is needed:\n\n{link}\n\nPlease keep the link to your family.`,
  };
}
