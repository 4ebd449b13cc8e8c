import type postgres from "postgres";

/** The group to which the application's own role belongs. It holds the rights below and no others. */
export const APP_GROUP = "yard_app";

/** What was sent and what was played is only ever added to, so there is no right to change or delete it. */
const TABLES: Readonly<Record<string, string>> = {
  activity: "select, insert, update, delete",
  assignment: "select, insert, update, delete",
  card: "select, insert",
  card_version: "select, insert",
  child: "select, insert, update, delete",
  child_home: "select, insert, update, delete",
  child_forecast: "select, insert, update",
  checked_go: "select, insert, delete",
  class: "select, insert",
  class_teacher: "select, insert",
  criterion_mark: "select, insert, update, delete",
  evidence: "select, insert, delete",
  expected_band: "select, insert, delete",
  home: "select, insert, update, delete",
  home_invitation: "select, insert, delete",
  job: "select, insert, update, delete",
  link: "select, insert, update, delete",
  match_seat: "select, insert, update, delete",
  message: "select, insert, update, delete",
  play: "select, insert",
  play_conflict: "select, insert",
  play_event: "select, insert",
  result: "select, insert",
  result_correction: "select, insert",
  revision: "select, insert",
  school: "select",
  school_exercise: "select, insert, update, delete",
  school_item: "select, insert, update, delete",
  session: "select, insert, update, delete",
  survey_answer: "select, insert, update, delete",
};
/** Rights on single columns. Nobody may read password hashes. */
const COLUMNS: readonly string[] = [
  "update (hash, opened_at) on public.card",
  "update (name, archived_at) on public.class",
  "update (name, zone, locale, units, shows_best, shows_closed) on public.school",
  "update (rare) on public.expected_band",
  "select (id, school_id, email, name) on public.teacher",
];

/**
 * Gives the application's group its rights on everything in the database and removes all others. Runs at every start,
 * so that a database restored from a backup, which has no roles and rights, gets them again.
 */
export async function giveRights(sql: postgres.Sql): Promise<void> {
  await sql.unsafe(`grant usage on schema public to ${APP_GROUP}`);
  for (const [table, rights] of Object.entries(TABLES)) {
    await sql.unsafe(`revoke all on public.${table} from ${APP_GROUP}, public`);
    await sql.unsafe(`grant ${rights} on public.${table} to ${APP_GROUP}`);
  }
  await sql.unsafe(`revoke all on public.teacher from ${APP_GROUP}, public`);
  for (const right of COLUMNS) await sql.unsafe(`grant ${right} to ${APP_GROUP}`);
  const functions = await sql<{ name: string }[]>`
    select p.oid::regprocedure::text as name from pg_proc p where p.pronamespace = 'public'::regnamespace and p.proname like 'yard\\_%'`;
  for (const { name } of functions) {
    await sql.unsafe(`revoke all on function ${name} from public`);
    await sql.unsafe(`grant execute on function ${name} to ${APP_GROUP}`);
  }
}

/** Creates the group if it is missing. A new cluster into which a backup is restored has none of our roles. */
export async function makeGroup(sql: postgres.Sql): Promise<void> {
  const [known] = await sql`select 1 from pg_roles where rolname = ${APP_GROUP}`;
  if (!known) await sql.unsafe(`create role ${APP_GROUP} nologin`);
}
