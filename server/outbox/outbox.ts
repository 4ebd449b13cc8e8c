import { and, count, desc, eq, inArray } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { linkToken } from "../links/token.ts";
import { NotFound } from "../problem.ts";
import { classesOf } from "../school/classes.ts";

const { child, link, message, schoolClass } = schema;
/** The most messages listed. Older ones are found through the child's page. */
export const MAX_MESSAGES = 1000;

export interface OutboxRow {
  id: string;
  to: string;
  className: string;
  subject: string;
  kind: "game" | "survey";
  createdAt: Date;
}
export interface OutboxMessage extends OutboxRow {
  body: string;
  /** Null if the link was withdrawn since. */
  token: string | null;
}

const row = {
  id: message.id,
  to: child.name,
  className: schoolClass.name,
  subject: message.subject,
  kind: message.kind,
  createdAt: message.createdAt,
};

/** Messages to the homes of the teacher's classes, newest first, and how many there are in all. */
export function outboxFor(who: SignedIn, most = MAX_MESSAGES): Promise<{ rows: OutboxRow[]; total: number }> {
  return withTenant(who.schoolId, async (tx) => {
    const ids = (await classesOf(tx, who.teacherId)).flatMap((group) => group.children.map(({ id }) => id));
    if (ids.length === 0) return { rows: [], total: 0 };
    const mine = inArray(message.childId, ids);
    const [all] = await tx.select({ n: count() }).from(message).where(mine);
    const rows = await tx
      .select(row)
      .from(message)
      .innerJoin(child, eq(child.id, message.childId))
      .innerJoin(schoolClass, eq(schoolClass.id, child.classId))
      .where(mine)
      .orderBy(desc(message.createdAt), child.name)
      .limit(most);
    return { total: all!.n, rows };
  });
}

/** One message to a home of the teacher's classes, with its text. Throws NotFound otherwise. */
export function messageFor(who: SignedIn, id: string): Promise<OutboxMessage> {
  return withTenant(who.schoolId, async (tx) => {
    const ids = (await classesOf(tx, who.teacherId)).flatMap((group) => group.children.map((one) => one.id));
    const [found] =
      ids.length === 0
        ? []
        : await tx
            .select({ ...row, body: message.body, link })
            .from(message)
            .innerJoin(child, eq(child.id, message.childId))
            .innerJoin(schoolClass, eq(schoolClass.id, child.classId))
            .leftJoin(link, eq(link.childId, child.id))
            .where(and(eq(message.id, id), inArray(message.childId, ids)));
    if (!found) throw new NotFound("message");
    const { link: record, ...rest } = found;
    return { ...rest, token: record && !record.withdrawnAt ? linkToken(record.id, record.version) : null };
  });
}
