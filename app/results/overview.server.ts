import type { OverviewRow } from "#server/assignments/overview.ts";
import { stateOf } from "#server/assignments/state.ts";
import { label } from "#words/teacher.ts";
import { type Clock, when } from "../when.ts";

const WEEK = 7 * 86_400_000;

/** What the list of results says of an assignment, in words. */
export type OverviewView = ReturnType<typeof overviewView>;

export function overviewView(row: OverviewRow, clock: Clock, now = new Date()) {
  const state = stateOf(row, now);
  const { score, needs } = row;
  // Times are stored in tenths of a second and shown in seconds.
  const shown = (value: number) => (score?.unit === "tenths" ? Math.round(value) / 10 : Math.round(10 * value) / 10);
  return {
    id: row.id,
    title: row.title,
    pattern: label(`pattern.${row.pattern}`),
    classId: row.classId,
    className: row.className,
    state,
    opensAt: row.opensAt.getTime(),
    closesAt: row.closesAt.getTime(),
    opens: when(row.opensAt, clock),
    closes: when(row.closesAt, clock),
    weeksAgo: Math.max(0, Math.floor((now.getTime() - row.opensAt.getTime()) / WEEK)),
    cards: row.cards,
    opened: row.opened,
    played: row.played,
    score: score && {
      median: shown(score.median),
      low: shown(score.low),
      middle: shown(score.middle),
      high: shown(score.high),
    },
    needs: needs
      ? [
          needs.toCheck > 0 && (needs.toCheck === 1 ? "1 go to check" : `${needs.toCheck} goes to check`),
          needs.tooHard.length > 0 && `too hard for ${needs.tooHard.length}`,
          state === "open" && needs.noItems.length > 0 && `${needs.noItems.length} without items`,
        ].filter((words) => words !== false)
      : [],
  };
}
