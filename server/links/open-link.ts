import { sql } from "drizzle-orm";
import { beforeSchool } from "../db/client.ts";
import { claimedLink, tokenIsTrue } from "./token.ts";

export interface OpenLink {
  schoolId: string;
  childId: string;
}
/** Why a link does not open: `unknown` also where the check is wrong, so that nothing can be learned by trying. */
export type LinkTrouble = "unknown" | "withdrawn";

export async function openLink(token: string): Promise<OpenLink | { trouble: LinkTrouble }> {
  const id = claimedLink(token);
  if (!id) return { trouble: "unknown" };
  const rows = await beforeSchool.execute<{ school_id: string; child_id: string; version: number; withdrawn: boolean }>(
    sql`select * from yard_link(${id}::uuid)`,
  );
  const link = rows[0];
  if (!link) return { trouble: "unknown" };
  if (tokenIsTrue(token, id, link.version) && !link.withdrawn)
    return { schoolId: link.school_id, childId: link.child_id };
  for (let v = link.version; v >= 1 && v > link.version - 50; v--)
    if (tokenIsTrue(token, id, v)) return { trouble: "withdrawn" };
  return { trouble: "unknown" };
}
