import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { lazy, memo, Suspense, useMemo } from "react";
import { setOutEnds } from "#core/compile/set-out-ends.ts";
import { betterIn, type Unit } from "#core/contract/contract.ts";
import { timeOf } from "#core/exercises/library.ts";
import type { Distribution } from "#core/forecast/distribution.ts";
import { likelyRange as likely, mean, mode, quantile } from "#core/forecast/distribution.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Forecast, SideForecast } from "#core/forecast/result.ts";
import type { Activity } from "#core/formats/activity.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import type { AttemptWords } from "#words/verbs.ts";
import { Button } from "../ui/button.tsx";
import { useAttemptWords } from "./attempt-words.ts";
import { useForecast, useSetOutEnds } from "./use-forecast.ts";

const Chart = lazy(() => import("./strip-chart.tsx"));

export interface HomeFit {
  name: string;
  /** Null if the family did not say. */
  fits: boolean | null;
  why: string;
  /**
   * The single change that would make the home ready. `next`: the activity with that change, if the teacher can make
   * it.
   */
  single: { words: string; next: Activity | null } | null;
}
interface Props {
  activity: Activity;
  /** The youngest, the typical and the oldest child. */
  people: readonly Who[];
  names: readonly string[];
  unit: Unit;
  /** Null while they are being worked out. */
  homes: readonly HomeFit[] | null;
  /** Makes the change that makes a home ready. */
  apply: (next: Activity) => void;
}

const percent = (chance: number) => `${Math.round(100 * chance)}%`;
/** A range. If too many values are cut off for an upper end, `lo or more`. */
const range = (lo: number, hi: number) =>
  !Number.isFinite(lo)
    ? label("strip.notDone")
    : lo === hi
      ? `${lo}`
      : tell("result.range", { least: lo, most: Number.isFinite(hi) ? hi : "none" });

function Bars({ at, p }: { at: readonly number[]; p: readonly number[] }) {
  const bins = 16;
  const lo = at[0] ?? 0;
  const width = Math.max(1, ((at[at.length - 1] ?? 1) - lo + 1) / bins);
  const sums = Array.from({ length: bins }, () => 0);
  at.forEach((v, i) => {
    const k = Math.min(bins - 1, Math.floor((v - lo) / width));
    sums[k] = sums[k]! + p[i]!;
  });
  const most = Math.max(...sums, 1e-9);
  return (
    <svg viewBox="0 0 128 56" className="h-14 w-32 shrink-0" aria-hidden="true">
      {sums.map((sum, i) => (
        <rect
          key={`b${i + 1}`}
          x={i * 8}
          y={56 - 54 * (sum / most)}
          width="6.5"
          height={Math.max(1, 54 * (sum / most))}
          fill="var(--color-mustard)"
          fillOpacity={0.35 + 0.65 * (sum / most)}
        />
      ))}
    </svg>
  );
}

/** Stands for a figure that is being worked out, and takes its place. */
const Wait = ({ className }: { className: string }) => (
  <span
    role="img"
    aria-label="being worked out"
    className={`skeleton inline-block rounded-sm align-middle ${className}`}
  />
);

/** The child sets the targets out, so the result lies between all of them near and all of them far. */
function Ends({
  ends,
  who,
  of,
}: {
  ends: NonNullable<ReturnType<typeof setOutEnds>>;
  who: Who;
  of: (forecast: Forecast) => number;
}) {
  const forecasts = useSetOutEnds(ends, who);
  return (
    <p className="text-[13px]" data-ends={forecasts ? "ready" : "waiting"}>
      {forecasts ? (
        tell("strip.ends", { near: of(forecasts[0]), far: of(forecasts[1]) })
      ) : (
        <Wait className="h-3 w-32" />
      )}
    </p>
  );
}

