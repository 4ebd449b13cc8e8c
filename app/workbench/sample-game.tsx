import { ChevronLeft, ChevronRight, Pause, Play, RotateCcw } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { mainAsks } from "#core/asks/ask.ts";
import { isRefusal } from "#core/contract/contract.ts";
import type { GameEvent, PlayEvent } from "#core/events/events.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import { type Activity, gameSettingsOf } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { openPlayOf, referee, type View, view } from "#core/referee/play.ts";
import { behaviorProfile, playGo } from "#core/simulated-player/child.ts";
import { say, sayPhrase, sayScore, sayWorking } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import { piecesIn } from "../family/inputs/zones.tsx";
import { labelAmong, seenText } from "../family/play/seen.ts";
import { YardMap } from "../family/screens/yard-map.tsx";

/** How long each step is shown while the game plays itself, milliseconds. */
const EACH = 1100;
/** The most steps that are listed. A long run of touches shows nothing new. */
const MOST = 120;
const ALONE = { players: 1, mode: "alone", seed: 1 } as const;

interface Step {
  /** What was seen. Null at the beginning. */
  seen: string | null;
  at: View;
}
/** A whole go of a simulated child, step by step, as the referee recorded it. */
function stepsOf(activity: Activity, who: Who, seed: number): Step[] {
  const label = labelAmong(opened(activity).parts);
  const describe = (event: PlayEvent) =>
    event.kind === "count"
      ? say(event.drop ? "play.dropped" : "play.counted", { count: event.n })
      : event.kind === "bell"
        ? say("play.bell")
        : event.kind === "task"
          ? say("play.done")
          : seenText(event as GameEvent, label);
  const age = who.age === "adult" ? 12 : who.age;
  const events = playGo(activity, { ages: [age], tempers: [behaviorProfile(seed)], setup: { ...ALONE, seed }, seed });
  let play = openPlayOf(opened(activity).pattern, gameSettingsOf(activity), { ...ALONE, seed });
  const steps: Step[] = [{ seen: null, at: view(play) }];
  for (const event of events.slice(0, MOST)) {
    const next = referee(play, event);
    if (isRefusal(next)) break;
    play = next;
    steps.push({ seen: describe(event), at: view(play) });
  }
  return steps;
}

/** A sample game with the rules as they are set. It plays itself, or the teacher steps through it, forward and back. */
export function SampleGame({ activity, who }: { activity: Activity; who: Who }) {
  const [seed, setSeed] = useState(7);
  const [now, setNow] = useState(0);
  const [runs, setRuns] = useState(false);
  const steps = useMemo(() => {
    try {
      return stepsOf(activity, who, seed);
    } catch {
      // While it is being typed, an activity may not be playable.
      return null;
    }
  }, [activity, who, seed]);
  const last = (steps?.length ?? 1) - 1;
  const at = Math.min(now, last);
  useEffect(() => {
    if (!runs) return;
    if (at >= last) {
      setRuns(false);
      return;
    }
    const timer = setTimeout(() => setNow(at + 1), EACH);
    return () => clearTimeout(timer);
  }, [runs, at, last]);
  if (!steps) return null;
  const { seen, at: v } = steps[at]!;
  const asked = mainAsks(v.asks)[0];
  const wanted =
    asked?.kind === "send" && asked.aim.kind === "any" && asked.aim.want.length === 1 ? asked.aim.want[0] : undefined;
  const from = v.from !== null && v.from !== "start" ? v.from : undefined;
  const how = asked && "manner" in asked ? asked.manner.action : undefined;
  const noun = attemptWords(activity.aim.action);
  const next = v.ending
    ? sayPhrase(v.ending.reason, {}, noun)
    : sayPhrase(v.now, {}, attemptWords(how ?? activity.aim.action));
  const score = v.score[v.side]!;
  const step = (by: number) => {
    setRuns(false);
    setNow(Math.max(0, Math.min(last, at + by)));
  };
  const button = "grid size-9 place-items-center rounded-md border-2 border-hair bg-raised disabled:opacity-40";
  return (
    <section aria-label="A sample game" className="mb-3 rounded-md bg-court p-2 text-chalk on-court">
      <div className="flex items-baseline justify-between gap-2">
        <h3 className="text-base">A sample game</h3>
        <span className="text-sm text-chalk/80">
          {at} of {last}
        </span>
      </div>
      <YardMap
        parts={opened(activity).parts}
        width={260}
        height={170}
        marks={{
          ...((from ?? wanted) && { now: from ?? wanted }),
          done: v.doneParts,
          pieces: piecesIn(v.asks).map((p) => ({ zone: p.place, shape: p.player })),
        }}
        label={next}
      />
      <div role="status" className="min-h-24 text-sm leading-snug">
        <p className="font-semibold text-mustard">{seen ?? "Before the first attempt"}</p>
        <p className="text-lg leading-tight font-bold">
          {sayScore(score.value, score.unit, noun)}
          {score.working && <span className="block text-sm font-normal">{sayWorking(score.working)}</span>}
        </p>
        <p>{next}</p>
      </div>
      <Steps
        button={button}
        at={at}
        step={step}
        runs={runs}
        last={last}
        setRuns={setRuns}
        setNow={setNow}
        setSeed={setSeed}
        seed={seed}
      />
    </section>
  );
}

/** Buttons to step forwards and back, or to play on. */
const Steps = ({
  button,
  at,
  step,
  runs,
  last,
  setRuns,
  setNow,
  setSeed,
  seed,
}: {
  button: "grid size-9 place-items-center rounded-md border-2 border-hair bg-raised disabled:opacity-40";
  at: number;
  step: (by: number) => void;
  runs: boolean;
  last: number;
  setRuns: (value: boolean) => void;
  setNow: (value: number) => void;
  setSeed: (value: number) => void;
  seed: number;
}) => (
  <div className="flex items-center gap-1.5 text-ink">
    <button type="button" className={button} aria-label="One step back" disabled={at === 0} onClick={() => step(-1)}>
      <ChevronLeft size={18} aria-hidden="true" />
    </button>
    <button
      type="button"
      className={button}
      aria-label={runs ? "Stop the sample game" : "Play the sample game"}
      disabled={at >= last}
      onClick={() => setRuns(!runs)}
    >
      {runs ? <Pause size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
    </button>
    <button
      type="button"
      className={button}
      aria-label="One step forward"
      disabled={at >= last}
      onClick={() => step(1)}
    >
      <ChevronRight size={18} aria-hidden="true" />
    </button>
    <button
      type="button"
      className={`${button} ml-auto`}
      aria-label="New sample game"
      onClick={() => {
        setRuns(false);
        setNow(0);
        setSeed(seed + 1);
      }}
    >
      <RotateCcw size={18} aria-hidden="true" />
    </button>
  </div>
);
