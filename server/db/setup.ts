import { createHash, createHmac, randomBytes } from "node:crypto";
import { drizzle } from "drizzle-orm/postgres-js";
import { migrate } from "drizzle-orm/postgres-js/migrator";
import postgres from "postgres";
import { MODEL_VERSION } from "#core/model.ts";
import { firstToken } from "../auth/first-token.ts";
import { APP_GROUP, giveRights, makeGroup } from "./grants.ts";
import { giveToPlainOwner } from "./plain-owner.ts";

/**
 * Brings the database of DATABASE_URL (signed in as its owner) up to date and prepares the application's own role.
 * Prints one line of JSON with the application's database URL and the server's secret. Safe to run again, also by
 * several copies at once.
 */
const LOCK = 7_214_503;

async function main(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error("DATABASE_URL: missing; it names the database to set up");
  const sql = postgres(url, { max: 1, onnotice: () => undefined });
  try {
    await sql`select pg_advisory_lock(${LOCK})`;
    await makeGroup(sql);
    await migrate(drizzle(sql), { migrationsFolder: new URL("./migrations", import.meta.url).pathname });
    const [where] = await sql<{ name: string }[]>`select current_database() as name`;
    const ours = createHash("sha256").update(where!.name).digest("hex").slice(0, 12);
    await giveToPlainOwner(sql, `yard_plain_${ours}`);
    await giveRights(sql);
    await askForNewModel(sql);
    const secret = process.env.YARD_SECRET ?? (await storedSecret(sql));
    const role = `yard_app_${ours}`;
    const password = createHmac("sha256", secret).update(`role ${role}`).digest("hex");
    const known = await sql`select 1 from pg_roles where rolname = ${role}`;
    await sql.unsafe(`${known.length > 0 ? "alter" : "create"} role ${role} login password '${password}'`);
    await sql.unsafe(`grant ${APP_GROUP} to ${role}`);
    const app = new URL(url);
    app.username = role;
    app.password = password;
    const [{ some }] = await sql<[{ some: boolean }]>`select exists (select from teacher) as some`;
    // If nobody can sign in yet, the console prints a link that creates the first administrator.
    process.stdout.write(
      `${JSON.stringify({ appUrl: app.href, secret, ...(!some && { setUp: firstToken(secret) }) })}\n`,
    );
  } finally {
    await sql.end();
  }
}

/**
 * After a change of the model, its stored results are computed again once: the expected ranges of assignments, and
 * the open cards that nobody has begun. Cards that were begun stay.
 */
async function askForNewModel(sql: postgres.Sql): Promise<void> {
  await sql`
    with old as (select distinct school_id, assignment_id from expected_band where model <> ${MODEL_VERSION}),
    cards as (
      insert into job (school_id, kind, about, due_at)
      select distinct c.school_id, 'cards', c.child_id, now() from card c join old o on o.school_id = c.school_id and o.assignment_id = c.assignment_id
      on conflict (school_id, kind, about) do nothing
    )
    insert into job (school_id, kind, about, due_at) select school_id, 'expected', assignment_id, now() from old
    on conflict (school_id, kind, about) do nothing`;
}

async function storedSecret(sql: postgres.Sql): Promise<string> {
  await sql`insert into server_secret (secret) values (${randomBytes(32).toString("hex")}) on conflict do nothing`;
  const [row] = await sql<{ secret: string }[]>`select secret from server_secret`;
  return row!.secret;
}

await main();