/** The forecast, which is always visible. Each part opens its picture. */
export const Strip = memo(function Strip({ activity, people, names, unit, homes, apply }: Props) {
  const forecasts = useForecast(activity, people);
  const attempt = useAttemptWords();
  const { minutes } = activity;
  const ends = useMemo(() => setOutEnds(activity), [activity]);
  const middle = forecasts?.[1] ?? null;
  const youngest = forecasts?.[0] ?? null;
  const side = middle?.sides[0];
  const sends = side?.sends;
  const time = middle?.time;
  // Exercises before and after the game count too.
  const { age } = people[1]!;
  const around = useMemo(
    () =>
      timeOf(
        [...(activity.warmUp ?? []), ...(activity.coolDown ?? [])],
        age === "adult" ? 12 : age,
        activity.exercises,
      ),
    [activity.warmUp, activity.coolDown, activity.exercises, age],
  );
  const played = time ? mean(time) / 10 : 0;
  const inGame = middle ? middle.share.acting + middle.share.fetching : 0;
  const moving = (inGame * played + around.moving) / Math.max(1e-9, played + around.seconds);
  // If every go has the same number of attempts, the score is what varies.
  const fixed = sends?.at.length === 1;
  const counted = unit !== "points" && betterIn(unit) === "more";
  const first =
    fixed || counted
      ? { title: counted ? label(`strip.${unit}`) : unit === "points" ? "Points" : "Score", d: side?.points }
      : { title: unit === "trips" ? label("strip.trips") : `${attempt.Many} per go`, d: sends };
  const shown = (value: number) => (fixed && unit === "tenths" ? Math.round(value / 10) : value);
  const toMinutes = (t: number) => Math.max(1, Math.round(t / 600));
  const wait = <Wait className="my-1 h-6 w-20" />;
  return (
    <section
      aria-label="Forecast"
      className="on-court grid shrink-0 grid-cols-[1.25fr_1fr_0.9fr_1fr_1.3fr] divide-x divide-chalk/20 bg-court-deep text-chalk max-lg:grid-cols-3 max-lg:divide-x-0"
      data-strip={forecasts ? "ready" : "waiting"}
    >
      <Part
        title={first.title}
        picture={
          forecasts && <Chart kind={fixed || counted ? "points" : "sends"} forecasts={forecasts} names={names} />
        }
        about={
          middle
            ? `${names[1]}: ${middle.method}${middle.standardError > 0 ? `, ± ${(100 * middle.standardError).toFixed(1)} points` : ""}${middle.stoppedBy === "budget" ? ", as exact as time allowed" : ""}. Includes goes that run on too long to predict. Aim: ${middle.policy === "middle" ? "at the middle" : "wherever scores best"}.`
            : ""
        }
      >
        <FirstFigure
          first={first}
          shown={shown}
          wait={wait}
          ends={ends}
          people={people}
          fixed={fixed}
          counted={counted}
        />
      </Part>
      <SecondPart
        counted={counted}
        fixed={fixed}
        attempt={attempt}
        forecasts={forecasts}
        names={names}
        sends={sends}
        side={side}
        wait={wait}
        youngest={youngest}
        middle={middle}
      />
      <Times
        forecasts={forecasts}
        names={names}
        time={time}
        toMinutes={toMinutes}
        wait={wait}
        minutes={minutes}
        around={around}
        middle={middle}
        moving={moving}
      />
      <HomesPart homes={homes} apply={apply} />
    </section>
  );
});

