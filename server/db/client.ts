import { type SQL, sql } from "drizzle-orm";
import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import pg from "pg";
import { config } from "../config.ts";
import { log } from "../web/log.ts";
import { plainError } from "../web/plain-error.ts";
import * as schema from "./schema.ts";

/** The most connections of one copy of the server. */
const POOL = 10;
/** If a connection takes longer than this, the database is away and the caller gets an error, milliseconds. */
const CONNECT_WITHIN = 10_000;

const pool = new pg.Pool({
  connectionString: config.YARD_APP_DATABASE_URL,
  max: POOL,
  connectionTimeoutMillis: CONNECT_WITHIN,
  keepAlive: true,
});
// A connection may break at any time: idle in the pool, or between two statements of a transaction. Without a
// listener the event would end the process. Whoever uses the connection gets an error at the next statement.
pool.on("error", (error) => log.warn({ error: plainError(error) }, "connection lost"));
pool.on("connect", (client) =>
  client.on("error", (error) => log.warn({ error: plainError(error) }, "connection lost")),
);
const db = drizzle(pool, { schema });

/** A transaction bound to one school. The database shows it that school's rows and no others. */
export type Tx = Parameters<Parameters<NodePgDatabase<typeof schema>["transaction"]>[0]>[0];

/** Runs `work` in one transaction bound to a school. */
export function withTenant<T>(schoolId: string, work: (tx: Tx) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select set_config('yard.school', ${schoolId}, true)`);
    return work(tx);
  });
}

/**
 * Rows of a statement outside any school. Only look-ups by an exact key and the sign-in tries can be reached this
 * way.
 */
export async function systemDb<T>(statement: SQL): Promise<T[]> {
  return (await db.execute(statement)).rows as T[];
}
/** Rows of a statement within a transaction, as the database returns them. */
export async function rowsIn<T>(tx: Tx, statement: SQL): Promise<T[]> {
  return (await tx.execute(statement)).rows as T[];
}
export { schema };

/** Closes the connections after the last query. */
export const closeDatabase = (): Promise<void> => pool.end();
