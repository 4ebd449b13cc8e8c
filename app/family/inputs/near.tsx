import { useRef, useState } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import { PieceShape } from "../screens/yard-map.tsx";
import { Beside } from "./beside.tsx";
import { Big } from "./big.tsx";
import type { InputProps } from "./input.ts";

type Lying = AskOf<"measure">["pieces"][number] & { piece: number };
/** The pieces that lie on the floor, each with its number. */
const lying = (ask: AskOf<"measure"> | undefined): Lying[] =>
  (ask?.pieces ?? []).map((piece, i) => ({ ...piece, piece: i + 1 }));
/** The area drawn around the jack: metres from the jack to each edge, and the size in pixels. */
const REACH = 1.2;
const SIZE = 260;
const K = SIZE / (2 * REACH);
const px = (mm: number) => SIZE / 2 + (mm / 1000) * K;
const py = (mm: number) => SIZE / 2 - (mm / 1000) * K;
const held = (mm: number) => Math.round(Math.min(REACH, Math.max(-REACH, mm / 1000)) * 1000);
/** The distance of one press of an arrow key, millimetres. */
const STEP = 50;
const centimetres = (mm: number) => Math.round(mm / 10);

/** Asks whether the jack came to rest between its lines. */
export function Jack({ act }: InputProps<AskOf<"send">>) {
  return (
    <>
      <Big text={say("play.jackIn")} press={() => act({ kind: "send", rest: "in" })} />
      <div className="grid grid-cols-2 gap-2.5">
        {(["short", "over"] as const).map((rest) => (
          <button
            key={rest}
            type="button"
            className="btn min-h-12 text-lg short:min-h-9"
            onClick={() => act({ kind: "send", rest })}
          >
            {say(rest === "short" ? "play.jackShort" : "play.jackOver")}
          </button>
        ))}
      </div>
    </>
  );
}

/** The floor around the jack with the pieces on it. */
function About({ pieces, children }: { pieces: readonly Lying[]; children?: React.ReactNode }) {
  return (
    <>
      <g fill="none" stroke="var(--color-chalk)" strokeOpacity="0.35" strokeDasharray="3 5">
        {[0.25, 0.5, 1].map((r) => (
          <circle key={r} cx={SIZE / 2} cy={SIZE / 2} r={r * K} />
        ))}
      </g>
      <circle cx={SIZE / 2} cy={SIZE / 2} r="7" fill="var(--color-rose)" stroke="var(--color-night)" strokeWidth="2" />
      {pieces.map(
        (piece) =>
          piece.spot &&
          !piece.dead && (
            <PieceShape
              key={piece.piece}
              shape={piece.player}
              cx={px(piece.spot.across)}
              cy={py(piece.spot.along)}
              r={8}
            />
          ),
      )}
      {children}
    </>
  );
}

