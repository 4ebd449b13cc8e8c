import { createHash, randomInt } from "node:crypto";
import { and, asc, eq, gt, inArray, lt } from "drizzle-orm";
import type { SignedIn } from "../auth/sign-in.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { enqueue, wakeJobRunner } from "../jobs/jobs.ts";
import type { OpenLink } from "../links/open-link.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { ownChild } from "../school/classes.ts";
import { homesOf, leave } from "./homes-of.ts";
import { oneByOne, room } from "./keep.ts";

const { childHome, homeInvitation } = schema;

/** Letters and digits that are not confused with each other when read aloud or typed. */
const ALPHABET = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
/** 60 bits, so that a code cannot be found by trying while it is valid. */
const CODE_LENGTH = 12;
const GROUP = 4;
/** How long an invitation is valid, days. */
export const INVITATION_DAYS = 7;
/** The most open invitations of a home. A further one replaces the oldest. */
const MAX_WAITING = 4;

const hashOf = (code: string) =>
  createHash("sha256")
    .update(`invitation ${code.toUpperCase().replace(/[^0-9A-Z]/g, "")}`)
    .digest("hex");

async function invite(tx: Tx, schoolId: string, homeId: string, now = new Date()): Promise<string> {
  const letters = Array.from({ length: CODE_LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]!).join("");
  const code = letters.replace(new RegExp(`(.{${GROUP}})(?=.)`, "g"), "$1-");
  await tx.delete(homeInvitation).where(lt(homeInvitation.expiresAt, now));
  const waiting = await tx
    .select({ codeHash: homeInvitation.codeHash })
    .from(homeInvitation)
    .where(eq(homeInvitation.homeId, homeId))
    .orderBy(asc(homeInvitation.expiresAt));
  const old = waiting.slice(0, Math.max(0, waiting.length - MAX_WAITING + 1)).map((w) => w.codeHash);
  if (old.length > 0) await tx.delete(homeInvitation).where(inArray(homeInvitation.codeHash, old));
  const expiresAt = new Date(now.getTime() + INVITATION_DAYS * 86_400_000);
  await tx.insert(homeInvitation).values({ schoolId, codeHash: hashOf(code), homeId, expiresAt });
  return code;
}

async function join(
  tx: Tx,
  schoolId: string,
  { childId, code, now = new Date() }: { childId: string; code: string; now?: Date | undefined },
): Promise<void> {
  await oneByOne(tx, childId);
  const live = and(eq(homeInvitation.codeHash, hashOf(code)), gt(homeInvitation.expiresAt, now));
  // Deleted first, so that if two people use a code at once only one succeeds. If joining is refused, the deletion is
  // undone with it.
  const [found] = await tx.delete(homeInvitation).where(live).returning({ homeId: homeInvitation.homeId });
  if (!found)
    throw NotAllowed.of(
      "code",
      "This code does not work. Codes work once, for a week. Ask the other family for a new one.",
    );
  const mine = (await homesOf(tx, [childId])).get(childId)!;
  if (room(mine, found.homeId) === "room") {
    // A home about which nothing was ever said was only a placeholder.
    for (const home of mine)
      if (home.kit === null && home.space === null && home.answeredAt === null) await leave(tx, childId, home.id);
    await tx.insert(childHome).values({ schoolId, childId, homeId: found.homeId }).onConflictDoNothing();
    await enqueue(tx, schoolId, "cards", [childId]);
  }
}

async function ownHome(tx: Tx, childId: string, homeId: string): Promise<void> {
  const homes = (await homesOf(tx, [childId])).get(childId)!;
  if (!homes.some((home) => home.id === homeId)) throw new NotFound("home");
}

/** Makes a code with which one more child can join this family's home. It is shown once and works once. */
export function inviteToHome(link: OpenLink, homeId: string): Promise<string> {
  return withTenant(link.schoolId, async (tx) => {
    await ownHome(tx, link.childId, homeId);
    return invite(tx, link.schoolId, homeId);
  });
}
/** The same, made by a teacher of the child's class. */
export function inviteToHomeFor(who: SignedIn, childId: string, homeId: string): Promise<string> {
  return withTenant(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    await ownHome(tx, childId, homeId);
    return invite(tx, who.schoolId, homeId);
  });
}

/**
 * Joins the home that a code was made for. Throws NotAllowed if the code is unknown, used or expired, or if the child
 * has the most homes allowed.
 */
export function joinHome(link: OpenLink, code: string): Promise<void> {
  return withTenant(link.schoolId, (tx) => join(tx, link.schoolId, { childId: link.childId, code })).then(
    wakeJobRunner,
  );
}
/** The same, done by a teacher of the child's class. */
export function joinHomeFor(who: SignedIn, childId: string, code: string): Promise<void> {
  return withTenant(who.schoolId, async (tx) => {
    await ownChild(tx, who, childId);
    await join(tx, who.schoolId, { childId, code });
  }).then(wakeJobRunner);
}
