import { sql } from "drizzle-orm";
import { drizzle, type PostgresJsDatabase } from "drizzle-orm/postgres-js";
import postgres from "postgres";
import { config } from "../config.ts";
import * as schema from "./schema.ts";

/** Connections one copy of the server holds at most. */
const POOL = 10;
const client = postgres(config.YARD_APP_DATABASE_URL, { max: POOL, onnotice: () => undefined });
const db = drizzle(client, { schema });

/** A transaction of one school: the database shows it that school's rows and no others. */
export type Tx = Parameters<Parameters<PostgresJsDatabase<typeof schema>["transaction"]>[0]>[0];

/** Runs `work` in one transaction bound to a school. */
export function inSchool<T>(schoolId: string, work: (tx: Tx) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select set_config('yard.school', ${schoolId}, true)`);
    return work(tx);
  });
}

/** Outside any school: only the exact-key look-ups and the sign-in tries can be reached from here. */
export const beforeSchool = db;
export { schema };

/** Lets go of the connections, once nothing is asked any more. */
export const closeDatabase = (): Promise<void> => client.end({ timeout: 5 });