/** Shows where a piece came to rest near the jack. It is dragged roughly into place, or moved with the arrow keys. */
export function NearSend({
  ask,
  act,
  lie,
  past,
}: InputProps<AskOf<"send">> & { lie: AskOf<"measure"> | undefined; past: boolean }) {
  const pieces = lying(lie);
  const [at, setAt] = useState({ along: -1000, across: 0 });
  const [moved, setMoved] = useState(false);
  const svg = useRef<SVGSVGElement>(null);
  const place = (x: number, y: number) => {
    const box = svg.current!.getBoundingClientRect();
    const scale = SIZE / Math.min(box.width, box.height);
    const [across, along] = [(x - box.left - box.width / 2) * scale, (box.top + box.height / 2 - y) * scale];
    setAt({ along: held((along / K) * 1000), across: held((across / K) * 1000) });
    setMoved(true);
  };
  const away = Math.round(Math.hypot(at.along, at.across));
  const steps: Record<string, [number, number]> = {
    ArrowUp: [STEP, 0],
    ArrowDown: [-STEP, 0],
    ArrowLeft: [0, -STEP],
    ArrowRight: [0, STEP],
  };
  return (
    <>
      <p className="leading-tight short:sr-only">{say("play.dragPiece")}</p>
      <div
        className="mx-auto w-full max-w-72 touch-none"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          place(event.clientX, event.clientY);
        }}
        onPointerMove={(event) =>
          event.currentTarget.hasPointerCapture(event.pointerId) && place(event.clientX, event.clientY)
        }
        role="slider"
        tabIndex={0}
        aria-label={say("play.dragPiece")}
        aria-valuenow={centimetres(away)}
        aria-valuetext={say("play.away", { cm: centimetres(away) })}
        aria-valuemin={0}
        aria-valuemax={centimetres(REACH * 1500)}
        onKeyDown={(event) => {
          const s = steps[event.key];
          if (!s) return;
          event.preventDefault();
          setAt({ along: held(at.along + s[0]), across: held(at.across + s[1]) });
          setMoved(true);
        }}
      >
        <svg
          ref={svg}
          viewBox={`0 0 ${SIZE} ${SIZE}`}
          className="mx-auto max-h-[38dvh] w-full rounded-md bg-court short:max-h-[32dvh] flat:max-h-[42dvh]"
          aria-hidden="true"
        >
          <About pieces={pieces}>
            <g>
              <circle cx={px(at.across)} cy={py(at.along)} r="17" fill="var(--color-mustard)" fillOpacity="0.3" />
              <PieceShape shape={ask.player} cx={px(at.across)} cy={py(at.along)} r={10} />
            </g>
          </About>
        </svg>
      </div>
      <button
        type="button"
        className="min-h-14 rounded-full border-[3px] border-night bg-mustard text-xl font-bold text-night disabled:opacity-60 short:min-h-10"
        disabled={!moved}
        onClick={() => act({ kind: "send", rest: "in", spot: at })}
      >
        {moved ? say("play.liesHere", { cm: centimetres(away) }) : say("play.dragFirst")}
      </button>
      {past && (
        <button
          type="button"
          className="btn min-h-12 text-lg short:min-h-9"
          onClick={() => act({ kind: "send", rest: "over" })}
        >
          {say("play.pastLine")}
        </button>
      )}
    </>
  );
}

/** Measures one piece: in centimetres, or with one person's shoe and fingers. The same shoe measures all pieces. */
function Measure({
  piece,
  title,
  act,
  close,
}: {
  piece: Lying;
  title: string;
  act: InputProps["act"];
  close: () => void;
}) {
  const [cm, setCm] = useState(piece.away === null ? "" : String(centimetres(piece.away)));
  const [shoes, setShoes] = useState("");
  const [fingers, setFingers] = useState("");
  const [typed, setTyped] = useState("");
  const number = (text: string) => (/^\d{1,4}$/.test(text.trim()) ? Number(text) : null);
  // Any shoe will do if all pieces are measured with it. The figures assume 22 cm, and 1.5 cm for a finger.
  const byShoe = () => {
    const [s, f] = [number(shoes), fingers.trim() === "" ? 0 : number(fingers)];
    return s === null || f === null ? null : 220 * s + 15 * f;
  };
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const mm = shoes.trim() === "" ? (number(cm) === null ? null : 10 * number(cm)!) : byShoe();
        if (mm === null || mm > 60_000) return setTyped(say("play.measureRange"));
        act({ kind: "measure", piece: piece.piece, away: mm });
        close();
      }}
    >
      <p className="text-lg font-bold">{title}</p>
      <p className="leading-tight">{say("play.measureHow")}</p>
      <div className="grid grid-cols-3 gap-2">
        {(
          [
            ["play.measureCm", cm, setCm],
            ["play.measureShoes", shoes, setShoes],
            ["play.measureFingers", fingers, setFingers],
          ] as const
        ).map(([key, value, set]) => (
          <label key={key} className="grid text-sm font-bold">
            {say(key)}
            <input
              inputMode="numeric"
              className="min-h-11 w-full min-w-0 text-center text-xl"
              value={value}
              onChange={(event) => set(event.target.value)}
              aria-invalid={typed !== ""}
              aria-describedby={typed ? "measured" : undefined}
            />
          </label>
        ))}
      </div>
      {typed && (
        <p id="measured" role="alert" className="problem">
          {typed}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <button type="button" className="btn min-h-11" onClick={close}>
          {say("play.back")}
        </button>
        <button type="submit" className="btn btn-main min-h-11">
          {say("play.countIt")}
        </button>
      </div>
    </form>
  );
}

