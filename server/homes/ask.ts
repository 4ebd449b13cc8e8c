import { and, eq, inArray } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { linksFor } from "../links/links.ts";
import { ownClass } from "../school/classes.ts";
import { homesOf } from "./homes-of.ts";

const { child, message } = schema;

/**
 * Sends each family a message with the survey: to everyone not asked yet, again to those who were asked and have not
 * answered, or to those of `chosen` who have not answered. Returns how many messages were made.
 */
export function askFamilies(
  who: SignedIn,
  classId: string,
  which: "invite" | "remind" | "chosen",
  chosen: readonly string[] = [],
): Promise<number> {
  return withTenant(who.schoolId, async (tx) => {
    const own = await ownClass(tx, who.teacherId, classId);
    const children = await tx.select().from(child).where(eq(child.classId, own.id));
    const ids = children.map((eachChild) => eachChild.id);
    if (ids.length === 0) return 0;
    const homes = await homesOf(tx, ids);
    const asked = await tx
      .select({ childId: message.childId })
      .from(message)
      .where(and(inArray(message.childId, ids), eq(message.kind, "survey")));
    const was = new Set(asked.map((m) => m.childId));
    const silent = children.filter((eachChild) => homes.get(eachChild.id)!.every((home) => home.answeredAt === null));
    const asks = {
      invite: (id: string) => !was.has(id),
      remind: (id: string) => was.has(id),
      chosen: (id: string) => chosen.includes(id),
    };
    const to = silent.filter((row) => asks[which](row.id));
    await linksFor(tx, who.schoolId, to);
    if (to.length > 0)
      await tx.insert(message).values(
        to.map((row) => ({
          schoolId: who.schoolId,
          childId: row.id,
          kind: "survey" as const,
          ...surveyInvitation(row.name, was.has(row.id) ? "remind" : "invite"),
        })),
      );
    return to.length;
  });
}

function surveyInvitation(name: string, which: "invite" | "remind"): { subject: string; body: string } {
  return {
    subject:
      which === "invite"
        ? `What does ${name} have at home? It takes two minutes`
        : `Two minutes would help ${name}'s games fit your home`,
    body: `Hello,\n\nGames for ${name} can use what you have at home. Tap what is there, and tell us how much room you have.\nIt takes two minutes. You can leave anything out, and change it later:\n\n{survey}\n\nPlease keep the link to your family.`,
  };
}
