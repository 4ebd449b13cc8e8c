import { useCallback, useEffect, useRef, useState } from "react";
import { isRefusal, MODES, type Mode } from "#core/patterns/contract.ts";
import { patternOf } from "#core/patterns/registry.ts";
import type { PlayEvent } from "#core/records/events.ts";
import { beatsMark, rankOf } from "#core/records/rank.ts";
import { openPlay, type Play, referee, replay, view } from "#core/referee/referee.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { countedIn, itemName, namesOf, say, sayList, sayPhrase, sayScore } from "../words/say.ts";
import type { CardData, Step } from "./card-app.tsx";
import { FixPanel } from "./fix-panel.tsx";
import { holdPage } from "./offline.ts";
import { decidedEvents, type OwnCard } from "./own-card.ts";
import { PlayInputs } from "./play-inputs.tsx";
import { addEvent, addPlay, changePlay, deviceId, eventsOf, type LocalPlay } from "./store.ts";
import { syncAll } from "./sync.ts";
import { useElapsed, useSound, useWakeLock } from "./use-device.ts";
import { YardMap } from "./yard-map.tsx";

interface Props {
  data: CardData;
  own: OwnCard;
  underWay: LocalPlay | null;
  again: () => Promise<void>;
  go: (to: Step) => void;
}

/** One tab plays; a second one is told so. Free again as soon as the first is closed. */
function useOnlyTab(card: string): { state: "asking" | "mine" | "other"; retry: () => void } {
  const [state, set] = useState<"asking" | "mine" | "other">("asking");
  const [tries, setTries] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asking again is what `tries` is for
  useEffect(() => {
    if (!navigator.locks) {
      set("mine");
      return;
    }
    let release: () => void = () => undefined;
    const held = new Promise<void>((done) => {
      release = done;
    });
    void navigator.locks.request(`yard-play-${card}`, { ifAvailable: true }, (lock) => {
      set(lock ? "mine" : "other");
      return lock ? held : undefined;
    });
    return () => release();
  }, [card, tries]);
  return { state, retry: () => setTries(tries + 1) };
}

export default function PlayScreen({ data, own, underWay, again, go }: Props) {
  const tab = useOnlyTab(data.id);
  const game = data.card.activity.pattern;
  if (tab.state === "asking") return null;
  if (tab.state === "other")
    return (
      <div className="grid gap-4 p-6 text-lg">
        <p role="alert">{say("play.otherTab")}</p>
        <button type="button" className="btn border-chalk text-chalk" onClick={tab.retry}>
          {say("play.tryAgain")}
        </button>
      </div>
    );
  if (!underWay) return <Who data={data} own={own} again={again} />;
  if (underWay.done && !underWay.result) return <Board data={data} own={own} local={underWay} again={again} go={go} />;
  if (underWay.rulesVersion !== patternOf(game.name).rulesVersion)
    return (
      <div className="grid gap-4 p-6 text-lg">
        <p>{say("play.otherRules")}</p>
        <button
          type="button"
          className="btn border-chalk text-chalk"
          onClick={async () => {
            await changePlay(underWay.id, { done: true });
            await again();
            go("handin");
          }}
        >
          {say("play.handIn")}
        </button>
      </div>
    );
  return <Board data={data} own={own} local={underWay} again={again} go={go} />;
}

