import { useEffect, useState } from "react";
import type { Legal } from "#core/patterns/contract.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { say, targetName } from "../words/say.ts";
import type { CardData } from "./card-app.tsx";
import { PieceShape } from "./yard-map.tsx";

export type Act = (body: Record<string, unknown> & { kind: string }) => void;
interface Props {
  legal: readonly Legal[];
  /** Message key of what to do now. */
  now: string;
  data: CardData;
  act: Act;
  tick: () => void;
  name: (player: number) => string;
}

/** A handful of inputs by event kind, composed by what is legal now; no game has a screen of its own. */
export function PlayInputs({ legal, now, data, act, tick, name }: Props) {
  const [moving, setMoving] = useState(false);
  const of = <K extends Legal["kind"]>(kind: K) => legal.find((l): l is Extract<Legal, { kind: K }> => l.kind === kind);
  const knock = of("knock");
  if (moving && knock) return <Knock legal={knock} data={data} name={name} close={() => setMoving(false)} act={act} />;
  const send = of("send");
  const rest = of("rest");
  const block = of("block");
  const forfeit = of("forfeit");
  // Always there where pieces can move, so that nothing jumps under a thumb.
  const banded = data.card.parts.some((p) => p.kind === "zone");
  return (
    <>
      {send && <HitOrMiss legal={send} data={data} act={act} />}
      {rest && (
        <Zones zones={rest.zones} data={data} pieces={knock?.pieces} pick={(zone) => act({ kind: "rest", zone })} />
      )}
      {block && (
        <>
          <Zones zones={block.zones} data={data} pieces={knock?.pieces} pick={(zone) => act({ kind: "block", zone })} />
          <button type="button" className="btn min-h-16 text-lg" onClick={() => act({ kind: "block", zone: null })}>
            {say("play.noBlocker")}
          </button>
        </>
      )}
      {of("ready") && (
        <Big
          text={now === "play.ready" ? say("play.start") : say("play.count")}
          press={() => {
            tick();
            act({ kind: "ready" });
          }}
        />
      )}
      {forfeit && <Big text={say("play.done")} press={() => act({ kind: "forfeit" })} />}
      {banded && (
        <div className="grid grid-cols-2 gap-2.5">
          {of("carry") ? (
            <button type="button" className="btn col-span-2 min-h-12" onClick={() => act({ kind: "carry" })}>
              {say("play.carry")}
            </button>
          ) : (
            <>
              <button type="button" className="btn min-h-12" disabled={!knock} onClick={() => setMoving(true)}>
                {say("play.moved")}
              </button>
              <button
                type="button"
                className="btn min-h-12"
                disabled={!of("stand")}
                onClick={() => act({ kind: "stand" })}
              >
                {say("play.stood")}
              </button>
            </>
          )}
        </div>
      )}
    </>
  );
}

function Big({ text, press }: { text: string; press: () => void }) {
  return (
    <button
      type="button"
      className="min-h-40 rounded-[2rem] border-[3px] border-[#14241f] bg-mustard text-4xl font-bold text-[#14241f]"
      onClick={press}
    >
      {text}
    </button>
  );
}

/** HIT and MISS differ in shape, sign and word. Arrow left and right do the same. */
function HitOrMiss({ legal, data, act }: { legal: Extract<Legal, { kind: "send" }>; data: CardData; act: Act }) {
  const [which, setWhich] = useState(false);
  const others = legal.targets.filter((t) => t !== legal.want);
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLInputElement) return;
      if (e.key === "ArrowLeft") act({ kind: "send", hit: legal.want });
      if (e.key === "ArrowRight") act({ kind: "send", hit: null });
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [act, legal.want]);
  if (which)
    return (
      <div className="grid gap-2.5">
        <p className="text-lg font-bold">{say("play.which")}</p>
        <div className="grid grid-cols-3 gap-2.5">
          {others.map((id) => {
            const part = data.card.parts.find((p) => p.kind === "target" && p.id === id);
            return (
              <button
                key={id}
                type="button"
                className="grid min-h-24 justify-items-center rounded-md border-2 border-ink p-2"
                onClick={() => {
                  setWhich(false);
                  act({ kind: "send", hit: id });
                }}
              >
                <ItemDrawing item={part?.kind === "target" ? part.item : ""} />
                {part?.kind === "target" ? targetName(part) : id}
              </button>
            );
          })}
          <button type="button" className="btn min-h-24" onClick={() => setWhich(false)}>
            {say("play.back")}
          </button>
        </div>
      </div>
    );
  return (
    <>
      <div className="grid grid-cols-2 gap-3.5">
        <button
          type="button"
          className="grid min-h-52 content-center justify-items-center gap-2 rounded-[5rem] border-4 border-[#14241f] bg-mint text-[#14241f] active:scale-[0.98]"
          onClick={() => act({ kind: "send", hit: legal.want })}
        >
          <svg viewBox="0 0 60 60" width="64" height="64" aria-hidden="true">
            <path
              d="M12 32l13 14 24-32"
              fill="none"
              stroke="currentColor"
              strokeWidth="8"
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          </svg>
          <span className="text-3xl font-bold">{say("play.hit")}</span>
        </button>
        <button
          type="button"
          className="grid min-h-52 content-center justify-items-center gap-2 rounded-md border-4 border-[#14241f] bg-[#f3c7b8] text-[#14241f] active:scale-[0.98]"
          onClick={() => act({ kind: "send", hit: null })}
        >
          <svg viewBox="0 0 60 60" width="64" height="64" aria-hidden="true">
            <g fill="none" stroke="currentColor" strokeWidth="5">
              <circle cx="22" cy="38" r="13" />
              <path d="M34 8c8 3 14 10 16 18" strokeDasharray="2 8" strokeLinecap="round" />
            </g>
            <circle cx="51" cy="34" r="6" fill="currentColor" />
          </svg>
          <span className="text-3xl font-bold">{say("play.miss")}</span>
        </button>
      </div>
      {others.length > 0 && (
        <button type="button" className="btn min-h-12" onClick={() => setWhich(true)}>
          {say("play.other")}
        </button>
      )}
    </>
  );
}

