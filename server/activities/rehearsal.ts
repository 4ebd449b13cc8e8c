import { asc, eq } from "drizzle-orm";
import type { Role } from "#core/contract/contract.ts";
import type { Activity } from "#core/formats/activity.ts";
import { type KnownChild, knownChild } from "#core/rehearsal/rehearsal.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { makingsFor } from "../cards/for-class.ts";
import { compute } from "../compute/compute.ts";
import { schema, withTenant } from "../db/client.ts";
import { ownClass } from "../school/classes.ts";
import { ownActivity } from "./activities.ts";

const { child } = schema;

export interface RehearsalChild {
  id: string;
  name: string;
  age: number;
  /** The activity as this child's home plays it. */
  activity: Activity;
  self: Omit<Role, "role"> | null;
  known: KnownChild;
  /** True if the home has nothing to send, so that the game is played without equipment. */
  noKit: boolean;
}
export interface RehearsalOf {
  title: string;
  className: string;
  children: RehearsalChild[];
}

/** The cards of a whole class as they would be sent now, with what is known of each child. Nothing is stored. */
export async function rehearsalFor(who: SignedIn, activityId: string, classId: string): Promise<RehearsalOf> {
  const ready = await withTenant(who.schoolId, async (tx) => {
    const { document } = await ownActivity(tx, who, activityId);
    const own = await ownClass(tx, who.teacherId, classId);
    const children = await tx.select().from(child).where(eq(child.classId, classId)).orderBy(asc(child.name));
    return { document, own, children, ...(await makingsFor(tx, document, children)) };
  });
  const { document, own, children, makings, known } = ready;
  const cards = await compute("cards", makings);
  return {
    title: document.title,
    className: own.name,
    children: children.map((eachChild, i): RehearsalChild => {
      const { activity, self, home } = cards[i]!;
      const of = known.get(eachChild.id)?.get(document.aim.action);
      return {
        id: eachChild.id,
        name: eachChild.name,
        age: eachChild.age,
        activity,
        self: self ?? null,
        known: knownChild(
          eachChild.age,
          { ...(of?.spread && { spread: of.spread }), ...(of?.skill && { skill: of.skill }) },
          { multiplier: eachChild.adjust?.multiplier ?? undefined },
        ),
        noKit: home?.status === "noKit",
      };
    }),
  };
}
