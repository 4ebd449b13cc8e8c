import { useState } from "react";
import type { Unit } from "#core/contract/contract.ts";
import { say, sayScore } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import { Face } from "../../drawings/face.tsx";
import { rememberedJson } from "../../kept.ts";
import { ExerciseList } from "../../ui/exercises.tsx";
import type { CardData, Step } from "../card/card-data.ts";
import { holdPage } from "../device/offline.ts";
import { changePlay, eventsOf, isInMemory, type LocalPlay, moveToMemory } from "../device/store.ts";
import { syncAll } from "../device/sync.ts";

interface Props {
  data: CardData;
  plays: LocalPlay[] | null;
  again: () => Promise<void>;
  go: (to: Step) => void;
}

/**
 * How it felt, two questions, and a grown-up's tick. The answers are stored on the device first and handed in as soon
 * as there is a network.
 */
export function HandInScreen({ data, plays: all, again, go }: Props) {
  // Practice goes are never handed in.
  const plays = all?.filter((play) => !play.practice) ?? null;
  const open = plays?.find((play) => play.done && !play.result);
  const last = plays?.filter((play) => play.result).at(-1);
  if (!plays)
    return (
      <>
        <h1 className="text-3xl">{say("hand.title")}</h1>
        <noscript>
          <p className="mt-3 text-lg">{say("noscript.hand")}</p>
          <p className="mt-3">
            <a className="btn" href={`/f/${data.token}/${data.id}/sheet`}>
              {say("noscript.sheet")}
            </a>
          </p>
        </noscript>
      </>
    );
  const cool = data.card.coolDown && <ExerciseList title={say("coolDown.title")} list={data.card.coolDown} />;
  if (open)
    return (
      <>
        <Form data={data} play={open} again={again} />
        {cool}
      </>
    );
  if (last)
    return (
      <>
        <Sent data={data} play={last} go={go} />
        {cool}
      </>
    );
  return (
    <>
      <h1 className="text-3xl">{say("hand.title")}</h1>
      <p className="mt-3 text-lg">{say("hand.nothing")}</p>
    </>
  );
}

function Form({ data, play, again }: { data: CardData; play: LocalPlay; again: () => Promise<void> }) {
  const activity = data.card.activity;
  const [feel, setFeel] = useState<Record<"before" | "during" | "after", number | null>>({
    before: null,
    during: null,
    after: null,
  });
  const [answers, setAnswers] = useState(activity.reflection.map(() => ""));
  const [criteria, setCriteria] = useState<string[]>([]);
  const [grownUp, setGrownUp] = useState(false);
  const [busy, setBusy] = useState(false);

  async function send() {
    setBusy(true);
    const events = await eventsOf(play.id);
    const change = {
      result: {
        events: events.length,
        reflection: {
          ...feel,
          answers,
          criteria,
          grownUp,
          ...(play.chose !== undefined && { chose: play.chose }),
        },
      },
      // A go that the server refused before is now complete, and is sent once more.
      refused: null,
    };
    // A device that is full cannot store the answers, so they are sent from this page's memory.
    await changePlay(play.id, change).catch(async () => {
      await moveToMemory(play.id);
      await changePlay(play.id, change);
    });
    holdPage(false);
    await again();
    await syncAll(data.token, [data.id]);
    await again();
  }

  return (
    <form
      className="grid gap-6"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <h1 className="text-3xl">{say("hand.title")}</h1>
      <Felt feel={feel} setFeel={setFeel} />
      {activity.criteria.length > 0 && (
        <fieldset className="grid gap-2">
          <legend className="mb-1 font-head text-xl font-bold">{say("hand.did")}</legend>
          {activity.criteria.map((criterion) => (
            <label key={criterion.id} className="flex min-h-12 items-center gap-3 text-lg">
              <input
                type="checkbox"
                className="size-6 shrink-0"
                checked={criteria.includes(criterion.id)}
                onChange={() =>
                  setCriteria(
                    criteria.includes(criterion.id)
                      ? criteria.filter((text) => text !== criterion.id)
                      : [...criteria, criterion.id],
                  )
                }
              />
              {criterion.text}
            </label>
          ))}
        </fieldset>
      )}
      {activity.reflection.map((query, i) => (
        <label key={query} className="field text-lg">
          <span>{query}</span>
          <textarea
            rows={2}
            maxLength={300}
            value={answers[i]}
            onChange={(event) => setAnswers(answers.map((answer, k) => (k === i ? event.target.value : answer)))}
          />
        </label>
      ))}
      <label className="flex min-h-16 items-center gap-4 rounded-md border-2 border-plum p-3 text-lg font-bold">
        <input type="checkbox" className="size-7 shrink-0" checked={grownUp} onChange={() => setGrownUp(!grownUp)} />
        {say("hand.grownUp")}
      </label>
      <button type="submit" className="btn btn-main min-h-16 text-xl" disabled={busy}>
        {say("hand.send")}
      </button>
    </form>
  );
}

