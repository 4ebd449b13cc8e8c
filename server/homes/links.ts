import { eq } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { linkToken } from "../links/token.ts";
import { NotFound } from "../problem.ts";
import { ownChild, ownClass } from "../school/classes.ts";
import { clearIn } from "./answers.ts";

const { link } = schema;

/**
 * The changes to a link. Withdrawn: every address given out stops working. Restored: the same addresses work again.
 * Renewed: they never work again, and there is a new one.
 */
export const LINK_CHANGES = ["withdraw", "restore", "renew"] as const;
export type LinkChange = (typeof LINK_CHANGES)[number];
/** Only a renewed link gets a new version, so that a withdrawn one can be restored. */
const changed = (own: { version: number }, how: LinkChange, now = new Date()) =>
  how === "renew" ? { version: own.version + 1, withdrawnAt: null } : { withdrawnAt: how === "withdraw" ? now : null };

/** Changes a child's link. */
export function changeLink(who: SignedIn, childId: string, how: LinkChange): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    const [own] = await tx.select().from(link).where(eq(link.childId, childId)).for("update");
    if (!own) throw new NotFound("link");
    await tx.update(link).set(changed(own, how)).where(eq(link.id, own.id));
  });
}

/** The class's survey link, made when first asked for. Null if withdrawn. */
export function classLink(who: SignedIn, classId: string): Promise<string | null> {
  return withTenant(who.schoolId, async (tx) => {
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
/** Changes the class link. */
export function changeClassLink(who: SignedIn, classId: string, how: LinkChange): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    const [own] = await tx.select().from(link).where(eq(link.classId, classId)).for("update");
    if (!own) throw new NotFound("link");
    await tx.update(link).set(changed(own, how)).where(eq(link.id, own.id));
    // After a link is renewed, answers that came through the old one are set aside and can be restored.
    if (how === "renew") await clearIn(tx, classId);
  });
}
