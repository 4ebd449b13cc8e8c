import { inArray } from "drizzle-orm";
import type { z } from "zod";
import { type Activity, problemsOf } from "#core/formats/activity.ts";
import { listOf } from "#core/kit/items.ts";
import { type Levels, offered } from "#core/levels/levels.ts";
import type { Played, Proposal } from "#core/levels/next-week.ts";
import { addOnce } from "../activities/activities.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { whoOf } from "../cards/making.ts";
import { knownOf } from "../children/known.ts";
import { compute } from "../compute/compute.ts";
import { schema, withTenant } from "../db/client.ts";
import { schoolItemsOf } from "../kit/items.ts";
import { NotAllowed } from "../problem.ts";
import { goesOf, hitsOf, standing } from "./goes.ts";
import { ownAssignment } from "./own.ts";
import { copyOrder, sendActivity, sentBefore } from "./send.ts";

const { card, child } = schema;

export interface NextRow extends Proposal {
  childId: string;
  child: string;
  age: number;
  /** The level that the child had, from 0. Null: as designed. */
  had: number | null;
}
export interface NextWeek {
  activity: Activity;
  levels: Levels;
  /** True if the activity had levels of its own. */
  own: boolean;
  classId: string;
  className: string;
  tries: number;
  rows: NextRow[];
}

/** The level suggested for each child next week, from the results so far. */
export async function nextWeekFor(who: SignedIn, id: string): Promise<NextWeek> {
  const asked = await withTenant(who.schoolId, async (tx) => {
    const own = await ownAssignment(tx, who, id);
    const cards = await tx
      .select()
      .from(card)
      .where(inArray(card.assignmentId, [id]));
    const children =
      cards.length === 0
        ? []
        : await tx
            .select()
            .from(child)
            .where(
              inArray(
                child.id,
                cards.map((eachCard) => eachCard.childId),
              ),
            );
    const known = await knownOf(tx, children);
    const goes = await goesOf(
      tx,
      cards.map((eachCard) => eachCard.id),
    );
    const items = await schoolItemsOf(tx);
    return { own, cards, children, known, goes, list: listOf(items.own, items.hidden) };
  });
  const { own, cards, children, known, goes, list } = asked;
  const activity = own.revision.document;
  const order = [...children].sort((x, y) => x.age - y.age || (x.name < y.name ? -1 : 1));
  const played = order.map((row): Played => {
    const cardId = cards.find((eachCard) => eachCard.childId === row.id)!.id;
    const all = standing(goes.filter((go) => go.cardId === cardId)).reverse();
    const alone = all.filter((go) => go.setup.players === 1);
    return {
      who: whoOf(row, known.get(row.id), activity.aim.action),
      supports: row.adjust?.supports ?? [],
      level: activity.levels ? (own.assignment.levels?.[row.id] ?? 0) : null,
      came: all.length > 0,
      goes: alone.map((go) =>
        activity.levels?.of === "end" ? { hits: go.score.finished ? 1 : 0, sends: 1 } : hitsOf(go),
      ),
    };
  });
  const middle = { age: order[Math.floor((order.length - 1) / 2)]?.age ?? 8 };
  const { levels, proposals } = await compute("nextWeek", activity, middle, played, offered(activity, list));
  return {
    activity: activity,
    levels,
    own: activity.levels !== null && activity.levels !== undefined,
    classId: own.assignment.classId,
    className: own.className,
    tries: own.assignment.tries,
    rows: order.map((row, i) => ({
      ...proposals[i]!,
      childId: row.id,
      child: row.name,
      age: row.age,
      had: played[i]!.level,
    })),
  };
}

/**
 * Sends a copy of the activity with its levels set to the same children, each at the chosen level. The same order
 * again is the same assignment.
 */
export async function sendNextWeek(who: SignedIn, id: string, order: z.input<typeof copyOrder>): Promise<string> {
  const checked = copyOrder.safeParse(order);
  if (!checked.success) throw new NotAllowed(problemsOf(checked.error));
  const { title, ...rest } = checked.data;
  const before = await sentBefore(who, rest.orderId);
  if (before) return before;
  const next = await nextWeekFor(who, id);
  // The copy has the order's id, so that one order makes one copy.
  await addOnce(who, rest.orderId, { ...next.activity, title, levels: next.levels });
  return sendActivity(who, rest.orderId, {
    ...rest,
    classId: next.classId,
    mark: null,
    children: next.rows.map((row) => row.childId),
  });
}