function Sent({ data, play, go }: { data: CardData; play: LocalPlay; go: (to: Step) => void }) {
  const score = rememberedJson<{ value: number; unit: Unit; beat?: "best" | "mark" }>(`yard-score-${play.id}`);
  return (
    <div className="grid gap-4 text-lg" aria-live="polite">
      {play.refused ? (
        <p className="note">{say("hand.refused", { why: play.refused })}</p>
      ) : (
        <>
          <h1 className="text-3xl">
            {say(play.receipt ? "hand.sent" : isInMemory(play.id) ? "hand.inMemory" : "hand.kept")}
          </h1>
          {!play.receipt && (
            <p>{say(play.stuck ? "hand.stuck" : isInMemory(play.id) ? "hand.inMemoryText" : "hand.keptText")}</p>
          )}
          {!play.receipt && play.stuck && <p className="note">{play.stuck}</p>}
        </>
      )}
      {score && (
        <p className="text-2xl font-bold">
          {say("hand.score", { score: sayScore(score.value, score.unit, attemptWords(data.card.activity.aim.action)) })}
        </p>
      )}
      {score?.beat && (
        <p className="rounded-md bg-mustard p-3 text-xl font-bold text-night">
          {say(score.beat === "mark" ? "hand.beatMark" : "hand.beat")}
        </p>
      )}
      <button type="button" className="btn min-h-14 text-lg" onClick={() => go("play")}>
        {say("hand.again")}
      </button>
    </div>
  );
}

/** Asks how the child felt before, during and after the game. */
const Felt = ({
  feel,
  setFeel,
}: {
  feel: Record<"after" | "before" | "during", number | null>;
  setFeel: (next: Record<"after" | "before" | "during", number | null>) => void;
}) => (
  <section className="grid gap-3">
    <h2 className="text-xl">{say("hand.felt")}</h2>
    {(["before", "during", "after"] as const).map((at) => (
      <fieldset key={at}>
        <legend className="mb-1 font-semibold">{say(`hand.${at}`)}</legend>
        <div className="grid grid-cols-5 gap-1.5">
          {[1, 2, 3, 4, 5].map((v) => (
            <label
              key={v}
              className={`grid min-h-20 cursor-pointer content-center justify-items-center gap-0.5 rounded-md border-2 p-1 text-center text-sm leading-tight has-focus-visible:outline-3 ${feel[at] === v ? "border-plum bg-plum/20 font-bold" : "border-hair"}`}
            >
              <input
                type="radio"
                name={at}
                value={v}
                checked={feel[at] === v}
                onChange={() => setFeel({ ...feel, [at]: v })}
                className="sr-only"
              />
              <Face value={v} />
              {say("hand.feel", { value: String(v) })}
            </label>
          ))}
        </div>
      </fieldset>
    ))}
  </section>
);
