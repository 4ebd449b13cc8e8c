import { useState } from "react";
import { resultCode } from "#core/records/result-code.ts";
import { type Play, view } from "#core/referee/play.ts";
import { enFull } from "#words/en-full.ts";
import { addWords, say, sayScore } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData } from "../card/card-data.ts";
import type { LocalPlay } from "../device/store.ts";
import type { PlaySession } from "./session.ts";

addWords(enFull);

/** The score so far, and a code that brings it to the teacher by hand. */
export function ResultCode({ data, local, play }: { data: CardData; local: LocalPlay; play: Play }) {
  const now = view(play);
  const side = now.score.findIndex((score) => score.players.includes(0));
  const { own: value, finished, stage } = now.progress[side]!;
  const code = resultCode({ card: data.id, play: local.id, value, finished, stage });
  return (
    <div className="grid gap-1">
      <p>
        {say("full.score", {
          score: sayScore(value, now.score[side]!.unit, attemptWords(data.card.activity.aim.action)),
        })}
      </p>
      {code && (
        <>
          <p>{say("full.code")}</p>
          <p className="font-mono text-2xl leading-snug font-bold break-words" data-code>
            {code}
          </p>
        </>
      )}
    </div>
  );
}

/** The device could not save the last attempt. The game stops until somebody decides what to do. */
export function StorageTrouble({
  data,
  local,
  play,
  saving,
}: {
  data: CardData;
  local: LocalPlay;
  play: Play;
  saving: PlaySession["saving"];
}) {
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState("");
  const [coded, setCoded] = useState(false);
  const attempt = (work: () => Promise<string>) => async () => {
    setBusy(true);
    setMessage(await work());
    setBusy(false);
  };
  return (
    <div className="mx-auto grid w-full max-w-lg content-start gap-4 p-4 text-lg" data-storage-trouble>
      <div role="alert" className="grid gap-2">
        <h1 className="text-3xl text-mustard">{say("full.title")}</h1>
        <p>{say("full.text")}</p>
      </div>
      <button
        type="button"
        className="btn btn-main min-h-16 text-xl"
        disabled={busy}
        onClick={attempt(async () => {
          const count = await saving.freeSpace();
          return count > 0 ? say("full.freed", { count: count }) : say("full.stillFull");
        })}
      >
        {say("full.free")}
      </button>
      <button
        type="button"
        className="btn min-h-14 border-chalk text-chalk"
        disabled={busy}
        onClick={attempt(async () => {
          await saving.retry();
          return say("full.stillFull");
        })}
      >
        {say("play.tryAgain")}
      </button>
      <button
        type="button"
        className="btn min-h-14 border-chalk text-chalk"
        disabled={busy}
        onClick={() => void saving.playOn()}
      >
        {say("full.playOn")}
      </button>
      <p className="text-base text-chalk/85">{say("full.playOnText")}</p>
      {coded ? (
        <ResultCode data={data} local={local} play={play} />
      ) : (
        <button type="button" className="btn min-h-12 border-chalk text-chalk" onClick={() => setCoded(true)}>
          {say("full.showCode")}
        </button>
      )}
      <p role="status" className="min-h-7 font-semibold text-mustard">
        {message}
      </p>
    </div>
  );
}
