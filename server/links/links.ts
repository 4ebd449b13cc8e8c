import { schema, type Tx } from "../db/client.ts";

const { link } = schema;

/** Makes the private links that are missing. */
export async function linksFor(tx: Tx, schoolId: string, children: readonly { id: string }[]): Promise<void> {
  if (children.length === 0) return;
  await tx
    .insert(link)
    .values(children.map((child) => ({ schoolId, childId: child.id })))
    .onConflictDoNothing();
}
