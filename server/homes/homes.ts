import { randomUUID } from "node:crypto";
import { and, asc, count, desc, eq, inArray, lt } from "drizzle-orm";
import { z } from "zod";
import type { HomeFacts } from "#core/compile/for-home.ts";
import { problemsOf } from "#core/formats/activity.ts";
import { LONGEST_STEP, SHORTEST_STEP } from "#core/measures/step.ts";
import { type HomeAnswers, homeAnswers, LONGEST_SUPPORT, NOTHING_SAID } from "#core/records/home.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { inSchool, schema, type Tx } from "../db/client.ts";
import { askFor, nudge } from "../jobs/jobs.ts";
import { linksFor } from "../links/links.ts";
import { linkToken } from "../links/token.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { classesOf, ownClass } from "../school/classes.ts";
import { childrenOf, factsOf, homesOf } from "./homes-of.ts";

const { child, childHome, home, link, message, surveyAnswer } = schema;
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
  support: string;
  className: string;
  homes: HomeOfChild[];
  token: string | null;
  /** When the survey was last sent to this family. */
  askedAt: Date | null;
  asked: number;
}

/** A row a child: its homes, who else lives there, its private link unless withdrawn, and when its family was asked. */
export function homesFor(who: SignedIn): Promise<HomeRow[]> {
  return inSchool(who.schoolId, async (tx) => {
    const classes = await classesOf(tx, who.teacherId);
    const named = new Map(classes.flatMap((c) => c.children.map((k) => [k.id, { ...k, className: c.name }] as const)));
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
      ids.filter((id) => id !== not && homes.get(id)!.some((h) => h.id === homeId)).map((id) => named.get(id)!.name);
    return ids.map((childId) => {
      const me = named.get(childId)!;
      const own = links.find((l) => l.childId === childId);
      const row = children.find((c) => c.id === childId)!;
      const told = asked.filter((m) => m.childId === childId);
      return {
        childId,
        child: me.name,
        age: me.age,
        leftHanded: row.leftHanded,
        step: row.step,
        support: row.support,
        className: me.className,
        homes: homes
          .get(childId)!
          .map((h) => ({ ...factsOf(h), answeredAt: h.answeredAt, siblings: livesIn(h.id, childId) })),
        token: own && !own.withdrawnAt ? linkToken(own.id, own.version) : null,
        askedAt: told[0]?.at ?? null,
        asked: told.length,
      };
    });
  });
}

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

/** Throws NotFound unless the child is in one of the teacher's classes. */
async function ownChild(tx: Tx, who: SignedIn, childId: string): Promise<{ name: string }> {
  for (const c of await classesOf(tx, who.teacherId)) {
    const found = c.children.find((k) => k.id === childId);
    if (found) return found;
  }
  throw new NotFound("child");
}

const support = z.string().trim().max(LONGEST_SUPPORT, `anything to know must be ${LONGEST_SUPPORT} letters or fewer`);
/** Answers, whole or in part; what is not named stays as it is. */
export const someAnswers = homeAnswers.partial().extend({ support: support.optional() }).strict();
export type SomeAnswers = z.infer<typeof someAnswers>;

function checked(given: unknown): SomeAnswers {
  const read = someAnswers.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  return read.data;
}

/** A family is taken to have paused when it said nothing for so long, seconds. */
export const PAUSE = 10;

/** Its children's open cards that nobody began are made anew, once nothing more was said for a while. */
async function makeAnew(tx: Tx, schoolId: string, homeId: string, inSeconds: number): Promise<void> {
  await askFor(tx, schoolId, "cards", await childrenOf(tx, homeId), inSeconds);
}

async function keep(
  tx: Tx,
  schoolId: string,
  homeId: string,
  childId: string,
  given: SomeAnswers,
  byFamily: Date | null,
): Promise<void> {
  const { support: told, ...rest } = given;
  const changes = { ...rest, ...(byFamily && { answeredAt: byFamily }) };
  if (told !== undefined) await tx.update(child).set({ support: told }).where(eq(child.id, childId));
  if (Object.keys(changes).length > 0) await tx.update(home).set(changes).where(eq(home.id, homeId));
  // A note for the teacher changes no card.
  if (Object.keys(rest).length > 0) await makeAnew(tx, schoolId, homeId, PAUSE);
}

