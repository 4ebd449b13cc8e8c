import { timingSafeEqual } from "node:crypto";
import { sql } from "drizzle-orm";
import { problemsOf } from "#core/formats/activity.ts";
import { firstSchool } from "#core/records/school.ts";
import { config } from "../config.ts";
import { systemDb } from "../db/client.ts";
import { NotAllowed, NotFound } from "../problem.ts";
import { passwordProblem } from "./common-passwords.ts";
import { firstToken } from "./first-token.ts";
import { hashPassword } from "./password.ts";

/** Throws NotFound unless the token is correct and nobody can sign in yet. */
export async function openFirst(token: string): Promise<void> {
  const [given, own] = [Buffer.from(token), Buffer.from(firstToken(config.YARD_SECRET))];
  const isTrue = given.length === own.length && timingSafeEqual(given, own);
  const [row] = isTrue ? await systemDb<{ some: boolean }>(sql`select public.yard_has_teachers() as some`) : [];
  if (!row || row.some) throw new NotFound("page");
}

/**
 * Creates the first school with its first teacher and class. The link works once. Throws NotFound if somebody else
 * was faster.
 */
export async function makeFirstSchool(token: string, given: unknown): Promise<{ email: string; password: string }> {
  await openFirst(token);
  const read = firstSchool.safeParse(given);
  const problems = read.success ? [] : problemsOf(read.error);
  const typed = given as Record<string, string>;
  const weak = await passwordProblem(typed.password ?? "", [typed.school ?? "", typed.name ?? "", typed.email ?? ""]);
  if (weak && !problems.some((problem) => problem.field === "password"))
    problems.push({ field: "password", message: weak });
  if (!read.success || problems.length > 0) throw new NotAllowed(problems);
  const { school, zone, name, email, password, group } = read.data;
  const hash = await hashPassword(password);
  const [row] = await systemDb<{ id: string | null }>(
    sql`select public.yard_first_school(${school}, ${zone}, ${name}, ${email}, ${hash}, ${group}) as id`,
  );
  if (!row?.id) throw new NotFound("page");
  return { email, password };
}
