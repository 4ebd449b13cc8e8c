import { useEffect, useMemo, useRef, useState } from "react";
import { Form, type ShouldRevalidateFunction, useSearchParams } from "react-router";
import type { Action } from "#core/actions/actions.ts";
import type { Unit } from "#core/contract/contract.ts";
import { opened } from "#core/formats/opened.ts";
import { type Seen, seenAt } from "#core/rehearsal/at.ts";
import type { Rehearsing } from "#core/rehearsal/rehearsal.ts";
import { rehearsalFor } from "#server/activities/rehearsal.ts";
import { schoolItemsFor } from "#server/kit/items.ts";
import { classesFor } from "#server/school/classes.ts";
import { tell } from "#words/tell.ts";
import { found, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { searchOf } from "../read.server.ts";
import { Beside } from "../rehearsal/beside.tsx";
import { Detail } from "../rehearsal/detail.tsx";
import { movingNext } from "../rehearsal/pace.ts";
import { drawSeen, Tile } from "../rehearsal/tile.tsx";
import { useForeseen, useGoes } from "../rehearsal/use-rehearsal.ts";
import { useStill } from "../rehearsal/use-still.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { SelectField, TextField } from "../ui/field.tsx";
import { Options } from "../ui/options.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import type { Route } from "./+types/rehearsal";

/** How many times as fast the clock can run. */
const SPEEDS = [1, 5, 20, 60] as const;
const MAX_SEED = 9999;
/**
 * How often the words under the pictures change, and how often the number of moving pictures is adjusted,
 * milliseconds.
 */
const WORDS_EVERY = 250;
const PACE_EVERY = 2000;

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `Trial run of ${d?.title ?? "?"} · Daring Yard` }];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const search = searchOf(request);
  const id = idOf(params.id, "activity");
  const classes = await classesFor(who);
  const asked = classes.find((row) => row.id === search.get("class")) ?? classes[0];
  const [made, items] = await Promise.all([asked ? found(rehearsalFor(who, id, asked.id)) : null, schoolItemsFor(who)]);
  return {
    id,
    classId: asked?.id ?? null,
    classes: classes.map((row) => ({ id: row.id, name: row.name })),
    title: made?.title ?? "",
    className: made?.className ?? "",
    children: made?.children ?? [],
    items,
  };
}

/** Another draw needs no request, because the cards are the same. */
export const shouldRevalidate: ShouldRevalidateFunction = ({ currentUrl, nextUrl }) =>
  withoutDraw(currentUrl) !== withoutDraw(nextUrl);
const withoutDraw = ({ href }: URL) => href.replace(/[?&]seed=[^&]*/, "");

export default function RehearsalPage({ loaderData: d }: Route.ComponentProps) {
  const [search] = useSearchParams();
  const seed = Math.min(MAX_SEED, Math.max(1, Math.floor(Number(search.get("seed"))) || 1));
  return (
    <OwnDrawings.Provider value={drawingsOf(d.items.own)}>
      <Page>
        <PageHead
          above={{ to: `/activities/${d.id}?station=send`, name: d.title || "the activity" }}
          title="Trial run"
          about={`${d.className}. ${tell("rehearsal.what")}`}
        />
        <Form className="mb-4 flex flex-wrap items-end gap-4">
          <SelectField label="Class" name="class" defaultValue={d.classId ?? undefined}>
            <Options of={d.classes} />
          </SelectField>
          <TextField
            key={seed}
            label="Run number"
            hint={`1–${MAX_SEED}`}
            name="seed"
            type="number"
            min={1}
            max={MAX_SEED}
            defaultValue={seed}
            className="w-28"
            required
          />
          <Button type="submit">Run</Button>
          <ButtonLink to={`?class=${d.classId}&seed=${(seed % MAX_SEED) + 1}`} preventScrollReset look="quiet">
            New run
          </ButtonLink>
        </Form>
        {d.children.length === 0 ? (
          <p className="note">{tell("rehearsal.nobody")}</p>
        ) : (
          <Rehearsed key={`${d.id} ${d.classId}`} kids={d.children} seed={seed} />
        )}
        <noscript>
          <p className="note">{tell("rehearsal.script")}</p>
        </noscript>
      </Page>
    </OwnDrawings.Provider>
  );
}

type Kids = Route.ComponentProps["loaderData"]["children"];

/** A class with its cards. The forecast of each card is worked out once for all draws. */
function Rehearsed({ kids, seed }: { kids: Kids; seed: number }) {
  const rehearsing = useMemo(
    () => kids.map(({ activity, age, self, known }): Rehearsing => ({ activity, age, self, known })),
    [kids],
  );
  const foreseen = useForeseen(rehearsing);
  return <Played key={seed} kids={kids} rehearsing={rehearsing} foreseen={foreseen} seed={seed} />;
}

