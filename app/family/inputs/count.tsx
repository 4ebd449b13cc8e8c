import { lazy, Suspense, useEffect, useRef, useState } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import type { InputProps } from "./input.ts";
import { Keys } from "./keys.tsx";

const ExerciseByName = lazy(() => import("../../ui/exercise-by-name.tsx"));

/**
 * One big counter. A tap anywhere on it, the space bar or any letter adds one; a drop has its own button. Seconds
 * count by themselves from the start until the drop.
 */
export default function Count({ ask, act, name, mending, data }: InputProps<AskOf<"count">>) {
  const several = data.card.activity.match.swap === "once";
  const by = several ? { by: ask.player } : {};
  const seconds = ask.each === "second" && !mending;
  const [runs, setRuns] = useState(false);
  const one = () => act({ kind: "count", n: 1, ...by });
  const press = seconds ? () => setRuns(true) : one;
  const drop = () => {
    setRuns(false);
    act({ kind: "count", n: 0, drop: true, ...by });
  };
  // Keys and the clock call the latest version of these functions.
  const now = useRef({ one, press, drop });
  now.current = { one, press, drop };
  useEffect(() => {
    if (!runs || !seconds) return;
    const timer = setInterval(() => now.current.one(), 1000);
    return () => clearInterval(timer);
  }, [runs, seconds]);
  // After a stage is passed or a run is recorded, the next one has to be started.
  const begun = ask.soFar === 0;
  useEffect(() => {
    if (begun) setRuns(false);
  }, [begun]);
  useEffect(() => {
    if (mending || several) return;
    const pressed = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || event.ctrlKey || event.metaKey || event.altKey || event.repeat)
        return;
      if (event.target instanceof HTMLButtonElement && event.key !== " ") return;
      if (event.key !== " " && event.key.length !== 1) return;
      if (event.key === "u") return;
      if (event.key === "x" && ask.drops) now.current.drop();
      else if (event.target instanceof HTMLButtonElement) return;
      else now.current.press();
      event.preventDefault();
    };
    addEventListener("keydown", pressed);
    return () => removeEventListener("keydown", pressed);
  }, [mending, several, ask.drops]);
  const text = seconds
    ? say(runs ? "play.secondsRun" : "play.secondsGo")
    : several
      ? say("play.countFor", { name: name(ask.player) })
      : say("play.tapEach");
  return (
    <div className="grid grow gap-2.5">
      {ask.aim.kind === "skill" && ask.aim.task.exercise && !mending && (
        <Suspense fallback={null}>
          <ExerciseByName name={ask.aim.task.exercise} own={data.card.activity.exercises ?? []} />
        </Suspense>
      )}
      <button
        type="button"
        className="grid min-h-36 content-center justify-items-center rounded-[3rem] border-4 border-night bg-mint text-night active:scale-[0.99] short:min-h-20"
        data-run
        aria-label={text}
        onClick={press}
      >
        <span className="text-6xl leading-none font-bold short:text-4xl">{ask.soFar}</span>
        <span className="text-xl font-bold">{text}</span>
      </button>
      {!mending && !several && <Keys of="count" />}
      {ask.drops && (
        <button type="button" className="btn min-h-12 short:min-h-9 text-xl" onClick={drop}>
          {say(ask.aim.kind === "skill" && !ask.each ? "play.notThisTime" : "play.dropped")}
        </button>
      )}
    </div>
  );
}
