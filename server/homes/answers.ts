import { randomUUID } from "node:crypto";
import { and, asc, desc, eq, gt, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import { problemsOf } from "#core/formats/activity.ts";
import { type HomeAnswers, NOTHING_SAID } from "#core/records/home.ts";
import { type SignedIn, surveyTurn } from "../auth/sign-in.ts";
import { contentHash } from "../content-hash.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import type { OpenClassLink } from "../links/open-link.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { ownChild, ownClass } from "../school/classes.ts";
import { childrenOf, homesOf } from "./homes-of.ts";
import { addHome, checked, homeLabel, keep, makeAnew, oneByOne, PAUSE } from "./keep.ts";

const { child, home, surveyAnswer } = schema;

export interface ClassAnswer {
  id: string;
  name: string;
  answers: HomeAnswers;
  support: string;
  updatedAt: Date;
  /** The child whose home it could be: the only one of that name in that class. */
  suggests: string | null;
}
/** Names are compared without capitals, spaces and punctuation. */
const plain = (name: string) => name.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
const isBlank = (r: { name: string; answers: HomeAnswers; support: string }) =>
  r.name.trim() === "" && r.support === "" && contentHash(r.answers) === contentHash(NOTHING_SAID);

/** Answers of a class that are not matched to a home and were not cleared. */
const waitingIn = (classId: string) =>
  and(eq(surveyAnswer.classId, classId), isNull(surveyAnswer.homeId), isNull(surveyAnswer.clearedAt));

/**
 * Answers that came through the class link and are not matched to a home yet, oldest first. Those without a name are
 * included unless they are empty.
 */
export function waitingAnswers(who: SignedIn, classId: string): Promise<ClassAnswer[]> {
  return withTenant(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    const rows = await tx.select().from(surveyAnswer).where(waitingIn(classId)).orderBy(asc(surveyAnswer.updatedAt));
    const children = await tx.select().from(child).where(eq(child.classId, classId));
    return rows
      .filter((row) => !isBlank(row))
      .map(({ id, name, answers, support, updatedAt }) => {
        const same = children.filter((eachChild) => plain(eachChild.name) === plain(name));
        return { id, name: name.trim(), answers, support, updatedAt, suggests: same.length === 1 ? same[0]!.id : null };
      });
  });
}

/**
 * Clears every answer of a class that is not matched to a home. Returns how many were not empty. `restoreAnswers`
 * brings them back.
 */
export function clearAnswers(who: SignedIn, classId: string): Promise<number> {
  return withTenant(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    return clearIn(tx, classId);
  });
}
export async function clearIn(tx: Tx, classId: string): Promise<number> {
  const cleared = await tx
    .update(surveyAnswer)
    .set({ clearedAt: new Date() })
    .where(waitingIn(classId))
    .returning({ name: surveyAnswer.name, answers: surveyAnswer.answers, support: surveyAnswer.support });
  return cleared.filter((r) => !isBlank(r)).length;
}
/** How many answers of a class were cleared and can still be restored. */
export function clearedAnswers(who: SignedIn, classId: string): Promise<number> {
  return withTenant(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    const rows = await tx
      .select({ name: surveyAnswer.name, answers: surveyAnswer.answers, support: surveyAnswer.support })
      .from(surveyAnswer)
      .where(
        and(
          eq(surveyAnswer.classId, classId),
          isNull(surveyAnswer.homeId),
          gt(surveyAnswer.clearedAt, new Date(Date.now() - KEPT_DAYS * 86_400_000)),
        ),
      );
    return rows.filter((row) => !isBlank(row)).length;
  });
}
/** Restores every cleared answer of a class. */
export function restoreAnswers(who: SignedIn, classId: string): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    await tx
      .update(surveyAnswer)
      .set({ clearedAt: null })
      .where(and(eq(surveyAnswer.classId, classId), isNull(surveyAnswer.homeId)));
  });
}

