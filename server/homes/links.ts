import { eq } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { inSchool, schema } from "../db/client.ts";
import { linkToken } from "../links/token.ts";
import { NotFound } from "../problem.ts";
import { ownClass } from "../school/classes.ts";
import { ownChild } from "./keep.ts";

const { link } = schema;

/** Withdraws a child's link: every address given out stops working. `renew` makes a new one at once. */
export function withdrawLink(who: SignedIn, childId: string, renew: boolean): Promise<void> {
  return inSchool(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    const [own] = await tx.select().from(link).where(eq(link.childId, childId)).for("update");
    if (!own) throw new NotFound("link");
    await tx
      .update(link)
      .set(renew ? { version: own.version + 1, withdrawnAt: null } : { withdrawnAt: new Date() })
      .where(eq(link.id, own.id));
  });
}

/** The class's survey link; made when first asked for. Null once withdrawn. */
export function classLink(who: SignedIn, classId: string): Promise<string | null> {
  return inSchool(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    const known = () => tx.select().from(link).where(eq(link.classId, classId));
    let [row] = await known();
    if (!row) {
      await tx.insert(link).values({ schoolId: who.schoolId, classId }).onConflictDoNothing();
      [row] = await known();
    }
    return row && !row.withdrawnAt ? linkToken(row.id, row.version) : null;
  });
}
/** Withdraws the class link, or makes a new one. */
export function withdrawClassLink(who: SignedIn, classId: string, renew: boolean): Promise<void> {
  return inSchool(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    const [row] = await tx.select().from(link).where(eq(link.classId, classId)).for("update");
    if (!row) throw new NotFound("link");
    await tx
      .update(link)
      .set({ version: row.version + 1, withdrawnAt: renew ? null : new Date() })
      .where(eq(link.id, row.id));
  });
}
