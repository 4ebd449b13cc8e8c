import { useRef, useState } from "react";
import { type AskOf, arranged, type Spot } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import type { InputProps } from "./input.ts";

/** One press of an arrow, metres. */
const NUDGE = 0.05;

/** The child's own formation: pins are dragged, or moved by arrow keys, inside the square that is marked. Far is above. */
export default function Arrange({ ask, data, act }: InputProps<AskOf<"arrange">>) {
  const [spots, setSpots] = useState<readonly Spot[]>(ask.spots);
  const area = useRef<HTMLDivElement>(null);
  const court = data.card.parts.find((p) => p.kind === "court" && p.id === ask.field);
  if (court?.kind !== "court") return null;
  const half = ask.size / 2;
  const held = (s: Spot): Spot => ({
    ...s,
    along: Math.min(court.along + court.depth / 2 - half, Math.max(court.along - court.depth / 2 + half, s.along)),
    across: Math.min(court.across + court.width / 2 - half, Math.max(court.across - court.width / 2 + half, s.across)),
  });
  const put = (id: string, along: number, across: number) =>
    setSpots((all) => all.map((s) => (s.id === id ? held({ id, along, across }) : s)));
  const place = (s: Spot) => ({
    left: `${((s.across - court.across) / court.width + 0.5) * 100}%`,
    top: `${(0.5 - (s.along - court.along) / court.depth) * 100}%`,
    width: `${Math.max(7, (ask.size / court.width) * 100)}%`,
  });
  const drag = (id: string) => (e: React.PointerEvent) => {
    if (e.buttons === 0 || !area.current) return;
    const box = area.current.getBoundingClientRect();
    put(
      id,
      court.along + (0.5 - (e.clientY - box.top) / box.height) * court.depth,
      court.across + ((e.clientX - box.left) / box.width - 0.5) * court.width,
    );
  };
  const keys = (s: Spot) => (e: React.KeyboardEvent) => {
    const by = { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[e.key];
    if (!by) return;
    e.preventDefault();
    put(s.id, s.along + by[0]! * NUDGE, s.across + by[1]! * NUDGE);
  };
  return (
    <>
      <p className="font-semibold">{say("play.arrange")}</p>
      <div
        ref={area}
        className="relative mx-auto w-full max-w-72 touch-none rounded-md border-2 border-night bg-court short:max-w-44"
        style={{ aspectRatio: `${court.width} / ${court.depth}` }}
      >
        {spots.map((s, i) => (
          <button
            key={s.id}
            type="button"
            aria-label={say("play.pinAt", {
              number: i + 1,
              cm: Math.round((s.across - court.across) * 100),
              far: Math.round((s.along - court.along) * 100),
            })}
            className="absolute grid aspect-square min-w-7 -translate-1/2 cursor-grab place-items-center rounded-full border-2 border-night bg-mint text-sm font-bold text-night"
            style={place(s)}
            onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
            onPointerMove={drag(s.id)}
            onKeyDown={keys(s)}
          >
            {i + 1}
          </button>
        ))}
      </div>
      <button
        type="button"
        className="btn btn-main min-h-14 short:min-h-10 text-2xl"
        onClick={() => act(arranged(spots))}
      >
        {say("play.theyStand")}
      </button>
    </>
  );
}
