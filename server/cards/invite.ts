import type { Activity } from "#core/formats/activity.ts";
import { schema, type Tx } from "../db/client.ts";

const { message } = schema;

function invitation(a: Activity, name: string): { subject: string; body: string } {
  return {
    subject: `${a.title}: a game for ${name} to play at home`,
    body: `Hello,\n\n${name} has a new game: ${a.title}. It takes about ${a.minutes} minutes.\nOpen this private link on any phone or tablet. No account is needed:\n\n{link}\n\nPlease keep the link to your family.`,
  };
}

/** Puts a message with its private link into the outbox for each child. */
export async function invite(
  tx: Tx,
  schoolId: string,
  assignmentId: string,
  a: Activity,
  children: readonly { id: string; name: string }[],
): Promise<void> {
  if (children.length === 0) return;
  await tx
    .insert(message)
    .values(children.map((k) => ({ schoolId, childId: k.id, assignmentId, ...invitation(a, k.name) })));
}