/** Who plays, how, and the names for the day. */
function Who({ data, own, again }: { data: CardData; own: OwnCard; again: () => Promise<void> }) {
  const { players, pattern } = data.card.activity;
  const modes = MODES.filter((m) => players.modes.includes(m));
  const least = modes.includes("alone") ? players.least : Math.max(2, players.least);
  const [count, setCount] = useState(least);
  const together = modes.filter((m) => m !== "alone");
  const [mode, setMode] = useState<Mode>(together[0] ?? "alone");
  const [names, setNames] = useState<string[]>([data.name.split(" ")[0]!]);
  const counts = Array.from({ length: players.most - least + 1 }, (_, i) => i + least).filter(
    (n) => n > 1 || modes.includes("alone"),
  );

  async function begin() {
    const play: LocalPlay = {
      id: crypto.randomUUID(),
      token: data.token,
      card: data.id,
      device: deviceId(),
      setup: { players: count, mode: count === 1 ? "alone" : mode, seed: Math.floor(Math.random() * 0xffffffff) },
      names: Array.from({ length: count }, (_, i) => names[i]?.trim() || say("play.player", { number: i + 1 })),
      rulesVersion: patternOf(pattern.name).rulesVersion,
      cardHash: data.hash ?? null,
      decided: { ...own.decided, fixed: { ...own.decided.fixed }, also: [...own.decided.also] },
      startedAt: Date.now(),
      done: false,
      result: null,
      receipt: null,
      refused: null,
    };
    await addPlay(play);
    // What the family decided before play comes first in the record.
    for (const [seq, body] of decidedEvents(own.decided).entries()) await addEvent(play.id, seq, { ...body, at: 0 });
    holdPage(true);
    await again();
  }

  return (
    <form
      className="mx-auto grid w-full max-w-lg grow content-start gap-5 p-4 text-lg"
      onSubmit={(e) => {
        e.preventDefault();
        void begin();
      }}
    >
      <h1 className="text-3xl">{say("who.title")}</h1>
      {data.used >= data.tries && (
        <p className="rounded-md bg-mustard p-3 font-semibold text-[#14241f]">{say("card.usedUp")}</p>
      )}
      <fieldset>
        <legend className="mb-2 font-semibold">{say("who.howMany")}</legend>
        <div className="grid grid-cols-6 gap-2">
          {counts.map((n) => (
            <label
              key={n}
              className={`grid min-h-14 cursor-pointer place-items-center rounded-md border-2 text-2xl font-bold has-focus-visible:outline-3 ${n === count ? "border-mustard bg-mustard text-[#14241f]" : "border-chalk/50"}`}
            >
              <input type="radio" name="count" className="sr-only" checked={n === count} onChange={() => setCount(n)} />
              {n}
            </label>
          ))}
        </div>
      </fieldset>
      {count > 1 && together.length > 0 && (
        <fieldset>
          <legend className="mb-2 font-semibold">{say("who.how")}</legend>
          <div className="grid gap-2">
            {together.map((m) => (
              <label
                key={m}
                className={`flex min-h-12 cursor-pointer items-center rounded-md border-2 px-3 font-semibold has-focus-visible:outline-3 ${m === mode ? "border-mustard bg-mustard text-[#14241f]" : "border-chalk/50"}`}
              >
                <input type="radio" name="mode" className="sr-only" checked={m === mode} onChange={() => setMode(m)} />
                {say(`who.mode.${m}`)}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {count > 1 && (
        <fieldset className="grid gap-2">
          <legend className="mb-1 font-semibold">{say("who.names")}</legend>
          <p className="text-base text-chalk/80">{say("who.namesHint")}</p>
          {Array.from({ length: count }, (_, i) => (
            <input
              key={`name${i + 1}`}
              aria-label={say("who.name", { number: i + 1 })}
              placeholder={say("play.player", { number: i + 1 })}
              maxLength={20}
              value={names[i] ?? ""}
              onChange={(e) => {
                const next = [...names];
                next[i] = e.target.value;
                setNames(next);
              }}
            />
          ))}
        </fieldset>
      )}
      <button type="submit" className="btn btn-main min-h-16 text-2xl">
        {say("who.go")}
      </button>
    </form>
  );
}

/** The teacher's mark, unless the match is scored in another way than it. */
function markOf(data: CardData, local: LocalPlay): number | null {
  const { name, params } = data.card.activity.pattern;
  return patternOf(name).matchApart(params, local.setup) ? null : data.mark;
}

/** The shell of every game: whose turn, what to do, the score with its sum, the clock, the inputs, undo. */
function Board({
  data,
  own,
  local,
  again,
  go,
}: {
  data: CardData;
  own: OwnCard;
  local: LocalPlay;
  again: () => Promise<void>;
  go: (to: Step) => void;
}) {
  const { pattern } = data.card.activity;
  const [play, show] = useState<Play | null>(null);
  // Two taps can come before the screen is drawn again: each builds on the one before, not on what is shown.
  const latest = useRef<Play | null>(null);
  const setPlay = useCallback((p: Play) => {
    latest.current = p;
    show(p);
  }, []);
  const [told, setTold] = useState("");
  const [fixing, setFixing] = useState(false);
  const [swapping, setSwapping] = useState(false);
  const writes = useRef<Promise<void>>(Promise.resolve());
  const sound = useSound();
  useWakeLock();

  // Once for each go: what is read back later is what this tab itself has written.
  // biome-ignore lint/correctness/useExhaustiveDependencies: setup and pattern belong to the go and never change
  useEffect(() => {
    void eventsOf(local.id).then((events) => {
      const record = events.map((e) => e.event);
      setPlay(record.length > 0 ? replay(pattern, local.setup, record).play : openPlay(pattern, local.setup));
    });
  }, [local.id]);

  const act = useCallback(
    (body: Record<string, unknown> & { kind: string }, at?: number) => {
      const before = latest.current;
      if (!before) return;
      const seq = before.record.length;
      const last = before.record[seq - 1]?.at ?? 0;
      const event = { ...body, at: at ?? Math.max(last, Date.now() - local.startedAt) } as PlayEvent;
      const after = referee(before, event);
      if (isRefusal(after)) {
        setTold(sayPhrase(after.refused));
        return;
      }
      setTold(
        event.kind === "object"
          ? say("play.swapped", { item: itemName(event.item, namesOf(data.card.making?.items.own ?? [])) })
          : event.kind === "carry"
            ? say("play.carried")
            : event.kind === "bell"
              ? say("play.bell")
              : "",
      );
      setFixing(false);
      setSwapping(false);
      setPlay(after);
      const done = view(after).done !== null;
      const changes = done !== (view(before).done !== null);
      writes.current = writes.current
        .then(() => addEvent(local.id, seq, event))
        .then(() => (changes ? changePlay(local.id, { done }).then(again) : undefined))
        .then(() => void syncAll(data.token, [data.id]))
        .catch(() => setTold(say("play.otherTab")));
    },
    [local, again, setPlay, data.card.making, data.token, data.id],
  );

  const elapsed = useElapsed(local.startedAt, play !== null && view(play).done === null);
  const bell = play ? view(play).legal.find((l) => l.kind === "bell") : undefined;
  const dueAt = bell?.kind === "bell" ? bell.dueAt : null;
  useEffect(() => {
    if (dueAt === null || elapsed < dueAt) return;
    sound("bell");
    act({ kind: "bell" }, Math.max(dueAt, play?.record[play.record.length - 1]?.at ?? 0));
  }, [dueAt, elapsed, act, play, sound]);
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLInputElement || e.ctrlKey || e.metaKey) return;
      if (e.key === "u") act({ kind: "undo" });
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [act]);

  if (!play) return <p className="p-6 text-lg">{say("play.loading")}</p>;
  const v = view(play);
  const mine = v.score[v.side]!;
  const tally = v.tally[v.side]!;
  // The mark is in own points: beside a match scored otherwise it would say nothing true.
  const mark = markOf(data, local);
  const several = local.setup.players > 1;
  const name = (i: number) => local.names[i] ?? say("play.player", { number: i + 1 });
  const send = v.legal.find((l) => l.kind === "send");
  const knock = v.legal.find((l) => l.kind === "knock");
  const banded = data.card.parts.some((p) => p.kind === "zone");
  // The target called for; or, where the line moves, the line to stand on.
  const now = send?.kind !== "send" ? undefined : v.from !== null && v.from !== "start" ? v.from : send.want;
  // Where a piece is tapped to its place, the bands themselves are the picture.
  const onFloor = !fixing && v.legal.some((l) => l.kind === "rest" || l.kind === "block");
  const pieces = knock?.kind === "knock" ? knock.pieces.map((p) => ({ zone: p.zone, shape: p.player })) : [];
  const seconds = Math.floor(Math.max(0, dueAt === null ? elapsed : dueAt - elapsed) / 1000);
  const marker = data.card.markers.find((m) => m.id === now);

  if (v.done) {
    const winners = v.ending?.winners.flatMap((w) => v.score[w]!.players.map(name)) ?? [];
    return (
      <Finished
        data={data}
        local={local}
        play={play}
        line={v.done === "stopped" ? say("play.stopped") : sayPhrase(v.ending!.reason)}
        winners={
          winners.length === 0
            ? null
            : v.ending!.winners.length > 1
              ? say("play.tie", { names: sayList(winners) })
              : say("play.winner", { names: sayList(winners), count: winners.length })
        }
        undo={() => act({ kind: "undo" })}
        handIn={async () => {
          await writes.current;
          await changePlay(local.id, { done: true });
          await again();
          go("handin");
        }}
        name={name}
      />
    );
  }

  return (
    <div className="flex grow flex-col">
      <div className="mx-auto flex w-full max-w-lg gap-2 px-4 pt-1">
        <div className="min-w-0 grow" aria-live="polite">
          {several && <p className="font-bold text-mustard">{say("play.turn", { name: name(v.player) })}</p>}
          <h1 className="text-[1.75rem] leading-tight">{sayPhrase(v.now)}</h1>
          {marker && (
            <p className="text-lg text-chalk/90">
              {say("setup.dist", {
                ...countedIn(marker),
                metres: marker.reached.toFixed(1),
              })}
            </p>
          )}
          <p className="min-h-6 font-semibold text-mustard" role="status">
            {told}
          </p>
        </div>
        <p className="shrink-0 text-right">
          <span className="block text-sm text-chalk/80">{say(dueAt === null ? "play.timeUsed" : "play.timeLeft")}</span>
          <span className={`text-2xl font-bold ${dueAt !== null && seconds <= 10 ? "text-mustard" : ""}`}>
            {say("play.time", { minutes: Math.floor(seconds / 60), seconds: String(seconds % 60).padStart(2, "0") })}
          </span>
        </p>
      </div>
      <div className="mx-auto flex w-full max-w-lg grow items-center gap-2 px-4">
        {onFloor ? (
          <div className="grow" />
        ) : (
          <div className="min-w-0 grow">
            <YardMap
              parts={data.card.parts}
              width={banded ? 210 : 240}
              height={banded ? 230 : 275}
              marks={{ now, done: v.doneParts, pieces }}
              label={sayPhrase(v.now)}
            />
          </div>
        )}
        <div className={`shrink-0 text-right ${onFloor ? "flex items-end gap-5" : "grid content-center gap-2"}`}>
          {v.score.map((s, i) => (
            <div key={s.players.join()} className={i === v.side || !several ? "" : "opacity-75"}>
              <p className="text-sm">
                {several ? sayList(s.players.map(name)) : say(`unit.${s.unit}`, { value: s.value })}
              </p>
              <p
                className={`leading-none font-bold ${v.score.length > 2 ? "text-2xl" : "text-5xl"} ${i === v.side ? "text-mustard" : ""}`}
              >
                {s.unit === "tenths" ? sayScore(s.value, s.unit) : s.value}
              </p>
              <p className={`max-w-36 text-base leading-tight ${onFloor ? "min-h-5" : ""}`}>
                {i === v.side ? mine.working : ""}
              </p>
            </div>
          ))}
          <div>
            <p className="text-sm text-chalk/85">
              {say("play.try", {
                number: tally.sends + 1,
                cap: data.card.needs.sends === null ? "none" : String(data.card.needs.sends),
              })}
            </p>
            {data.best && (
              <p className="text-sm text-chalk/85">
                {say("play.best")} <strong className="text-base">{sayScore(data.best.value, data.best.unit)}</strong>
              </p>
            )}
            {mark !== null && (
              <p className="text-sm text-chalk/85">
                {say("play.mark")} <strong className="text-base">{sayScore(mark, mine.unit)}</strong>
              </p>
            )}
          </div>
        </div>
      </div>
      <div className="mt-2 rounded-t-2xl bg-page p-3 text-ink">
        <div className="mx-auto grid max-w-lg gap-2.5">
          {swapping ? (
            <SwapInPlay
              data={data}
              own={own}
              is={v.objects.send ?? data.card.activity.kit.send}
              act={act}
              close={() => setSwapping(false)}
            />
          ) : fixing ? (
            <FixPanel play={play} data={data} act={act} close={() => setFixing(false)} />
          ) : (
            <PlayInputs legal={v.legal} now={v.now.key} data={data} act={act} tick={() => sound("tick")} name={name} />
          )}
          <div
            hidden={swapping}
            className={`grid gap-2.5 ${swapping ? "hidden" : ""} ${data.card.making ? "grid-cols-4" : "grid-cols-3"}`}
          >
            <button
              type="button"
              className="btn min-h-12 px-1"
              disabled={!v.canUndo}
              onClick={() => act({ kind: "undo" })}
            >
              {say("play.undo")}
            </button>
            <button
              type="button"
              className="btn min-h-12 px-1"
              disabled={play.standing.length === 0}
              aria-expanded={fixing}
              onClick={() => setFixing(!fixing)}
            >
              {say("play.fix")}
            </button>
            {data.card.making && (
              <button
                type="button"
                className="btn min-h-12 px-1 leading-tight"
                aria-expanded={swapping}
                onClick={() => setSwapping(!swapping)}
              >
                {say("play.swap")}
              </button>
            )}
            <button type="button" className="btn min-h-12 px-1" onClick={() => act({ kind: "stop" })}>
              {say("play.stop")}
            </button>
          </div>
        </div>
      </div>
    </div>
  );
}

/** In the middle of play: another thing to send. What is laid out stays; the record says when it changed. */
function SwapInPlay({
  data,
  own,
  is,
  act,
  close,
}: {
  data: CardData;
  own: OwnCard;
  is: string;
  act: (body: Record<string, unknown> & { kind: string }) => void;
  close: () => void;
}) {
  const [options, setOptions] = useState<string[] | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the panel opens
  useEffect(() => {
    void own.options("send").then((o) => setOptions(o.here));
  }, []);
  const names = namesOf(data.card.making?.items.own ?? []);
  const others = options?.filter((id) => id !== is) ?? [];
  return (
    <div className="grid gap-2.5">
      <p className="text-lg font-bold">{say("play.swapTitle")}</p>
      {options === null && <p role="status">{say("fetch.recomputing")}</p>}
      {options !== null && others.length === 0 && <p>{say("fetch.swapNone")}</p>}
      <div className="grid max-h-64 grid-cols-3 gap-2.5 overflow-y-auto">
        {others.map((id) => (
          <button
            key={id}
            type="button"
            className="grid min-h-20 justify-items-center rounded-md border-2 border-ink p-1.5"
            onClick={() => act({ kind: "object", role: "send", item: id })}
          >
            <ItemDrawing item={id} />
            <span className="leading-tight">{itemName(id, names)}</span>
          </button>
        ))}
      </div>
      <button type="button" className="btn min-h-12" onClick={close}>
        {say("play.back")}
      </button>
    </div>
  );
}

function Finished({
  data,
  local,
  play,
  line,
  winners,
  undo,
  handIn,
  name,
}: {
  data: CardData;
  local: LocalPlay;
  play: Play;
  line: string;
  winners: string | null;
  undo: () => void;
  handIn: () => Promise<void>;
  name: (i: number) => string;
}) {
  const v = view(play);
  const side = v.score.findIndex((s) => s.players.includes(0));
  const mine = { ...v.score[side]!, value: v.tally[side]!.own };
  const own = { ...mine, finished: v.tally[side]!.finished, stage: v.tally[side]!.stage };
  const over = v.done === "over";
  const beat =
    over && beatsMark(own, markOf(data, local))
      ? "mark"
      : over && data.best && rankOf(own) > rankOf(data.best)
        ? "best"
        : undefined;
  useEffect(() => {
    localStorage.setItem(`yard-score-${local.id}`, JSON.stringify({ value: mine.value, unit: mine.unit, beat }));
  }, [local.id, mine.value, mine.unit, beat]);
  return (
    <div className="mx-auto grid w-full max-w-lg grow content-center gap-5 p-6 text-center">
      <h1 className="text-4xl">{line}</h1>
      {winners && <p className="text-2xl font-bold text-mint">{winners}</p>}
      <div className="flex flex-wrap justify-center gap-8">
        {v.score.map((s) => (
          <p key={s.players.join()} className="text-lg">
            {local.setup.players > 1 && <span className="block">{sayList(s.players.map(name))}</span>}
            <strong className="text-4xl text-mustard">{sayScore(s.value, s.unit)}</strong>
            {s.working && <span className="block">{s.working}</span>}
          </p>
        ))}
      </div>
      {beat && (
        <p className="rounded-md bg-mustard p-3 text-xl font-bold text-[#14241f]">
          {say(beat === "mark" ? "hand.beatMark" : "hand.beat")}
        </p>
      )}
      <button type="button" className="btn btn-main min-h-16 text-2xl" onClick={() => void handIn()}>
        {say("play.handIn")}
      </button>
      <button type="button" className="btn min-h-12 border-chalk" onClick={undo}>
        {say("play.undo")}
      </button>
    </div>
  );
}
