import { Pause } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { type AimKind, type Ask, askOf, mainAsks } from "#core/asks/ask.ts";
import { type AnyPattern, isRefusal, type Unit } from "#core/contract/contract.ts";
import { matchSettingsOf } from "#core/contract/match-settings.ts";
import { hasField, withSetting } from "#core/contract/settings.ts";
import { TARGETS_FIELD } from "#core/contract/standing.ts";
import type { PlayEvent } from "#core/events/events.ts";
import { extraObjectIndex, extraObjects } from "#core/kit/extra-objects.ts";
import { levelPromptOf } from "#core/levels/level-prompt.ts";
import { settingOf } from "#core/records/rank.ts";
import { bellAt, type Play, referee, replayOf, stateOf, type View, view } from "#core/referee/play.ts";
import type { Part } from "#core/yard/parts.ts";
import { countedIn, itemName, namesOf, say, sayList, sayPhrase, sayScore, sayWorking } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import { CallCode } from "./call.tsx";
import type { CardData, Step } from "./card-data.ts";
import { CompanyPanel } from "./company.tsx";
import type { SetValues } from "./family-set.tsx";
import { Finished, markOf } from "./finished.tsx";
import { FixPanel } from "./fix-panel.tsx";
import { Big } from "./inputs/big.tsx";
import { Inputs } from "./inputs/inputs.tsx";
import { piecesIn } from "./inputs/zones.tsx";
import type { OwnCard } from "./own-card.ts";
import { lineText } from "./own-line.tsx";
import { sinceStart } from "./play-clock.ts";
import { guardSecondTaps } from "./second-tap.ts";
import { heard } from "./seen.ts";
import { StorageTrouble } from "./storage-trouble.tsx";
import { changePlay, dropPractice, eventsOf, type LocalPlay } from "./store.ts";
import { SwapInPlay } from "./swap-in-play.tsx";
import { speak, useClockHeard, useElapsed, useSound, useWakeLock } from "./use-device.ts";
import { useHeading } from "./use-heading.ts";
import { useWrites } from "./use-writes.ts";
import { YardMap } from "./yard-map.tsx";

/** Taps so close together are one run, milliseconds; and so many at most, so that undo never takes back much. */
const RUN_PAUSE = 600;
const MAX_IN_RUN = 5;
interface Run {
  before: Play;
  event: Extract<PlayEvent, { kind: "count" }>;
  timer: number;
}

/** Whether what is asked is told on a picture of the floor. */
const ON_FLOOR = new Set(["zones", "cells", "fall", "near"]);
/** What is no send of one side, or no longer called one. */
const UNCOUNTED: ReadonlySet<AimKind> = new Set(["point", "goal", "bat"]);
const isFloor = (ask: Ask): boolean =>
  (ask.kind === "choose" && (!ask.must || ask.does !== undefined || ask.of === "lift")) ||
  ask.kind === "arrange" ||
  ask.kind === "mix" ||
  ask.kind === "swap" ||
  (ask.kind === "send" && ON_FLOOR.has(ask.aim.kind));

/** What of a game is set, with what the family changed of it. */
function settled(game: { params: unknown; match: CardData["card"]["activity"]["match"] }, set: SetValues) {
  const fields = Object.entries(set).filter(([field]) => hasField(game, field));
  const now = fields.reduce((g, [field, value]) => withSetting(g, { field, value }), game);
  return [now.params, now.match] as const;
}

/** Which parts a game has does not depend on the space. */
const SOMEWHERE = { length: 60, width: 60 };

/** The parts of a card without the targets that are not played. */
function playedOf(pattern: AnyPattern, parts: readonly Part[], all: unknown, some: unknown): Part[] {
  const ids = (params: unknown) => new Set(pattern.ground.parts(params, SOMEWHERE).map((part) => part.id));
  const [known, played] = [ids(all), ids(some)];
  return parts.filter((part) => played.has(part.id) || !known.has(part.id));
}

/** Added to a sentence that comes twice in a row: screen readers announce only what has changed. */
const AGAIN = "\u00a0";
/** A sentence that is read out each time it is said, the same one too. */
function useSaid() {
  const [said, set] = useState("");
  const say = useCallback(
    (text: string) => set((before) => (text !== "" && before === text ? text + AGAIN : text)),
    [],
  );
  return [said, say] as const;
}

