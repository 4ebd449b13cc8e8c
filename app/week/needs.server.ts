import type { OverviewRow } from "#server/assignments/overview.ts";
import { type Clock, when } from "../when.ts";

/** Something that needs the teacher, with the one thing to do about it. */
export interface Need {
  id: string;
  /** What it is about: `Hallway climb, Heron class`. */
  about: string;
  text: string;
  to: string;
  action: string;
}

const DAY = 86_400_000;
/** An activity that closes within a day and that fewer than this share of the children have played. */
const FEW = 0.6;
/** How many children are named. */
const NAMED = 3;

const named = (children: readonly { name: string }[]): string => {
  const names = children.slice(0, NAMED).map(({ name }) => name);
  const more = children.length - names.length;
  return more > 0 ? `${names.join(", ")} and ${more} more` : names.join(", ").replace(/, ([^,]*)$/, " and $1");
};

/**
 * What needs the teacher, most urgent first: activities that close soon and that few have played, homes without items
 * for what is out, children finding it too hard, answers to match to a child, goes to check.
 */
export function needsOf(
  rows: readonly OverviewRow[],
  answers: readonly { classId: string; className: string; count: number }[],
  clock: Clock,
  now = new Date(),
): Need[] {
  const out: (Need & { rank: number })[] = [];
  for (const row of rows) {
    const about = `${row.title}, ${row.className}`;
    const open = !row.withdrawnAt && row.opensAt <= now && row.closesAt > now;
    const left = row.closesAt.getTime() - now.getTime();
    const missing = row.cards - row.played;
    if (open && left < DAY && row.played < FEW * row.cards)
      out.push({
        rank: 0,
        id: `closing ${row.id}`,
        about,
        text: `Closes ${when(row.closesAt, clock)}. ${missing} of ${row.cards} have not played.`,
        to: `/results/${row.id}?tab=children&show=unopened`,
        action: "Remind families",
      });
    if (!row.needs) continue;
    const { noItems, tooHard, toCheck } = row.needs;
    if (open && noItems.length > 0)
      out.push({
        rank: 1,
        id: `items ${row.id}`,
        about,
        text: `${named(noItems)} ${noItems.length === 1 ? "has" : "have"} nothing at home to play it with.`,
        to: noItems.length === 1 ? `/homes/${noItems[0]!.id}` : `/activities/${row.activityId}?station=kit`,
        action: noItems.length === 1 ? "See the home" : "Change the items",
      });
    if (open && tooHard.length > 0)
      out.push({
        rank: 2,
        id: `hard ${row.id}`,
        about,
        text: `${named(tooHard)} ${tooHard.length === 1 ? "is" : "are"} finding it too hard.`,
        to: `/results/${row.id}/next`,
        action: "Give an easier level",
      });
    if (toCheck > 0)
      out.push({
        rank: 4,
        id: `check ${row.id}`,
        about,
        text: toCheck === 1 ? "1 go looks unusual." : `${toCheck} goes look unusual.`,
        to: `/results/${row.id}`,
        action: "Check results",
      });
  }
  for (const { classId, className, count } of answers)
    out.push({
      rank: 3,
      id: `answers ${classId}`,
      about: className,
      text:
        count === 1
          ? "1 survey answer waits to be matched to a child."
          : `${count} survey answers wait to be matched to a child.`,
      to: `/homes?class=${classId}#waiting`,
      action: "Match to children",
    });
  return out.sort((a, b) => a.rank - b.rank).map(({ rank: _, ...need }) => need);
}