function Part({
  title,
  children,
  picture,
  about,
}: {
  title: string;
  children: React.ReactNode;
  picture: React.ReactNode;
  about: string;
}) {
  return (
    <Dialog.Root>
      <Dialog.Trigger className="px-5 py-2.5 text-left hover:bg-chalk/5">
        <p className="text-[13px] text-chalk/90">
          {title}
          <span className="sr-only">: show the details.</span>
        </p>
        {children}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 grid max-h-[85vh] w-[min(46rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-3 overflow-auto rounded-md bg-raised p-6 text-ink">
          <Dialog.Title className="text-2xl">{title}</Dialog.Title>
          <Dialog.Description className="text-sm text-quiet">{about}</Dialog.Description>
          <Suspense fallback={<div className="skeleton h-64" />}>
            {picture ?? <div className="skeleton h-64" />}
          </Suspense>
          <Dialog.Close className="absolute top-4 right-4 grid size-9 place-items-center" aria-label="Close">
            <X aria-hidden="true" />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function HomeList({ homes, apply }: { homes: readonly HomeFit[]; apply: (next: Activity) => void }) {
  return (
    <ul className="columns-2 gap-6 text-sm max-sm:columns-1">
      {[...homes]
        .sort((a, b) => Number(a.fits ?? 0.5) - Number(b.fits ?? 0.5))
        .map((home) => (
          <li key={home.name} className="row-line flex justify-between gap-2 py-1">
            <span className="font-semibold">{home.name}</span>
            <span className="text-right">
              <span className={home.fits === false ? "problem" : "text-quiet"}>{home.why}</span>
              {home.single && (
                <span className="mt-0.5 flex flex-wrap items-center justify-end gap-2">
                  {home.single.words}
                  {home.single.next ? (
                    <Button
                      size="small"
                      aria-label={`Apply for ${home.name}: ${home.single.words}`}
                      onClick={() => apply(home.single!.next!)}
                    >
                      Apply
                    </Button>
                  ) : (
                    <span className="text-quiet">(for the family to do)</span>
                  )}
                </span>
              )}
            </span>
          </li>
        ))}
    </ul>
  );
}

/** Shows the second figure: youngest and oldest, attempts, or how often the game is finished. */
const SecondPart = ({
  counted,
  fixed,
  attempt,
  forecasts,
  names,
  sends,
  side,
  wait,
  youngest,
  middle,
}: Pick<Props, "names"> & {
  counted: boolean;
  fixed: boolean;
  attempt: AttemptWords;
  forecasts: Forecast[] | null;
  sends: Distribution | undefined;
  side: SideForecast | undefined;
  wait: React.JSX.Element;
  youngest: Forecast | null;
  middle: Forecast | null;
}) => (
  <Part
    title={counted ? "Youngest, oldest" : fixed ? attempt.Many : "Finishes"}
    picture={
      forecasts && <Chart kind={counted ? "points" : fixed ? "sends" : "finish"} forecasts={forecasts} names={names} />
    }
    about={
      counted
        ? "The scores that half of the youngest and half of the oldest reach."
        : fixed
          ? `Every go of this game has the same number of ${attempt.many}.`
          : `The chance of reaching the last target, or the score to reach, before ${attempt.many} or time run out.`
    }
  >
    {counted ? (
      <span className="text-2xl font-bold">
        {forecasts
          ? `${quantile(forecasts[0]!.sides[0]!.points, 0.5)}, ${quantile(forecasts[2]!.sides[0]!.points, 0.5)}`
          : wait}
      </span>
    ) : fixed ? (
      <>
        <span className="text-2xl font-bold">{sends!.at[0]}</span>
        <p className="text-[13px]">in every go</p>
      </>
    ) : (
      <>
        {side ? <span className="text-2xl font-bold">{percent(side.finish)}</span> : wait}
        <p className="text-[13px]">
          youngest {youngest ? percent(youngest.sides[0]!.finish) : <Wait className="h-3 w-8" />}
        </p>
        {middle && middle.cut >= 0.005 && (
          <p className="text-[13px]">{tell("strip.cut", { share: percent(middle.cut) })}</p>
        )}
      </>
    )}
  </Part>
);

/** Shows the first figure and its likely range. */
const FirstFigure = ({
  first,
  shown,
  wait,
  ends,
  people,
  fixed,
  counted,
}: Pick<Props, "people"> & {
  first: { title: string; d: Distribution | undefined };
  shown: (value: number) => number;
  wait: React.JSX.Element;
  ends: { near: Activity; far: Activity } | null;
  fixed: boolean;
  counted: boolean;
}) => (
  <div className="flex items-end justify-between gap-2">
    <div>
      {first.d ? (
        <span className="text-2xl font-bold whitespace-nowrap">
          {range(shown(likely(first.d).low), shown(likely(first.d).high))}
        </span>
      ) : (
        wait
      )}
      {first.d && <p className="text-[13px]">{tell("strip.holds", { n: Math.round(10 * likely(first.d).holds) })}</p>}
      <p className="text-[13px]">most often {first.d ? shown(mode(first.d)) : <Wait className="h-3 w-6" />}</p>
      {ends && (
        <Ends
          ends={ends}
          who={people[1]!}
          of={(forecast) => shown(mode(fixed || counted ? forecast.sides[0]!.points : forecast.sides[0]!.sends))}
        />
      )}
    </div>
    {first.d && <Bars at={first.d.at} p={first.d.p} />}
  </div>
);

/** Shows how many homes are ready, and what would make the others ready. */
const HomesPart = ({ homes, apply }: Pick<Props, "homes" | "apply">) => (
  <Part
    title="Homes ready"
    picture={homes && <HomeList homes={homes} apply={apply} />}
    about="Each child counts once, in the best of their homes, with the items and space each home has. Where a home has not told us its items, we assume the usual ones. Everyone else still gets a card, with the closest items and distances."
  >
    {homes ? (
      <div className="flex items-center gap-3">
        <div>
          <span className="text-2xl font-bold whitespace-nowrap">
            {tell("strip.can", { n: homes.filter((home) => home.fits === true).length, all: homes.length })}
          </span>
          <p className="text-[13px] sm:whitespace-nowrap">
            {tell("strip.canWhat", { silent: homes.filter((home) => home.fits === null).length })}
          </p>
        </div>
        <div className="flex max-w-40 flex-wrap gap-[3px]" aria-hidden="true">
          {homes.map((home) => (
            <span
              key={home.name}
              className={`size-2.5 ${home.fits === null ? "rounded-full border border-chalk/70" : home.fits ? "bg-mint" : "rotate-45 bg-coral"}`}
            />
          ))}
        </div>
      </div>
    ) : (
      <Wait className="my-1 h-8 w-40" />
    )}
  </Part>
);

/** Shows how long a game takes and how much of it is active time. */
const Times = ({
  forecasts,
  names,
  time,
  toMinutes,
  wait,
  minutes,
  around,
  middle,
  moving,
}: Pick<Props, "names"> & {
  forecasts: Forecast[] | null;
  time: Distribution | undefined;
  toMinutes: (t: number) => number;
  wait: React.JSX.Element;
  minutes: Props["activity"]["minutes"];
  around: { seconds: number; moving: number };
  middle: Forecast | null;
  moving: number;
}) => (
  <>
    <Part
      title="Minutes"
      picture={forecasts && <Chart kind="minutes" forecasts={forecasts} names={names} />}
      about="Playing, fetching and setting up again. Walking speed and pace by age are assumptions."
    >
      {time ? (
        <span className="text-2xl font-bold">{range(toMinutes(likely(time).low), toMinutes(likely(time).high))}</span>
      ) : (
        wait
      )}
      <p className="text-[13px]">of {minutes} planned</p>
      {around.seconds > 0 && (
        <p className="text-[13px]">plus {Math.max(1, Math.round(around.seconds / 60))} for warm-up and cool-down</p>
      )}
    </Part>
    <Part
      title="Active time"
      picture={forecasts && <Chart kind="moving" forecasts={forecasts} names={names} />}
      about="Playing and fetching count as active. Waiting and setting up do not."
    >
      {middle ? <span className="text-2xl font-bold">{percent(moving)}</span> : wait}
      <div className="drawn mt-1 flex h-3 w-36 max-w-full overflow-hidden rounded-sm bg-chalk/15">
        {middle && (
          <>
            <div className="bg-mint" style={{ width: `${100 * middle.share.acting}%` }} title="playing" />
            <div className="bg-mint/50" style={{ width: `${100 * middle.share.fetching}%` }} title="fetching" />
          </>
        )}
      </div>
    </Part>
  </>
);
