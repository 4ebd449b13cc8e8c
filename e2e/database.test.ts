import { spawnSync } from "node:child_process";
import { createHash, createHmac, randomUUID } from "node:crypto";
import { chmodSync, cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { drizzle } from "drizzle-orm/postgres-js";
import { migrate } from "drizzle-orm/postgres-js/migrator";
import postgres from "postgres";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { MODEL_VERSION } from "#core/model.ts";
import { countRows } from "../scripts/lib/backup.mjs";
import { postgresBin } from "../scripts/lib/install.mjs";
import { freePort } from "../scripts/lib/port.mjs";
import { startPostgres } from "../scripts/lib/postgres.mjs";
import { root } from "../scripts/lib/root.mjs";
import { prepareDatabase, setUpDatabase, startWeb } from "../scripts/lib/serve.mjs";
import { base, itLong, linkOf, owner } from "./help.ts";

const quiet = { max: 1, onnotice: () => undefined } as const;
let sql: ReturnType<typeof owner>;
beforeAll(() => {
  sql = owner();
});
afterAll(() => sql.end());

/** What the application's role may do, table by table; anything not here is a hole. */
const RIGHTS: Record<string, string> = {
  activity: "SELECT INSERT UPDATE DELETE",
  assignment: "SELECT INSERT UPDATE DELETE",
  card: "SELECT INSERT",
  card_version: "SELECT INSERT",
  child: "SELECT INSERT UPDATE DELETE",
  child_home: "SELECT INSERT UPDATE DELETE",
  child_forecast: "SELECT INSERT UPDATE",
  checked_go: "SELECT INSERT DELETE",
  class: "SELECT INSERT",
  class_teacher: "SELECT INSERT",
  criterion_mark: "SELECT INSERT UPDATE DELETE",
  evidence: "SELECT INSERT DELETE",
  expected_band: "SELECT INSERT DELETE",
  home: "SELECT INSERT UPDATE DELETE",
  home_invitation: "SELECT INSERT DELETE",
  job: "SELECT INSERT UPDATE DELETE",
  link: "SELECT INSERT UPDATE DELETE",
  match_seat: "SELECT INSERT UPDATE DELETE",
  message: "SELECT INSERT UPDATE DELETE",
  play: "SELECT INSERT",
  play_conflict: "SELECT INSERT",
  play_event: "SELECT INSERT",
  result: "SELECT INSERT",
  result_correction: "SELECT INSERT",
  revision: "SELECT INSERT",
  school: "SELECT",
  school_exercise: "SELECT INSERT UPDATE DELETE",
  school_item: "SELECT INSERT UPDATE DELETE",
  server_secret: "",
  session: "SELECT INSERT UPDATE DELETE",
  sign_in_pace: "",
  survey_answer: "SELECT INSERT UPDATE DELETE",
  teacher: "",
};
/** Rights on single columns. */
const COLUMNS: Record<string, string> = {
  "card.hash": "UPDATE",
  "card.opened_at": "UPDATE",
  "class.archived_at": "UPDATE",
  "class.name": "UPDATE",
  "expected_band.rare": "UPDATE",
  "school.locale": "UPDATE",
  "school.name": "UPDATE",
  "school.shows_best": "UPDATE",
  "school.shows_closed": "UPDATE",
  "school.units": "UPDATE",
  "school.zone": "UPDATE",
  "teacher.id": "SELECT",
  "teacher.school_id": "SELECT",
  "teacher.email": "SELECT",
  "teacher.name": "SELECT",
};
/** Functions, and whether they run as the owner. */
const FUNCTIONS: Record<string, boolean> = {
  "yard_due_jobs(integer)": true,
  "yard_erased()": true,
  "yard_first_school(text,text,text,text,text,text)": true,
  "yard_has_teachers()": true,
  "yard_link(uuid)": true,
  "yard_school()": false,
  "yard_session(text)": true,
  "yard_sign_in(text)": true,
  "yard_sign_in_done(text,boolean)": true,
  "yard_sign_in_turn(text,integer,interval,interval)": true,
};
/** Rows of no school: row security lets only functions of the owner see them. */
const NOBODYS = ["server_secret", "sign_in_pace"];

/** The catalogue of a database, held against the lists above. */
async function walk(db: postgres.Sql): Promise<void> {
  const tables = await db`
    select c.relname as name, c.relrowsecurity as secured, pg_get_userbyid(c.relowner) as owner, r.rolsuper, r.rolcanlogin, r.rolbypassrls,
      (select count(*)::int from pg_policy p where p.polrelid = c.oid) as policies,
      exists (select from pg_attribute a where a.attrelid = c.oid and a.attname = 'school_id') as of_school
    from pg_class c join pg_namespace n on n.oid = c.relnamespace join pg_roles r on r.oid = c.relowner
    where n.nspname = 'public' and c.relkind in ('r', 'p', 'v', 'm', 'f')`;
  expect(tables.map((table) => table.name).sort()).toEqual(Object.keys(RIGHTS).sort());
  for (const table of tables) {
    expect(table, table.name).toMatchObject({
      secured: true,
      rolsuper: false,
      rolcanlogin: false,
      rolbypassrls: false,
    });
    expect([table.name, table.policies]).toEqual([table.name, NOBODYS.includes(table.name) ? 0 : 1]);
    expect([table.name, table.of_school || table.name === "school" || NOBODYS.includes(table.name)]).toEqual([
      table.name,
      true,
    ]);
  }
  const grants = await db`
    select c.relname as name, string_agg(x.privilege_type, ' ') as rights
    from pg_class c join pg_namespace n on n.oid = c.relnamespace, aclexplode(c.relacl) x join pg_roles g on g.oid = x.grantee
    where n.nspname = 'public' and c.relkind in ('r', 'p') and x.grantee <> c.relowner group by 1`;
  const sorted = (text: string) => text.split(" ").filter(Boolean).sort().join(" ");
  for (const [name, rights] of Object.entries(RIGHTS))
    expect([name, sorted(grants.find((grant) => grant.name === name)?.rights ?? "")]).toEqual([name, sorted(rights)]);
  const grantees = await db`
    select distinct coalesce(g.rolname, 'PUBLIC') as name from pg_class c join pg_namespace n on n.oid = c.relnamespace,
      aclexplode(c.relacl) x left join pg_roles g on g.oid = x.grantee where n.nspname = 'public' and x.grantee <> c.relowner`;
  expect(grantees.map((grantee) => grantee.name)).toEqual(["yard_app"]);
  const columns = await db`
    select c.relname || '.' || a.attname as name, string_agg(x.privilege_type, ' ') as rights
    from pg_attribute a join pg_class c on c.oid = a.attrelid join pg_namespace n on n.oid = c.relnamespace, aclexplode(a.attacl) x
    where n.nspname = 'public' group by 1`;
  expect(Object.fromEntries(columns.map((column) => [column.name, column.rights]))).toEqual(COLUMNS);
  const functions = await db`
    select p.oid::regprocedure::text as name, p.prosecdef as owner_runs, p.proconfig as config, p.prosrc as source, r.rolsuper,
      has_function_privilege('public', p.oid, 'execute') as everybody
    from pg_proc p join pg_roles r on r.oid = p.proowner where p.pronamespace = 'public'::regnamespace`;
  expect(Object.fromEntries(functions.map((row) => [row.name, row.owner_runs]))).toEqual(FUNCTIONS);
  for (const row of functions) {
    expect([row.name, row.everybody, row.rolsuper]).toEqual([row.name, false, false]);
    if (!row.owner_runs) continue;
    expect([row.name, row.config]).toEqual([row.name, ["search_path=pg_catalog, pg_temp"]]);
    // Every table is named in full: after FROM, JOIN, INTO or UPDATE stands a schema.
    for (const [, table] of row.source.matchAll(/\b(?:from|join|into|update)\s+([a-z_."]+)\s/gi))
      if (!/^(p|slot)$/i.test(table)) expect([row.name, table]).toEqual([row.name, expect.stringMatching(/^public\./)]);
  }
  // Every key that leads to another row of a school leads by school.
  const keys = await db`
    select conname as name, (select attname from pg_attribute a where a.attrelid = k.conrelid and a.attnum = k.conkey[1]) as first,
      k.confrelid::regclass::text as to
    from pg_constraint k join pg_namespace n on n.oid = k.connamespace where n.nspname = 'public' and k.contype = 'f'`;
  expect(keys.length).toBeGreaterThan(30);
  expect(keys.filter((key) => key.first !== "school_id").map((key) => key.name)).toEqual([]);
  expect(keys.filter((key) => key.to !== "school" && !/_fk$|_/.test(key.name))).toEqual([]);
}

/** Tries what somebody would try who can run any statement as the application. */
async function attack(appUrl: string, db: postgres.Sql): Promise<void> {
  const app = postgres(appUrl, quiet);
  try {
    const denied = /permission denied|must be owner|must be superuser|not permitted|violates row-level/;
    for (const statement of [
      "create temporary view link as select 1",
      "create temporary table teacher (id uuid)",
      "create function public.mine() returns int language sql as 'select 1'",
      "create table public.mine (id int)",
      "create schema mine",
      "select password_hash from teacher",
      "select * from teacher",
      "select * from server_secret",
      "select * from sign_in_pace",
      "alter table child disable row level security",
      "alter function yard_link(uuid) owner to current_user",
      "update result set score = '{}'",
      "delete from play_event",
      "update card_version set compiled = '{}'",
      "update result_correction set reason = ''",
      "truncate child",
      "copy child to program 'true'",
    ])
      await expect(app.unsafe(statement), statement).rejects.toThrow(denied);
    const [me] =
      await app`select rolsuper, rolcreaterole, rolcreatedb, rolbypassrls from pg_roles where rolname = current_user`;
    expect(me).toEqual({ rolsuper: false, rolcreaterole: false, rolcreatedb: false, rolbypassrls: false });
    const roles =
      await app`select pg_get_userbyid(roleid) as name from pg_auth_members where member = current_user::regrole`;
    expect(roles.map((role) => role.name)).toEqual(["yard_app"]);
    // A row of their own school cannot depend on another school's.
    const [ours] = await db`select id, school_id from class limit 1`;
    const [theirs] = await db`insert into school (name, zone) values ('Elsewhere', 'UTC') returning id`;
    await expect(
      app.begin(async (tx) => {
        await tx`select set_config('yard.school', ${theirs!.id}, true)`;
        await tx`insert into child (school_id, class_id, name, age) values (${theirs!.id}, ${ours!.id}, 'X', 7)`;
      }),
    ).rejects.toThrow("violates foreign key constraint");
    await db`delete from school where id = ${theirs!.id}`;
    const one = await app`select * from public.yard_sign_in('%')`;
    expect(one).toHaveLength(0);
  } finally {
    await app.end();
  }
}

describe("the database", () => {
  it("has row security on every table, and nothing may be done that is not on a list", () => walk(sql));
  it("gives the application nothing to become more with", () => attack(inject("appUrl"), sql));
});

/** The migrations that there were before objects had a plain owner. */
const BEFORE = ["0000_start", "0001_security", "0002_homes", "0003_homes_security"];
const migrations = new URL("../server/db/migrations/", import.meta.url).pathname;

describe("a data folder made by earlier code", () => {
  itLong("keeps its data, belongs to the ordinary owner, and is just as private", async () => {
    // The secret lies in the database, and in no environment, as it was then.
    delete process.env.YARD_SECRET;
    const dir = join(root, ".yard-test", "old");
    const old = mkdtempSync(join(tmpdir(), "yard-migrations-"));
    const database = await startPostgres(dir, { fresh: true, lasting: false });
    const db = postgres(database.url, quiet);
    try {
      cpSync(migrations, old, { recursive: true });
      for (const field of readdirSync(old))
        if (field.endsWith(".sql") && !BEFORE.includes(field.slice(0, -4))) rmSync(join(old, field));
      const journal = JSON.parse(readFileSync(join(old, "meta/_journal.json"), "utf8"));
      journal.entries = journal.entries.filter((entry: { tag: string }) => BEFORE.includes(entry.tag));
      writeFileSync(join(old, "meta/_journal.json"), JSON.stringify(journal));
      const as = postgres(database.url, quiet);
      await migrate(drizzle(as), { migrationsFolder: old });
      await as.end();
      // As the set-up of then: everything under the superuser of the folder, a role for the application.
      const role = `yard_app_${createHash("sha256").update("yard").digest("hex").slice(0, 12)}`;
      const secret = "0123456789abcdef0123456789abcdef";
      await db`insert into server_secret (secret) values (${secret})`;
      const password = createHmac("sha256", secret).update(`role ${role}`).digest("hex");
      await db.unsafe(`create role ${role} login password '${password}'`);
      await db.unsafe(`grant yard_app to ${role}`);
      const appUrl = new URL(database.url);
      appUrl.username = role;
      appUrl.password = password;
      // Then the hole was there.
      const then = postgres(appUrl.href, quiet);
      await then.unsafe("create temporary view link as select 1 as id");
      await then.end();
      const [school] = await db`insert into school (name, zone) values ('Old school', 'UTC') returning id`;
      const value = school!.id;
      const [row] =
        await db`insert into teacher (school_id, email, name, password_hash) values (${value}, 'old@school.example', 'O. Ld', 'x') returning id`;
      const [record] = await db`insert into class (school_id, name) values (${value}, 'Old class') returning id`;
      await db`insert into class_teacher (school_id, class_id, teacher_id) values (${value}, ${record!.id}, ${row!.id})`;
      const [c] =
        await db`insert into child (school_id, class_id, name, age) values (${value}, ${record!.id}, 'Ada B.', 8) returning id`;
      const [h] = await db`insert into home (school_id, label) values (${value}, 'A home') returning id`;
      await db`insert into survey_answer (school_id, class_id, answers, home_id) values (${value}, ${record!.id}, '{}', ${h!.id})`;
      const { fromPattern } = await import("../core/formats/activity.ts");
      const { compileCard } = await import("../core/compile/card.ts");
      const doc = fromPattern("climb");
      const card = compileCard(doc, { age: 8, step: null, leftHanded: false });
      const [a] =
        await db`insert into activity (school_id, teacher_id, document) values (${value}, ${row!.id}, ${db.json(doc as never)}) returning id`;
      const [r] =
        await db`insert into revision (school_id, activity_id, document, content_hash, schema_version, rules_version)
        values (${value}, ${a!.id}, ${db.json(doc as never)}, 'x', 1, 1) returning id`;
      const [g] = await db`insert into assignment (school_id, class_id, revision_id, opens_at, closes_at, tries)
        values (${value}, ${record!.id}, ${r!.id}, now() - interval '1 day', now() + interval '1 day', 3) returning id`;
      const [d] =
        await db`insert into card (school_id, assignment_id, child_id, compiled) values (${value}, ${g!.id}, ${c!.id}, ${db.json(card as never)}) returning id`;
      await db`insert into play (id, school_id, card_id, device, source, setup, rules_version, started_at)
        values (${randomUUID()}, ${value}, ${d!.id}, 'a-device', 'device', '{"players":1,"mode":"alone","seed":1}', 1, now())`;

      const { env } = prepareDatabase(database.url);
      setUpDatabase(database.url);
      expect(env.YARD_SECRET).toBe(secret);
      await walk(db);
      await attack(env.YARD_APP_DATABASE_URL, db);
      const [kept] =
        await db`select v.compiled, k.hash, p.card_hash from card k join card_version v on v.card_id = k.id and v.hash = k.hash join play p on p.card_id = k.id`;
      expect(kept!.compiled).toEqual(JSON.parse(JSON.stringify(card)));
      expect(kept!.hash).toMatch(/^[0-9a-f]{64}$/);
      expect(kept!.card_hash).toBeNull();
      expect(await db`select kind, about from job`).toEqual([{ kind: "expected", about: g!.id }]);
      // Where the model has changed since, its bands and the open cards of its children are asked for again, once.
      await db`delete from job`;
      await db`insert into expected_band (school_id, assignment_id, age, model, low, middle, high) values (${value}, ${g!.id}, 8, 1, 1, 2, 3)`;
      setUpDatabase(database.url);
      setUpDatabase(database.url);
      expect(await db`select kind, about from job order by kind`).toEqual([
        { kind: "cards", about: c!.id },
        { kind: "expected", about: g!.id },
      ]);
      await db`update expected_band set model = ${MODEL_VERSION}`;
      await db`delete from job`;
      setUpDatabase(database.url);
      expect(await db`select kind from job`).toEqual([]);
      // A home that goes leaves the answer, and only the home out of it.
      await db`delete from home where id = ${h!.id}`;
      expect(await db`select school_id, home_id from survey_answer`).toEqual([{ school_id: value, home_id: null }]);
      await db`delete from school where id = ${value}`;
      expect((await db`select count(*)::int as n from card_version`)[0]!.n).toBe(0);
    } finally {
      await db.end();
      database.stop();
      rmSync(dir, { recursive: true, force: true });
      rmSync(old, { recursive: true, force: true });
    }
    // A whole database of earlier is migrated several times over.
  });
});

describe("a backup", () => {
  const at = mkdtempSync("/var/tmp/yard-backup-");
  afterAll(() => rmSync(at, { recursive: true, force: true }));
  const command = (name: string, args: string[], env: Record<string, string>) =>
    spawnSync(process.execPath, [join(root, `scripts/${name}.mjs`), ...args], {
      encoding: "utf8",
      env: { ...process.env, ...env },
    });

  itLong("restores into an empty cluster row by row, with roles and rights, and the school signs in", async () => {
    chmodSync(at, 0o755);
    const file = join(at, "school.backup");
    // The database of the tests is written to by nobody meanwhile.
    const saved = command("backup", [file], { DATABASE_URL: inject("ownerUrl") });
    expect([saved.status, saved.stderr]).toEqual([0, ""]);
    const before = countRows(inject("ownerUrl"));
    expect(before.play_event).toBeGreaterThan(1000);
    const env = { YARD_DATA_DIR: join(at, "data"), DATABASE_URL: "" };
    const back = command("restore", [file], env);
    expect([back.status, back.stderr]).toEqual([0, ""]);
    expect(back.stdout).toContain(`${before.child} children`);
    // Once more it refuses, in words.
    const twice = command("restore", [file], env);
    expect([twice.status, twice.stderr]).toEqual([1, expect.stringContaining("The database is not empty")]);
    const database = await startPostgres(join(at, "data"));
    const db = postgres(database.url, quiet);
    try {
      expect(countRows(database.url)).toEqual(before);
      await walk(db);
      const web = await startWeb({ port: await freePort(), env: setUpDatabase(database.url) });
      const link = (await linkOf("Ilse P.")).replace(base, web.url);
      expect((await fetch(link)).status).toBe(200);
      const signed = await fetch(`${web.url}/sign-in`, {
        method: "POST",
        redirect: "manual",
        headers: { "Content-Type": "application/x-www-form-urlencoded", Origin: web.url },
        body: new URLSearchParams({ email: inject("email"), password: inject("password") }),
      });
      expect([signed.status, signed.headers.get("location")]).toEqual([302, "/week"]);
      await web.stop();
    } finally {
      await db.end();
      database.stop();
    }
  });

  itLong("taken with plain pg_dump gets its roles, owner and rights back at the next start", async () => {
    const bin = postgresBin()!;
    const dump = spawnSync(join(bin, "pg_dump"), ["-d", inject("ownerUrl")], { encoding: "utf8", maxBuffer: 1 << 29 });
    expect(dump.status).toBe(0);
    const database = await startPostgres(join(at, "plain"), { fresh: true });
    const db = postgres(database.url, quiet);
    try {
      spawnSync(join(bin, "psql"), ["-X", "-q", "-d", database.url], { input: dump.stdout, encoding: "utf8" });
      setUpDatabase(database.url);
      await walk(db);
      expect(countRows(database.url)).toEqual(countRows(inject("ownerUrl")));
    } finally {
      await db.end();
      database.stop();
    }
  });

  itLong("says so if the file is not one of ours", () => {
    writeFileSync(join(at, "other.backup"), "hello");
    const told = command("restore", [join(at, "other.backup")], { YARD_DATA_DIR: join(at, "other"), DATABASE_URL: "" });
    expect([told.status, told.stderr]).toEqual([1, expect.stringContaining("pg_restore failed")]);
    expect(command("restore", [join(at, "nowhere")], {}).stderr).toContain("there is no such file");
  });
});
