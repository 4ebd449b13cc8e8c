import type { SignedIn } from "../auth/sign-in.ts";
import { withTenant } from "../db/client.ts";
import { queuedOf } from "../jobs/jobs.ts";

/** How many of these children wait for their open cards to be compiled again. */
export const cardsToUpdate = (who: SignedIn, childIds: readonly string[]): Promise<number> =>
  withTenant(who.schoolId, (tx) => queuedOf(tx, "cards", childIds));