/** All pieces in order of their distance. Near ties are measured before the round is counted. */
export function Nearest({ ask, act, name }: InputProps<AskOf<"measure">>) {
  const [measuring, setMeasuring] = useState<number | null>(null);
  const pieces = lying(ask);
  const one = pieces.find((piece) => piece.piece === measuring);
  const title = (givenLying: Lying) =>
    say("play.measureOf", { number: givenLying.piece, name: name(givenLying.player) });
  if (one) return <Measure piece={one} title={title(one)} act={act} close={() => setMeasuring(null)} />;
  const lie = pieces.filter((piece) => !piece.dead).sort((a, b) => (a.away ?? -1) - (b.away ?? -1));
  const known = lie.every((eachLying) => eachLying.away !== null);
  const near = lie[0]?.away ?? 0;
  // Pieces of another player that look as near as the nearest one.
  const close = lie.filter(
    (eachLying) => eachLying.away !== null && eachLying.away - near < ask.near && !eachLying.measured,
  );
  const tie =
    new Set(close.map((eachLying) => eachLying.player)).size > 1 ||
    (ask.mark !== null &&
      lie.some(
        (eachLying) =>
          !eachLying.measured && eachLying.away !== null && Math.abs(eachLying.away - ask.mark!) < ask.near,
      ));
  return (
    <>
      {tie && <p className="text-lg font-bold">{say("play.nearTie")}</p>}
      <ol className="grid max-h-[40dvh] gap-1.5 overflow-y-auto">
        {lie.map((eachLying) => (
          <li key={eachLying.piece} className="flex items-center gap-2 rounded-sm border-2 border-ink px-2">
            <svg viewBox="0 0 26 26" width="26" height="26" aria-hidden="true">
              <PieceShape shape={eachLying.player} cx={13} cy={13} />
            </svg>
            <span className="grow font-bold">{name(eachLying.player)}</span>
            <span className="text-lg">
              {eachLying.away === null
                ? say("play.notMeasured")
                : say("play.away", { cm: centimetres(eachLying.away) })}
            </span>
            <button
              type="button"
              className="btn min-h-11 px-2"
              aria-label={title(eachLying)}
              onClick={() => setMeasuring(eachLying.piece)}
            >
              {say("play.measure")}
            </button>
          </li>
        ))}
        {ask.mark !== null && (
          <li className="flex gap-2 rounded-sm border-2 border-dashed border-ink px-2 py-1.5">
            <span className="grow font-bold">{say("play.nearestMark")}</span>
            <span className="text-lg">{say("play.away", { cm: centimetres(ask.mark) })}</span>
          </li>
        )}
      </ol>
      <Beside
        text={say("play.countRound")}
        press={() => act({ kind: "ready" })}
        disabled={!known}
        row="min-h-14 short:min-h-10"
        look="rounded-full disabled:opacity-60"
        wide="text-xl"
        narrow="text-base leading-tight"
      />
    </>
  );
}

/** The jack was hit. It now lies elsewhere between its lines, or outside them. */
export function JackMoved({ act }: { act: InputProps["act"] }) {
  return (
    <>
      <button
        type="button"
        className="btn min-h-11 short:min-h-9"
        onClick={() => act({ kind: "move", piece: 0, place: "in" })}
      >
        {say("play.jackMoved")}
      </button>
      <button
        type="button"
        className="btn min-h-11 short:min-h-9"
        onClick={() => act({ kind: "move", piece: 0, place: "out" })}
      >
        {say("play.jackOut")}
      </button>
    </>
  );
}
