import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import type { HomeFacts } from "#core/compile/for-home.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { NotFound } from "../problem.ts";
import { factsOf, homesOf } from "./homes-of.ts";
import { addHome, checked, homeIdFor, homeLabel, keep, oneByOne, room } from "./keep.ts";

const { child } = schema;

export interface FamilyHomes {
  name: string;
  school: string;
  familyNote: string;
  homes: (HomeFacts & { answeredAt: Date | null })[];
}

/** The homes of the child whose link this is. None until the family has answered something. */
export function familyHomes(to: { schoolId: string; childId: string }): Promise<FamilyHomes> {
  return withTenant(to.schoolId, async (tx) => {
    const [me] = await tx
      .select({ name: child.name, familyNote: child.familyNote, school: schema.school.name })
      .from(child)
      .innerJoin(schema.school, eq(schema.school.id, child.schoolId))
      .where(eq(child.id, to.childId));
    if (!me) throw new NotFound("child");
    const homes = (await homesOf(tx, [to.childId])).get(to.childId)!;
    return { ...me, homes: homes.map((home) => ({ ...factsOf(home), answeredAt: home.answeredAt })) };
  });
}

/**
 * Saves a family's answers about one of its homes (null: its first, which is made if there is none). Fields that are
 * left out stay as they are. Returns the home.
 */
export function answerForHome(
  to: { schoolId: string; childId: string },
  homeId: string | null,
  given: unknown,
  now = new Date(),
): Promise<string> {
  const answers = checked(given);
  return withTenant(to.schoolId, async (tx) => {
    await oneByOne(tx, to.childId);
    const homes = (await homesOf(tx, [to.childId])).get(to.childId)!;
    const known = homeId === null ? homes[0] : homes.find((home) => home.id === homeId);
    if (!known && (homeId !== null || homes.length > 0)) throw new NotFound("home");
    const id = known?.id ?? (await firstHome(tx, to));
    await keep(tx, to.schoolId, { homeId: id, childId: to.childId, given: answers, byFamily: now });
    return id;
  });
}
async function firstHome(tx: Tx, to: { schoolId: string; childId: string }): Promise<string> {
  const [me] = await tx.select({ name: child.name }).from(child).where(eq(child.id, to.childId));
  if (!me) throw new NotFound("child");
  return addHome(tx, to.schoolId, { childId: to.childId, label: homeLabel(me.name, 0), id: randomUUID() });
}

/** Adds another home of the same child. The family's page makes the order, so that a repeated call adds nothing. */
export function addFamilyHome(to: { schoolId: string; childId: string }, order: string): Promise<string> {
  const id = homeIdFor(to.childId, order);
  return withTenant(to.schoolId, async (tx) => {
    await oneByOne(tx, to.childId);
    const homes = (await homesOf(tx, [to.childId])).get(to.childId)!;
    if (room(homes, id) === "known") return id;
    const [me] = await tx.select({ name: child.name }).from(child).where(eq(child.id, to.childId));
    if (!me) throw new NotFound("child");
    return addHome(tx, to.schoolId, { childId: to.childId, label: homeLabel(me.name, homes.length), id });
  });
}
