import { createHash, createHmac, randomBytes, timingSafeEqual } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { config } from "../config.ts";
import { schema, systemDb, withTenant } from "../db/client.ts";
import { NotAllowed } from "../problem.ts";
import { passwordFits } from "./password.ts";

/**
 * How many tries go through at once, and how much longer each further one waits than the one before (up to ten times
 * that): for an email address, for a machine, and for an email address on a device that its teacher has signed in on
 * before, which nobody else can slow down.
 */
const PACE = {
  address: { free: 5, seconds: 1 },
  machine: { free: 40, seconds: 0.25 },
  device: { free: 5, seconds: 1 },
  survey: { free: 40, seconds: 0.25 },
} as const;
/** A try that would have to wait longer than this is told to come again, seconds. */
const HORIZON = 20;
/** A survey answer through a class's link begins at once, or after at most this long, seconds. */
const SURVEY_HORIZON = 2;
/** How long a session lasts, hours: a school day and a little more. */
export const SESSION_HOURS = 14;

const sha256 = (text: string) => createHash("sha256").update(text).digest("hex");

/** Waits until one more try under this key may go through. */
async function takeTurn(kind: keyof typeof PACE, key: string, horizon: number, refused: NotAllowed): Promise<void> {
  const { free, seconds } = PACE[kind];
  const [row] = await systemDb<{ wait: number }>(
    sql`select public.yard_sign_in_turn(${key}, ${free}, make_interval(secs => ${seconds}), make_interval(secs => ${horizon})) as wait`,
  );
  const wait = row!.wait;
  if (wait < 0) throw refused;
  if (wait > 0) await new Promise((done) => setTimeout(done, wait));
}
const signInTurn = (kind: "address" | "machine" | "device", key: string) =>
  takeTurn(
    kind,
    key,
    HORIZON,
    NotAllowed.of("password", "Too many people are signing in just now. Wait half a minute, then try again."),
  );
/**
 * Waits until one more survey answer from a network address may begin. Throws NotAllowed if very many were begun from
 * there within a few minutes. Other addresses are not slowed, and an answer that was begun can always be continued.
 */
export const surveyTurn = (machine: string): Promise<void> =>
  takeTurn(
    "survey",
    `survey ${sha256(machine)}`,
    SURVEY_HORIZON,
    NotAllowed.of("answer", "Too many surveys were started from here just now. Wait a minute, then start again."),
  );
const done = (key: string, forget: boolean) => systemDb(sql`select public.yard_sign_in_done(${key}, ${forget})`);

/**
 * The mark of a device that a teacher has signed in on: a number of its own, and a check that it belongs to this
 * email address.
 */
const checkOf = (email: string, number: string) =>
  createHmac("sha256", config.YARD_SECRET).update(`device ${email.toLowerCase()} ${number}`).digest("base64url");
export function deviceMark(email: string): string {
  const number = randomBytes(12).toString("base64url");
  return `${number}.${checkOf(email, number)}`;
}
function knownDevice(email: string, mark: string | null): string | null {
  const [number, check] = (mark ?? "").split(".");
  if (!number || !check) return null;
  const [given, own] = [Buffer.from(check), Buffer.from(checkOf(email, number))];
  return given.length === own.length && timingSafeEqual(given, own) ? number : null;
}

/**
 * Checks a password and opens a session. Returns the token for the cookie. `machine` is the caller's network address;
 * `mark` is what `deviceMark` gave the device before. Tries are slowed down but never locked out: every try that
 * waits its turn is checked.
 */
export async function signIn(
  email: string,
  password: string,
  machine: string,
  mark: string | null = null,
): Promise<string> {
  const known = knownDevice(email, mark);
  const caller = `machine ${sha256(machine)}`;
  const key = known ? `device ${sha256(`${email.toLowerCase()} ${known}`)}` : `address ${sha256(email.toLowerCase())}`;
  if (!known) await signInTurn("machine", caller);
  await signInTurn(known ? "device" : "address", key);
  const rows = await systemDb<{ id: string; school_id: string; password_hash: string }>(
    sql`select * from public.yard_sign_in(${email})`,
  );
  const teacher = rows[0];
  if (!(await passwordFits(password, teacher?.password_hash)) || !teacher)
    throw NotAllowed.of("password", "This e-mail address and password do not match. Check both, then try again.");
  await done(key, true);
  if (!known) await done(caller, false);
  const token = randomBytes(32).toString("base64url");
  await withTenant(teacher.school_id, (tx) =>
    tx.insert(schema.session).values({
      id: sha256(token),
      schoolId: teacher.school_id,
      teacherId: teacher.id,
      expiresAt: new Date(Date.now() + SESSION_HOURS * 3_600_000),
    }),
  );
  return token;
}

export interface SignedIn {
  teacherId: string;
  schoolId: string;
}

export async function sessionOf(token: string): Promise<SignedIn | null> {
  const rows = await systemDb<{ teacher_id: string; school_id: string }>(
    sql`select * from public.yard_session(${sha256(token)})`,
  );
  return rows[0] ? { teacherId: rows[0].teacher_id, schoolId: rows[0].school_id } : null;
}

export async function signOut(token: string): Promise<void> {
  const who = await sessionOf(token);
  if (who)
    await withTenant(who.schoolId, (tx) => tx.delete(schema.session).where(eq(schema.session.id, sha256(token))));
}
