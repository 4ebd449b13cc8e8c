import { type FormEventHandler, useEffect, useMemo, useRef } from "react";
import type { Problem } from "#core/formats/activity.ts";
import { CHOSEN_WORDS } from "#core/records/two-homes.ts";
import type { FamilyMatch } from "#server/assignments/two-homes.ts";
import { enMatch } from "#words/en-match.ts";
import { addWords, say, sayScore } from "#words/say.ts";
import { useWaiting } from "../family/card/waiting.ts";
import { keepSyncing } from "../family/device/sync.ts";
import { problemText } from "../ui/problem-text.ts";
import { useSendForm } from "../ui/use-send-form.ts";

addWords(enMatch);

export interface MatchPageData {
  match: FamilyMatch;
  token: string;
  card: string;
  problems: readonly Problem[];
}

/** A match with another home: first a grown-up's yes, then the scores of both homes. */
export function MatchPage({ match: m, token, card, problems }: MatchPageData) {
  const cards = useMemo(() => [card], [card]);
  const { count } = useWaiting(token, cards);
  useEffect(() => keepSyncing(token, cards), [token, cards]);
  // A go that was waiting on this device has been handed in, so there is more to show.
  const before = useRef(count);
  useEffect(() => {
    if (count < before.current) location.reload();
    before.current = count;
  }, [count]);
  const { unsent, send } = useSendForm();
  const name = m.child.split(" ")[0]!;
  const other = m.other.word ? say(`word.${m.other.word}`) : "";
  return (
    <main className="on-court min-h-dvh bg-court text-chalk">
      <div className="mx-auto grid max-w-lg gap-4 p-6 text-lg">
        <p className="text-chalk/80">{m.title}</p>
        <h1 className="text-3xl">{say("match.title")}</h1>
        {count > 0 && (
          <p role="status" className="rounded-md bg-mustard p-3 font-semibold text-night">
            {say("card.waiting", { count })}
          </p>
        )}
        {unsent && (
          <p role="alert" className="problem">
            {say("match.unsent")}
          </p>
        )}
        {problems.map((problem) => (
          <p key={problem.message} role="alert" className="problem">
            {problemText(problem.message)}
          </p>
        ))}
        {!m.mine.yes && !m.closed && <SayYes m={m} send={send} />}
        {m.mine.yes && m.mine.word && (
          <p className="text-2xl font-bold text-mustard">{say("match.you", { word: say(`word.${m.mine.word}`) })}</p>
        )}
        <div role="status" className="grid gap-2">
          {m.mine.yes && !m.closed && (
            <p>{m.other.yes ? say("match.otherYes", { word: other }) : say("match.otherWaits")}</p>
          )}
          {m.mine.yes && m.other.yes && !m.mine.score && !m.closed && <p>{say("match.next", { name })}</p>}
          {m.mine.score && <p>{say("match.mine", { score: sayScore(m.mine.score.value, m.mine.score.unit) })}</p>}
          {m.other.score && (
            <p>{say("match.theirs", { word: other, score: sayScore(m.other.score.value, m.other.score.unit) })}</p>
          )}
          {m.mine.score && m.joined.state === "waits" && <p>{say("match.otherPlays")}</p>}
          {m.joined.state === "missing" && <p className="text-xl font-bold">{say("match.missing")}</p>}
          {m.joined.state === "unlike" && <p className="text-xl font-bold">{say("match.unlike")}</p>}
          {m.joined.state === "played" && (
            <p className="text-2xl font-bold text-mustard">
              {m.joined.winner === null
                ? say("match.level")
                : m.joined.winner === 0
                  ? say("match.won")
                  : say("match.lost", { word: other })}
            </p>
          )}
        </div>
        <p>
          <a href={`/f/${token}/${card}`} className="btn btn-main min-h-14 w-full text-xl no-underline">
            {say("match.toCard")}
          </a>
        </p>
        {m.mine.yes && !m.mine.score && !m.closed && (
          <form method="post" onSubmit={send}>
            <input type="hidden" name="intent" value="no" />
            <button type="submit" className="btn min-h-12 w-full border-chalk text-chalk">
              {say("match.no")}
            </button>
          </form>
        )}
      </div>
    </main>
  );
}

/** Explains what the other home sees, and asks for a word and a grown-up's yes. */
const SayYes = ({ m, send }: { m: FamilyMatch; send: FormEventHandler<HTMLFormElement> }) => (
  <>
    <p>{say("match.text")}</p>
    <p>
      {say("match.shown")} {say("match.nothing")}
    </p>
    <form method="post" onSubmit={send} className="grid gap-4">
      <input type="hidden" name="intent" value="yes" />
      <fieldset>
        <legend className="mb-2 font-semibold">{say("match.choose")}</legend>
        <div className="grid grid-cols-3 gap-2">
          {CHOSEN_WORDS.filter((chosenWord) => chosenWord !== m.other.word).map((chosenWord) => (
            <label
              key={chosenWord}
              className="grid min-h-12 cursor-pointer place-items-center rounded-md border-2 border-chalk/50 px-1 has-checked:border-mustard has-checked:bg-mustard has-checked:font-bold has-checked:text-night has-focus-visible:outline-3"
            >
              <input type="radio" name="word" value={chosenWord} required className="sr-only" />
              {say(`word.${chosenWord}`)}
            </label>
          ))}
        </div>
      </fieldset>
      <label className="flex min-h-12 items-center gap-3 rounded-md border-2 border-chalk/50 px-3 font-semibold">
        <input type="checkbox" name="yes" required className="size-6" />
        {say("match.yes")}
      </label>
      <button type="submit" className="btn btn-main min-h-16 text-2xl">
        {say("match.play")}
      </button>
    </form>
  </>
);
