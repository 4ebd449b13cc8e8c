import { eq } from "drizzle-orm";
import { z } from "zod";
import { type Activity, problemsOf } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { PlayScore } from "#core/records/play.ts";
import { rankOf } from "#core/records/rank.ts";
import { readResultCode } from "#core/records/result-code.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { contentHash, idFrom } from "../content-hash.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { enqueue } from "../jobs/jobs.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { correctionsOf } from "./corrected.ts";
import { ownAssignment } from "./own.ts";

const { card, child, play, result, resultCorrection } = schema;

/** What a teacher types of a score from paper. */
const typed = {
  value: z
    .number({ error: "Type the score as the game gives it." })
    .int("The score must be a whole number.")
    .min(0, "The score must be 0 or more."),
  /** True if the child finished the game. */
  reachedTop: z.boolean(),
  /** How far the child came, if the game was not finished. */
  stage: z
    .number({ error: "“How many targets” must be a number." })
    .int("“How many targets” must be a whole number.")
    .min(0, "“How many targets” must be 0 or more.")
    .nullable(),
};

/**
 * The score given on paper. Throws a message if the game cannot produce it. `value` is in the unit of the game
 * (tenths of a second for times).
 */
export function paperScore(
  activity: Activity,
  { value, reachedTop, stage }: { value: number; reachedTop: boolean; stage: number | null },
): PlayScore {
  const can = opened(activity).possible;
  const more = can.better === "more";
  const finished = more ? reachedTop || (can.most !== null && value === can.most) : reachedTop;
  const { least, most } = finished && !more ? can.finished : can;
  const show = (count: number) => (can.unit === "tenths" ? String(count / 10) : String(count));
  if (value < least || (most !== null && value > most))
    throw NotAllowed.of(
      "value",
      most === null ? `This game gives ${show(least)} or more.` : `This game gives ${show(least)}–${show(most)}.`,
    );
  if (more && can.values && !can.values.includes(value))
    throw NotAllowed.of("value", `This game gives one of these scores: ${can.values.join(", ")}.`);
  const far = finished ? can.stages : (stage ?? 0);
  if (far > can.stages || (!finished && can.stages > 0 && far === can.stages && !more))
    throw NotAllowed.of(
      "stage",
      `Type how many targets were reached (0–${Math.max(0, can.stages - 1)}), or tick “finished”.`,
    );
  const score = { value, unit: can.unit, better: can.better, finished, stage: far };
  return {
    ...score,
    match: null,
    rank: rankOf(score),
    working: "",
    sends: can.unit === "sends" ? value : 0,
    stages: can.stages,
    stopped: false,
    won: null,
    seconds: can.unit === "tenths" ? Math.round(value / 10) : 0,
  };
}

export const paperOrder = z.strictObject({
  /** Made by the form. The same order again adds nothing. */
  orderId: z.uuid("This page is out of date. Load it again, then add the score."),
  cardId: z.uuid("Choose a child."),
  ...typed,
});

/** The child whose card this is. Throws NotFound if the card belongs to another assignment. */
async function cardOfAssignment(tx: Tx, id: string, cardId: string): Promise<string> {
  const [mine] = await tx
    .select({ assignmentId: card.assignmentId, childId: card.childId })
    .from(card)
    .where(eq(card.id, cardId));
  if (mine?.assignmentId !== id) throw new NotFound("card");
  return mine.childId;
}

/**
 * Adds a result by the code that a child's device shows if it cannot store or send what was played. A code typed
 * twice is added once. Returns the child's name. Throws NotAllowed if the code does not exist or belongs to another
 * activity.
 */
export async function codedResult(who: SignedIn, id: string, typedCode: string): Promise<string> {
  const read = readResultCode(typedCode);
  if (!read)
    throw NotAllowed.of(
      "code",
      "This code has a wrong or missing letter. Compare it with the child's screen, then type it again.",
    );
  const found = await withTenant(who.schoolId, async (tx) => {
    await ownAssignment(tx, who, id);
    const cards = await tx
      .select({ id: card.id, child: child.name })
      .from(card)
      .innerJoin(child, eq(child.id, card.childId))
      .where(eq(card.assignmentId, id));
    return cards.find((eachCard) => eachCard.id.replaceAll("-", "").startsWith(read.card)) ?? null;
  });
  if (!found)
    throw NotAllowed.of(
      "code",
      "This code belongs to another activity. Open that activity's results, then type it there.",
    );
  const { value, finished: reachedTop, stage } = read;
  await paperResult(who, id, {
    orderId: idFrom(`code ${found.id} ${read.play}`),
    cardId: found.id,
    value,
    reachedTop,
    stage: reachedTop ? null : stage,
  });
  return found.child;
}