/** A new home for a child, which so far said nothing. Its id comes from whoever asks, so that asking twice is asking once. */
async function addHome(tx: Tx, schoolId: string, childId: string, label: string, id: string): Promise<string> {
  await tx.insert(home).values({ id, schoolId, label }).onConflictDoNothing();
  const [made] = await tx.select({ id: home.id }).from(home).where(eq(home.id, id));
  if (!made) throw NotAllowed.of("home", "home: load this page again, then add it");
  await tx.insert(childHome).values({ schoolId, childId, homeId: id }).onConflictDoNothing();
  return id;
}
/** One home after the other: whoever asks for the same child waits for whoever came first. */
async function oneByOne(tx: Tx, childId: string): Promise<void> {
  await tx.select({ id: child.id }).from(child).where(eq(child.id, childId)).for("update");
}
/** Refuses another home beyond the most; the same one asked for again is known by its id. */
function room(homes: readonly { id: string }[], id: string | null): "known" | "room" {
  if (homes.some((h) => h.id === id)) return "known";
  if (homes.length >= MOST_HOMES) throw NotAllowed.of("home", `home: at most ${MOST_HOMES} homes for one child`);
  return "room";
}
/** A child lives in so many homes at most. */
export const MOST_HOMES = 4;
const homeLabel = (name: string, n: number) => `${name.split(" ")[0]}'s ${n === 0 ? "home" : `home ${n + 1}`}`;

export interface FamilyHomes {
  name: string;
  school: string;
  support: string;
  homes: (HomeFacts & { answeredAt: Date | null })[];
}

/** The homes of the child whose link this is; none before its family has said something. */
export function familyHomes(to: { schoolId: string; childId: string }): Promise<FamilyHomes> {
  return inSchool(to.schoolId, async (tx) => {
    const [me] = await tx
      .select({ name: child.name, support: child.support, school: schema.school.name })
      .from(child)
      .innerJoin(schema.school, eq(schema.school.id, child.schoolId))
      .where(eq(child.id, to.childId));
    if (!me) throw new NotFound("child");
    const homes = (await homesOf(tx, [to.childId])).get(to.childId)!;
    return { ...me, homes: homes.map((h) => ({ ...factsOf(h), answeredAt: h.answeredAt })) };
  });
}

/** What a family says of one of its homes (null: its first, made now where there is none); what it leaves out stays. Answers with the home. */
export function answerForHome(
  to: { schoolId: string; childId: string },
  homeId: string | null,
  given: unknown,
  now = new Date(),
): Promise<string> {
  const answers = checked(given);
  return inSchool(to.schoolId, async (tx) => {
    await oneByOne(tx, to.childId);
    const homes = (await homesOf(tx, [to.childId])).get(to.childId)!;
    const known = homeId === null ? homes[0] : homes.find((h) => h.id === homeId);
    if (!known && (homeId !== null || homes.length > 0)) throw new NotFound("home");
    const id = known?.id ?? (await firstHome(tx, to));
    await keep(tx, to.schoolId, id, to.childId, answers, now);
    return id;
  });
}
async function firstHome(tx: Tx, to: { schoolId: string; childId: string }): Promise<string> {
  const [me] = await tx.select({ name: child.name }).from(child).where(eq(child.id, to.childId));
  if (!me) throw new NotFound("child");
  return addHome(tx, to.schoolId, to.childId, homeLabel(me.name, 0), randomUUID());
}

/** Another home of the same child, asked for by its family under an id of its own. */
export function addFamilyHome(to: { schoolId: string; childId: string }, id: string): Promise<string> {
  return inSchool(to.schoolId, async (tx) => {
    await oneByOne(tx, to.childId);
    const homes = (await homesOf(tx, [to.childId])).get(to.childId)!;
    if (room(homes, id) === "known") return id;
    const [me] = await tx.select({ name: child.name }).from(child).where(eq(child.id, to.childId));
    if (!me) throw new NotFound("child");
    return addHome(tx, to.schoolId, to.childId, homeLabel(me.name, homes.length), id);
  });
}

const childFacts = z.strictObject({
  name: z.string().trim().min(1, "name must not be empty").max(30, "name must be 30 letters or fewer"),
  age: z
    .number({ error: "age must be a number of years" })
    .int("age must be whole years")
    .min(4, "age must be 4 or more")
    .max(15, "age must be 15 or less"),
  leftHanded: z.boolean(),
  step: z
    .number({ error: "step must be a number of metres" })
    .min(SHORTEST_STEP, `step must be ${SHORTEST_STEP} m or more`)
    .max(LONGEST_STEP, `step must be ${LONGEST_STEP} m or less`)
    .nullable(),
  support,
});
/** What the teacher changes about a child. */
export function saveChild(who: SignedIn, childId: string, given: unknown): Promise<void> {
  const read = childFacts.safeParse(given);
  if (!read.success) throw new NotAllowed(problemsOf(read.error));
  return inSchool(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    const [was] = await tx.select().from(child).where(eq(child.id, childId));
    const { age, step, leftHanded } = read.data;
    await tx.update(child).set(read.data).where(eq(child.id, childId));
    // Cards hang on nothing else of what is edited here.
    if (was && (was.age !== age || was.step !== step || was.leftHanded !== leftHanded))
      await askFor(tx, who.schoolId, "cards", [childId]);
  }).then(nudge);
}

