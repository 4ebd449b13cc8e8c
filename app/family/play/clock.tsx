import { Pause } from "lucide-react";
import { useLayoutEffect, useRef } from "react";
import { bellAt } from "#core/referee/play.ts";
import { say } from "#words/say.ts";
import type { PlaySession, Snapshot } from "./session.ts";

/** The clock stands out when no more than this many seconds are left. */
const LAST = 10;

/**
 * The clock and its pause button. The text is written into the page directly four times a second, so that a running clock
 * redraws nothing else.
 */
export function Clock({ session, view }: { session: PlaySession; view: Snapshot["view"] }) {
  const text = useRef<HTMLSpanElement>(null);
  const counts = bellAt(view) !== null;
  useLayoutEffect(() => {
    let shown = "";
    const look = () => {
      const seconds = session.seconds();
      const now = say("play.time", {
        minutes: Math.floor(seconds / 60),
        seconds: String(seconds % 60).padStart(2, "0"),
      });
      if (!text.current || now === shown) return;
      shown = now;
      text.current.textContent = now;
      text.current.classList.toggle("text-mustard", counts && seconds <= LAST);
    };
    look();
    return session.onClock(look);
  }, [session, counts]);
  return (
    <div className="flex shrink-0 items-start gap-2">
      <p className="text-right">
        <span className="block text-sm text-chalk/80">{say(counts ? "play.timeLeft" : "play.timeUsed")}</span>
        <span ref={text} className="text-2xl font-bold large:text-xl" />
      </p>
      <button
        type="button"
        aria-label={say("play.pause")}
        className="grid size-11 place-items-center rounded-md border-2 border-chalk/50 text-chalk"
        onClick={() => session.act({ kind: "pause" })}
      >
        <Pause size={20} aria-hidden="true" />
      </button>
    </div>
  );
}
