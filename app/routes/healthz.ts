import { sql } from "drizzle-orm";
import { systemDb } from "#server/db/client.ts";

/** For load balancers and the start command. Answers once the database does. */
export async function loader() {
  await systemDb(sql`select 1`);
  return new Response("ok\n", { headers: { "Content-Type": "text/plain", "Cache-Control": "no-store" } });
}
