import { createHash, randomBytes } from "node:crypto";
import { and, eq, gt, lt, sql } from "drizzle-orm";
import { beforeSchool, inSchool, schema } from "../db/client.ts";
import { NotAllowed } from "../problem.ts";
import { passwordFits } from "./password.ts";

/** Failed tries allowed in the window, for one address and for one machine. */
const MOST_TRIES = { address: 8, machine: 40 };
const WINDOW_MINUTES = 15;
/** A session lasts a school day and a bit, hours. */
export const SESSION_HOURS = 14;

const sha256 = (text: string) => createHash("sha256").update(text).digest("hex");
const since = () => new Date(Date.now() - WINDOW_MINUTES * 60_000);

async function triesOf(key: string): Promise<number> {
  const { signInTry } = schema;
  return beforeSchool.$count(signInTry, and(eq(signInTry.key, key), gt(signInTry.at, since())));
}

/** Checks a password and opens a session; answers with the token for the cookie. `machine` is the caller's network address. */
export async function signIn(email: string, password: string, machine: string): Promise<string> {
  const address = `address ${sha256(email.toLowerCase())}`;
  const caller = `machine ${sha256(machine)}`;
  if ((await triesOf(address)) >= MOST_TRIES.address || (await triesOf(caller)) >= MOST_TRIES.machine)
    throw NotAllowed.of("password", `Too many tries. Wait ${WINDOW_MINUTES} minutes, then try again.`);
  const rows = await beforeSchool.execute<{ id: string; school_id: string; password_hash: string }>(
    sql`select * from yard_sign_in(${email})`,
  );
  const teacher = rows[0];
  if (!(await passwordFits(password, teacher?.password_hash)) || !teacher) {
    await beforeSchool.insert(schema.signInTry).values([{ key: address }, { key: caller }]);
    await beforeSchool.delete(schema.signInTry).where(lt(schema.signInTry.at, since()));
    throw NotAllowed.of("password", "This e-mail address and password do not belong together.");
  }
  await beforeSchool.delete(schema.signInTry).where(eq(schema.signInTry.key, address));
  const token = randomBytes(32).toString("base64url");
  await inSchool(teacher.school_id, (tx) =>
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
  const rows = await beforeSchool.execute<{ teacher_id: string; school_id: string }>(
    sql`select * from yard_session(${sha256(token)})`,
  );
  return rows[0] ? { teacherId: rows[0].teacher_id, schoolId: rows[0].school_id } : null;
}

export async function signOut(token: string): Promise<void> {
  const who = await sessionOf(token);
  if (who) await inSchool(who.schoolId, (tx) => tx.delete(schema.session).where(eq(schema.session.id, sha256(token))));
}
