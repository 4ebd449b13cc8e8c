import { useEffect, useState } from "react";
import type { Unit } from "#core/contract/contract.ts";
import { beatsMark, rankOf, settingOf } from "#core/records/rank.ts";
import { type Play, view } from "#core/referee/play.ts";
import { say, sayList, sayScore, sayWorking } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import { remember } from "../../kept.ts";
import type { CardData } from "../card/card-data.ts";
import type { LocalPlay } from "../device/store.ts";
import { markOf } from "./mark.ts";

export function Finished({
  data,
  local,
  play,
  line,
  winners,
  undo,
  handIn,
  practised,
  tried,
  name,
}: {
  data: CardData;
  local: LocalPlay;
  play: Play;
  line: string;
  winners: string | null;
  undo: () => void;
  handIn: () => Promise<void>;
  /** Ends a practice go, which is deleted. */
  practised: () => Promise<void>;
  tried?: (score: { value: number; unit: Unit }) => React.ReactNode;
  name: (i: number) => string;
}) {
  const now = view(play);
  const side = now.score.findIndex((score) => score.players.includes(0));
  const shown = now.score[side]!.value;
  const mine = { ...now.score[side]!, value: now.progress[side]!.own };
  const own = { ...mine, finished: now.progress[side]!.finished, stage: now.progress[side]!.stage };
  const over = now.done === "over";
  // If the family changed a setting, the score is not compared with the score to beat, and only with goes that had
  // the same settings.
  const asSent = settingOf(now) === "";
  const beat =
    over && asSent && beatsMark(own, markOf(play.game.pattern, data, local))
      ? "mark"
      : over &&
          !local.decided?.bare &&
          data.best &&
          settingOf(data.best) === settingOf(now) &&
          rankOf(own) > rankOf(data.best)
        ? "best"
        : undefined;
  const [typed, setTyped] = useState("");
  const [entered, setEntered] = useState<number | null>(null);
  const attempt = attemptWords(data.card.activity.aim.action);
  const hidden = local.adds === true && entered === null;
  useEffect(() => {
    if (local.practice) return;
    // The child has seen the score of the match. The records use the child's own points.
    remember(`yard-score-${local.id}`, JSON.stringify({ value: shown, unit: mine.unit, beat }));
  }, [local.id, local.practice, shown, mine.unit, beat]);
  return (
    <div className="mx-auto grid w-full max-w-lg grow content-center gap-5 p-6 text-center">
      <h1 className="text-4xl">{line}</h1>
      {winners && <p className="text-2xl font-bold text-mint">{winners}</p>}
      {hidden && <AddItUp typed={typed} setTold={setEntered} setTyped={setTyped} />}
      {local.adds && entered !== null && (
        <p role="status" className="text-2xl font-bold text-mint">
          {entered === now.score[side]!.value
            ? say("adds.right")
            : say("adds.other", { score: sayScore(now.score[side]!.value, now.score[side]!.unit, attempt) })}
        </p>
      )}
      {now.aside.length > 0 && <p role="status">{say("play.aside", { n: now.aside.length, ...attempt })}</p>}
      <div className={`flex flex-wrap justify-center gap-8 ${hidden ? "hidden" : ""}`}>
        {now.score.map((score, i) => (
          <p key={score.players.join()} className="text-lg">
            {local.setup.players > 1 && <span className="block">{sayList(score.players.map(name))}</span>}
            {now.out.includes(i) && <span className="block">{say("play.leftSide")}</span>}
            <strong className="text-4xl text-mustard">{sayScore(score.value, score.unit, attempt)}</strong>
            {score.working && <span className="block">{sayWorking(score.working)}</span>}
          </p>
        ))}
      </div>
      {beat && !hidden && !local.practice && (
        <p className="rounded-md bg-mustard p-3 text-xl font-bold text-night">
          {say(beat === "mark" ? "hand.beatMark" : "hand.beat")}
        </p>
      )}
      {local.practice && !tried && <p className="text-xl">{say("play.practiceOver")}</p>}
      {tried && over && tried({ value: mine.value, unit: mine.unit })}
      <button
        type="button"
        className="btn btn-main min-h-16 text-2xl"
        onClick={() => void (local.practice ? practised() : handIn())}
      >
        {say(tried ? "play.onceMore" : local.practice ? "play.forReal" : "play.handIn")}
      </button>
      <button type="button" className="btn min-h-12 border-chalk" onClick={undo}>
        {say("play.undo")}
      </button>
    </div>
  );
}

/** Asks the child to add up the points before the score is shown. */
const AddItUp = ({
  typed,
  setTold,
  setTyped,
}: {
  typed: string;
  setTold: (value: number | null) => void;
  setTyped: (value: string) => void;
}) => (
  <form
    className="mx-auto grid w-full max-w-xs grid-cols-1 gap-3"
    onSubmit={(event) => {
      event.preventDefault();
      if (/^\d{1,5}$/.test(typed.trim())) setTold(Number(typed));
    }}
  >
    <label className="text-xl font-bold" htmlFor="added">
      {say("adds.what")}
    </label>
    <input
      id="added"
      inputMode="numeric"
      className="w-full min-w-0 text-center text-4xl font-bold"
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
    />
    <button type="submit" className="btn btn-main min-h-14 text-2xl">
      {say("adds.show")}
    </button>
  </form>
);
