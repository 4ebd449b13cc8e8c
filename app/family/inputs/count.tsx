import { useEffect } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import type { InputProps } from "./input.ts";
import { Keys } from "./keys.tsx";

/** One big counter: a tap anywhere on it, space or any letter counts one more; a drop has a button of its own. */
export default function Count({ ask, act, name, mending, data }: InputProps<AskOf<"count">>) {
  const several = data.card.activity.match.swap === "once";
  const by = several ? { by: ask.player } : {};
  const one = () => act({ kind: "count", n: 1, ...by });
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is done by a key is what is done now
  useEffect(() => {
    if (mending || several) return;
    const press = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLInputElement || e.ctrlKey || e.metaKey || e.altKey || e.repeat) return;
      if (e.target instanceof HTMLButtonElement && e.key !== " ") return;
      if (e.key !== " " && e.key.length !== 1) return;
      if (e.key === "u") return;
      if (e.key === "x" && ask.drops) act({ kind: "count", n: 0, drop: true });
      else if (e.target instanceof HTMLButtonElement) return;
      else one();
      e.preventDefault();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [act, mending, several, ask.drops]);
  return (
    <div className="grid grow gap-2.5">
      <button
        type="button"
        className="grid min-h-36 content-center justify-items-center rounded-[3rem] border-4 border-night bg-mint text-night active:scale-[0.99] short:min-h-20"
        aria-label={several ? say("play.countFor", { name: name(ask.player) }) : say("play.tapEach")}
        onClick={one}
      >
        <span className="text-6xl leading-none font-bold short:text-4xl">{ask.soFar}</span>
        <span className="text-xl font-bold">
          {several ? say("play.countFor", { name: name(ask.player) }) : say("play.tapEach")}
        </span>
      </button>
      {!mending && !several && <Keys of="count" />}
      {ask.drops && (
        <button
          type="button"
          className="btn min-h-12 short:min-h-9 text-xl"
          onClick={() => act({ kind: "count", n: 0, drop: true, ...by })}
        >
          {say(ask.aim.kind === "skill" ? "play.notThisTime" : "play.dropped")}
        </button>
      )}
    </div>
  );
}
