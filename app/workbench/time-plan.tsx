import { useMemo, useState } from "react";
import type { Exercise } from "#core/exercises/library.ts";
import { timeOf } from "#core/exercises/library.ts";
import { quantile } from "#core/forecast/distribution.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import { type Activity, MAX_GOAL } from "#core/formats/activity.ts";
import { type GoTimes, planFor, REST, type TimePlan, wholeMinutes } from "#core/plan/plan.ts";
import { tell } from "#words/tell.ts";
import { Button } from "../ui/button.tsx";
import { NumberField, Toggle } from "./fields.tsx";
import { useForecast } from "./use-forecast.ts";

/** The first suggestion for a week: the number of days, and minutes of activity. */
const USUAL_WEEK = { days: 3, goal: 60 } as const;
const DAYS = 7;
const shown = (minutes: number) => (minutes < 10 ? minutes.toFixed(1) : String(Math.round(minutes)));

/** How long the activity takes and how much of that is active time, as a time plan. */
function planOf(activity: Activity, age: number, go: GoTimes, own: readonly Exercise[]): TimePlan {
  const [before, after] = [timeOf(activity.warmUp ?? [], age, own), timeOf(activity.coolDown ?? [], age, own)];
  const rounds = activity.rounds ?? 1;
  const game = rounds * go.minutes + (rounds - 1) * REST;
  const minutes = wholeMinutes(activity, age, go.minutes, own);
  return {
    warmUp: activity.warmUp ?? [],
    coolDown: activity.coolDown ?? [],
    rounds,
    before: before.seconds / 60,
    game,
    after: after.seconds / 60,
    minutes,
    active: (before.moving + after.moving) / 60 + rounds * go.minutes * go.moving,
    over: Math.max(0, minutes - activity.minutes),
  };
}

/** Fills the minutes asked for with a warm-up, some games and a cool-down, and says what a week of it adds up to. */
export function TimePlanFields({
  activity,
  change,
  middle,
  own,
}: {
  activity: Activity;
  change: (next: Activity, what?: string) => void;
  middle: Who;
  own: readonly Exercise[];
}) {
  const people = useMemo(() => [middle], [middle]);
  const [forecast] = useForecast(activity, people) ?? [];
  const [asked, setAsked] = useState(activity.minutes);
  const age = middle.age === "adult" ? 18 : middle.age;
  const go: GoTimes | null = forecast
    ? {
        minutes: Math.max(0.1, quantile(forecast.time, 0.5) / 600),
        moving: forecast.share.acting + forecast.share.fetching,
      }
    : null;
  const plan = go && Number.isFinite(go.minutes) ? planOf(activity, age, go, own) : null;
  const days = (goal: number) => (plan && plan.active > 0 ? Math.ceil(goal / plan.active) : Number.POSITIVE_INFINITY);
  return (
    <section aria-label="Time plan" className="mb-3">
      <h4 className="text-base">Time plan</h4>
      <NumberField name="Minutes available" value={asked} least={3} most={60} step={1} change={setAsked} />
      <Button
        size="small"
        disabled={!plan}
        onClick={() => {
          const timePlan = planFor(age, asked, go!, { own });
          change({
            ...activity,
            minutes: asked,
            warmUp: timePlan.warmUp,
            coolDown: timePlan.coolDown,
            rounds: timePlan.rounds,
          });
        }}
      >
        Fill the minutes
      </Button>
      <NumberField
        name="Games in a row"
        value={activity.rounds ?? 1}
        least={1}
        most={12}
        step={1}
        change={(rounds) => change({ ...activity, rounds }, "rounds")}
      />
      {plan && (
        <p className="text-sm" role="status">
          {tell("plan.fills", {
            before: shown(plan.before),
            rounds: plan.rounds,
            game: shown(plan.game),
            after: shown(plan.after),
            all: shown(plan.minutes),
            asked: activity.minutes,
            age,
            active: shown(plan.active),
          })}{" "}
          {plan.over >= 0.5 && tell("plan.over", { over: shown(plan.over) })}
        </p>
      )}
      <Toggle
        name="Weekly goal"
        value={activity.week !== null && activity.week !== undefined}
        change={(on) => change({ ...activity, week: on ? USUAL_WEEK : null })}
      />
      {activity.week && <WeekFields week={activity.week} activity={activity} change={change} plan={plan} days={days} />}
    </section>
  );
}

/** Sets how many days a week to play, and for how long. */
const WeekFields = ({
  week,
  activity,
  change,
  plan,
  days,
}: {
  week: NonNullable<Activity["week"]>;
  activity: Activity;
  change: (next: Activity, what?: string) => void;
  plan: TimePlan | null;
  days: (goal: number) => number;
}) => (
  <>
    <NumberField
      name="Days a week"
      value={week.days}
      least={1}
      most={DAYS}
      step={1}
      change={(count) => change({ ...activity, week: { ...week!, days: count } }, "days")}
    />
    <NumberField
      name="Active minutes a week"
      value={week.goal}
      least={5}
      most={MAX_GOAL}
      step={5}
      change={(goal) => change({ ...activity, week: { ...week!, goal } }, "goal")}
    />
    {plan && (
      <p className="text-sm" role="status">
        {tell(days(week.goal) > DAYS ? "plan.never" : "plan.week", {
          days: week.days,
          active: Math.round(week.days * plan.active),
          goal: week.goal,
          more: week.days * plan.active >= week.goal ? 0 : days(week.goal),
        })}
      </p>
    )}
  </>
);
