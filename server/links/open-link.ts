import { sql } from "drizzle-orm";
import { systemDb } from "../db/client.ts";
import { claimedLink, tokenIsTrue } from "./token.ts";

export interface OpenLink {
  schoolId: string;
  childId: string;
}
export interface OpenClassLink {
  schoolId: string;
  classId: string;
}
/** Why a link does not open. A wrong check gives `unknown` too, so that nothing can be learned by trying. */
export type LinkTrouble = "unknown" | "withdrawn";
/** How many withdrawn versions back a link is recognised as withdrawn. */
const VERSIONS_BACK = 50;

interface Found {
  schoolId: string;
  childId: string | null;
  classId: string | null;
}
async function open(token: string): Promise<Found | { trouble: LinkTrouble }> {
  const id = claimedLink(token);
  if (!id) return { trouble: "unknown" };
  const rows = await systemDb<{
    school_id: string;
    child_id: string | null;
    class_id: string | null;
    version: number;
    withdrawn: boolean;
  }>(sql`select * from public.yard_link(${id}::uuid)`);
  const link = rows[0];
  if (!link) return { trouble: "unknown" };
  if (tokenIsTrue(token, id, link.version) && !link.withdrawn)
    return { schoolId: link.school_id, childId: link.child_id, classId: link.class_id };
  for (let v = link.version; v >= 1 && v > link.version - VERSIONS_BACK; v--)
    if (tokenIsTrue(token, id, v)) return { trouble: "withdrawn" };
  return { trouble: "unknown" };
}

/** Opens a child's link. A class link does not open a child's page. */
export async function openLink(token: string): Promise<OpenLink | { trouble: LinkTrouble }> {
  const found = await open(token);
  if ("trouble" in found) return found;
  const { schoolId, childId } = found;
  return childId ? { schoolId, childId } : { trouble: "unknown" };
}

/** A class's survey link. */
export async function openClassLink(token: string): Promise<OpenClassLink | { trouble: LinkTrouble }> {
  const found = await open(token);
  if ("trouble" in found) return found;
  const { schoolId, classId } = found;
  return classId ? { schoolId, classId } : { trouble: "unknown" };
}
