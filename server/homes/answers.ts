import { randomUUID } from "node:crypto";
import { and, asc, count, eq, lt } from "drizzle-orm";
import { z } from "zod";
import { problemsOf } from "#core/formats/activity.ts";
import { type HomeAnswers, NOTHING_SAID } from "#core/records/home.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { inSchool, schema } from "../db/client.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { ownChild, ownClass } from "../school/classes.ts";
import { homesOf } from "./homes-of.ts";
import { addHome, checked, homeLabel, keep, makeAnew, oneByOne, PAUSE } from "./keep.ts";

const { child, home, surveyAnswer } = schema;

export interface ClassAnswer {
  id: string;
  name: string;
  answers: HomeAnswers;
  support: string;
  updatedAt: Date;
  /** Whose home it could be: one child of that name, in that class. */
  suggests: string | null;
}
/** Answers that came through the class link and belong to no home yet. */
export function waitingAnswers(who: SignedIn, classId: string): Promise<ClassAnswer[]> {
  return inSchool(who.schoolId, async (tx) => {
    await ownClass(tx, who.teacherId, classId);
    const rows = await tx
      .select()
      .from(surveyAnswer)
      .where(eq(surveyAnswer.classId, classId))
      .orderBy(asc(surveyAnswer.updatedAt));
    const children = await tx.select().from(child).where(eq(child.classId, classId));
    const plain = (s: string) => s.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
    return rows
      .filter((r) => r.homeId === null && r.name.trim() !== "")
      .map(({ id, name, answers, support: told, updatedAt }) => {
        const same = children.filter((k) => plain(k.name) === plain(name));
        return { id, name, answers, support: told, updatedAt, suggests: same.length === 1 ? same[0]!.id : null };
      });
  });
}

/** Puts an answer to a child's first home; from then on the family's changes go straight there. */
export function placeAnswer(who: SignedIn, answerId: string, childId: string): Promise<void> {
  return inSchool(who.schoolId, async (tx) => {
    const me = await ownChild(tx, who, childId);
    await oneByOne(tx, childId);
    const [row] = await tx.select().from(surveyAnswer).where(eq(surveyAnswer.id, answerId)).for("update");
    if (!row) throw new NotFound("answer");
    await ownClass(tx, who.teacherId, row.classId);
    const [first] = (await homesOf(tx, [childId])).get(childId)!;
    const homeId = first?.id ?? (await addHome(tx, who.schoolId, childId, homeLabel(me.name, 0), randomUUID()));
    await keep(
      tx,
      who.schoolId,
      homeId,
      childId,
      { ...row.answers, ...(row.support && { support: row.support }) },
      row.updatedAt,
    );
    await tx.update(surveyAnswer).set({ homeId }).where(eq(surveyAnswer.id, answerId));
  });
}
export function dropAnswer(who: SignedIn, answerId: string): Promise<void> {
  return inSchool(who.schoolId, async (tx) => {
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
  support: string;
}
/** Answers of one class that wait for a home; more than any class has families. */
export const MOST_ANSWERS = 200;
/** An answer without a name is dropped after so many days. */
const BEGUN_DAYS = 14;
/** The school's name, for pages that show nothing else of it. */
export function schoolNameOf(schoolId: string): Promise<string> {
  return inSchool(schoolId, async (tx) => {
    const [row] = await tx.select({ name: schema.school.name }).from(schema.school);
    return row?.name ?? "";
  });
}
/** Begins an answer through a class link: its id is its key, so it is made here and not given. */
export function beginAnswer(to: { schoolId: string; classId: string }): Promise<string> {
  return inSchool(to.schoolId, async (tx) => {
    // Begun and never gone on with: they make room.
    await tx
      .delete(surveyAnswer)
      .where(
        and(
          eq(surveyAnswer.classId, to.classId),
          eq(surveyAnswer.name, ""),
          lt(surveyAnswer.updatedAt, new Date(Date.now() - BEGUN_DAYS * 86_400_000)),
        ),
      );
    const [{ n } = { n: 0 }] = await tx
      .select({ n: count() })
      .from(surveyAnswer)
      .where(eq(surveyAnswer.classId, to.classId));
    if (n >= MOST_ANSWERS)
      throw NotAllowed.of("answer", "This class has too many answers waiting. Ask the teacher to look at them first.");
    const [row] = await tx
      .insert(surveyAnswer)
      .values({ schoolId: to.schoolId, classId: to.classId, answers: NOTHING_SAID })
      .returning({ id: surveyAnswer.id });
    return row!.id;
  });
}
export function openAnswer(to: { schoolId: string; classId: string }, id: string): Promise<OpenAnswer> {
  return inSchool(to.schoolId, async (tx) => {
    const [row] = await tx
      .select({ answer: surveyAnswer, school: schema.school.name })
      .from(surveyAnswer)
      .innerJoin(schema.school, eq(schema.school.id, surveyAnswer.schoolId))
      .where(and(eq(surveyAnswer.id, id), eq(surveyAnswer.classId, to.classId)));
    if (!row) throw new NotFound("answer");
    const { name, answers, support: told } = row.answer;
    return { id, school: row.school, name, answers, support: told };
  });
}
const typedName = z.string().trim().max(30, "name must be 30 letters or fewer");
export function saveAnswer(
  to: { schoolId: string; classId: string },
  id: string,
  given: unknown,
  name: string | undefined,
  now = new Date(),
): Promise<void> {
  const { support: told, ...rest } = checked(given);
  const read = typedName.safeParse(name ?? "");
  if (!read.success) throw new NotAllowed(problemsOf(read.error).map((p) => ({ ...p, field: "name" })));
  return inSchool(to.schoolId, async (tx) => {
    const [row] = await tx
      .select()
      .from(surveyAnswer)
      .where(and(eq(surveyAnswer.id, id), eq(surveyAnswer.classId, to.classId)))
      .for("update");
    if (!row) throw new NotFound("answer");
    const answers = { ...row.answers, ...rest };
    await tx
      .update(surveyAnswer)
      .set({
        answers,
        ...(name !== undefined && { name: read.data }),
        ...(told !== undefined && { support: told }),
        updatedAt: now,
      })
      .where(eq(surveyAnswer.id, id));
    if (!row.homeId) return;
    await tx
      .update(home)
      .set({ ...rest, answeredAt: now })
      .where(eq(home.id, row.homeId));
    if (Object.keys(rest).length > 0) await makeAnew(tx, to.schoolId, row.homeId, PAUSE);
  });
}
