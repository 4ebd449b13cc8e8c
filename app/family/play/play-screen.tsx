import { Suspense, useEffect, useState } from "react";
import type { Unit } from "#core/contract/contract.ts";
import { hasRules } from "#core/contract/game.ts";
import type { Activity } from "#core/formats/activity.ts";
import { enGame } from "#words/en-game.ts";
import { addWords, say } from "#words/say.ts";
import type { CardData, Step } from "../card/card-data.ts";
import type { OwnCard } from "../card/own-card.ts";
import { useHeading } from "../card/use-heading.ts";
import { changePlay, type LocalPlay } from "../device/store.ts";
import { chunk } from "../inputs/chunk.ts";
import { toAsk } from "./answered.ts";
import { Board } from "./board.tsx";
import { type LoadedGame, loadGame } from "./load-game.ts";
import { useTight } from "./use-tight.ts";
import { Who } from "./who.tsx";

addWords(enGame);

const Question = chunk(async () => ({ default: (await import("./question.tsx")).Question }));

interface Props {
  data: CardData;
  own: OwnCard;
  underWay: LocalPlay | null;
  again: () => Promise<void>;
  go: (to: Step) => void;
  /** Set if a teacher is trying the game out. */
  trying?: { speed: number; tried: (score: { value: number; unit: Unit }) => React.ReactNode };
}

/** Lets only one tab play a card. A second tab says so and can be used as soon as the first is closed. */
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

/** Loads the game of the card and its sentences. */
function useGame(activity: Activity): LoadedGame | null {
  const [game, set] = useState<LoadedGame | null>(null);
  const [error, setError] = useState<unknown>(null);
  useEffect(() => {
    loadGame(activity).then(set, setError);
  }, [activity]);
  if (error) throw error;
  return game;
}

/** An invisible element one rem wide, which shows how large the reader's text is. */
function Tight() {
  return <span ref={useTight()} aria-hidden="true" className="absolute w-[1rem]" />;
}

export default function PlayScreen({ data, own, underWay, again, go, trying }: Props) {
  const tab = useOnlyTab(data.id);
  const [asks, setAsks] = useState(() => toAsk(data));
  useHeading(underWay ? "game" : asks ? "question" : "who");
  const game = useGame(data.card.activity);
  if (tab.state === "asking" || !game) return null;
  const { pattern, choices } = game;
  if (tab.state === "other")
    return (
      <div className="grid gap-4 p-6 text-lg">
        <p role="alert">{say("play.otherTab")}</p>
        <button type="button" className="btn border-chalk text-chalk" onClick={tab.retry}>
          {say("play.tryAgain")}
        </button>
      </div>
    );
  if (!underWay && asks)
    return (
      <Suspense>
        <Question data={data} done={() => setAsks(false)} />
      </Suspense>
    );
  if (!underWay)
    return <Who data={data} pattern={pattern} choices={choices} own={own} again={again} {...(trying && { trying })} />;
  const board = (
    <>
      <Tight />
      <Board
        key={underWay.id}
        data={data}
        pattern={pattern}
        own={own}
        local={underWay}
        again={again}
        go={go}
        {...(trying && { tried: trying.tried })}
      />
    </>
  );
  if (underWay.done && !underWay.result) return board;
  if (!hasRules(pattern, underWay.rulesVersion))
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
  return board;
}