export function zoneName(zone: string): string {
  return zone === "short" ? say("play.short") : say("play.overLine");
}

/** The bands as they lie on the floor, far ones above: tap where it stopped. Arrow keys move between them. */
export function Zones({
  zones,
  data,
  pick,
  pieces = [],
}: {
  zones: readonly string[];
  data: CardData;
  pick: (zone: string) => void;
  /** Pieces lying there, drawn where they lie. */
  pieces?: readonly { piece: number; player: number; zone: string | null }[];
}) {
  const far = [...zones].reverse();
  return (
    <div
      className="grid gap-1.5"
      role="group"
      onKeyDown={(e) => {
        if (e.key !== "ArrowUp" && e.key !== "ArrowDown") return;
        const all = [...e.currentTarget.querySelectorAll("button")];
        const at = all.indexOf(document.activeElement as HTMLButtonElement);
        all[Math.min(all.length - 1, Math.max(0, at + (e.key === "ArrowUp" ? -1 : 1)))]?.focus();
        e.preventDefault();
      }}
    >
      {far.map((id) => {
        const zone = data.card.parts.find((p) => p.kind === "zone" && p.id === id);
        const points = zone?.kind === "zone" ? zone.points : null;
        return (
          <button
            key={id}
            type="button"
            onClick={() => pick(id)}
            className={`flex min-h-16 items-center justify-between rounded-sm border-[3px] px-4 text-xl font-bold active:scale-[0.99] ${points === null ? "border-dashed border-[#14241f] bg-[#f3c7b8] text-[#14241f]" : "border-[#14241f] bg-mint text-[#14241f]"}`}
          >
            <span>{points === null ? zoneName(id) : say("play.points", { points })}</span>
            <span className="flex items-center gap-1" aria-hidden="true">
              {pieces
                .filter((p) => p.zone === id)
                .map((p) => (
                  <svg key={p.piece} viewBox="0 0 26 26" width="26" height="26" aria-hidden="true">
                    <PieceShape shape={p.player} cx={13} cy={13} />
                  </svg>
                ))}
            </span>
          </button>
        );
      })}
    </div>
  );
}

function Knock({
  legal,
  data,
  name,
  close,
  act,
}: {
  legal: Extract<Legal, { kind: "knock" }>;
  data: CardData;
  name: (i: number) => string;
  close: () => void;
  act: Act;
}) {
  const [piece, setPiece] = useState<number | null>(null);
  return (
    <div className="grid gap-2.5">
      <p className="text-lg font-bold">{say(piece === null ? "play.whichPiece" : "play.whereNow")}</p>
      {piece === null ? (
        <div className="grid grid-cols-3 gap-2.5">
          {legal.pieces.map((p) => (
            <button
              key={p.piece}
              type="button"
              className="grid min-h-20 justify-items-center rounded-md border-2 border-ink p-2"
              onClick={() => setPiece(p.piece)}
            >
              <svg viewBox="0 0 30 30" width="30" height="30" aria-hidden="true">
                <PieceShape shape={p.player} cx={15} cy={15} />
              </svg>
              {say("play.piece", { number: p.piece + 1, name: name(p.player) })}
            </button>
          ))}
        </div>
      ) : (
        <Zones
          zones={legal.zones}
          data={data}
          pick={(zone) => {
            act({ kind: "knock", piece, zone });
            close();
          }}
        />
      )}
      <button type="button" className="btn min-h-12" onClick={close}>
        {say("play.back")}
      </button>
    </div>
  );
}
