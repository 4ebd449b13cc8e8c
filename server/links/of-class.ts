import { eq } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { ownClass } from "../school/classes.ts";
import { linksFor } from "./links.ts";
import { linkToken } from "./token.ts";

const { child, link } = schema;

/** The secret part of the link to a child's private page. Null if it is withdrawn. */
export interface FamilyLink {
  childId: string;
  child: string;
  token: string | null;
}

/**
 * The private links of one of the teacher's own classes, in the order of its list. Missing ones are made. Throws
 * NotFound for another class.
 */
export function familyLinks(who: SignedIn, classId: string): Promise<{ className: string; links: FamilyLink[] }> {
  return withTenant(who.schoolId, async (tx) => {
    const { name } = await ownClass(tx, who.teacherId, classId);
    const children = await tx
      .select({ id: child.id, name: child.name })
      .from(child)
      .where(eq(child.classId, classId))
      .orderBy(child.name);
    await linksFor(tx, who.schoolId, children);
    const rows = await tx
      .select({ link })
      .from(link)
      .innerJoin(child, eq(child.id, link.childId))
      .where(eq(child.classId, classId));
    const byChild = new Map(rows.map(({ link: row }) => [row.childId, row]));
    return {
      className: name,
      links: children.map((eachChild) => {
        const own = byChild.get(eachChild.id);
        return {
          childId: eachChild.id,
          child: eachChild.name,
          token: own && !own.withdrawnAt ? linkToken(own.id, own.version) : null,
        };
      }),
    };
  });
}
