import type postgres from "postgres";

/**
 * Makes a plain role the owner of everything of the application: no superuser, no login, nothing but these objects.
 * Code that runs as the owner can then do no more than that. Safe to run again: new objects are found by their owner.
 */
export async function giveToPlainOwner(sql: postgres.Sql, plain: string): Promise<void> {
  const [known] = await sql`select 1 from pg_roles where rolname = ${plain}`;
  if (!known)
    await sql.unsafe(`create role ${plain} nologin nosuperuser nocreatedb nocreaterole noreplication nobypassrls`);
  const [me] = await sql<{ name: string; member: boolean; database: string }[]>`
    select current_user as name, pg_has_role(current_user, ${plain}, 'usage') as member, current_database() as database`;
  if (!me!.member) await sql.unsafe(`grant ${plain} to "${me!.name}"`);
  await sql.unsafe(`grant usage, create on schema public to ${plain}`);
  const others = await sql<{ alter: string }[]>`
    select format('alter schema %I', nspname) as alter from pg_namespace
      where nspname = 'drizzle' and nspowner <> ${plain}::regrole
    union all
    select format('alter %s %I.%I', case c.relkind when 'S' then 'sequence' when 'v' then 'view' when 'm' then 'materialized view' else 'table' end,
                  n.nspname, c.relname)
      from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where n.nspname in ('public', 'drizzle') and c.relkind in ('r', 'p', 'S', 'v', 'm') and c.relowner <> ${plain}::regrole
        -- A sequence that belongs to a column goes along with its table.
        and not (c.relkind = 'S' and exists (select 1 from pg_depend d where d.objid = c.oid and d.deptype in ('a', 'i')))
    union all
    select format('alter function %s', p.oid::regprocedure) from pg_proc p
      where p.pronamespace = 'public'::regnamespace and p.proowner <> ${plain}::regrole`;
  for (const { alter } of others) await sql.unsafe(`${alter} owner to ${plain}`);
  // Nobody may create objects here, not even temporary ones.
  await sql.unsafe(`revoke temporary, create on database "${me!.database.replaceAll('"', '""')}" from public`);
  await sql.unsafe("revoke create on schema public from public");
}
