import { useState } from "react";
import type { Unit } from "#core/contract/contract.ts";
import { callCode, readCallCode, type Standing } from "#core/match/call-code.ts";
import type { View } from "#core/referee/play.ts";
import { say, sayScore } from "#words/say.ts";
import "./call-words.ts";

/** Times are read out in whole seconds. Nobody reads tenths over a call. */
const scale = (unit: Unit) => (unit === "tenths" ? 10 : 1);

/** The score as three characters, to be read out to the other home. */
export function CallCode({ view }: { view: View }) {
  const side = view.score.findIndex((score) => score.players.includes(0));
  const mine = view.score[side]!;
  const other = view.score.find((_, i) => i !== side);
  const code = callCode({
    mine: Math.floor(mine.value / scale(mine.unit)),
    theirs: other ? Math.floor(other.value / scale(other.unit)) : 0,
    turn: view.player === 0 ? "mine" : "theirs",
  });
  return (
    <p className="text-sm">
      {say("call.code")}{" "}
      <strong className="block font-mono text-2xl tracking-[0.25em] text-mint" data-call-code>
        {code}
      </strong>
    </p>
  );
}

/** The home that does not keep the score types what it hears and sees the same score. */
export function FollowCall({
  unit,
  attempt,
  shared,
  close,
}: {
  unit: Unit;
  /** The words for an attempt: `attemptWords`. */
  attempt: Record<string, string>;
  shared: boolean;
  close: () => void;
}) {
  const [typed, type] = useState("");
  const [standing, setStanding] = useState<Standing | null>(null);
  const [wrong, setWrong] = useState(false);
  const score = (count: number) => sayScore(count * scale(unit), unit, attempt);
  return (
    <form
      className="mx-auto grid w-full max-w-lg content-start gap-5 p-4 text-lg"
      onSubmit={(event) => {
        event.preventDefault();
        const read = readCallCode(typed, standing ?? undefined);
        setWrong(read === null);
        if (!read) return;
        setStanding(read);
        type("");
      }}
    >
      <h1 data-heading className="text-3xl">
        {say("call.follow")}
      </h1>
      <p>{say("call.followText")}</p>
      <label className="field">
        <span>{say("call.type")}</span>
        <input
          className="font-mono text-2xl tracking-[0.25em] uppercase"
          maxLength={7}
          autoComplete="off"
          autoCapitalize="characters"
          value={typed}
          aria-invalid={wrong}
          aria-describedby="call-told"
          onChange={(event) => type(event.target.value)}
        />
      </label>
      <div id="call-told" role="status" className="min-h-24">
        {wrong && <p className="font-semibold text-mustard">{say("call.wrong")}</p>}
        {standing && (
          <>
            {/* The code is written from the other home's side, with its own score first. */}
            {shared ? (
              <p className="text-2xl font-bold text-mustard">{say("call.both", { score: score(standing.mine) })}</p>
            ) : (
              <p className="text-2xl font-bold text-mustard">
                {say("call.stands", { ours: score(standing.theirs), theirs: score(standing.mine) })}
              </p>
            )}
            <p className="text-xl">{say(standing.turn === "mine" ? "call.theirTurn" : "call.ourTurn")}</p>
          </>
        )}
      </div>
      <button type="submit" className="btn btn-main min-h-14 text-xl">
        {say("call.show")}
      </button>
      <button type="button" className="btn min-h-12 border-chalk text-chalk" onClick={close}>
        {say("play.back")}
      </button>
    </form>
  );
}
