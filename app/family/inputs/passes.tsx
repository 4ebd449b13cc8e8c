import { useEffect } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import type { InputProps } from "./input.ts";
import { Keys } from "./keys.tsx";

/**
 * A pass was caught or missed. In games with a chase, the object may also have come to rest before anybody reached
 * it. The space bar and the right arrow key choose the first two.
 */
export default function Passes({
  mark,
  still,
  act,
  mending,
}: InputProps<AskOf<"send">> & { mark: string; still: boolean }) {
  useEffect(() => {
    if (mending) return;
    const press = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || event.repeat) return;
      const space = event.key === " " && !(event.target instanceof HTMLButtonElement);
      if (space) event.preventDefault();
      if (space || event.key === "ArrowLeft") act({ kind: "send", rest: mark });
      if (event.key === "ArrowRight") act({ kind: "send", rest: "over" });
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [act, mark, mending]);
  const big = "min-h-28 border-4 border-night px-2 text-2xl font-bold text-night active:scale-[0.98] short:min-h-20";
  return (
    <>
      <div className="grid grow grid-cols-2 gap-3.5">
        <button
          type="button"
          className={`${big} rounded-[4rem] bg-mint`}
          onClick={() => act({ kind: "send", rest: mark })}
        >
          {say("play.caught")}
        </button>
        <button
          type="button"
          className={`${big} rounded-md bg-rose`}
          onClick={() => act({ kind: "send", rest: "over" })}
        >
          {say(still ? "play.gotPast" : "play.dropped")}
        </button>
      </div>
      {still && (
        <button
          type="button"
          className="btn min-h-12 text-lg short:min-h-9"
          onClick={() => act({ kind: "send", rest: "short" })}
        >
          {say("play.layStill")}
        </button>
      )}
      {!mending && <Keys of="any" />}
    </>
  );
}