/** The shell of every game: whose turn, what to do, the score with its sum, the clock, the inputs, undo. */
export function Board({
  data,
  pattern,
  own,
  local,
  again,
  go,
  tried,
}: {
  data: CardData;
  pattern: AnyPattern;
  own: OwnCard;
  local: LocalPlay;
  again: () => Promise<void>;
  go: (to: Step) => void;
  /** What a teacher who only tries the game out can do with the score. */
  tried?: (score: { value: number; unit: Unit }) => React.ReactNode;
}) {
  const { params } = data.card.activity.pattern;
  const attempt = useMemo(() => attemptWords(data.card.activity.aim.action), [data.card.activity.aim.action]);
  const [play, show] = useState<Play | null>(null);
  // Two taps can come before the screen is drawn again: each builds on the one before, not on what is shown.
  const latest = useRef<Play | null>(null);
  const setPlay = useCallback((givenPlay: Play) => {
    latest.current = givenPlay;
    show(givenPlay);
  }, []);
  const [told, setTold] = useSaid();
  // What is read out: what was seen, the score, whose turn. The screen shows it already.
  const [said, setSaid] = useSaid();
  useEffect(guardSecondTaps, []);
  const [fixing, setFixing] = useState(false);
  const [swapping, setSwapping] = useState(false);
  const writes = useWrites(local, data, again);
  const { write, trouble } = writes;
  const stopped = useRef(false);
  stopped.current = trouble === "full";
  const name = useCallback((i: number) => local.names[i] ?? say("play.player", { number: i + 1 }), [local.names]);
  const sound = useSound();
  const awake = useWakeLock();

  // Once for each go: what is read back later is what this tab itself has written.
  // biome-ignore lint/correctness/useExhaustiveDependencies: setup and pattern belong to the go and never change
  useEffect(() => {
    void eventsOf(local.id).then((events) => {
      const record = events.map((event) => event.event);
      setPlay(
        replayOf(pattern, { params, ...matchSettingsOf(data.card.activity) }, local.setup, record, local.rulesVersion)
          .play,
      );
    });
  }, [local.id]);

  /** Taps that follow each other quickly are one event with a number: written once nothing more comes. */
  const run = useRef<Run | null>(null);
  const flush = useCallback(() => {
    const current = run.current;
    if (!current) return;
    clearTimeout(current.timer);
    run.current = null;
    write(current.before.record.length, current.event, null);
  }, [write]);
  useEffect(() => {
    addEventListener("pagehide", flush);
    return () => {
      removeEventListener("pagehide", flush);
      flush();
    };
  }, [flush]);

  const act = useCallback(
    (body: Record<string, unknown> & { kind: string }, at?: number) => {
      if (!latest.current) return;
      // What could not be kept stops the game at once: nothing more happens in it but that its clock stands still.
      if (stopped.current && body.kind !== "pause") return;
      const hear = (event: PlayEvent, views: { before: View; after: View }) =>
        heard(event, views, data, {
          name,
          attempt,
          silent: local.adds === true,
        });
      const now = Math.round(sinceStart(local, latest.current.record.at(-1)?.at ?? 0));
      const current = run.current;
      if (
        current &&
        body.kind === "count" &&
        body.n === 1 &&
        body.by === current.event.by &&
        current.event.n < MAX_IN_RUN
      ) {
        const due = bellAt(view(current.before));
        const event = { ...current.event, n: current.event.n + 1 };
        const more = due === null || now <= due ? referee(current.before, event) : null;
        if (more && !isRefusal(more)) {
          clearTimeout(current.timer);
          run.current = { before: current.before, event, timer: window.setTimeout(flush, RUN_PAUSE) };
          setSaid(hear(event, { before: view(current.before), after: view(more) }));
          setPlay(more);
          return;
        }
      }
      flush();
      const before = latest.current;
      const seq = before.record.length;
      const last = before.record[seq - 1]?.at ?? 0;
      const event = { ...body, at: at ?? Math.max(last, now) } as PlayEvent;
      const after = referee(before, event);
      if (isRefusal(after)) {
        setTold(sayPhrase(after.refused, {}, attempt));
        return;
      }
      setTold(
        event.kind === "object"
          ? say("play.swapped", { item: itemName(event.item, namesOf(data.card.making?.items.own ?? [])) })
          : event.kind === "again"
            ? say("play.footAgain")
            : event.kind === "dispute"
              ? say(`play.disputed.${data.card.activity.match.calls === "looks" ? "looks" : "agreed"}`)
              : event.kind === "leave"
                ? say("play.left", { name: name(event.who) })
                : event.kind === "join"
                  ? say("play.joined", { name: name(before.setup.players) })
                  : event.kind === "carry"
                    ? say("play.carried")
                    : event.kind === "bell"
                      ? say("play.bell")
                      : "",
      );
      const views = { before: view(before), after: view(after) };
      setSaid(hear(event, views));
      setFixing(false);
      setSwapping(false);
      setPlay(after);
      if (event.kind === "count" && event.n === 1 && !event.drop) {
        run.current = { before, event, timer: window.setTimeout(flush, RUN_PAUSE) };
        return;
      }
      const done = views.after.done !== null;
      write(seq, event, done !== (views.before.done !== null) ? { done } : null);
    },
    [local, setPlay, setSaid, setTold, flush, write, data, name, attempt],
  );

  // While the device cannot keep what happens, the clock stands still; it goes on with the game.
  const held = useRef(false);
  useEffect(() => {
    const now = latest.current;
    if (trouble === "full" && now && !view(now).done && !view(now).paused) {
      held.current = true;
      act({ kind: "pause" });
    }
    if (trouble === null && held.current) {
      held.current = false;
      act({ kind: "goOn" });
    }
  }, [trouble, act]);

  /** Targets as there were several to choose from: each keeps its place to the last. */
  const places = useRef<readonly string[]>([]);
  const panel = fixing ? "fix" : swapping ? "swap" : "play";
  useHeading(play && view(play).done ? "over" : panel);
  const elapsed = useElapsed(
    () => sinceStart(local, latest.current?.record.at(-1)?.at ?? 0),
    play !== null && view(play).done === null,
  );
  const dueAt = play ? bellAt(view(play)) : null;
  useEffect(() => {
    if (dueAt === null || elapsed < dueAt) return;
    sound("bell");
    speak(say("play.stopSaid"));
    act({ kind: "bell" }, Math.max(dueAt, play?.record[play.record.length - 1]?.at ?? 0));
  }, [dueAt, elapsed, act, play, sound]);
  const left = dueAt === null ? null : Math.ceil(Math.max(0, dueAt - elapsed) / 1000);
  // How long this clock runs: what was left when it was first seen.
  const whole = useRef<{ due: number; all: number } | null>(null);
  const due = dueAt === null || !play ? null : dueAt - view(play).still;
  if (due !== null && left !== null && whole.current?.due !== due) whole.current = { due, all: left };
  const clock = useClockHeard(left, dueAt === null ? null : (whole.current?.all ?? null), sound);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || event.ctrlKey || event.metaKey) return;
      if (event.key === "u") act({ kind: "undo" });
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [act]);

  if (!play) return <p className="p-6 text-lg">{say("play.loading")}</p>;
  const v = view(play);
  const mine = v.score[v.side]!;
  const reached = v.progress[v.side]!;
  // The mark is in own points: beside a match scored otherwise it would say nothing true.
  const mark = settingOf(v) === "" ? markOf(pattern, data, local) : null;
  const best = !local.decided?.bare && data.best && settingOf(data.best) === settingOf(v) ? data.best : null;
  // As the family has it: it may have set another number of sends.
  const set = settled({ params, match: data.card.activity.match }, v.set);
  const { sends: cap } = pattern.needs(...set);
  const several = local.setup.players > 1;
  const sideNames = (i: number) => {
    const names = sayList(v.score[i]!.players.map(name));
    return v.out.includes(i) ? `${names}: ${say("play.leftSide")}` : names;
  };
  /** The name is for the day, and stays on the device. */
  async function joins(side: number | null, called: string) {
    const { players } = stateOf(play!).setup;
    const names = Array.from({ length: players + 1 }, (_, i) =>
      i === players ? called || say("play.player", { number: i + 1 }) : name(i),
    );
    await changePlay(local.id, { names });
    await again();
    act({ kind: "goOn" });
    act({ kind: "join", side });
  }
  const canSwap = data.card.making !== undefined && data.card.needs.pieces > 0;
  const asked = mainAsks(v.asks)[0];
  const how = asked && "manner" in asked ? asked.manner.action : undefined;
  // Where things take turns: which of them it is.
  const turns = extraObjects(data.card.activity);
  const sends =
    turns.length > 0 && asked && "manner" in asked
      ? itemName(
          turns[extraObjectIndex(asked.manner.thing)] ?? v.objects.send ?? data.card.activity.kit.send,
          namesOf(data.card.activity.kit.own),
        )
      : null;
  const doNow = sayPhrase(v.now, {}, how ? attemptWords(how) : attempt);
  // What is to be found out is not lit.
  const spell = asked && "spell" in asked ? asked.spell : undefined;
  const shown = !spell || spell.show === "word";
  // The target called for; or, where the line moves, the line to stand on.
  const wanted =
    asked?.kind === "send" && asked.aim.kind === "any" && asked.aim.want.length === 1 && shown
      ? asked.aim.want[0]
      : undefined;
  const passedTo = asked?.kind === "send" && "mark" in asked.aim ? asked.aim.mark : undefined;
  const now = passedTo ?? (wanted === undefined ? undefined : v.from !== null && v.from !== "start" ? v.from : wanted);
  // Where the input itself is drawn as the floor lies, it is the picture.
  const onFloor =
    !fixing &&
    asked !== undefined &&
    (isFloor(asked) || (asked.kind === "ready" && askOf(v.asks, "measure") !== undefined));
  // Those that are played, as the child stood them.
  const stands =
    v.set[TARGETS_FIELD] === undefined ? data.card.parts : playedOf(pattern, data.card.parts, params, set[0]);
  const standing = v.laid
    ? stands.map((part) => {
        const at = part.kind === "target" && v.laid?.find((spot) => spot.id === part.id);
        return at ? { ...part, along: at.along, across: at.across } : part;
      })
    : stands;
  const pieces = piecesIn(v.asks).map((p) => ({ zone: p.place, shape: p.player }));
  // Several things to choose from, or pieces that lie there, need more of the screen.
  const spelled = spell !== undefined;
  const any = asked?.kind === "send" && asked.aim.kind === "any" ? asked.aim : null;
  const toChoose = any && (any.want.length > 1 || places.current.length > 0);
  if (toChoose && any.among.some((id) => !places.current.includes(id))) places.current = any.among;
  const many =
    spelled ||
    places.current.length > 0 ||
    (shown && wanted === undefined && asked !== undefined && (asked.kind === "send" || asked.kind === "choose"));
  const pieced = many || data.card.parts.some((part) => part.kind === "zone" || part.kind === "cell");
  const seconds = Math.floor(Math.max(0, dueAt === null ? elapsed - v.still : dueAt - elapsed) / 1000);
  const marker = data.card.markers.find((eachMarker) => eachMarker.id === now);

  if (trouble === "otherTab")
    return (
      <div className="grid content-start gap-4 p-6 text-lg">
        <p role="alert">{say("play.otherTab")}</p>
        <button type="button" className="btn border-chalk text-chalk" onClick={() => location.reload()}>
          {say("play.tryAgain")}
        </button>
      </div>
    );
  if (trouble === "full") return <StorageTrouble data={data} local={local} play={play} writes={writes} />;
  if (v.done) {
    const winners = v.ending?.winners.flatMap((winner) => v.score[winner]!.players.map(name)) ?? [];
    return (
      <Finished
        data={data}
        local={local}
        play={play}
        line={v.done === "stopped" ? say("play.stopped") : sayPhrase(v.ending!.reason, {}, attempt)}
        winners={
          winners.length === 0
            ? null
            : v.ending!.winners.length > 1
              ? say("play.tie", { names: sayList(winners) })
              : say("play.winner", { names: sayList(winners), count: winners.length })
        }
        undo={() => act({ kind: "undo" })}
        {...(tried && { tried })}
        practised={async () => {
          flush();
          await writes.settled();
          await dropPractice(local.id);
          await again();
        }}
        handIn={async () => {
          flush();
          if (!(await writes.settled())) return;
          // The device is full at the very last step: the go is handed in from memory.
          await changePlay(local.id, { done: true }).catch(async () => {
            await writes.playOn();
            await changePlay(local.id, { done: true });
          });
          await again();
          go("handin");
        }}
        name={name}
      />
    );
  }

  return (
    <div className="flex grow flex-col flat:grid flat:grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)] flat:grid-rows-[auto_minmax(0,1fr)]">
      <div className="mx-auto flex w-full max-w-lg flex-wrap justify-end gap-x-2 px-4 pt-1">
        <div className="min-w-0 grow basis-36">
          <p className="sr-only" role="status" data-heard>
            {said}
          </p>
          {local.practice && <p className="font-semibold text-mint">{say("play.practice")}</p>}
          {several && <p className="font-bold text-mustard">{say("play.turn", { name: name(v.player) })}</p>}
          <h1 className="text-[1.75rem] leading-tight short:text-xl">{doNow}</h1>
          {asked && "manner" in asked && asked.manner.nearer !== undefined && asked.manner.nearer !== 0 && (
            <p className="text-lg font-semibold text-mustard short:text-base">
              {say("play.standAt", { where: lineText(asked.manner.nearer, data.card.step) })}
            </p>
          )}
          {asked && "manner" in asked && asked.manner.wider !== undefined && (
            <p className="text-lg font-semibold text-mustard short:text-base">{say("play.wide")}</p>
          )}
          {sends && (
            <p className="text-lg font-semibold text-mustard short:text-base">{say("play.with", { item: sends })}</p>
          )}
          {data.card.activity.off && asked?.kind === "send" && (
            <p className="text-lg text-chalk/90 short:text-base">{say(`off.${data.card.activity.off}`)}</p>
          )}
          {marker && (
            <p className="text-lg text-chalk/90 short:text-base">
              {say("setup.dist", {
                ...countedIn(marker),
                metres: marker.reached.toFixed(1),
              })}
            </p>
          )}
          <p
            className={`min-h-6 font-semibold text-mustard short:min-h-0 short:leading-tight ${told || clock ? "" : "short:text-sm large:sr-only"}`}
            role="status"
          >
            {told || clock || (awake ? "" : say("play.mayDim"))}
          </p>
        </div>
        {!v.paused && (
          <div className="flex shrink-0 items-start gap-2">
            <p className="text-right">
              <span className="block text-sm text-chalk/80">
                {say(dueAt === null ? "play.timeUsed" : "play.timeLeft")}
              </span>
              <span
                className={`text-2xl font-bold large:text-xl ${dueAt !== null && seconds <= 10 ? "text-mustard" : ""}`}
              >
                {say("play.time", {
                  minutes: Math.floor(seconds / 60),
                  seconds: String(seconds % 60).padStart(2, "0"),
                })}
              </span>
            </p>
            <button
              type="button"
              aria-label={say("play.pause")}
              className="grid size-11 place-items-center rounded-md border-2 border-chalk/50 text-chalk"
              onClick={() => act({ kind: "pause" })}
            >
              <Pause size={20} aria-hidden="true" />
            </button>
          </div>
        )}
      </div>
      <div
        className={`mx-auto flex w-full max-w-lg grow items-center gap-2 px-4 large:grow-0 large:items-start large:justify-start flat:col-start-1 flat:items-start ${v.paused ? "" : "large:-mt-11"}`}
      >
        {onFloor ? (
          <div className="grow large:hidden" />
        ) : (
          <div className="min-w-0 grow short:hidden">
            <YardMap
              parts={standing}
              width={pieced ? 210 : 240}
              height={pieced ? 230 : 275}
              marks={{ now, done: v.doneParts, pieces }}
              label={doNow}
            />
          </div>
        )}
        <div
          className={`shrink-0 text-right large:block large:text-left ${onFloor ? "flex items-end gap-5" : "grid content-center gap-2"}`}
        >
          {v.score.map((score, i) => (
            <div key={score.players.join()} data-score className={i === v.side || !several ? "" : "opacity-75"}>
              <p className="text-sm">
                {several ? sideNames(i) : say(`unit.${score.unit}`, { value: score.value, ...attempt })}
              </p>
              <p
                className={`leading-none font-bold ${v.score.length > 2 ? "text-2xl" : "text-5xl short:text-3xl large:text-2xl"} ${i === v.side ? "text-mustard" : ""}`}
              >
                {local.adds ? "?" : score.unit === "tenths" ? sayScore(score.value, score.unit) : score.value}
              </p>
              <p className={`max-w-36 text-base leading-tight ${onFloor ? "min-h-5" : ""}`}>
                {i === v.side && !local.adds ? sayWorking(mine.working) : ""}
              </p>
            </div>
          ))}
          {local.call && <CallCode view={v} />}
          <div>
            <p className="text-sm text-chalk/85" hidden={asked?.kind !== "send" || UNCOUNTED.has(asked.aim.kind)}>
              {say("play.try", {
                ...attempt,
                number: reached.sends + 1,
                cap: cap === null ? "none" : String(cap),
              })}
            </p>
            {best && (
              <p className="text-sm text-chalk/85">
                {say("play.best")} <strong className="text-base">{sayScore(best.value, best.unit, attempt)}</strong>
              </p>
            )}
            {mark !== null && (
              <p className="text-sm text-chalk/85">
                {say("play.mark")} <strong className="text-base">{sayScore(mark, mine.unit, attempt)}</strong>
              </p>
            )}
          </div>
        </div>
      </div>
      <div className="mt-2 flex flex-col rounded-t-2xl bg-page p-3 pb-2.5 text-ink short:mt-1 short:p-2 short:pb-1.5 flat:col-start-2 flat:row-span-2 flat:row-start-1 flat:mt-0 flat:rounded-none">
        <div className="mx-auto flex w-full max-w-lg grow flex-col gap-2.5 short:gap-1.5">
          {swapping ? (
            <SwapInPlay
              data={data}
              own={own}
              is={v.objects.send ?? data.card.activity.kit.send}
              act={act}
              close={() => setSwapping(false)}
            />
          ) : fixing ? (
            <FixPanel play={play} data={data} act={act} name={name} close={() => setFixing(false)} />
          ) : v.paused ? (
            <>
              <p className="text-lg font-semibold">{say("play.paused")}</p>
              <Big text={say("play.goOn")} press={() => act({ kind: "goOn" })} />
              <CompanyPanel play={play} act={act} name={name} joins={joins} />
            </>
          ) : (
            <Inputs
              asks={v.asks}
              now={v.now.key}
              data={data}
              act={act}
              sound={sound}
              name={name}
              places={places.current}
              nudge={data.card.ladder ? levelPromptOf(play, data.card.ladder) : null}
            />
          )}
        </div>
      </div>
      <div
        data-steady
        hidden={swapping}
        className="sticky bottom-0 z-10 bg-page px-3 pb-[max(0.5rem,env(safe-area-inset-bottom))] text-ink short:px-2 flat:col-start-2"
      >
        <div
          className={`mx-auto grid w-full max-w-lg gap-2.5 large:gap-1.5 large:[&_button]:min-h-8 large:[&_button]:px-0 large:[&_button]:text-xs ${canSwap ? "grid-cols-4" : "grid-cols-3"}`}
        >
          <button
            type="button"
            className="btn min-h-12 px-1 short:min-h-9"
            disabled={!v.canUndo}
            onClick={() => act({ kind: "undo" })}
          >
            {say("play.undo")}
          </button>
          <button
            type="button"
            className="btn min-h-12 px-1 short:min-h-9"
            aria-expanded={fixing}
            onClick={() => setFixing(!fixing)}
          >
            {say("play.fix", attempt)}
          </button>
          {canSwap && (
            <button
              type="button"
              className="btn min-h-12 px-1 leading-tight short:min-h-9 short:text-sm"
              aria-expanded={swapping}
              onClick={() => setSwapping(!swapping)}
            >
              {say("play.swap")}
            </button>
          )}
          <button type="button" className="btn min-h-12 px-1 short:min-h-9" onClick={() => act({ kind: "stop" })}>
            {say("play.stop")}
          </button>
        </div>
      </div>
    </div>
  );
}
