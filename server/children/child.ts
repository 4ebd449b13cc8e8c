import { and, asc, desc, eq, inArray, sql } from "drizzle-orm";
import type { Action } from "#core/actions/actions.ts";
import type { Support } from "#core/compile/support.ts";
import type { Axis } from "#core/estimate/grid.ts";
import type { Lean } from "#core/estimate/lean.ts";
import { type Estimate, estimateOf, posterior } from "#core/estimate/posterior.ts";
import type { Activity } from "#core/formats/activity.ts";
import { type Go, goesOf } from "../assignments/goes.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { breather } from "../breathe.ts";
import { inForce } from "../cards/versions.ts";
import { compute } from "../compute/compute.ts";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { isQueued } from "../jobs/jobs.ts";
import { ownChild } from "../school/classes.ts";
import { type KnowingRow, type KnownAction, knowingRows, knownFrom, weekOf } from "./known.ts";

const { assignment, card, cardVersion, criterionMark, play, playEvent, revision } = schema;

/** What was known of a child at the end of a week, for one axis of one action. */
export interface Week extends Estimate {
  /** The time of the last attempt in that week, and the number of attempts. */
  at: Date;
  tries: number;
}
export interface Course {
  action: Action;
  axis: Axis;
  now: Estimate;
  weeks: Week[];
}
export interface ChildGo extends Go {
  title: string;
  action: Action;
  assignmentId: string;
}
export interface ChildCard {
  assignmentId: string;
  title: string;
  opensAt: Date;
  /** Why the child's card differs from the design, as the card says it. */
  changes: { key: string; params?: Record<string, string | number> }[];
  criteria: { text: string; mark: string }[];
}
export interface ChildPage {
  id: string;
  name: string;
  age: number;
  classId: string;
  className: string;
  support: string;
  familyNote: string;
  supports: readonly Support[];
  leftHanded: boolean;
  known: [action: string, known: KnownAction][];
  courses: Course[];
  goes: ChildGo[];
  cards: ChildCard[];
  /**
   * Minutes of play, from the first event of each go to the last: in the last seven days, and per week since the
   * first go.
   */
  played: { lately: number; aWeek: number; weeks: number };
  /** The minutes of activity per week that the newest activity asks for. Null if it does not say. */
  goal: number | null;
  /** For each action, the bias that resting places show in addition to the spread. */
  leans: Partial<Record<Action, Lean>>;
  /** True while goes are still being worked out. */
  working: boolean;
}

const WEEK = 7 * 86_400_000;
/** How long a child played, lately and per week. */
function playedIn(goes: readonly Go[], now: Date): ChildPage["played"] {
  const minutes = (list: readonly Go[]) => list.reduce((sum, go) => sum + go.score.seconds, 0) / 60;
  const age = (go: Go) => now.getTime() - go.startedAt.getTime();
  const weeks = Math.max(1, Math.ceil(Math.max(0, ...goes.map(age)) / WEEK));
  return { lately: minutes(goes.filter((go) => age(go) < WEEK)), aWeek: minutes(goes) / weeks, weeks };
}

/** How one axis of one action developed: after each week with an attempt, what was known by then. */
async function courseOf(
  list: readonly KnowingRow[],
  age: number,
  now: Date,
  breathe: () => Promise<void>,
): Promise<Course> {
  const { action, axis } = list[0]!;
  const goes = list.map((knowingRow) => ({
    at: knowingRow.at,
    week: weekOf(knowingRow.at),
    ll: knowingRow.ll,
    tries: knowingRow.tries,
  }));
  const weeks = [...new Set(goes.map((go) => go.week))].sort((a, b) => a - b);
  const course: Week[] = [];
  for (const week of weeks) {
    await breathe();
    const [before, of] = [goes.filter((go) => go.week <= week), goes.filter((go) => go.week === week)];
    course.push({
      ...estimateOf(posterior(axis, age, before, week)),
      at: new Date(Math.max(...of.map((g) => g.at.getTime()))),
      tries: of.reduce((sum, g) => sum + g.tries, 0),
    });
  }
  await breathe();
  return {
    action: action as Action,
    axis,
    now: estimateOf(posterior(axis, age, goes, weekOf(now))),
    weeks: course,
  };
}