/** One draw for the whole class, from the first attempt to the last. */
function Played({
  kids: children,
  rehearsing,
  foreseen,
  seed,
}: {
  kids: Kids;
  rehearsing: readonly Rehearsing[];
  foreseen: ReturnType<typeof useForeseen>;
  seed: number;
}) {
  const { goes, failed } = useGoes(rehearsing, seed);
  const still = useStill();
  const ready = goes.length === children.length && goes.every((go) => go !== null);
  const end = Math.max(0, ...goes.map((go) => (go ? go.go.seconds * 1000 : 0)));
  const [speed, setSpeed] = useState<number>(20);
  const [playing, setPlaying] = useState(true);
  const [ms, setMs] = useState(0);
  const [picked, setPicked] = useState<number | null>(null);
  const [stopped, setStopped] = useState<Readonly<Record<number, number>>>({});
  const [most, setMost] = useState(children.length);
  const canvases = useRef<(HTMLCanvasElement | null)[]>([]);
  const time = useRef(0);

  useEffect(() => {
    if (!ready || still || !playing) return;
    let [last, worded, frames, since] = [performance.now(), 0, 0, performance.now()];
    let asked = 0;
    // A page that was hidden rendered nothing in the meantime, which does not mean that the device is slow.
    const seenAgain = () => {
      [frames, since] = [0, performance.now()];
    };
    document.addEventListener("visibilitychange", seenAgain);
    const frame = (now: number) => {
      time.current = Math.min(end, time.current + (now - last) * speed);
      last = now;
      for (const [i, canvas] of canvases.current.entries()) {
        const run = goes[i];
        if (canvas && run) drawSeen(canvas, seenAt(run, stopped[i] ?? time.current), children[i]!.activity.space);
      }
      frames++;
      if (now - worded > WORDS_EVERY) {
        worded = now;
        setMs(time.current);
      }
      // If the device cannot keep up, fewer pictures move. The others continue in words.
      if (now - since > PACE_EVERY) {
        const rate = (1000 * frames) / (now - since);
        setMost((count) => movingNext(count, goes.length, rate));
        [frames, since] = [0, now];
      }
      if (time.current >= end) {
        setMs(end);
        setPlaying(false);
        return;
      }
      asked = requestAnimationFrame(frame);
    };
    asked = requestAnimationFrame(frame);
    return () => {
      cancelAnimationFrame(asked);
      document.removeEventListener("visibilitychange", seenAgain);
    };
  }, [ready, still, playing, speed, end, goes, children, stopped]);
  // While the draw is stopped, the pictures show that moment.
  useEffect(() => {
    for (const [i, canvas] of canvases.current.entries()) {
      const run = goes[i];
      if (canvas && run) drawSeen(canvas, seenAt(run, stopped[i] ?? ms), children[i]!.activity.space);
    }
  }, [goes, stopped, ms, children]);

  if (failed) return <p className="problem">{tell("rehearsal.failed")}</p>;
  if (!ready)
    return (
      <p role="status" className="note">
        {tell("rehearsal.drawing", { n: goes.filter((go) => go !== null).length, of: children.length })}
      </p>
    );
  const over = still || ms >= end;
  const seen = goes.map((go, i) => seenAt(go!, stopped[i] ?? (over ? end : ms)));
  const finished = goes.filter((go, i) => go!.go.finished && (over || seen[i]!.doing === "done")).length;
  // Games that ended without being finished, because the attempts or the time ran out.
  const short = seen.filter((eachSeen, i) => (over || eachSeen.doing === "done") && !goes[i]!.go.finished).length;
  const stuck = seen.filter((eachSeen) => eachSeen.stuck && (over || eachSeen.doing !== "done")).length;
  const waits = seen.filter((eachSeen) => eachSeen.doing === "waits").length;
  const unit = opened(children[0]!.activity).possible.unit;
  const { action } = children[0]!.activity.aim;
  const seek = (to: number) => {
    time.current = to;
    setMs(to);
  };
  return (
    <>
      {!still && (
        <Controls
          ms={ms}
          end={end}
          seek={seek}
          setPlaying={setPlaying}
          playing={playing}
          speed={speed}
          setSpeed={setSpeed}
        />
      )}
      <p role="status" className="mb-3 font-semibold">
        {tell("rehearsal.now", { finished, short, stuck, waits, of: children.length })}
        {most < children.length && ` ${tell("rehearsal.fewer", { n: most, of: children.length })}`}
      </p>
      {!still && (
        <div className="mb-6 grid items-start gap-4 lg:grid-cols-[1fr_20rem]">
          <Tiles
            kids={children}
            seen={seen}
            unit={unit}
            action={action}
            picked={picked}
            setPicked={setPicked}
            most={most}
            canvases={canvases}
          />
          {picked === null ? (
            <p className="text-quiet">{tell("rehearsal.pick")}</p>
          ) : (
            <Detail
              of={children[picked]!}
              run={goes[picked]!}
              ms={Math.min(stopped[picked] ?? ms, goes[picked]!.go.seconds * 1000)}
              stopped={picked in stopped}
              stopAt={(at) => setStopped({ ...stopped, [picked]: at })}
              goOn={() =>
                setStopped(Object.fromEntries(Object.entries(stopped).filter(([key]) => Number(key) !== picked)))
              }
            />
          )}
        </div>
      )}
      {over ? (
        <>
          <h2 className="text-2xl">Compared with the forecast</h2>
          <Together goes={goes.map((go) => go!.go)} foreseen={foreseen} />
          <Beside kids={children} goes={goes} foreseen={foreseen} unit={unit} action={action} />
        </>
      ) : null}
    </>
  );
}

