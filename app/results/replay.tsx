import { ChevronLeft, ChevronRight, Pause, Play as PlayIcon } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { Button } from "../ui/button.tsx";
import { planScale } from "../ui/mini-plan.tsx";
import { Strokes } from "../ui/strokes.tsx";
import type { Frame, Replay as ReplayOf } from "./replay.server.ts";

/** How long a moment is shown while a go plays by itself, milliseconds. */
const A_MOMENT = 900;
const clock = (ms: number) => `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, "0")}`;

/** A go played again on its own plan, moment by moment. */
export default function Replay({ assignment, go, child }: { assignment: string; go: string; child: string }) {
  const fetcher = useFetcher<ReplayOf>();
  const asked = useRef(false);
  useEffect(() => {
    if (asked.current) return;
    asked.current = true;
    void fetcher.load(`/results/${assignment}/goes/${go}`);
  }, [fetcher, assignment, go]);
  const replay = fetcher.data;
  if (!replay) return <div className="skeleton h-48 max-w-3xl" role="status" aria-label="Loading the go" />;
  if (replay.frames.length === 0) return <p className="text-quiet">This go has no record to replay.</p>;
  return <Moments replay={replay} child={child} />;
}

function Moments({ replay, child }: { replay: ReplayOf; child: string }) {
  const { frames } = replay;
  const [at, setAt] = useState(frames.length - 1);
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => setAt((now) => Math.min(now + 1, frames.length - 1)), A_MOMENT);
    return () => clearInterval(timer);
  }, [playing, frames.length]);
  const over = at === frames.length - 1;
  useEffect(() => {
    if (over) setPlaying(false);
  }, [over]);
  const frame = frames[at]!;
  const step = (by: number) => {
    setPlaying(false);
    setAt(Math.max(0, Math.min(frames.length - 1, at + by)));
  };
  return (
    <section
      aria-label={`${child}'s go, moment by moment`}
      className="grid max-w-4xl gap-3 sm:grid-cols-[minmax(0,26rem)_1fr]"
    >
      <Picture replay={replay} frames={frames} at={at} />
      <div className="grid content-start gap-2">
        <p className="flex flex-wrap gap-1.5">
          <Button size="small" look="quiet" onClick={() => step(-1)} disabled={at === 0}>
            <ChevronLeft size={16} aria-hidden="true" /> Back
          </Button>
          <Button
            size="small"
            onClick={() => {
              if (over) setAt(0);
              setPlaying(!playing);
            }}
          >
            {playing ? <Pause size={15} aria-hidden="true" /> : <PlayIcon size={15} aria-hidden="true" />}
            {playing ? "Pause" : "Play"}
          </Button>
          <Button size="small" look="quiet" onClick={() => step(1)} disabled={over}>
            Next <ChevronRight size={16} aria-hidden="true" />
          </Button>
        </p>
        <p aria-live="polite">
          <strong>
            {at + 1} of {frames.length}
          </strong>
          , at {clock(frame.at)}: {frame.text}
        </p>
        <p className="text-sm text-quiet">Score then: {frame.score}</p>
        <ol className="flex flex-wrap gap-1 text-sm" aria-label="Moments">
          {frames.map((each, i) => (
            <li key={`${each.at} ${i + 1}`}>
              <button
                type="button"
                aria-label={`Moment ${i + 1}: ${each.text}`}
                aria-current={i === at ? "step" : undefined}
                className={`grid size-6 place-items-center rounded-sm border ${i === at ? "border-2 border-ink font-bold" : "border-hair"} ${each.hit ? "text-teal" : each.hit === false ? "text-coral-ink" : "text-quiet"}`}
                onClick={() => {
                  setPlaying(false);
                  setAt(i);
                }}
              >
                <span aria-hidden="true">{each.hit ? "✓" : each.hit === false ? "×" : "·"}</span>
              </button>
            </li>
          ))}
        </ol>
      </div>
    </section>
  );
}

/** The layout with what was aimed at now, and how often each part was hit so far. */
function Picture({ replay, frames, at }: { replay: ReplayOf; frames: readonly Frame[]; at: number }) {
  const { k, x, y } = planScale(replay.space);
  const lit = frames[at]!.part;
  return (
    <svg viewBox="0 0 240 100" className="block w-full" aria-hidden="true">
      <rect width="240" height="100" rx="4" fill="var(--color-court)" />
      <Strokes
        list={replay.strokes}
        to={(place) => [x(place.along), y(place.across)]}
        k={k}
        lit={(id) => id === lit || (lit === null && replay.starts.includes(id))}
        least={replay.crowded ? 12 : 22}
        most={22}
      />
    </svg>
  );
}
