import { say } from "#words/say.ts";
import type { PlaySession, Snapshot } from "./session.ts";

/** Undo, change an attempt, swap the object, end the game. Always at the edge of the screen, under the thumb. */
export function Toolbar({
  session,
  snapshot: { view, panel },
  canSwap,
  attempt,
}: {
  session: PlaySession;
  snapshot: Snapshot;
  canSwap: boolean;
  attempt: Record<string, string>;
}) {
  const toggle = (which: "fix" | "swap") => session.show(panel === which ? "play" : which);
  return (
    <div
      data-steady
      hidden={panel === "swap"}
      className="sticky bottom-0 z-10 bg-page px-3 pb-[max(0.5rem,env(safe-area-inset-bottom))] text-ink short:px-2 flat:col-start-2"
    >
      <div
        className={`mx-auto grid w-full max-w-lg gap-2.5 large:gap-1.5 large:[&_button]:min-h-8 large:[&_button]:px-0 large:[&_button]:text-xs ${canSwap ? "grid-cols-4" : "grid-cols-3"}`}
      >
        <button
          type="button"
          className="btn min-h-12 px-1 short:min-h-9"
          disabled={!view.canUndo}
          onClick={() => session.act({ kind: "undo" })}
        >
          {say("play.undo")}
        </button>
        <button
          type="button"
          className="btn min-h-12 px-1 leading-tight short:min-h-9"
          aria-expanded={panel === "fix"}
          onClick={() => toggle("fix")}
        >
          {say("play.fix", attempt)}
        </button>
        {canSwap && (
          <button
            type="button"
            className="btn min-h-12 px-1 leading-tight short:min-h-9 short:text-sm"
            aria-expanded={panel === "swap"}
            onClick={() => toggle("swap")}
          >
            {say("play.swap")}
          </button>
        )}
        <button
          type="button"
          className="btn min-h-12 px-1 leading-tight short:min-h-9"
          onClick={() => session.act({ kind: "stop" })}
        >
          {say("play.stop")}
        </button>
      </div>
    </div>
  );
}
