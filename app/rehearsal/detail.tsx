import type { GameEvent } from "#core/events/events.ts";
import { layoutOf } from "#core/forecast/for-activity.ts";
import { lastBefore, nextAfter, type Run } from "#core/rehearsal/at.ts";
import type { Moment } from "#core/rehearsal/rehearsal.ts";
import type { RehearsalChild } from "#server/activities/rehearsal.ts";
import { say, sayWorking } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { labelAmong, seenText } from "../family/play/seen.ts";
import { Button } from "../ui/button.tsx";

/** What is shown of a go's latest things. */
const LATEST = 8;
const clock = (ms: number) => `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, "0")}`;

/** What has words of its own and is not seen of a send. */
const TOLD = ["ready", "bell", "task", "mix", "swap", "stand"] as const;
function wordsOf({ body }: Moment, label: (id: string) => string): string {
  if (body.kind === "count") return say(body.drop ? "play.dropped" : "play.counted", { count: body.n });
  const own = body.kind === "arrange" ? "set" : TOLD.find((key) => key === body.kind);
  return seenText({ ...body, at: 0 } as GameEvent, label) ?? tell(`rehearsal.event.${own ?? "on"}`);
}

/** One child's go, stopped, and gone through thing by thing. */
export function Detail({
  of: rehearsalChild,
  run,
  ms,
  stopped,
  stopAt,
  goOn,
}: {
  of: RehearsalChild;
  run: Run;
  ms: number;
  stopped: boolean;
  stopAt: (ms: number) => void;
  goOn: () => void;
}) {
  const { moments } = run.go;
  const label = labelAmong(layoutOf(rehearsalChild.activity));
  const past = moments.filter((moment) => moment.at <= ms + 0.5);
  return (
    <section aria-label={tell("rehearsal.of", { name: rehearsalChild.name })} className="note">
      <h2 className="text-xl">{tell("rehearsal.of", { name: rehearsalChild.name })}</h2>
      <p className="text-sm text-quiet">
        {tell("rehearsal.at", { at: clock(ms), end: clock(run.go.seconds * 1000), n: past.length, of: moments.length })}
      </p>
      <p className="my-2 flex flex-wrap gap-2">
        <Button size="small" onClick={() => stopAt(lastBefore(moments, ms))}>
          Step back
        </Button>
        <Button size="small" onClick={() => stopAt(nextAfter(moments, ms))}>
          Step on
        </Button>
        <Button look="quiet" size="small" onClick={() => (stopped ? goOn() : stopAt(ms))}>
          {stopped ? "Carry on with the others" : "Pause this one"}
        </Button>
      </p>
      <ol className="grid gap-0.5 text-sm" aria-live="polite">
        {past.slice(-LATEST).map((moment, i) => (
          <li key={`${moment.from} ${past.length - LATEST + i}`} className="row-line flex gap-3 py-0.5">
            <span className="w-10 text-quiet">{clock(moment.at)}</span>
            <span className="flex-1">{wordsOf(moment, label)}</span>
            <span className="font-semibold">{sayWorking(moment.score)}</span>
          </li>
        ))}
        {past.length === 0 && <li className="text-quiet">{tell("rehearsal.nothing")}</li>}
      </ol>
    </section>
  );
}
