import { and, desc, eq, inArray } from "drizzle-orm";
import type { HomeFacts } from "#core/compile/for-home.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, withTenant } from "../db/client.ts";
import { queuedOf } from "../jobs/jobs.ts";
import { linkToken } from "../links/token.ts";
import { classesOf } from "../school/classes.ts";
import { factsOf, homesOf } from "./homes-of.ts";

const { child, link, message } = schema;

export interface HomeOfChild extends HomeFacts {
  answeredAt: Date | null;
  siblings: string[];
}
export interface HomeRow {
  childId: string;
  child: string;
  age: number;
  leftHanded: boolean;
  step: number | null;
  /** The teachers' own note, and what the family wants them to know. */
  support: string;
  familyNote: string;
  className: string;
  homes: HomeOfChild[];
  token: string | null;
  /** When the survey was last sent to this family. */
  askedAt: Date | null;
  asked: number;
}

/** How many of these children wait for their open cards to be compiled again. */
export const cardsToUpdate = (who: SignedIn, childIds: readonly string[]): Promise<number> =>
  withTenant(who.schoolId, (tx) => queuedOf(tx, "cards", childIds));

/**
 * One row for each child: homes, who else lives there, the private link unless withdrawn, and when the family was
 * asked.
 */
export function homesFor(who: SignedIn): Promise<HomeRow[]> {
  return withTenant(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const named = new Map(
      classes.flatMap((row) =>
        row.children.map((eachChild) => [eachChild.id, { ...eachChild, className: row.name }] as const),
      ),
    );
    if (named.size === 0) return [];
    const ids = [...named.keys()];
    const links = await tx.select().from(link).where(inArray(link.childId, ids));
    const children = await tx.select().from(child).where(inArray(child.id, ids));
    const homes = await homesOf(tx, ids);
    const asked = await tx
      .select({ childId: message.childId, at: message.createdAt })
      .from(message)
      .where(and(inArray(message.childId, ids), eq(message.kind, "survey")))
      .orderBy(desc(message.createdAt));
    const livesIn = (homeId: string, not: string) =>
      ids
        .filter((id) => id !== not && homes.get(id)!.some((eachHome) => eachHome.id === homeId))
        .map((id) => named.get(id)!.name);
    return ids.map((childId) => {
      const me = named.get(childId)!;
      const own = links.find((eachLink) => eachLink.childId === childId);
      const row = children.find((eachChild) => eachChild.id === childId)!;
      const asks = asked.filter((m) => m.childId === childId);
      return {
        childId,
        child: me.name,
        age: me.age,
        leftHanded: row.leftHanded,
        step: row.step,
        support: row.support,
        familyNote: row.familyNote,
        className: me.className,
        homes: homes.get(childId)!.map((eachHome) => ({
          ...factsOf(eachHome),
          answeredAt: eachHome.answeredAt,
          siblings: livesIn(eachHome.id, childId),
        })),
        token: own && !own.withdrawnAt ? linkToken(own.id, own.version) : null,
        askedAt: asks[0]?.at ?? null,
        asked: asks.length,
      };
    });
  });
}