/** Everything that the school knows about one child, for the child's teacher. */
export async function childPage(who: SignedIn, id: string, now = new Date()): Promise<ChildPage> {
  const { laid, rows, ...page } = await withTenant(who.schoolId, async (tx) => {
    const me = await ownChild(tx, who, id);
    const rows = await knowingRows(tx, [id]);
    const cards = await tx
      .select({
        id: card.id,
        assignmentId: card.assignmentId,
        opensAt: assignment.opensAt,
        // Only the parts of long documents that the page shows.
        title: sql<string>`${revision.document}->>'title'`,
        action: sql<Action>`${revision.document}->'aim'->>'action'`,
        criteria: sql<Activity["criteria"]>`${revision.document}->'criteria'`,
        week: sql<Activity["week"] | null>`${revision.document}->'week'`,
        changes: sql<ChildCard["changes"] | null>`${cardVersion.compiled}->'home'->'changes'`,
      })
      .from(card)
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .innerJoin(cardVersion, inForce)
      .where(eq(card.childId, id))
      .orderBy(desc(assignment.opensAt), asc(card.id));
    const marks =
      cards.length === 0
        ? []
        : await tx
            .select()
            .from(criterionMark)
            .where(
              inArray(
                criterionMark.cardId,
                cards.map((eachCard) => eachCard.id),
              ),
            );
    const goes = await goesOf(
      tx,
      cards.map((eachCard) => eachCard.id),
    );
    const of = new Map(cards.map((eachCard) => [eachCard.id, eachCard]));
    return {
      id,
      name: me.name,
      age: me.age,
      classId: me.classId,
      className: me.className,
      support: me.support,
      familyNote: me.familyNote,
      supports: me.adjust?.supports ?? [],
      leftHanded: me.leftHanded,
      rows,
      goes: goes
        .map((go) => ({
          ...go,
          title: of.get(go.cardId)!.title,
          action: of.get(go.cardId)!.action,
          assignmentId: of.get(go.cardId)!.assignmentId,
        }))
        .reverse(),
      cards: cards.map((eachCard) => ({
        assignmentId: eachCard.assignmentId,
        title: eachCard.title,
        opensAt: eachCard.opensAt,
        changes: eachCard.changes ?? [],
        criteria: criteriaOf(
          eachCard.criteria,
          marks.filter((mark) => mark.cardId === eachCard.id),
        ),
      })),
      played: playedIn(goes, now),
      goal: cards[0]?.week?.goal ?? null,
      working: await isQueued(tx, "evidence", id),
      laid: await laidOut(tx, id),
    };
  });
  // A year week by week is worked out after the database work, in steps.
  const breathe = breather();
  const courses: Course[] = [];
  for (const key of new Set(rows.map((row) => `${row.action} ${row.axis}`)))
    courses.push(
      await courseOf(
        rows.filter((row) => `${row.action} ${row.axis}` === key),
        page.age,
        now,
        breathe,
      ),
    );
  await breathe();
  return {
    ...page,
    known: [...knownFrom(rows, page.age, now)],
    courses,
    leans: laid.length > 0 ? await compute("leans", laid) : {},
  };
}
/** How many of the newest goes are searched for resting places. */
const MAX_LAID = 40;
/** The goes of a child for which somebody recorded where pieces came to rest. */
async function laidOut(tx: Tx, childId: string) {
  const plays = await tx
    .select({ play, compiled: cardVersion.compiled })
    .from(play)
    .innerJoin(card, eq(card.id, play.cardId))
    .innerJoin(cardVersion, and(eq(cardVersion.cardId, card.id), eq(cardVersion.hash, play.cardHash)))
    .where(
      and(
        eq(card.childId, childId),
        sql`exists (select 1 from ${playEvent} e where e.play_id = ${play.id} and e.event ? 'spot')`,
      ),
    )
    .orderBy(desc(play.startedAt))
    .limit(MAX_LAID);
  if (plays.length === 0) return [];
  const events = await tx
    .select({ id: playEvent.playId, event: playEvent.event })
    .from(playEvent)
    .where(
      inArray(
        playEvent.playId,
        plays.map((eachPlay) => eachPlay.play.id),
      ),
    )
    .orderBy(asc(playEvent.seq));
  return plays.map(({ play: row, compiled }) => ({
    activity: compiled.activity,
    setup: row.setup,
    version: row.rulesVersion,
    events: events.flatMap((event) => (event.id === row.id ? [event.event] : [])),
  }));
}
const criteriaOf = (criteria: Activity["criteria"], marks: readonly { criterion: string; mark: string }[]) =>
  marks.flatMap((mark) => {
    const criterion = criteria.find((eachCriterion) => eachCriterion.id === mark.criterion);
    return criterion ? [{ text: criterion.text, mark: mark.mark }] : [];
  });