/** Adds a score from paper, typed by the teacher. There is nothing to replay. */
export async function paperResult(
  who: SignedIn,
  id: string,
  order: z.infer<typeof paperOrder>,
  now = new Date(),
): Promise<void> {
  const checked = paperOrder.safeParse(order);
  if (!checked.success) throw new NotAllowed(problemsOf(checked.error));
  const { orderId, cardId } = checked.data;
  await withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const childId = await cardOfAssignment(tx, id, cardId);
    const score = paperScore(own.revision.document, checked.data);
    const made = await tx
      .insert(play)
      .values({
        id: orderId,
        schoolId: who.schoolId,
        cardId,
        device: "paper",
        source: "paper",
        setup: { players: 1, mode: "alone", seed: 0 },
        rulesVersion: own.revision.rulesVersion,
        startedAt: now,
        receivedAt: now,
      })
      .onConflictDoNothing()
      .returning({ id: play.id });
    if (made.length === 0) return;
    const reflection = { before: null, during: null, after: null, answers: [], criteria: [], grownUp: false };
    await tx.insert(result).values({
      playId: orderId,
      schoolId: who.schoolId,
      cardId,
      score,
      reflection,
      contentHash: contentHash({ score, reflection }),
      timing: "inTime",
      handedAt: now,
    });
    await enqueue(tx, who.schoolId, "evidence", [childId]);
  });
}

export const correctionOrder = z.strictObject({
  orderId: z.uuid("This page is out of date. Load it again, then correct the score."),
  playId: z.uuid(),
  /** The latest correction that the teacher saw. Null if there was none. */
  replaces: z.uuid().nullable(),
  reason: z.string().trim().min(1, "Give a reason.").max(200, "The reason can have up to 200 characters."),
  /** `gone`: the result is taken back. `again`: a result that was taken back counts again, unchanged. */
  to: z.union([z.strictObject(typed), z.literal("gone"), z.literal("again")]),
});

/** Corrects a result from paper, takes it back, or lets it count again. Adds a row and changes none. */
export async function correctResult(who: SignedIn, id: string, order: z.infer<typeof correctionOrder>): Promise<void> {
  const checked = correctionOrder.safeParse(order);
  if (!checked.success)
    throw new NotAllowed(
      problemsOf(checked.error).map((problem) => ({ ...problem, field: problem.field.replace(/^to\./, "") })),
    );
  const { orderId, playId, replaces, reason, to } = checked.data;
  await withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const [row] = await tx
      .select({ play, score: result.score })
      .from(play)
      .innerJoin(result, eq(result.playId, play.id))
      .where(eq(play.id, playId));
    if (!row) throw new NotFound("result");
    const childId = await cardOfAssignment(tx, id, row.play.cardId);
    if (row.play.source !== "paper")
      throw NotAllowed.of(
        "result",
        "Only scores from paper can be corrected here. A score from the child's device stands.",
      );
    const last = (await correctionsOf(tx, [row.play.cardId])).get(playId) ?? null;
    if (last?.id === orderId) return;
    if ((last?.id ?? null) !== replaces)
      throw NotAllowed.of("result", "Someone else has corrected this score in the meantime. Look at it again.");
    const score =
      to === "gone" ? null : to === "again" ? (last?.before ?? row.score) : paperScore(own.revision.document, to);
    const made = await tx
      .insert(resultCorrection)
      .values({ id: orderId, schoolId: who.schoolId, playId, replaces, teacherId: who.teacherId, reason, score })
      .onConflictDoNothing()
      .returning({ id: resultCorrection.id });
    if (made.length === 0 && last?.id !== orderId) {
      const now = (await correctionsOf(tx, [row.play.cardId])).get(playId);
      if (now?.id !== orderId)
        throw NotAllowed.of("result", "Someone else has corrected this score in the meantime. Look at it again.");
    }
    await enqueue(tx, who.schoolId, "evidence", [childId]);
  });
}
