import { Suspense, useEffect, useRef } from "react";
import type { AnyPlayPattern, Unit } from "#core/contract/contract.ts";
import { levelPromptOf } from "#core/levels/level-prompt.ts";
import { settingOf } from "#core/records/rank.ts";
import { say, sayList, sayPhrase, sayScore } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData, Step } from "../card/card-data.ts";
import type { OwnCard } from "../card/own-card.ts";
import { useHeading } from "../card/use-heading.ts";
import { guardSecondTaps } from "../device/second-tap.ts";
import { changePlay, dropPractice, type LocalPlay } from "../device/store.ts";
import { Big } from "../inputs/big.tsx";
import { chunk } from "../inputs/chunk.ts";
import { Inputs } from "../inputs/inputs.tsx";
import { YardMap } from "../screens/yard-map.tsx";
import { Clock } from "./clock.tsx";
import { Finished } from "./finished.tsx";
import { Heading } from "./heading.tsx";
import { markOf } from "./mark.ts";
import { type Scene, sceneOf } from "./scene.ts";
import { Scores } from "./scores.tsx";
import type { PlaySession, Snapshot } from "./session.ts";
import { sound } from "./sounds.ts";
import { Toolbar } from "./toolbar.tsx";
import { useSession } from "./use-session.ts";

/** Panels that are seldom needed are loaded separately. */
const CallCode = chunk(async () => ({ default: (await import("./call.tsx")).CallCode }));
const CompanyPanel = chunk(async () => ({ default: (await import("./company.tsx")).CompanyPanel }));
const FixPanel = chunk(async () => ({ default: (await import("./fix-panel.tsx")).FixPanel }));
const StorageTrouble = chunk(async () => ({ default: (await import("./storage-trouble.tsx")).StorageTrouble }));
const SwapInPlay = chunk(async () => ({ default: (await import("./swap-in-play.tsx")).SwapInPlay }));
const loading = <p role="status">{say("play.loading")}</p>;

interface Props {
  data: CardData;
  pattern: AnyPlayPattern;
  own: OwnCard;
  local: LocalPlay;
  again: () => Promise<void>;
  go: (to: Step) => void;
  /** What a teacher who is trying the game out can do with the score. */
  tried?: (score: { value: number; unit: Unit }) => React.ReactNode;
}

/** The shell of every game: what to do now, the score and how it adds up, the clock, the inputs, undo. */
export function Board(props: Props) {
  const { data, pattern, local, again } = props;
  const [session, snapshot] = useSession({ local, data, pattern, again });
  useEffect(guardSecondTaps, []);
  useHeading(snapshot?.view.done ? "over" : (snapshot?.panel ?? "play"));
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || event.ctrlKey || event.metaKey) return;
      if (event.key === "u") session.act({ kind: "undo" });
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [session]);
  if (!snapshot) return <p className="p-6 text-lg">{say("play.loading")}</p>;
  if (snapshot.trouble === "otherTab") return <OtherTab />;
  if (snapshot.trouble === "full")
    return (
      <Suspense fallback={loading}>
        <StorageTrouble data={data} local={local} play={snapshot.play} saving={session.saving} />
      </Suspense>
    );
  if (snapshot.view.done) return <Over {...props} session={session} snapshot={snapshot} />;
  return <Playing {...props} session={session} snapshot={snapshot} />;
}

function OtherTab() {
  return (
    <div className="grid content-start gap-4 p-6 text-lg">
      <p role="alert">{say("play.otherTab")}</p>
      <button type="button" className="btn border-chalk text-chalk" onClick={() => location.reload()}>
        {say("play.tryAgain")}
      </button>
    </div>
  );
}

type Shown = Props & { session: PlaySession; snapshot: Snapshot };

/** The end of a go: the score, who won, and what comes next. */
function Over({ data, local, again, go, tried, session, snapshot: { play, view } }: Shown) {
  const winners = view.ending?.winners.flatMap((winner) => view.score[winner]!.players.map(session.nameOf)) ?? [];
  const tie = (view.ending?.winners.length ?? 0) > 1;
  const won = tie
    ? say("play.tie", { names: sayList(winners) })
    : say("play.winner", { names: sayList(winners), count: winners.length });
  const practised = async () => {
    session.flush();
    await session.saving.settled();
    await dropPractice(local.id);
    await again();
  };
  const handIn = async () => {
    session.flush();
    if (!(await session.saving.settled())) return;
    // If the device is full at the very last step, the go is handed in from memory.
    await changePlay(local.id, { done: true }).catch(async () => {
      await session.saving.playOn();
      await changePlay(local.id, { done: true });
    });
    await again();
    go("handin");
  };
  return (
    <Finished
      data={data}
      local={local}
      play={play}
      line={
        view.done === "stopped"
          ? say("play.stopped")
          : sayPhrase(view.ending!.reason, {}, attemptWords(data.card.activity.aim.action))
      }
      winners={winners.length === 0 ? null : won}
      undo={() => session.act({ kind: "undo" })}
      {...(tried && { tried })}
      practised={practised}
      handIn={handIn}
      name={session.nameOf}
    />
  );
}

