import { lazy, Suspense, useEffect, useRef, useState } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import { speak } from "../play/sounds.ts";
import { Beside } from "./beside.tsx";
import type { InputProps } from "./input.ts";

/** The exercise library is loaded when an exercise is due. */
const ExerciseByName = lazy(() => import("../../ui/exercise-by-name.tsx"));

/** One big button for the only possible next step. */
export const Big = ({ text, press }: { text: string; press: () => void }) => (
  <Beside
    text={text}
    press={press}
    row="min-h-28 grow short:min-h-16"
    look="rounded-[2rem] px-3"
    wide="text-4xl short:text-3xl"
    narrow="text-2xl leading-tight short:text-xl"
  />
);

/** A countdown before a clock starts, in seconds, heard and seen. A second press starts the clock at once. */
const COUNTDOWN = 3;
/** The labels of the answer buttons, except where a round is counted. */
const ANSWERS: Readonly<Record<string, string>> = {
  "board.closing": "board.noneFlew",
  "threeLine.bumped": "threeLine.noMore",
};
export function Ready({ now, act, sound }: InputProps<AskOf<"ready">>) {
  const [left, setLeft] = useState<number | null>(null);
  const start = useRef(() => undefined as unknown);
  start.current = () => {
    setLeft(null);
    sound("tick");
    speak(say("play.go"));
    act({ kind: "ready" });
  };
  useEffect(() => {
    if (left === null) return;
    if (left > 0) {
      sound("tick");
      speak(say("play.in", { seconds: left }));
    }
    const timer = setTimeout(() => (left > 0 ? setLeft(left - 1) : start.current()), left > 0 ? 1000 : 0);
    return () => clearTimeout(timer);
  }, [left, sound]);
  if (now !== "play.ready") {
    const text = say(ANSWERS[now] ?? "play.count");
    return <Big text={text} press={() => act({ kind: "ready" })} />;
  }
  if (left === null) return <Big text={say("play.start")} press={() => setLeft(COUNTDOWN)} />;
  // The number is shown where the button was, because another tap there starts the clock at once.
  return (
    <>
      <button type="button" className="btn min-h-12 text-lg short:min-h-9" onClick={() => start.current()}>
        {say("play.startNow")}
      </button>
      <p
        role="timer"
        className="grid min-h-28 grow place-items-center text-7xl leading-none font-bold short:min-h-16 short:text-5xl"
      >
        {left}
      </p>
    </>
  );
}
/** An exercise, or another one of the child's choice, with a seated form for those who need it. */
export const Task = ({ ask, act, data }: InputProps<AskOf<"task">>) => (
  <>
    <Suspense fallback={null}>
      <ExerciseByName name={ask.exercise} own={data.card.activity.exercises ?? []} />
    </Suspense>
    {ask.others && (
      <p className="text-lg">
        {say("task.or", { list: ask.others.map((exercise) => `${ask.dose} ${exercise}`).join(", ") })}
      </p>
    )}
    {ask.seated && <p className="text-lg">{say("task.seated", { dose: ask.dose, exercise: ask.seated })}</p>}
    <Big text={say("play.done")} press={() => act({ kind: "task" })} />
  </>
);
/** Something fell over. Play waits until it is set up again, or goes on and the fall is noted. */
export function Stand({ ask, act }: InputProps<AskOf<"stand">>) {
  const stand = () => act({ kind: "stand" });
  if (!ask.optional) return <Big text={say(ask.what === "jack" ? "play.jackPlaced" : "play.allStand")} press={stand} />;
  return (
    <button type="button" className="btn min-h-12 short:min-h-9" onClick={stand}>
      {say("play.stood")}
    </button>
  );
}
export const Carry = ({ act }: InputProps<AskOf<"carry">>) => (
  <button type="button" className="btn min-h-12 short:min-h-9" onClick={() => act({ kind: "carry" })}>
    {say("play.carry")}
  </button>
);
