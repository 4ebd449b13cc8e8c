import { useState } from "react";
import { type Ask, mainAsks } from "#core/asks/ask.ts";
import { missOf, type Play, view } from "#core/referee/play.ts";
import { say } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData } from "../card/card-data.ts";
import type { Act } from "../inputs/input.ts";
import { hasInput, Input } from "../inputs/inputs.tsx";
import { labelOf, seenText } from "./seen.ts";

interface Fixable {
  seq: number;
  text: string;
  /** The ask at that moment. It is answered again with the same input. */
  ask: Ask;
  all: readonly Ask[];
}

/** Changes an earlier attempt and asks for the reason. Everything after it is scored again. */
export function FixPanel({
  play,
  data,
  act,
  name,
  close,
}: {
  play: Play;
  data: CardData;
  act: Act;
  name: (i: number) => string;
  close: () => void;
}) {
  const [at, setAt] = useState<number | null>(null);
  const [reason, setReason] = useState(say("play.fixReason"));
  const label = labelOf(data);
  const fixable = play.standing.flatMap(({ seq, event }, i): Fixable[] => {
    if (event.kind === "object" || event.kind === "again" || event.kind === "dispute") return [];
    const text = seenText(event, label);
    const all = play.game.asks(play.standing[i - 1]?.after ?? play.begin);
    const ask = mainAsks(all).find((mainAsk) => mainAsk.kind === event.kind);
    return text !== null && ask && hasInput(ask.kind) ? [{ seq, text, ask, all }] : [];
  });
  // After a step over the line, the attempt is lost or repeated.
  const foot = data.card.activity.match.foot ?? "spent";
  const calls = data.card.activity.match.calls ?? "replayed";
  const asked = mainAsks(view(play).asks)[0];
  const miss = foot === "ignored" || !asked ? null : missOf(asked);
  const again = (why: "foot" | "call") => act({ kind: "again", why });
  const chosen = fixable.find((eachFixable) => eachFixable.seq === at);
  const correct: Act = (event) =>
    act({ kind: "correct", seq: at, event: { ...event, at: 0 }, reason: reason.trim() || say("play.fixReason") });
  return (
    <div className="grid gap-2.5">
      <h2 data-heading className="font-sans text-lg font-bold">
        {say(chosen ? "play.fixNow" : "play.fixPick", attemptWords(data.card.activity.aim.action))}
      </h2>
      {!chosen && miss && (
        <button
          type="button"
          className="btn min-h-12"
          onClick={() => (foot === "spent" ? act({ ...miss, foot: true }) : again("foot"))}
        >
          {say("play.foot")}
        </button>
      )}
      {!chosen && calls === "replayed" && asked && missOf(asked) && (
        <button type="button" className="btn min-h-12" onClick={() => again("call")}>
          {say("play.notAgreed")}
        </button>
      )}
      {!chosen && calls !== "replayed" && play.setup.players > 1 && play.record.length > 0 && (
        <button type="button" className="btn min-h-12" onClick={() => act({ kind: "dispute" })}>
          {say(`play.dispute.${calls}`)}
        </button>
      )}
      {!chosen && (
        <ol className="grid max-h-64 grid-cols-2 gap-2 overflow-auto">
          {fixable.map((eachFixable, i) => (
            <li key={eachFixable.seq}>
              <button
                type="button"
                className="btn min-h-12 w-full justify-start text-left"
                onClick={() => setAt(eachFixable.seq)}
              >
                {say("play.line", { number: i + 1, what: eachFixable.text })}
              </button>
            </li>
          ))}
        </ol>
      )}
      {chosen && (
        <>
          <label className="field">
            <span>{say("play.fixWhy")}</span>
            <input value={reason} maxLength={200} onChange={(event) => setReason(event.target.value)} />
          </label>
          <Input
            ask={chosen.ask}
            all={chosen.all}
            data={data}
            act={correct}
            now=""
            sound={() => undefined}
            name={name}
            mending
          />
        </>
      )}
      <button type="button" className="btn min-h-12" onClick={close}>
        {say("play.back")}
      </button>
    </div>
  );
}