/** A go in progress: the picture at the top, the inputs below it, undo at the edge. */
function Playing(props: Shown) {
  const { data, pattern, local, session, snapshot } = props;
  const { view, panel } = snapshot;
  // Targets keep their places on the screen to the end of the go.
  const places = useRef<readonly string[]>([]);
  const { places: kept, ...scene } = sceneOf(view, { data, pattern, places: places.current, mending: panel === "fix" });
  places.current = kept;
  const attempt = attemptWords(data.card.activity.aim.action);
  const several = local.setup.players > 1;
  const sideNames = (side: number) => {
    const names = sayList(view.score[side]!.players.map(session.nameOf));
    return view.out.includes(side) ? `${names}: ${say("play.leftSide")}` : names;
  };
  const { unit } = view.score[view.side]!;
  // Scores can only be compared with goes that were played with the same settings.
  const best = !local.decided?.bare && data.best && settingOf(data.best) === settingOf(view) ? data.best : null;
  const mark = settingOf(view) === "" ? markOf(pattern, data, local) : null;
  return (
    <div className="flex grow flex-col flat:grid flat:grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)] flat:grid-rows-[auto_minmax(0,1fr)]">
      <div className="mx-auto flex w-full max-w-lg flex-wrap justify-end gap-x-2 px-4 pt-1">
        <Heading
          snapshot={snapshot}
          scene={scene}
          data={data}
          practice={local.practice === true}
          turn={several ? session.nameOf(view.player) : null}
        />
        {!view.paused && <Clock session={session} view={view} />}
      </div>
      <div
        className={`mx-auto flex w-full max-w-lg grow items-center gap-2 px-4 large:grow-0 large:items-start large:justify-start flat:col-start-1 flat:items-start ${view.paused ? "" : "large:-mt-11"}`}
      >
        <Picture scene={scene} done={view.doneParts} />
        <Scores
          view={view}
          scene={scene}
          attempt={attempt}
          sideNames={several ? sideNames : null}
          best={best && sayScore(best.value, best.unit, attempt)}
          mark={mark === null ? null : sayScore(mark, unit, attempt)}
          hidden={local.adds === true}
        >
          {local.call && (
            <Suspense>
              <CallCode view={view} />
            </Suspense>
          )}
        </Scores>
      </div>
      <div className="mt-2 flex flex-col rounded-t-2xl bg-page p-3 pb-2.5 text-ink short:mt-1 short:p-2 short:pb-1.5 flat:col-start-2 flat:row-span-2 flat:row-start-1 flat:mt-0 flat:rounded-none">
        <div className="mx-auto flex w-full max-w-lg grow flex-col gap-2.5 short:gap-1.5">
          <Suspense fallback={loading}>
            <OpenPanel {...props} places={kept} />
          </Suspense>
        </div>
      </div>
      <Toolbar
        session={session}
        snapshot={snapshot}
        canSwap={data.card.making !== undefined && data.card.needs.pieces > 0}
        attempt={attempt}
      />
    </div>
  );
}

/** The yard as the child sees it. An input that is drawn as the floor lies replaces it. */
function Picture({ scene, done }: { scene: Scene; done: readonly string[] }) {
  if (scene.onFloor) return <div className="grow large:hidden" />;
  return (
    <div className="min-w-0 grow short:hidden">
      <YardMap
        parts={scene.parts}
        width={scene.crowded ? 210 : 240}
        height={scene.crowded ? 230 : 275}
        marks={{ now: scene.now, done, pieces: scene.pieces }}
        label={scene.doNow}
      />
    </div>
  );
}

/** The panel under the picture: the inputs, a change to an earlier attempt, another object, or the pause. */
function OpenPanel({ data, own, session, snapshot, places }: Shown & { places: readonly string[] }) {
  const { play, view, panel } = snapshot;
  const close = () => session.show("play");
  if (panel === "swap")
    return (
      <SwapInPlay
        data={data}
        own={own}
        is={view.objects.send ?? data.card.activity.kit.send}
        act={session.act}
        close={close}
      />
    );
  if (panel === "fix")
    return <FixPanel play={play} data={data} act={session.act} name={session.nameOf} close={close} />;
  if (!view.paused)
    return (
      <Inputs
        asks={view.asks}
        now={view.now.key}
        data={data}
        act={session.act}
        sound={sound}
        name={session.nameOf}
        places={places}
        nudge={data.card.ladder ? levelPromptOf(play, data.card.ladder) : null}
      />
    );
  return (
    <>
      <p className="text-lg font-semibold">{say("play.paused")}</p>
      <Big text={say("play.goOn")} press={() => session.act({ kind: "goOn" })} />
      <CompanyPanel
        play={play}
        act={session.act}
        name={session.nameOf}
        joins={(side, called) => void session.join(side, called)}
      />
    </>
  );
}