/** Matches an answer to a child's first home. From then on, the family's changes go there directly. */
export function placeAnswer(who: SignedIn, answerId: string, childId: string): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    const me = await ownChild(tx, who, childId);
    await oneByOne(tx, childId);
    const [row] = await tx.select().from(surveyAnswer).where(eq(surveyAnswer.id, answerId)).for("update");
    if (!row) throw new NotFound("answer");
    await ownClass(tx, who.teacherId, row.classId);
    const [first] = (await homesOf(tx, [childId])).get(childId)!;
    const homeId =
      first?.id ?? (await addHome(tx, who.schoolId, { childId, label: homeLabel(me.name, 0), id: randomUUID() }));
    await keep(tx, who.schoolId, {
      homeId,
      childId,
      given: { ...row.answers, ...(row.support && { familyNote: row.support }) },
      byFamily: row.updatedAt,
    });
    await tx.update(surveyAnswer).set({ homeId }).where(eq(surveyAnswer.id, answerId));
  });
}
export function dropAnswer(who: SignedIn, answerId: string): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    const [row] = await tx.select().from(surveyAnswer).where(eq(surveyAnswer.id, answerId));
    if (!row) throw new NotFound("answer");
    await ownClass(tx, who.teacherId, row.classId);
    await tx.delete(surveyAnswer).where(eq(surveyAnswer.id, answerId));
  });
}

export interface OpenAnswer {
  id: string;
  school: string;
  name: string;
  answers: HomeAnswers;
  familyNote: string;
}
/**
 * The most unmatched answers of one class, more than any class has families. Beyond it, the least useful ones are
 * deleted.
 */
export const MAX_ANSWERS = 200;
/** The most unmatched answers under one name. A further one replaces the oldest. */
const MAX_OF_A_CHILD = 3;
/** An empty or cleared answer is deleted after this many days. */
const KEPT_DAYS = 14;
/** The school's name, for pages that show nothing else about it. */
export function schoolNameOf(schoolId: string): Promise<string> {
  return withTenant(schoolId, async (tx) => {
    const [row] = await tx.select({ name: schema.school.name }).from(schema.school);
    return row?.name ?? "";
  });
}
/**
 * Begins an answer through a class link. Its id is its key, so it is made here and never taken from the caller.
 * `caller`, the network address, is slowed down if it begins very many. A full list refuses nobody: the least useful
 * answer is deleted instead.
 */
export async function beginAnswer(to: OpenClassLink, caller: string): Promise<string> {
  await surveyTurn(caller);
  return withTenant(to.schoolId, async (tx) => {
    await makeRoom(tx, to.classId);
    const [row] = await tx
      .insert(surveyAnswer)
      .values({ schoolId: to.schoolId, classId: to.classId, answers: NOTHING_SAID })
      .returning({ id: surveyAnswer.id });
    return row!.id;
  });
}
/**
 * Deletes expired answers. If there are still too many, deletes cleared ones first, then blank, nameless and unknown
 * ones, oldest first.
 */
