import { useState } from "react";
import type { Play } from "#core/referee/play.ts";
import { view } from "#core/referee/play.ts";
import { say, sayList } from "#words/say.ts";
import type { Act } from "../inputs/input.ts";

/** Somebody stops playing or joins while the game is paused. The same tap resumes the game. */
export function CompanyPanel({
  play,
  act,
  name,
  joins,
}: {
  play: Play;
  act: Act;
  name: (i: number) => string;
  /** Somebody joins a side, or plays as a side of their own (null), under the name that was typed. */
  joins: (side: number | null, called: string) => void;
}) {
  const now = view(play);
  const { leave, join } = now.company;
  const [called, call] = useState("");
  if (leave.length === 0 && join.length === 0) return null;
  const onSide = join.filter((side) => side !== null);
  return (
    <section className="grid gap-2.5">
      <h2 className="font-sans text-lg font-bold">{say("play.people")}</h2>
      <div className="grid grid-cols-2 gap-2.5">
        {leave.map((who) => (
          <button
            key={who}
            type="button"
            className="btn min-h-12 px-2"
            onClick={() => {
              act({ kind: "goOn" });
              act({ kind: "leave", who });
            }}
          >
            {say("play.stops", { name: name(who) })}
          </button>
        ))}
      </div>
      {join.length > 0 && (
        <>
          <label className="field">
            <span>{say("play.joinName")}</span>
            <input maxLength={20} value={called} onChange={(event) => call(event.target.value)} />
          </label>
          <div className="grid grid-cols-2 gap-2.5">
            {join.map((side) => (
              <button
                key={String(side)}
                type="button"
                className="btn min-h-12 px-2 leading-tight"
                onClick={() => joins(side, called.trim())}
              >
                {side === null
                  ? say(onSide.length > 0 ? "play.joinsOwn" : "play.joins")
                  : now.score.length === 1
                    ? say("play.joins")
                    : say("play.joinsSide", { names: sayList(now.score[side]!.players.map(name)) })}
              </button>
            ))}
          </div>
        </>
      )}
    </section>
  );
}