/** Edits a home for its family; it does not count as the family's own answer. */
export function saveHome(who: SignedIn, childId: string, homeId: string, given: unknown): Promise<void> {
  const answers = checked(given);
  return inSchool(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    const homes = (await homesOf(tx, [childId])).get(childId)!;
    if (!homes.some((h) => h.id === homeId)) throw new NotFound("home");
    await keep(tx, who.schoolId, homeId, childId, answers, null);
  });
}

/** Another home for a child, or the home it shares with another child. */
export function addHomeFor(who: SignedIn, childId: string, of: { id: string } | { sharedWith: string }): Promise<void> {
  return inSchool(who.schoolId, async (tx) => {
    const me = await ownChild(tx, who, childId);
    await oneByOne(tx, childId);
    const mine = (await homesOf(tx, [childId])).get(childId)!;
    if ("id" in of) {
      if (room(mine, of.id) === "room")
        await addHome(tx, who.schoolId, childId, homeLabel(me.name, mine.length), of.id);
      return;
    }
    await ownChild(tx, who, of.sharedWith);
    const [first] = (await homesOf(tx, [of.sharedWith])).get(of.sharedWith)!;
    if (first && room(mine, first.id) === "known") return;
    if (!first) throw NotAllowed.of("sharedWith", "home: that child has no home yet");
    // A home of its own that nobody ever said anything about is only a place-holder.
    for (const h of mine)
      if (h.kit === null && h.space === null && h.answeredAt === null) await leave(tx, childId, h.id);
    await tx.insert(childHome).values({ schoolId: who.schoolId, childId, homeId: first.id }).onConflictDoNothing();
    await askFor(tx, who.schoolId, "cards", [childId]);
  });
}

/** The child does not live there; a home where nobody lives is gone. */
async function leave(tx: Tx, childId: string, homeId: string): Promise<void> {
  await tx.delete(childHome).where(and(eq(childHome.childId, childId), eq(childHome.homeId, homeId)));
  const left = await tx.select().from(childHome).where(eq(childHome.homeId, homeId));
  if (left.length === 0) await tx.delete(home).where(eq(home.id, homeId));
}
export function leaveHome(who: SignedIn, childId: string, homeId: string): Promise<void> {
  return inSchool(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    const mine = (await homesOf(tx, [childId])).get(childId)!;
    if (!mine.some((h) => h.id === homeId)) throw new NotFound("home");
    if (mine.length < 2) throw NotAllowed.of("home", "home: a child keeps one home; edit it instead");
    await leave(tx, childId, homeId);
    await askFor(tx, who.schoolId, "cards", [childId]);
  });
}

/** Asks families for the survey, one message each: everyone not asked yet, or again those who were and said nothing. */
export function askFamilies(who: SignedIn, classId: string, which: "invite" | "remind"): Promise<number> {
  return inSchool(who.schoolId, async (tx) => {
    const own = await ownClass(tx, who.teacherId, classId);
    const children = await tx.select().from(child).where(eq(child.classId, own.id));
    const ids = children.map((k) => k.id);
    if (ids.length === 0) return 0;
    const homes = await homesOf(tx, ids);
    const asked = await tx
      .select({ childId: message.childId })
      .from(message)
      .where(and(inArray(message.childId, ids), eq(message.kind, "survey")));
    const was = new Set(asked.map((m) => m.childId));
    const silent = children.filter((k) => homes.get(k.id)!.every((h) => h.answeredAt === null));
    const to = silent.filter((k) => (which === "invite" ? !was.has(k.id) : was.has(k.id)));
    await linksFor(tx, who.schoolId, to);
    if (to.length > 0)
      await tx.insert(message).values(
        to.map((k) => ({
          schoolId: who.schoolId,
          childId: k.id,
          kind: "survey" as const,
          ...surveyInvitation(k.name, which),
        })),
      );
    return to.length;
  });
}

function surveyInvitation(name: string, which: "invite" | "remind"): { subject: string; body: string } {
  return {
    subject:
      which === "invite" ? `What does ${name} have at home? Two minutes` : `Two minutes would help ${name}'s games fit`,
    body: `Hello,\n\nGames for ${name} can use what your home has: tap what is there, and how much room you have.\nIt takes two minutes, everything may be left out, and you can change it later:\n\n{survey}\n\nPlease keep the link to your family.`,
  };
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
