import { count, desc, eq, inArray } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { linkToken } from "../links/token.ts";
import { classesOf } from "../school/classes.ts";

const { child, link, message } = schema;
export const MESSAGES_A_PAGE = 40;

export interface OutboxRow {
  id: string;
  to: string;
  subject: string;
  kind: "game" | "survey";
  body: string;
  /** Null if the link was withdrawn since. */
  token: string | null;
  createdAt: Date;
}

/** Messages to the homes of the teacher's classes, newest first. */
export function outboxFor(who: SignedIn, page: number): Promise<{ rows: OutboxRow[]; total: number }> {
  return withTenant(who.schoolId, async (tx) => {
    const ids = (await classesOf(tx, who.teacherId)).flatMap((row) => row.children.map((eachChild) => eachChild.id));
    if (ids.length === 0) return { rows: [], total: 0 };
    const mine = inArray(message.childId, ids);
    const [all] = await tx.select({ n: count() }).from(message).where(mine);
    const rows = await tx
      .select({ message, name: child.name, link })
      .from(message)
      .innerJoin(child, eq(child.id, message.childId))
      .leftJoin(link, eq(link.childId, child.id))
      .where(mine)
      .orderBy(desc(message.createdAt), child.name)
      .limit(MESSAGES_A_PAGE)
      .offset(page * MESSAGES_A_PAGE);
    return {
      total: all!.n,
      rows: rows.map(({ message: row, name, link: record }) => ({
        id: row.id,
        to: name,
        kind: row.kind,
        subject: row.subject,
        body: row.body,
        token: record && !record.withdrawnAt ? linkToken(record.id, record.version) : null,
        createdAt: row.createdAt,
      })),
    };
  });
}