/**
 * The whole class in two sentences: how many finish and how many lie in the range of success, in this draw and by the
 * forecast.
 */
function Together({
  goes,
  foreseen,
}: {
  goes: readonly { value: number; finished: boolean }[];
  foreseen: ReturnType<typeof useForeseen>;
}) {
  const known = foreseen.filter((eachForeseen) => eachForeseen !== null);
  if (known.length < goes.length)
    return (
      <p role="status" className="mb-3 text-quiet">
        {tell("rehearsal.foreseeing", { n: known.length, of: goes.length })}
      </p>
    );
  const inside = goes.filter((go, i) => go.value >= known[i]!.low && go.value <= known[i]!.high).length;
  return (
    <p className="mb-3">
      {tell("rehearsal.finish", {
        n: goes.filter((go) => go.finished).length,
        of: goes.length,
        about: Math.round(known.reduce((sum, f) => sum + f.finish, 0)),
      })}{" "}
      {tell("rehearsal.inside", { n: inside, of: goes.length })}
    </p>
  );
}

/** Controls for the trial run: play, pause, position and speed. */
const Controls = ({
  ms,
  end,
  seek,
  setPlaying,
  playing,
  speed,
  setSpeed,
}: {
  ms: number;
  end: number;
  seek: (to: number) => void;
  setPlaying: (value: boolean) => void;
  playing: boolean;
  speed: number;
  setSpeed: (value: number) => void;
}) => (
  <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
    <Button
      look="main"
      className="w-40"
      onClick={() => {
        if (ms >= end) seek(0);
        setPlaying(!playing);
      }}
    >
      {playing ? "Pause" : ms >= end ? "From the start" : "Go on"}
    </Button>
    <fieldset className="flex items-center gap-3">
      <legend className="sr-only">Speed</legend>
      {SPEEDS.map((eachSpeed) => (
        <label key={eachSpeed} className="flex items-center gap-1.5">
          <input type="radio" name="speed" checked={speed === eachSpeed} onChange={() => setSpeed(eachSpeed)} />
          {tell("rehearsal.speed", { n: eachSpeed })}
        </label>
      ))}
    </fieldset>
    <label className="flex flex-1 items-center gap-2">
      <span className="whitespace-nowrap text-sm text-quiet">
        {tell("rehearsal.time", { now: (ms / 60_000).toFixed(1), end: (end / 60_000).toFixed(1) })}
      </span>
      <input
        type="range"
        aria-label="Time"
        className="min-w-32 flex-1 accent-teal"
        min={0}
        max={end}
        step={100}
        value={ms}
        onChange={(event) => seek(Number(event.target.value))}
      />
    </label>
    <Button
      look="quiet"
      size="small"
      onClick={() => {
        setPlaying(false);
        seek(end);
      }}
    >
      Skip to the end
    </Button>
  </div>
);

/** Shows each child's progress in the trial run. One child can be picked. */
const Tiles = ({
  kids: children,
  seen,
  unit,
  action,
  picked,
  setPicked,
  most,
  canvases,
}: {
  kids: Kids;
  seen: readonly Seen[];
  unit: Unit;
  action: Action;
  picked: number | null;
  setPicked: (value: number | null) => void;
  most: number;
  canvases: React.RefObject<(HTMLCanvasElement | null)[]>;
}) => (
  <ul className="grid grid-cols-2 gap-1 sm:grid-cols-3 xl:grid-cols-5">
    {children.map((child, i) => (
      <li key={child.id}>
        <Tile
          of={child}
          seen={seen[i]!}
          unit={unit}
          action={action}
          picked={picked === i}
          onPick={() => setPicked(picked === i ? null : i)}
          moving={i < most || picked === i}
          ref={(element) => {
            canvases.current[i] = element;
          }}
        />
      </li>
    ))}
  </ul>
);
