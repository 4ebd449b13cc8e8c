import { useState } from "react";
import type { GameEvent } from "#core/records/events.ts";
import type { Play } from "#core/referee/referee.ts";
import { say, targetName } from "../words/say.ts";
import type { CardData } from "./card-app.tsx";
import { type Act, Zones, zoneName } from "./play-inputs.tsx";

/** Changes an earlier try, with a reason; everything after it is counted again. */
export function FixPanel({ play, data, act, close }: { play: Play; data: CardData; act: Act; close: () => void }) {
  const [at, setAt] = useState<number | null>(null);
  const [reason, setReason] = useState(say("play.fixReason"));
  const label = (id: string) => {
    const part = data.card.parts.find((p) => p.id === id);
    if (part?.kind === "target") return targetName(part);
    return part?.kind === "zone" ? say("play.points", { points: part.points }) : zoneName(id);
  };
  const fixable = play.standing.flatMap(({ seq, event }): { seq: number; event: GameEvent; text: string }[] => {
    if (event.kind === "send")
      return [{ seq, event, text: event.hit ? say("play.ev.hit", { label: label(event.hit) }) : say("play.ev.miss") }];
    return event.kind === "rest" ? [{ seq, event, text: say("play.ev.rest", { zone: label(event.zone) }) }] : [];
  });
  const chosen = fixable.find((f) => f.seq === at);
  const correct = (event: Record<string, unknown>) =>
    act({ kind: "correct", seq: at, event, reason: reason.trim() || say("play.fixReason") });
  const targets = data.card.parts.filter((p) => p.kind === "target");
  const zones = ["short", ...data.card.parts.flatMap((p) => (p.kind === "zone" ? [p.id] : [])), "over"];
  return (
    <div className="grid gap-2.5">
      <p className="text-lg font-bold">{say(chosen ? "play.fixNow" : "play.fixPick")}</p>
      {!chosen && (
        <ol className="grid max-h-64 grid-cols-2 gap-2 overflow-auto">
          {fixable.map((f, i) => (
            <li key={f.seq}>
              <button
                type="button"
                className="btn min-h-12 w-full justify-start text-left"
                onClick={() => setAt(f.seq)}
              >
                {say("play.line", { number: i + 1, what: f.text })}
              </button>
            </li>
          ))}
        </ol>
      )}
      {chosen && (
        <>
          <label className="field">
            <span>{say("play.fixWhy")}</span>
            <input value={reason} maxLength={200} onChange={(e) => setReason(e.target.value)} />
          </label>
          {chosen.event.kind === "send" ? (
            <div className="grid grid-cols-2 gap-2">
              {targets.map((t) => (
                <button
                  key={t.id}
                  type="button"
                  className="btn min-h-14"
                  onClick={() => correct({ kind: "send", at: 0, hit: t.id })}
                >
                  {say("play.ev.hit", { label: label(t.id) })}
                </button>
              ))}
              <button
                type="button"
                className="btn min-h-14"
                onClick={() => correct({ kind: "send", at: 0, hit: null })}
              >
                {say("play.ev.miss")}
              </button>
            </div>
          ) : (
            <Zones zones={zones} data={data} pick={(zone) => correct({ kind: "rest", at: 0, zone })} />
          )}
        </>
      )}
      <button type="button" className="btn min-h-12" onClick={close}>
        {say("play.back")}
      </button>
    </div>
  );
}