async function makeRoom(tx: Tx, classId: string): Promise<void> {
  const rows = await tx
    .select()
    .from(surveyAnswer)
    .where(and(eq(surveyAnswer.classId, classId), isNull(surveyAnswer.homeId)));
  const names = new Set(
    (await tx.select({ name: child.name }).from(child).where(eq(child.classId, classId))).map((k) => plain(k.name)),
  );
  const before = Date.now() - KEPT_DAYS * 86_400_000;
  const old = rows.filter((row) => (row.clearedAt ?? (isBlank(row) ? row.updatedAt : new Date())).getTime() < before);
  const rank = (row: (typeof rows)[number]) =>
    row.clearedAt ? 0 : isBlank(row) ? 1 : row.name.trim() === "" ? 2 : names.has(plain(row.name)) ? 4 : 3;
  const spare = rows
    .filter((row) => !old.includes(row))
    .sort((a, b) => rank(a) - rank(b) || a.updatedAt.getTime() - b.updatedAt.getTime());
  const gone = [...old, ...spare.slice(0, Math.max(0, spare.length - MAX_ANSWERS + 1))].map((row) => row.id);
  if (gone.length > 0) await tx.delete(surveyAnswer).where(inArray(surveyAnswer.id, gone));
}
/** Keeps the newest answers under a name and deletes the others. */
async function keepNewest(tx: Tx, classId: string, name: string): Promise<void> {
  const rows = await tx
    .select({ id: surveyAnswer.id, name: surveyAnswer.name })
    .from(surveyAnswer)
    .where(waitingIn(classId))
    .orderBy(desc(surveyAnswer.updatedAt));
  const gone = rows.filter((row) => plain(row.name) === plain(name)).slice(MAX_OF_A_CHILD);
  if (gone.length > 0)
    await tx.delete(surveyAnswer).where(
      inArray(
        surveyAnswer.id,
        gone.map((eachChild) => eachChild.id),
      ),
    );
}
/** Those of some answers that can be continued through a class link. */
export function answersThere(to: OpenClassLink, ids: readonly string[]): Promise<string[]> {
  if (ids.length === 0) return Promise.resolve([]);
  return withTenant(to.schoolId, async (tx) => {
    const rows = await tx
      .select({ id: surveyAnswer.id })
      .from(surveyAnswer)
      .where(
        and(inArray(surveyAnswer.id, [...ids]), eq(surveyAnswer.classId, to.classId), isNull(surveyAnswer.clearedAt)),
      );
    return ids.filter((id) => rows.some((row) => row.id === id));
  });
}
export function openAnswer(to: OpenClassLink, id: string): Promise<OpenAnswer> {
  return withTenant(to.schoolId, async (tx) => {
    const [row] = await tx
      .select({ answer: surveyAnswer, school: schema.school.name })
      .from(surveyAnswer)
      .innerJoin(schema.school, eq(schema.school.id, surveyAnswer.schoolId))
      .where(and(eq(surveyAnswer.id, id), eq(surveyAnswer.classId, to.classId), isNull(surveyAnswer.clearedAt)));
    if (!row) throw new NotFound("answer");
    const { name, answers, support } = row.answer;
    return { id, school: row.school, name, answers, familyNote: support };
  });
}
/**
 * Passes a family's note on to the child it is about: the only one of the class in that home, otherwise the one with
 * that name.
 */
async function noteFor(
  tx: Tx,
  classId: string,
  { homeId, name, familyNote }: { homeId: string; name: string; familyNote: string },
): Promise<void> {
  const all = await tx
    .select({ id: child.id, name: child.name })
    .from(child)
    .where(and(eq(child.classId, classId), inArray(child.id, await childrenOf(tx, homeId))));
  const one = all.length === 1 ? all[0] : all.find((eachChild) => plain(eachChild.name) === plain(name));
  if (one) await tx.update(child).set({ familyNote }).where(eq(child.id, one.id));
}

const typedName = z.string().trim().max(30, "The name can have up to 30 characters.");
export function saveAnswer(
  to: OpenClassLink,
  id: string,
  { given, name, now = new Date() }: { given: unknown; name?: string | undefined; now?: Date | undefined },
): Promise<void> {
  const { familyNote, ...rest } = checked(given);
  const read = typedName.safeParse(name ?? "");
  if (!read.success) throw new NotAllowed(problemsOf(read.error).map((problem) => ({ ...problem, field: "name" })));
  return withTenant(to.schoolId, async (tx) => {
    const [row] = await tx
      .select()
      .from(surveyAnswer)
      .where(and(eq(surveyAnswer.id, id), eq(surveyAnswer.classId, to.classId), isNull(surveyAnswer.clearedAt)))
      .for("update");
    if (!row) throw new NotFound("answer");
    const answers = { ...row.answers, ...rest };
    await tx
      .update(surveyAnswer)
      .set({
        answers,
        ...(name !== undefined && { name: read.data }),
        ...(familyNote !== undefined && { support: familyNote }),
        updatedAt: now,
      })
      .where(eq(surveyAnswer.id, id));
    if (!row.homeId) {
      if (name) await keepNewest(tx, to.classId, read.data);
      return;
    }
    if (familyNote !== undefined) await noteFor(tx, to.classId, { homeId: row.homeId, name: row.name, familyNote });
    await tx
      .update(home)
      .set({ ...rest, answeredAt: now })
      .where(eq(home.id, row.homeId));
    if (Object.keys(rest).length > 0) await makeAnew(tx, to.schoolId, row.homeId, PAUSE);
  });
}
