import type { Activity } from "#core/formats/activity.ts";
import { schema, type Tx } from "../db/client.ts";

const { message } = schema;

interface Letter {
  subject: string;
  body: string;
}
export const invitation = (activity: Activity, name: string): Letter => ({
  subject: `${activity.title}: a game for ${name} to play at home`,
  body: `Hello,\n\n${name} has a new game: ${activity.title}. It takes about ${activity.minutes} minutes.\nOpen this private link on any phone or tablet. You don't need an account:\n\n{link}\n\nPlease keep the link to your family.`,
});
/** Says again that a game waits, to a family that has not played it. */
export const reminder = (activity: Activity, name: string): Letter => ({
  subject: `${activity.title}: still time for ${name} to play`,
  body: `Hello,\n\n${name} has not played ${activity.title} yet. It takes about ${activity.minutes} minutes, and there is still time.\nOpen this private link on any phone or tablet. You don't need an account:\n\n{link}\n\nIf something at home makes it hard to play, please tell ${name}'s teacher. Please keep the link to your family.`,
});
/** Asks for one more go, without saying that anybody did something wrong. */
export const askAgain = (activity: Activity, name: string): Letter => ({
  subject: `${activity.title}: could ${name} play once more?`,
  body: `Hello,\n\nThe result of one of ${name}'s goes at ${activity.title} may not have been recorded well. That can happen.\nCould ${name} play it once more? Open this private link on any phone or tablet:\n\n{link}\n\nPlease keep the link to your family.`,
});
/** Neither home learns who the other one is. Each sees a word chosen by the other child, and the score. */
export const challenge = (activity: Activity, name: string): Letter => ({
  subject: `${activity.title}: ${name} can play a match with another home`,
  body: `Hello,\n\n${name} can play ${activity.title} against a child in another home. Each plays a whole game at home, and the better score wins.\nIt only counts once both families say yes. The other home sees a word that ${name} chooses and the score, never a name.\nOpen this private link, then press "Play against another home" below the game:\n\n{link}\n\nPlease keep the link to your family.`,
});

/** Puts a message with the private link into the outbox for each child. */
export async function invite(
  tx: Tx,
  schoolId: string,
  {
    assignmentId,
    activity,
    children,
    letter = invitation,
  }: {
    assignmentId: string;
    activity: Activity;
    children: readonly { id: string; name: string }[];
    letter?: (givenActivity: Activity, name: string) => Letter;
  },
): Promise<void> {
  if (children.length === 0) return;
  await tx
    .insert(message)
    .values(children.map((child) => ({ schoolId, childId: child.id, assignmentId, ...letter(activity, child.name) })));
}
